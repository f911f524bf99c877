import { insertKnot, removeKnot, type Curve, type Point } from '@bogen/core/curve';
import { emptyFigure, type CurveItem, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { callout, formula, live, paragraph, pointing, prose } from './prose.js';

/** Half the outline about the place where the upper bout meets the waist, in millimetres. */
const places: readonly Point[] = [
  [60, 96],
  [104, 150],
  [160, 142],
  [196, 86],
  [240, 50],
  [300, 62],
  [348, 112],
];
const smooth: Curve = { degree: 3, knots: [0, 0, 0, 0, 0.25, 0.5, 0.75, 1, 1, 1, 1], points: places };

/** A knot of full multiplicity at the middle: there the outline passes a control point, and may have a corner. */
export const cornered: Curve = insertKnot(smooth, 0.5, 2);

const outline = (curve: Curve): CurveItem => ({ id: 'bout', name: 'Outline', kind: 'curve', curve });

const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: true, comb: false, labels: true },
  rail: { item: 'bout', tracks: ['knots', 'basis'] },
  view: { left: 36, right: 372, bottom: 24, top: 168, grid: 10 },
};

/** A knot comes in, as often as is said. */
export const inserted = (curve: Curve, parameter: number, times: number): FigureCommand => ({
  name: 'operate',
  item: 'bout',
  operation: { name: 'insertKnot', source: 'bout', parameter, times },
  curve: insertKnot(curve, parameter, times),
});

/** The outline that sheets begin with on which knots are inserted. */
export { smooth as smoothOutline };

const see: Sheet = newSheet({
  id: 'lists',
  title: 'Two ways to write one list',
  prose: prose(
    paragraph(
      'The *knot vector* says at which parameter one span gives way to the next. It never falls; equal values are one knot of higher *multiplicity*. This outline’s list:',
    ),
    paragraph(live({ of: 'fact', item: 'bout', fact: 'knotVector' }, 2)),
    paragraph(
      'Elsewhere you find it without the first and the last value. Both mean the same curve: those two multiply nothing.',
    ),
    formula('\\#\\text{knots}=n+p+1\\quad\\text{or}\\quad n+p-1'),
    callout('see', 'Bars stacked on the rail are repeats. Which list is meant, its length tells.'),
  ),
  figure: { ...board, items: [outline(smooth)] },
  tasks: [
    {
      kind: 'choice',
      id: 'short',
      stage: firstStageId,
      prompt: 'Someone sends 12 values for a clamped cubic of 10 points. Which list is it?',
      hints: [{ text: 'Points and degree together are 13. One more, or one less?' }],
      choices: [
        { text: 'The full list.', reason: 'That has 10 + 3 + 1 = 14 values.' },
        {
          text: 'The list without first and last value.',
          isRight: true,
          reason: '10 + 3 − 1 = 12. Repeat its first and its last value to get the full one.',
        },
        { text: 'Neither: two knots are missing.', reason: 'Nothing is missing that the curve depends on.' },
      ],
    },
  ],
});

const insert: Sheet = newSheet({
  id: 'insert',
  title: 'One knot more, nothing moved',
  prose: prose(
    paragraph(
      'A knot can come in anywhere without changing the curve. Some control points give way to one more of them: the polygon moves closer.',
    ),
    formula('Q_i=(1-\\alpha_i)\\,P_{i-1}+\\alpha_i\\,P_i,\\quad \\alpha_i=\\frac{\\bar u-u_i}{u_{i+p}-u_i}'),
    paragraph(
      'It has ',
      live({ of: 'fact', item: 'bout', fact: 'spans' }),
      ' spans and ',
      live({ of: 'fact', item: 'bout', fact: 'points' }),
      ' points now.',
    ),
    callout(
      'try',
      'Press a free place of the knot line, or use *Insert knot*. Then drag a point: it reaches less far than before.',
    ),
  ),
  figure: {
    ...board,
    items: [outline(smooth)],
    // All of them, so that those that come in are loose too.
    loose: { bout: { controlPoints: [0, 1, 2, 3, 4, 5, 6], editPoints: [] } },
    readersMay: [{ kind: 'operation', operation: 'insertKnot', item: 'bout', most: 4 }],
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'A knot in the second span and one in the third',
      commands: [inserted(smooth, 0.4, 1), inserted(insertKnot(smooth, 0.4), 0.6, 1)],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'more',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Get six spans out of four, and leave the outline where it is.',
      hints: [
        { text: 'Each new value gives one span more. Two are wanted.' },
        { text: 'Have you moved a point? Undo it.' },
      ],
      conditions: [
        { kind: 'spansAtLeast', item: 'bout', atLeast: 6 },
        { kind: 'spansAtMost', item: 'bout', atMost: 6 },
        { kind: 'shapeUnchanged', item: 'bout', tolerance: 0.001 },
      ],
    },
  ],
});

