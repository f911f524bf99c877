import '../text/enEditing.js';
import type { Answer } from '@bogen/contract';
import {
  applyLessonCommand,
  lessonCommandVersion,
  migrateLessonCommand,
  sizeOfLessonCommand,
  touchesOfLessonCommand,
  type LessonCommand,
  type LessonDocument,
} from '@bogen/core/lesson';
import i18next from 'i18next';
import { call } from '../api/instructorCall.js';
import { EditedDocument } from '../saving/editedDocument.js';
import { openLocalSteps } from '../saving/localSteps.js';

export type EditedDraft = EditedDocument<LessonDocument, LessonCommand>;

/** A lesson that is being written in this page. */
export interface OpenDraft {
  readonly id: string;
  readonly edited: EditedDraft;
  readonly course: Answer<'draft'>['course'];
  readonly edition: Answer<'draft'>['edition'];
}

const opened = new Map<string, OpenDraft>();

export async function openDraft(lesson: string): Promise<OpenDraft> {
  const known = opened.get(lesson);
  if (known && !known.edited.isSaved) {
    known.edited.retry();
    return known;
  }
  known?.edited.dispose();
  const [draft, local] = await Promise.all([
    call('draft', { params: { lesson } }),
    openLocalSteps<LessonCommand>(`draft:${lesson}`, {
      version: lessonCommandVersion,
      read: migrateLessonCommand,
    }),
  ]);
  const edited: EditedDraft = new EditedDocument<LessonDocument, LessonCommand>({
    initial: draft,
    apply: applyLessonCommand,
    local,
    onStale: 'ask',
    touches: touchesOfLessonCommand,
    size: sizeOfLessonCommand,
    tooLarge: i18next.t('save.tooLargeAlone'),
    load: () => call('draft', { params: { lesson } }),
    send: (base, steps) =>
      call('appendToDraft', { params: { lesson }, body: { base, steps }, keepalive: true }),
  });
  const result = { id: lesson, edited, course: draft.course, edition: draft.edition };
  opened.set(lesson, result);
  return result;
}
