import { useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { Link } from 'react-router';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { ProblemText } from '../ui/ProblemText.js';

/** The sheets that have some words in their titles or texts. */
export function Found({ text }: { text: string }) {
  const { t } = useTranslation();
  const asked = useDeferredValue(text);
  const query = useQuery({
    queryKey: ['found', asked],
    queryFn: ({ signal }) => call('findInLessons', { query: { text: asked }, signal }),
    placeholderData: (before) => before,
  });
  const found = query.data?.found ?? [];
  return (
    <section aria-label={t('shelf.found')} className="mt-6" data-found>
      <p role="status" className="text-[13px] text-soft">
        {query.isPending
          ? t('shelf.finding')
          : query.data?.isMore
            ? t('shelf.foundMore', { count: found.length })
            : t('shelf.foundCount', { count: found.length })}
      </p>
      {query.error && <ProblemText error={query.error} />}
      <ul className="mt-2 divide-y divide-line">
        {found.map(({ lesson, lessonTitle, courseTitle, sheet, sheetTitle, excerpt }) => (
          <li key={`${lesson} ${sheet}`} className="py-2">
            <Link
              to={`/write/${lesson}/${sheet}`}
              className="font-serif text-[16px] underline-offset-4 hover:underline"
            >
              {sheetTitle}
            </Link>
            <span className="text-[13px] text-soft">
              {' '}
              · {lessonTitle} · {courseTitle}
            </span>
            {excerpt && <p className="text-[13.5px]">{excerpt}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}
