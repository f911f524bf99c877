import { domainOf, supportOf, type Curve } from '@bogen/core/curve';
import {
  curveOf,
  gripPlace,
  type Evaluation,
  type FigureCommand,
  type FigureDocument,
  type View,
} from '@bogen/core/figure';
import { CommandError, type Told } from '@bogen/core/lesson';
import type { Arrival, FigureHost } from './host.js';
import type { LitSupport } from './sceneParts.js';
import { Drawn } from './drawn.js';
import { LaidOut } from './laidOut.js';
import { ParameterWindow } from './parameterWindow.js';
import { Pointed } from './pointed.js';
import { Pins } from './pins.js';
import { Previews } from './previews.js';
import { Selection } from './selection.js';
import { Structure } from './store.js';
import { structureOf } from './structure.js';
import { Viewed } from './viewed.js';

/**
 * One figure on the screen with its rail, as small stores that each have one owner: what is drawn, which handles are
 * wanted, what is selected, seen, pointed at and previewed, the cursor, and how the panes are laid out. All drawings
 * register as painters and paint together, once a frame, so that figure and tracks never show
 * different moments.
 */
export class FigureScene {
  private arrival_: Arrival;
  private readonly painters = new Set<() => void>();
  private readonly restListeners = new Set<() => void>();
  private frame = 0;
  private restingCurve: Curve | undefined;
  private restingDocument_: FigureDocument;
  private structure_ = '';
  private static count = 0;
  /** Another one for each scene, so that what belongs to one of them can be told from what belongs to the next. */
  readonly number = ++FigureScene.count;

  private readonly paintSoon = (): void => this.invalidate();
  readonly drawn: Drawn;
  /** Which handles and tracks are wanted: another one when items come and go, but not while points move. */
  readonly structured = new Structure();
  readonly selected = new Selection(this.paintSoon);
  readonly viewed = new Viewed(this.paintSoon);
  readonly axis = new ParameterWindow(this.paintSoon);
  readonly pointed = new Pointed(this.paintSoon);
  readonly previews = new Previews(this.paintSoon);
  readonly pins = new Pins(this.paintSoon);
  readonly laidOut = new LaidOut();

  constructor(readonly host: FigureHost) {
    this.drawn = new Drawn(host.read(), this.paintSoon);
    this.restingDocument_ = this.document;
    this.arrival_ = arrivalOf(host);
    this.structure_ = structureOf(this.document, this.evaluation);
  }

  get document(): FigureDocument {
    return this.drawn.document;
  }

  get evaluation(): Evaluation {
    return this.drawn.evaluation;
  }

  get arrival(): Arrival {
    return this.arrival_;
  }

  /** The part of the plane that is shown: the document's, or what was zoomed and moved to in this page. */
  get view(): View {
    return this.viewed.view ?? this.document.view;
  }

  /** The curve that the rail belongs to. */
  get railCurve(): Curve | undefined {
    return curveOf(this.evaluation, this.document.rail.item);
  }

  /** The rail's curve as it was when a change was last done. */
  restingRailCurve(): Curve | undefined {
    if (this.host.motion() === 'rest') this.restingCurve = this.railCurve;
    return this.restingCurve;
  }

  /** The document as it was when a change was last done. */
  restingDocument(): FigureDocument {
    return this.restingDocument_;
  }

  /** The cursor's parameter on the rail's curve, kept inside its domain. */
  get cursor(): number {
    const curve = this.railCurve;
    if (!curve) return 0;
    const [start, end] = domainOf(curve.knots, curve.degree);
    const u = this.axis.cursor ?? start + 0.38 * (end - start);
    return Math.min(end, Math.max(start, u));
  }

  /** The support of the picked control point. An edit point moves every control point: it has no support. */
  get litSupport(): LitSupport | null {
    const { picked } = this.pointed;
    if (picked?.of !== 'controlPoints') return null;
    const curve = curveOf(this.evaluation, picked.item);
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
      const isSame = document === this.document;
      if (isSame && this.host.motion() === 'rest') this.restingDocument_ = document;
      if (isSame && before === this.arrival_) return;
      if (before !== this.arrival_) this.structured.isAnother();
      if (!isSame) this.take(document);
      if (this.host.motion() === 'rest') this.restingDocument_ = document;
      // What was awaited does not wait for the next frame too.
      if (before === 'awaited') this.paint();
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
    this.drawn.take(document);
    const structure = structureOf(document, this.evaluation);
    if (structure === this.structure_) return;
    this.structure_ = structure;
    this.structured.isAnother();
    this.selected.keep((grip) => gripPlace(document, this.evaluation, grip) !== undefined);
  }

  /**
   * Shows or does what a hand or a key asks for.
   * @returns why not, where it does not fit or a locked joint can't be kept
   */
  attempt(how: 'preview' | 'do', command: FigureCommand | null): Told | null {
    try {
      if (how === 'preview') this.host.preview(command);
      else if (command) this.host.do(command);
      return null;
    } catch (error) {
      if (error instanceof CommandError) return error.told;
      throw error;
    }
  }

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
