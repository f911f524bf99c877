import { checkTask, figureOfStage, lostConditions, taskLimits, type Condition } from '@bogen/core/lesson';
import { useTranslation } from '../../../text/text.js';
import { ScoreField } from './ScoreField.js';
import { AddCondition } from '../AddCondition.js';
import { ConditionRow } from '../ConditionRow.js';
import type { TaskFieldsProps } from '../editing.js';

/** The conditions of a task, each with what is measured at the stage that is seen. */
export function ShapeFields({
  sheet,
  task,
  start,
  scene,
  onChange,
  stage,
}: TaskFieldsProps<'shape'> & { readonly stage: string }) {
  const { t } = useTranslation();
  const figure = stage === task.stage ? start : figureOfStage(sheet, stage);
  const results = checkTask(sheet, task, { start, figure });
  const lost = lostConditions(sheet, task);
  const withConditions = (conditions: readonly Condition[]): void =>
    onChange((now) => ({ ...now, conditions }));
  return (
    <>
      <ul className="mt-1 flex flex-col gap-1">
        {task.conditions.map((condition, index) => (
          <ConditionRow
            key={index}
            scene={scene}
            figure={start}
            condition={condition}
            result={results[index]!}
            isLost={lost.includes(index)}
            onChange={(next) =>
              withConditions(next ? task.conditions.with(index, next) : task.conditions.toSpliced(index, 1))
            }
          />
        ))}
      </ul>
      {task.conditions.length === 0 && (
        <p role="status" className="text-[12.5px] text-soft">
          {t('task.empty')}
        </p>
      )}
      <ScoreField task={task} scene={scene} start={start} onChange={onChange} />
      {task.conditions.length < taskLimits.conditions ? (
        <AddCondition scene={scene} onAdd={(condition) => withConditions([...task.conditions, condition])} />
      ) : (
        <span className="text-[12.5px] text-soft">{t('task.full', { most: taskLimits.conditions })}</span>
      )}
    </>
  );
}
