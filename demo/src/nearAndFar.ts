import { clampedUniformKnots, type Point } from '@bogen/core/curve';
import { emptyFigure, type CurveItem, type FigureDocument } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { formula, paragraph, pointing, prose } from './prose.js';

/** Half the outline of a small viol about its waist, in millimetres along and across the body. */
const waist: readonly Point[] = [
  [60, 86],
  [86, 101],
  [112, 92],
  [128, 62],
  [158, 50],
  [190, 52],
  [218, 68],
  [240, 106],
  [272, 122],
  [302, 112],
];

const view = { left: 42, right: 320, bottom: 22, top: 152, grid: 10 };

function waistCurve(degree: number): CurveItem {
  const knots = clampedUniformKnots(waist.length, degree);
  return { id: 'waist', name: 'Waist', kind: 'curve', curve: { degree, knots, points: waist } };
}

const inner = [1, 2, 3, 4, 5, 6, 7, 8];
const tracks = ['knots', 'basis', 'curvature'] as const;

const nearFigure: FigureDocument = {
  ...emptyFigure(),
  items: [waistCurve(3), { id: 'peg', name: 'Peg', kind: 'point', at: [166, 46] }],
  loose: { waist: { controlPoints: inner, editPoints: [] } },
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: true, comb: false, labels: true },
  rail: { item: 'waist', tracks },
  view,
};

const farFigure: FigureDocument = {
  ...nearFigure,
  items: [{ ...waistCurve(3), id: 'before', name: 'Before', faint: true }, ...nearFigure.items],
  loose: { waist: { controlPoints: inner, editPoints: inner } },
  shown: { ...nearFigure.shown, editPoints: true },
};

const degreeFigure: FigureDocument = {
  ...nearFigure,
  items: [
    waistCurve(2),
    {
      id: 'smoother',
      name: 'Degree 5',
      kind: 'built',
      operation: { name: 'curveOfDegree', source: 'waist', degree: 5 },
    },
    { id: 'peg', name: 'Peg', kind: 'point', at: [172, 62] },
  ],
  shown: { ...nearFigure.shown, comb: true },
};

