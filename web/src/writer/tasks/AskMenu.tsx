import { taskKinds, type Sheet, type Task, type TaskKind } from '@bogen/core/lesson';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';
import { newTask } from './newTask.js';

const kinds = Object.keys(taskKinds) as TaskKind[];

interface AskMenuProps {
  readonly sheet: Sheet;
  readonly stage: string;
  readonly scene: FigureScene;
  readonly onAsk: (task: Task) => void;
}

/** The kinds of task to choose from, each with what it asks of the reader. */
export function AskMenu({ sheet, stage, scene, onAsk }: AskMenuProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <Popup
      label={t('task.kinds')}
      open={open}
      onOpen={setOpen}
      trigger={<Button quiet>{t(sheet.tasks.length === 0 ? 'task.ask' : 'task.askMore')}</Button>}
    >
      {open && (
        <ul className="flex w-[340px] max-w-full flex-col" data-ask-menu>
          {kinds.map((kind) => {
            const made = newTask(kind, sheet, stage, scene);
            return (
              <li key={kind}>
                <button
                  type="button"
                  disabled={!made}
                  className="block w-full rounded-md px-2 py-1.5 text-left text-[13px] leading-snug focus-visible:ring-3 focus-visible:ring-accent/40 enabled:hover:bg-tint disabled:opacity-60"
                  data-task-kind={kind}
                  onClick={() => {
                    if (!made) return;
                    setOpen(false);
                    onAsk(made);
                  }}
                >
                  <span className="font-semibold">{t(`task.kind.${kind}.name`)}</span>
                  <span className="block text-soft">
                    {t(made ? `task.kind.${kind}.asks` : `task.kind.${kind}.missing`)}
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      )}
    </Popup>
  );
}
