import { domainOf, supportOf, type Curve } from '@bogen/core/curve';
import {
  curveOf,
  evaluateFigure,
  gripPlace,
  type Evaluation,
  type FigureDocument,
  type View,
} from '@bogen/core/figure';
import { evaluationOf } from '../geometry/geometry.js';
import type { Arrival, FigureHost } from './host.js';
import type { Highlight, LitSupport, FigurePreview, Picked, PreviewOwner, Snap } from './sceneParts.js';
import { LaidOut } from './laidOut.js';
import { ParameterWindow } from './parameterWindow.js';
import { Selection } from './selection.js';
import { Structure } from './store.js';
import { structureOf } from './structure.js';
import { Viewed } from './viewed.js';

/**
 * One figure on the screen with its rail: the document's geometry, the cursor, and what is picked. All
 * drawings register as painters and paint together, once a frame, so that figure and tracks never show
 * different moments.
 */
export class FigureScene {
  private document_: FigureDocument;
  private arrival_: Arrival;
  private evaluation_: Evaluation;
  private cursor_: number | undefined;
  private picked_: Picked | null = null;
  private readonly previews_ = new Map<PreviewOwner, FigurePreview>();
  private snapped_: Snap | null = null;
  private highlight_: Highlight | null = null;
  private readonly painters = new Set<() => void>();
  private readonly listeners = new Set<() => void>();
  private readonly restListeners = new Set<() => void>();
  private frame = 0;
  private restingCurve: Curve | undefined;
  private structure_ = '';
  private static count = 0;
  /** Another one for each scene, so that what belongs to one of them can be told from what belongs to the next. */
  readonly number = ++FigureScene.count;

  private readonly follow = (): void => {
    this.invalidate();
    this.listeners.forEach((listener) => listener());
  };
  /** Which handles and tracks are wanted: another one when items come and go, but not while points move. */
  readonly structured = new Structure();
  readonly selected = new Selection(this.follow);
  readonly viewed = new Viewed(this.follow);
  readonly axis = new ParameterWindow(this.follow);
  readonly laidOut = new LaidOut();

  constructor(readonly host: FigureHost) {
    this.document_ = host.read();
    this.arrival_ = arrivalOf(host);
    this.evaluation_ = evaluationOf(this.document_);
    this.structure_ = structureOf(this.document_);
  }

  get document(): FigureDocument {
    return this.document_;
  }

  get evaluation(): Evaluation {
    return this.evaluation_;
  }

  get arrival(): Arrival {
    return this.arrival_;
  }

  get picked(): Picked | null {
    return this.picked_;
  }

  /** What tools and panels would make, in the order in which they began to show it. */
  get previews(): Iterable<FigurePreview> {
    return this.previews_.values();
  }

  /** Shows what an owner would make, in the place of what it showed before; `null` takes it away. */
  showPreview(owner: PreviewOwner, preview: FigurePreview | null): void {
    if (preview) this.previews_.set(owner, preview);
    else if (!this.previews_.delete(owner)) return;
    this.invalidate();
  }

  /** The part of the plane that is shown: the document's, or what was zoomed and moved to in this page. */
  get view(): View {
    return this.viewed.view ?? this.document_.view;
  }

  /** What the grip in the hand is drawn to. */
  get snapped(): Snap | null {
    return this.snapped_;
  }

  setSnapped(snapped: Snap | null): void {
    if (snapped === this.snapped_) return;
    this.snapped_ = snapped;
    this.invalidate();
  }

  get highlight(): Highlight | null {
    return this.highlight_;
  }

  setHighlight(highlight: Highlight | null): void {
    this.highlight_ = highlight;
    this.invalidate();
  }

  /** The curve that the rail belongs to. */
  get railCurve(): Curve | undefined {
    return curveOf(this.evaluation_, this.document_.rail.item);
  }

  /** The rail's curve as it was when a change was last done. */
  restingRailCurve(): Curve | undefined {
    if (this.host.motion() === 'rest') this.restingCurve = this.railCurve;
    return this.restingCurve;
  }

  /** The cursor's parameter on the rail's curve, kept inside its domain. */
  get cursor(): number {
    const curve = this.railCurve;
    if (!curve) return 0;
    const [start, end] = domainOf(curve.knots, curve.degree);
    const u = this.cursor_ ?? start + 0.38 * (end - start);
    return Math.min(end, Math.max(start, u));
  }

  moveCursor(u: number): void {
    this.cursor_ = u;
    this.invalidate();
    this.listeners.forEach((listener) => listener());
  }

  pick(picked: Picked | null): void {
    this.picked_ = picked;
    this.invalidate();
    this.listeners.forEach((listener) => listener());
  }

  /** The support of the picked control point. An edit point moves every control point: it has no support. */
  get litSupport(): LitSupport | null {
    const { picked_: picked } = this;
    if (picked?.of !== 'controlPoints') return null;
    const curve = curveOf(this.evaluation_, picked.item);
    if (!curve || picked.index >= curve.points.length) return null;
    const [from, to] = supportOf(curve, picked.index);
    return { item: picked.item, index: picked.index, from, to };
  }

  /** Follows the host's document until the returned function is called. */
  connect(): () => void {
    const follow = (): void => {
      const before = this.arrival_;
      const document = this.host.read();
      this.arrival_ = arrivalOf(this.host);
      const isSame = document === this.document_;
      if (isSame && before === this.arrival_) return;
      if (before !== this.arrival_) this.structured.isAnother();
      if (!isSame) this.take(document);
      // What was awaited does not wait for the next frame too.
      if (before === 'awaited') this.paint();
      this.listeners.forEach((listener) => listener());
      if (this.host.motion() === 'rest') this.restListeners.forEach((listener) => listener());
    };
    follow();
    const stop = this.host.subscribe(follow);
    return () => {
      stop();
      cancelAnimationFrame(this.frame);
      this.frame = 0;
      // What was only tried ends with the scene; whoever tried it can no longer say so.
      if (this.host.motion() !== 'rest') this.host.preview(null);
    };
  }

  private take(document: FigureDocument): void {
    this.document_ = document;
    this.evaluation_ = evaluateFigure(document, this.evaluation_);
    this.invalidate();
    const structure = structureOf(document);
    if (structure === this.structure_) return;
    this.structure_ = structure;
    this.structured.isAnother();
    this.selected.keep((grip) => gripPlace(document, this.evaluation_, grip) !== undefined);
  }

  /** Told on every change of document, cursor or pick. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Told when a change is done, once for a whole drag: for words and numbers that need not follow the pointer. */
  readonly onRest = (listener: () => void): (() => void) => {
    this.restListeners.add(listener);
    return () => this.restListeners.delete(listener);
  };

  /**
   * Paints something as things are, and from then on with all others.
   * @param atOnce whether it is not left to the next time that all are painted
   * @returns how to leave it out again
   */
  addPainter(painter: () => void, atOnce = true): () => void {
    this.painters.add(painter);
    if (atOnce && this.arrival_ !== 'awaited') painter();
    return () => this.painters.delete(painter);
  }

  /** Paints everything in the coming frame. */
  invalidate(): void {
    if (this.frame === 0) this.frame = requestAnimationFrame(() => this.paint());
  }

  private paint(): void {
    cancelAnimationFrame(this.frame);
    this.frame = 0;
    if (this.arrival_ !== 'awaited') this.painters.forEach((paint) => paint());
  }
}

function arrivalOf(host: FigureHost): Arrival {
  return host.arrival?.() ?? 'here';
}
