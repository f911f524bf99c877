import type { Answer } from '@bogen/contract';
import { useTranslation } from '../text/text.js';
import { shownDay } from '../text/time.js';
import { Button } from '../ui/Button.js';
import type { ShelfHands } from './hands.js';
import type { Course } from './useShelf.js';

/** What was put away, to bring back. */
export function PutAway({ courses, hands }: { courses: readonly Course[]; hands: ShelfHands }) {
  const { t } = useTranslation();
  const rows = courses.flatMap((course) => [
    ...(course.archived ? [{ of: 'course' as const, id: course.id, title: course.title, beside: '' }] : []),
    ...course.lessons
      .filter(({ archived }) => archived && !course.archived)
      .map(({ id, title }) => ({ of: 'lesson' as const, id, title, beside: course.title })),
  ]);
  if (rows.length === 0) return null;
  return (
    <section aria-labelledby="put-away" className="mt-10" data-put-away>
      <h2 id="put-away" className="border-b border-line pb-2 font-serif text-[20px]">
        {t('shelf.awayTitle')}
      </h2>
      <p className="mt-2 text-[13px] text-soft">{t('shelf.awayLead')}</p>
      <ul className="mt-1 divide-y divide-line">
        {rows.map(({ of, id, title, beside }) => (
          <Row
            key={id}
            title={title}
            beside={beside || t('shelf.aCourse')}
            act={t('shelf.bringBack')}
            onAct={() =>
              hands.does({ of, id, change: { archived: false } }, { words: t('shelf.isBack', { title }) })
            }
          />
        ))}
      </ul>
    </section>
  );
}

/** What was deleted and is still kept, to bring back. */
export function Deleted({ deleted, hands }: { deleted: Answer<'shelf'>['deleted']; hands: ShelfHands }) {
  const { t } = useTranslation();
  if (deleted.length === 0) return null;
  return (
    <section aria-labelledby="deleted" className="mt-10" data-deleted>
      <h2 id="deleted" className="border-b border-line pb-2 font-serif text-[20px]">
        {t('shelf.deletedTitle')}
      </h2>
      <ul className="mt-1 divide-y divide-line">
        {deleted.map(({ kind, id, title, until }) => (
          <Row
            key={id}
            title={title}
            beside={t('shelf.keptUntil', { day: shownDay(until) })}
            act={t('shelf.bringBack')}
            onAct={() =>
              hands.does(
                { of: kind, id, change: { deleted: false } },
                { words: t('shelf.isBack', { title }) },
              )
            }
          />
        ))}
      </ul>
    </section>
  );
}

function Row(props: { title: string; beside: string; act: string; onAct: () => void }) {
  const { title, beside, act, onAct } = props;
  return (
    <li className="flex flex-wrap items-center gap-x-6 py-2">
      <span className="min-w-[220px] font-serif text-[16px]">{title}</span>
      <span className="flex-1 text-[13px] text-soft">{beside}</span>
      <Button quiet aria-label={`${act}: ${title}`} onClick={onAct}>
        {act}
      </Button>
    </li>
  );
}
