import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { LessonCard } from '../thumbnail/LessonCard.js';
import { EmbedPanel } from './EmbedPanel.js';
import type { ShelfHands } from './hands.js';
import { HandOverPanel } from './HandOverPanel.js';
import { giveOut, giveOutPage } from './lessonFile.js';
import { leavingRows } from './leavingRows.js';
import { ShelfMenu } from './ShelfMenu.js';
import type { Course, Lesson, ShelfChange } from './useShelf.js';

interface LessonOnShelfProps {
  readonly lesson: Lesson;
  readonly course: Course;
  readonly courses: readonly Course[];
  readonly hands: ShelfHands;
  /** The lessons before and after it in sight; nothing at the ends. */
  readonly before: Lesson | undefined;
  readonly after: Lesson | undefined;
}

/** A lesson as a card that opens it, with what else can be done with it. */
export function LessonOnShelf({ lesson, course, courses, hands, before, after }: LessonOnShelfProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const navigate = useNavigate();
  const { id, title } = lesson;
  const [handing, setHanding] = useState(false);
  const [embedding, setEmbedding] = useState(false);
  const place = course.lessons.indexOf(lesson);
  const to = (change: Extract<ShelfChange, { of: 'lesson' }>['change']): ShelfChange => ({
    of: 'lesson',
    id,
    change,
  });
  const moved = { words: t('shelf.moved', { title }) };
  return (
    <li className="relative" data-lesson={id}>
      <Link to={`/write/${id}`} aria-label={t('shelf.open', { title })} className="block">
        <LessonCard title={title} figure={lesson.firstFigure} of={`${id}:revision ${lesson.revision}`}>
          <p className="pr-8 text-[13px] text-soft">
            {t('shelf.sheets', { count: lesson.sheetCount })} ·{' '}
            {lesson.edition === null
              ? t('shelf.notPublished')
              : lesson.changedSinceEdition
                ? t('shelf.changed', { number: lesson.edition })
                : t('shelf.edition', { number: lesson.edition })}
          </p>
        </LessonCard>
      </Link>
      <div className="absolute right-2 bottom-2">
        <ShelfMenu
          label={t('shelf.lessonMenu', { title })}
          title={title}
          nameLabel={t('shelf.lessonTitle')}
          rename={(name) => to({ title: name })}
          copy={(name) => ({ of: 'copyLesson', id, title: name })}
          rows={[
            before && {
              label: t('shelf.earlier'),
              act: () => hands.does(to({ at: course.lessons.indexOf(before) }), moved),
            },
            after && {
              label: t('shelf.later'),
              act: () => hands.does(to({ at: course.lessons.indexOf(after) }), moved),
            },
            ...courses
              .filter(
                (other) =>
                  other !== course && !other.archived && other.owner === null && course.owner === null,
              )
              .map((other) => ({
                label: t('shelf.moveTo', { course: other.title }),
                act: () =>
                  hands.does(to({ course: other.id }), {
                    words: t('shelf.movedTo', { title, course: other.title }),
                    undo: to({ course: course.id, at: place }),
                  }),
              })),
            {
              label: t('shelf.giveOut'),
              act: () => {
                hands.tells('');
                giveOut(id, title).catch((error: unknown) => hands.tells(tell(error as Error)));
              },
            },
            { label: t('shelf.handouts'), act: () => void navigate(`/handout/${id}`) },
            lesson.edition === null ? undefined : { label: t('shelf.embed'), act: () => setEmbedding(true) },
            lesson.edition === null
              ? undefined
              : {
                  label: t('shelf.giveOutPage'),
                  act: () => {
                    hands.tells('');
                    giveOutPage(id).catch((error: unknown) => hands.tells(tell(error as Error)));
                  },
                },
            ...(course.owner === null
              ? [
                  { label: t('classes.handOver'), act: () => setHanding(true) },
                  ...leavingRows(title, to, hands, t),
                ]
              : []),
          ]}
        />
      </div>
      {embedding && <EmbedPanel lesson={id} title={title} onClose={() => setEmbedding(false)} />}
      {handing && (
        <HandOverPanel of="lesson" id={id} title={title} hands={hands} onClose={() => setHanding(false)} />
      )}
    </li>
  );
}
