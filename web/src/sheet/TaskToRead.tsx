import type { Task } from '@bogen/core/lesson';
import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';

/** What is asked, with what belongs to it where the figure that it is asked of is there. */
export function TaskToRead({ task, children }: { task: Task; children?: ReactNode }) {
  const { t } = useTranslation();
  return (
    <section
      aria-label={t('sheet.yourTurn')}
      className="rounded-lg border border-line bg-sheet p-4"
      data-task
    >
      <h2 className="text-[13px] font-semibold">{t('sheet.yourTurn')}</h2>
      <p className="mt-1 font-serif text-[15.5px] leading-snug">{task.prompt}</p>
      {children}
    </section>
  );
}
