import '../text/enEditing.js';
import type { Answer } from '@bogen/contract';
import {
  allow,
  applyFigureCommand,
  singleCommands,
  type FigureDocument,
  itemOf,
  keepingLocks,
  type FigureCommand,
} from '@bogen/core/figure';
import {
  applyLessonCommand,
  changeAtStage,
  CommandError,
  figureOfStage,
  lessonCommandVersion,
  migrateLessonCommand,
  sizeOfLessonCommand,
  stageStates,
  told,
  touchesOfLessonCommand,
  sheetOf,
  type LessonCommand,
  type LessonDocument,
  type Sheet,
  type Told,
  dependentsOf,
} from '@bogen/core/lesson';
import i18next from 'i18next';
import { call } from '../api/instructorCall.js';
import { snapOfMove } from '../editing/draw/snapOfMove.js';
import type { FigureHost } from '../figure/scene/host.js';
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
      call('appendToDraft', { params: { lesson }, body: { base, steps } as never, keepalive: true }),
  });
  const result = { id: lesson, edited, course: draft.course, edition: draft.edition };
  opened.set(lesson, result);
  return result;
}

/** What a figure in a lesson that is being written tells whoever shows it. */
export interface SheetTeller {
  /** Told what else depends on an item that was removed. */
  readonly tell?: (words: string) => void;
  /** Told why a change can't be done, where a locked joint forbids it, and `null` when one was done. */
  readonly refuse?: (why: Told | null) => void;
  /** Told what was done, and on which figure. */
  readonly did?: (command: FigureCommand, before: FigureDocument) => void;
  /** Makes a stage of a change instead, where that is wanted. @returns whether it did */
  readonly capture?: (sheet: Sheet, command: FigureCommand) => boolean;
}

/** A sheet's figure at one of its stages, inside a lesson that is being written: everything can be moved. */
export function sheetHost(
  edited: EditedDraft,
  sheetId: string,
  stage: string,
  { tell, refuse, did, capture }: SheetTeller = {},
): FigureHost {
  let last: Sheet | undefined;
  /** The sheet as it is; one that was just removed is drawn once more before its page goes. */
  const sheet = (): Sheet => (last = sheetOf(edited.store.getState().history.document, sheetId) ?? last!);
  const now = (): FigureDocument => figureOfStage(sheet(), stage);
  /** What a command would come to, while it is only shown. */
  let previewed: FigureDocument | null = null;
  const listeners = new Set<() => void>();
  const show = (figure: FigureDocument | null): void => {
    if (figure === previewed) return;
    previewed = figure;
    [...listeners].forEach((listener) => listener());
  };
  const asking = (command: FigureCommand): string[] =>
    singleCommands(command).flatMap((single) =>
      single.name === 'removeItem' && dependentsOf(sheet(), now(), single.item).tasks.length > 0
        ? [itemOf(now(), single.item)?.name ?? single.item]
        : [],
    );
  return {
    read: () => previewed ?? now(),
    subscribe: (listener) => {
      listeners.add(listener);
      const stop = edited.store.subscribe((state, before) => {
        // What was only shown was shown of a state that is not the present one any more.
        if (state.history !== before.history) previewed = null;
        listener();
      });
      return () => {
        listeners.delete(listener);
        stop();
      };
    },
    motion: () => (previewed ? 'hand' : 'rest'),
    preview: (command) => show(command && applyFigureCommand(now(), keepingLocks(now(), command)).document),
    do: (command) => {
      const lost = asking(command);
      let whole: FigureCommand;
      try {
        refuseBroken(sheet(), stage);
        whole = keepingLocks(now(), command);
      } catch (error) {
        if (error instanceof CommandError) refuse?.(error.told);
        throw error;
      }
      // It is tried here first, since a stage only keeps what is done in it.
      const before = now();
      applyFigureCommand(before, whole);
      previewed = null;
      if (!capture?.(sheet(), whole)) edited.do(changeAtStage(sheet(), stage, whole));
      did?.(whole, before);
      refuse?.(null);
      if (lost.length > 0) tell?.(i18next.t('writer.askedOf', { name: lost.join(', ') }));
    },
    snap: snapOfMove,
    letReaders: (allowance) => edited.do(changeAtStage(sheet(), stage, allow(now(), allowance))),
    may: () => true,
  };
}

/** @throws CommandError where a stage has to be mended before anything is done at it */
function refuseBroken(sheet: Sheet, stage: string): void {
  const index = sheet.stages.findIndex(({ id }) => id === stage);
  if (stageStates(sheet)[index]?.broken) throw new CommandError(told('mendStageFirst'));
}
