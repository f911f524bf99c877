import { number as numberField, optional, tagged, type ValueOf } from '../../describe/describe.js';
import { measured, measureDescription, type Measure } from '../../figure/measure/measures.js';
import type { MeasuredValue } from '../../figure/measure/define.js';
import { near } from '../condition/define.js';
import { describeTask, unanswered, type AnyTask, type Given, type TaskMember } from './define.js';

/** A number is to be found. What is right is measured of the figure as the reader has it. */
export interface NumberTask extends AnyTask {
  readonly kind: 'number';
  readonly measure: Measure;
  /** How far from what is measured an answer may be, in its unit. */
  readonly tolerance: number;
  /** The parameter at which it is measured, where it is something at the cursor. */
  readonly cursor?: number;
}

const answer = tagged('kind', 'number', { value: numberField() });
export type NumberAnswer = ValueOf<typeof answer>;

/** The number that is right; nothing where it can't be measured, or is no number. */
export function rightNumber(
  { measure, cursor }: Pick<NumberTask, 'measure' | 'cursor'>,
  { figure, evaluation }: Pick<Given, 'figure' | 'evaluation'>,
): number | undefined {
  return numberOf(measured(measure, { document: figure, evaluation, cursor: cursor ?? 0 }));
}

/** The number of what was measured, where it is one. */
export const numberOf = (value: MeasuredValue | undefined): number | undefined =>
  value && 'value' in value ? value.value : undefined;

export const number: TaskMember<NumberTask, NumberAnswer> = {
  description: describeTask('number', {
    measure: measureDescription,
    tolerance: numberField({ least: 0 }),
    cursor: optional(numberField({ unit: 'parameter' })),
  }),
  answer,
  judge: (task, given) => {
    const right = rightNumber(task, given);
    return given.answer && right !== undefined
      ? [near(given.answer.value, right, task.tolerance)]
      : unanswered;
  },
  solve: (task, given) => {
    const value = rightNumber(task, given);
    return value === undefined ? undefined : { kind: 'number', value };
  },
};
