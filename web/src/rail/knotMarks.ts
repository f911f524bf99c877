import { domainOf, type Curve, type CurveEnd } from '@bogen/core/curve';
import { itemOf, distinctKnotsOf } from '@bogen/core/figure';
import type { FigureScene } from '../figure/scene/scene.js';

/** A knot of the rail's curve as it can be taken hold of. */
export interface KnotMark {
  readonly value: number;
  readonly multiplicity: number;
  readonly movable: boolean;
  /** Whether it can be taken out, and its multiplicity raised and lowered. */
  readonly removable: boolean;
  /** Set for the knots at the ends of the domain, where their multiplicity can be changed. */
  readonly end?: CurveEnd;
  /** How far it can go. */
  readonly limits: readonly [number, number];
  /** Its neighbours, where it can become one with them. */
  readonly neighbours: readonly number[];
}

/** As fine as a hand on the rail is, and as short to read: a power of ten of at most a thousandth of the domain. */
export function knotUnit(curve: Curve): number {
  const [start, end] = domainOf(curve.knots, curve.degree);
  return 10 ** Math.floor(Math.log10((end - start) / 1000) + 1e-9);
}

/** Whether whoever is here may change the knots of the rail's curve, which must be given by its points. */
export function mayChangeKnots({ document, host, railCurve }: FigureScene): boolean {
  const item = itemOf(document, document.rail.item ?? '');
  if (item?.kind !== 'curve' || item.locked || item.faint || !railCurve) return false;
  const operation = { name: 'insertKnot', source: item.id, parameter: 0, times: 1 } as const;
  return host.may({ name: 'operate', item: item.id, operation, curve: item.curve });
}

/** Whether whoever is here may move a knot of the rail's curve, by hand or by number. */
export function mayMoveKnots({ document, host, railCurve }: FigureScene): boolean {
  const item = itemOf(document, document.rail.item ?? '');
  if (item?.kind !== 'curve' || item.locked || item.faint || !railCurve) return false;
  return host.may({ name: 'moveKnot', item: item.id, knot: 0, to: 0 });
}

/** The knots of the domain in ascending order. Those inside a curve that is given by its points can be moved. */
export function knotMarksOf(scene: FigureScene, curve: Curve): readonly KnotMark[] {
  const { document, host } = scene;
  const [start, end] = domainOf(curve.knots, curve.degree);
  const item = itemOf(document, document.rail.item ?? '');
  const isGiven = item?.kind === 'curve' && !item.locked && !item.faint && !curve.periodic;
  const knots = distinctKnotsOf(curve).filter(({ value }) => value >= start && value <= end);
  const unit = knotUnit(curve);
  return knots.map(({ value, multiplicity }, index) => {
    const [before, after] = [knots[index - 1], knots[index + 1]];
    const isInside = before !== undefined && after !== undefined;
    const joins = [before, after].filter(
      (other) =>
        other !== undefined &&
        other.value > start &&
        other.value < end &&
        other.multiplicity + multiplicity <= curve.degree + 1,
    );
    /** Up to a neighbour that it can become one with, and short of any other. */
    const limit = (other: typeof before, side: number): number =>
      other === undefined ? value : joins.includes(other) ? other.value : other.value + side * unit;
    return {
      value,
      multiplicity,
      movable: isInside && isGiven && host.may({ name: 'moveKnot', item: item.id, knot: value, to: value }),
      removable: isInside && mayChangeKnots(scene),
      ...(!isInside && isGiven && mayChangeKnots(scene)
        ? { end: before === undefined ? ('start' as const) : ('end' as const) }
        : {}),
      limits: [Math.min(value, limit(before, 1)), Math.max(value, limit(after, -1))],
      neighbours: joins.map((other) => other!.value),
    };
  });
}
