import { circularArc } from '../../curve/circle.js';
import { conicFromImplicit } from './conicArc.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { joinAll } from '../../curve/join.js';
import { domainOf } from '../../curve/knotVector.js';
import { extractPart } from '../../curve/split.js';
import { validateCurve } from '../../curve/validate.js';
import { told } from '../../told/told.js';
import { atLine, FormatError, type ReadFile } from '../define.js';
import { asPeriodicWhereClosed, collected, type Incoming } from '../incoming.js';
import { formatLimits } from '../limits.js';
import { mapTold, untold, within } from '../reached.js';
import { parseIges, wrongEntity, type IgesEntity, type IgesFile, type IgesValue } from './records.js';

/** Millimetres in each unit of length, by its number in the global section (2.2.4.3.14). */
const units: Readonly<Record<number, number>> = {
  1: 25.4,
  2: 1,
  4: 304.8,
  5: 1_609_344,
  6: 1000,
  7: 1_000_000,
  8: 0.0254,
  9: 0.001,
  10: 10,
  11: 0.0000254,
};
const unitNames: Readonly<Record<string, number>> = {
  IN: 25.4,
  INCH: 25.4,
  MM: 1,
  FT: 304.8,
  MI: 1_609_344,
  M: 1000,
  KM: 1_000_000,
  MIL: 0.0254,
  UM: 0.001,
  CM: 10,
  UIN: 0.0000254,
};

/** Types that belong to others and are no things of their own to be listed. */
const structure = new Set([124, 314, 402, 406]);
const readable = new Set([100, 102, 104, 106, 110, 116, 126]);

/**
 * Reads the curves and points of a file by IGES 5.3: circular arcs (100), composite curves (102), conic arcs (104), paths
 * of points (106, forms 11 and 12), lines (110), points (116) and rational B-spline curves (126), with their transformations (124)
 * and names (406, form 15).
 * @throws FormatError with the line and the reason
 */
export function readIges(text: string, reached = untold): ReadFile {
  const file = parseIges(text, within(reached, 0, 0.6));
  const millimetres = millimetresOf(file);
  const reader = new IgesCurves(file, millimetres);
  const left = new Map<string, number>();
  const incoming: Incoming[] = [];
  mapTold([...file.entities.values()], within(reached, 0.6, 1), (entity) => {
    if (structure.has(entity.type)) return;
    // What belongs physically to another entity comes in with that one.
    if (entity.status.slice(2, 4) === '01' || entity.status.slice(2, 4) === '03') return;
    const item = readable.has(entity.type) ? reader.itemOf(entity) : undefined;
    if (item) incoming.push({ name: reader.nameOf(entity), ...item });
    else left.set(`${entity.type}`, (left.get(`${entity.type}`) ?? 0) + 1);
  });
  return collected(incoming, left, millimetres);
}

function millimetresOf({ global }: IgesFile): number {
  const [scale, flag, name] = [global[12], global[13], global[14]];
  const number = flag?.kind === 'whole' ? flag.value : 1;
  const size =
    number === 3 && name?.kind === 'text' ? unitNames[name.value.trim().toUpperCase()] : units[number];
  if (size === undefined)
    throw new FormatError(told('fileUnit', { unit: name?.kind === 'text' ? name.value : String(number) }));
  // The model is drawn so many times smaller than the thing (2.2.4.3.13).
  const by = scale?.kind === 'real' || scale?.kind === 'whole' ? scale.value : 1;
  return by > 0 ? size / by : size;
}

/** The entities of a file as curves, in millimetres. */
class IgesCurves {
  private points = 0;

  constructor(
    private readonly file: IgesFile,
    private readonly millimetres: number,
  ) {}

  nameOf(of: IgesEntity): string {
    // Pointers to properties follow the parameters and the pointers to associativities: the last of them are looked at.
    for (const value of of.values.slice(-12)) {
      if (value.kind !== 'whole') continue;
      const property = this.file.entities.get(value.value);
      const name = property?.type === 406 && property.form === 15 ? property.values[1] : undefined;
      if (name?.kind === 'text') return name.value;
    }
    return of.label;
  }

