import { lessonVersion, newSheet } from '@bogen/core/lesson';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { call } from '../api/instructorCall.js';
import { newId } from '../saving/newId.js';
import { useTranslation } from '../text/text.js';
import { firstFigure } from '../sheet/firstFigure.js';
import { Button } from '../ui/Button.js';
import { Menu } from '../ui/Menu.js';
import { HandOverPanel } from './HandOverPanel.js';
import { TeachersPanel } from './TeachersPanel.js';
import type { ShelfHands } from './hands.js';
import { LessonOnShelf } from './LessonOnShelf.js';
import { NameForm } from './NameForm.js';
import { leavingRows } from './leavingRows.js';
import { ShelfMenu } from './ShelfMenu.js';
import { TakeIn } from './TakeIn.js';
import type { Course, ShelfChange } from './useShelf.js';

interface CourseShelfProps {
  readonly course: Course;
  readonly courses: readonly Course[];
  readonly hands: ShelfHands;
  /** The courses before and after it in sight; nothing at the ends. */
  readonly before: Course | undefined;
  readonly after: Course | undefined;
}

/** A course with its lessons and classes. */
export function CourseShelf({ course, courses, hands, before, after }: CourseShelfProps) {
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
  const { id, title, owner } = course;
  const isOwn = owner === null;
  const [asks, setAsks] = useState<'teachers' | 'handOver' | null>(null);
  const [away, setAway] = useState(false);
  const to = (change: Extract<ShelfChange, { of: 'course' }>['change']): ShelfChange => ({
    of: 'course',
    id,
    change,
  });
  const awayCount = course.classes.filter(({ archived }) => archived).length;
  const inSight = course.classes.filter(({ archived }) => away || !archived);
  const standing = course.lessons.filter(({ archived }) => !archived);
  return (
    <section aria-labelledby={id} className="mt-6">
      <div className="flex flex-wrap items-baseline gap-x-1 border-b border-line pb-2">
        <h2 id={id} className="font-serif text-[20px]">
          {title}
        </h2>
        {owner && <span className="ml-2 text-[13px] text-soft">{t('classes.ofOwner', { name: owner })}</span>}
        {isOwn ? (
          <ShelfMenu
            label={t('shelf.courseMenu', { title })}
            title={title}
            nameLabel={t('shelf.courseTitle')}
            rename={(name) => to({ title: name })}
            copy={(name) => ({ of: 'copyCourse', id, title: name })}
            rows={[
              before && {
                label: t('shelf.up'),
                act: () =>
                  hands.does(to({ at: courses.indexOf(before) }), { words: t('shelf.moved', { title }) }),
              },
              after && {
                label: t('shelf.down'),
                act: () =>
                  hands.does(to({ at: courses.indexOf(after) }), { words: t('shelf.moved', { title }) }),
              },
              { label: t('shelf.glossary'), act: () => void navigate(`/glossary/${id}`) },
              { label: t('classes.teachers'), act: () => setAsks('teachers') },
              { label: t('classes.handOver'), act: () => setAsks('handOver') },
              ...leavingRows(title, to, hands, t),
            ]}
          />
        ) : (
          <Menu
            label={t('shelf.courseMenu', { title })}
            rows={[
              { label: t('shelf.glossary'), act: () => void navigate(`/glossary/${id}`) },
              { label: t('classes.teachers'), act: () => setAsks('teachers') },
            ]}
          />
        )}
        <span className="flex-1" />
        <TakeIn course={id} onProblem={hands.tells} />
        <NameForm trigger={t('shelf.newLesson')} label={t('shelf.lessonTitle')} mutation={createLesson} />
      </div>
      {standing.length === 0 && <p className="mt-4 text-soft">{t('shelf.noLessons')}</p>}
      <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(min(300px,100%),1fr))] gap-6">
        {standing.map((lesson, index) => (
          <LessonOnShelf
            key={lesson.id}
            lesson={lesson}
            course={course}
            courses={courses}
            hands={hands}
            before={standing[index - 1]}
            after={standing[index + 1]}
          />
        ))}
      </ul>
      <div className="mt-7 flex items-baseline justify-between">
        <h3 className="text-[14px] font-semibold">{t('shelf.classes')}</h3>
        {isOwn && (
          <NameForm trigger={t('shelf.newClass')} label={t('shelf.className')} mutation={createClass} />
        )}
      </div>
      {course.classes.length === 0 && <p className="mt-2 text-soft">{t('shelf.noClasses')}</p>}
      <ul className="mt-2 divide-y divide-line">
        {inSight.map((group) => (
          <li key={group.id} className="flex flex-wrap items-center gap-x-6 gap-y-1 py-2.5">
            <span className="min-w-[220px] font-serif text-[16px]">
              {group.name}
              {(group.closed || group.archived) && (
                <span className="ml-2 font-sans text-[13px] text-soft">
                  {[group.closed && t('classes.isClosed'), group.archived && t('classes.away')]
                    .filter(Boolean)
                    .join(', ')}
                </span>
              )}
            </span>
            <span className="text-[13px] text-soft">
              {t('shelf.code')}{' '}
              <span className="font-mono text-[14px] text-ink select-all">{group.code}</span>
            </span>
            <span className="flex-1 text-[13px] text-soft">
              {t('shelf.students', { count: group.students })}
            </span>
            <Link to={`/desk/${group.id}`} className="text-accent underline underline-offset-4">
              {t('shelf.desk')}
            </Link>
          </li>
        ))}
      </ul>
      {awayCount > 0 && (
        <Button quiet className="mt-1" aria-expanded={away} onClick={() => setAway(!away)}>
          {t('classes.showAway', { count: awayCount })}
        </Button>
      )}
      {asks === 'teachers' && <TeachersPanel course={course} onClose={() => setAsks(null)} />}
      {asks === 'handOver' && (
        <HandOverPanel of="course" id={id} title={title} hands={hands} onClose={() => setAsks(null)} />
      )}
    </section>
  );
}
