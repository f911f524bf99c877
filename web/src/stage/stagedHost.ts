import type { FigureDocument } from '@bogen/core/figure';
import { showPolygonsOnTheWay } from '../figure/geometry/onTheWay.js';
import type { FigureHost, Motion } from '../figure/scene/host.js';
import { SwitchedHost } from '../figure/scene/switchedHost.js';

/** How long the way from one stage to the next takes. */
const wayMs = 420;

/** The mathematics of the way is fetched when a sheet with several stages is opened. */
let passage: typeof import('./passage.js') | undefined;
export const fetchPassage = async (): Promise<void> => {
  passage ??= await import('./passage.js');
};

const wantsNoMotion = (): boolean => matchMedia('(prefers-reduced-motion: reduce)').matches;

/** What is played: the way, where it leads, and when it began. */
interface Way {
  readonly at: (time: number) => FigureDocument;
  readonly to: FigureDocument;
  readonly began: number;
  shown: FigureDocument;
}

/**
 * The figure of a sheet with stages: that of the stage at which one is, and for a moment the way to it from the one
 * before. Whoever takes hold of the figure meanwhile has the stage at once.
 */
export class StagedHost extends SwitchedHost {
  private way: Way | undefined;
  private frame = 0;

  /** Goes to another stage. */
  goTo(next: FigureHost): void {
    if (next === this.current) return;
    const from = this.read();
    const to = next.read();
    const isHere = (next.arrival?.() ?? 'here') !== 'awaited';
    const way = isHere && !wantsNoMotion() ? passage?.figurePassage(from, to) : undefined;
    cancelAnimationFrame(this.frame);
    this.way = undefined;
    if (way) {
      const at = (time: number): FigureDocument => {
        const { document, polygons } = way(time);
        showPolygonsOnTheWay(polygons);
        return document;
      };
      this.way = { at, to, began: performance.now(), shown: at(0) };
      this.frame = requestAnimationFrame(this.play);
    }
    this.switchTo(next);
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

  override readonly arrive = (): void => {
    if (!this.way) return;
    this.left();
    this.tell();
  };

  protected override left(): void {
    cancelAnimationFrame(this.frame);
    this.way = undefined;
  }

  protected override followed(): void {
    // The work on a stage may come while the way to it plays; where it is what the way leads to, it goes on.
    if (this.way && this.current.read() !== this.way.to) this.left();
    this.tell();
  }

  override readonly read = (): FigureDocument => this.way?.shown ?? this.current.read();
  override readonly motion = (): Motion => (this.way ? 'playing' : this.current.motion());
  override readonly preview: FigureHost['preview'] = (command) => {
    if (command) this.arrive();
    this.current.preview(command);
  };
  override readonly do: FigureHost['do'] = (command) => {
    this.arrive();
    this.current.do(command);
  };
}
