import { domainOf } from '../../curve/knotVector.js';
import type { Curve, Point } from '../../curve/curve.js';
import { isRational } from '../../curve/curve.js';
import { told } from '../../told/told.js';
import { isClosed, withoutBreaks } from '../breaks.js';
import type { OutgoingCurve, OutgoingFigure, WrittenFile } from '../define.js';
import { realText } from '../numbers.js';
import { isSigned, outgoingOf } from '../outgoing.js';
import { mapTold, untold } from '../reached.js';
import { igesText, inAscii, inLines, sectionLines } from './records.js';

/** An entity to be written. */
interface Outgoing {
  readonly type: number;
  readonly form: number;
  /** What it is called; longer names than the directory has room for are given by a property. */
  readonly name: string;
  readonly parameters: readonly string[];
}

const real = (value: number): string => realText(value, 'D');

/**
 * Writes curves and points by IGES 5.3: rational B-spline curves (type 126) in millimetres, circles (100), points (116),
 * each with its name as a property (type 406, form 15).
 */
export function writeIges(figure: OutgoingFigure, reached = untold): WrittenFile {
  const { curves, points, lost } = outgoingOf(figure);
  const positive = curves.filter((curve) => !isSigned(curve));
  const entities: Outgoing[] = [
    ...mapTold(positive, reached, entitiesOf).flat(),
    ...points.map(({ at, name }) => ({
      type: 116,
      form: 0,
      name,
      parameters: [...[at[0]!, at[1]!, at[2] ?? 0].map(real), '0'],
    })),
  ];
  const directory: string[] = [];
  const parameters: string[] = [];
  const put = (
    { type, form, name, parameters: own }: Outgoing,
    status: string,
    more: (id: number) => readonly string[] = () => [],
  ): number => {
    const id = directory.length + 1;
    const lines = inLines([String(type), ...own, ...more(id)], 64);
    const first = parameters.length + 1;
    for (const line of lines) parameters.push(`${line.padEnd(64)}${String(id).padStart(8)}`);
    const label = inAscii(name).slice(0, 8);
    directory.push(
      fields(type, first, 0, 0, 0, 0, 0, 0, status),
      `${fields(type, 0, 0, lines.length, form)}${' '.repeat(16)}${label.padStart(8)}${'0'.padStart(8)}`,
    );
    return id;
  };
  for (const entity of entities) {
    // Its name follows it, as a property that it points at.
    put(entity, '00000000', (id) => ['0', '1', String(id + 2)]);
    put(
      { type: 406, form: 15, name: '', parameters: ['1', igesText(inAscii(entity.name) || '_')] },
      '00010000',
    );
  }
  const renamed = entities.filter(({ name }) => inAscii(name) !== name).length;
  const sizes = entities.length === 0 ? 0 : largestCoordinate(positive.map(({ curve }) => curve));
  const split = positive.filter(({ curve }) => withoutBreaks(curve).length > 1).length;
  const time = (figure.time ?? '2000-01-01T00:00:00').slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '.');
  const global = inLines(
    [
      igesText(','),
      igesText(';'),
      igesText('figure'),
      igesText('figure.igs'),
      igesText('Bogen'),
      igesText('Bogen'),
      '32',
      '38',
      '6',
      '308',
      '15',
      igesText('figure'),
      real(1),
      '2',
      igesText('MM'),
      '1',
      real(0.1),
      igesText(time),
      real(1e-7),
      real(sizes),
      igesText(''),
      igesText(''),
      '11',
      '0',
      igesText(time),
    ].map((parameter) => (parameter === '0H' ? '' : parameter)),
    72,
  );
  const start = sectionLines('S', ['Curves of a figure, in millimetres.']);
  const sections = {
    S: start,
    G: sectionLines('G', global),
    D: sectionLines('D', directory),
    P: sectionLines('P', parameters),
  };
  const counts = Object.entries(sections)
    .map(([letter, lines]) => `${letter}${String(lines.length).padStart(7)}`)
    .join('');
  const text = [...Object.values(sections).flat(), ...sectionLines('T', [counts]), ''].join('\n');
  return {
    text,
    lost: [
      ...lost,
      ...(curves.length > positive.length
        ? [told('lostSignedWeights', { count: curves.length - positive.length })]
        : []),
      ...(split > 0 ? [told('lostSplit', { count: split })] : []),
      ...(renamed > 0 ? [told('lostNames', { count: renamed })] : []),
    ],
  };
}

const fields = (...values: readonly (number | string)[]): string =>
  values.map((value) => String(value).padStart(8)).join('');

function entitiesOf({ item, curve }: OutgoingCurve): Outgoing[] {
  const { name } = item;
  if (item.kind === 'shape' && item.shape.kind === 'circle' && typeof item.shape.layout === 'string') {
    const { centre, radius } = item.shape;
    const [x, y] = centre as [number, number];
    // A circle by its height, its centre, its start and its end.
    return [{ type: 100, form: 0, name, parameters: [0, x, y, x + radius, y, x + radius, y].map(real) }];
  }
  const pieces = withoutBreaks(curve);
  return pieces.map((piece, k) => spline(pieces.length > 1 ? `${name} ${k + 1}` : name, piece));
}

/** Type 126: the degree, four flags, knots, weights, points, the parameters of both ends, and the plane's normal. */
function spline(name: string, curve: Curve): Outgoing {
  const { degree, knots, points, weights, periodic } = curve;
  const [start, end] = domainOf(knots, degree);
  const closed = periodic || isClosed(curve) ? 1 : 0;
  const isFlat = points.every(([, , z = 0]) => z === 0);
  const flags = [isFlat ? 1 : 0, closed, isRational(curve) ? 0 : 1, periodic ? 1 : 0];
  return {
    type: 126,
    form: 0,
    name,
    parameters: [
      ...[points.length - 1, degree, ...flags].map(String),
      ...knots.map(real),
      ...(weights ?? points.map(() => 1)).map(real),
      ...points.flatMap(([x, y, z = 0]) => [x!, y!, z]).map(real),
      ...[start, end, 0, 0, isFlat ? 1 : 0].map(real),
    ],
  };
}

const largestCoordinate = (curves: readonly Curve[]): number =>
  curves.reduce(
    (largest, { points }) =>
      points.reduce((most: number, point: Point) => Math.max(most, ...point.map(Math.abs)), largest),
    0,
  );
