import { taskLimits, type Hint } from '@bogen/core/lesson';
import { X } from 'lucide-react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { IconButton } from '../../ui/IconButton.js';
import type { EditedDraft } from '../draft.js';
import { LightsField } from './LightsField.js';
import { TypedText } from './TypedText.js';

interface TaskHintsProps {
  readonly edited: EditedDraft;
  readonly hints: readonly Hint[];
  readonly scene: FigureScene;
  readonly onChange: (change: (now: readonly Hint[]) => readonly Hint[]) => void;
}

/** The hints of a task, in the order in which they are given, each with what it lights up. */
export function TaskHints({ edited, hints, scene, onChange }: TaskHintsProps) {
  const { t } = useTranslation();
  return (
    <ul className="flex flex-col gap-1">
      {hints.map((hint, index) => (
        <li key={index} className="flex items-start gap-2 border-l-2 border-line pl-2">
          <TypedText
            edited={edited}
            label={t('task.hint', { number: index + 1 })}
            value={hint.text}
            most={taskLimits.promptLength}
            className="flex-1 font-serif text-[14px] italic"
            onChange={(text) =>
              onChange((now) =>
                text.trim() === '' ? now.toSpliced(index, 1) : now.with(index, { ...hint, text }),
              )
            }
          />
          <LightsField
            scene={scene}
            lights={hint.lights}
            onChange={(lights) =>
              onChange((now) => now.with(index, { text: hint.text, ...(lights ? { lights } : {}) }))
            }
          />
          <IconButton
            label={t('task.removeHint', { number: index + 1 })}
            onPress={() => onChange((now) => now.toSpliced(index, 1))}
          >
            <X size={14} />
          </IconButton>
        </li>
      ))}
    </ul>
  );
}
