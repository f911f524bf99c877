import {
  choice,
  flag,
  itemId,
  list,
  number,
  object,
  optional,
  ownItemId,
  pair,
  partial,
  place,
  signs,
  tagged,
  text,
  unionOf,
  uuid,
  type UnionField,
  type ValueOf,
} from '../../describe/describe.js';
import { sourcesOfOperation } from '../operation/operate.js';
import { operationDescription } from '../operation/operations.js';
import { curve } from '../part/parts.js';
import { shapeDescription } from '../shape/shapes.js';
import { shown } from './shown.js';

const itemName = text(1, 200);

export const somethingShown = partial(shown);

/** The colours that tell items apart; each theme has its own shade of them. Ink where absent. */
const itemColor = choice('ink', 'teal', 'ochre', 'plum', 'moss', 'indigo', 'coral');
export type ItemColor = ValueOf<typeof itemColor>;
export const itemColors: readonly ItemColor[] = itemColor.choices;

const lineWeight = choice('fine', 'medium', 'bold', 'broad');
export type LineWeight = ValueOf<typeof lineWeight>;
export const lineWeights: readonly LineWeight[] = lineWeight.choices;

/** A joint with another curve that later changes keep. */
const lockedJoint = object({
  end: choice('start', 'end'),
  to: itemId,
  toEnd: choice('start', 'end'),
  continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
});

/** A knot of full multiplicity at which later changes keep a continuity. */
const lockedKnot = object({
  knot: number({ unit: 'parameter' }),
  continuity: signs('G0', 'G1', 'G2', 'G3', 'C1', 'C2'),
});

/** What every item may carry besides what it is: how it is called, and how it is drawn and taken hold of. */
export const attributes = {
  name: itemName,
  /** Not drawn, but still there for what is built from it. */
  hidden: optional(flag),
  /** Drawn, but not to be moved by accident. */
  locked: optional(flag),
  color: optional(itemColor),
  /** `medium` where absent. */
  lineWeight: optional(lineWeight),
  /** What is shown of this item where it differs from the figure. */
  shown: optional(somethingShown),
  /** A faint copy is drawn behind the others and is never moved. */
  faint: optional(flag),
  /** Joints with other curves that are kept when either curve changes. */
  lockedJoints: optional(list(lockedJoint, 8)),
  /** Knots at which a continuity is kept when the curve changes. */
  lockedKnots: optional(list(lockedKnot, 60)),
} as const;

const base = {
  /** Stable: never reused and never changed, so that links and commands can name it. */
  id: ownItemId,
  ...attributes,
} as const;

/** What a picture is besides which one it is. */
export const pictureAttributes = {
  centre: place,
  /** Width in the drawing's unit. */
  width: number({ unit: 'length' }),
  /** Counterclockwise. */
  angle: number({ unit: 'degrees' }),
  /** Left and right exchanged. */
  flipped: flag,
  /** From 0, as it is, to 1, not to be seen. */
  fade: number({ least: 0, most: 1 }),
} as const;

const curveItem = tagged('kind', 'curve', { ...base, curve });
const shapeItem = tagged('kind', 'shape', { ...base, shape: shapeDescription });
const builtItem = tagged('kind', 'built', { ...base, operation: operationDescription });
const pointItem = tagged('kind', 'point', { ...base, at: place });
const pictureItem = tagged('kind', 'picture', {
  ...base,
  /** Names the stored picture. */
  picture: uuid,
  /** Width and height of the picture itself, in its own pixels: only their proportion counts. */
  size: pair(number()),
  ...pictureAttributes,
});

/** A given curve: its own degree, knots, points and weights. */
export type CurveItem = ValueOf<typeof curveItem>;
/** A given curve with parameters of its own kind: an arc, a conic, a chain, a stroke. */
export type ShapeItem = ValueOf<typeof shapeItem>;
/** A curve built from others: it follows its sources. */
export type BuiltItem = ValueOf<typeof builtItem>;
/** A reference point: a place to aim at and to draw on. It is not a control point of anything. */
export type PointItem = ValueOf<typeof pointItem>;
/** A picture to draw over: it lies behind everything and stays with the drawing. */
export type PictureItem = ValueOf<typeof pictureItem>;

export type FigureItem = CurveItem | ShapeItem | BuiltItem | PointItem | PictureItem;

export const itemDescription: UnionField<FigureItem> = unionOf('kind', {
  curve: { description: curveItem },
  shape: { description: shapeItem },
  built: { description: builtItem },
  point: { description: pointItem },
  picture: { description: pictureItem },
});

/** Whether an item comes to a curve, and is neither a reference point nor a picture. */
export function isCurveItem(item: FigureItem): item is CurveItem | ShapeItem | BuiltItem {
  return item.kind === 'curve' || item.kind === 'shape' || item.kind === 'built';
}

/** The ids of the items that an item is built from. */
export function sourcesOf(item: FigureItem): readonly string[] {
  return item.kind === 'built' ? sourcesOfOperation(item.operation) : [];
}
