import { insertKnot, type Curve, type Point } from '@bogen/core/curve';
import { emptyFigure, type CurveItem, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { callout, control, formula, live, paragraph, pointing, prose } from './prose.js';
import { smoothOutline } from './knotsOnTheRail.js';

/** The outline with every knot inside three times: each of its four pieces has points of its own. */
const pieces = [0.25, 0.5, 0.75].reduce((curve, u) => insertKnot(curve, u, 2), smoothOutline);

const bezier = (...points: readonly Point[]): Curve => ({
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 1],
  points,
});

/** The upper bout, and the waist that goes on from it. */
export const bout = bezier([60, 96], [96, 150], [150, 156], [190, 126]);
const waist = {
  open: bezier([202, 140], [236, 122], [268, 40], [340, 66]),
  cornered: bezier([190, 126], [226, 106], [268, 40], [340, 66]),
};
/** The waist on the sheet on which it is to be matched. */
export const corneredWaist = waist.cornered;

type Order = 'G0' | 'G1' | 'G2' | 'G3';
/** The bridge over the gap, with an order and a strength for both ends. */
export const bridge = (continuity: Order, secondContinuity: Order, strength: number) =>
  ({
    name: 'bridge',
    source: 'bout',
    second: 'lower',
    end: 'end',
    continuity,
    strength,
    secondEnd: 'start',
    secondContinuity,
    secondStrength: strength,
  }) as const;

const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: true, comb: false, labels: true },
  rail: { item: 'bout', tracks: ['knots', 'curvature'] },
  view: { left: 36, right: 372, bottom: 24, top: 184, grid: 10 },
};

const outline = (curve: Curve): CurveItem => ({ id: 'bout', name: 'Outline', kind: 'curve', curve });
const upper: FigureItem = {
  id: 'bout',
  name: 'Bout',
  kind: 'curve',
  color: 'ink',
  locked: true,
  curve: bout,
};
const lower = (curve: Curve): FigureItem => ({ id: 'waist', name: 'Waist', kind: 'curve', curve });

const see: Sheet = newSheet({
  id: 'pieces',
  title: 'Four pieces in one curve',
  prose: prose(
    paragraph(
      'A spline is a chain of plain curves, one for each span. Step on: every knot inside is repeated until it stands *three* times. Nothing moves, and each piece gets its own four points.',
    ),
    paragraph(
      'These are *Bézier* pieces. Pull them apart: ',
      control({ of: 'apart', item: 'bout' }),
      '. Together they store ',
      live({ of: 'fact', item: 'bout', fact: 'storedNumbers' }),
      ' numbers.',
    ),
    callout('see', 'Look at the two neighbours of each point where pieces meet.'),
  ),
  figure: { ...board, items: [outline(smoothOutline)] },
  stages: [
    { id: firstStageId, caption: 'Seven points, four spans', commands: [] },
    {
      id: 'full',
      caption: 'Each knot three times: four pieces, thirteen points, the same shape',
      notes: 'Lay the polygon of before beside it: the new one is nearer to the curve at every place.',
      commands: [{ name: 'setCurve', item: 'bout', curve: pieces }],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'line',
      stage: 'full',
      prompt: 'P2, P3 and P4 lie on one line. What does that show?',
      hints: [
        {
          text: 'Each piece leaves its end along its first leg.',
          lights: [
            { of: 'controlPoint', item: 'bout', index: 2 },
            { of: 'controlPoint', item: 'bout', index: 3 },
            { of: 'controlPoint', item: 'bout', index: 4 },
          ],
        },
      ],
      choices: [
        {
          text: 'Both pieces have the same tangent at P3.',
          isRight: true,
          reason: 'The last leg of one and the first of the other point the same way.',
        },
        {
          text: 'The curve is straight about P3.',
          reason: 'Its tangent is that line, its curvature is not zero: see the track.',
        },
        {
          text: 'P3 has to be the middle of the other two.',
          reason:
            'Here it is, as both spans are equally long in the parameter. For the tangent any ratio does.',
        },
        { text: 'P2 and P4 are not needed.', reason: 'Without them both pieces have another shape.' },
      ],
    },
  ],
});

