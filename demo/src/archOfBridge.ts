import { conicFromShoulder, pointAt, type Point } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { firstStageId, lessonVersion, newSheet, type LessonDocument, type Sheet } from '@bogen/core/lesson';
import { drawing, straight } from './pictures.js';
import { callout, control, formula, live, paragraph, pointing, prose } from './prose.js';

/** The feet of the arch under the bridge, and where its tangents meet, in millimetres. */
const left: Point = [-24, 0];
const right: Point = [24, 0];
const apex: Point = [0, 36];

/** A conic by its ends, with what is held while rho changes. */
export const conicOf = (
  rho: number,
  held: 'shoulder' | 'tangentIntersection' = 'tangentIntersection',
  place: Point = apex,
  [start, end]: readonly [Point, Point] = [left, right],
) => ({ kind: 'conic', start, end, held, place, rho }) as const;

const arch = (shape: ReturnType<typeof conicOf>): FigureItem => ({
  id: 'arch',
  name: 'Arch',
  kind: 'shape',
  shape,
});
export const setTo = (shape: ReturnType<typeof conicOf>) =>
  ({ name: 'setShape', item: 'arch', shape }) as const;
const peg = (id: string, name: string, at: Point): FigureItem => ({ id, name, kind: 'point', at });

const board: FigureDocument = {
  ...emptyFigure(),
  shown: { controlPoints: true, polygon: true, editPoints: false, knots: false, comb: false, labels: true },
  rail: { item: 'arch', tracks: ['knots', 'basis', 'curvature'] },
  view: { left: -46, right: 46, bottom: -9, top: 43, grid: 5 },
};
/** What has to stay where it is while only rho is looked for. */
const stays = (places: readonly Point[], indices: readonly number[]) =>
  indices.map(
    (index, k) =>
      ({
        kind: 'pointAtPlace',
        item: 'arch',
        of: 'controlPoints',
        index,
        place: places[k]!,
        tolerance: 0.001,
      }) as const,
  );

const see: Sheet = newSheet({
  id: 'rho',
  title: 'One number for three curves',
  prose: prose(
    paragraph(
      'Two feet, and the ',
      pointing('point where their tangents meet', { of: 'controlPoint', item: 'arch', index: 1 }),
      ': that leaves one number. *Rho* says how far the *shoulder* comes up from the chord towards that point: ',
      control({ of: 'rho', item: 'arch' }),
      '.',
    ),
    paragraph('Now it is: ', live({ of: 'fact', item: 'arch', fact: 'conic' }), '.'),
    formula('S=M+\\rho\\,(T-M),\\qquad \\rho<\\tfrac12,\\;=\\tfrac12,\\;>\\tfrac12'),
    callout('see', 'Below one half an *ellipse*, at one half the *parabola*, above it a *hyperbola*.'),
  ),
  figure: { ...board, items: [arch(conicOf(0.35))], shown: { ...board.shown, conic: true } },
  stages: [
    { id: firstStageId, caption: 'Rho 0.35: a piece of an ellipse', commands: [] },
    {
      id: 'parabola',
      caption: 'Rho 0.5: the parabola, which needs no weight',
      notes: 'The only one of the three that a curve without weights can be.',
      commands: [setTo(conicOf(0.5))],
    },
    {
      id: 'hyperbola',
      caption: 'Rho 0.75: a piece of a hyperbola',
      commands: [setTo(conicOf(0.75))],
    },
  ],
  tasks: [
    {
      kind: 'choice',
      id: 'limit',
      stage: 'hyperbola',
      prompt: 'Where does the arch go as rho comes near 1?',
      hints: [{ text: 'Pull rho in the text up, and watch the shoulder.' }],
      choices: [
        {
          text: 'Onto the two legs of its polygon.',
          isRight: true,
          reason: 'The shoulder comes to T, and the curve with it: nearly straight, with a sharp turn.',
        },
        { text: 'Onto the chord between the feet.', reason: 'That is where it goes as rho comes near 0.' },
        { text: 'Into a circle.', reason: 'A circle is an ellipse: rho lies below one half.' },
        { text: 'Beyond T.', reason: 'The weights are positive, so that it stays inside its hull.' },
      ],
    },
  ],
});

