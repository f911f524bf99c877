import type { FigureDocument } from '@bogen/core/figure';
import type { Arrival, FigureHost, Motion } from './host.js';

/** Everything that a host may have, so that what is new there and not handed on does not compile. */
type Whole = { readonly [Key in keyof Required<FigureHost>]: FigureHost[Key] };

/** A host that hands everything on to another one, which can be exchanged while the figure is seen. */
export class SwitchedHost implements Whole {
  private readonly listeners = new Set<() => void>();
  private stop: (() => void) | undefined;

  constructor(protected current: FigureHost) {}

  /** Hands on to another host from now on. */
  protected switchTo(next: FigureHost): void {
    this.current = next;
    if (this.listeners.size > 0) this.follow();
    this.tell();
  }

  private follow(): void {
    this.stop?.();
    this.stop = this.current.subscribe(() => this.followed());
  }

  /** What comes of a change of the figure that is handed on. */
  protected followed(): void {
    this.tell();
  }

  /** Nobody looks any more. */
  protected left(): void {
    // For a host that has something to end.
  }

  protected tell(): void {
    [...this.listeners].forEach((listener) => listener());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    if (this.listeners.size === 1) this.follow();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.stop?.();
      this.stop = undefined;
      this.left();
    };
  };
  readonly read: FigureHost['read'] = (): FigureDocument => this.current.read();
  readonly motion: FigureHost['motion'] = (): Motion => this.current.motion();
  readonly arrival = (): Arrival => this.current.arrival?.() ?? 'here';
  readonly arrive = (): void => this.current.arrive?.();
  readonly preview: FigureHost['preview'] = (command) => this.current.preview(command);
  readonly do: FigureHost['do'] = (command) => this.current.do(command);
  readonly may: FigureHost['may'] = (command) => this.current.may(command);
  readonly snap: NonNullable<FigureHost['snap']> = (...move) => this.current.snap?.(...move) ?? null;
  get isFree(): boolean {
    return this.current.isFree === true;
  }
  get letReaders(): FigureHost['letReaders'] {
    return this.current.letReaders;
  }
  get keepPicture(): FigureHost['keepPicture'] {
    return this.current.keepPicture;
  }
}
