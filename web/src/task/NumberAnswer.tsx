import { measured, type MeasureUnit } from '@bogen/core/figure';
import { numberOf } from '@bogen/core/lesson';
import { useTranslation } from '../text/text.js';
import { AnswerField } from '../ui/AnswerField.js';
import type { AnswerProps } from './answering.js';

/** A number, or an expression for one, in the unit in which it is measured. */
export function NumberAnswer({ task, scene, answer, onAnswer, results }: AnswerProps<'number'>) {
  const { t } = useTranslation();
  const value = measured(task.measure, {
    document: scene.document,
    evaluation: scene.evaluation,
    cursor: task.cursor ?? 0,
  });
  const unit = value?.kind === 'number' ? value.unit : 'none';
  const [result] = results ?? [];
  const direction =
    result && !result.met && result.off !== undefined
      ? t(result.off > 0 ? 'answer.tooLarge' : 'answer.tooSmall')
      : '';
  return (
    <div className="mt-2.5 flex flex-wrap items-center gap-2 text-[13px]">
      <AnswerField
        label={t('answer.number')}
        value={answer?.value}
        unit={unitOf(unit, t)}
        onChange={(next) => onAnswer({ kind: 'number', value: next })}
      />
      {direction && <span className="text-bad">{direction}</span>}
      {numberOf(value) === undefined && <span className="text-soft">{t('answer.noMeasure')}</span>}
    </div>
  );
}

function unitOf(unit: MeasureUnit, t: ReturnType<typeof useTranslation>['t']): string {
  if (unit === 'none') return '';
  return unit === 'curvature' ? '1/mm' : t(`facts.units.${unit}`);
}
