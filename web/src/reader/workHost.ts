import { isAnythingFree, readerMay, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { CommandError, told } from '@bogen/core/lesson';
import type { Arrival, FigureHost, Motion } from '../figure/scene/host.js';
import { motionOf } from '../saving/motion.js';
import type { EditedWork } from './work.js';

/** A command with what it asks of the curves that are locked to those that it changes. */
export type KeepLocks = (document: FigureDocument, command: FigureCommand) => FigureCommand;

/**
 * A reader's figure, in which only what the document leaves loose may be changed.
 * @param start the figure as it was published
 * @param keepLocks given where the figure has locked joints
 */
export function looseHost(edited: EditedWork, start: FigureDocument, keepLocks?: KeepLocks): FigureHost {
  const now = (): FigureDocument => edited.store.getState().history.document;
  /** With what locked joints ask, as far as the reader may do that too. */
  const whole = (command: FigureCommand): FigureCommand => {
    const kept = keepLocks?.(now(), command) ?? command;
    if (kept !== command && !readerMay(now(), kept, start)) throw new CommandError(told('lockOnFixedPoint'));
    return kept;
  };
  return {
    read: () => edited.store.getState().shown,
    subscribe: (listener) => edited.store.subscribe(listener),
    motion: () => motionOf(edited),
    preview: (command) => edited.preview(command && whole(command)),
    do: (command) => edited.do(whole(command)),
    may: (command) => readerMay(now(), command, start),
    snap,
  };
}

let snapOfMove: FigureHost['snap'];

/** What a point is drawn to is fetched when the figure is there; until it has come a point stays under the hand. */
async function fetchSnap(): Promise<void> {
  ({ snapOfMove } = await import('../editing/draw/snapOfMove.js'));
}

const snap: NonNullable<FigureHost['snap']> = (...move) => snapOfMove?.(...move) ?? null;

/**
 * The figure of a sheet whose work is on its way. What is seen until then is the figure given, where it is
 * known to be that of the work; else only its place is kept. The page is built while the server answers, and
 * has then only to draw what it has not drawn.
 */
export class WorkHost implements FigureHost {
  private own: FigureHost | undefined;
  /** Who listens, and how it stops listening to the work. */
  private readonly listeners = new Map<() => void, () => void>();

  constructor(
    private readonly before: FigureDocument,
    private readonly isKnown: boolean,
    private readonly start: FigureDocument,
  ) {}

  /** Takes over the work, now or after it was opened again. */
  readonly receive = (edited: EditedWork, keepLocks?: KeepLocks): void => {
    const own = looseHost(edited, this.start, keepLocks);
    this.own = own;
    // A failed fetch is tried again with the next figure.
    if (!snapOfMove && isAnythingFree(this.start)) void fetchSnap().catch(() => undefined);
    for (const [listener, stop] of this.listeners) {
      stop();
      this.listeners.set(listener, own.subscribe(listener));
    }
    [...this.listeners.keys()].forEach((listener) => listener());
  };

  readonly arrival = (): Arrival => (this.own ? 'here' : this.isKnown ? 'known' : 'awaited');
  readonly read = (): FigureDocument => this.own?.read() ?? this.before;
  readonly motion = (): Motion => this.own?.motion() ?? 'rest';
  readonly preview: FigureHost['preview'] = (command) => this.own?.preview(command);
  readonly do: FigureHost['do'] = (command) => this.own?.do(command);
  readonly snap: FigureHost['snap'] = (...move) => this.own?.snap?.(...move) ?? null;
  readonly may: FigureHost['may'] = (command) =>
    this.own?.may(command) ?? readerMay(this.before, command, this.start);
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.set(listener, this.own?.subscribe(listener) ?? (() => undefined));
    return () => {
      this.listeners.get(listener)?.();
      this.listeners.delete(listener);
    };
  };
}
