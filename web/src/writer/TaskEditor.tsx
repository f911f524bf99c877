import { checkTask, lostConditions, sheetOf, type Sheet } from '@bogen/core/lesson';
import type { CSSProperties } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTyping } from '../saving/useTyping.js';
import { conditionText, measuredText } from '../sheet/conditionText.js';
import { useTranslation } from '../text/text.js';
import type { EditedDraft } from './draft.js';

/** What the sheet asks: its sentence can be rewritten; its conditions are shown with what is measured now. */
export function TaskEditor({
  edited,
  sheet,
  scene,
}: {
  edited: EditedDraft;
  sheet: Sheet;
  scene: FigureScene;
}) {
  const { t } = useTranslation();
  const { task } = sheet;
  const { typed, type, finish } = useTyping(edited, (prompt) => {
    if (!task || prompt === task.prompt || !sheetOf(edited.store.getState().history.document, sheet.id))
      return;
    edited.do({ name: 'setTask', sheet: sheet.id, task: { ...task, prompt } });
  });
  if (!task) return <p className="text-[13px] text-soft">{t('writer.noTask')}</p>;
  const results = checkTask(task, sheet.figure, sheet.figure);
  const lost = lostConditions(sheet);
  return (
    <section aria-label={t('writer.task')} className="rounded-lg border border-line bg-sheet p-4">
      <h2 className="text-[13px] font-semibold">{t('writer.task')}</h2>
      <textarea
        aria-label={t('writer.taskPrompt')}
        rows={1}
        style={{ fieldSizing: 'content' } as CSSProperties}
        maxLength={2000}
        value={typed ?? task.prompt}
        onChange={(event) => type(event.target.value)}
        onBlur={finish}
        className="mt-1 -ml-1 w-full resize-none rounded-sm bg-transparent px-1 font-serif text-[15px] leading-snug hover:bg-tint/60 focus:bg-paper"
      />
      <ul className="mt-1 flex flex-col gap-1">
        {task.conditions.map((condition, index) => (
          <li key={index} className="flex gap-2 text-[13px] leading-snug">
            <span className="flex-1">{conditionText(condition, scene.document, t)}</span>
            {lost.includes(index) ? (
              <strong role="alert" className="text-bad">
                {t('writer.conditionLost')}
              </strong>
            ) : (
              <span className="font-mono text-[12px] whitespace-nowrap text-soft">
                {measuredText(condition, results[index]!, t)}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
