import { Check, Circle } from 'lucide-react';
import type { ConditionResult, TaskOf } from '@bogen/core/lesson';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { conditionText, directionText, measuredText } from './conditionText.js';

interface ShapeResultsProps {
  readonly task: TaskOf<'shape'>;
  readonly scene: FigureScene;
  readonly results: readonly ConditionResult[];
  /** Whether it was checked just so; until then nobody is told in which direction to go. */
  readonly isChecked: boolean;
}

/** The conditions of a task with what is measured now, and in which direction to go where one is not met. */
export function ShapeResults({ task, scene, results, isChecked }: ShapeResultsProps) {
  const { t } = useTranslation();
  return (
    <ul className="mt-2.5 flex flex-col gap-1.5">
      {task.conditions.map((condition, index) => {
        const result = results[index] ?? { met: false, measured: null };
        const direction = isChecked ? directionText(condition, result, t) : undefined;
        return (
          <li key={index} data-met={result.met} className="flex items-start gap-2 text-[13px] leading-snug">
            {result.met ? (
              <Check aria-hidden size={16} className="mt-px shrink-0 text-good" />
            ) : (
              <Circle aria-hidden size={13} className="mx-[1.5px] mt-[3px] shrink-0 text-soft" />
            )}
            <span className="flex-1">
              {conditionText(condition, scene.document, t)}
              <span className="sr-only">: {result.met ? t('sheet.met') : t('sheet.notMet')}</span>
              {direction && (
                <span className="block font-medium" data-direction>
                  {direction}
                </span>
              )}
            </span>
            <span className="font-mono text-[12px] whitespace-nowrap text-soft">
              {measuredText(condition, result, t)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
