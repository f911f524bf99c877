import { clampedUniformKnots, type Curve, type Point } from '@bogen/core/curve';
import { emptyFigure, type FigureCommand, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { callout, control, formula, live, paragraph, pointing, prose } from './prose.js';

/** The peg hole: its radius in millimetres, about the middle of the drawing. */
const radius = 5;
/** Nine places on the square around it, the first one once more at the end. */
const square: readonly Point[] = [
  [5, 0],
  [5, 5],
  [0, 5],
  [-5, 5],
  [-5, 0],
  [-5, -5],
  [0, -5],
  [5, -5],
  [5, 0],
];
const corners = [1, 3, 5, 7];
/** The weight of a corner. */
export const cornerWeight = Math.SQRT1_2;
const rightWeights = square.map((_, index) => (corners.includes(index) ? cornerWeight : 1));
const pairs = [0, 0, 0, 0.25, 0.25, 0.5, 0.5, 0.75, 0.75, 1, 1, 1];
const even = clampedUniformKnots(square.length, 2);

const hole = (curve: Partial<Curve> = {}): FigureItem => ({
  id: 'hole',
  name: 'Hole',
  kind: 'curve',
  curve: { degree: 2, knots: even, points: square, ...curve },
});
const exact: FigureItem = {
  id: 'exact',
  name: 'True round',
  kind: 'shape',
  color: 'ink',
  lineWeight: 'fine',
  locked: true,
  shape: { kind: 'circle', centre: [0, 0], radius, layout: 'quadratic9' },
};

const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: true, comb: false, labels: true },
  rail: { item: 'hole', tracks: ['knots', 'basis', 'radiusError'] },
  view: { left: -13, right: 13, bottom: -7.4, top: 7.4, grid: 1 },
};

/** The six knots inside, each to its place in a pair. */
export const knotsInPairs: readonly FigureCommand[] = [0.25, 0.25, 0.5, 0.5, 0.75, 0.75].map((to, k) => ({
  name: 'moveKnot',
  item: 'hole',
  knot: even[3 + k]!,
  to,
}));
export const cornersWeighed = (weight: number): FigureCommand[] =>
  corners.map((index) => ({ name: 'setWeight', item: 'hole', index, weight }));

