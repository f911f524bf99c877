import '../text/enEditing.js';
import {
  allow,
  applyFigureCommand,
  itemOf,
  keepingLocks,
  singleCommands,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import {
  changeAtStage,
  CommandError,
  dependentsOf,
  figureOfStage,
  sheetOf,
  stageStates,
  told,
  type Sheet,
  type Told,
} from '@bogen/core/lesson';
import i18next from 'i18next';
import { snapOfMove } from '../editing/draw/snapOfMove.js';
import type { FigureHost } from '../figure/scene/host.js';
import { hostThrough, tellingWhy, type Ending } from '../figure/scene/pipeline.js';
import type { EditedDraft } from './draft.js';

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
  const ending: Ending = {
    now,
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
    preview: (command) => show(command && applyFigureCommand(now(), command).document),
    do: (command) => {
      refuseBroken(sheet(), stage);
      const lost = asking(command);
      // It is tried here first, since a stage only keeps what is done in it.
      const before = now();
      applyFigureCommand(before, command);
      previewed = null;
      if (!capture?.(sheet(), command)) edited.do(changeAtStage(sheet(), stage, command));
      did?.(command, before);
      if (lost.length > 0) tell?.(i18next.t('writer.askedOf', { name: lost.join(', ') }));
    },
  };
  const host = hostThrough(ending, [(command, before) => keepingLocks(before, command)], {
    snap: snapOfMove,
    letReaders: (allowance) => edited.do(changeAtStage(sheet(), stage, allow(now(), allowance))),
    may: () => true,
  });
  return refuse ? tellingWhy(host, refuse) : host;
}

/** @throws CommandError where a stage has to be mended before anything is done at it */
function refuseBroken(sheet: Sheet, stage: string): void {
  const index = sheet.stages.findIndex(({ id }) => id === stage);
  if (stageStates(sheet)[index]?.broken) throw new CommandError(told('mendStageFirst'));
}
