import { clampedUniformKnots, type Point } from '@bogen/core/curve';
import { emptyFigure, type CurveItem, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { callout, control, formula, live, paragraph, pointing, prose } from './prose.js';

/** Where the six pegs stand in the bending board, in millimetres. */
const places: readonly Point[] = [
  [40, 50],
  [96, 118],
  [170, 132],
  [240, 70],
  [312, 46],
  [380, 96],
];
const pegIds = places.map((_, k) => `peg${k + 1}`);
const pegs: readonly FigureItem[] = places.map((at, k) => ({
  id: pegIds[k]!,
  name: `Peg ${k + 1}`,
  kind: 'point',
  at,
}));
/** Readers may stick the pegs elsewhere. */
const pegsMayMove = pegIds.map((item) => ({ kind: 'anchors' as const, item }));

const view = { left: 10, right: 410, bottom: 8, top: 176, grid: 10 };
const plain = {
  controlPoints: false,
  polygon: false,
  editPoints: false,
  knots: false,
  comb: false,
  labels: true,
};
const board: FigureDocument = { ...emptyFigure(), items: pegs, shown: plain, view };

const pulled = (degree: number): FigureItem => ({
  id: 'pulled',
  name: 'Pulled lath',
  kind: 'built',
  color: 'teal',
  operation: { name: 'curveOnReferencePoints', points: pegIds, degree, closed: false },
});
const laid = (degree: number): FigureItem => ({
  id: 'laid',
  name: 'Laid lath',
  kind: 'built',
  color: 'ochre',
  operation: {
    name: 'curveThroughReferencePoints',
    points: pegIds,
    degree,
    parametrisation: 'chord',
    closed: false,
  },
});
const lath = (degree: number, points: readonly Point[] = places): CurveItem => ({
  id: 'lath',
  name: 'Lath',
  kind: 'curve',
  curve: { degree, knots: clampedUniformKnots(points.length, degree), points },
});
const hidden = (item: FigureItem): FigureItem => ({ ...item, hidden: true });
const show = (item: string) => ({ name: 'patchItem' as const, item, set: {}, clear: ['hidden' as const] });
const all = [0, 1, 2, 3, 4, 5];

/** A lath on the first four pegs: too few where its degree is five. */
export const short = (degree: number) =>
  ({ name: 'curveOnReferencePoints', points: pegIds.slice(0, 4), degree, closed: false }) as const;
const few: Sheet = newSheet({
  id: 'few',
  title: 'Too few for the degree',
  prose: prose(
    paragraph(
      'Somebody set degree 5, placed four pegs, and waits for a lath. None comes: a span of degree $p$ is pulled by $p+1$ pegs, and with fewer there is no span at all.',
    ),
    formula('n\\ge p+1'),
    paragraph(
      'The figure says how many it takes and how many there are. There are no more pegs here; what else can you do?',
    ),
    callout('try', 'Set the degree under *Numbers of Lath*.'),
  ),
  figure: {
    ...board,
    items: [
      ...pegs.slice(0, 4),
      { id: 'lath', name: 'Lath', kind: 'built', color: 'teal', operation: short(5) },
    ],
    readersMay: [{ kind: 'values', item: 'lath' }],
    shown: { ...plain, polygon: true, knots: true },
    rail: { item: 'lath', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Degree 3: four pegs carry one span',
      commands: [{ name: 'setOperation', item: 'lath', operation: short(3) }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'appear',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make the lath appear, with the highest degree that four pegs carry.',
      hints: [
        { text: 'Degree 5 takes six pegs. How many does degree 4 take?' },
        { text: 'Four pegs, so p + 1 is at most four.' },
      ],
      conditions: [{ kind: 'degreeAtLeast', item: 'lath', atLeast: 3 }],
    },
  ],
});

const see: Sheet = newSheet({
  id: 'pegs',
  title: 'Six pegs, two laths',
  prose: prose(
    paragraph(
      'Six pegs stand in a bending board. Two laths take them in two ways. Step through the stages below the figure.',
    ),
    paragraph(
      'For the ',
      pointing('teal lath', { of: 'item', item: 'pulled' }),
      ' the pegs are *control points*: each pulls, and only the first and the last are touched. The ',
      pointing('ochre lath', { of: 'item', item: 'laid' }),
      ' is laid along them: for it they are *points to pass through*.',
    ),
    formula(
      '\\underbrace{C(u)=\\sum_i N_{i,3}(u)\\,P_i}_{\\text{pulled by } P_i}\\qquad\\underbrace{C(t_k)=Q_k}_{\\text{laid through } Q_k}',
    ),
    callout(
      'try',
      'On the last stage drag a peg. At equal parameter the laths are up to ',
      live({ of: 'deviation', item: 'pulled', from: 'laid' }, 1),
      ' apart; let them nearly agree.',
    ),
  ),
  figure: {
    ...board,
    items: [...pegs, pulled(3), hidden(laid(3))],
    readersMay: pegsMayMove,
    // The colours tell the laths apart here, and not the spans.
    shown: { ...plain, spans: false },
    rail: { item: 'pulled', tracks: ['knots', 'basis'] },
  },
  stages: [
    {
      id: firstStageId,
      caption: 'Six pegs pull at a lath',
      notes: 'Which pegs does it touch? Ask before anybody drags one.',
      commands: [],
    },
    {
      id: 'polygon',
      caption: 'The string from peg to peg: its control polygon',
      commands: [{ name: 'setShown', shown: { polygon: true } }],
    },
    {
      id: 'both',
      caption: 'Another lath is laid through them',
      notes: 'Same six places, two curves. Drag peg 4 and let the class say which lath moves more.',
      commands: [show('laid')],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'which',
      stage: 'both',
      prompt: 'What is true of the pulled lath, wherever the pegs stand?',
      hints: [
        {
          text: 'Drag peg 2 and peg 3 far out, and look at the string.',
          lights: [{ of: 'item', item: 'pulled' }],
        },
      ],
      choices: [
        { text: 'It begins at peg 1 and ends at peg 6.', isRight: true },
        {
          text: 'It passes through peg 3.',
          reason: 'It only leans towards it. The ochre lath passes through.',
        },
        { text: 'It leaves peg 1 in the direction of peg 2.', isRight: true },
        {
          text: 'It can swing out beyond all the pegs.',
          reason: 'The laid lath can. A pulled one stays within a string around all pegs.',
        },
      ],
    },
  ],
});

const tryIt: Sheet = newSheet({
  id: 'degree',
  title: 'Straight, bent, smoothly bent',
  prose: prose(
    paragraph(
      'Degree 1 is the string itself. With each degree more, the lath turns more calmly and keeps farther off. Set the degree: ',
      control({ of: 'degree', item: 'lath', least: 1, most: 5 }),
    ),
    paragraph(
      'Its *order*, one more than the degree, is ',
      live({ of: 'fact', item: 'lath', fact: 'order' }),
      ': so many pegs pull at any place. It has ',
      live({ of: 'fact', item: 'lath', fact: 'spans' }),
      ' *spans*, each one polynomial, in a colour of its own.',
    ),
    formula('\\text{spans} = \\text{points} - \\text{degree}'),
    callout(
      'see',
      'Degree $p$ needs at least $p+1$ pegs. With six, degree 5 is the highest: one span, pulled by all.',
    ),
  ),
  figure: {
    ...board,
    items: [...pegs, lath(1)],
    loose: { lath: { controlPoints: [1, 2, 3, 4], editPoints: [] } },
    readersMay: [{ kind: 'degree', item: 'lath', least: 1, most: 5 }],
    shown: { ...plain, controlPoints: true, polygon: true, knots: true },
    rail: { item: 'lath', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Degree 4, and the third point beyond the peg',
      commands: [
        { name: 'setDegree', item: 'lath', degree: 4 },
        { name: 'moveControlPoint', item: 'lath', index: 2, to: [178, 174] },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'two',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Give the lath two spans, and let it pass within 6 mm of peg 3.',
      hints: [
        { text: 'Six points, two spans: which degree does that leave?' },
        {
          text: 'At that degree peg 3 is some way off. Drag the point that pulls there beyond the peg.',
          lights: [{ of: 'controlPoint', item: 'lath', index: 2 }],
        },
      ],
      conditions: [
        { kind: 'spansAtMost', item: 'lath', atMost: 2 },
        { kind: 'spansAtLeast', item: 'lath', atLeast: 2 },
        { kind: 'curveThroughPoint', item: 'lath', target: 'peg3', tolerance: 6 },
      ],
    },
  ],
});

const predict: Sheet = newSheet({
  id: 'pull',
  title: 'Pull one peg',
  prose: prose(
    paragraph('Both laths have degree 2 and four spans. Peg 2 is about to go 34 mm higher.'),
    formula('N_{i,p}(u)=0 \\quad\\text{outside}\\quad [\\,u_i,\\;u_{i+p+1})'),
    callout('predict', 'Which spans will move? The humps below tell it of one lath.'),
  ),
  figure: {
    ...board,
    items: [...pegs, laid(2), pulled(2)],
    shown: { ...plain, knots: true },
    rail: { item: 'pulled', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: 'Before', commands: [] },
    {
      id: 'after',
      notes: 'Support: the spans on which a control point has a say, at most one more than the degree.',
      caption:
        'The pulled lath moved within the support of its point; the laid one had five pegs to keep, and gave a little everywhere',
      commands: [{ name: 'moveReferencePoint', item: 'peg2', to: [96, 152] }],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'spans',
      stage: firstStageId,
      to: 'after',
      prompt: 'Peg 2 goes up by 34 mm. Mark the spans that will move.',
      hints: [],
      questions: [
        { of: 'spans', item: 'pulled', within: 0.001 },
        { of: 'spans', item: 'laid', within: 0.001 },
      ],
    },
  ],
});

const inside: Sheet = newSheet({
  id: 'inside',
  title: 'Never outside the string',
  prose: prose(
    paragraph(
      'At each place the lath is an average of pegs. The *basis functions* say how much each counts: none is negative, and together they are 1, the *partition of unity*.',
    ),
    formula('\\sum_i N_{i,p}(u)=1,\\qquad N_{i,p}(u)\\ge 0'),
    paragraph(
      'So each span stays within the string around its own $p+1$ pegs, its *convex hull*: the shaded patches.',
    ),
    callout('try', 'What becomes of a span whose pegs stand on one line?'),
  ),
  figure: {
    ...board,
    items: [
      ...pegs,
      pulled(3),
      {
        id: 'middle',
        name: 'Middle span',
        kind: 'built',
        hidden: true,
        operation: { name: 'piece', source: 'pulled', index: 1 },
      },
    ],
    readersMay: pegIds.slice(1, 5).map((item) => ({ kind: 'anchors' as const, item })),
    shown: { ...plain, polygon: true, knots: true, comb: true, hulls: true },
    looks: { basisSum: true },
    rail: { item: 'pulled', tracks: ['knots', 'basis', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Four pegs on one line',
      commands: [
        { name: 'moveReferencePoint', item: 'peg2', to: [110, 110] },
        { name: 'moveReferencePoint', item: 'peg3', to: [170, 90] },
        { name: 'moveReferencePoint', item: 'peg4', to: [230, 70] },
        { name: 'moveReferencePoint', item: 'peg5', to: [290, 50] },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'straight',
      stage: firstStageId,
      solution: 'solved',
      prompt:
        'Make the middle span straight: bent nowhere more than a circle of half a metre. Leave the lath bent on both sides.',
      hints: [
        {
          text: 'Which four pegs pull at the middle span? Its patch shows them.',
          lights: [{ of: 'span', item: 'pulled', index: 1 }],
        },
        { text: 'Put pegs 2, 3, 4 and 5 on one line of the grid, in this order.' },
      ],
      conditions: [
        { kind: 'curvatureAtMost', item: 'middle', limit: 0.002 },
        { kind: 'curvatureAtLeast', item: 'pulled', limit: 0.003 },
      ],
    },
  ],
});

const ends: Sheet = newSheet({
  id: 'ends',
  title: 'What holds the ends',
  prose: prose(
    paragraph(
      'Why does the lath begin at its first peg? Because the *knots*, the values where one span gives way to the next, stand four times at each end: once more than the degree. Such an end is *clamped*.',
    ),
    paragraph('Step on: the first knots move apart, and the lath lets go.'),
    formula('\\underbrace{0,0,0,0}_{p+1},\\;\\tfrac13,\\;\\tfrac23,\\;\\underbrace{1,1,1,1}_{p+1}'),
    callout('see', 'Some write the list without its first and last value: those two do not touch the curve.'),
  ),
  figure: {
    ...board,
    items: [...pegs, lath(3)],
    loose: { lath: { controlPoints: all, editPoints: [] } },
    shown: { ...plain, controlPoints: true, polygon: true, knots: true },
    rail: { item: 'lath', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: 'Clamped at both ends', commands: [] },
    {
      id: 'start',
      caption: 'The start lets go',
      commands: [{ name: 'setEndMultiplicity', item: 'lath', end: 'start', multiplicity: 1 }],
    },
    {
      id: 'both',
      caption: 'Both ends let go',
      commands: [{ name: 'setEndMultiplicity', item: 'lath', end: 'end', multiplicity: 1 }],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'count',
      stage: firstStageId,
      prompt: 'How many knots has the clamped lath in all, written in full?',
      hints: [{ text: 'Count the list above, or the marks on the knot line with their repeats.' }],
      choices: [
        { text: '6', reason: 'So many points it has. Each point needs knots for its hump: there are more.' },
        { text: '8', reason: 'That is the shorter list, without the first and the last value.' },
        { text: '10', isRight: true, reason: 'Points + degree + 1, or points + order.' },
        { text: '4', reason: 'So many different values there are. Repeats count.' },
      ],
    },
  ],
});

const prove: Sheet = newSheet({
  id: 'through',
  title: 'Through all six',
  prose: prose(
    paragraph(
      'At the next bench this lath was laid through the pegs. You have *control points* only, and get it there all the same. Each pulls hardest where its hump is highest, and its neighbours pull along: go round more than once.',
    ),
    formula('\\sum_i N_{i,3}(t_k)\\,P_i=Q_k'),
  ),
  figure: {
    ...board,
    items: [...pegs, lath(3)],
    loose: { lath: { controlPoints: [1, 2, 3, 4], editPoints: [] } },
    shown: { ...plain, controlPoints: true, polygon: true, knots: true },
    rail: { item: 'lath', tracks: ['knots', 'basis'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Each point where the system of equations puts it',
      commands: [
        [70.1, 116.4],
        [181.5, 166.1],
        [230, 49.6],
        [333.6, 29.1],
      ].map((to, k) => ({ name: 'moveControlPoint', item: 'lath', index: k + 1, to })),
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'all',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Lead the lath past all pegs within 1 mm, with one inflection.',
      hints: [
        {
          text: 'Begin with peg 3: pull the third point up beyond the peg until the lath reaches it.',
          lights: [{ of: 'controlPoint', item: 'lath', index: 2 }],
        },
        {
          text: 'Each point you move disturbs its neighbours’ pegs a little. Go round from left to right, three times.',
        },
        { text: 'A good beginning: P1 near (70, 116) and P2 near (181, 166).' },
      ],
      conditions: [
        ...[2, 3, 4, 5].map((k) => ({
          kind: 'curveThroughPoint' as const,
          item: 'lath',
          target: `peg${k}`,
          tolerance: 1,
        })),
        { kind: 'inflectionsAtMost', item: 'lath', atMost: 1 },
      ],
    },
  ],
});

/** The lesson *Two curves, six pegs* of the demo course. */
export const twoCurves: LessonDocument = {
  version: lessonVersion,
  title: 'Two curves, six pegs',
  sheets: [see, tryIt, few, predict, inside, ends, prove],
};
