import { list, optional } from '../../describe/describe.js';
import { measureDescription, type Measure } from '../../figure/measure/measures.js';
import { CommandError } from '../../history/history.js';
import { told } from '../../told/told.js';
import { conditionDescription, countConditions, type Condition } from '../condition/conditions.js';
import { atStart, judgeCondition } from '../condition/judge.js';
import { describeTask, taskLimits, type AnyTask, type TaskMember } from './define.js';

/** All conditions of a task together: groups of groups could multiply what a check has to judge. */
const mostConditions = 40;

/** The figure is to be brought to a state. */
export interface ShapeTask extends AnyTask {
  readonly kind: 'shape';
  readonly conditions: readonly Condition[];
  /** A number of the figure that counts, the lower the better: who has met the task sees the best of the class. */
  readonly score?: Measure;
}

export const shape: TaskMember<ShapeTask> = {
  description: describeTask('shape', {
    conditions: list(conditionDescription, taskLimits.conditions),
    score: optional(measureDescription),
  }),
  judge: ({ conditions }, { start, figure, evaluation }) => {
    const before = atStart(start);
    return conditions.map((condition) => judgeCondition(condition, before, [figure, evaluation]));
  },
  validate: ({ conditions }) => {
    const count = countConditions(conditions);
    if (count > mostConditions)
      throw new CommandError(told('tooManyConditions', { count, most: mostConditions }));
  },
};