  itemOf(of: IgesEntity): Pick<Incoming, 'curve' | 'circle' | 'at'> | undefined {
    if (of.type === 116) return { at: this.placed(of, [this.reals(of, 0, 3)])[0]! };
    if (of.type === 100 && of.transformation === 0) {
      const [z, cx, cy, sx, sy, ex, ey] = this.reals(of, 0, 7) as [
        number,
        number,
        number,
        number,
        number,
        number,
        number,
      ];
      if (sx === ex && sy === ey)
        return {
          circle: {
            centre: [cx, cy, z].map((c) => c * this.millimetres),
            radius: Math.hypot(sx - cx, sy - cy) * this.millimetres,
          },
        };
    }
    const curve = this.curve(of, 0);
    return curve && { curve };
  }

  private curve(of: IgesEntity, depth: number): Curve | undefined {
    if (depth > formatLimits.depth) throw atLine(of.line, told('fileRefersInCircle', { of: `D${of.id}` }));
    switch (of.type) {
      case 100:
        return this.arc(of);
      case 102:
        return this.composite(of, depth);
      case 104:
        return this.conic(of);
      case 106:
        return this.path(of);
      case 110:
        return of.form === 0
          ? this.checked(of, polyline([this.reals(of, 0, 3), this.reals(of, 3, 3)]))
          : undefined;
      case 126:
        return this.spline(of);
      default:
        return undefined;
    }
  }

  private arc(of: IgesEntity): Curve {
    const [z, cx, cy, sx, sy, ex, ey] = this.reals(of, 0, 7) as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const start = Math.atan2(sy - cy, sx - cx);
    const turn = 2 * Math.PI;
    // From the start to the end it goes counterclockwise (4.4).
    const by = (((Math.atan2(ey - cy, ex - cx) - start) % turn) + turn) % turn;
    return this.checked(of, () =>
      circularArc(
        { centre: [cx, cy, z], radius: Math.hypot(sx - cx, sy - cy), x: [1, 0, 0], y: [0, 1, 0] },
        start,
        by === 0 ? turn : by,
      ),
    );
  }

  private composite(of: IgesEntity, depth: number): Curve | undefined {
    const count = this.whole(of, 0);
    const parts = Array.from({ length: count }, (_, k) => {
      const id = this.whole(of, k + 1);
      const part = this.file.entities.get(id);
      if (!part) throw atLine(of.line, told('fileRefersToNothing', { of: `D${of.id}`, id: `D${id}` }));
      return this.curve(part, depth + 1);
    });
    if (parts.length === 0 || parts.some((part) => !part)) return undefined;
    // The parts are in millimetres already, and at their places.
    return this.guarded(of, () => joinAll(parts as Curve[], 1e-3));
  }

  private conic(of: IgesEntity): Curve | undefined {
    const [A, B, C, D, E, F, z, sx, sy, ex, ey] = this.reals(of, 0, 11) as number[];
    const made = conicFromImplicit([A!, B!, C!, D!, E!, F!], [sx!, sy!], [ex!, ey!]);
    return made && this.checked(of, { ...made, points: made.points.map(([x, y]) => [x!, y!, z!]) });
  }

  private path(of: IgesEntity): Curve | undefined {
    if (of.form !== 11 && of.form !== 12 && of.form !== 63) return undefined;
    const kind = this.whole(of, 0);
    const count = this.whole(of, 1);
    this.count(count);
    if (kind === 1) {
      const [z, ...rest] = this.reals(of, 2, 1 + 2 * count);
      return this.checked(
        of,
        polyline(Array.from({ length: count }, (_, k) => [rest[2 * k]!, rest[2 * k + 1]!, z!])),
      );
    }
    if (kind !== 2) return undefined;
    const flat = this.reals(of, 2, 3 * count);
    return this.checked(of, polyline(Array.from({ length: count }, (_, k) => flat.slice(3 * k, 3 * k + 3))));
  }

