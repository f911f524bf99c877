import type { Stage } from '@bogen/core/lesson';
import { useTranslation } from '../text/text.js';

/** Where a task belongs to another stage than the one that is seen. */
export function TaskElsewhere({
  stages,
  stage,
  onGo,
}: {
  stages: readonly Stage[];
  stage: string;
  onGo: (stage: string) => void;
}) {
  const { t } = useTranslation();
  const number = stages.findIndex(({ id }) => id === stage) + 1;
  if (number === 0) return null;
  return (
    <p className="mt-1 text-[13px] text-soft">
      {t('stages.taskThere', { number })}{' '}
      <button type="button" className="text-accent underline underline-offset-4" onClick={() => onGo(stage)}>
        {t('stages.goThere', { number })}
      </button>
    </p>
  );
}
