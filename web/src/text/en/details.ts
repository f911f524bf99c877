import type { OfferedOperation, OperationName, ShapeKind, Shapes } from '@bogen/core/figure';
import type { OrTexts } from '../orTexts.js';

type FieldsOf<Kind extends ShapeKind> = Omit<Shapes[Kind]['description']['fields'], 'kind'>;
type Simple = { readonly type: 'number' | 'whole' | 'flag' | 'choice' };
type SimpleKeys<Fields> = {
  [Key in keyof Fields]: Fields[Key] extends Simple ? Key : never;
}[keyof Fields];
type WordsIn<F> = F extends { readonly type: 'choice'; readonly choices: readonly (infer Word)[] }
  ? Word
  : never;

/** A text for each parameter of a shape that a simple field can show, and for no other. */
type FieldTexts = {
  readonly [Kind in ShapeKind]: OrTexts<SimpleKeys<FieldsOf<Kind>>>;
};

/** The words that these fields let one choose from. */
type ChoiceWord = {
  [Kind in ShapeKind]: WordsIn<FieldsOf<Kind>[keyof FieldsOf<Kind>]>;
}[ShapeKind] &
  string;

export const details = {
  details: 'Details …',
  title: 'Details of {{item}}',
  item: 'Item',
  color: 'Colour',
  colors: {
    ink: 'ink',
    teal: 'teal',
    ochre: 'ochre',
    plum: 'plum',
    moss: 'moss green',
    indigo: 'indigo',
    coral: 'coral',
  },
  lineWeight: 'Line',
  lineWeights: { fine: 'fine', medium: 'medium', bold: 'bold', broad: 'broad' },
  nodeParameter: '{{param}} =',
  nodeByChord: 'Parameter of node {{index, counted}} by chord length again',
  nodeHelp:
    'Aligned: equal direction, free strength. A typed parameter is kept; nodes between are spread by their chords.',
  asChain: 'As a Bézier chain',
  asChainHelp_one: '{{count}} node with handles; largest deviation {{deviation}}.',
  asChainHelp_other: '{{count}} nodes with handles; largest deviation {{deviation}}.',
  noDeviation: 'none',
  layouts: 'Exact layouts beside each other',
  layoutCounts: '{{degree, sized}}, {{points}} points, spans: {{spans}}',
  layoutSpeed: 'the parameter runs up to {{ratio}} times as fast in one place as in another',
  made: 'How it is made: {{operation}}',
  keepUndrawn: 'Set it all the same',
  /** How a curve was drawn that follows the points of others. */
  madeOf: {
    curveOnReferencePoints: 'On reference points, as control points',
    curveThroughReferencePoints: 'Through reference points',
    curveOfDegree: 'On the control points of another curve',
    throughPoints: 'Through the control points of another curve',
  } satisfies Record<Exclude<OperationName, OfferedOperation>, string>,
  places: 'Made by these places, mm',
  size: 'Size',
  width: 'Width, mm',
  height: 'Height, mm',
  proportion: 'keep the proportion',
  follows: 'It follows its source and has no size of its own.',
  form: 'Form',
  fields: {
    through: {
      degree: 'Degree',
      degree_order: 'Order',
      parametrisation: 'Parametrisation',
      closed: 'closed',
    },
    arcThrough: {},
    arcRadius: { radius: 'Radius, mm', side: 'Side', large: 'the longer arc' },
    arcBulge: { bulge: 'Bulge' },
    circle: { radius: 'Radius, mm' },
    ellipse: { layout: 'Layout' },
    rectangle: {},
    polygon: { sides: 'Sides' },
    conic: { held: 'Held', rho: 'ρ' },
    chain: {},
    stroke: { tolerance: 'Tolerance', degree: 'Degree', degree_order: 'Order' },
  } satisfies FieldTexts,
  choices: {
    uniform: 'uniform',
    chord: 'chord length',
    centripetal: 'centripetal',
    left: 'left of the chord',
    right: 'right of the chord',
    quadratic9: 'four quarters, degree 2',
    quadratic9_order: 'four quarters, order 3',
    quadratic7: 'three thirds, degree 2',
    quadratic7_order: 'three thirds, order 3',
    cubic7: 'two halves, degree 3',
    cubic7_order: 'two halves, order 4',
    quintic6: 'one piece, degree 5',
    quintic6_order: 'one piece, order 6',
    shoulder: 'shoulder',
    tangentIntersection: 'tangent intersection',
  } satisfies OrTexts<ChoiceWord>,
  node: 'Node {{index, counted}}',
  nodeKinds: { corner: 'corner', aligned: 'aligned', equal: 'equal' },
  closed: 'closed',
  periodicDegree: 'Degree of the approximation',
  periodicDegree_order: 'Order of the approximation',
  periodicCount: 'Points of the approximation',
  pieces: 'Cubic pieces',
  x: 'x, mm',
  y: 'y, mm',
  nothing: 'There is nothing in the figure yet.',
  pointRemoved: '{{point}} deleted: the curve moves by at most {{deviation}} mm. Undo brings it back.',
  copied: '{{name}} copied. Paste it on any sheet.',
  pasted: '{{name}} pasted.',
  nothingCopied: 'Nothing has been copied yet.',
  menu: {
    onRail: 'On the rail',
    knotHere: 'Insert a knot here',
    cornerHere: 'Make a corner here',
    details: 'Details …',
    change: 'Change …',
    points: 'Points …',
    copy: 'Copy',
    paste: 'Paste',
    hide: 'Hide',
    lock: 'Lock',
    unlock: 'Unlock',
    remove: 'Delete',
    removePoint: 'Delete this point, {{deviation}} mm off',
    removePointWaits: 'Delete this point …',
    removePointNot: 'Delete this point: not possible',
    keep: 'Keep a copy',
    select: 'Select',
    deselect: 'Take out of the selection',
    selectItem: 'Select all of {{item}}',
    selectAll: 'Select all points',
    several: 'Move, scale, turn …',
    which: 'Everything at this point …',
    fit: 'Fit',
    whole: 'Whole view',
    look: 'What the figure shows …',
    keys: 'Keys …',
  },
};
