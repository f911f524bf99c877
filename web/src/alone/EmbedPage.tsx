import '../text/enAlone.js';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { call } from '../api/call.js';
import { ReaderSheet } from '../reader/ReaderSheet.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import { Failure, Loading } from '../ui/States.js';
import { standAlone } from './AloneReader.js';
import { openKeeping } from './keeping.js';

/** A sheet within somebody else's page: without an account, in the light or dark of that page, its work kept in the browser. */
export function EmbedPage() {
  const { embedding } = useParams() as { embedding: string };
  const { t } = useTranslation();
  const [isLasting, setLasting] = useState(true);
  const showFor = useTheme((state) => state.showFor);
  useEffect(() => {
    // A frame prefers what the page around it shows.
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const follow = (): void => showFor(dark.matches ? 'dark' : 'light');
    follow();
    dark.addEventListener('change', follow);
    return () => dark.removeEventListener('change', follow);
  }, [showFor]);
  const query = useQuery({
    queryKey: ['embedded', embedding],
    queryFn: async ({ signal }) => {
      const lesson = await call('embedded', { params: { embedding }, signal });
      const keeping = await openKeeping(lesson.reading.edition.id);
      setLasting(keeping.isLasting);
      standAlone(lesson, keeping);
      return call('readLesson', { params: { lesson: lesson.reading.lesson } });
    },
    staleTime: Infinity,
  });
  // From then on the page answers itself, also how the sheet stands.
  const { data: first } = query;
  const reading = useQuery({
    queryKey: ['read', first?.lesson],
    queryFn: () => call('readLesson', { params: { lesson: first!.lesson } }),
    enabled: first !== undefined,
  });
  const lesson = reading.data ?? first;
  if (!lesson)
    return query.error ? <Failure error={query.error} onRetry={() => void query.refetch()} /> : <Loading />;
  const note = isLasting ? null : (
    <span role="status" className="text-[12.5px] text-soft" data-not-kept>
      {t('alone.notKeptWithin')}
    </span>
  );
  return <ReaderSheet lesson={lesson} index={0} wanted={undefined} alone={note} />;
}
