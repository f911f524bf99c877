import { type FigureDocument } from '@bogen/core/figure';
import { checkTask, isTaskMet, type ConditionResult, type Task } from '@bogen/core/lesson';
import { Check, Circle } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { TaskToRead } from './TaskToRead.js';
import { conditionText, measuredText } from './conditionText.js';

export interface TaskCardProps {
  readonly task: Task;
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  /** Checks on the server; resolves to its results, or to null where it can't be reached now. */
  readonly onCheck?: (() => Promise<readonly ConditionResult[] | null>) | undefined;
  readonly passed: boolean;
  readonly startOver?: ReactNode;
  /** One way to do it, where the sheet shows one: the figure goes there, and back. */
  readonly solution?: SolutionShown | undefined;
}

export interface SolutionShown {
  readonly isShown: boolean;
  readonly onShow: (shown: boolean) => void;
}

/** What the server said about a check, beside what was calculated here. */
type Confirmation = 'none' | 'asking' | 'confirmed' | 'waiting' | 'disagrees';

/** The task of a sheet: its conditions with what is measured now, its hints, and the check. */
export function TaskCard({ task, start, scene, onCheck, passed, startOver, solution }: TaskCardProps) {
  const { t } = useTranslation();
  const [results, setResults] = useState<readonly ConditionResult[]>(() =>
    checkTask(task, start, scene.document, scene.evaluation),
  );
  const [checked, setChecked] = useState(false);
  const [confirmation, setConfirmation] = useState<Confirmation>('none');
  const [hints, setHints] = useState(0);
  const [tried, setTried] = useState(passed);

  // What is measured follows when the hand rests; a check judges the moment of its press.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let document = scene.document;
    const measure = (): void => setResults(checkTask(task, start, scene.document, scene.evaluation));
    measure();
    const stop = scene.drawn.subscribe(() => {
      if (scene.document === document) return;
      document = scene.document;
      setChecked(false);
      setConfirmation('none');
      clearTimeout(timer);
      timer = setTimeout(measure, 60);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [task, start, scene]);

  const check = async (): Promise<void> => {
    const here = checkTask(task, start, scene.document, scene.evaluation);
    const judged = scene.document;
    setResults(here);
    setChecked(true);
    setTried(true);
    if (!onCheck) return;
    setConfirmation('asking');
    const there = await onCheck().catch(() => null);
    if (scene.document !== judged) return;
    if (!there) setConfirmation('waiting');
    else if (there.every(({ met }, index) => met === here[index]?.met)) setConfirmation('confirmed');
    else {
      setResults(there);
      setConfirmation('disagrees');
    }
  };

  const done = checked && isTaskMet(results);
  const verdict = !checked
    ? passed
      ? t('sheet.doneBefore')
      : ''
    : [
        done ? t('sheet.allMet') : t('sheet.notAllMet'),
        confirmation === 'confirmed'
          ? t('sheet.confirmed')
          : confirmation === 'waiting'
            ? t('sheet.unconfirmed')
            : confirmation === 'disagrees'
              ? t('sheet.disagrees')
              : '',
      ].join(' ');
  return (
    <TaskToRead task={task}>
      <ul className="mt-2.5 flex flex-col gap-1.5">
        {task.conditions.map((condition, index) => {
          const result = results[index] ?? { met: false, measured: null };
          return (
            <li key={index} data-met={result.met} className="flex items-start gap-2 text-[13px] leading-snug">
              {result.met ? (
                <Check aria-hidden size={16} className="mt-px shrink-0 text-good" />
              ) : (
                <Circle aria-hidden size={13} className="mx-[1.5px] mt-[3px] shrink-0 text-soft" />
              )}
              <span className="flex-1">
                {conditionText(condition, scene.document, t)}
                <span className="sr-only">: {result.met ? t('sheet.met') : t('sheet.notMet')}</span>
              </span>
              <span className="font-mono text-[12px] whitespace-nowrap text-soft">
                {measuredText(condition, result, t)}
              </span>
            </li>
          );
        })}
      </ul>
      {task.hints.slice(0, hints).map((hint) => (
        <p key={hint.text} className="mt-2 border-l-2 border-line pl-3 font-serif text-[14px] italic">
          {hint.text}
        </p>
      ))}
      <p
        role="status"
        className={
          done ? 'mt-2 min-h-5 text-[13px] font-medium text-good' : 'mt-2 min-h-5 text-[13px] font-medium'
        }
      >
        {solution?.isShown ? t('sheet.solution') : verdict}
      </p>
      <div className="mt-1.5 flex items-center gap-2">
        <Button primary disabled={solution?.isShown} onClick={() => void check()}>
          {t('sheet.check')}
        </Button>
        {hints < task.hints.length && (
          <Button onClick={() => setHints(hints + 1)}>
            {hints === 0 ? t('sheet.hint') : t('sheet.nextHint')}
          </Button>
        )}
        {solution && tried && (
          <Button pressed={solution.isShown} onClick={() => solution.onShow(!solution.isShown)}>
            {t(solution.isShown ? 'sheet.backToOwn' : 'sheet.showSolution')}
          </Button>
        )}
        <span className="flex-1" />
        {!solution?.isShown && startOver}
      </div>
    </TaskToRead>
  );
}
