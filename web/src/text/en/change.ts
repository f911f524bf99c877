import type { OfferedOperation, Operations } from '@bogen/core/figure';

/** A text for each argument that an operation's form asks for, and for no other. */
type FieldTexts = {
  readonly [Name in OfferedOperation]: Readonly<Record<Operations[Name]['asks'][number], string>>;
};

/** The words that forms let one choose from, but for signs such as G1. */
type ChoiceWord = {
  [Name in OfferedOperation]: WordsOf<Operations[Name]['arguments'], Operations[Name]['asks'][number]>;
}[OfferedOperation];
type WordsOf<Arguments, Asks> = Asks extends keyof Arguments ? WordsIn<Arguments[Asks]> : never;
type WordsIn<F> = F extends { readonly type: 'optional'; readonly of: infer Of }
  ? WordsIn<Of>
  : F extends { readonly type: 'choice'; readonly choices: readonly (infer Word)[] }
    ? F extends { readonly signs: true }
      ? never
      : Word & string
    : never;

export const change = {
  change: 'Change …',
  title: 'Change {{curve}}',
  lead: 'What you see in the figure is a preview. Nothing changes until you apply it.',
  what: 'What',
  fromCursor: 'From the cursor',
  before: 'before',
  after: 'after',
  row: {
    degree: 'Degree',
    spans: 'Spans',
    points: 'Points',
    knots: 'Knots',
    continuity: 'Least continuity',
    closedness: 'Closed',
  },
  deviation: 'Largest deviation',
  exact: 'none, the shape stays',
  unevenness: 'Unevenness of the parameter',
  largestMove: 'Largest move of a point',
  apply: 'Apply',
  applyHelp: 'Apply: the curve itself becomes this.',
  applyFreezes: 'Apply: the curve becomes this and no longer follows its source.',
  goes: 'What is crossed out in the figure is removed: the mirror image takes its place.',
  calculating: 'Calculating …',
  link: 'Add as a linked curve',
  linkHelp: 'Linked: the curve stays as it is, and a new one follows it.',
  noCurve: 'Draw a curve first.',
  operations: {
    insertKnot: 'Insert knot',
    removeKnot: 'Remove knot',
    raiseDegree: 'Raise degree',
    lowerDegree: 'Lower degree',
    refit: 'Refit to degree and spans',
    fitToTolerance: 'Refit to a tolerance',
    split: 'Split here, keep one side',
    part: 'Take a part',
    piece: 'Take one Bézier piece',
    trimToBox: 'Trim to a box',
    join: 'Join with another curve',
    match: 'Match to another curve',
    continuityAtKnot: 'Set continuity at a knot',
    reverse: 'Reverse',
    close: 'Close',
    open: 'Open',
    moveStart: 'Move the start',
    evenOut: 'Even out the parameter',
    mobius: 'Shift the parameter',
    mapDomain: 'Set the domain',
    mirror: 'Mirror',
    symmetric: 'Make symmetric',
    convert: 'Convert',
    copy: 'Copy aside',
  } satisfies Record<OfferedOperation, string>,
  otherCurve: 'Other curve',
  fields: {
    insertKnot: { parameter: 'at u =', times: 'times' },
    removeKnot: { parameter: 'Knot', times: 'times' },
    raiseDegree: { times: 'times' },
    lowerDegree: { times: 'times' },
    refit: { degree: 'Degree', spans: 'Spans' },
    fitToTolerance: { degree: 'Degree', tolerance: 'Tolerance, mm' },
    split: { parameter: 'at u =', side: 'Keep' },
    part: { from: 'from u =', to: 'to u =' },
    piece: { index: 'Piece' },
    trimToBox: { corners: 'Corner', index: 'Part' },
    join: { tolerance: 'Tolerance, mm' },
    match: { continuity: 'Continuity', curveEnd: 'Its end', targetEnd: 'End of the other curve' },
    continuityAtKnot: { parameter: 'Knot', continuity: 'Continuity' },
    reverse: {},
    close: { way: 'How', continuity: 'Bridge shares derivatives up to' },
    open: { parameter: 'at u =' },
    moveStart: { parameter: 'at u =' },
    evenOut: { perSpan: 'Spans for each span' },
    mobius: { factor: 'Factor' },
    mapDomain: { start: 'Start', end: 'End' },
    mirror: { axis: 'Axis' },
    symmetric: { axis: 'Axis', keep: 'Where it crosses the axis, keep', smooth: 'smooth at the axis' },
    convert: { kind: 'Into' },
    copy: { offset: 'by' },
  } satisfies FieldTexts,
  choices: {
    before: 'what lies before',
    after: 'what lies after',
    start: 'start',
    end: 'end',
    pull: 'pull the ends together',
    bridge: 'bridge the gap',
    wrap: 'wrap round',
    straight: 'straight pieces',
    monotone: 'monotone cubic',
    bezier: 'Bézier chain',
    bspline: 'smooth cubic through the knots',
  } satisfies Record<ChoiceWord, string>,
  axis: {
    vertical: 'vertical line',
    horizontal: 'horizontal line',
    through: 'through, mm',
    byX: 'by x, mm',
    byY: 'by y, mm',
    cornerX: '{{label}} {{number}}, x',
    cornerY: '{{label}} {{number}}, y',
  },
};
