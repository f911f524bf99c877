import type { Curve } from '@bogen/core/curve';
import type { FigureCommand, Operation } from '@bogen/core/figure';
import { chosen, moves, type TaskAttempts } from './attempts.js';
import { degreeOrSpans } from './files.js';
import { curveOn, given, itemOn, operated } from './operated.js';

/** What the task on the camber begins with, and a stick that came in with a higher degree than it needs. */
const plainStick = curveOn(degreeOrSpans, 'fit', 'stick');
const heavyStick = curveOn(degreeOrSpans, 'lower', 'stick');
/** An operation in the place of the stick. */
const onStick = (curve: Curve, operation: Operation) => operated([given('stick', curve)], 'stick', operation);
const raised = (times: number): Operation => ({ name: 'raiseDegree', source: 'stick', times });
const lowered = (times: number): Operation => ({ name: 'lowerDegree', source: 'stick', times });
const knotAt = (parameter: number): Operation => ({
  name: 'insertKnot',
  source: 'stick',
  parameter,
  times: 1,
});

const counted = (...counts: number[]) => ({
  kind: 'prediction' as const,
  guesses: counts.map((value) => ({ of: 'count' as const, value })),
});
const raise = onStick(plainStick, raised(1));
const places = { 1: [180, 44], 2: [360, -14], 3: [540, 60] } as const;
const fitted = {
  ...raise.curve,
  points: raise.curve.points.map((point, k) => places[k as keyof typeof places] ?? point),
};
const raiseFitted = onStick(fitted, raised(1));
/** The one who overdoes it: forty points. */
const forty: FigureCommand = onStick(plainStick, {
  name: 'refit',
  source: 'stick',
  degree: 3,
  spans: 37,
});

function fittedTo(tolerance: number): FigureCommand {
  const stroke = itemOn(degreeOrSpans, 'stroke', 'stroke');
  if (stroke.kind !== 'shape' || stroke.shape.kind !== 'stroke') throw new Error('There is no stroke.');
  return { name: 'setShape', item: 'stroke', shape: { ...stroke.shape, tolerance } };
}
const once = onStick(heavyStick, lowered(1));

/** How the tasks of *Degree or spans* are done, and how they go wrong. */
export const degreeOrSpansAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'ways',
    task: 'why',
    right: [],
    wrong: [
      { what: 'looks at the points', answer: chosen(1), unmet: [0], reasons: ['There are six of each.'] },
      {
        what: 'has not seen that they agreed',
        answer: chosen(2),
        unmet: [0],
        reasons: ['Both lay on each other until the points moved.'],
      },
      {
        what: 'says both',
        answer: chosen(0, 1),
        unmet: [0],
        reasons: ['There are six of each.'],
      },
    ],
  },
  {
    sheet: 'smooth',
    task: 'once',
    right: [{ commands: moves('stick', { 2: [284, 28] }) }],
    wrong: [
      { what: 'goes half the way', commands: moves('stick', { 2: [284, 70] }), unmet: [0, 1] },
      { what: 'goes too far', commands: moves('stick', { 2: [284, -60] }), unmet: [0, 1] },
      {
        what: 'pulls the neighbours up to it',
        commands: moves('stick', { 1: [152, 90], 3: [416, 90] }),
        unmet: [1],
      },
    ],
  },
  {
    sheet: 'cost',
    task: 'count',
    right: [],
    wrong: [
      { what: 'adds one point', answer: counted(6, 11, 2), unmet: [0, 1] },
      { what: 'adds a span', answer: counted(7, 13, 3), unmet: [1, 2] },
      { what: 'forgets that the knot is repeated', answer: counted(7, 11, 2), unmet: [1] },
    ],
  },
  {
    sheet: 'lower',
    task: 'lower',
    right: [{ commands: [once, onStick(once.curve, lowered(1))] }],
    wrong: [
      { what: 'is content with one', commands: [once], unmet: [0] },
      { what: 'goes one too far', commands: [onStick(heavyStick, lowered(3))], unmet: [1] },
      { what: 'makes it straight', commands: [onStick(heavyStick, lowered(4))], unmet: [1] },
    ],
  },
  {
    sheet: 'stroke',
    task: 'fewer',
    right: [{ commands: [fittedTo(1.5)] }],
    wrong: [
      { what: 'goes below the tremble', commands: [fittedTo(0.5)], unmet: [0] },
      { what: 'stops a little early', commands: [fittedTo(0.8)], unmet: [0] },
      { what: 'goes too far', commands: [fittedTo(4)], unmet: [1] },
    ],
  },
  {
    sheet: 'fit',
    task: 'camber',
    right: [
      { commands: [raise, ...moves('stick', { 1: [181, 44], 2: [360, -13.8], 3: [539, 60] })] },
      // One degree more than it takes: done, and beaten by those with five points.
      { commands: [raise, ...moves('stick', { 1: places[1], 2: places[2], 3: places[3] }), raiseFitted] },
    ],
    wrong: [
      {
        what: 'tries with four points',
        commands: moves('stick', { 1: [233, 25], 2: [487, 18] }),
        unmet: [0],
      },
      { what: 'adds spans, and many of them', commands: [forty], unmet: [0, 1] },
      {
        what: 'raises twice, and moves nothing',
        commands: [onStick(plainStick, raised(2))],
        unmet: [0],
      },
      {
        what: 'adds a span and leaves it there',
        commands: [onStick(plainStick, knotAt(0.5))],
        unmet: [0],
      },
      {
        what: 'moves two points of three',
        commands: [raise, ...moves('stick', { 1: places[1], 2: places[2] })],
        unmet: [0],
      },
    ],
  },
];
