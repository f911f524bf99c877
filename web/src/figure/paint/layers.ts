import { curveOf, gripKey, type EvaluatedItem, type Evaluation } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { drawBitmap } from './canvas.js';
import { combLength, drawCurves, drawOver, drawPoints } from './drawFigure.js';
import type { LoadedPicture } from './drawGround.js';
import { drawGround } from './drawGround.js';
import { drawMarks } from './drawMarks.js';
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
  private ground: Sheet | undefined;
  private still: Sheet | undefined;
  private marks: Sheet | undefined;
  /** What the items came to before the drag. */
  private settled: Evaluation | undefined;
  private moving = new Set<string>();
  private moved = new Set<string>();

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
    const keptGround = (): Sheet =>
      (this.ground = kept(
        this.ground,
        pictures.flatMap(({ picture, image }) => [picture, image]),
        () => this.sheet(ground),
      ));
    if (scene.host.motion() === 'rest') {
      this.settled = scene.evaluation;
      this.moving.clear();
      this.moved.clear();
      this.forgetStill();
      // A copy pays from the second time on; the first picture comes sooner without.
      if (this.drawn) this.copy(context, keptGround());
      else ground(context);
      drawCurves(context, scene, projection, palette, pane);
      drawPoints(context, scene, projection, palette, pane);
    } else this.drawMoving(context, keptGround());
    this.drawn = true;
    drawOver(context, scene, projection, palette, pane);
  }

  close(): void {
    this.ground?.image.close();
    this.forgetStill();
  }

  private drawMoving(context: CanvasRenderingContext2D, ground: Sheet): void {
    const { scene, projection, palette, pane, moving, moved } = this;
    for (const [id, result] of scene.evaluation.items) {
      if (this.before(id) !== result) moving.add(id);
    }
    const { shown, looks, rail } = scene.document;
    const looked = [shown, looks, rail.item, [...moving].join(), combLength(scene)];
    const part = (moves: boolean): Pane => ({
      ...pane,
      shows: (id) => id !== null && moving.has(id) === moves && pane.shows(id),
    });
    this.still = kept(this.still, [ground, ...looked], () =>
      this.sheet((own) => {
        this.copy(own, ground);
        drawCurves(own, scene, projection, palette, part(false));
        drawPoints(own, scene, projection, palette, part(false));
      }),
    );
    this.copy(context, this.still);
    drawCurves(context, scene, projection, palette, part(true));
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
    if (!before || !now || before.weights !== now.weights) return true;
    const isElsewhere = (k: number): boolean => before.points[k] !== now.points[k];
    if (isElsewhere(index - 1) || isElsewhere(index) || isElsewhere(index + 1)) return true;
    if (of === 'controlPoints') return false;
    const [from, to] = [before, now].map((curve) => editPointsOf(curve)[index]?.point);
    return !from || !to || from.some((value, axis) => value !== to[axis]);
  }

  private before(id: string): EvaluatedItem | undefined {
    return this.settled?.items.get(id);
  }

  private copy(context: CanvasRenderingContext2D, { image }: Sheet): void {
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
}

/** Something drawn, and what it was drawn from. */
interface Sheet {
  readonly image: ImageBitmap;
  readonly parts: readonly unknown[];
}

/** The sheet as it is where it was drawn from the same, else a new one. */
function kept(sheet: Sheet | undefined, parts: readonly unknown[], draw: () => ImageBitmap): Sheet {
  if (sheet && parts.length === sheet.parts.length && parts.every((part, k) => part === sheet.parts[k])) {
    return sheet;
  }
  sheet?.image.close();
  return { image: draw(), parts };
}
