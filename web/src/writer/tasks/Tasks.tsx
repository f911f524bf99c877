import { lessonLimits, type Sheet, type Task } from '@bogen/core/lesson';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import type { EditedDraft } from '../draft.js';
import { AskMenu } from './AskMenu.js';
import { TaskEditor } from './TaskEditor.js';

interface TasksProps {
  readonly edited: EditedDraft;
  readonly sheet: Sheet;
  /** The stage that is seen; a new task is given on it. */
  readonly stage: string;
  readonly scene: FigureScene;
  readonly onGo: (stage: string) => void;
}

/** What a sheet asks: none, one or several tasks. */
export function Tasks({ edited, sheet, stage, scene, onGo }: TasksProps) {
  const { t } = useTranslation();
  const { tasks } = sheet;
  const change = (at: number, remove: number, ...insert: Task[]): void =>
    edited.do({ name: 'changeTasks', sheet: sheet.id, at, remove, insert });
  return (
    <div className="flex flex-col gap-3 lg:max-h-[48%] lg:shrink-0 lg:overflow-y-auto">
      {tasks.map((task, index) => (
        <TaskEditor
          key={task.id}
          edited={edited}
          sheet={sheet}
          task={task}
          scene={scene}
          stage={stage}
          onChange={(next) => change(index, 1, ...(next ? [next] : []))}
          onGo={onGo}
        />
      ))}
      {tasks.length < lessonLimits.tasks && (
        <div className="flex items-center gap-3 text-[13px] text-soft">
          {tasks.length === 0 && t('writer.noTask')}
          <AskMenu
            sheet={sheet}
            stage={stage}
            scene={scene}
            onAsk={(task) => change(tasks.length, 0, task)}
          />
        </div>
      )}
    </div>
  );
}
