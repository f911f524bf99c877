import '../text/enPages.js';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { UserPlus } from 'lucide-react';
import { useState } from 'react';
import { useParams } from 'react-router';
import { InstructorBar } from '../account/InstructorBar.js';
import { call } from '../api/instructorCall.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { shownDay } from '../text/time.js';
import { Button } from '../ui/Button.js';
import { Choice } from '../ui/Choice.js';
import { ProblemText } from '../ui/ProblemText.js';
import { SearchField } from '../ui/SearchField.js';
import { Failure, Loading } from '../ui/States.js';
import { ClassMenu } from './ClassMenu.js';
import type { DeskHands } from './hands.js';
import { KeySheet, type GivenKeys } from './KeySheet.js';
import { LessonTable } from './LessonTable.js';
import { Removed } from './Removed.js';
import { RosterPanel } from './RosterPanel.js';
import type { Desk } from './desk.js';

/** Where an instructor sees which student of a class has done which sheet, and runs the class. */
export function DeskPage() {
  const { t } = useTranslation();
  const tell = useTold();
  const { class: classId } = useParams() as { class: string };
  const [lesson, setLesson] = useState<string | undefined>();
  const [find, setFind] = useState('');
  const [page, setPage] = useState(0);
  const [said, setSaid] = useState('');
  const [problem, setProblem] = useState('');
  const [adding, setAdding] = useState(false);
  const [keys, setKeys] = useState<GivenKeys | null>(null);
  const desk = useQuery({
    queryKey: ['desk', classId, lesson, find.trim(), page],
    queryFn: ({ signal }) =>
      call('desk', {
        params: { class: classId },
        query: { lesson, find: find.trim() || undefined, page },
        signal,
      }),
    refetchInterval: 15_000,
    // What is there stays in sight until the next page has come.
    placeholderData: keepPreviousData,
  });
  useSignInWhenNeeded(desk.error, '/sign-in');
  if (!desk.data)
    return desk.error ? <Failure error={desk.error} onRetry={() => void desk.refetch()} /> : <Loading />;
  const { className, code, courseTitle, lessons, count, found, pageSize, isOwn } = desk.data;
  const hands: DeskHands = {
    classId,
    says: (words) => {
      setProblem('');
      setSaid(words);
      void desk.refetch();
    },
    fails: (error) => {
      setSaid('');
      setProblem(tell(error));
    },
    givesKeys: setKeys,
  };
  if (keys) {
    return (
      <KeySheet
        given={keys}
        className={className}
        code={code}
        onDone={() => {
          setKeys(null);
          void desk.refetch();
        }}
      />
    );
  }
  return (
    <div className="flex min-h-full flex-col">
      <InstructorBar here={t('desk.title')} />
      <main className="mx-auto w-full max-w-[1180px] flex-1 px-4 py-8 sm:px-8">
        <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <div>
            <p className="text-[14px] text-soft">{courseTitle}</p>
            <h1 className="font-serif text-[28px] font-medium">{className}</h1>
          </div>
          <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <p className="text-soft">
              {t('shelf.code')} <span className="font-mono text-[16px] text-ink select-all">{code}</span>
            </p>
            {isOwn && (
              <>
                <Button onClick={() => setAdding(true)}>
                  <UserPlus aria-hidden size={15} />
                  {t('classes.addStudents')}
                </Button>
                <ClassMenu desk={desk.data} hands={hands} />
              </>
            )}
          </div>
        </div>
        <Standing desk={desk.data} />
        <p role="status" className="min-h-6 pt-1 text-[13.5px]" data-desk-done>
          {said}
        </p>
        {problem && (
          <p role="alert" className="text-[13.5px] text-bad">
            {problem}
          </p>
        )}
        <ProblemText error={desk.error} />
        {count === 0 && (
          <p className="prose-text mt-4">
            {t('desk.empty')} <span className="font-mono">{code}</span>
          </p>
        )}
        {lessons.length === 0 && <p className="prose-text mt-4">{t('desk.noLessons')}</p>}
        {count > 0 && (
          <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
            {lessons.length > 1 && desk.data.lesson && (
              <Choice
                label={t('desk.lesson')}
                value={desk.data.lesson.id}
                choices={lessons.map(({ id }) => id)}
                name={(id) => lessons.find((other) => other.id === id)!.title}
                onChange={setLesson}
              />
            )}
            <SearchField
              label={t('desk.find')}
              value={find}
              onChange={(text) => {
                setFind(text.slice(0, 60));
                setPage(0);
              }}
              onEnter={() => undefined}
            />
            {found === 0 && <p className="text-[13.5px] text-soft">{t('desk.nobodyFound')}</p>}
          </div>
        )}
        {count > 0 && <LessonTable desk={desk.data} hands={hands} />}
        {found > pageSize && (
          <nav aria-label={t('desk.pages')} className="mt-4 flex items-center gap-3 text-[13.5px]">
            <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
              {t('desk.before')}
            </Button>
            {t('desk.pageOf', {
              from: page * pageSize + 1,
              to: Math.min(found, (page + 1) * pageSize),
              count: found,
            })}
            <Button disabled={(page + 1) * pageSize >= found} onClick={() => setPage(page + 1)}>
              {t('desk.after')}
            </Button>
          </nav>
        )}
        {isOwn && <Removed removed={desk.data.removed} hands={hands} />}
      </main>
      {adding && <RosterPanel hands={hands} onClose={() => setAdding(false)} />}
    </div>
  );
}

/** What has to be known of a class that is closed or put away. */
function Standing({ desk: { closedAt, daysKept } }: { desk: Desk }) {
  const { t } = useTranslation();
  if (closedAt === null) return null;
  return (
    <p className="mt-2 rounded-md border border-line bg-tint px-3 py-1.5 text-[13.5px]" data-closed>
      {t('classes.closedSince', { day: shownDay(Date.parse(closedAt)) })} {t('classes.closed')}{' '}
      {daysKept === null
        ? t('classes.keptWhole')
        : t('classes.keptUntil', { day: shownDay(Date.parse(closedAt) + daysKept * 86_400_000) })}
    </p>
  );
}