const removed = removeKnot(smooth, 0.5).curve;

const remove: Sheet = newSheet({
  id: 'remove',
  title: 'One knot less',
  prose: prose(
    paragraph(
      'The way back is not free. The knot at $0.5$ is about to be taken out, and it was never put in.',
    ),
    paragraph(
      'Where a knot came in by insertion, taking it out undoes that. Any other takes something along, and the spans around it have to give.',
    ),
    callout('predict', 'How many points stay, and which spans move?'),
  ),
  figure: {
    ...board,
    items: [{ ...outline(smooth), id: 'before', name: 'Before', faint: true }, outline(smooth)],
  },
  stages: [
    { id: firstStageId, caption: 'Four spans', commands: [] },
    {
      id: 'after',
      caption: 'Three spans: the outline came off the faint one all along',
      commands: [
        {
          name: 'operate',
          item: 'bout',
          operation: { name: 'removeKnot', source: 'bout', parameter: 0.5, times: 1 },
          curve: removed,
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'less',
      stage: firstStageId,
      to: 'after',
      prompt: 'The knot at 0.5 goes. What will be?',
      hints: [],
      questions: [
        { of: 'count', item: 'bout', count: 'points' },
        { of: 'spans', item: 'bout', within: 0.01 },
      ],
    },
  ],
});

const corner: Sheet = newSheet({
  id: 'corner',
  title: 'A place for a corner',
  prose: prose(
    paragraph(
      'The bouts of a viol meet in a corner. A cubic whose knots stand once is too smooth for one: each repeat takes one derivative of its smoothness away.',
    ),
    formula('\\text{at a knot of multiplicity } m:\\quad C^{\\,p-m}'),
    paragraph(
      'With $m=p$ it is only $C^0$: the curve passes the control point there, and may turn. It may, it need not: until you move something the shape is as smooth as before.',
    ),
  ),
  figure: {
    ...board,
    items: [outline(smooth)],
    // All of them, so that those that come in are loose too.
    loose: { bout: { controlPoints: [0, 1, 2, 3, 4, 5, 6], editPoints: [] } },
    readersMay: [{ kind: 'operation', operation: 'insertKnot', item: 'bout', most: 3 }],
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'Two repeats, and a point beside the corner moved',
      commands: [
        inserted(smooth, 0.5, 2),
        { name: 'moveControlPoint', item: 'bout', index: 5, to: [226, 40] },
      ],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'turn',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make a corner at parameter 0.5, and nowhere else.',
      hints: [
        { text: 'The knot at 0.5 stands once. How often does it have to stand for a cubic?' },
        { text: 'Insert 0.5 two more times. Then move the control point next to the one on the curve.' },
      ],
      conditions: [
        { kind: 'multiplicityAtLeast', item: 'bout', parameter: 0.5, atLeast: 3 },
        {
          kind: 'none',
          conditions: [{ kind: 'continuityAtKnot', item: 'bout', parameter: 0.5, continuity: 'G1' }],
        },
        { kind: 'multiplicityAtMost', item: 'bout', parameter: 0.25, atMost: 1 },
        { kind: 'multiplicityAtMost', item: 'bout', parameter: 0.75, atMost: 1 },
      ],
    },
  ],
});

const unclamped: Sheet = newSheet({
  id: 'unclamped',
  title: 'Ends that let go',
  prose: prose(
    paragraph(
      'This list is *clamped*: its first value stands four times, and so does its last. That is why the outline begins at its first point and ends at its last.',
    ),
    paragraph(
      'Now all knots are spread out evenly, none repeated: *unclamped*. The points stay. The curve is defined only where four humps of the basis add up to one.',
    ),
    formula('u\\in[u_p,\\,u_n]'),
    callout('predict', 'Draw where the curve will run, from its beginning to its end.'),
  ),
  figure: { ...board, items: [outline(smooth)] },
  stages: [
    { id: firstStageId, caption: 'Clamped: it holds on to both ends', commands: [] },
    {
      id: 'after',
      caption: 'Unclamped: it begins and ends beside its points',
      notes:
        'Count humps on the rail: before the first of the four values that count there are fewer than four.',
      commands: [
        {
          name: 'setCurve',
          item: 'bout',
          curve: { ...smooth, knots: places.concat(places.slice(0, 4)).map((_, k) => k) },
        },
      ],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'run',
      stage: firstStageId,
      to: 'after',
      prompt: 'No end knot is repeated any more. Where does the curve begin and end?',
      hints: [],
      questions: [{ of: 'drawn', item: 'bout', line: 'curve', within: 15, scale: 1 }],
    },
  ],
});

/** The corner as the last sheet begins with it: turned, and its legs of different length. */
const turned: Curve = {
  ...cornered,
  points: [
    [60, 96],
    [104, 150],
    [150, 144],
    [170, 110],
    [190, 80],
    [230, 80],
    [262, 40],
    [308, 62],
    [348, 112],
  ],
};

const exactly: Sheet = newSheet({
  id: 'exactly',
  title: 'G1, and no more',
  prose: prose(
    paragraph(
      'A knife that follows the outline must not turn on the spot, but may change its speed. So the two legs at the ',
      pointing('joint', { of: 'controlPoint', item: 'bout', index: 4 }),
      ' have to lie on one line, and need not be equally long: *G1* without *C1*.',
    ),
    formula('P_5-P_4=\\lambda\\,(P_4-P_3),\\quad \\lambda>0,\\ \\lambda\\ne 1'),
    paragraph(
      'Nudge a point with the arrow keys to be exact: they go by whole millimetres, with Shift by ten.',
    ),
  ),
  figure: {
    ...board,
    items: [outline(turned)],
    loose: { bout: { controlPoints: [3, 5], editPoints: [] } },
    shown: { ...board.shown, comb: true },
    rail: { item: 'bout', tracks: ['knots', 'basis', 'curvature'] },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'One direction, two lengths',
      commands: [{ name: 'moveControlPoint', item: 'bout', index: 5, to: [230, 20] }],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'joint',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make the joint at 0.5 exactly G1, and not C1. P4 stays.',
      hints: [
        {
          text: 'From P3 to P4 it goes 20 across and 30 down. Go on in that direction, farther or less far.',
          lights: [
            { of: 'controlPoint', item: 'bout', index: 3 },
            { of: 'controlPoint', item: 'bout', index: 5 },
          ],
        },
        { text: 'P5 at (230, 20) is twice as far; at (210, 50) it would be C1.' },
      ],
      conditions: [
        { kind: 'continuityAtKnot', item: 'bout', parameter: 0.5, continuity: 'G1' },
        {
          kind: 'none',
          conditions: [{ kind: 'continuityAtKnot', item: 'bout', parameter: 0.5, continuity: 'C1' }],
        },
      ],
    },
  ],
});

/** The lesson *Knots on the rail* of the demo course. */
export const knotsOnTheRail: LessonDocument = {
  version: lessonVersion,
  title: 'Knots on the rail',
  sheets: [see, unclamped, insert, remove, corner, exactly],
};
