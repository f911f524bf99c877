import type { ConditionKind } from '@bogen/core/lesson';

/** A condition as a sentence; where it counts, for one and for several; where it is about points, for both kinds. */
type ConditionTexts =
  | { readonly text: string }
  | { readonly text_one: string; readonly text_other: string }
  | { readonly text_controlPoints: string; readonly text_editPoints: string };

export const sheet = {
  sheets: 'Sheets',
  of: 'Sheet {{number}} of {{count}}',
  text: 'Text of the sheet',
  yourTurn: 'Your turn',
  check: 'Check',
  hint: 'Hint',
  nextHint: 'Next hint',
  startOver: 'Start over',
  next: 'Next sheet',
  previous: 'Previous sheet',
  wholeFigure: 'Figure alone',
  showProse: 'Show the text',
  met: 'met',
  notMet: 'not yet',
  allMet: 'Done. All conditions are met.',
  notAllMet: 'Not yet. Look at the rows that are not met.',
  confirmed: 'Checked again by the server.',
  unconfirmed: 'The server will check it as soon as the connection is back.',
  disagrees: 'The server came to a different result, and that is the one that counts.',
  doneBefore: 'You have done this sheet.',
  conditions: {
    curveThroughPoint: { text: '{{item}} passes through {{target}} within {{tolerance}} mm' },
    pointAtPlace: { text: '{{point}} lies at {{place}} within {{tolerance}} mm' },
    pointsUnmoved: {
      text_controlPoints: 'The other control points stay within {{tolerance}} mm',
      text_editPoints: 'The other edit points stay within {{tolerance}} mm',
    },
    spansUnmoved: {
      text_one: 'At least {{count}} span of {{item}} stays',
      text_other: 'At least {{count}} spans of {{item}} stay',
    },
    curvatureAtMost: { text: 'Curvature of {{item}} at most {{limit}} per mm' },
    inflectionsAtMost: {
      text_one: 'At most {{count}} inflection on {{item}}',
      text_other: 'At most {{count}} inflections on {{item}}',
    },
    degreeAtMost: { text: '{{item}} has degree {{count}} at most' },
  } satisfies Record<ConditionKind, ConditionTexts>,
  measured: { length: '{{value}} mm', count: '{{value}}', curvature: '{{value}} /mm', none: 'not there' },
};
