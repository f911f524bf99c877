import type { Sheet, Task } from '@bogen/core/lesson';
import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';

/** What is asked, with what belongs to it where the figure that it is asked of is there. */
export function TaskToRead({ task, sheet, children }: { task: Task; sheet: Sheet; children?: ReactNode }) {
  const { t } = useTranslation();
  const { length: count } = sheet.tasks;
  const number = sheet.tasks.findIndex(({ id }) => id === task.id) + 1;
  const title = count > 1 ? t('sheet.yourTurnOf', { number, count }) : t('sheet.yourTurn');
  return (
    <section aria-label={title} className="rounded-lg border border-line bg-sheet p-4" data-task>
      <h2 className="text-[13px] font-semibold">{title}</h2>
      <p className="mt-1 font-serif text-[15.5px] leading-snug">{task.prompt}</p>
      {children}
    </section>
  );
}