const sheets: readonly Sheet[] = [
  newSheet({
    id: 'near',
    title: 'A control point acts near',
    prose: prose(
      paragraph(
        'This is the waist of a small viol: half its outline, seen from above. Ten *control points* hold it. Drag one and watch the colours: only the spans close by move.',
      ),
      paragraph(
        'How far a point reaches is its *support*. Rest the pointer on $P_4$: its support lights up on the curve, on the knots, and as one hump among the basis functions.',
      ),
      formula('C(u) = \\sum_{i=0}^{9} N_{i,3}(u)\\,P_i'),
      paragraph(
        'Where the hump $N_{4,3}$ is zero, $P_4$ has no say. For a cubic it covers four spans, never more.',
      ),
    ),
    figure: nearFigure,
    tasks: [
      {
        kind: 'shape',
        id: 'task',
        stage: firstStageId,
        prompt:
          'Make the waist a little tighter: lead the curve through the peg, and leave three spans as they are.',
        hints: [
          {
            text: 'Look for the hump that is highest where the peg is. That point has the most to say there.',
          },
          { text: 'Move P4 or P5 alone, downwards. The curve follows about two thirds of the way.' },
        ],
        conditions: [
          { kind: 'curveThroughPoint', item: 'waist', target: 'peg', tolerance: 0.5 },
          { kind: 'spansUnmoved', item: 'waist', atLeast: 3, tolerance: 1e-6 },
        ],
      },
    ],
  }),
  newSheet({
    id: 'far',
    title: 'An edit point acts far',
    prose: prose(
      paragraph(
        'The lozenges on the curve are its *edit points*, as many as control points. Pull one: it goes where you put it, and the others stay on their places.',
      ),
      paragraph(
        'Something has to give. Every control point moves, and the curve swings to and fro between the points that stay. The faint line is the outline before.',
      ),
      paragraph('To move one edit point, a system of equations is solved, one for each edit point $E_j$:'),
      formula('\\sum_{i} N_{i,3}(g_j)\\,P_i = E_j'),
      paragraph('Compare: drag control point $P_4$, undo, then drag the edit point $E_4$.'),
    ),
    figure: farFigure,
    tasks: [
      {
        kind: 'shape',
        id: 'task',
        stage: firstStageId,
        prompt:
          'Lead the curve through the peg by one edit point, and keep the other edit points where they are.',
        hints: [
          { text: 'A control point would take several edit points along. Use a lozenge.' },
          { text: 'The curve has to pass within half a millimetre of the peg. E4 is next to it.' },
        ],
        conditions: [
          { kind: 'curveThroughPoint', item: 'waist', target: 'peg', tolerance: 0.5 },
          {
            kind: 'pointsUnmoved',
            item: 'waist',
            of: 'editPoints',
            indices: [0, 1, 2, 3, 6, 7, 8, 9],
            tolerance: 0.01,
          },
        ],
      },
    ],
  }),
  newSheet({
    id: 'degree',
    title: 'The same points, another degree',
    prose: prose(
      paragraph(
        'Two curves share these ten points. The coloured one has degree 2 and keeps close to its polygon. The dashed one has degree 5: it is *built* from the same points and follows them.',
      ),
      paragraph(
        'A point reaches $p + 1$ spans: near is nearer at degree 2. The comb shows the price: there, the curvature jumps at every knot.',
      ),
      formula('\\text{support of } N_{i,p} = [\\,u_i,\\; u_{i+p+1}\\,]'),
      paragraph(
        'Lay three points in a row on one line. The degree 2 curve runs straight there for one span. The other does not.',
      ),
    ),
    figure: degreeFigure,
    tasks: [
      {
        kind: 'shape',
        id: 'task',
        stage: firstStageId,
        prompt:
          'Lead the degree 5 curve through the peg. Leave at least four spans of the degree 2 curve as they are.',
        hints: [
          { text: 'The degree 5 curve answers weakly to each point, so the point must go far.' },
          { text: 'Pull P4 or P5; two neighbours together still leave four spans alone.' },
        ],
        conditions: [
          { kind: 'curveThroughPoint', item: 'smoother', target: 'peg', tolerance: 0.5 },
          { kind: 'spansUnmoved', item: 'waist', atLeast: 4, tolerance: 1e-6 },
        ],
      },
    ],
  }),
  newSheet({
    id: 'guess',
    title: 'Guess before you pull',
    prose: prose(
      paragraph(
        'The *control point* $P_4$ goes up by 32 mm. How many spans does a point of a cubic reach? And the *edit point* $E_4$, right above it on the curve?',
      ),
      formula('E_4=C(g_4),\\qquad g_4=\\tfrac13(u_5+u_6+u_7)'),
    ),
    figure: {
      ...nearFigure,
      items: [waistCurve(3)],
      loose: {},
      shown: { ...nearFigure.shown, editPoints: true },
    },
    stages: [
      { id: firstStageId, caption: 'Before', commands: [] },
      {
        id: 'after',
        caption: 'Four spans, and two thirds of the way',
        commands: [{ name: 'moveControlPoint', item: 'waist', index: 4, to: [158, 82] }],
      },
    ],
    tasks: [
      {
        kind: 'prediction',
        id: 'task',
        stage: firstStageId,
        to: 'after',
        prompt: 'P4 goes from (158, 50) to (158, 82). What moves, and how far?',
        hints: [],
        questions: [
          { of: 'spans', item: 'waist', within: 0.001 },
          { of: 'place', item: 'waist', point: 'editPoints', index: 4, within: 4 },
        ],
      },
    ],
  }),
  newSheet({
    id: 'crowd',
    title: 'Crowded points',
    prose: prose(
      paragraph(
        'The nearer the points, the closer the curve follows them, and the harder it bends. Bring ',
        pointing(
          'the two neighbours',
          ...[3, 5].map((index) => ({ of: 'controlPoint' as const, item: 'waist', index })),
        ),
        ' of $P_4$ close to it, and watch the comb.',
      ),
      paragraph(
        'Three in one place: the curve passes *through* it, in a corner, though no knot asks for one. Such points are a trap. They look like one, and whoever takes hold of it moves only the one on top.',
      ),
      formula('P_3=P_4=P_5\\;\\Rightarrow\\;C(u)=P_4'),
    ),
    figure: {
      ...nearFigure,
      items: [waistCurve(3)],
      loose: { waist: { controlPoints: [3, 4, 5], editPoints: [] } },
      shown: { ...nearFigure.shown, comb: true },
    },
    tasks: [
      {
        kind: 'shape',
        id: 'task',
        stage: firstStageId,
        prompt: 'Bend the waist tighter than a radius of 1 mm by crowding, with P4 where it is.',
        hints: [
          { text: 'Two are not enough: a cubic needs three.' },
          {
            text: 'P4 stands at (158, 50). Close in, or move P3 and P5 by the arrow keys, with Alt by tenths.',
          },
        ],
        conditions: [
          { kind: 'curvatureAtLeast', item: 'waist', limit: 1 },
          {
            kind: 'pointsUnmoved',
            item: 'waist',
            of: 'controlPoints',
            indices: [0, 1, 2, 4, 6, 7, 8, 9],
            tolerance: 0.01,
          },
        ],
      },
    ],
  }),
];

/** The lesson *Near and far* of the demo course. */
export const nearAndFar: LessonDocument = { version: lessonVersion, title: 'Near and far', sheets };
