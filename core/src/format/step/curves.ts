import { exactCircle, exactEllipse } from '../../curve/circle.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { joinAll } from '../../curve/join.js';
import { domainOf } from '../../curve/knotVector.js';
import { nearestFinder } from '../../curve/nearest.js';
import { reverseCurve } from '../../curve/reparametrise.js';
import { extractPart } from '../../curve/split.js';
import { validateCurve } from '../../curve/validate.js';
import { addScaled, crossInSpace, dot, lengthOf, scaled, subtract } from '../../curve/vector.js';
import { told } from '../../told/told.js';
import { FormatError } from '../define.js';
import { formatLimits } from '../limits.js';
import { asPeriodicWhereClosed, type Incoming } from '../incoming.js';
import { Entities, realOf } from './entities.js';
import type { StepInstance, StepValue } from './parse.js';
import type { Units } from './units.js';
import { polyline, arcOf, knotsOfForm, type PlacedConic } from './made.js';

/** The entities that are curves, with those that two kinds have in common. */
const curveNames = [
  'B_SPLINE_CURVE_WITH_KNOTS',
  'BEZIER_CURVE',
  'UNIFORM_CURVE',
  'QUASI_UNIFORM_CURVE',
  'CIRCLE',
  'ELLIPSE',
  'PARABOLA',
  'HYPERBOLA',
  'LINE',
  'POLYLINE',
  'TRIMMED_CURVE',
  'COMPOSITE_CURVE',
] as const;

type CurveName = (typeof curveNames)[number];

export const curveNameOf = (entities: Entities, instance: StepInstance): CurveName | undefined =>
  curveNames.find((name) => entities.has(instance, name));

/** The curves of a file, in millimetres. */
export class StepCurves {
  private points = 0;

  constructor(
    private readonly entities: Entities,
    private readonly units: Units,
  ) {}

  nameOf(of: StepInstance): string {
    const [record] = of.records;
    const named = this.entities.record(of, 'REPRESENTATION_ITEM') ?? record!;
    const [name] = named.values;
    return name?.kind === 'text' ? name.value : '';
  }

  place(of: StepInstance): Point {
    const coordinates = this.entities.attributes(of, 'CARTESIAN_POINT', 2).reals(1);
    if (coordinates.length < 1 || coordinates.length > 3)
      throw this.entities.wrong(of, told('fileValueCount', { count: coordinates.length, wanted: 3 }));
    const [x = 0, y = 0, z = 0] = coordinates;
    return [x, y, z].map((coordinate) => coordinate * this.units.millimetres);
  }

  /** What an instance comes to: a circle or an ellipse as what it is, anything else as a curve; nothing where it has no end. */
  itemOf(of: StepInstance): Pick<Incoming, 'curve' | 'circle' | 'ellipse'> | undefined {
    const kind = curveNameOf(this.entities, of);
    if (kind === 'CIRCLE' || kind === 'ELLIPSE') {
      const conic = this.conic(of, kind);
      if (conic.x[2] !== 0 || conic.y[2] !== 0) return { curve: this.wholeConic(of, conic) };
      return kind === 'CIRCLE'
        ? { circle: { centre: conic.centre, radius: conic.first } }
        : {
            ellipse: {
              centre: conic.centre,
              x: scaled(conic.x, conic.first),
              y: scaled(conic.y, conic.second),
            },
          };
    }
    const curve = this.curve(of);
    return curve && { curve };
  }

  private curve(of: StepInstance, depth = 0): Curve | undefined {
    const next = this.entities.deeper(depth, of);
    const kind = curveNameOf(this.entities, of);
    switch (kind) {
      case undefined:
      case 'LINE':
      case 'PARABOLA':
      case 'HYPERBOLA':
        return undefined;
      case 'CIRCLE':
      case 'ELLIPSE':
        return this.wholeConic(of, this.conic(of, kind));
      case 'POLYLINE':
        return this.checked(of, () =>
          polyline(this.places(this.entities.attributes(of, kind, 2).instances(1))),
        );
      case 'TRIMMED_CURVE':
        return this.trimmed(of, next);
      case 'COMPOSITE_CURVE':
        return this.composite(of, next);
      default:
        return this.spline(of, kind);
    }
  }

  private places(of: readonly StepInstance[]): Point[] {
    this.points += of.length;
    if (this.points > formatLimits.points)
      throw new FormatError(told('fileTooMany', { most: formatLimits.points, what: 'control points' }));
    return of.map((instance) => this.place(instance));
  }

