import type { SheetDifference, SheetPart } from '@bogen/core/lesson';

/** How a lesson was, and who else writes at it. */
export const lessonHistory = {
  history: 'History',
  lead: 'Choose a time to see what changed since, and go back to it if you like; that is one step, which can be undone.',
  editions: 'Editions',
  edition: 'Edition {{number}}',
  days: 'Days',
  steps_one: '{{count}} step',
  steps_other: '{{count}} steps',
  since: 'What changed since:',
  nothing: 'Nothing is different.',
  sinceEdition: 'What changed since edition {{number}}:',
  title: 'The title was “{{before}}” and is “{{after}}”.',
  notation: 'The notation is another.',
  kinds: { added: 'new', removed: 'removed' } satisfies Record<
    Exclude<SheetDifference['kind'], 'changed'>,
    string
  >,
  parts: {
    title: 'title',
    prose: 'text',
    figure: 'figure',
    stages: 'stages',
    tasks: 'tasks',
    place: 'its place',
  } satisfies Record<SheetPart, string>,
  goBack: 'Go back to this',
  writesHere: '{{name}} writes on this sheet too',
  writesThere: '{{name}} writes on “{{title}}”',
};
