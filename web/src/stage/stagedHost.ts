import type { FigureDocument } from '@bogen/core/figure';
import { showPolygonsOnTheWay } from '../figure/geometry/onTheWay.js';
import type { Arrival, FigureHost, Motion } from '../figure/scene/host.js';

/** How long the way from one stage to the next takes. */
const wayMs = 420;

/** The mathematics of the way is fetched when a sheet with several stages is opened. */
let passage: typeof import('./passage.js') | undefined;
export const fetchPassage = async (): Promise<void> => {
  passage ??= await import('./passage.js');
};

const wantsNoMotion = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** What is played: the way, and when it began. */
interface Way {
  readonly at: (time: number) => FigureDocument;
  readonly began: number;
  shown: FigureDocument;
}

/**
 * The figure of a sheet with stages: that of the stage at which one is, and for a moment the way to it from the one
 * before. Whoever takes hold of the figure meanwhile has the stage at once.
 */
export class StagedHost implements FigureHost {
  private way: Way | undefined;
  private frame = 0;
  private stop: (() => void) | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(private current: FigureHost) {}

  /** Goes to another stage. */
  goTo(next: FigureHost): void {
    if (next === this.current) return;
    const from = this.read();
    this.current = next;
    this.way = undefined;
    if (this.listeners.size > 0) this.follow();
    const isHere = this.arrival() !== 'awaited';
    const way = isHere && !wantsNoMotion() ? passage?.figurePassage(from, next.read()) : undefined;
    if (way) {
      const at = (time: number): FigureDocument => {
        const { document, polygons } = way(time);
        showPolygonsOnTheWay(polygons);
        return document;
      };
      this.way = { at, began: performance.now(), shown: at(0) };
      cancelAnimationFrame(this.frame);
      this.frame = requestAnimationFrame(this.play);
    }
    this.tell();
  }

  private readonly play = (): void => {
    const { way } = this;
    if (!way) return;
    const share = (performance.now() - way.began) / wayMs;
    if (share >= 1) this.way = undefined;
    else {
      way.shown = way.at(share * share * (3 - 2 * share));
      this.frame = requestAnimationFrame(this.play);
    }
    this.tell();
  };

  readonly arrive = (): void => {
    if (!this.way) return;
    cancelAnimationFrame(this.frame);
    this.way = undefined;
    this.tell();
  };

  private follow(): void {
    this.stop?.();
    this.stop = this.current.subscribe(() => {
      this.way = undefined;
      this.tell();
    });
  }

  private tell(): void {
    [...this.listeners].forEach((listener) => listener());
  }

  readonly read = (): FigureDocument => this.way?.shown ?? this.current.read();
  readonly motion = (): Motion => (this.way ? 'playing' : this.current.motion());
  readonly arrival = (): Arrival => this.current.arrival?.() ?? 'here';
  readonly preview: FigureHost['preview'] = (command) => {
    if (command) this.arrive();
    this.current.preview(command);
  };
  readonly do: FigureHost['do'] = (command) => {
    this.arrive();
    this.current.do(command);
  };
  get isFree(): boolean {
    return this.current.isFree === true;
  }
  get letReaders(): FigureHost['letReaders'] {
    return this.current.letReaders;
  }
  readonly may: FigureHost['may'] = (command) => this.current.may(command);
  readonly snap: FigureHost['snap'] = (...move) => this.current.snap?.(...move) ?? null;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    if (this.listeners.size === 1) this.follow();
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.stop?.();
      this.stop = undefined;
      cancelAnimationFrame(this.frame);
      this.way = undefined;
    };
  };
}