  /** The attributes of a B-spline curve stand in one record, or in one for each of its types. */
  private spline(of: StepInstance, kind: CurveName): Curve {
    const { entities } = this;
    const isComplex = of.records.length > 1;
    const shift = isComplex ? 0 : 1;
    const withKnots = kind === 'B_SPLINE_CURVE_WITH_KNOTS';
    const base = isComplex
      ? entities.attributes(of, 'B_SPLINE_CURVE', 5)
      : entities.attributes(of, kind, withKnots ? 9 : 6);
    const degree = base.whole(shift);
    const points = this.places(base.instances(shift + 1));
    base.word(shift + 2, [
      'POLYLINE_FORM',
      'CIRCULAR_ARC',
      'ELLIPTIC_ARC',
      'PARABOLIC_ARC',
      'HYPERBOLIC_ARC',
      'UNSPECIFIED',
    ]);
    const isClosed = base.logical(shift + 3);
    base.logical(shift + 4);
    const weights =
      isComplex && entities.has(of, 'RATIONAL_B_SPLINE_CURVE')
        ? entities.attributes(of, 'RATIONAL_B_SPLINE_CURVE', 1).reals(0)
        : undefined;
    const knots = withKnots
      ? this.knots(of, isComplex, degree, points.length)
      : knotsOfForm(kind, degree, points.length);
    if (weights && weights.length !== points.length)
      throw entities.wrong(of, told('fileValueCount', { count: weights.length, wanted: points.length }));
    const curve: Curve = { degree, knots, points, ...(weights ? { weights } : {}) };
    return this.checked(of, () => (isClosed ? asPeriodicWhereClosed(curve) : curve));
  }

  private knots(of: StepInstance, isComplex: boolean, degree: number, pointCount: number): number[] {
    const { entities } = this;
    const own = isComplex
      ? entities.attributes(of, 'B_SPLINE_CURVE_WITH_KNOTS', 3)
      : entities.attributes(of, 'B_SPLINE_CURVE_WITH_KNOTS', 9);
    const at = isComplex ? 0 : 6;
    const multiplicities = own.wholes(at);
    const values = own.reals(at + 1);
    own.word(at + 2, ['UNIFORM_KNOTS', 'QUASI_UNIFORM_KNOTS', 'PIECEWISE_BEZIER_KNOTS', 'UNSPECIFIED']);
    if (multiplicities.length !== values.length)
      throw entities.wrong(
        of,
        told('fileValueCount', { count: values.length, wanted: multiplicities.length }),
      );
    // ISO 10303-42, constraints_param_b_spline.
    const total = multiplicities.reduce((sum, count) => sum + count, 0);
    if (total !== pointCount + degree + 1)
      throw entities.wrong(of, told('fileValueCount', { count: total, wanted: pointCount + degree + 1 }));
    for (const [k, count] of multiplicities.entries()) {
      const isEnd = k === 0 || k === multiplicities.length - 1;
      if (count < 1 || count > degree + (isEnd ? 1 : 0) || (k > 0 && values[k]! <= values[k - 1]!))
        throw entities.wrong(of, told('fileKnots', { index: k + 1 }));
    }
    return values.flatMap((value, k) => Array<number>(multiplicities[k]!).fill(value));
  }

  private conic(of: StepInstance, kind: 'CIRCLE' | 'ELLIPSE'): PlacedConic {
    const own = this.entities.attributes(of, kind, kind === 'CIRCLE' ? 3 : 4);
    const { centre, x, y } = this.axes(own.instance(1));
    const first = own.real(2) * this.units.millimetres;
    const second = kind === 'CIRCLE' ? first : own.real(3) * this.units.millimetres;
    if (!(first > 0 && second > 0))
      throw this.entities.wrong(of, told('fileValueKind', { index: 3, wanted: 'above 0' }));
    return { centre, x, y, first, second };
  }

  private wholeConic(of: StepInstance, { centre, x, y, first, second }: PlacedConic): Curve {
    return this.checked(of, () =>
      first === second
        ? exactCircle({ centre, radius: first, x, y }, 'quadratic9')
        : exactEllipse(centre, scaled(x, first), scaled(y, second), 'quadratic9'),
    );
  }

  /** Centre and axes of a placement, made perpendicular as the standard says (ISO 10303-42, build_axes). */
  private axes(of: StepInstance): { centre: Point; x: Point; y: Point } {
    const { entities } = this;
    const isPlane = entities.has(of, 'AXIS2_PLACEMENT_2D');
    const own = entities.attributes(
      of,
      isPlane ? 'AXIS2_PLACEMENT_2D' : 'AXIS2_PLACEMENT_3D',
      isPlane ? 3 : 4,
    );
    const centre = this.place(own.instance(1));
    const towards = (index: number, usual: Point): Point =>
      own.isUnset(index) ? usual : this.direction(own.instance(index));
    const z = isPlane ? [0, 0, 1] : towards(2, [0, 0, 1]);
    const along = towards(isPlane ? 2 : 3, Math.abs(z[0]!) < 1 ? [1, 0, 0] : [0, 1, 0]);
    const flat = z[0] === 0 && z[1] === 0 && along[2] === 0 ? along : addScaled(along, z, -dot(along, z));
    const size = lengthOf(flat);
    if (!(size > 1e-12))
      throw entities.wrong(of, told('fileValueKind', { index: 4, wanted: 'across the axis' }));
    const x = size === 1 ? flat : scaled(flat, 1 / size);
    return { centre, x, y: crossInSpace(z, x) };
  }

