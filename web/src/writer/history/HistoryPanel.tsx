import { backTo, CommandError } from '@bogen/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/instructorCall.js';
import { useEdited } from '../../saving/useEdited.js';
import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { shownDay } from '../../text/time.js';
import { Button } from '../../ui/Button.js';
import { Panel } from '../../ui/Panel.js';
import { ProblemText } from '../../ui/ProblemText.js';
import type { EditedDraft } from '../draft.js';
import { Differences } from './Differences.js';

interface HistoryPanelProps {
  readonly lesson: string;
  readonly edited: EditedDraft;
  readonly onClose: () => void;
}

/** How the lesson was: its editions, and its days. Each is told apart from how it is now, and can be gone back to. */
export function HistoryPanel({ lesson, edited, onClose }: HistoryPanelProps) {
  const { t } = useTranslation();
  const [chosen, setChosen] = useState<number | null>(null);
  const history = useQuery({
    queryKey: ['history', lesson],
    queryFn: ({ signal }) => call('lessonHistory', { params: { lesson }, signal }),
    staleTime: 0,
  });
  const row = (key: string, title: string, beside: string, revision: number) => (
    <li key={key} className="border-b border-line py-1.5">
      <button
        type="button"
        aria-expanded={chosen === revision}
        className="flex w-full items-baseline gap-3 rounded text-left text-[13.5px] hover:bg-tint"
        onClick={() => setChosen(chosen === revision ? null : revision)}
      >
        <span className="flex-1 font-medium">{title}</span>
        <span className="text-[12.5px] text-soft">{beside}</span>
      </button>
      {chosen === revision && <Then lesson={lesson} edited={edited} revision={revision} onBack={onClose} />}
    </li>
  );
  return (
    <Panel open onClose={onClose} title={t('lessonHistory.history')} lead={t('lessonHistory.lead')}>
      <ProblemText error={history.error} />
      {history.data && (
        <div data-history>
          <h3 className="text-[13px] font-semibold">{t('lessonHistory.editions')}</h3>
          {history.data.editions.length === 0 && (
            <p className="text-[13px] text-soft">{t('shelf.notPublished')}</p>
          )}
          <ul>
            {history.data.editions.map(({ number, revision, publishedAt }) =>
              row(
                `edition ${number}`,
                t('lessonHistory.edition', { number }),
                shownDay(publishedAt),
                revision,
              ),
            )}
          </ul>
          {history.data.days.length > 0 && (
            <h3 className="mt-4 text-[13px] font-semibold">{t('lessonHistory.days')}</h3>
          )}
          <ul>
            {history.data.days.map(({ day, revision, steps }) =>
              row(day, shownDay(day), t('lessonHistory.steps', { count: steps }), revision),
            )}
          </ul>
        </div>
      )}
    </Panel>
  );
}

/** How it was at one time, against how it is now. */
function Then({
  lesson,
  edited,
  revision,
  onBack,
}: {
  lesson: string;
  edited: EditedDraft;
  revision: number;
  onBack: () => void;
}) {
  const { t } = useTranslation();
  const tell = useTold();
  const now = useEdited(edited, (state) => state.history.document);
  const [problem, setProblem] = useState('');
  const then = useQuery({
    queryKey: ['lesson-at', lesson, revision],
    queryFn: ({ signal }) => call('lessonAt', { params: { lesson, revision }, signal }),
    staleTime: Infinity,
  });
  if (!then.data)
    return then.error ? <ProblemText error={then.error} /> : <p role="status">{t('app.loading')}</p>;
  const { document } = then.data;
  const goBack = (): void => {
    edited.finishTyping();
    try {
      edited.do(backTo(edited.store.getState().history.document, document));
      onBack();
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      setProblem(tell(error));
    }
  };
  return (
    <div className="flex flex-col gap-2 py-2 pl-3">
      <p className="text-[12.5px] text-soft">{t('lessonHistory.since')}</p>
      <Differences before={document} after={now} />
      <Button className="self-start" onClick={goBack}>
        {t('lessonHistory.goBack')}
      </Button>
      {problem && (
        <p role="alert" className="text-[13px] text-bad">
          {problem}
        </p>
      )}
    </div>
  );
}
