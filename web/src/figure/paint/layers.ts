import {
  curveOf,
  gripKey,
  isShown,
  itemOf,
  type EvaluatedItem,
  type Evaluation,
  type FigureDocument,
  changedSpans,
  type SpanRange,
} from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { combLength } from './drawComb.js';
import { canBeParted, drawCurves, drawOver, drawPoints } from './drawFigure.js';
import type { LoadedPicture } from './drawGround.js';
import { drawGround } from './drawGround.js';
import { drawMarks } from './drawMarks.js';
import { drawBitmap, isSame, kept, type Kept } from './kept.js';
import { looksHere } from './looks.js';
import { editPointsOf } from '../geometry/geometry.js';
import { handlesOf } from '../scene/handles.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { Picked } from '../scene/sceneParts.js';

/** Fewer marks than these are drawn faster than a whole bitmap of them is copied. */
const fewestOnSheet = 24;

/**
 * The layers of one pane. The ground is kept while anything moves; and while something is dragged, all that
 * does not move with it is drawn once onto the ground, and the marks that stay on the curves that move
 * once onto a transparent bitmap, so that a frame of a drag draws only what moved.
 */
export class Layers {
  private drawn = false;
  private ground: Kept | undefined;
  private still: Kept | undefined;
  private marks: Kept | undefined;
  private resting: Kept | undefined;
  private restingParts: readonly unknown[] = [];
  /** What the items came to before the drag. */
  private settled: Evaluation | undefined;
  private settledDocument: FigureDocument | undefined;
  private moving = new Set<string>();
  private moved = new Set<string>();
  /** The spans of each curve that were others at any time of a pull: what is copied stays the same to its end. */
  private ranges = new Map<string, SpanRange>();

  constructor(
    private readonly scene: FigureScene,
    private readonly projection: Projection,
    private readonly palette: Palette,
    private readonly pane: Pane,
  ) {}

  /** Draws everything as it is now. */
  draw(context: CanvasRenderingContext2D, pictures: readonly LoadedPicture[]): void {
    const { scene, projection, palette, pane } = this;
    const ground = (own: CanvasRenderingContext2D): void =>
      drawGround(own, scene.view, projection, palette, pictures);
    const keptGround = (): Kept =>
      (this.ground = kept(
        this.ground,
        pictures.flatMap(({ picture, image }) => [picture, image]),
        () => this.sheet(ground),
      ));
    if (scene.host.motion() === 'rest') {
      // A hand that is back where it began goes on from what was drawn for it.
      if (scene.document !== this.settledDocument) {
        this.settledDocument = scene.document;
        this.settled = scene.evaluation;
        this.moving.clear();
        this.moved.clear();
        this.ranges.clear();
        this.forgetStill();
      }
      this.drawResting(context, pictures, ground, keptGround);
    } else {
      this.drawMoving(context, keptGround());
    }
    this.drawn = true;
    drawOver(context, scene, projection, palette, pane);
  }

  close(): void {
    this.ground?.image.close();
    this.forgetStill();
    this.forgetResting();
  }

  /**
   * Where the same is drawn again, because the cursor moves or something is previewed, it is copied: a copy pays from
   * the second time on, and the first picture comes sooner without.
   */
  private drawResting(
    context: CanvasRenderingContext2D,
    pictures: readonly LoadedPicture[],
    ground: (context: CanvasRenderingContext2D) => void,
    keptGround: () => Kept,
  ): void {
    const { scene, projection, palette, pane } = this;
    const whole = (own: CanvasRenderingContext2D): void => {
      if (this.drawn) this.copy(own, keptGround());
      else ground(own);
      drawCurves(own, scene, projection, palette, pane);
      drawPoints(own, scene, projection, palette, pane);
    };
    const { document, litSupport } = scene;
    const parts: unknown[] = [document, litSupport?.item, litSupport?.index, looksHere()];
    for (const { picture, image } of pictures) parts.push(picture, image);
    const isAgain = this.drawn && isSame(parts, this.restingParts);
    this.restingParts = parts;
    if (isAgain) {
      this.resting = kept(this.resting, parts, () => this.sheet(whole));
      this.copy(context, this.resting);
    } else whole(context);
  }

