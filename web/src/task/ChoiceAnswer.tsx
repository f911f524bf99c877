import { hasSeveralRight } from '@bogen/core/lesson';
import { Check, X } from 'lucide-react';
import { useId, useMemo } from 'react';
import { PointingWords } from '../live/PointingWords.js';
import { useTranslation } from '../text/text.js';
import type { AnswerProps } from './answering.js';
import { mixed } from './mixed.js';

/** Answers to choose from, with what is said of each that was chosen once it is checked. */
export function ChoiceAnswer({ task, answer, onAnswer, results, mixing }: AnswerProps<'choice'>) {
  const { t } = useTranslation();
  const group = useId();
  const { choices } = task;
  const order = useMemo(
    () => mixed(choices.length, `${mixing}/${task.id}`),
    [choices.length, mixing, task.id],
  );
  const isSeveral = hasSeveralRight(task);
  const chosen = answer?.chosen ?? [];
  const choose = (index: number, on: boolean): void =>
    onAnswer({
      kind: 'choice',
      chosen: isSeveral ? [...chosen.filter((other) => other !== index), ...(on ? [index] : [])] : [index],
    });
  return (
    <fieldset className="mt-2.5 flex flex-col gap-1.5 text-[13.5px]">
      <legend className="mb-1 text-[12.5px] text-soft">
        {t(isSeveral ? 'answer.chooseAll' : 'answer.chooseOne')}
      </legend>
      {order.map((index) => {
        const { text, isRight, reason, lights } = choices[index]!;
        const isChosen = chosen.includes(index);
        const told = results !== null && isChosen;
        return (
          <div key={index} data-choice={told ? (isRight ? 'right' : 'wrong') : 'open'}>
            <label className="flex items-start gap-2 leading-snug">
              <input
                type={isSeveral ? 'checkbox' : 'radio'}
                name={group}
                checked={isChosen}
                onChange={(event) => choose(index, event.target.checked)}
                className="mt-[3px] accent-accent"
              />
              <span className="flex-1">
                {lights ? <PointingWords targets={lights}>{text}</PointingWords> : text}
              </span>
              {told &&
                (isRight ? (
                  <Check role="img" aria-label={t('answer.chosenRight')} size={16} className="text-good" />
                ) : (
                  <X role="img" aria-label={t('answer.chosenWrong')} size={16} className="text-bad" />
                ))}
            </label>
            {told && reason && (
              <p className="mt-0.5 ml-6 border-l-2 border-line pl-2.5 font-serif text-[14px]" data-reason>
                {reason}
              </p>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