const halves: Sheet = newSheet({
  id: 'halves',
  title: 'A point by halves',
  prose: prose(
    paragraph(
      'One piece alone. Its point at $u$ is found with a ruler (*de Casteljau*): divide each leg in the ratio $u$, then the legs between, until one point is left. The cursor stands at ',
      live({ of: 'cursor', item: 'bout' }, 2),
      '.',
    ),
    formula('b_i^{\\,r}=(1-u)\\,b_i^{\\,r-1}+u\\,b_{i+1}^{\\,r-1}'),
    paragraph(
      'Who wants more: use another $u$ in each round, and you get the *blossom* $b[u_1,u_2,u_3]$. Control points are blossoms of knots: $b[0,0,1]$ is $P_1$.',
    ),
  ),
  figure: {
    ...board,
    items: [
      {
        id: 'bout',
        name: 'Piece',
        kind: 'curve',
        curve: bezier([60, 60], [100, 140], [180, 160], [260, 80]),
      },
    ],
    shown: { ...board.shown, construction: true },
    view: { left: 36, right: 290, bottom: 48, top: 168, grid: 10 },
  },
  tasks: [
    {
      kind: 'number',
      id: 'middle',
      stage: firstStageId,
      prompt:
        'The heights of the four points are 60, 140, 160 and 80. Halve three times: how high is the curve at 0.5?',
      hints: [
        { text: 'First round: 100, 150, 120. Go on with these.' },
        { text: 'Second round: 125 and 135. One more.' },
      ],
      measure: { of: 'curvePoint', item: 'bout', axis: 1 },
      cursor: 0.5,
      tolerance: 0.01,
    },
  ],
});

const deBoor: Sheet = newSheet({
  id: 'boor',
  title: 'By halves on a spline',
  prose: prose(
    paragraph(
      'A spline has more points than one piece needs. *De Boor’s* scheme takes those $p+1$ whose humps stand over $u$, and divides their legs again and again, now in ratios that the knots give:',
    ),
    formula(
      'd_i^{\\,r}=(1-\\alpha)\\,d_{i-1}^{\\,r-1}+\\alpha\\,d_i^{\\,r-1},\\quad\\alpha=\\frac{u-u_i}{u_{i+p+1-r}-u_i}',
    ),
    paragraph('The cursor stands at ', live({ of: 'cursor', item: 'bout' }, 2), '.'),
    callout('try', 'Pull the cursor along the rail, over a knot, and see which points take over.'),
  ),
  figure: {
    ...board,
    items: [outline(smoothOutline)],
    shown: { ...board.shown, construction: true },
    rail: { item: 'bout', tracks: ['knots', 'basis'] },
  },
  tasks: [
    {
      kind: 'choice',
      id: 'which',
      stage: firstStageId,
      prompt: 'Which control points have a part in the curve’s point at u = 0.3?',
      hints: [
        {
          text: 'Four humps stand over 0.3 on the rail. It lies in the second span.',
          lights: [{ of: 'span', item: 'bout', index: 1 }],
        },
      ],
      choices: [
        {
          text: 'P1, P2, P3 and P4.',
          isRight: true,
          reason: 'The second span, from 0.25 to 0.5: one point on from those of the first.',
        },
        { text: 'P0, P1, P2 and P3.', reason: 'Those act on the first span, which ends at 0.25.' },
        {
          text: 'P2 and P3, the nearest two.',
          reason: 'At degree 3 it takes four: all that have a hump there.',
        },
        {
          text: 'All seven.',
          reason: 'That is how one Bézier piece of degree 6 would do it. Here most humps are zero at 0.3.',
        },
      ],
    },
  ],
});

