import type { Field } from '@bogen/core/figure';
import {
  figureOfStage,
  guesses,
  judgeGuess,
  offeredQuestions,
  stepBetween,
  taskLimits,
  truthOf,
  type Question,
} from '@bogen/core/lesson';
import { Plus, X } from 'lucide-react';
import { useMemo } from 'react';
import { DescribedField } from '../../../editing/fields/DescribedField.js';
import { questionText, truthText } from '../../../task/prediction/questionText.js';
import { useTranslation } from '../../../text/text.js';
import { Choice } from '../../../ui/Choice.js';
import { IconButton } from '../../../ui/IconButton.js';
import { PickList } from '../../prose/PickList.js';
import type { TaskFieldsProps } from '../editing.js';

/** What says what a question is about, which is chosen and not typed. */
const aboutKeys: ReadonlySet<string> = new Set(['of', 'item', 'point', 'index', 'line', 'scale', 'count']);

/** Which change is to be predicted, and what of it is asked. */
export function PredictionFields({
  sheet,
  task,
  start,
  scene,
  onChange,
  stageName,
}: TaskFieldsProps<'prediction'>) {
  const { t } = useTranslation();
  const { to, questions } = task;
  const after = figureOfStage(sheet, to);
  const step = useMemo(() => stepBetween(start, after), [start, after]);
  const others = sheet.stages.map(({ id }) => id).filter((id) => id !== task.stage);
  const choices = others.includes(to) ? others : [to, ...others];
  return (
    <div className="mt-1 flex flex-col gap-1.5 text-[13px]" data-prediction-fields>
      <Choice
        label={t('task.predicts')}
        value={to}
        choices={choices}
        name={stageName}
        onChange={(next) => onChange((now) => ({ ...now, to: next }))}
      />
      <ol className="flex flex-col gap-1">
        {questions.map((question, index) => (
          <QuestionRow
            key={index}
            question={question}
            index={index}
            truth={told(question)}
            text={questionText(question, start, t)}
            onChange={(next) =>
              onChange((now) => ({
                ...now,
                questions: next ? now.questions.with(index, next) : now.questions.toSpliced(index, 1),
              }))
            }
          />
        ))}
      </ol>
      {questions.length < taskLimits.guesses && (
        <PickList<Question>
          label={t('task.addQuestion')}
          lead={t('task.addQuestionLead')}
          icon={
            <>
              <Plus size={14} /> {t('task.addQuestion')}
            </>
          }
          scene={scene}
          offers={() => start.items.flatMap(({ id }) => offeredQuestions(id, step))}
          text={(question) => questionText(question, start, t)}
          onChoose={(question) => onChange((now) => ({ ...now, questions: [...now.questions, question] }))}
        />
      )}
    </div>
  );

  /** What comes true of it, in words. */
  function told(question: Question): string {
    const truth = truthOf(question, step);
    // A place or a line has come true exactly where it is: its distance from itself says nothing.
    if (truth && (truth.of === 'place' || truth.of === 'drawn')) return '';
    return truthText(truth, judgeGuess(question, truth, step), start, question, t);
  }
}

function QuestionRow({
  question,
  index,
  text,
  truth,
  onChange,
}: {
  question: Question;
  index: number;
  text: string;
  truth: string;
  onChange: (question: Question | null) => void;
}) {
  const { t } = useTranslation();
  const { fields } = guesses[question.of].description as { readonly fields: Readonly<Record<string, Field>> };
  return (
    <li className="flex flex-wrap items-center gap-x-2 gap-y-0.5" data-question-row={question.of}>
      <span className="flex-1">{text}</span>
      {truth && <span className="font-mono text-[12px] text-soft">{truth}</span>}
      {Object.entries(fields)
        .filter(([key]) => !aboutKeys.has(key))
        .map(([key, field]) => (
          <DescribedField
            key={key}
            label={t(
              key === 'within' ? 'task.blanks.tolerance' : `task.blanks.${key as 'parameter' | 'continuity'}`,
            )}
            field={field}
            value={(question as unknown as Readonly<Record<string, unknown>>)[key]}
            onChange={(next) => onChange({ ...question, [key]: next } as Question)}
            wordFor={String}
          />
        ))}
      <IconButton label={t('task.removeQuestion', { number: index + 1 })} onPress={() => onChange(null)}>
        <X size={14} />
      </IconButton>
    </li>
  );
}
