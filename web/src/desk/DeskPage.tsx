import '../text/enPages.js';
import { ProblemText } from '../ui/ProblemText.js';
import type { Progress } from '@bogen/contract';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { call } from '../api/call.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { ProgressMark } from './ProgressMark.js';
import { shownTime } from './time.js';

const states: readonly Progress[] = ['unopened', 'opened', 'begun', 'tried', 'done'];

/** Where an instructor sees which student of a class has done which sheet. */
export function DeskPage() {
  const { t } = useTranslation();
  const { class: classId } = useParams() as { class: string };
  const desk = useQuery({
    queryKey: ['desk', classId],
    queryFn: ({ signal }) => call('desk', { params: { class: classId }, signal }),
    refetchInterval: 15_000,
  });
  useSignInWhenNeeded(desk.error, '/sign-in');
  if (!desk.data)
    return desk.error ? <Failure error={desk.error} onRetry={() => void desk.refetch()} /> : <Loading />;
  const { className, code, courseTitle, lessons, students } = desk.data;
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        place={
          <>
            <Link to="/shelf" className="text-soft underline-offset-4 hover:underline">
              {t('shelf.title')}
            </Link>
            <span aria-hidden className="text-soft">
              /
            </span>
            <span className="font-semibold">{t('desk.title')}</span>
          </>
        }
      />
      <main className="mx-auto w-full max-w-[1180px] flex-1 px-8 py-8">
        <div className="flex items-baseline justify-between">
          <div>
            <p className="text-[14px] text-soft">{courseTitle}</p>
            <h1 className="font-serif text-[28px] font-medium">{className}</h1>
          </div>
          <p className="text-soft">
            {t('shelf.code')} <span className="font-mono text-[16px] text-ink select-all">{code}</span>
          </p>
        </div>
        <ProblemText error={desk.error} className="mt-3" />
        {students.length === 0 && (
          <p className="prose-text mt-6">
            {t('desk.empty')} <span className="font-mono">{code}</span>
          </p>
        )}
        {lessons.length === 0 && <p className="prose-text mt-6">{t('desk.noLessons')}</p>}
        {students.length > 0 &&
          lessons.map((lesson) => (
            <section key={lesson.id} aria-label={lesson.title} className="mt-6 overflow-x-auto">
              <table className="w-full border-collapse text-left">
                <caption className="pb-2 text-left font-serif text-[18px]">
                  {lesson.title}{' '}
                  <span className="font-sans text-[13px] text-soft">
                    {t('desk.edition', { number: lesson.edition })}
                  </span>
                </caption>
                <thead>
                  <tr className="border-y border-line text-[13px]">
                    <th scope="col" className="w-[220px] py-2 pr-4 font-semibold">
                      {t('desk.student')}
                    </th>
                    {lesson.sheets.map((sheet, index) => (
                      <th key={sheet.id} scope="col" className="py-2 pr-4 font-semibold">
                        <span className="font-mono text-soft">{index + 1}</span> {sheet.title}
                        <span className="block text-[12px] font-normal text-soft">
                          {t('desk.doneCount', {
                            done: students.filter(({ work }) =>
                              work.some(
                                (row) =>
                                  row.lesson === lesson.id &&
                                  row.sheet === sheet.id &&
                                  row.progress === 'done',
                              ),
                            ).length,
                            count: students.length,
                          })}
                        </span>
                      </th>
                    ))}
                    <th scope="col" className="w-[130px] py-2 font-semibold">
                      {t('desk.lastSeen')}
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {students.map((student) => (
                    <tr key={student.id} className="border-b border-line hover:bg-tint/60">
                      <th scope="row" className="py-1.5 pr-4 align-middle font-serif text-[15px] font-normal">
                        {student.name}
                      </th>
                      {lesson.sheets.map((sheet) => {
                        // Of several editions, the newest that was worked on.
                        const work = student.work
                          .filter((row) => row.lesson === lesson.id && row.sheet === sheet.id)
                          .sort((a, b) => b.edition - a.edition)[0];
                        if (!work) {
                          return (
                            <td key={sheet.id} className="py-1.5 pr-4 align-middle">
                              <ProgressMark progress="unopened" />
                              <span className="sr-only">
                                {t('desk.unopened', { student: student.name, sheet: sheet.title })}
                              </span>
                            </td>
                          );
                        }
                        const state = t(`reader.state.${work.progress}`);
                        return (
                          <td key={sheet.id} className="py-1.5 pr-4 align-middle">
                            <Link
                              to={`/desk/${classId}/${work.id}`}
                              aria-label={t('desk.open', {
                                student: student.name,
                                sheet: sheet.title,
                                state,
                              })}
                              data-progress={work.progress}
                              className="flex w-fit items-center gap-1.5 text-[13px] underline-offset-4 hover:underline"
                            >
                              <ProgressMark progress={work.progress} />
                              {state}
                              {work.attempts > 0 && work.progress !== 'done' && (
                                <span className="text-soft">{t('desk.tries', { count: work.attempts })}</span>
                              )}
                            </Link>
                          </td>
                        );
                      })}
                      <td className="py-1.5 align-middle text-[13px] text-soft">
                        {student.lastSeen ? shownTime(student.lastSeen) : t('desk.never')}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          ))}
        {students.length > 0 && (
          <p className="mt-5 flex flex-wrap items-center gap-x-5 gap-y-1 text-[13px] text-soft">
            {states.map((state) => (
              <span key={state} className="inline-flex items-center gap-1.5">
                <ProgressMark progress={state} />
                {t(`reader.state.${state}`)}
              </span>
            ))}
          </p>
        )}
      </main>
    </div>
  );
}
