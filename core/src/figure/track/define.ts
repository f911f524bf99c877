import type { Curve } from '../../curve/curve.js';
import type { CurveSamples } from '../../curve/sample.js';
import type { TrackDrawing } from './drawing.js';

/** What a plot is computed from. Samples are handed in, since whoever draws has them already. */
export interface PlotInput {
  readonly curve: Curve;
  readonly samples: CurveSamples;
  /** The curve that the rail's curve is compared with. */
  readonly compared?: Curve;
  /** The distances of the samples from the compared curve; asked for only where there is one. */
  readonly distances?: () => Float64Array;
}

/** One line of a track: a value for each of the curve's samples, and the value at a parameter. */
export interface Plot {
  readonly values: (input: PlotInput) => Float64Array | undefined;
  readonly at: (input: PlotInput, u: number) => number | undefined;
  /** Stands before its value at the cursor, where there are several. */
  readonly sign?: string;
  readonly dashed?: true;
}

/** Some of a family of functions with an index each: those that are not zero at a parameter. */
export interface FunctionsAt {
  /** Index of the first of them. */
  readonly firstIndex: number;
  readonly values: ArrayLike<number>;
}

/** A member of the registry of tracks. */
export interface TrackMember {
  /** Numbers over the parameter; they are plotted as every track plots them, unless it has a drawing of its own. */
  readonly plots?: readonly Plot[];
  readonly drawing?: TrackDrawing;
  /** What its values are called in formulas, where its plots have no signs of their own. */
  readonly letter?: string;
  /** Functions with an index each, as many as there are control points, where a track shows such. */
  readonly family?: (curve: Curve, u: number) => FunctionsAt;
  /** Where given, the scale is logarithmic, in whole powers of ten down to this value, and smaller ones stand on it. */
  readonly floor?: number;
  /** Whether each of its values depends on the whole curve, and not only on the span that it stands in. */
  readonly whole?: true;
  /** Whether it compares the rail's curve with another. */
  readonly compares?: true;
  /** Whether a new figure's rail has it. */
  readonly first?: true;
}
