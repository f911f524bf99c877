import type { ConditionKind } from '@bogen/core/lesson';

/**
 * A condition as a sentence; where it counts, for one and for several; where it holds a choice, such as the kind of points
 * that it is about, for each of them.
 */
type ConditionTexts =
  | { readonly text: string; readonly text_zero?: string }
  | { readonly text_one: string; readonly text_other: string }
  | Readonly<Record<`text_${string}`, string>>;

/** What a check asks for, and what was measured. */
export const checks = {
  conditions: {
    curveThroughPoint: { text: '{{item}} passes through {{target}} within {{tolerance}} mm' },
    pointAtPlace: { text: '{{point}} lies at {{place}} within {{tolerance}} mm' },
    pointsUnmoved: {
      text_controlPoints: 'The other control points stay within {{tolerance}} mm',
      text_editPoints: 'The other edit points stay within {{tolerance}} mm',
    },
    spansUnmoved: {
      text_one: 'At least {{count}} span of {{item}} stays',
      text_other: 'At least {{count}} spans of {{item}} stay',
    },
    curvatureAtMost: { text: 'Curvature of {{item}} at most {{limit}} per mm' },
    inflectionsAtMost: {
      text_one: 'At most {{count}} inflection on {{item}}',
      text_other: 'At most {{count}} inflections on {{item}}',
    },
    degreeAtMost: {
      text: '{{item}} has degree {{count}} at most',
      text_order: '{{item}} has order {{count, asOrder}} at most',
    },
    degreeAtLeast: {
      text: '{{item}} has degree {{count}} at least',
      text_order: '{{item}} has order {{count, asOrder}} at least',
    },
    spansAtMost: {
      text_one: '{{item}} has {{count}} span at most',
      text_other: '{{item}} has {{count}} spans at most',
    },
    spansAtLeast: {
      text_one: '{{item}} has {{count}} span at least',
      text_other: '{{item}} has {{count}} spans at least',
    },
    pointsAtMost: {
      text_one: '{{item}} has {{count}} control point at most',
      text_other: '{{item}} has {{count}} control points at most',
    },
    pointsAtLeast: {
      text_one: '{{item}} has {{count}} control point at least',
      text_other: '{{item}} has {{count}} control points at least',
    },
    multiplicityAtLeast: {
      text: '{{item}} has a knot of multiplicity {{count}} at least at {{param}} = {{parameter}}',
    },
    multiplicityAtMost: {
      text_zero: '{{item}} has no knot at {{param}} = {{parameter}}',
      text: '{{item}} has a knot of multiplicity {{count}} at most at {{param}} = {{parameter}}',
    },
    continuityAtKnot: { text: '{{item}} is {{continuity}} at {{param}} = {{parameter}}' },
    leastContinuity: { text: '{{item}} is {{continuity}} at every knot' },
    continuityAtJoint: { text: '{{item}} and {{other}} meet with {{continuity}}' },
    shapeUnchanged: { text: '{{item}} keeps its shape within {{tolerance}} mm' },
    nearCurve: { text: '{{item}} lies within {{tolerance}} mm of {{target}}' },
    pointsEqual: { text: 'The control points of {{item}} are those asked for, within {{tolerance}} mm' },
    weightsEqual: { text: 'The weights of {{item}} are {{weights}}, but for a common factor' },
    knotsEqual: { text: 'The knots of {{item}} are {{knots}}' },
    curvatureAtLeast: { text: 'Curvature of {{item}} at least {{limit}} per mm somewhere' },
    parameterEven: { text: 'The parameter of {{item}} is even within {{share}} of the mean speed' },
    operationsAtMost: {
      text_zero: 'Done without any operation, by moving alone',
      text_one: 'Done with one operation at most',
      text_other: 'Done with {{count}} operations at most',
    },
    operationAtMost: {
      text_zero: 'Done without “{{operation}}”',
      text_one: 'Done with “{{operation}}” once at most',
      text_other: 'Done with “{{operation}}” {{count}} times at most',
    },
    pointsMovedAtMost: {
      text_controlPoints: 'At most {{count}} control points of {{item}} are moved',
      text_editPoints: 'At most {{count}} edit points of {{item}} are moved',
    },
    curvatureMonotone: { text: 'Curvature of {{item}} only rises or only falls' },
    combPeaksAtMost: {
      text_one: 'The comb of {{item}} has {{count}} peak at most',
      text_other: 'The comb of {{item}} has {{count}} peaks at most',
    },
    tangentAtEnd: {
      text_start: '{{item}} starts in the direction {{direction}}°, within {{within}}°',
      text_end: '{{item}} ends in the direction {{direction}}°, within {{within}}°',
    },
    conicIs: {
      text_line: '{{item}} is straight',
      text_circle: '{{item}} is an arc of a circle',
      text_ellipse: '{{item}} is a piece of an ellipse',
      text_parabola: '{{item}} is a piece of a parabola',
      text_hyperbola: '{{item}} is a piece of a hyperbola',
    },
    roundWithin: { text: '{{item}} is round within {{share}} of its radius' },
    lengthBetween: { text: '{{item}} is between {{least}} and {{most}} mm long' },
    areaBetween: { text: '{{item}} encloses between {{least}} and {{most}} mm²' },
    weightBetween: { text: '{{point}} weighs between {{least}} and {{most}}' },
    polynomial: { text: '{{item}} is polynomial' },
    rational: { text: '{{item}} is rational' },
    clampedEnds: { text: '{{item}} passes through its first and last control point' },
    closed: { text: '{{item}} is closed' },
    endsMeet: { text: 'The ends of {{item}} meet within {{tolerance}} mm' },
    symmetricAbout: {
      text: '{{item}} is symmetric about the line from {{from}} to {{to}}, within {{tolerance}} mm',
    },
  } satisfies Record<ConditionKind, ConditionTexts>,
  groups: {
    all: 'All of these: {{parts}}',
    any: 'At least one of these: {{parts}}',
    none: 'None of these: {{parts}}',
  },
  measured: {
    parts: '{{met}} of {{count}}',
    length: '{{value}} mm',
    area: '{{value}} mm²',
    count: '{{value}}',
    degree: '{{value, sized}}',
    order: 'order {{value}}',
    curvature: '{{value}} /mm',
    share: '{{value}} of the radius',
    degrees: '{{value}}°',
    number: '{{value}}',
    holds: 'yes',
    fails: 'no',
    none: 'not there',
    tooMuch: 'too much to calculate for a check; use fewer points',
  },
};
