import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { call } from '../api/call.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { Failure, Loading } from '../ui/States.js';
import { ReaderSheet } from './ReaderSheet.js';

/** A student reads a lesson: one sheet at a time, with the work on it found again. */
export function ReaderPage() {
  const { lesson: lessonId, sheet: sheetId } = useParams() as { lesson: string; sheet?: string };
  const [search] = useSearchParams();
  const wanted = Number(search.get('edition')) || undefined;
  const lesson = useQuery({
    queryKey: ['read', lessonId, wanted],
    queryFn: ({ signal }) =>
      call('readLesson', { params: { lesson: lessonId }, query: wanted ? { edition: wanted } : {}, signal }),
  });
  // What is open stays open when the connection or the session goes: the work in it is not sent yet.
  useSignInWhenNeeded(lesson.data ? null : lesson.error, '/join');
  if (!lesson.data) {
    return lesson.error ? (
      <Failure error={lesson.error} onRetry={() => void lesson.refetch()} />
    ) : (
      <Loading />
    );
  }
  const number = sheetId ? lesson.data.sheets.findIndex(({ id }) => id === sheetId) : 0;
  const index = number < 0 ? 0 : number;
  return <ReaderSheet lesson={lesson.data} index={index} wanted={wanted} />;
}
