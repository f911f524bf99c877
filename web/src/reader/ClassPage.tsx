import '../text/enPages.js';
import { ProblemText } from '../ui/ProblemText.js';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { OwnData } from '../account/OwnData.js';
import { call } from '../api/call.js';
import { LessonCard } from '../thumbnail/LessonCard.js';
import { ReturnKey } from '../session/ReturnKey.js';
import { useSignInWhenNeeded, useSignOut, useAccount } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Panel } from '../ui/Panel.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';

/** A student's class: its lessons, and how far they are. */
export function ClassPage() {
  const { t } = useTranslation();
  const home = useQuery({
    queryKey: ['class'],
    queryFn: ({ signal }) => call('classHome', { signal }),
    staleTime: 0,
  });
  const who = useAccount().data;
  const signOut = useSignOut();
  const [asking, setAsking] = useState(false);
  const [own, setOwn] = useState(false);
  const student = who?.who === 'student' ? who.student : undefined;
  const newKey = useMutation({ mutationFn: () => call('newReturnKey', { body: {} }) });
  useSignInWhenNeeded(home.error, '/join');
  if (home.error) return <Failure error={home.error} onRetry={() => void home.refetch()} />;
  if (!home.data) return <Loading />;
  const { className, courseTitle, lessons } = home.data;
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        place={<span className="text-soft">{className}</span>}
        end={
          <>
            <Button quiet title={t('account.data')} onClick={() => setOwn(true)}>
              {student?.name}
            </Button>
            <Button quiet onClick={() => setAsking(true)}>
              {t('session.returnKey')}
            </Button>
            <Link
              to="/bench"
              className="inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium hover:bg-tint"
            >
              {t('reader.bench')}
            </Link>
            <Button quiet onClick={signOut}>
              {t('app.signOut')}
            </Button>
          </>
        }
      />
      <main className="mx-auto w-full max-w-[880px] flex-1 px-8 py-9">
        <p className="text-[14px] text-soft">{courseTitle}</p>
        <h1 className="font-serif text-[30px] font-medium">{t('reader.lessons')}</h1>
        {student?.closed && (
          <p className="mt-3 rounded-md border border-line bg-tint px-3 py-1.5 text-[14px]" data-closed>
            {t('session.classClosed')}
          </p>
        )}
        {lessons.length === 0 && <p className="prose-text mt-6 max-w-[520px]">{t('reader.empty')}</p>}
        <ul className="mt-6 flex flex-col gap-5">
          {lessons.map((lesson) => {
            const done = lesson.sheets.filter(({ progress }) => progress === 'done').length;
            const begun = lesson.sheets.some(({ progress }) => progress !== 'unopened');
            const next = lesson.sheets.find(({ progress }) => progress !== 'done') ?? lesson.sheets[0]!;
            return (
              <li key={lesson.id}>
                <LessonCard
                  beside
                  title={lesson.title}
                  figure={lesson.firstFigure}
                  of={`${lesson.id}:edition ${lesson.edition}`}
                >
                  <p className="text-[13px] text-soft">
                    {t('reader.progress', { done, count: lesson.sheets.length })}
                  </p>
                  {lesson.otherEditions.map((number) => (
                    <p key={number} className="text-[13px] text-soft">
                      <Link
                        to={`/read/${lesson.id}?edition=${number}`}
                        className="underline underline-offset-4"
                      >
                        {t('reader.otherEdition', { number })}
                      </Link>
                    </p>
                  ))}
                  <ol className="mt-2 flex-1 text-[14px]">
                    {lesson.sheets.map(({ sheet, title, progress }, index) => (
                      <li key={sheet} className="flex gap-2">
                        <span className="font-mono text-soft">{index + 1}</span>
                        <Link
                          to={`/read/${lesson.id}/${sheet}`}
                          className="underline-offset-4 hover:underline"
                        >
                          {title}
                        </Link>
                        <span className="text-soft">{t(`reader.state.${progress}`)}</span>
                      </li>
                    ))}
                  </ol>
                  <Link
                    to={`/read/${lesson.id}/${next.sheet}`}
                    className="mt-3 inline-flex h-8 w-fit items-center rounded-md bg-accent px-3.5 text-[13px] font-medium text-on-accent hover:brightness-110"
                  >
                    {begun ? t('reader.goOn') : t('reader.start')}
                  </Link>
                </LessonCard>
              </li>
            );
          })}
        </ul>
      </main>
      {own && student && (
        <Panel open onClose={() => setOwn(false)} title={t('account.data')}>
          <div>
            <OwnData name={student.name} isStudent />
          </div>
        </Panel>
      )}
      <Panel
        open={asking}
        onClose={() => setAsking(false)}
        title={t('session.newKey')}
        lead={t('session.newKeyWarning')}
      >
        {newKey.data ? (
          <>
            <p className="text-[14px]">{t('session.keyLead')}</p>
            <ReturnKey value={newKey.data.returnKey} />
          </>
        ) : (
          <>
            <ProblemText error={newKey.error} />
            <div className="flex gap-2">
              <Button primary onClick={() => newKey.mutate()}>
                {t('session.newKey')}
              </Button>
              <Button onClick={() => setAsking(false)}>{t('shelf.cancel')}</Button>
            </div>
          </>
        )}
      </Panel>
    </div>
  );
}