  private spline(of: IgesEntity): Curve {
    const [upper, degree] = [this.whole(of, 0), this.whole(of, 1)];
    const [, isClosed, isPolynomial] = [2, 3, 4].map((at) => this.whole(of, at));
    if (upper < 1 || degree < 1 || upper > formatLimits.points)
      throw wrongEntity(of, told('fileValueKind', { index: 1, wanted: 'above 0' }));
    const count = upper + 1;
    this.count(count);
    const knots = this.reals(of, 6, count + degree + 1);
    const weights = this.reals(of, 6 + knots.length, count);
    const flat = this.reals(of, 6 + knots.length + count, 3 * count);
    const [start, end] = this.reals(of, 6 + knots.length + 4 * count, 2) as [number, number];
    const points = Array.from({ length: count }, (_, k) => flat.slice(3 * k, 3 * k + 3));
    if (weights.some((weight) => weight <= 0))
      throw wrongEntity(of, told('fileValueKind', { index: 7 + knots.length, wanted: 'above 0' }));
    const areEqual = weights.every((weight) => weight === weights[0]);
    if (isPolynomial === 1 && !areEqual)
      throw wrongEntity(of, told('fileValueKind', { index: 5, wanted: '0, since its weights differ' }));
    const curve: Curve = { degree, knots, points, ...(areEqual && weights[0] === 1 ? {} : { weights }) };
    return this.checked(of, () => {
      validateCurve(curve);
      const [first, last] = domainOf(knots, degree);
      const isWhole = start <= first && end >= last;
      const part = isWhole ? curve : extractPart(curve, Math.max(start, first), Math.min(end, last));
      return isClosed === 1 && isWhole ? asPeriodicWhereClosed(part) : part;
    });
  }

  private count(points: number): void {
    this.points += points;
    if (this.points > formatLimits.points)
      throw new FormatError(told('fileTooMany', { most: formatLimits.points, what: 'control points' }));
  }

  /** A curve brought to its place and into millimetres, if it is one. */
  private checked(of: IgesEntity, made: Curve | (() => Curve)): Curve {
    return this.guarded(of, () => {
      const curve = typeof made === 'function' ? made() : made;
      return { ...curve, points: this.placed(of, curve.points) };
    });
  }

  private guarded(of: IgesEntity, make: () => Curve): Curve {
    try {
      const curve = make();
      validateCurve(curve);
      return curve;
    } catch (error) {
      if (error instanceof CurveError) throw wrongEntity(of, error.told);
      throw error;
    }
  }

  /** Places by the entity's transformation and those that it has itself, in millimetres (type 124). */
  private placed(of: IgesEntity, points: readonly Point[]): Point[] {
    let now = points;
    let id = of.transformation;
    for (let depth = 0; id !== 0; depth++) {
      const matrix = this.file.entities.get(id);
      if (matrix?.type !== 124)
        throw atLine(of.line, told('fileRefersToNothing', { of: `D${of.id}`, id: `D${id}` }));
      if (depth > formatLimits.depth) throw atLine(of.line, told('fileRefersInCircle', { of: `D${id}` }));
      const m = this.reals(matrix, 0, 12);
      now = now.map(([x = 0, y = 0, z = 0]) =>
        [0, 4, 8].map((row) => m[row]! * x + m[row + 1]! * y + m[row + 2]! * z + m[row + 3]!),
      );
      id = matrix.transformation;
    }
    return now.map((point) => point.map((coordinate) => coordinate * this.millimetres));
  }

  private whole(of: IgesEntity, index: number): number {
    const value = of.values[index];
    if (value?.kind === 'usual') return 0;
    if (value?.kind !== 'whole')
      throw wrongEntity(of, told('fileValueKind', { index: index + 1, wanted: 'a whole number' }));
    return value.value;
  }

  private reals(of: IgesEntity, from: number, count: number): number[] {
    if (of.values.length < from + count)
      throw wrongEntity(of, told('fileValueCount', { count: of.values.length, wanted: from + count }));
    return of.values.slice(from, from + count).map((value: IgesValue, k) => {
      if (value.kind === 'usual') return 0;
      if (value.kind === 'text')
        throw wrongEntity(of, told('fileValueKind', { index: from + k + 1, wanted: 'a number' }));
      return value.value;
    });
  }
}

const polyline = (points: readonly Point[]): Curve => ({
  degree: 1,
  knots: [0, ...points.map((_, k) => k), points.length - 1],
  points,
});
