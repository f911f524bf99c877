import { clampedUniformKnots, pointAt, type Curve, type Point } from '@bogen/core/curve';
import {
  emptyFigure,
  type CurveItem,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
  type Operation,
} from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { operated, resultOf } from './operated.js';
import { drawing, straight } from './pictures.js';
import { callout, formula, live, paragraph, pointing, prose } from './prose.js';

/** The camber of a bow stick from frog to head, one cubic of a single span, in millimetres. */
const camber: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 1],
  points: [
    [20, 60],
    [240, 30],
    [460, 24],
    [680, 72],
  ],
};

const given = (id: string, name: string, curve: Curve, color?: 'teal' | 'ochre'): CurveItem => ({
  id,
  name,
  kind: 'curve',
  curve,
  ...(color ? { color } : {}),
});

/** What an operation makes of a curve that is called “stick”. */
const made = (curve: Curve, operation: Operation): Curve =>
  resultOf([given('stick', 'Stick', curve)], operation);
/** An operation in the place of the stick. */
export const onStick = (curve: Curve, operation: Operation) =>
  operated([given('stick', 'Stick', curve)], 'stick', operation);
export const raised = (times: number): Operation => ({ name: 'raiseDegree', source: 'stick', times });
export const knotAt = (parameter: number): Operation => ({
  name: 'insertKnot',
  source: 'stick',
  parameter,
  times: 1,
});

const ofDegreeFive = made(camber, raised(2));
const ofThreeSpans = made(made(camber, knotAt(1 / 3)), knotAt(2 / 3));

const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: true, comb: false, labels: true },
  view: { left: -10, right: 710, bottom: -100, top: 190, grid: 20 },
};

const twice: readonly FigureItem[] = [
  given('raised', 'Degree 5', ofDegreeFive, 'teal'),
  given('spanned', 'Three spans', ofThreeSpans, 'ochre'),
];