const opens: Sheet = newSheet({
  id: 'opens',
  title: 'A joint that opened',
  prose: prose(
    paragraph(
      'Here the pieces are curves of their own. Somebody moved the waist, and the joint opened. Two things to put right, one for each point:',
    ),
    paragraph(
      '*G0*, position: ',
      pointing('the first point of the waist', { of: 'controlPoint', item: 'waist', index: 0 }),
      ' onto the end of the bout. *G1*, tangent: its second point onto the line of the ',
      pointing('last leg of the bout', { of: 'controlPoint', item: 'bout', index: 2 }),
      '.',
    ),
    callout('try', 'With a point chosen, arrow keys move it by 1 mm, with Shift by 10.'),
  ),
  figure: {
    ...board,
    items: [upper, lower(waist.open)],
    loose: { waist: { controlPoints: [0, 1], editPoints: [] } },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Closed, and in one line',
      commands: [
        { name: 'moveControlPoint', item: 'waist', index: 0, to: [190, 126] },
        { name: 'moveControlPoint', item: 'waist', index: 1, to: [230, 96] },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'joint',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Close the joint, and make it G1: exactly, with both points on the grid of 1 mm.',
      hints: [
        {
          text: 'The bout ends at (190, 126). A pull with Ctrl held is drawn to it.',
          lights: [{ of: 'controlPoint', item: 'bout', index: 3 }],
        },
        {
          text: 'Its last leg goes 40 across and 30 down. Go on as steeply: 4 across for each 3 down.',
          lights: [{ of: 'controlPoint', item: 'bout', index: 2 }],
        },
      ],
      conditions: [
        { kind: 'continuityAtJoint', item: 'waist', other: 'bout', continuity: 'G0' },
        { kind: 'continuityAtJoint', item: 'waist', other: 'bout', continuity: 'G1' },
      ],
    },
  ],
});

const speed: Sheet = newSheet({
  id: 'speed',
  title: 'The same road at another speed',
  prose: prose(
    paragraph(
      'Two pieces in one spline, each with half of the parameter. Now the second is to get twice as much: from 0.5 to 1.5. Not one point moves.',
    ),
    paragraph(
      '*G* asks for the road alone, *C* for the speed as well: a leg divided by the parameter it takes.',
    ),
    formula("C'(u_j)=p\\,\\frac{P_j-P_{j-1}}{u_j-u_{j-1}}\\;\\Big|\\;p\\,\\frac{P_{j+1}-P_j}{u_{j+1}-u_j}"),
    callout('predict', 'What of its continuity does the joint keep?'),
  ),
  figure: {
    ...board,
    items: [
      outline({
        degree: 3,
        knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 1, 1, 1, 1],
        points: [...bout.points, [230, 96], [268, 40], [340, 66]],
      }),
    ],
    rail: { item: 'bout', tracks: ['knots', 'speed'] },
  },
  stages: [
    { id: firstStageId, caption: 'Both pieces take half of the parameter', commands: [] },
    {
      id: 'after',
      caption: 'The same shape; at the joint the speed drops to one half',
      notes: 'Turn the comb on: it is the same as before. Only the speed track has a step.',
      commands: [
        {
          name: 'setCurve',
          item: 'bout',
          curve: {
            degree: 3,
            knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 1.5, 1.5, 1.5, 1.5],
            points: [...bout.points, [230, 96], [268, 40], [340, 66]],
          },
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'keeps',
      stage: firstStageId,
      to: 'after',
      prompt: 'The second piece takes twice the parameter. What then?',
      hints: [],
      questions: [
        { of: 'joint', item: 'bout', parameter: 0.5, continuity: 'G1' },
        { of: 'joint', item: 'bout', parameter: 0.5, continuity: 'C1' },
        { of: 'count', item: 'bout', count: 'combPeaks' },
      ],
    },
  ],
});