const see: Sheet = newSheet({
  id: 'three',
  title: 'What a circle takes',
  prose: prose(
    paragraph('A hole for a peg has to be round. Step on, and watch the *radius error* below the figure.'),
    paragraph(
      'Nine points on a square make something soft. *Weights* of $1$ and $\\tfrac{\\sqrt2}{2}$ in turn make it rounder. Only with its inner knots in equal *pairs* it is a circle.',
    ),
    formula('C(u)=\\frac{\\sum_i w_i\\,N_{i,2}(u)\\,P_i}{\\sum_i w_i\\,N_{i,2}(u)}'),
    callout(
      'see',
      'Now it is: ',
      live({ of: 'fact', item: 'hole', fact: 'conic' }),
      '. Points, weights, knots: three lists, and none may be missing.',
    ),
  ),
  figure: { ...board, items: [hole(), exact], shown: { ...board.shown, weights: true } },
  stages: [
    { id: firstStageId, caption: 'Nine points on a square', commands: [] },
    {
      id: 'weights',
      caption: 'Corners weigh less: rounder, and still no circle',
      notes: 'Many stop here, as it looks right. Ask for the radius error before you go on.',
      commands: [
        {
          name: 'setCurve',
          item: 'hole',
          curve: { degree: 2, knots: even, points: square, weights: rightWeights },
        },
      ],
    },
    {
      id: 'knots',
      caption: 'Knots in equal pairs: a circle, exactly',
      commands: [
        {
          name: 'setCurve',
          item: 'hole',
          curve: { degree: 2, knots: pairs, points: square, weights: rightWeights },
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'why',
      stage: 'knots',
      prompt: 'What do the pairs of knots do to this curve of degree 2?',
      hints: [
        {
          text: 'Look where the curve passes through a control point.',
          lights: [
            { of: 'controlPoint', item: 'hole', index: 2 },
            { of: 'knot', item: 'hole', value: 0.25 },
          ],
        },
      ],
      choices: [
        {
          text: 'They pin it to every second point: four arcs, each made from three points.',
          isRight: true,
          reason: 'A knot that stands degree times pins the curve to a control point.',
        },
        {
          text: 'They make it smoother there.',
          reason: 'Each repeat takes one derivative away, not adds one.',
        },
        { text: 'They make the corners weigh less.', reason: 'The weights do, and they were there before.' },
        { text: 'They close it.', reason: 'It ended at its first point before, too.' },
      ],
    },
  ],
});

const weigh: Sheet = newSheet({
  id: 'weight',
  title: 'What a weight does',
  prose: prose(
    paragraph(
      'One quarter alone: three points. The corner weighs ',
      control({ of: 'weight', item: 'hole', index: 1, least: 0.1, most: 3 }),
      '. More weight draws the curve to the corner, none lets it run straight.',
    ),
    paragraph(
      'Whatever you set, it is a conic: ',
      live({ of: 'fact', item: 'hole', fact: 'conic' }),
      '. The pane beside the figure shows why. With its weight as a third coordinate the curve is a parabola in space; what we draw is its *projection* from the origin.',
    ),
    formula('(w\\,x,\\;w\\,y,\\;w)\\;\\mapsto\\;(x,\\,y)'),
  ),
  figure: {
    ...board,
    items: [
      {
        id: 'hole',
        name: 'Quarter',
        kind: 'curve',
        curve: {
          degree: 2,
          knots: [0, 0, 0, 1, 1, 1],
          points: [
            [5, 0],
            [5, 5],
            [0, 5],
          ],
          weights: [1, 1, 1],
        },
      },
    ],
    readersMay: [{ kind: 'weights', item: 'hole', indices: [1] }],
    shown: { ...board.shown, weights: true, lifted: true },
    view: { left: -3, right: 11, bottom: -2, top: 7, grid: 1 },
    rail: { item: 'hole', tracks: ['knots', 'basis', 'radiusError'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'The cosine of 45 degrees, half the angle of the arc',
      commands: [{ name: 'setWeight', item: 'hole', index: 1, weight: cornerWeight }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'quarter',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Weigh the corner so that the quarter is round, to a hundred-thousandth of its radius.',
      hints: [
        { text: 'A weight of 1 gives a parabola. A circle wants less.' },
        {
          text: 'The weight is the cosine of half the angle that the arc turns through. Type it under Weights of Quarter: sqrt(2)/2.',
        },
      ],
      conditions: [{ kind: 'roundWithin', item: 'hole', share: 0.00001 }],
    },
  ],
});

const lists: Sheet = newSheet({
  id: 'lists',
  title: 'Build it from three lists',
  prose: prose(
    paragraph(
      'The points are laid. The weights are all 1, and the knots stand evenly. Set both: the weights of the ',
      pointing(
        'four corners',
        ...corners.map((index) => ({ of: 'controlPoint' as const, item: 'hole', index })),
      ),
      ' by number, the knots on their line below.',
    ),
    formula(
      '\\underbrace{0,0,0}_{3},\\tfrac14,\\tfrac14,\\tfrac12,\\tfrac12,\\tfrac34,\\tfrac34,\\underbrace{1,1,1}_{3}',
    ),
    paragraph(
      'All weights may be multiplied by one number: nothing changes. And the pairs may stand elsewhere; try.',
    ),
  ),
  figure: {
    ...board,
    items: [hole({ weights: square.map(() => 1) }), exact],
    readersMay: [
      { kind: 'weights', item: 'hole', indices: corners },
      { kind: 'knots', item: 'hole' },
    ],
    shown: { ...board.shown, weights: true },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Four weights and three pairs',
      commands: [...cornersWeighed(cornerWeight), ...knotsInPairs],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'round',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make the hole round to a millionth of its radius.',
      hints: [
        { text: 'First the weights: sqrt(2)/2 at each corner. It gets rounder, and does not get there.' },
        {
          text: 'Then the knots: the first two to 0.25, the next two to 0.5, the last two to 0.75.',
          lights: [{ of: 'item', item: 'hole' }],
        },
      ],
      conditions: [{ kind: 'roundWithin', item: 'hole', share: 0.000001 }],
    },
  ],
});

const disturb: Sheet = newSheet({
  id: 'disturb',
  title: 'Disturb one knot',
  prose: prose(
    paragraph('The hole is round. Now one knot of the pair at $\\tfrac14$ is about to go to $0.35$.'),
    paragraph('A pair pins the curve to a point. A single knot does not.'),
    callout('predict', 'Which arcs stay, and is the hole still smooth where the pair was?'),
  ),
  figure: { ...board, items: [hole({ knots: pairs, weights: rightWeights }), exact] },
  stages: [
    { id: firstStageId, caption: 'Round', commands: [] },
    {
      id: 'after',
      caption: 'One knot of a pair went on: two arcs came off, the others stayed',
      commands: [{ name: 'moveKnot', item: 'hole', knot: 0.25, to: 0.35, times: 1 }],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'what',
      stage: firstStageId,
      to: 'after',
      prompt: 'One knot goes from 0.25 to 0.35. What happens?',
      hints: [],
      questions: [
        { of: 'spans', item: 'hole', within: 0.001 },
        { of: 'joint', item: 'hole', parameter: 0.5, continuity: 'G1' },
        { of: 'joint', item: 'hole', parameter: 0.25, continuity: 'C1' },
      ],
    },
  ],
});

const looks: Sheet = newSheet({
  id: 'looks',
  title: 'It only looks round',
  prose: prose(
    paragraph(
      'Four cubic pieces, their handles as long as is best: no eye tells the ',
      pointing('coral hole', { of: 'item', item: 'hole' }),
      ' from a round one. The radius error does; the figure draws the difference 500 times as large.',
    ),
    paragraph(
      'A *polynomial* curve can’t be a circle, whatever its degree: it takes weights that differ. It can come as close as you like, and each step costs points.',
    ),
    formula('x(u)^2+y(u)^2=r^2\\quad\\Rightarrow\\quad x,\\,y\\ \\text{rational}'),
  ),
  figure: {
    ...board,
    items: [
      exact,
      {
        id: 'hole',
        name: 'Cubic hole',
        kind: 'shape',
        color: 'coral',
        shape: { kind: 'circle', centre: [0, 0], radius, layout: { approximation: 'cubics', pieces: 4 } },
      },
    ],
    // Its own colour tells it from the round one.
    shown: {
      ...board.shown,
      controlPoints: false,
      polygon: false,
      spans: false,
      labels: false,
      deviation: true,
    },
    looks: { compareWith: 'exact', enlarged: 500 },
    rail: { item: 'hole', tracks: ['knots', 'curvature', 'radiusError'] },
  },
  tasks: [
    {
      kind: 'number',
      id: 'off',
      stage: firstStageId,
      prompt:
        'How many millimetres is the coral hole away, where it is worst, from the circle that fits it best?',
      hints: [
        {
          text: 'Move the cursor along: the track tells the radius error as a share of the radius, which is 5 mm.',
        },
        { text: 'Take the largest share that you find times 5 mm: less than a thousandth.' },
      ],
      measure: { of: 'roundness', item: 'hole' },
      tolerance: 0.0001,
    },
  ],
});

const fewest: Sheet = newSheet({
  id: 'fewest',
  title: 'Round enough to ream',
  prose: prose(
    paragraph(
      'A machine takes cubics without weights only, and the reamer forgives a hundredth of a millimetre. How few points will do?',
    ),
    paragraph(
      'This hole is *periodic*: it closes on itself with no end, as smooth there as anywhere. Change the number of its points, and read what it is out of round.',
    ),
    callout('prove', 'Under *Numbers of Periodic hole* set degree and number of points.'),
  ),
  figure: {
    ...board,
    items: [
      exact,
      {
        id: 'hole',
        name: 'Periodic hole',
        kind: 'shape',
        shape: {
          kind: 'circle',
          centre: [0, 0],
          radius,
          layout: { approximation: 'periodic', degree: 3, count: 4 },
        },
      },
    ],
    readersMay: [{ kind: 'values', item: 'hole' }],
    rail: { item: 'hole', tracks: ['knots', 'curvature', 'radiusError'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'As few as will do',
      commands: [
        {
          name: 'setShape',
          item: 'hole',
          shape: {
            kind: 'circle',
            centre: [0, 0],
            radius,
            layout: { approximation: 'periodic', degree: 3, count: 7 },
          },
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'few',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Stay within 0.01 mm of the round, with as few points as will do.',
      hints: [
        { text: 'A hundredth of 5 mm is two thousandths of the radius.' },
        { text: 'Go up one by one until both lines are met.' },
      ],
      conditions: [
        { kind: 'roundWithin', item: 'hole', share: 0.002 },
        { kind: 'pointsAtMost', item: 'hole', atMost: 7 },
        { kind: 'degreeAtMost', item: 'hole', atMost: 3 },
        { kind: 'polynomial', item: 'hole' },
      ],
    },
  ],
});

/** The lesson *A true round* of the demo course. */
export const trueRound: LessonDocument = {
  version: lessonVersion,
  title: 'A true round',
  sheets: [see, weigh, lists, disturb, looks, fewest],
};
