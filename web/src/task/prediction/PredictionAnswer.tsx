import { answerTo, type Guess } from '@bogen/core/lesson';
import { Check, Circle } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from '../../text/text.js';
import type { AnswerProps } from '../answering.js';
import { GuessField } from './GuessField.js';
import { GuessMarks } from './GuessMarks.js';
import { questionText, truthText } from './questionText.js';

/**
 * What is expected of a change, question by question: said here, or marked in the figure. Once the change is shown, what came
 * true lies beside it, measured.
 */
export function PredictionAnswer({
  task,
  sheet,
  start,
  scene,
  answer,
  onAnswer,
  results,
  onOver,
}: AnswerProps<'prediction'>) {
  const { t } = useTranslation();
  const { questions } = task;
  const guesses = useMemo(
    () => questions.map((_, index) => answer?.guesses[index] ?? null),
    [questions, answer],
  );
  const [drawing, setDrawing] = useState<number | null>(null);
  const isChecked = results !== null;
  const truths = useMemo(() => {
    const found = isChecked ? answerTo(sheet, task, { start, figure: start }) : undefined;
    return found?.kind === 'prediction' ? found.guesses : [];
  }, [isChecked, sheet, task, start]);
  const set = (index: number, guess: Guess | null): void =>
    onAnswer({
      kind: 'prediction',
      guesses: questions.map((_, at) => (at === index ? guess : guesses[at]!)),
    });
  // The marks lie over the figure as long as the task is there; what they do is always the newest.
  useEffect(() => {
    onOver((projection, pane) => (
      <GuessMarks
        projection={projection}
        pane={pane}
        scene={scene}
        start={start}
        questions={questions}
        guesses={guesses}
        truths={truths}
        drawing={drawing}
        onGuess={set}
        onDrawn={() => setDrawing(null)}
      />
    ));
  }, [scene, start, questions, guesses, truths, drawing]);
  useEffect(() => () => onOver(null), []);
  return (
    <ol className="mt-2.5 flex flex-col gap-2.5 text-[13.5px]">
      {questions.map((question, index) => {
        const result = results?.[index];
        return (
          <li key={index} className="flex flex-col gap-1" data-question={question.of} data-met={result?.met}>
            <p className="leading-snug font-medium">{questionText(question, start, t)}</p>
            <GuessField
              question={question}
              guess={guesses[index]!}
              start={start}
              scene={scene}
              isDrawing={drawing === index}
              onDraw={(on) => setDrawing(on ? index : null)}
              onGuess={(guess) => set(index, guess)}
            />
            {result && (
              <p className="flex items-start gap-1.5 text-[13px]">
                {result.met ? (
                  <Check role="img" aria-label={t('sheet.met')} size={16} className="shrink-0 text-good" />
                ) : (
                  <Circle
                    role="img"
                    aria-label={t('sheet.notMet')}
                    size={13}
                    className="mx-[1.5px] mt-[3px] shrink-0 text-soft"
                  />
                )}
                <span>{truthText(truths[index] ?? undefined, result, start, question, t)}</span>
              </p>
            )}
          </li>
        );
      })}
    </ol>
  );
}
