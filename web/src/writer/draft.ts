import '../text/enEditing.js';
import type { Answer } from '@bogen/contract';
import {
  figureVersion,
  singleCommands,
  type FigureDocument,
  itemOf,
  keepingLocks,
  type FigureCommand,
} from '@bogen/core/figure';
import {
  applyLessonCommand,
  CommandError,
  type Told,
  migrateLessonCommand,
  touchesOfLessonCommand,
  sheetOf,
  type LessonCommand,
  type LessonDocument,
  dependentsOf,
} from '@bogen/core/lesson';
import i18next from 'i18next';
import { call } from '../api/call.js';
import { snapMoved } from '../editing/draw/snapMoved.js';
import type { FigureHost } from '../figure/scene/host.js';
import { EditedDocument, motionOf } from '../saving/editedDocument.js';
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
    openLocalSteps<LessonCommand>(`draft:${lesson}`, { version: figureVersion, read: migrateLessonCommand }),
  ]);
  const edited: EditedDraft = new EditedDocument<LessonDocument, LessonCommand>({
    initial: draft,
    apply: applyLessonCommand,
    local,
    onStale: 'ask',
    touches: touchesOfLessonCommand,
    size: (command) => (command.name === 'figure' ? singleCommands(command.command).length : 1),
    tooLarge: i18next.t('save.tooLargeAlone'),
    load: () => call('draft', { params: { lesson } }),
    send: (base, steps) =>
      call('appendToDraft', { params: { lesson }, body: { base, steps } as never, keepalive: true }),
  });
  const result = { id: lesson, edited, course: draft.course, edition: draft.edition };
  opened.set(lesson, result);
  return result;
}

/**
 * A sheet's figure inside a lesson that is being written: everything can be moved.
 * @param tell told what else depends on an item that was removed
 * @param refuse told why a change can't be done, where a locked joint forbids it, and `null` when one was done
 */
export function sheetHost(
  edited: EditedDraft,
  sheet: string,
  tell: (words: string) => void = () => undefined,
  refuse: (why: Told | null) => void = () => undefined,
): FigureHost {
  const asking = (command: FigureCommand): string[] => {
    const now = sheetOf(edited.store.getState().history.document, sheet);
    return singleCommands(command).flatMap((single) =>
      now && single.name === 'removeItem' && dependentsOf(now, single.item).conditions.length > 0
        ? [itemOf(now.figure, single.item)?.name ?? single.item]
        : [],
    );
  };
  const now = (): FigureDocument => sheetOf(edited.store.getState().history.document, sheet)?.figure ?? last!;
  let last: FigureDocument | undefined;
  return {
    read: () => {
      // A sheet that was just removed is drawn once more before its page goes.
      last = sheetOf(edited.store.getState().shown, sheet)?.figure ?? last;
      return last!;
    },
    subscribe: (listener) => edited.store.subscribe(listener),
    motion: () => motionOf(edited),
    preview: (command) =>
      edited.preview(command && { name: 'figure', sheet, command: keepingLocks(now(), command) }),
    do: (command) => {
      const lost = asking(command);
      let whole: FigureCommand;
      try {
        whole = keepingLocks(now(), command);
      } catch (error) {
        if (error instanceof CommandError) refuse(error.told);
        throw error;
      }
      edited.do({ name: 'figure', sheet, command: whole });
      refuse(null);
      if (lost.length > 0) tell(i18next.t('writer.askedOf', { name: lost.join(', ') }));
    },
    snap: (...move) => {
      const { at, kind, name = '' } = snapMoved(...move);
      return kind && { at, words: i18next.t(`draw.snap.${kind}`, { name }) };
    },
    may: () => true,
  };
}
