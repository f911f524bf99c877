import {
  curveOf,
  domainOf,
  evaluateFigure,
  handlesOfShape,
  itemOf,
  supportOf,
  type Curve,
  type Evaluation,
  type FigureDocument,
  type Point,
  type PointKind,
  type View,
} from '@bogen/core';
import type { FigureHost } from './host.js';

/** A point that is pointed at, focused or held. */
export interface Picked {
  readonly item: string;
  readonly of: PointKind;
  readonly index: number;
}

/** The support that is lit on curve, knots and basis. */
export interface LitSupport {
  readonly item: string;
  readonly index: number;
  readonly from: number;
  readonly to: number;
}

/** What is drawn over a figure while something is being made, before it is part of the document. */
export interface Overlay {
  /** What it would come to. */
  readonly curve?: Curve;
  /** Places that were set. */
  readonly places: readonly Point[];
  /** Handles, each a line through its node. */
  readonly pulls: readonly (readonly [Point, Point])[];
  /** Whether the places are joined by a polygon. */
  readonly polygon: boolean;
  /** A freehand stroke as it is drawn. */
  readonly stroke?: readonly Point[];
}

/**
 * One figure on the screen with its rail: the document's geometry, the cursor, and what is picked. All
 * drawings register as painters and paint together, once a frame, so that figure and tracks never show
 * different moments.
 */
export class FigureScene {
  private document_: FigureDocument;
  private evaluation_: Evaluation;
  private cursor_: number | undefined;
  private picked_: Picked | null = null;
  private overlay_: Overlay | null = null;
  private view_: View | null = null;
  private readonly painters = new Set<() => void>();
  private readonly listeners = new Set<() => void>();
  private readonly settledListeners = new Set<() => void>();
  private frame = 0;
  private settledCurve: Curve | undefined;
  private structure_ = '';
  private structureCount = 0;

  constructor(readonly host: FigureHost) {
    this.document_ = host.read();
    this.evaluation_ = evaluateFigure(this.document_);
    this.structure_ = structureOf(this.document_);
  }

  get document(): FigureDocument {
    return this.document_;
  }

  get evaluation(): Evaluation {
    return this.evaluation_;
  }

  get picked(): Picked | null {
    return this.picked_;
  }

  get overlay(): Overlay | null {
    return this.overlay_;
  }

  /** Shows what is being made, or no longer. */
  setOverlay(overlay: Overlay | null): void {
    if (this.overlay_ === overlay) return;
    this.overlay_ = overlay;
    this.invalidate();
  }

  /** The part of the plane that is shown: the document's, or what was zoomed and moved to in this page. */
  get view(): View {
    return this.view_ ?? this.document_.view;
  }

  /** Zooms or moves; `null` goes back to the document's view. It is not part of the document. */
  setView(view: View | null): void {
    this.view_ = view;
    this.structureCount++;
    this.invalidate();
    this.listeners.forEach((listener) => listener());
  }

  /** The curve that the rail belongs to. */
  get railCurve(): Curve | undefined {
    return curveOf(this.evaluation_, this.document_.rail.item);
  }

  /** The rail's curve as it was when a change was last done. */
  settledRailCurve(): Curve | undefined {
    if (this.host.settled()) this.settledCurve = this.railCurve;
    return this.settledCurve;
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
      const document = this.host.read();
      if (document === this.document_) return;
      this.document_ = document;
      this.evaluation_ = evaluateFigure(document, this.evaluation_);
      this.invalidate();
      const structure = structureOf(document);
      if (structure !== this.structure_) {
        this.structure_ = structure;
        this.structureCount++;
      }
      this.listeners.forEach((listener) => listener());
      if (this.host.settled()) this.settledListeners.forEach((listener) => listener());
    };
    follow();
    const stop = this.host.subscribe(follow);
    return () => {
      stop();
      cancelAnimationFrame(this.frame);
      this.frame = 0;
    };
  }

  /** Told on every change of document, cursor or pick. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Told when a change is done, once for a whole drag: for words and numbers that need not follow the pointer. */
  readonly onSettled = (listener: () => void): (() => void) => {
    this.settledListeners.add(listener);
    return () => this.settledListeners.delete(listener);
  };

  /** Changes when other handles or tracks are wanted, but not while points merely move. */
  readonly structure = (): number => this.structureCount;

  addPainter(painter: () => void): () => void {
    this.painters.add(painter);
    this.invalidate();
    return () => this.painters.delete(painter);
  }

  /** Paints everything in the coming frame. */
  invalidate(): void {
    if (this.frame !== 0) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = 0;
      this.painters.forEach((paint) => paint());
    });
  }
}

/** What the set of handles and tracks depends on, as a text to compare. */
function structureOf(document: FigureDocument): string {
  const items = document.items.map((item) =>
    item.kind === 'curve'
      ? [
          item.id,
          item.name,
          item.curve.points.length,
          item.curve.degree,
          item.curve.periodic,
          item.faint,
          item.hidden,
          item.locked,
        ]
      : [
          item.id,
          item.name,
          item.kind,
          item.hidden,
          item.locked,
          item.kind === 'shape' && [item.shape.kind, handlesOfShape(item.shape).length],
        ],
  );
  return JSON.stringify([items, document.loose, document.shown, document.rail, document.view]);
}

/** The name of a point as it is spoken of: P₃, E₃. */
export function letterOf(of: PointKind): string {
  return of === 'controlPoints' ? 'P' : 'E';
}

/** The name of an item, for labels. */
export function nameOf(document: FigureDocument, item: string): string {
  return itemOf(document, item)?.name ?? item;
}
