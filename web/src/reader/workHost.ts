import { isAnythingFree, readerMay, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { CommandError, told } from '@bogen/core/lesson';
import { stillHost, type FigureHost } from '../figure/scene/host.js';
import { hostThrough, type Pass } from '../figure/scene/pipeline.js';
import { SwitchedHost } from '../figure/scene/switchedHost.js';
import { endingOf, type EditedFigure } from '../saving/ending.js';

/** A command with what it asks of the curves that are locked to those that it changes. */
export type KeepLocks = (document: FigureDocument, command: FigureCommand) => FigureCommand;

/**
 * A reader's figure, in which only what the document leaves loose may be changed.
 * @param start the figure as it was published
 * @param keepLocks given where the figure has locked joints
 */
export function looseHost(edited: EditedFigure, start: FigureDocument, keepLocks?: KeepLocks): FigureHost {
  const ending = endingOf(edited);
  return hostThrough(ending, keepLocks ? [locksWithin(start, keepLocks)] : [], {
    may: (command) => readerMay(ending.now(), command, start),
    snap,
  });
}

/** Adds what locked joints ask, as far as the reader may do that too. */
const locksWithin =
  (start: FigureDocument, keepLocks: KeepLocks): Pass =>
  (command, now) => {
    const kept = keepLocks(now, command);
    if (kept !== command && !readerMay(now, kept, start)) throw new CommandError(told('lockOnFixedPoint'));
    return kept;
  };

let snapOfMove: FigureHost['snap'];

/** What a point is drawn to is fetched when the figure is there; until it has come a point stays under the hand. */
async function fetchSnap(): Promise<void> {
  ({ snapOfMove } = await import('../editing/draw/snapOfMove.js'));
}

const snap: NonNullable<FigureHost['snap']> = (...move) => snapOfMove?.(...move) ?? null;

/** The figure of a stage until the work on it is here: it is drawn where it is known, and nothing is done to it. */
const awaitedHost = (before: FigureDocument, isKnown: boolean, start: FigureDocument): FigureHost => ({
  ...stillHost(before),
  arrival: () => (isKnown ? 'known' : 'awaited'),
  may: (command) => readerMay(before, command, start),
});

/**
 * The figure of a sheet whose work is on its way. What is seen until then is the figure given, where it is
 * known to be that of the work; else only its place is kept. The page is built while the server answers, and
 * has then only to draw what it has not drawn.
 */
export class WorkHost extends SwitchedHost {
  constructor(
    before: FigureDocument,
    isKnown: boolean,
    private readonly start: FigureDocument,
  ) {
    super(awaitedHost(before, isKnown, start));
  }

  /** Takes over the work, now or after it was opened again. */
  readonly receive = (edited: EditedFigure, keepLocks?: KeepLocks): void => {
    // A failed fetch is tried again with the next figure.
    if (!snapOfMove && isAnythingFree(this.start)) void fetchSnap().catch(() => undefined);
    this.switchTo(looseHost(edited, this.start, keepLocks));
  };
}
