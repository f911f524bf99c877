import type { Stage } from '@bogen/core/lesson';
import { useTranslation } from '../text/text.js';
import { StepButtons } from './StepButtons.js';

interface StageStepProps {
  readonly stages: readonly Stage[];
  readonly current: string;
  readonly onGo: (stage: string) => void;
}

/** The stages of a figure as they are stepped through, with the caption of the one that is seen. Arrow keys step too. */
export function StageStep({ stages, current, onGo }: StageStepProps) {
  const { t } = useTranslation();
  const index = Math.max(
    0,
    stages.findIndex(({ id }) => id === current),
  );
  const go = (to: number): void => {
    const stage = stages[to];
    if (stage) onGo(stage.id);
  };
  return (
    <section
      aria-label={t('stages.stages')}
      className="flex min-h-9 shrink-0 items-center gap-3 border-t border-line bg-sheet px-4 py-1 text-[13px]"
      data-stages
      onKeyDown={({ key }) => {
        if (key === 'ArrowRight') go(index + 1);
        else if (key === 'ArrowLeft') go(index - 1);
      }}
    >
      <span className="font-semibold whitespace-nowrap">
        {t('stages.of', { number: index + 1, count: stages.length })}
      </span>
      <p role="status" className="min-w-0 flex-1 leading-snug" data-caption>
        {stages[index]!.caption}
      </p>
      <StepButtons index={index} count={stages.length} onGo={go} />
    </section>
  );
}
