import { Link } from 'react-router';
import type { Progress } from '@bogen/contract';
import { useTranslation } from '../text/text.js';
import { shownTime } from '../text/time.js';
import type { Desk } from './desk.js';
import type { DeskHands } from './hands.js';
import { ProgressMark } from './ProgressMark.js';
import { StudentMenu } from './StudentMenu.js';

const states: readonly Progress[] = ['unopened', 'opened', 'begun', 'tried', 'done'];

/** The students of a page of the desk, with how far they are with each sheet of a lesson. */
export function LessonTable({ desk, hands }: { desk: Desk; hands: DeskHands }) {
  const { t } = useTranslation();
  const { lesson, students, count, isOwn } = desk;
  const sheets = lesson?.sheets ?? [];
  return (
    <section aria-label={lesson?.title ?? t('desk.students')} className="mt-4 overflow-x-auto">
      <table className="w-full border-collapse text-left">
        {lesson && (
          <caption className="pb-2 text-left font-serif text-[18px]">
            {lesson.title}{' '}
            <span className="font-sans text-[13px] text-soft">
              {t('desk.edition', { number: lesson.edition })}
            </span>
          </caption>
        )}
        <thead>
          <tr className="border-y border-line text-[13px]">
            <th scope="col" className="w-[220px] py-2 pr-4 font-semibold">
              {t('desk.student')}
            </th>
            {sheets.map((sheet, index) => (
              <th key={sheet.id} scope="col" className="py-2 pr-4 font-semibold">
                <span className="font-mono text-soft">{index + 1}</span> {sheet.title}
                <span className="block text-[12px] font-normal text-soft">
                  {t('desk.doneCount', { done: sheet.done, count })}
                </span>
              </th>
            ))}
            <th scope="col" className="w-[130px] py-2 font-semibold">
              {t('desk.lastSeen')}
            </th>
            {isOwn && <td className="w-8" />}
          </tr>
        </thead>
        <tbody>
          {students.map((student) => (
            <tr key={student.id} className="border-b border-line hover:bg-tint/60">
              <th scope="row" className="py-1 pr-4 align-middle font-serif text-[15px] font-normal">
                {student.name}
              </th>
              {sheets.map((sheet) => {
                const work = student.work.find((row) => row.sheet === sheet.id);
                if (!work) {
                  return (
                    <td key={sheet.id} className="py-1 pr-4 align-middle">
                      <ProgressMark progress="unopened" />
                      <span className="sr-only">
                        {t('desk.unopened', { student: student.name, sheet: sheet.title })}
                      </span>
                    </td>
                  );
                }
                const state = t(`reader.state.${work.progress}`);
                return (
                  <td key={sheet.id} className="py-1 pr-4 align-middle">
                    <Link
                      to={`/desk/${hands.classId}/${work.id}`}
                      aria-label={t('desk.open', { student: student.name, sheet: sheet.title, state })}
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
              <td className="py-1 align-middle text-[13px] text-soft">
                {!student.hasJoined
                  ? t('classes.notCome')
                  : student.lastSeen
                    ? shownTime(student.lastSeen)
                    : t('desk.never')}
              </td>
              {isOwn && (
                <td className="py-0.5 text-right align-middle">
                  <StudentMenu student={student} desk={desk} hands={hands} />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {sheets.length > 0 && (
        <p className="mt-5 flex flex-wrap items-center gap-x-5 gap-y-1 text-[13px] text-soft">
          {states.map((state) => (
            <span key={state} className="inline-flex items-center gap-1.5">
              <ProgressMark progress={state} />
              {t(`reader.state.${state}`)}
            </span>
          ))}
        </p>
      )}
    </section>
  );
}
