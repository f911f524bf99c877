import { clampedUniformKnots, closeCurve, type Curve, type Point } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { operated } from './operated.js';
import { drawing, straight } from './pictures.js';
import { callout, formula, live, paragraph, pointing, prose } from './prose.js';

/** Half of the neck's section, from the middle of its back to the edge of the fingerboard, in millimetres. */
const traced: Curve = {
  degree: 4,
  knots: [0, 0, 0, 0, 0, 1, 1, 1, 1, 1],
  points: [
    [0, -26],
    [12, -26],
    [24, -22],
    [25, -10],
    [23.5, 0],
  ],
};
const otherHalf: Curve = { ...traced, points: traced.points.map(([x, y]) => [-x!, y!]).reverse() };
/** The neck cut across, with the fingerboard on it. */
export const neckDrawing = drawing({
  id: '5ec7102e-0000-4000-8000-00000000ec01',
  name: 'Neck, cut across',
  left: -34,
  right: 34,
  bottom: -30,
  top: 10,
  lines: [
    { curves: [otherHalf, traced], isClosed: true },
    { curves: [straight([-25, 0], [-25, 3], [0, 6], [25, 3], [25, 0])], isClosed: true },
    { curves: [straight([0, -29], [0, 8])] },
  ],
});

const axis: readonly [Point, Point] = [
  [0, 0],
  [0, 1],
];
const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: false, comb: false, labels: true },
  view: { left: -38, right: 38, bottom: -33, top: 10, grid: 5 },
};
const half = (points: readonly Point[], more: Partial<FigureItem> = {}): FigureItem =>
  ({
    id: 'half',
    name: 'Half',
    kind: 'curve',
    curve: { degree: 3, knots: clampedUniformKnots(points.length, 3), points },
    ...more,
  }) as FigureItem;

/** The mirror image that follows a half. */
const otherOf = (source: string): FigureItem => ({
  id: 'whole',
  name: 'Other half',
  kind: 'built',
  color: 'coral',
  operation: { name: 'mirror', source, axis },
});

const see: Sheet = newSheet({
  id: 'mirror',
  title: 'Half a section, twice',
  prose: prose(
    paragraph(
      'A neck is the same on both sides, so half of it is drawn, and the other half *follows*: each of its points is the mirror image of one of yours. Pull ',
      pointing('the second point', { of: 'controlPoint', item: 'half', index: 1 }),
      ' up and down, and watch the back of the neck.',
    ),
    formula("x'=-x,\\qquad y'=y"),
    callout(
      'see',
      'A mirror gives the same place on the axis, and nothing more. Whether a corner is there, your first leg decides.',
    ),
  ),
  figure: {
    ...board,
    items: [
      half([
        [0, -25],
        [10, -29],
        [26, -20],
        [23.5, 0],
      ]),
      otherOf('half'),
    ],
    loose: { half: { controlPoints: [1, 2], editPoints: [] } },
    rail: { item: 'half', tracks: ['knots', 'curvature'] },
    shown: { ...board.shown, comb: true },
  },
  tasks: [
    {
      kind: 'choice',
      id: 'leg',
      stage: firstStageId,
      prompt: 'How must the first leg run for the back to be smooth at the axis?',
      hints: [
        {
          text: 'The mirror turns the leg over. When do both together make one line?',
          lights: [
            { of: 'controlPoint', item: 'half', index: 0 },
            { of: 'controlPoint', item: 'half', index: 1 },
          ],
        },
      ],
      choices: [
        {
          text: 'At right angles to the axis.',
          isRight: true,
          reason: 'Only then leg and mirrored leg lie on one line. It is even C2 there.',
        },
        { text: 'Along the axis.', reason: 'Then both halves leave in the same direction: a spike.' },
        { text: 'Towards the other end of the half.', reason: 'Its image leans the other way: a corner.' },
        { text: 'Any way: a mirror image is always smooth.', reason: 'Pull the point down, and look.' },
      ],
    },
  ],
});

/** Places on an old neck, taken at uneven distances. */
const taken: readonly Point[] = [
  [-24, 0],
  [-23, -4],
  [0, -27],
  [3, -27],
  [23, -4],
  [24, 0],
];
const through = (parametrisation: 'uniform' | 'chord' | 'centripetal') =>
  ({
    name: 'curveThroughReferencePoints',
    points: taken.map((_, k) => `t${k + 1}`),
    degree: 3,
    parametrisation,
    closed: false,
  }) as const;