  private direction(of: StepInstance): Point {
    const [x = 0, y = 0, z = 0] = this.entities.attributes(of, 'DIRECTION', 2).reals(1);
    const size = Math.hypot(x, y, z);
    if (!(size > 0))
      throw this.entities.wrong(of, told('fileValueKind', { index: 2, wanted: 'a direction' }));
    return size === 1 ? [x, y, z] : [x / size, y / size, z / size];
  }

  private trimmed(of: StepInstance, depth: number): Curve | undefined {
    const own = this.entities.attributes(of, 'TRIMMED_CURVE', 6);
    const basis = own.instance(1);
    const kind = curveNameOf(this.entities, basis);
    const trims = [own.raw(2), own.raw(3)].map((select) => this.trim(select, of));
    const isForward = own.boolean(4);
    const preferred = own.word(5, ['CARTESIAN', 'PARAMETER', 'UNSPECIFIED']);
    if (kind === 'LINE') {
      const line = this.entities.attributes(basis, 'LINE', 3);
      const from = this.place(line.instance(1));
      const vector = this.entities.attributes(line.instance(2), 'VECTOR', 3);
      const by = scaled(this.direction(vector.instance(1)), vector.real(2) * this.units.millimetres);
      const ends = trims.map(({ parameter, place }) =>
        this.either(of, preferred, place, () => addScaled(from, by, parameter!), parameter),
      );
      return this.checked(of, () => polyline(ends));
    }
    if (kind === 'CIRCLE' || kind === 'ELLIPSE') {
      const conic = this.conic(basis, kind);
      const [start, end] = trims.map(({ parameter, place }) => {
        const byPlace = place && this.angleOf(conic, place);
        const byParameter = parameter === undefined ? undefined : parameter * this.units.radians;
        return (
          (preferred === 'PARAMETER' ? (byParameter ?? byPlace) : (byPlace ?? byParameter)) ?? this.noTrim(of)
        );
      }) as [number, number];
      return this.checked(of, () => arcOf(conic, start, end, isForward));
    }
    const whole = this.curve(basis, depth);
    if (!whole) return undefined;
    return this.checked(of, () => {
      const find = nearestFinder(whole);
      const [start, end] = trims.map(({ parameter, place }) =>
        preferred === 'CARTESIAN' && place
          ? find(place).parameter
          : (parameter ?? (place ? find(place).parameter : this.noTrim(of))),
      ) as [number, number];
      const [low, high] = [Math.min(start, end), Math.max(start, end)];
      const [first, last] = domainOf(whole.knots, whole.degree);
      const part =
        low <= first && high >= last ? whole : extractPart(whole, Math.max(low, first), Math.min(high, last));
      return isForward ? part : reverseCurve(part);
    });
  }

  private either(
    of: StepInstance,
    preferred: string,
    place: Point | undefined,
    byParameter: () => Point,
    parameter: number | undefined,
  ): Point {
    if (parameter !== undefined && (preferred === 'PARAMETER' || !place)) return byParameter();
    return place ?? this.noTrim(of);
  }

  private noTrim(of: StepInstance): never {
    throw this.entities.wrong(of, told('fileValueKind', { index: 3, wanted: 'a place or a parameter' }));
  }

  private trim(select: readonly StepValue[], by: StepInstance): { parameter?: number; place?: Point } {
    const trim: { parameter?: number; place?: Point } = {};
    for (const value of select) {
      if (value.kind === 'reference') trim.place = this.place(this.entities.instance(value.id, by));
      else if (value.kind === 'typed' && value.type === 'PARAMETER_VALUE') {
        const parameter = value.values[0] && realOf(value.values[0]);
        if (parameter !== undefined) trim.parameter = parameter;
      }
    }
    return trim;
  }

  private angleOf({ centre, x, y, first, second }: PlacedConic, place: Point): number {
    const off = subtract(place, centre);
    return Math.atan2(dot(off, y) / second, dot(off, x) / first);
  }

  private composite(of: StepInstance, depth: number): Curve | undefined {
    const { entities } = this;
    const segments = entities.attributes(of, 'COMPOSITE_CURVE', 3).instances(1);
    const curves = segments.map((segment) => {
      const own = entities.attributes(segment, 'COMPOSITE_CURVE_SEGMENT', 3);
      own.word(0, ['CONTINUOUS', 'CONT_SAME_GRADIENT', 'CONT_SAME_GRADIENT_SAME_CURVATURE', 'DISCONTINUOUS']);
      const isForward = own.boolean(1);
      const curve = this.curve(own.instance(2), depth);
      return curve && (isForward ? curve : reverseCurve(curve));
    });
    if (curves.length === 0 || curves.some((curve) => !curve)) return undefined;
    // Ends may be as far apart as the file's programs could tell.
    return this.checked(of, () => joinAll(curves as Curve[], 1e-3));
  }

  private checked(of: StepInstance, make: () => Curve): Curve {
    try {
      const curve = make();
      validateCurve(curve);
      return curve;
    } catch (error) {
      if (error instanceof CurveError) throw this.entities.wrong(of, error.told);
      throw error;
    }
  }
}
