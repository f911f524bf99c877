import '../text/enTask.js';
import type { FigureDocument } from '@bogen/core/figure';
import {
  checkTask,
  isAnsweredByFigure,
  isTaskMet,
  type ConditionResult,
  type Sheet,
  type Task,
  type TaskAnswer,
} from '@bogen/core/lesson';
import { useCallback, useEffect, useState, type ComponentType, type ReactNode } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import type { AnswerProps, OverFigure } from './answering.js';
import { ChoiceAnswer } from './ChoiceAnswer.js';
import { Hints } from './Hints.js';
import { NumberAnswer } from './NumberAnswer.js';
import { OrderAnswer } from './OrderAnswer.js';
import { PredictionAnswer } from './prediction/PredictionAnswer.js';
import { ShapeResults } from './ShapeResults.js';
import { TaskToRead } from './TaskToRead.js';

/** The fields in which each kind of task is answered that is not answered by the figure. */
const answerFields = {
  number: NumberAnswer,
  choice: ChoiceAnswer,
  order: OrderAnswer,
  prediction: PredictionAnswer,
} as { readonly [Kind in Task['kind']]?: ComponentType<AnswerProps<Kind>> };

export interface TaskCardProps {
  readonly task: Task;
  readonly sheet: Sheet;
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  /** What was answered last. */
  readonly kept?: TaskAnswer | undefined;
  /** Told every answer as it is given, to keep it. */
  readonly onAnswer?: ((answer: TaskAnswer) => void) | undefined;
  /** Whether nobody else checks: then nothing is said of a second check. */
  readonly isAlone?: boolean;
  /** Checks on the server; resolves to its results, or to null where it can't be reached now. */
  readonly onCheck?: (() => Promise<readonly ConditionResult[] | null>) | undefined;
  readonly passed: boolean;
  /** Where a number counts and the task was met: what the reader came to, beside the class. */
  readonly best?: Best | undefined;
  readonly startOver?: ReactNode;
  /** One way to do it, or what a predicted change comes to, where there is one: the figure goes there, and back. */
  readonly solution?: SolutionShown | undefined;
  /** Whether the figure that is seen is not the reader's own, but shows a solution of this task or another. */
  readonly isAway?: boolean | undefined;
  /** Which of the things that are mixed come in which order: the same for the same reader. */
  readonly mixing?: string | undefined;
  /** Lays something over the figure. */
  readonly onOver?: ((task: string, over: OverFigure | null) => void) | undefined;
}

export interface Best {
  readonly own: number;
  readonly ofClass: number;
  /** How many of the class have met it. */
  readonly students: number;
}

export interface SolutionShown {
  readonly isShown: boolean;
  readonly onShow: (shown: boolean) => void;
}

/** What the server said about a check, beside what was calculated here. */
type Confirmation = 'none' | 'asking' | 'confirmed' | 'waiting' | 'disagrees';