const uniform: Sheet = newSheet({
  id: 'uniform',
  title: 'Even time on uneven roads',
  prose: prose(
    paragraph(
      'Six places, taken at uneven distances, with a curve *through* them. It needs a parameter value for each. Here they follow the *chords*: a long way takes a long time.',
    ),
    formula('u_{j+1}-u_j\\;\\sim\\;|Q_{j+1}-Q_j|'),
    paragraph(
      'Now each step is to take equally long, however far it is: *uniform*. Two short steps, and much time for them.',
    ),
    callout('predict', 'Draw where the curve will go.'),
  ),
  figure: {
    ...board,
    items: [
      ...taken.map((at, k): FigureItem => ({ id: `t${k + 1}`, name: `Place ${k + 1}`, kind: 'point', at })),
      { id: 'section', name: 'Section', kind: 'built', operation: through('chord') },
    ],
    shown: { ...board.shown, controlPoints: false, polygon: false, ticks: true },
    rail: { item: 'section', tracks: ['knots', 'speed'] },
    view: { left: -42, right: 42, bottom: -40, top: 8, grid: 5 },
  },
  stages: [
    { id: firstStageId, caption: 'By chord length', commands: [] },
    {
      id: 'after',
      caption: 'Uniform: it swings out beyond the long steps, and bends hard at the short ones',
      notes: 'The ticks show equal times. Then show centripetal, which lies between the two.',
      commands: [{ name: 'setOperation', item: 'section', operation: through('uniform') }],
    },
    {
      id: 'centripetal',
      caption: 'Centripetal, by the roots of the chords: between the two',
      commands: [{ name: 'setOperation', item: 'section', operation: through('centripetal') }],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'overshoot',
      stage: firstStageId,
      to: 'after',
      prompt: 'Each step takes the same time. Where does the curve go?',
      hints: [],
      questions: [{ of: 'drawn', item: 'section', line: 'curve', within: 4, scale: 1 }],
    },
  ],
});

/** A section drawn round, whose ends nearly meet. */
const nearly: Curve = {
  degree: 3,
  knots: clampedUniformKnots(8, 3),
  points: [
    [-19, 1],
    [-28, -8],
    [-20, -26],
    [0, -29],
    [20, -26],
    [28, -8],
    [17, 3],
    [-17, 2],
  ],
};
const closing: Sheet = newSheet({
  id: 'closing',
  title: 'Nearly closed is open',
  prose: prose(
    paragraph(
      'These ends lie 2 mm apart. On a screen they look like one; a saw would fall out. It is ',
      live({ of: 'fact', item: 'section', fact: 'closedness' }),
      '. Step on to close it in three ways.',
    ),
    paragraph(
      '*Pull* both ends to the middle between them: a corner stays. *Bridge* the gap by one more piece: nothing else moves. *Wrap* the points round: the curve becomes *periodic*, has no ends, and lets go of its end points.',
    ),
    callout('see', 'A periodic curve is not clamped: it passes beside all of its points.'),
  ),
  figure: {
    ...board,
    items: [{ id: 'section', name: 'Section', kind: 'curve', curve: nearly }],
    shown: { ...board.shown, start: true },
    rail: { item: 'section', tracks: ['knots', 'basis'] },
    view: { left: -42, right: 42, bottom: -36, top: 12, grid: 5 },
  },
  stages: [
    { id: firstStageId, caption: 'Open, with 2 mm between its ends', commands: [] },
    {
      id: 'pull',
      caption: 'Pulled: the ends meet, in a corner',
      commands: [{ name: 'setCurve', item: 'section', curve: closeCurve(nearly, 'pull') }],
    },
    {
      id: 'bridge',
      caption: 'Bridged: one piece more, with the tangents of both ends',
      commands: [{ name: 'setCurve', item: 'section', curve: closeCurve(nearly, 'bridge', 1) }],
    },
    {
      id: 'wrap',
      caption: 'Wrapped: periodic, as smooth at the seam as anywhere',
      commands: [{ name: 'setCurve', item: 'section', curve: closeCurve(nearly, 'wrap') }],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'which',
      stage: 'wrap',
      prompt: 'A neck is to be cut from this outline, smooth all round. What does it take?',
      hints: [{ text: 'Step back to the pulled one, and look at the seam.' }],
      choices: [
        {
          text: 'The periodic curve.',
          isRight: true,
          reason: 'It is as smooth at the seam as at any knot, and stays so whatever point you move.',
        },
        {
          text: 'Ends that are snapped together.',
          reason: 'They meet, and can come apart again; and the joint has a corner.',
        },
        { text: 'More points near the seam.', reason: 'They bring the ends no nearer.' },
        { text: 'It is closed already.', reason: 'Ends 2 mm apart are two ends.' },
      ],
    },
  ],
});

