import {
  checkTask,
  firstCondition,
  isGroup,
  isTaskMet,
  lostConditions,
  sheetOf,
  taskLimits,
  type Condition,
  type ConditionResult,
  type Sheet,
  type SingleCondition,
  type Task,
} from '@bogen/core/lesson';
import { Check, Pencil, X } from 'lucide-react';
import { useState, type CSSProperties } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTyping } from '../saving/useTyping.js';
import { conditionText, measuredText } from '../sheet/conditionText.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { IconButton } from '../ui/IconButton.js';
import { AddCondition } from './AddCondition.js';
import { ConditionFields } from './ConditionFields.js';
import type { EditedDraft } from './draft.js';

/** What the sheet asks: its sentence, and its conditions with what is measured now, put together from sentences with blanks. */
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
  const set = (next: Task | null): void => edited.do({ name: 'setTask', sheet: sheet.id, task: next });
  if (!task) {
    return (
      <div className="flex items-center gap-3 text-[13px] text-soft">
        {t('writer.noTask')}
        <Button quiet onClick={() => set({ prompt: '', hints: [], conditions: [] })}>
          {t('task.ask')}
        </Button>
      </div>
    );
  }
  const results = checkTask(task, sheet.figure, sheet.figure);
  const lost = lostConditions(sheet);
  const withConditions = (conditions: readonly Condition[]): void => set({ ...task, conditions });
  return (
    <section
      aria-label={t('writer.task')}
      className="rounded-lg border border-line bg-sheet p-4"
      data-task-editor
    >
      <h2 className="text-[13px] font-semibold">{t('writer.task')}</h2>
      <textarea
        aria-label={t('writer.taskPrompt')}
        rows={1}
        style={{ fieldSizing: 'content' } as CSSProperties}
        maxLength={2000}
        placeholder={t('writer.taskPrompt')}
        value={typed ?? task.prompt}
        onChange={(event) => type(event.target.value)}
        onBlur={finish}
        className="mt-1 -ml-1 w-full resize-none rounded-sm bg-transparent px-1 font-serif text-[15px] leading-snug hover:bg-tint/60 focus:bg-paper"
      />
      <ul className="mt-1 flex flex-col gap-1">
        {task.conditions.map((condition, index) => (
          <ConditionRow
            key={index}
            scene={scene}
            condition={condition}
            result={results[index]!}
            isLost={lost.includes(index)}
            onChange={(next) =>
              withConditions(next ? task.conditions.with(index, next) : task.conditions.toSpliced(index, 1))
            }
          />
        ))}
      </ul>
      <p role="status" className="text-[12.5px] text-soft">
        {task.conditions.length === 0 ? t('task.empty') : isTaskMet(results) ? t('task.metAtStart') : ''}
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {task.conditions.length < taskLimits.conditions ? (
          <AddCondition
            scene={scene}
            onAdd={(condition) => withConditions([...task.conditions, condition])}
          />
        ) : (
          <span className="text-[12.5px] text-soft">{t('task.full', { most: taskLimits.conditions })}</span>
        )}
        <Button quiet onClick={() => set(null)}>
          {t('task.askNothing')}
        </Button>
      </div>
    </section>
  );
}

/** One condition with what is measured now; its blanks are changed in place. */
function ConditionRow({
  scene,
  condition,
  result,
  isLost,
  onChange,
}: {
  scene: FigureScene;
  condition: Condition;
  result: ConditionResult;
  isLost: boolean;
  onChange: (condition: Condition | null) => void;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const fromFigure = (single: SingleCondition): void => {
    const made = firstCondition(single.kind, scene.document, single.item, scene.cursor, scene.evaluation);
    if (made) onChange(made);
  };
  return (
    <li className="flex flex-col gap-1.5 text-[13px] leading-snug" data-condition-row={condition.kind}>
      <div className="flex items-start gap-2">
        <span className="flex-1">{conditionText(condition, scene.document, t)}</span>
        {isLost ? (
          <strong role="alert" className="text-bad">
            {t('writer.conditionLost')}
          </strong>
        ) : (
          <span className="font-mono text-[12px] whitespace-nowrap text-soft">
            {measuredText(condition, result, t)}
          </span>
        )}
        {!isGroup(condition) && (
          <IconButton label={t(open ? 'task.close' : 'task.edit')} onPress={() => setOpen(!open)}>
            {open ? <Check size={14} /> : <Pencil size={14} />}
          </IconButton>
        )}
        <IconButton label={t('task.remove')} onPress={() => onChange(null)}>
          <X size={14} />
        </IconButton>
      </div>
      {open && !isGroup(condition) && (
        <div className="flex flex-wrap items-center gap-2 border-l-2 border-line pl-3">
          <ConditionFields scene={scene} condition={condition} onChange={onChange} />
          <Button quiet onClick={() => fromFigure(condition)}>
            {t('task.fromFigure')}
          </Button>
        </div>
      )}
    </li>
  );
}
