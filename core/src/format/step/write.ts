import type { Curve, Point } from '../../curve/curve.js';
import { told } from '../../told/told.js';
import type { OutgoingCurve, OutgoingFigure, WrittenFile } from '../define.js';
import { isClosed, withoutBreaks } from '../breaks.js';
import { countedKnots, realText } from '../numbers.js';
import { isSigned, outgoingOf } from '../outgoing.js';
import { mapTold, untold } from '../reached.js';
import { stepText } from './parse.js';

/**
 * Writes curves and points as ISO 10303-21 with the geometry of AP214 (ISO 10303-214, wireframe bounded by geometry): a set of curves in
 * millimetres, each with its name. B-spline curves keep degree, knots with multiplicities, points and weights to the
 * last digit.
 */
export function writeStep(figure: OutgoingFigure, reached = untold): WrittenFile {
  const { curves, points, lost } = outgoingOf(figure);
  const lines: string[] = [];
  const add = (text: string): string => {
    lines.push(text);
    return `#${lines.length}`;
  };
  const list = (entries: readonly string[]): string => `(${entries.join(',')})`;
  const reals = (values: readonly number[]): string => list(values.map((value) => realText(value)));
  const place = (point: Point, name = ''): string =>
    add(`CARTESIAN_POINT(${stepText(name)},${reals([point[0]!, point[1]!, point[2] ?? 0])})`);
  const direction = (x: number, y: number, z: number): string => add(`DIRECTION('',${reals([x, y, z])})`);
  const axes = (centre: Point, x = 1, y = 0): string =>
    add(`AXIS2_PLACEMENT_3D('',${place(centre)},${direction(0, 0, 1)},${direction(x, y, 0)})`);

  // What the unit of length and of angle are, and how near to each other places may be to be one.
  const metre = add('(LENGTH_UNIT() NAMED_UNIT(*) SI_UNIT(.MILLI.,.METRE.))');
  const radian = add('(NAMED_UNIT(*) PLANE_ANGLE_UNIT() SI_UNIT($,.RADIAN.))');
  const steradian = add('(NAMED_UNIT(*) SI_UNIT($,.STERADIAN.) SOLID_ANGLE_UNIT())');
  const near = add(
    `UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(1.E-7),${metre},'distance_accuracy_value','')`,
  );
  const context = add(
    `(GEOMETRIC_REPRESENTATION_CONTEXT(3) GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((${near})) ` +
      `GLOBAL_UNIT_ASSIGNED_CONTEXT((${[metre, radian, steradian].join(',')})) REPRESENTATION_CONTEXT('',''))`,
  );

  const spline = (name: string, curve: Curve): string => {
    const at = list(curve.points.map((point) => place(point)));
    const { values, multiplicities } = countedKnots(curve.knots);
    const closed = curve.periodic || isClosed(curve) ? '.T.' : '.F.';
    const base = `${curve.degree},${at},.UNSPECIFIED.,${closed},.F.`;
    const knots = `${list(multiplicities.map(String))},${reals(values)},.UNSPECIFIED.`;
    return curve.weights
      ? add(
          `(BOUNDED_CURVE() B_SPLINE_CURVE(${base}) B_SPLINE_CURVE_WITH_KNOTS(${knots}) CURVE() ` +
            `GEOMETRIC_REPRESENTATION_ITEM() RATIONAL_B_SPLINE_CURVE(${reals(curve.weights)}) ` +
            `REPRESENTATION_ITEM(${stepText(name)}))`,
        )
      : add(`B_SPLINE_CURVE_WITH_KNOTS(${stepText(name)},${base},${knots})`);
  };
  const shape = ({ item, curve }: OutgoingCurve): string[] => {
    if (item.kind === 'shape') {
      const { shape: by } = item;
      if (by.kind === 'circle' && typeof by.layout === 'string')
        return [add(`CIRCLE(${stepText(item.name)},${axes(by.centre)},${realText(by.radius)})`)];
      if (by.kind === 'ellipse' && turnsLeft(by.axisX, by.axisY)) {
        const [a, b] = [by.axisX, by.axisY].map(([x, y]) => Math.hypot(x!, y!)) as [number, number];
        const at = axes(by.centre, by.axisX[0]! / a, by.axisX[1]! / a);
        return [add(`ELLIPSE(${stepText(item.name)},${at},${realText(a)},${realText(b)})`)];
      }
    }
    const pieces = withoutBreaks(curve);
    return pieces.map((piece, k) => spline(pieces.length > 1 ? `${item.name} ${k + 1}` : item.name, piece));
  };
  const signed = curves.filter(isSigned).length;
  const split = curves.filter(({ curve }) => withoutBreaks(curve).length > 1).length;
  const elements = [
    ...mapTold(
      curves.filter((curve) => !isSigned(curve)),
      reached,
      shape,
    ).flat(),
    ...points.map(({ at, name }) => place(at, name)),
  ];
  if (elements.length > 0) {
    const set = add(`GEOMETRIC_CURVE_SET('',${list(elements)})`);
    const drawn = add(
      `GEOMETRICALLY_BOUNDED_WIREFRAME_SHAPE_REPRESENTATION('',(${set},${axes([0, 0])}),${context})`,
    );
    const application = add("APPLICATION_CONTEXT('core data for automotive mechanical design processes')");
    add(`APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,${application})`);
    const product = add(
      `PRODUCT('drawing','drawing','',(${add(`PRODUCT_CONTEXT('',${application},'mechanical')`)}))`,
    );
    add(`PRODUCT_RELATED_PRODUCT_CATEGORY('part',$,(${product}))`);
    const formation = add(`PRODUCT_DEFINITION_FORMATION('','',${product})`);
    const stage = add(`PRODUCT_DEFINITION_CONTEXT('part definition',${application},'design')`);
    const definition = add(`PRODUCT_DEFINITION('design','',${formation},${stage})`);
    add(`SHAPE_DEFINITION_REPRESENTATION(${add(`PRODUCT_DEFINITION_SHAPE('','',${definition})`)},${drawn})`);
  }
  const text = [
    'ISO-10303-21;',
    'HEADER;',
    "FILE_DESCRIPTION(('curves of a figure'),'2;1');",
    `FILE_NAME('figure','${figure.time ?? '2000-01-01T00:00:00'}',(''),(''),'Bogen','Bogen','');`,
    "FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'));",
    'ENDSEC;',
    'DATA;',
    ...lines.map((line, k) => `#${k + 1}=${line};`),
    'ENDSEC;',
    'END-ISO-10303-21;',
    '',
  ].join('\n');
  return {
    text,
    lost: [
      ...lost,
      ...(signed > 0 ? [told('lostSignedWeights', { count: signed })] : []),
      ...(split > 0 ? [told('lostSplit', { count: split })] : []),
    ],
  };
}

const turnsLeft = (x: Point, y: Point): boolean => {
  const [cross, dot] = [x[0]! * y[1]! - x[1]! * y[0]!, x[0]! * y[0]! + x[1]! * y[1]!];
  return cross > 0 && Math.abs(dot) <= 1e-15 * cross;
};
