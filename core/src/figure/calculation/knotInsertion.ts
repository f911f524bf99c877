import { homogeneousRows } from '../../curve/homogeneous.js';
import { dimensionOf, type Curve } from '../../curve/curve.js';
import { insertKnot } from '../../curve/insertKnot.js';
import { domainOf, findSpan, interiorKnots, multiplicityAt } from '../../curve/knotVector.js';
import { withoutPeriod } from '../../curve/periodic.js';
import { blossomLabels } from '../../curve/construct.js';
import { texAt, texControlPoint, texParameter } from '../../notation/neutralTex.js';
import { mostLines, tex, texPoint, texShare, type CalculationLine } from './calculation.js';

/** Boehm's insertion, once for each time: every new point between its two parents, with its α (Boehm 1980; P&T A5.1). */
export function knotInsertion(curve: Curve, u: number, times: number): readonly CalculationLine[] {
  const lines: CalculationLine[] = [];
  let now = curve;
  for (let time = 0; time < times && lines.length < mostLines; time++) {
    lines.push(...once(now, u, time === 0));
    now = insertKnot(now, u);
  }
  return lines.slice(0, mostLines);
}

function once(curve: Curve, u: number, isFirst: boolean): CalculationLine[] {
  if (curve.periodic) return [];
  const { degree, knots, points, weights } = curve;
  const rows = homogeneousRows(curve);
  const dimension = dimensionOf(curve);
  const labels = blossomLabels(curve);
  const span = findSpan(knots, degree, u);
  let last = span;
  while (knots[last]! >= u && last > span - degree) last--;
  const lines: CalculationLine[] = [];
  for (let index = span - degree + 1; index <= last; index++) {
    const [low, high] = [knots[index]!, knots[index + degree]!];
    const alpha = (u - low) / (high - low);
    const [a, b] = [rows[index - 1]!, rows[index]!];
    const mixed = a.map((value, axis) => (1 - alpha) * value + alpha * b[axis]!);
    const weight = weights ? mixed[dimension]! : 1;
    const made = mixed.slice(0, dimension).map((value) => value / weight);
    const parents = [points[index - 1]!, points[index]!] as const;
    const combination = weights
      ? String.raw`\frac{${tex((1 - alpha) * weights[index - 1]!)}\,${texPoint(parents[0])} + ${tex(alpha * weights[index]!)}\,${texPoint(parents[1])}}{${tex(weight)}}`
      : String.raw`${tex(1 - alpha)}\,${texPoint(parents[0])} + ${tex(alpha)}\,${texPoint(parents[1])}`;
    lines.push({
      step: 'newPoint',
      values: { index, first: index - 1, second: index },
      tex: String.raw`\begin{aligned}\alpha_{${texAt(index)}} &= \frac{${texParameter} - ${texParameter}_{${texAt(index)}}}{${texParameter}_{${texAt(index + degree)}} - ${texParameter}_{${texAt(index)}}} = ${texShare(u, low, high)} = ${tex(alpha)}\\ \overline{\mathbf{${texControlPoint}}}_{${texAt(index)}} &= (1-\alpha_{${texAt(index)}})\,\mathbf{${texControlPoint}}_{${texAt(index - 1)}} + \alpha_{${texAt(index)}}\,\mathbf{${texControlPoint}}_{${texAt(index)}}\\ &= ${combination} = ${texPoint(made)}\end{aligned}`,
      places: [made, ...parents],
      legs: [parents],
      points: isFirst ? [index - 1, index] : [],
    });
    const before = labels[index - 1]!.map((value) => tex(value)).join(',');
    const next = labels[index]!.map((value) => tex(value)).join(',');
    const after = [...labels[index - 1]!.slice(1), u].sort((x, y) => x - y).map((value) => tex(value));
    lines.push({
      step: 'blossomAfter',
      values: { index },
      tex: String.raw`\mathbf{f}(${after.join(',')}) \in \overline{\mathbf{f}(${before})\;\mathbf{f}(${next})}`,
      places: [made],
      legs: [],
      points: [],
    });
  }
  return lines;
}

/** A part cut out: knots are inserted at both of its ends until their multiplicity is the degree (P&T 5.2). */
export function cutsCalculation(curve: Curve, from: number, to: number): readonly CalculationLine[] {
  const lines: CalculationLine[] = [];
  let now = withoutPeriod(curve);
  const [start, end] = domainOf(now.knots, now.degree);
  for (const u of [from, to]) {
    const missing = now.degree - multiplicityAt(now, u);
    if (!(u > start && u < end) || missing <= 0) continue;
    lines.push(...knotInsertion(now, u, missing));
    now = insertKnot(now, u, missing);
  }
  return lines.slice(0, mostLines);
}

/** Decomposition into Bézier pieces: every interior knot is inserted until its multiplicity is the degree (P&T A5.6). */
export function decompositionCalculation(curve: Curve): readonly CalculationLine[] {
  const lines: CalculationLine[] = [];
  let now = curve;
  for (const { value, multiplicity } of interiorKnots(curve.knots, curve.degree)) {
    const missing = curve.degree - multiplicity;
    if (missing <= 0 || curve.periodic) continue;
    lines.push(...knotInsertion(now, value, missing));
    if (lines.length >= mostLines) break;
    now = insertKnot(now, value, missing);
  }
  return lines.slice(0, mostLines);
}
