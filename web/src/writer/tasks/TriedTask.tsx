import { isAnsweredByFigure, triedTask, type Sheet, type Task } from '@bogen/core/lesson';
import { Check, TriangleAlert } from 'lucide-react';
import { useMemo } from 'react';
import { useTranslation } from '../../text/text.js';

/** Whether the task fails at the start, as it must, and can be met; and what is wrong with it where something is. */
export function TriedTask({ sheet, task }: { sheet: Sheet; task: Task }) {
  const { t } = useTranslation();
  const { isMetBySolution, flaws } = useMemo(() => triedTask(sheet, task), [sheet, task]);
  const good = [
    ...(isAnsweredByFigure(task) && !flaws.includes('metAtStart') ? (['failsAtStart'] as const) : []),
    ...(isMetBySolution ? ([isAnsweredByFigure(task) ? 'passesAtSolution' : 'hasAnswer'] as const) : []),
  ];
  return (
    <p role="status" className="mt-1 flex flex-wrap gap-x-4 text-[12.5px]" data-tried>
      {good.map((key) => (
        <span key={key} className="flex gap-1 text-good">
          <Check aria-hidden size={15} className="shrink-0" />
          {t(`task.${key}`)}
        </span>
      ))}
      {flaws.map((flaw) => (
        <span key={flaw} className="flex gap-1 text-bad">
          <TriangleAlert aria-hidden size={15} className="shrink-0" />
          {t(`task.flaws.${flaw}`)}
        </span>
      ))}
    </p>
  );
}
