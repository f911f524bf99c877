import {
  checkTask,
  figureOfStage,
  isTaskMet,
  lostConditions,
  sheetOf,
  taskLimits,
  taskOf,
  type Condition,
  type Sheet,
  type Task,
} from '@bogen/core/lesson';
import { Check, TriangleAlert, X } from 'lucide-react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { IconButton } from '../../ui/IconButton.js';
import type { EditedDraft } from '../draft.js';
import { AddCondition } from './AddCondition.js';
import { ConditionRow } from './ConditionRow.js';
import { TypedText } from './TypedText.js';

interface TaskEditorProps {
  readonly edited: EditedDraft;
  readonly sheet: Sheet;
  readonly task: Task;
  /** The stage that is seen. */
  readonly stage: string;
  readonly scene: FigureScene;
  readonly onChange: (task: Task | null) => void;
  readonly onGo: (stage: string) => void;
}

/** One task: its sentence, its conditions with what is measured now, its hints, and whether it can be done. */
export function TaskEditor({ edited, sheet, task, stage, scene, onChange, onGo }: TaskEditorProps) {
  const { t } = useTranslation();
  /** The task as it is now, also where a field becomes a step a little later. */
  const latest = (): Task | undefined => {
    const now = sheetOf(edited.store.getState().history.document, sheet.id);
    return now && taskOf(now, task.id);
  };
  const set = (change: Partial<Task>): void => {
    const now = latest();
    if (now) onChange({ ...now, ...change });
  };
  const start = figureOfStage(sheet, task.stage);
  const results = checkTask(task, start, stage === task.stage ? start : figureOfStage(sheet, stage));
  const lost = lostConditions(sheet, task);
  const nameOf = (id: string): string => {
    const number = sheet.stages.findIndex((other) => other.id === id) + 1;
    return number > 0 ? t('task.stageName', { number }) : t('task.stageGone');
  };
  const number = sheet.tasks.indexOf(task) + 1;
  const withConditions = (conditions: readonly Condition[]): void => set({ conditions });
  return (
    <section
      aria-label={sheet.tasks.length > 1 ? t('task.number', { number }) : t('writer.task')}
      className="rounded-lg border border-line bg-sheet p-4"
      data-task-editor
    >
      <div className="flex items-center gap-2 text-[13px]">
        <h2 className="flex-1 font-semibold">
          {sheet.tasks.length > 1 ? t('task.number', { number }) : t('writer.task')}
        </h2>
        {sheet.stages.length > 1 && (
          <Choice
            label={t('task.on')}
            value={task.stage}
            choices={sheet.stages.map(({ id }) => id)}
            name={nameOf}
            onChange={(next) => {
              set({ stage: next });
              onGo(next);
            }}
          />
        )}
        <IconButton label={t('task.askNothing')} onPress={() => onChange(null)}>
          <X size={14} />
        </IconButton>
      </div>
      <TypedText
        edited={edited}
        label={t('writer.taskPrompt')}
        value={task.prompt}
        most={taskLimits.promptLength}
        className="mt-1 -ml-1 w-full font-serif text-[15px]"
        onChange={(prompt) => set({ prompt })}
      />
      <ul className="mt-1 flex flex-col gap-1">
        {task.conditions.map((condition, index) => (
          <ConditionRow
            key={index}
            scene={scene}
            figure={start}
            condition={condition}
            result={results[index]!}
            isLost={lost.includes(index)}
            onChange={(next) =>
              withConditions(next ? task.conditions.with(index, next) : task.conditions.toSpliced(index, 1))
            }
          />
        ))}
      </ul>
      {task.conditions.length === 0 && (
        <p role="status" className="text-[12.5px] text-soft">
          {t('task.empty')}
        </p>
      )}
      {task.conditions.length < taskLimits.conditions ? (
        <AddCondition scene={scene} onAdd={(condition) => withConditions([...task.conditions, condition])} />
      ) : (
        <span className="text-[12.5px] text-soft">{t('task.full', { most: taskLimits.conditions })}</span>
      )}
      <ul className="flex flex-col gap-1">
        {task.hints.map((hint, index) => (
          <li key={index} className="flex items-start gap-2 border-l-2 border-line pl-2">
            <TypedText
              edited={edited}
              label={t('task.hint', { number: index + 1 })}
              value={hint.text}
              most={taskLimits.promptLength}
              className="flex-1 font-serif text-[14px] italic"
              onChange={(text) => {
                const hints = latest()?.hints ?? [];
                set({
                  hints:
                    text.trim() === '' ? hints.toSpliced(index, 1) : hints.with(index, { ...hint, text }),
                });
              }}
            />
            <IconButton
              label={t('task.removeHint', { number: index + 1 })}
              onPress={() => set({ hints: task.hints.toSpliced(index, 1) })}
            >
              <X size={14} />
            </IconButton>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        {task.hints.length < taskLimits.hints && (
          <Button
            quiet
            className="-ml-2.5"
            onClick={() => set({ hints: [...task.hints, { text: t('task.newHint') }] })}
          >
            {t('task.addHint')}
          </Button>
        )}
        {sheet.stages.length > 1 && (
          <Choice
            label={t('task.solution')}
            value={task.solution ?? ''}
            choices={['', ...sheet.stages.map(({ id }) => id).filter((id) => id !== task.stage)]}
            name={(id) => (id === '' ? t('task.noSolution') : nameOf(id))}
            onChange={(next) => {
              const { solution: _, ...rest } = task;
              onChange(next === '' ? rest : { ...rest, solution: next });
            }}
          />
        )}
      </div>
      {task.conditions.length > 0 && <Tried sheet={sheet} task={task} />}
    </section>
  );
}

/** Whether the task fails at the start, as it must, and passes at its solution. */
function Tried({ sheet, task }: { sheet: Sheet; task: Task }) {
  const { t } = useTranslation();
  const start = figureOfStage(sheet, task.stage);
  const solution = task.solution === undefined ? undefined : figureOfStage(sheet, task.solution);
  const rows = [
    { isGood: !isTaskMet(checkTask(task, start, start)), good: 'task.failsAtStart', bad: 'task.metAtStart' },
    ...(solution
      ? [
          {
            isGood: isTaskMet(checkTask(task, start, solution)),
            good: 'task.passesAtSolution',
            bad: 'task.failsAtSolution',
          } as const,
        ]
      : []),
  ] as const;
  return (
    <p role="status" className="mt-1 flex flex-wrap gap-x-4 text-[12.5px]" data-tried>
      {rows.map(({ isGood, good, bad }) => (
        <span key={good} className={isGood ? 'flex gap-1 text-good' : 'flex gap-1 text-bad'}>
          {isGood ? (
            <Check aria-hidden size={15} className="shrink-0" />
          ) : (
            <TriangleAlert aria-hidden size={15} className="shrink-0" />
          )}
          {t(isGood ? good : bad)}
        </span>
      ))}
    </p>
  );
}
