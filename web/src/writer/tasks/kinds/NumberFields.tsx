import { evaluateFigure, measured, type Measure } from '@bogen/core/figure';
import { numberOf } from '@bogen/core/lesson';
import { Crosshair } from 'lucide-react';
import { valueText } from '../../../live/liveText.js';
import { useTranslation } from '../../../text/text.js';
import { ExpressionField } from '../../../ui/ExpressionField.js';
import { measureText } from '../../prose/measureText.js';
import { measureOffers } from '../../prose/offers.js';
import { PickList } from '../../prose/PickList.js';
import type { TaskFieldsProps } from '../editing.js';

/** Measured at the cursor, so that the task says where that is. */
export const atCursor: ReadonlySet<Measure['of']> = new Set(['curvature', 'curvePoint', 'basis', 'cursor']);

/** Which number is asked for, what is right now, and how far an answer may be from it. */
export function NumberFields({ task, start, scene, onChange }: TaskFieldsProps<'number'>) {
  const { t } = useTranslation();
  const { measure, tolerance, cursor } = task;
  const of = { document: start, evaluation: evaluateFigure(start), cursor: cursor ?? 0 };
  const value = measured(measure, of);
  const choose = (next: Measure): void =>
    onChange(({ cursor: _, ...now }) => ({
      ...now,
      measure: next,
      // A count is right or wrong; of something measured a hundredth is asked for at first.
      tolerance: measured(next, { ...of, cursor: scene.cursor })?.kind === 'number' ? 0.01 : 0,
      ...(atCursor.has(next.of) ? { cursor: Number(scene.cursor.toFixed(3)) } : {}),
    }));
  return (
    <div className="mt-1 flex flex-col gap-1.5 text-[13px]" data-number-fields>
      <div className="flex items-center gap-2">
        <span className="flex-1">{measureText(measure, start, t)}</span>
        <span className="font-mono text-[12px] whitespace-nowrap text-soft">
          {value && numberOf(value) !== undefined ? valueText(value, 4) : t('checks.measured.none')}
        </span>
        <PickList<Measure>
          label={t('task.pickMeasure')}
          lead={t('task.pickMeasureLead')}
          icon={<Crosshair size={15} />}
          scene={scene}
          offers={(now) =>
            measureOffers(now).filter(
              (offer) =>
                offer.of !== 'cursor' &&
                numberOf(
                  measured(offer, { document: now.document, evaluation: now.evaluation, cursor: now.cursor }),
                ) !== undefined,
            )
          }
          text={(offer) => measureText(offer, scene.document, t)}
          onChoose={choose}
        />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <ExpressionField
          label={t('task.blanks.within')}
          value={tolerance}
          limits={{ least: 0 }}
          onChange={(next) => onChange((now) => ({ ...now, tolerance: next }))}
        />
        {cursor !== undefined && (
          <ExpressionField
            label={t('task.blanks.parameter')}
            value={cursor}
            onChange={(next) => onChange((now) => ({ ...now, cursor: next }))}
          />
        )}
      </div>
    </div>
  );
}
