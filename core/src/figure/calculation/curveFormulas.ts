import { isRational, type Curve } from '../../curve/curve.js';
import { distinctPointCount } from '../../curve/periodic.js';
import {
  texAt,
  texBasisSign,
  texControlPoint,
  texDegree,
  texDegreeSign,
  texOrderSign,
  texParameter,
} from '../../notation/neutralTex.js';
import { tex, texPoint, type CalculationLine } from './calculation.js';

/** More entries of a list than these are left out at its middle. */
const mostEntries = 24;

const listed = (entries: readonly string[]): string => {
  const half = mostEntries / 2;
  return (
    entries.length <= mostEntries
      ? entries
      : [...entries.slice(0, half), String.raw`\ldots`, ...entries.slice(-half)]
  ).join(String.raw`,\, `);
};

/** The formulas that say what a curve is, with its numbers: definition, recursion, knots, points and weights (P&T 3.1, 4.2). */
export function curveFormulas(curve: Curve): readonly CalculationLine[] {
  const { degree, knots, points, weights } = curve;
  const u = texParameter;
  const last = points.length - 1;
  const distinct = distinctPointCount(curve);
  const line = (step: CalculationLine['step'], formula: string): CalculationLine => ({
    step,
    tex: formula,
    places: [],
    legs: [],
    points: [],
  });
  const sum = (term: string): string =>
    String.raw`\sum_{i=${texAt(0)}}^{${texAt(last)}} N_{i,${texDegree(degree)}}(${u})\,${term}`;
  const definition = isRational(curve)
    ? String.raw`\mathbf{C}(${u}) = \frac{${sum(String.raw`w_i\,\mathbf{${texControlPoint}}_i`)}}{${sum('w_i')}}`
    : String.raw`\mathbf{C}(${u}) = ${sum(String.raw`\mathbf{${texControlPoint}}_i`)}`;
  // With the order k, the degree p is k − 1, and the knots are those i + p and i + p + 1 after the first.
  const before = `${texBasisSign}-1`;
  return [
    line('definition', definition),
    line(
      'recursion',
      String.raw`N_{i,${texBasisSign}}(${u}) = \frac{${u} - ${u}_i}{${u}_{i+${texDegreeSign}} - ${u}_i}\,N_{i,${before}}(${u}) + \frac{${u}_{i+${texOrderSign}} - ${u}}{${u}_{i+${texOrderSign}} - ${u}_{i+1}}\,N_{i+1,${before}}(${u})`,
    ),
    line(
      'knotVector',
      String.raw`(${u}_{${texAt(0)}}, \ldots, ${u}_{${texAt(knots.length - 1)}}) = (${listed(knots.map((knot) => tex(knot)))})`,
    ),
    line(
      'controlPoints',
      listed(
        points
          .slice(0, distinct)
          .map(
            (point, index) => String.raw`\mathbf{${texControlPoint}}_{${texAt(index)}} = ${texPoint(point)}`,
          ),
      ),
    ),
    ...(weights
      ? [
          line(
            'weights',
            String.raw`(w_{${texAt(0)}}, \ldots, w_{${texAt(distinct - 1)}}) = (${listed(weights.slice(0, distinct).map((weight) => tex(weight)))})`,
          ),
        ]
      : []),
  ];
}