const shoulder: Point = [0, 18];
const held: Sheet = newSheet({
  id: 'held',
  title: 'What is held, and what gives way',
  prose: prose(
    paragraph('This time the *shoulder* is held, 18 mm high. Rho is to go from 0.4 to 0.75.'),
    paragraph('Feet and shoulder stay. Something else has to move.'),
    formula('T=M+\\frac{S-M}{\\rho}'),
    callout('predict', 'Where will the tangents meet, and how does the arch change?'),
  ),
  figure: {
    ...board,
    items: [arch(conicOf(0.4, 'shoulder', shoulder))],
    view: { ...board.view, top: 50, left: -52, right: 52 },
  },
  stages: [
    { id: firstStageId, caption: 'Rho 0.4, the shoulder held', commands: [] },
    {
      id: 'after',
      caption: 'Rho 0.75: the tangents meet lower, and the flanks fall in',
      commands: [setTo(conicOf(0.75, 'shoulder', shoulder))],
    },
  ],
  tasks: [
    {
      kind: 'prediction',
      id: 'where',
      stage: firstStageId,
      to: 'after',
      prompt: 'Rho goes to 0.75 while the shoulder stays. What then?',
      hints: [],
      questions: [
        { of: 'place', item: 'arch', point: 'controlPoints', index: 1, within: 4 },
        { of: 'drawn', item: 'arch', line: 'curve', within: 2.5, scale: 1 },
      ],
    },
  ],
});

/** The rho that leads the arch through the mark on its flank. */
export const flankRho = 0.62;
const flankCurve = conicFromShoulder(left, [0, 36 * flankRho], right, flankRho);
const flank = pointAt(flankCurve, 0.3).map((x) => Math.round(100 * x!) / 100) as [number, number];
const through: Sheet = newSheet({
  id: 'through',
  title: 'Find rho',
  prose: prose(
    paragraph(
      'The drawing of an old bridge has its feet, its tangents, and one mark on the flank. That is enough: two ends, two tangents and *a point* are one conic and no other.',
    ),
    paragraph(
      'More rho draws the arch outwards everywhere at once. Set it under *Numbers of Arch*, close in on the mark, and read what it is: ',
      live({ of: 'fact', item: 'arch', fact: 'conic' }),
      '.',
    ),
    callout('try', 'Halve the distance each time; three or four tries will do.'),
  ),
  figure: {
    ...board,
    items: [arch(conicOf(0.4)), peg('mark', 'Mark', flank)],
    readersMay: [{ kind: 'values', item: 'arch' }],
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    { id: 'solved', caption: 'A hyperbola', commands: [setTo(conicOf(flankRho))] },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'rho',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Find rho so that the arch passes within 0.1 mm of the mark. Feet and tangents stay.',
      hints: [
        { text: 'The mark lies outside of the parabola, which has rho 0.5.' },
        { text: 'Between 0.6 and 0.65.' },
      ],
      conditions: [
        { kind: 'curveThroughPoint', item: 'arch', target: 'mark', tolerance: 0.1 },
        ...stays([left, apex, right], [0, 1, 2]),
      ],
    },
  ],
});

const weighed: Sheet = newSheet({
  id: 'weight',
  title: 'Rho is a weight',
  prose: prose(
    paragraph(
      'A conic is a rational curve of degree 2: three points, and with 1 at both ends one *weight* in the middle. Rho is another way to say it.',
    ),
    formula('w=\\frac{\\rho}{1-\\rho}\\qquad\\rho=\\frac{w}{1+w}'),
    paragraph(
      'Weight 1 is the parabola. A weight goes on without end, rho stays between 0 and 1, which makes it the better handle. Set it: ',
      control({ of: 'rho', item: 'arch' }),
      '.',
    ),
    callout('try', 'Move rho and watch the hump of the middle point among the basis functions.'),
  ),
  figure: {
    ...board,
    items: [arch(conicOf(0.6))],
    readersMay: [{ kind: 'values', item: 'arch' }],
  },
  tasks: [
    {
      kind: 'number',
      id: 'weight',
      stage: firstStageId,
      prompt: 'How much does the middle point weigh, as rho stands now?',
      hints: [
        { text: 'It stood at 0.6 when the sheet was opened: 0.6 divided by what is left to 1.' },
        { text: 'Weights can be shown by number: 0.6 to 0.4 is 3 to 2.' },
      ],
      measure: { of: 'weight', item: 'arch', index: 1 },
      tolerance: 0.01,
    },
  ],
});