/** A task of a sheet: where it is answered, what comes of it, its hints, and the check. */
export function TaskCard(props: TaskCardProps) {
  const { task, sheet, start, scene, kept, onAnswer, onCheck, passed, startOver, solution } = props;
  const { mixing = '', onOver } = props;
  const { t } = useTranslation();
  const byFigure = isAnsweredByFigure(task);
  const [answer, setAnswer] = useState(kept?.kind === task.kind ? kept : undefined);
  const judge = (): readonly ConditionResult[] =>
    checkTask(sheet, task, {
      start,
      figure: scene.document,
      evaluation: scene.evaluation,
      answer,
    });
  const [results, setResults] = useState<readonly ConditionResult[]>(() => (byFigure ? judge() : []));
  const [checked, setChecked] = useState(false);
  const [confirmation, setConfirmation] = useState<Confirmation>('none');
  const [tried, setTried] = useState(passed);
  const forget = (): void => {
    setChecked(false);
    setConfirmation('none');
  };

  // What is measured follows when the hand rests; a check judges the moment of its press.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let document = scene.document;
    const measure = (): void => {
      if (byFigure) setResults(judge());
    };
    measure();
    const stop = scene.drawn.subscribe(() => {
      if (scene.document === document) return;
      document = scene.document;
      // What is predicted does not change with the figure, which shows it.
      if (task.kind === 'prediction') return;
      forget();
      clearTimeout(timer);
      timer = setTimeout(measure, 60);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [task, sheet, start, scene]);

  const give = (next: TaskAnswer): void => {
    setAnswer(next);
    forget();
    if (task.kind === 'prediction') solution?.onShow(false);
    onAnswer?.(next);
  };
  const lay = useCallback((over: OverFigure | null) => onOver?.(task.id, over), [onOver, task.id]);
  const check = async (): Promise<void> => {
    // What is judged is never something on the way from one stage to another.
    scene.host.arrive?.();
    const here = judge();
    const judged = scene.document;
    setResults(here);
    setChecked(true);
    setTried(true);
    if (task.kind === 'prediction') solution?.onShow(true);
    if (!onCheck) return;
    setConfirmation(props.isAlone ? 'none' : 'asking');
    const there = await onCheck().catch(() => null);
    if (props.isAlone) return;
    if (task.kind !== 'prediction' && scene.document !== judged) return;
    if (!there) setConfirmation('waiting');
    else if (there.every(({ met }, index) => met === here[index]?.met)) setConfirmation('confirmed');
    else {
      setResults(there);
      setConfirmation('disagrees');
    }
  };

  const done = checked && isTaskMet(results);
  const AnswerFields = answerFields[task.kind] as ComponentType<AnswerProps<Task['kind']>> | undefined;
  const isPrediction = task.kind === 'prediction';
  const isReady = byFigure || isAnswered(task, answer);
  // What a prediction shows is the answer to it, and nobody's own figure.
  const isAway = props.isAway === true && !(isPrediction && solution?.isShown);
  return (
    <TaskToRead task={task} sheet={sheet}>
      {task.kind === 'shape' ? (
        <ShapeResults task={task} scene={scene} results={results} isChecked={checked} />
      ) : (
        AnswerFields && (
          <AnswerFields
            task={task as never}
            sheet={sheet}
            start={start}
            scene={scene}
            answer={answer as never}
            onAnswer={give}
            results={checked ? results : null}
            mixing={mixing}
            onOver={lay}
          />
        )
      )}
      <Hints hints={task.hints} scene={scene}>
        {(hintButton) => (
          <>
            <p
              role="status"
              className={
                done
                  ? 'mt-2 min-h-5 text-[13px] font-medium text-good'
                  : 'mt-2 min-h-5 text-[13px] font-medium'
              }
            >
              {isAway ? (
                t(solution?.isShown ? 'sheet.solution' : 'answer.away')
              ) : (
                <Verdict {...{ task, checked, done, passed, confirmation }} />
              )}
            </p>
            {props.best && <BestOfClass {...props.best} />}
            <div className="mt-1.5 flex flex-wrap items-center gap-2">
              <Button
                primary
                disabled={isAway || !isReady}
                title={isReady ? undefined : t(isPrediction ? 'answer.firstGuess' : 'answer.first')}
                onClick={() => void check()}
              >
                {t(isPrediction ? 'answer.show' : 'sheet.check')}
              </Button>
              {hintButton}
              {solution && (isPrediction ? solution.isShown : tried) && (
                <Button
                  pressed={isPrediction ? undefined : solution.isShown}
                  onClick={() => solution.onShow(!solution.isShown)}
                >
                  {t(
                    isPrediction
                      ? 'answer.back'
                      : solution.isShown
                        ? 'sheet.backToOwn'
                        : 'sheet.showSolution',
                  )}
                </Button>
              )}
              <span className="flex-1" />
              {!isAway && startOver}
            </div>
          </>
        )}
      </Hints>
    </TaskToRead>
  );
}

/** How the reader's number stands beside the best of the class. */
function BestOfClass({ own, ofClass, students }: Best) {
  const { t } = useTranslation();
  // What is counted has no places after the point.
  const told = (value: number): string => (Number.isInteger(value) ? String(value) : shownNumber(value));
  const numbers = { own: told(own), best: told(ofClass), count: students };
  return (
    <p className="text-[12.5px] text-soft" data-best>
      {t(
        own <= ofClass ? (students > 1 ? 'answer.bestIsOwn' : 'answer.bestIsFirst') : 'answer.best',
        numbers,
      )}
    </p>
  );
}

/** Whether there is enough of an answer to check it. */
function isAnswered({ kind, ...task }: Task, answer: TaskAnswer | undefined): boolean {
  if (answer?.kind !== kind) return false;
  if (answer.kind === 'choice') return answer.chosen.length > 0;
  if (answer.kind === 'prediction')
    return (
      'questions' in task &&
      task.questions.length > 0 &&
      task.questions.every((question, index) => answer.guesses[index]?.of === question.of)
    );
  return true;
}

/** What came of the last check, here and on the server. */
function Verdict({
  task,
  checked,
  done,
  passed,
  confirmation,
}: {
  task: Task;
  checked: boolean;
  done: boolean;
  passed: boolean;
  confirmation: Confirmation;
}) {
  const { t } = useTranslation();
  if (!checked) return passed ? t('sheet.doneBefore') : '';
  const [right, wrong] =
    task.kind === 'shape'
      ? [t('sheet.allMet'), t('sheet.notAllMet')]
      : task.kind === 'prediction'
        ? [t('answer.asExpected'), t('answer.otherwise')]
        : [t('answer.right'), t('answer.wrong')];
  const said = {
    none: '',
    asking: '',
    confirmed: 'confirmed',
    waiting: 'unconfirmed',
    disagrees: 'disagrees',
  } as const;
  const there = said[confirmation];
  return `${done ? right : wrong} ${there ? t(`sheet.${there}`) : ''}`;
}
