import { measured, type Measure } from '@bogen/core/figure';
import { numberOf } from '@bogen/core/lesson';
import { ListOrdered, X } from 'lucide-react';
import { useTranslation } from '../../../text/text.js';
import { IconButton } from '../../../ui/IconButton.js';
import { measureText } from '../../prose/measureText.js';
import { measureOffers } from '../../prose/offers.js';
import { PickList } from '../../prose/PickList.js';
import type { TaskFieldsProps } from '../editing.js';
import { atCursor } from './NumberFields.js';

/** A number of the figure that counts among those who have done the task: the lower the better. */
export function ScoreField({
  task,
  start,
  scene,
  onChange,
}: Pick<TaskFieldsProps<'shape'>, 'task' | 'start' | 'scene' | 'onChange'>) {
  const { t } = useTranslation();
  return (
    <div className="mt-1 flex items-center gap-2 text-[12.5px] text-soft" data-score>
      <span className="flex-1">
        {task.score && t('task.score', { what: measureText(task.score, start, t) })}
      </span>
      {task.score ? (
        <IconButton onPress={() => onChange(({ score: _, ...now }) => now)} label={t('task.removeScore')}>
          <X size={14} aria-hidden />
        </IconButton>
      ) : (
        <PickList<Measure>
          label={t('task.pickScore')}
          lead={t('task.pickScoreLead')}
          icon={<ListOrdered size={14} />}
          scene={scene}
          offers={(now) =>
            measureOffers(now).filter(
              (offer) =>
                !atCursor.has(offer.of) &&
                numberOf(
                  measured(offer, { document: now.document, evaluation: now.evaluation, cursor: now.cursor }),
                ) !== undefined,
            )
          }
          text={(offer) => measureText(offer, scene.document, t)}
          onChoose={(score) => onChange((now) => ({ ...now, score }))}
        />
      )}
    </div>
  );
}
