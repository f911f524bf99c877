import { taskLimits, type ChoiceOffered } from '@bogen/core/lesson';
import { Plus, X } from 'lucide-react';
import { useTranslation } from '../../../text/text.js';
import { Button } from '../../../ui/Button.js';
import { Check } from '../../../ui/Choice.js';
import { IconButton } from '../../../ui/IconButton.js';
import { LightsField } from '../LightsField.js';
import { TypedText } from '../TypedText.js';
import type { TaskFieldsProps } from '../editing.js';

/** The answers to choose from: which of them are right, and why each of the others is wrong. */
export function ChoiceFields({ edited, task, scene, onChange }: TaskFieldsProps<'choice'>) {
  const { t } = useTranslation();
  const { choices } = task;
  const set = (index: number, change: (now: ChoiceOffered) => ChoiceOffered): void =>
    onChange((now) => {
      const before = now.choices[index];
      return before ? { ...now, choices: now.choices.with(index, change(before)) } : now;
    });
  return (
    <div className="mt-1 flex flex-col gap-1.5 text-[13px]">
      <ol className="flex flex-col gap-2">
        {choices.map(({ text, isRight, reason, lights }, index) => (
          <li key={index} className="flex flex-col gap-0.5 border-l-2 border-line pl-2" data-choice-row>
            <div className="flex items-start gap-2">
              <TypedText
                edited={edited}
                line
                label={t('task.choice', { number: index + 1 })}
                value={text}
                most={taskLimits.choiceLength}
                className="flex-1 text-[14px]"
                onChange={(next) => set(index, (now) => ({ ...now, text: next }))}
              />
              <Check
                label={t('task.isRight')}
                value={isRight === true}
                onChange={(on) =>
                  set(index, ({ isRight: _, ...now }) => (on ? { ...now, isRight: true } : now))
                }
              />
              <LightsField
                scene={scene}
                lights={lights}
                onChange={(next) =>
                  set(index, ({ lights: _, ...now }) => (next ? { ...now, lights: next } : now))
                }
              />
              <IconButton
                label={t('task.removeChoice', { number: index + 1 })}
                onPress={() => onChange((now) => ({ ...now, choices: now.choices.toSpliced(index, 1) }))}
              >
                <X size={14} />
              </IconButton>
            </div>
            <TypedText
              edited={edited}
              label={t('task.reason', { number: index + 1 })}
              placeholder={t(isRight ? 'task.whyRight' : 'task.whyWrong')}
              value={reason ?? ''}
              most={taskLimits.choiceLength}
              className="font-serif text-[13.5px] italic"
              onChange={(next) =>
                set(index, ({ reason: _, ...now }) => (next.trim() === '' ? now : { ...now, reason: next }))
              }
            />
          </li>
        ))}
      </ol>
      {choices.length < taskLimits.choices && (
        <Button
          quiet
          className="-ml-2.5 self-start"
          onClick={() => onChange((now) => ({ ...now, choices: [...now.choices, { text: '' }] }))}
        >
          <Plus size={14} /> {t('task.addChoice')}
        </Button>
      )}
    </div>
  );
}