/** The whole section, its right flank drawn with care and its left one in haste. */
export const lopsided: Curve = {
  degree: 3,
  knots: clampedUniformKnots(7, 3),
  points: [
    [-23.5, 0],
    [-29, -9],
    [-15, -22],
    [0, -27.5],
    [14, -26.5],
    [26, -14],
    [23.5, 0],
  ],
};
/** What the mirror makes of it. */
const mirrored = (keep: 'before' | 'after', smooth = true) =>
  ({ name: 'symmetric', source: 'section', axis, keep, smooth }) as const;
const sectionOf = (curve: Curve): FigureItem => ({ id: 'section', name: 'Section', kind: 'curve', curve });
export const mirrorSection = (...args: Parameters<typeof mirrored>) =>
  operated([sectionOf(lopsided)], 'section', mirrored(...args));

const keep: Sheet = newSheet({
  id: 'keep',
  title: 'Which half goes',
  prose: prose(
    paragraph(
      'The right flank of this section was drawn with care, the left one in haste. A *mirror* in the axis, $x=0$, makes both alike: one side stays, and every point of the other is *replaced*.',
    ),
    paragraph(
      'The panel under *Make symmetric* shows first what goes, crossed out in the figure. Take the wrong side and the good one is gone; *Undo* brings it back.',
    ),
    callout('try', 'Keep the side that was drawn with care: the one after the axis, as the arrow runs.'),
  ),
  figure: {
    ...board,
    items: [
      sectionOf(lopsided),
      {
        id: 'care',
        name: 'With care',
        kind: 'curve',
        hidden: true,
        locked: true,
        curve: mirrorSection('after').curve,
      },
    ],
    readersMay: [{ kind: 'operation', item: 'section', operation: 'symmetric' }],
    shown: { ...board.shown, start: true },
    rail: { item: 'section', tracks: ['knots', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'The right flank twice',
      commands: [mirrorSection('after')],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'keep',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make the section symmetric about its axis, and keep its right flank.',
      hints: [
        { text: 'The curve runs from left to right, so the right flank comes after the axis.' },
        { text: 'Has the right flank changed? Undo, and keep the other side.' },
      ],
      conditions: [
        { kind: 'symmetricAbout', item: 'section', from: axis[0], to: axis[1], tolerance: 0.05 },
        { kind: 'nearCurve', item: 'section', target: 'care', tolerance: 0.5 },
      ],
    },
  ],
});

const flatBack = half([
  [0, -26],
  [10, -26],
  [25, -22],
  [23.5, 0],
]);
/** A curve is raised in its place. */
export const raisedOn = (item: 'half' | 'whole') =>
  operated([flatBack, otherOf('half')], item, { name: 'raiseDegree', source: item, times: 1 });

const follows: Sheet = newSheet({
  id: 'follows',
  title: 'What follows, and what no longer does',
  prose: prose(
    paragraph(
      'The other half is *linked*: it is made anew whenever yours changes. Change the linked one itself, and it becomes a curve of its own: it no longer *follows*. The panel says so before you apply it.',
    ),
    paragraph(
      'Both halves are to have degree 4, so that there is a point more to shape the back with. Which of them will you raise?',
    ),
    callout('try', 'If it came apart, *Undo* links it again.'),
  ),
  figure: {
    ...board,
    items: [
      flatBack,
      otherOf('half'),
      // Where the other half has to be, as long as it follows.
      { ...otherOf('half'), id: 'image', name: 'Image', hidden: true, locked: true },
    ],
    loose: { half: { controlPoints: [1, 2, 3], editPoints: [] } },
    readersMay: [
      { kind: 'operation', item: 'half', operation: 'raiseDegree' },
      { kind: 'operation', item: 'whole', operation: 'raiseDegree' },
    ],
    rail: { item: 'half', tracks: ['knots', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Raised once, at the source; then the back made fuller on both sides',
      commands: [raisedOn('half'), { name: 'moveControlPoint', item: 'half', index: 2, to: [22, -28] }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'both',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Give both halves degree 4 by raising once, then pull P2 to (22, −28): both sides alike.',
      hints: [
        { text: 'The other half takes what yours has, its degree too.' },
        {
          text: 'Does the left side stay behind when you pull? Then its link is cut: undo, and raise your half.',
        },
      ],
      conditions: [
        { kind: 'degreeAtLeast', item: 'whole', atLeast: 4 },
        { kind: 'operationAtMost', item: 'whole', operation: 'raiseDegree', atMost: 1 },
        { kind: 'pointAtPlace', item: 'half', of: 'controlPoints', index: 2, place: [22, -28], tolerance: 1 },
        { kind: 'nearCurve', item: 'whole', target: 'image', tolerance: 0.05 },
      ],
    },
  ],
});

/** A section whose points were moved, and their parameters were not. */
export const stretched: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.08, 0.16, 0.3, 1, 1, 1, 1],
  points: [
    [-24, 0],
    [-25, -6],
    [-24, -20],
    [0, -31],
    [14, -28],
    [24, -16],
    [24, 0],
  ],
};
const even: Sheet = newSheet({
  id: 'even',
  title: 'The stretched parameter',
  prose: prose(
    paragraph(
      'The points of this section were moved, the knots never. The shape is good, but the *ticks*, one for each equal step of the parameter, are far apart on the left.',
    ),
    paragraph(
      'Whoever lofts by the parameter gets that too. It is to follow the *arc length*, ',
      live({ of: 'fact', item: 'section', fact: 'length' }, 1),
      ' in all.',
    ),
    formula("s(u)=\\int_0^u |C'(t)|\\,dt"),
    callout('try', 'Use *Even out*. More spans come nearer, and cost points.'),
  ),
  figure: {
    ...board,
    items: [{ id: 'section', name: 'Section', kind: 'curve', curve: stretched }],
    readersMay: [{ kind: 'operation', item: 'section', operation: 'evenOut' }],
    shown: { ...board.shown, ticks: true },
    rail: { item: 'section', tracks: ['knots', 'speed', 'length'] },
    view: { left: -42, right: 42, bottom: -36, top: 8, grid: 5 },
  },
  tasks: [
    {
      kind: 'shape',
      id: 'even',
      stage: firstStageId,
      prompt:
        'Even out the parameter to 3 %, and keep the shape within 0.25 mm: with no more than 16 points.',
      hints: [
        { text: 'The panel tells both before you apply it: how far the shape moves, how uneven it stays.' },
        { text: 'With one span each it comes out too coarse; try two or three.' },
      ],
      conditions: [
        { kind: 'parameterEven', item: 'section', share: 0.03 },
        { kind: 'shapeUnchanged', item: 'section', tolerance: 0.25 },
        { kind: 'pointsAtMost', item: 'section', atMost: 16 },
      ],
      score: { of: 'fact', item: 'section', fact: 'points' },
    },
  ],
});

const trace: Sheet = newSheet({
  id: 'trace',
  title: 'Draw it over',
  prose: prose(
    paragraph(
      'A neck of 1720, cut across and drawn at its true size. Lay your half over its right side, by its ',
      pointing(
        'two points between the ends',
        { of: 'controlPoint', item: 'half', index: 1 },
        { of: 'controlPoint', item: 'half', index: 2 },
      ),
      '. The other half follows.',
    ),
    paragraph('Four points will do. First the back: smooth at the axis. Then the flank, by the last leg.'),
    callout('prove', 'Close in with the wheel or two fingers; 0.3 mm is the width of the pencil line.'),
  ),
  figure: {
    ...board,
    items: [
      neckDrawing.item,
      half([
        [0, -26],
        [6, -20],
        [14, -12],
        [23.5, 0],
      ]),
      { id: 'traced', name: 'Drawing', kind: 'curve', hidden: true, locked: true, curve: traced },
      otherOf('half'),
    ],
    loose: { half: { controlPoints: [1, 2], editPoints: [] } },
    rail: { item: 'half', tracks: ['knots', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Four points',
      commands: [
        { name: 'moveControlPoint', item: 'half', index: 1, to: [14.5, -26] },
        { name: 'moveControlPoint', item: 'half', index: 2, to: [26.5, -19.5] },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'trace',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Fit the section within 0.3 mm, smooth at the axis.',
      hints: [
        {
          text: 'P1 as high as P0: then the back is smooth at the axis.',
          lights: [{ of: 'controlPoint', item: 'half', index: 1 }],
        },
        {
          text: 'P2 beyond the flank: the curve stays inside of its polygon. Near (26, −19).',
          lights: [{ of: 'controlPoint', item: 'half', index: 2 }],
        },
      ],
      conditions: [
        { kind: 'nearCurve', item: 'half', target: 'traced', tolerance: 0.3 },
        { kind: 'tangentAtEnd', item: 'half', end: 'start', direction: 0, within: 0.1 },
        { kind: 'pointsAtMost', item: 'half', atMost: 4 },
      ],
    },
  ],
});

/** The lesson *The section* of the demo course. */
export const section: LessonDocument = {
  version: lessonVersion,
  title: 'The section',
  sheets: [see, keep, follows, uniform, closing, even, trace],
};