const rightAngled: Point = [0, 24];
export const roundRho = Math.SQRT2 - 1;
const circular: Sheet = newSheet({
  id: 'circular',
  title: 'The one that is round',
  prose: prose(
    paragraph(
      'Feet 48 mm apart, and legs that rise at 45°. Both legs are equally long: among all these arches one is a *circle*.',
    ),
    paragraph(
      'Its weight is the cosine of the angle between chord and leg. Rho follows from it. Out of round now: ',
      live({ of: 'roundness', item: 'arch' }, 3),
      '.',
    ),
    formula('w=\\cos 45^\\circ=\\tfrac{\\sqrt2}{2},\\qquad \\rho=\\frac{w}{1+w}'),
    callout('prove', 'Fields take expressions: type rho exactly, not to two digits.'),
  ),
  figure: {
    ...board,
    items: [arch(conicOf(0.5, 'tangentIntersection', rightAngled))],
    readersMay: [{ kind: 'values', item: 'arch' }],
    rail: { item: 'arch', tracks: ['knots', 'curvature', 'radiusError'] },
    view: { ...board.view, top: 36, left: -40, right: 40 },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'The square root of 2, less 1',
      commands: [setTo(conicOf(roundRho, 'tangentIntersection', rightAngled))],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'round',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Make the arch a piece of a circle, to a millionth of its radius. Feet and tangents stay.',
      hints: [
        { text: 'It takes less than the parabola.' },
        { text: 'Put w into the formula: the square root of 2, less 1. Type sqrt(2)-1.' },
      ],
      conditions: [
        { kind: 'roundWithin', item: 'arch', share: 0.000001 },
        ...stays([left, rightAngled, right], [0, 1, 2]),
      ],
    },
  ],
});

/** The upper edge of the bridge: lower on the side of the highest string. */
const edge: readonly [Point, Point] = [
  [-27, 22],
  [27, 18],
];
export const topShoulder: Point = [-2, 33];
export const topRho = 0.42;
const top = conicFromShoulder(edge[0], topShoulder, edge[1], topRho);
const notch = (u: number): Point => pointAt(top, u).map((x) => Math.round(100 * x!) / 100);
/** The upper edge as conics go through its ends. */
export const edgeOf = (rho: number, place: Point) => conicOf(rho, 'shoulder', place, edge);

/** An old bridge, seen from the front. */
export const bridgeDrawing = drawing({
  id: 'b21d6e00-0000-4000-8000-00000000ec02',
  name: 'Bridge',
  left: -40,
  right: 40,
  bottom: -2,
  top: 44,
  lines: [
    {
      curves: [
        top,
        straight([...edge[1]], [34, 0], [22, 0]),
        conicFromShoulder([22, 0], [0, 14], [-22, 0], 0.45),
        straight([-22, 0], [-34, 0], [...edge[0]]),
      ],
      isClosed: true,
    },
  ],
});

const strings: Sheet = newSheet({
  id: 'strings',
  title: 'Under the strings',
  prose: prose(
    paragraph(
      'The upper edge of the bridge carries the strings in three notches. It is to be one *ellipse*, so that no string stands on a peak.',
    ),
    paragraph(
      'Pull the shoulder first; with Ctrl held it is drawn to a notch. Then find rho for the other two.',
    ),
  ),
  figure: {
    ...board,
    items: [
      bridgeDrawing.item,
      { ...arch(edgeOf(0.6, [3, 29])), name: 'Edge' },
      peg('low', 'Bass', notch(0.22)),
      peg('mid', 'Middle', topShoulder),
      peg('high', 'Treble', notch(0.79)),
    ],
    readersMay: [
      { kind: 'values', item: 'arch' },
      { kind: 'anchors', item: 'arch' },
    ],
    view: { left: -46, right: 46, bottom: -2, top: 50, grid: 5 },
  },
  stages: [
    { id: firstStageId, caption: '', commands: [] },
    {
      id: 'solved',
      caption: 'The shoulder in the middle notch, and a rho below one half',
      commands: [setTo(edgeOf(topRho, topShoulder))],
    },
  ],
  tasks: [
    {
      kind: 'shape',
      id: 'edge',
      stage: firstStageId,
      solution: 'solved',
      prompt: 'Lead the edge through all three notches, each within 0.15 mm. Both ends stay.',
      hints: [
        {
          text: 'The shoulder belongs into the middle notch, at (−2, 33).',
          lights: [{ of: 'item', item: 'mid' }],
        },
        {
          text: 'Then less rho, until it meets the outer two: an ellipse lies fuller there.',
          lights: [
            { of: 'item', item: 'low' },
            { of: 'item', item: 'high' },
          ],
        },
      ],
      conditions: [
        { kind: 'curveThroughPoint', item: 'arch', target: 'mid', tolerance: 0.15 },
        { kind: 'curveThroughPoint', item: 'arch', target: 'low', tolerance: 0.15 },
        { kind: 'curveThroughPoint', item: 'arch', target: 'high', tolerance: 0.15 },
        { kind: 'conicIs', item: 'arch', conic: 'ellipse' },
        ...stays(edge, [0, 2]),
      ],
    },
  ],
});

/** The lesson *The arch of the bridge* of the demo course. */
export const archOfBridge: LessonDocument = {
  version: lessonVersion,
  title: 'The arch of the bridge',
  sheets: [see, held, through, weighed, circular, strings],
};