const see: Sheet = newSheet({
  id: 'ways',
  title: 'Two ways to more points',
  prose: prose(
    paragraph(
      'The camber of a bow stick: one cubic span of four points. Where four are too few, there are two ways to more, and neither changes the shape: *raise the degree*, or *insert knots* and get spans.',
    ),
    paragraph(
      'Both have six points here: the ',
      pointing('teal one', { of: 'item', item: 'raised' }),
      ' by degree ',
      live({ of: 'fact', item: 'raised', fact: 'degree' }),
      ', the ',
      pointing('ochre one', { of: 'item', item: 'spanned' }),
      ' by ',
      live({ of: 'fact', item: 'spanned', fact: 'spans' }),
      ' spans. Step on: the third point of each goes up by 40 mm.',
    ),
    formula('n=p+\\text{spans}'),
    callout('see', 'Look at the combs. One stays smooth, the other peaks at its knots.'),
  ),
  figure: {
    ...board,
    items: twice,
    shown: { ...board.shown, spans: false, labels: false },
    rail: { item: 'spanned', tracks: ['knots', 'basis', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: 'One shape, six points each', commands: [] },
    {
      id: 'moved',
      caption: 'The third point of each is 40 mm higher',
      notes: 'Ask which comb they would rather plane by.',
      commands: [
        ...(['raised', 'spanned'] as const).map((item): FigureCommand => {
          const [x, y] = (item === 'raised' ? ofDegreeFive : ofThreeSpans).points[2] as [number, number];
          return { name: 'moveControlPoint', item, index: 2, to: [x, y + 40] };
        }),
        { name: 'setShown', shown: { comb: true } },
      ],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'why',
      stage: 'moved',
      prompt: 'Why does the comb of three spans have corners, and that of degree 5 none?',
      hints: [
        {
          text: 'Where do the corners stand? Look at the knots.',
          lights: [{ of: 'knot', item: 'spanned', value: 1 / 3 }],
        },
      ],
      choices: [
        {
          text: 'At a knot a cubic keeps its curvature, but not how fast it changes. Degree 5 has no knot inside.',
          isRight: true,
          reason: 'C2 at a single knot: the third derivative jumps.',
        },
        { text: 'Its points are farther apart.', reason: 'There are six of each.' },
        {
          text: 'Its shape was another one before.',
          reason: 'Both lay on each other until the points moved.',
        },
      ],
    },
  ],
});

const predict: Sheet = newSheet({
  id: 'cost',
  title: 'What each way costs',
  prose: prose(
    paragraph(
      'Every control point has to be placed by somebody, and moved again when the shape changes. So count before you add.',
    ),
    paragraph(
      'This stick has two spans of degree 3. Its degree is about to go up by one, with the shape as it is.',
    ),
    callout('predict', 'A raised curve keeps its smoothness at the knots. What does that take?'),
  ),
  figure: {
    ...board,
    items: [given('stick', 'Stick', made(camber, knotAt(0.5)))],
    rail: { item: 'stick', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: 'Two spans of degree 3', commands: [] },
    {
      id: 'after',
      caption: 'Degree 4: the knot in the middle had to be repeated, and each span got a point',
      commands: [onStick(made(camber, knotAt(0.5)), raised(1))],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'count',
      stage: firstStageId,
      to: 'after',
      prompt: 'The degree goes from 3 to 4. How many will there be?',
      hints: [],
      questions: [
        { of: 'count', item: 'stick', count: 'points' },
        { of: 'count', item: 'stick', count: 'knots' },
        { of: 'count', item: 'stick', count: 'spans' },
      ],
    },
  ],
});

const smooth: Sheet = newSheet({
  id: 'smooth',
  title: 'Read the comb',
  prose: prose(
    paragraph(
      'A *curvature comb* stands up where a curve is bent, the more the higher. A hand feels a peak of it as a bump. This stick has ',
      live({ of: 'fact', item: 'stick', fact: 'combPeaks' }),
      ' peaks.',
    ),
    formula(
      '\\kappa=\\frac{x^{\\prime}y^{\\prime\\prime}-y^{\\prime}x^{\\prime\\prime}}{(x^{\\prime 2}+y^{\\prime 2})^{3/2}}',
    ),
    paragraph(
      'Someone pulled one point too far. Put it back, so that the comb rises once at most and falls once.',
    ),
  ),
  figure: {
    ...board,
    items: [
      given('stick', 'Stick', {
        degree: 5,
        knots: [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1],
        points: ofDegreeFive.points.map((point, k): Point => (k === 2 ? [284, 90] : point)),
      }),
    ],
    loose: { stick: { controlPoints: [1, 2, 3, 4], editPoints: [] } },
    shown: { ...board.shown, comb: true },
    rail: { item: 'stick', tracks: ['knots', 'basis', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Back into the row of its neighbours',
      commands: [{ name: 'moveControlPoint', item: 'stick', index: 2, to: [284, 32] }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'once',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Leave the comb at most one peak, and the stick no inflection.',
      hints: [
        {
          text: 'Which point stands out of the polygon?',
          lights: [{ of: 'controlPoint', item: 'stick', index: 2 }],
        },
        { text: 'The polygon has to turn the same way at each point. Bring P2 down between P1 and P3.' },
      ],
      conditions: [
        { kind: 'combPeaksAtMost', item: 'stick', atMost: 1 },
        { kind: 'inflectionsAtMost', item: 'stick', atMost: 0 },
      ],
    },
  ],
});

/** A camber that was traced from an old stick: of degree 4. */
const traced: Curve = {
  degree: 4,
  knots: [0, 0, 0, 0, 0, 1, 1, 1, 1, 1],
  points: [
    [20, 60],
    [180, 44],
    [360, -14],
    [540, 60],
    [680, 72],
  ],
};
/** An old bow stick, seen from the side: its lower edge is the camber. */
export const stickDrawing = drawing({
  id: '57c40000-0000-4000-8000-00000000ec03',
  name: 'Bow stick',
  left: 0,
  right: 700,
  bottom: -20,
  top: 110,
  lines: [
    {
      curves: [
        traced,
        straight([680, 72], [690, 78]),
        { ...traced, points: traced.points.map(([x, y], k) => [x!, y! + [11, 10, 9, 8, 8][k]!]).reverse() },
      ],
      isClosed: true,
    },
  ],
  scale: 3,
});

/** What the task begins with: the plain cubic. */
export const plainStick: Curve = {
  ...camber,
  points: [
    [20, 60],
    [240, 40],
    [460, 40],
    [680, 72],
  ],
};

/** A stick that came in with a higher degree than it needs. */
export const heavyStick: Curve = {
  ...ofDegreeFive,
  points: [
    [20, 60],
    [152, 42.3],
    [284, 30.9],
    [416, 31],
    [548, 43],
    [680, 72],
  ],
};
export const lowered = (times: number): Operation => ({ name: 'lowerDegree', source: 'stick', times });

const lower: Sheet = newSheet({
  id: 'lower',
  title: 'Down again, and what it costs',
  prose: prose(
    paragraph(
      'Raising the degree is exact, lowering it is not: fewer points can’t say as much. A file brought this stick with degree ',
      live({ of: 'fact', item: 'stick', fact: 'degree' }),
      '. How much of that does it need?',
    ),
    paragraph(
      'The nearest curve of a lower degree is found by least squares, with both ends held. The panel tells the *deviation* before anything is done.',
    ),
    callout('try', 'Lower it until a shaving would show, then go back a step.'),
  ),
  figure: {
    ...board,
    items: [given('stick', 'Stick', heavyStick)],
    readersMay: [{ kind: 'operation', operation: 'lowerDegree', item: 'stick' }],
    shown: { ...board.shown, comb: true },
    rail: { item: 'stick', tracks: ['knots', 'basis', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    { id: 'solved', caption: 'A cubic says it all', commands: [onStick(heavyStick, lowered(2))] },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'lower',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Lower the degree as far as the shape stays within 0.1 mm.',
      hints: [
        { text: 'One degree less costs a few hundredths of a millimetre.' },
        { text: 'Degree 2 is a parabola: it costs more than a millimetre.' },
      ],
      conditions: [
        { kind: 'degreeAtMost', item: 'stick', atMost: 3 },
        { kind: 'shapeUnchanged', item: 'stick', tolerance: 0.1 },
      ],
    },
  ],
});

/** Half the outline of the body, from the neck to the tail, in millimetres, as a hand placed it. */
const placed: Curve = {
  degree: 3,
  knots: clampedUniformKnots(10, 3),
  points: [
    [0, 20],
    [6, 96],
    [66, 122],
    [128, 100],
    [172, 58],
    [226, 64],
    [276, 118],
    [352, 140],
    [404, 92],
    [402, 0],
  ],
};
/** The outline of the body, both halves. */
export const bodyDrawing = drawing({
  id: 'b0d70000-0000-4000-8000-00000000ec04',
  name: 'Outline of the body',
  left: -20,
  right: 420,
  bottom: -150,
  top: 150,
  lines: [
    {
      curves: [placed, { ...placed, points: placed.points.map(([x, y]) => [x!, -y!]).reverse() }],
      isClosed: true,
    },
    { curves: [straight([-16, 0], [416, 0])] },
  ],
  scale: 4,
});
/** Places on a curve, so many steps of about equal length. */
function evenlyAlong(curve: Curve, steps: number): Point[] {
  const dense = Array.from({ length: 4001 }, (_, k) => pointAt(curve, k / 4000));
  const lengths = [0];
  for (const [k, [x, y]] of dense.slice(1).entries())
    lengths.push(lengths.at(-1)! + Math.hypot(x! - dense[k]![0]!, y! - dense[k]![1]!));
  return Array.from(
    { length: steps + 1 },
    (_, k) => dense[lengths.findIndex((length) => length >= (lengths.at(-1)! * k) / steps - 1e-9)]!,
  );
}
/** The same half drawn freehand: the hand shakes by half a millimetre. */
const shaky: readonly Point[] = evenlyAlong(placed, 120).map(([x, y], k) => {
  const shake = [
    0.4 * Math.sin(2.1 * k) + 0.28 * Math.sin(3.7 * k + 1),
    0.4 * Math.cos(2.9 * k) + 0.24 * Math.sin(4.3 * k),
  ];
  return [Math.round(10 * (x! + shake[0]!)) / 10, Math.round(10 * (y! + shake[1]!)) / 10];
});
/** The stroke, fitted to a tolerance. */
export const freehand = (tolerance: number, degree = 3) =>
  ({ kind: 'stroke', points: shaky, tolerance, degree }) as const;

const stroke: Sheet = newSheet({
  id: 'stroke',
  title: 'One stroke, too many points',
  prose: prose(
    paragraph(
      'Half of the body’s outline, drawn over in one stroke. A hand shakes, and a curve that follows every tremble takes ',
      live({ of: 'fact', item: 'stroke', fact: 'points' }),
      ' points. The ',
      pointing('ochre one', { of: 'item', item: 'placed' }),
      ' was placed by hand, with ',
      live({ of: 'fact', item: 'placed', fact: 'points' }),
      '.',
    ),
    paragraph(
      'A stroke is fitted to a *tolerance*: how far the curve may pass from it. Below the tremble of the hand it is all points, far above it the shape goes.',
    ),
    callout('try', 'Set the tolerance under *Numbers of Stroke*, and watch the points and the curvature.'),
  ),
  figure: {
    ...board,
    items: [
      bodyDrawing.item,
      { id: 'stroke', name: 'Stroke', kind: 'shape', color: 'teal', shape: freehand(0.3) },
      { ...given('placed', 'Placed by hand', placed, 'ochre'), locked: true, faint: true },
    ],
    readersMay: [{ kind: 'values', item: 'stroke' }],
    shown: { ...board.shown, labels: false, spans: false },
    looks: { compareWith: 'placed' },
    rail: { item: 'stroke', tracks: ['knots', 'curvature'] },
    view: { left: -20, right: 424, bottom: -60, top: 160, grid: 20 },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Fitted to one millimetre',
      commands: [{ name: 'setShape', item: 'stroke', shape: freehand(1) }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'fewer',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Bring the stroke down to 10 points at most, within 1.2 mm of the curve that was placed.',
      hints: [
        { text: 'The hand trembles by half a millimetre or so: begin above that.' },
        { text: 'Somewhere between 1 and 1.5 mm.' },
      ],
      conditions: [
        { kind: 'pointsAtMost', item: 'stroke', atMost: 10 },
        { kind: 'nearCurve', item: 'stroke', target: 'placed', tolerance: 1.2 },
      ],
      score: { of: 'fact', item: 'stroke', fact: 'points' },
    },
  ],
});

const prove: Sheet = newSheet({
  id: 'fit',
  title: 'Fit the traced camber',
  prose: prose(
    paragraph(
      'The ',
      pointing('faint line', { of: 'item', item: 'trace' }),
      ' was traced from an old stick. Follow it within 0.3 mm, the thickness of a shaving, with as few points as will do.',
    ),
    paragraph('Four do not do, try. Then choose: a degree more, or a span more?'),
  ),
  figure: {
    ...board,
    items: [
      stickDrawing.item,
      { ...given('trace', 'Traced', traced), faint: true },
      given('stick', 'Stick', plainStick),
    ],
    // All of them, so that those that come in are loose too.
    loose: { stick: { controlPoints: [0, 1, 2, 3], editPoints: [] } },
    readersMay: [
      { kind: 'operation', operation: 'raiseDegree', item: 'stick', most: 3 },
      { kind: 'operation', operation: 'insertKnot', item: 'stick', most: 9 },
      { kind: 'operation', operation: 'refit', item: 'stick', most: 2 },
    ],
    shown: { ...board.shown, comb: true, deviation: true },
    looks: { compareWith: 'trace' },
    rail: { item: 'stick', tracks: ['knots', 'curvature', 'deviation'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'One degree more, and three points in place',
      commands: [
        onStick(plainStick, raised(1)),
        ...[1, 2, 3].map((index): FigureCommand => ({
          name: 'moveControlPoint',
          item: 'stick',
          index,
          to: traced.points[index]!,
        })),
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'camber',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Follow the traced camber within 0.3 mm, with as few points as you can: eight at most.',
      hints: [
        { text: 'Raise the degree once: that gives the fifth point and no knot.' },
        { text: 'Then place P1, P2 and P3. The traced line was made with P2 near (360, −14).' },
      ],
      conditions: [
        { kind: 'nearCurve', item: 'stick', target: 'trace', tolerance: 0.3 },
        { kind: 'pointsAtMost', item: 'stick', atMost: 8 },
      ],
      score: { of: 'fact', item: 'stick', fact: 'points' },
    },
  ],
});

/** The lesson *Degree or spans* of the demo course. */
export const degreeOrSpans: LessonDocument = {
  version: lessonVersion,
  title: 'Degree or spans',
  sheets: [see, smooth, predict, lower, stroke, prove],
};
