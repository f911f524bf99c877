/** What is said on the sheet of a start: its title, its paragraphs, a caption for each stage, and what is asked. */
export interface StartTexts {
  readonly title: string;
  /** Formulas stand between dollar signs, bold words between stars, live values in braces by their names. */
  readonly paragraphs: readonly string[];
  readonly captions: readonly string[];
  readonly prompt?: string;
  readonly hints?: readonly string[];
}

/** Ready-made sheets: how they are offered, and what is said on them. */
export const starts = {
  title: 'Add a sheet',
  lead: 'A ready-made start is a whole sheet, to change from there.',
  own: 'From a sheet of your own',
  lesson: 'Lesson',
  choose: 'choose one',
  sheet: 'Add “{{title}}”',
  loading: 'The sheets are being fetched …',
};

/** What is said on the sheets themselves. They are read whole, and not text by text. */
export const startSheets = {
  samePoints: {
    title: 'The same points twice',
    paragraphs: [
      'Six points lie on the board. The curve takes them as its *control points*: it is {on} long and touches only the first and the last.',
      'At the next stage a second curve *passes through* the same six points. It is {through} long. Move a point and watch both.',
    ],
    captions: ['The points as control points', 'The same points, to pass through'],
    prompt: 'Move the points so that both curves lie within 3 mm of each other.',
    hints: ['Points in a row on one line leave a curve no choice.'],
  },
  nearAndFar: {
    title: 'Near and far',
    paragraphs: [
      'A curve of degree {degree} with {spans} spans. A *control point* acts near: move one, and only the spans close by answer.',
      'A lozenge on the curve is an *edit point*. Pull one: the others stay on their places, and the whole curve answers.',
    ],
    captions: ['Before the move', 'One control point moved: the spans far from it stay'],
    prompt: 'Lead the curve through the peg, and leave at least one span as it is.',
    hints: ['An edit point would move every span. Use a control point.'],
  },
  degreeOrSpans: {
    title: 'Degree or spans',
    paragraphs: [
      'More freedom can come from one *degree* more, or from one *span* more. Either way the shape is the same, and there are {degree} and {span} control points.',
      'Move the same point in both. The comb of the curve with a span more has a kink of {kink} at its knot; the other stays smooth.',
    ],
    captions: [
      'One cubic, one span',
      'A degree more, and a span more: still the same shape',
      'The same move in both',
    ],
    prompt: 'Take P2 of both curves to the place (100, 120), and compare the two combs.',
    hints: ['Within 4 mm is near enough.'],
  },
  knotByKnot: {
    title: 'Knot by knot',
    paragraphs: [
      'A knot comes in and the shape stays. The polygon cuts its corners and comes nearer: {spans} spans, {points} control points.',
      'Three knots on one value give a cubic a point of its own there, and with it the freedom of a *corner*.',
    ],
    captions: [
      'One spline',
      'A knot at u = 0.25',
      'A knot at u = 0.75',
      'The same knot again: its multiplicity is 2',
      'And again: the curve touches its polygon there',
    ],
    prompt: 'Move the point on the triple knot somewhere else, with its neighbours, and keep the curve G1.',
    hints: ['The point and its two neighbours have to lie on one line.'],
  },
  takingApart: {
    title: 'Taking apart',
    paragraphs: [
      'Taken apart at its knots, the spline is a row of Bézier pieces of degree {continuity}. Where it was cut, the neighbouring points lie on one line: that is the tangent.',
      'Nothing holds the pieces together now. Move an end, and the joint opens.',
    ],
    captions: [
      'One spline',
      'Three Bézier pieces, each with its polygon',
      'One end moved: the joint is open',
    ],
    prompt: 'Close the first joint again, with a common tangent.',
    hints: ['First put the end back on the other end, then turn the next point into the line.'],
  },
  trueRound: {
    title: 'A true round',
    paragraphs: [
      'Nine points on a square are no circle. The curve now is: {conic}. Its length is {length}.',
      'With the weights 1 and $\\sqrt{2}/2$ it looks rounder. Only with the knots in equal pairs is it a circle, exactly.',
    ],
    captions: ['Nine points, all weights 1', 'The weights 1 and √2/2', 'The knots in equal pairs: a circle'],
    prompt: 'Make it a circle: set the weights, then pull the knots into pairs.',
    hints: ['Every second weight is √2/2.', 'The knots are 1/4, 1/2 and 3/4, each twice.'],
  },
  conic: {
    title: 'A conic and its rho',
    paragraphs: [
      'Two ends, the intersection of their tangents, and *rho* between 0 and 1. This one is: {conic}.',
      'Below one half it is an ellipse, above it a hyperbola.',
    ],
    captions: ['rho = 0.35', 'rho = 0.5', 'rho = 0.7'],
    prompt: 'Make the arch a parabola.',
    hints: ['There is one rho alone for it, between the two others.'],
  },
  closedSection: {
    title: 'A closed section',
    paragraphs: [
      'The section is {closed} and encloses {area}. It has no end that could come apart.',
      'A section of a neck is its own mirror image. Move a point on one side, and it is no longer.',
    ],
    captions: ['Its own mirror image', 'One point moved'],
    prompt: 'Make the section its own mirror image again, about the vertical line in its middle.',
    hints: ['The point on the other side shows how far.'],
  },
  oneCurve: { title: 'One curve', paragraphs: [], captions: [] },
  empty: { title: 'An empty sheet', paragraphs: [], captions: [] },
} satisfies Readonly<Record<string, StartTexts>>;

export type StartName = keyof typeof startSheets;