  private drawMoving(context: CanvasRenderingContext2D, ground: Kept): void {
    const { scene, projection, palette, pane, moving, moved } = this;
    for (const [id, result] of scene.evaluation.items) {
      if (this.before(id) !== result) moving.add(id);
    }
    const { shown, looks, rail } = scene.document;
    const spans = new Map([...moving].map((id) => [id, this.changedSpans(id)]));
    const partOf = (outside: boolean) => (id: string) => {
      const range = spans.get(id)?.now;
      return range && { first: range[0], end: range[1], outside };
    };
    const parted = [...spans].flatMap(([id, range]) => (range ? [id] : []));
    const ranges = [...spans].map(([id, range]) => [id, range?.before]).join();
    const looked = [shown, looks, looksHere(), rail.item, ranges, combLength(scene)];
    const part = (moves: boolean): Pane => ({
      ...pane,
      shows: (id) => id !== null && moving.has(id) === moves && pane.shows(id),
    });
    this.still = kept(this.still, [ground, ...looked], () =>
      this.sheet((own) => {
        this.copy(own, ground);
        drawCurves(own, scene, projection, palette, part(false));
        if (parted.length > 0) {
          const those = {
            ...pane,
            shows: (id: string | null) => id !== null && parted.includes(id) && pane.shows(id),
          };
          drawCurves(own, scene, projection, palette, those, partOf(true));
        }
        drawPoints(own, scene, projection, palette, part(false));
      }),
    );
    this.copy(context, this.still);
    drawCurves(context, scene, projection, palette, part(true), partOf(false));
    const handles = handlesOf(scene, part(true));
    for (const handle of handles) if (this.hasMoved(handle)) moved.add(gripKey(handle));
    const [there, gone]: [Picked[], Picked[]] = [[], []];
    for (const handle of handles) (moved.has(gripKey(handle)) ? gone : there).push(handle);
    if (there.length < fewestOnSheet) {
      drawPoints(context, scene, projection, palette, part(true), handles);
      return;
    }
    this.marks = kept(this.marks, [...looked, moved.size], () =>
      this.sheet((own) => drawMarks(own, scene, projection, palette, there), true),
    );
    this.copy(context, this.marks);
    drawPoints(context, scene, projection, palette, part(true), gone);
  }

  /** Whether a point's mark, or its name, which stands away from its neighbours, is elsewhere than before. */
  private hasMoved({ item, of, index }: Picked): boolean {
    const before = this.settled && curveOf(this.settled, item);
    const now = curveOf(this.scene.evaluation, item);
    if (!before || !now) return true;
    // With the first weight every point has one to be shown.
    if (
      !before.weights !== !now.weights &&
      isShown(this.scene.document, 'weights', itemOf(this.scene.document, item))
    )
      return true;
    if (of === 'controlPoints' && (before.weights?.[index] ?? 1) !== (now.weights?.[index] ?? 1)) return true;
    const isElsewhere = (k: number): boolean => before.points[k] !== now.points[k];
    if (isElsewhere(index - 1) || isElsewhere(index) || isElsewhere(index + 1)) return true;
    if (of === 'controlPoints') return false;
    const [from, to] = [before, now].map((curve) => editPointsOf(curve)[index]?.point);
    return !from || !to || from.some((value, axis) => value !== to[axis]);
  }

  /** The spans of a curve that moves which are others than before; nothing where it is drawn as a whole. */
  private changedSpans(id: string): ReturnType<typeof changedSpans> {
    const item = itemOf(this.scene.document, id);
    const before = this.settled && curveOf(this.settled, id);
    const now = curveOf(this.scene.evaluation, id);
    if (!item || !before || !now || !canBeParted(this.scene, item)) return undefined;
    const spans = changedSpans(before, now);
    // Spans that are counted otherwise have other colours.
    const isShifted = spans !== undefined && spans.before[1] !== spans.now[1];
    if (!spans || (isShifted && isShown(this.scene.document, 'spans', item))) return undefined;
    const range = withRange(this.ranges.get(id), spans);
    this.ranges.set(id, range.before);
    return range;
  }

  private before(id: string): EvaluatedItem | undefined {
    return this.settled?.items.get(id);
  }

  private copy(context: CanvasRenderingContext2D, { image }: Kept): void {
    context.drawImage(image, 0, 0, this.projection.width, this.projection.height);
  }

  /** Something drawn over the whole pane. */
  private sheet(draw: (context: CanvasRenderingContext2D) => void, alpha = false): ImageBitmap {
    const { width, height, markScale } = this.projection;
    return drawBitmap(width, height, draw, alpha, markScale);
  }

  private forgetStill(): void {
    this.still?.image.close();
    this.marks?.image.close();
    this.still = this.marks = undefined;
  }

  private forgetResting(): void {
    this.resting?.image.close();
    this.resting = undefined;
    this.restingParts = [];
  }
}

/** The spans that changed, and those that did before: once drawn by themselves they stay so, though a hand comes back. */
export function withRange(
  known: SpanRange | undefined,
  { before, now }: { readonly before: SpanRange; readonly now: SpanRange },
): { before: SpanRange; now: SpanRange } {
  if (!known || known[0] === known[1]) return { before, now };
  const isEmpty = before[0] === before[1];
  const from = isEmpty ? known[0] : Math.min(known[0], before[0]);
  const to = isEmpty ? known[1] : Math.max(known[1], before[1]);
  // What comes after what changed is counted by as many more, or fewer, in both.
  return { before: [from, to], now: [from, to + now[1] - before[1]] };
}
