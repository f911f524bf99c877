import '../text/enPages.js';
import type { Answer } from '@bogen/contract';
import { lessonVersion, newSheet } from '@bogen/core/lesson';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { call } from '../api/call.js';
import { LessonCard } from '../thumbnail/LessonCard.js';
import { useSignInWhenNeeded, useSignOut, useAccount } from '../session/useAccount.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { firstFigure } from '../writer/firstFigure.js';
import { NameForm } from './NameForm.js';

type Course = Answer<'shelf'>['courses'][number];

/** Where an instructor's courses, lessons and classes stand. */
export function ShelfPage() {
  const { t } = useTranslation();
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: ({ signal }) => call('shelf', { signal }) });
  const client = useQueryClient();
  const who = useAccount().data;
  const signOut = useSignOut();
  useSignInWhenNeeded(shelf.error, '/sign-in');
  const createCourse = useMutation({
    mutationFn: (title: string) => call('createCourse', { body: { title } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
  if (shelf.error) return <Failure error={shelf.error} onRetry={() => void shelf.refetch()} />;
  if (!shelf.data) return <Loading />;
  return (
    <div className="flex min-h-full flex-col">
      <TopBar
        end={
          <>
            <span className="text-[13px] text-soft">
              {who?.who === 'instructor' ? who.instructor.name : ''}
            </span>
            <Button quiet onClick={signOut}>
              {t('app.signOut')}
            </Button>
          </>
        }
      />
      <main className="mx-auto w-full max-w-[1080px] flex-1 px-8 py-9">
        <div className="flex items-baseline justify-between">
          <h1 className="font-serif text-[30px] font-medium">{t('shelf.title')}</h1>
          <NameForm trigger={t('shelf.newCourse')} label={t('shelf.courseTitle')} mutation={createCourse} />
        </div>
        {shelf.data.courses.length === 0 && (
          <p className="prose-text mt-8 max-w-[520px]">{t('shelf.empty')}</p>
        )}
        {shelf.data.courses.map((course) => (
          <CourseShelf key={course.id} course={course} />
        ))}
      </main>
    </div>
  );
}

function CourseShelf({ course }: { course: Course }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const navigate = useNavigate();
  const createLesson = useMutation({
    mutationFn: (title: string) =>
      call('createLesson', {
        params: { course: course.id },
        body: {
          document: {
            version: lessonVersion,
            title,
            sheets: [newSheet({ id: newId(), title: t('shelf.firstSheet'), figure: firstFigure() })],
          },
        },
      }),
    onSuccess: async ({ id }) => {
      await client.invalidateQueries({ queryKey: ['shelf'] });
      await navigate(`/write/${id}`);
    },
  });
  const createClass = useMutation({
    mutationFn: (name: string) => call('createClass', { params: { course: course.id }, body: { name } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
  return (
    <section aria-labelledby={course.id} className="mt-8">
      <div className="flex items-baseline justify-between border-b border-line pb-2">
        <h2 id={course.id} className="font-serif text-[20px]">
          {course.title}
        </h2>
        <NameForm trigger={t('shelf.newLesson')} label={t('shelf.lessonTitle')} mutation={createLesson} />
      </div>
      {course.lessons.length === 0 && <p className="mt-4 text-soft">{t('shelf.noLessons')}</p>}
      <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-6">
        {course.lessons.map((lesson) => (
          <li key={lesson.id}>
            <Link
              to={`/write/${lesson.id}`}
              aria-label={t('shelf.open', { title: lesson.title })}
              className="block"
            >
              <LessonCard
                title={lesson.title}
                figure={lesson.firstFigure}
                of={`${lesson.id}:revision ${lesson.revision}`}
              >
                <p className="text-[13px] text-soft">
                  {t('shelf.sheets', { count: lesson.sheetCount })} ·{' '}
                  {lesson.edition === null
                    ? t('shelf.notPublished')
                    : lesson.changedSinceEdition
                      ? t('shelf.changed', { number: lesson.edition })
                      : t('shelf.edition', { number: lesson.edition })}
                </p>
              </LessonCard>
            </Link>
          </li>
        ))}
      </ul>
      <div className="mt-7 flex items-baseline justify-between">
        <h3 className="text-[14px] font-semibold">{t('shelf.classes')}</h3>
        <NameForm trigger={t('shelf.newClass')} label={t('shelf.className')} mutation={createClass} />
      </div>
      {course.classes.length === 0 && <p className="mt-2 text-soft">{t('shelf.noClasses')}</p>}
      <ul className="mt-2 divide-y divide-line">
        {course.classes.map(({ id, name, code, students }) => (
          <li key={id} className="flex items-center gap-6 py-2.5">
            <span className="min-w-[220px] font-serif text-[16px]">{name}</span>
            <span className="text-[13px] text-soft">
              {t('shelf.code')} <span className="font-mono text-[14px] text-ink select-all">{code}</span>
            </span>
            <span className="flex-1 text-[13px] text-soft">{t('shelf.students', { count: students })}</span>
            <Link to={`/desk/${id}`} className="text-accent underline underline-offset-4">
              {t('shelf.desk')}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