const matched: Sheet = newSheet({
  id: 'match',
  title: 'G2, and let it be calculated',
  prose: prose(
    paragraph(
      '*Curvature* takes the third point too, at one height above the leg and no other. *Match* finds it, and moves no more than the order needs.',
    ),
    formula('\\kappa=\\frac{p-1}{p}\\,\\frac{h}{a^2}'),
    paragraph(
      'Here $a$ is the first leg, $h$ how far the third point lies from its line. At G1 the combs differ in height, at G2 they are one.',
    ),
  ),
  figure: {
    ...board,
    items: [upper, lower(waist.cornered)],
    readersMay: [{ kind: 'operation', item: 'waist', operation: 'match' }],
    shown: { ...board.shown, comb: true },
  },
  tasks: [
    {
      kind: 'shape',
      id: 'g2',
      stage: firstStageId,
      prompt: 'Bring the waist to G2 with the bout by one match. Its last point stays.',
      hints: [
        { text: 'Under Match choose the waist’s start, the bout’s end, and an order.' },
        { text: 'G1 turns the leg. Only G2 looks at the third point.' },
      ],
      conditions: [
        { kind: 'continuityAtJoint', item: 'waist', other: 'bout', continuity: 'G2' },
        { kind: 'operationAtMost', item: 'waist', operation: 'match', atMost: 1 },
        { kind: 'pointsUnmoved', item: 'waist', of: 'controlPoints', indices: [3], tolerance: 0.001 },
      ],
    },
  ],
});

const gap: Sheet = newSheet({
  id: 'gap',
  title: 'A piece that was missing',
  prose: prose(
    paragraph(
      'Between the bout and the lower bout a piece of the outline is lost. A *bridge* runs from one end to the other, with an order and a *strength* at each: how far it follows the tangent before it turns.',
    ),
    paragraph(
      'Too weak, and it turns sharply at its ends; too strong, and it swings out and turns in the middle. Now its length is ',
      live({ of: 'fact', item: 'bridge', fact: 'length' }, 1),
      '.',
    ),
    callout('prove', 'Set the numbers of the bridge, or pull its two handles.'),
  ),
  figure: {
    ...board,
    items: [
      upper,
      {
        id: 'lower',
        name: 'Lower bout',
        kind: 'curve',
        color: 'ink',
        locked: true,
        curve: bezier([268, 74], [296, 78], [328, 100], [348, 140]),
      },
      {
        id: 'bridge',
        name: 'Bridge',
        kind: 'built',
        color: 'coral',
        operation: bridge('G0', 'G0', 0.4),
      },
    ],
    readersMay: [
      { kind: 'values', item: 'bridge' },
      { kind: 'anchors', item: 'bridge' },
    ],
    shown: { ...board.shown, comb: true },
    rail: { item: 'bridge', tracks: ['knots', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'As smooth as its neighbours',
      commands: [
        {
          name: 'setOperation',
          item: 'bridge',
          operation: bridge('G2', 'G2', 1),
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'bridged',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Bridge the gap with G2 at both ends, and nowhere tighter than a radius of 33 mm.',
      hints: [
        { text: 'Set both orders to G2 first. Each end is judged by itself.' },
        {
          text: 'A radius of 33 mm is a curvature of 0.03. Too weak, and it turns at once; too strong, and late. About 1 suits it.',
        },
      ],
      conditions: [
        { kind: 'continuityAtJoint', item: 'bridge', other: 'bout', continuity: 'G2' },
        { kind: 'continuityAtJoint', item: 'bridge', other: 'lower', continuity: 'G2' },
        { kind: 'curvatureAtMost', item: 'bridge', limit: 0.03 },
      ],
    },
  ],
});

/** The lesson *Taking the outline apart* of the demo course. */
export const takenApart: LessonDocument = {
  version: lessonVersion,
  title: 'Taking the outline apart',
  sheets: [see, halves, deBoor, opens, speed, matched, gap],
};
