import {
  figureOfStage,
  sheetOf,
  taskLimits,
  taskOf,
  type Sheet,
  type Task,
  type TaskKind,
} from '@bogen/core/lesson';
import { X } from 'lucide-react';
import type { ComponentType } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { IconButton } from '../../ui/IconButton.js';
import type { EditedDraft } from '../draft.js';
import type { TaskFieldsProps } from './editing.js';
import { ChoiceFields } from './kinds/ChoiceFields.js';
import { NumberFields } from './kinds/NumberFields.js';
import { OrderFields } from './kinds/OrderFields.js';
import { PredictionFields } from './kinds/PredictionFields.js';
import { ShapeFields } from './kinds/ShapeFields.js';
import { TaskHints } from './TaskHints.js';
import { TriedTask } from './TriedTask.js';
import { TypedText } from './TypedText.js';
import { Varied } from './Varied.js';

/** The fields in which each kind of task is written. */
const fieldsOf: {
  readonly [Kind in TaskKind]: ComponentType<TaskFieldsProps<Kind> & { readonly stage: string }>;
} = {
  shape: ShapeFields,
  number: NumberFields,
  choice: ChoiceFields,
  order: OrderFields,
  prediction: PredictionFields,
};

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

/** One task: its sentence, what it asks, its hints, what differs from student to student, and whether it can be done. */
export function TaskEditor({ edited, sheet, task, stage, scene, onChange, onGo }: TaskEditorProps) {
  const { t } = useTranslation();
  /** The task as it is now, also where a field becomes a step a little later. */
  const change = (next: (now: Task) => Task): void => {
    const nowSheet = sheetOf(edited.store.getState().history.document, sheet.id);
    const now = nowSheet && taskOf(nowSheet, task.id);
    if (now) onChange(next(now));
  };
  const set = (part: Partial<Task>): void => change((now) => ({ ...now, ...part }) as Task);
  const start = figureOfStage(sheet, task.stage);
  const stageName = (id: string): string => {
    const number = sheet.stages.findIndex((other) => other.id === id) + 1;
    return number > 0 ? t('task.stageName', { number }) : t('task.stageGone');
  };
  const number = sheet.tasks.indexOf(task) + 1;
  const title = sheet.tasks.length > 1 ? t('task.number', { number }) : t('writer.task');
  const Fields = fieldsOf[task.kind] as ComponentType<TaskFieldsProps<TaskKind> & { stage: string }>;
  return (
    <section
      aria-label={title}
      className="rounded-lg border border-line bg-sheet p-4"
      data-task-editor={task.kind}
    >
      <div className="flex items-center gap-2 text-[13px]">
        <h2 className="flex-1 font-semibold">
          {title} <span className="font-normal text-soft">· {t(`task.kind.${task.kind}.name`)}</span>
        </h2>
        {sheet.stages.length > 1 && (
          <Choice
            label={t('task.on')}
            value={task.stage}
            choices={sheet.stages.map(({ id }) => id)}
            name={stageName}
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
      <Fields
        edited={edited}
        sheet={sheet}
        task={task as never}
        start={start}
        scene={scene}
        stage={stage}
        stageName={stageName}
        onChange={change as never}
      />
      <TaskHints
        edited={edited}
        hints={task.hints}
        scene={scene}
        onChange={(next) => change((now) => ({ ...now, hints: next(now.hints) }))}
      />
      <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        {task.hints.length < taskLimits.hints && (
          <Button
            quiet
            className="-ml-2.5"
            onClick={() => change((now) => ({ ...now, hints: [...now.hints, { text: t('task.newHint') }] }))}
          >
            {t('task.addHint')}
          </Button>
        )}
        {sheet.stages.length > 1 && task.kind !== 'prediction' && (
          <Choice
            label={t('task.solution')}
            value={task.solution ?? ''}
            choices={['', ...sheet.stages.map(({ id }) => id).filter((id) => id !== task.stage)]}
            name={(id) => (id === '' ? t('task.noSolution') : stageName(id))}
            onChange={(next) =>
              change(({ solution: _, ...now }) => (next === '' ? now : { ...now, solution: next }) as Task)
            }
          />
        )}
        <Varied
          varied={task.varied ?? []}
          start={start}
          scene={scene}
          onChange={(varied) =>
            change(({ varied: _, ...now }) => (varied.length > 0 ? { ...now, varied } : now) as Task)
          }
        />
      </div>
      {!(task.kind === 'shape' && task.conditions.length === 0) && <TriedTask sheet={sheet} task={task} />}
    </section>
  );
}
