import {
  itemId,
  number,
  tagged,
  unionOf,
  type Field,
  type UnionField,
  type ValueOf,
} from '../../describe/describe.js';
import type { FigureCommand } from '../../figure/command/commands.js';
import { itemOf, type FigureDocument } from '../../figure/document/document.js';
import { curveOf, evaluateFigure } from '../../figure/evaluation/evaluate.js';
import { index, pointKind } from '../../figure/part/parts.js';
import { pointsOfKind } from '../condition/define.js';

const point = tagged('of', 'point', {
  item: itemId,
  point: pointKind,
  index,
  /** How far it may lie from its place, along each axis. */
  by: number({ unit: 'length', above: 0 }),
});
const referencePoint = tagged('of', 'referencePoint', {
  item: itemId,
  by: number({ unit: 'length', above: 0 }),
});
const knot = tagged('of', 'knot', {
  item: itemId,
  value: number({ unit: 'parameter' }),
  by: number({ unit: 'parameter', above: 0 }),
});
const weight = tagged('of', 'weight', {
  item: itemId,
  index,
  least: number({ above: 0, unit: 'ratio' }),
  most: number({ above: 0, unit: 'ratio' }),
});

interface VariationMember<V> {
  readonly description: Field;
  /** What makes a figure another one. @param share draws a number from −1 to 1, in steps of a tenth */
  readonly vary: (variation: V, figure: FigureDocument, share: () => number) => FigureCommand | undefined;
}

/** Something of a figure that is different for each student. */
export type Variation =
  | ValueOf<typeof point>
  | ValueOf<typeof referencePoint>
  | ValueOf<typeof knot>
  | ValueOf<typeof weight>;
type VariationOf<Kind extends Variation['of']> = Extract<Variation, { readonly of: Kind }>;

/** To this many digits a drawn value is rounded, so that nobody reads digits that mean nothing. */
const rounded = (value: number): number => Number(value.toPrecision(10));
const around = (place: readonly number[], by: number, share: () => number): number[] =>
  place.map((value, axis) => (axis < 2 ? rounded(value + by * share()) : value));

/** Everything that can be different for each student. A new one is a line for its description, its type and itself here. */
export const variations: {
  readonly [Kind in Variation['of']]: VariationMember<VariationOf<Kind>>;
} = {
  point: {
    description: point,
    vary: ({ item, point: of, index: which, by }, figure, share) => {
      const curve = curveOf(evaluateFigure(figure), item);
      const place = curve && pointsOfKind(curve, of)[which];
      return (
        place && {
          name: of === 'controlPoints' ? 'moveControlPoint' : 'moveEditPoint',
          item,
          index: which,
          to: around(place, by, share),
        }
      );
    },
  },
  referencePoint: {
    description: referencePoint,
    vary: ({ item, by }, figure, share) => {
      const found = itemOf(figure, item);
      return found?.kind === 'point'
        ? { name: 'moveReferencePoint', item, to: around(found.at, by, share) }
        : undefined;
    },
  },
  knot: {
    description: knot,
    vary: ({ item, value, by }, figure, share) => {
      const to = rounded(value + by * share());
      return to !== value && itemOf(figure, item) ? { name: 'moveKnot', item, knot: value, to } : undefined;
    },
  },
  weight: {
    description: weight,
    vary: ({ item, index: which, least, most }, figure, share) =>
      itemOf(figure, item)
        ? {
            name: 'setWeight',
            item,
            index: which,
            weight: rounded(least + ((most - least) * (share() + 1)) / 2),
          }
        : undefined,
  },
};

export const variationDescription = unionOf('of', variations) as UnionField<Variation>;

/** What makes a figure another one by a variation; nothing where what it is about is not there. */
export const variedBy = (
  variation: Variation,
  figure: FigureDocument,
  share: () => number,
): FigureCommand | undefined =>
  (variations[variation.of] as VariationMember<Variation>).vary(variation, figure, share);
