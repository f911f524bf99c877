import { fetchMathematicsFor } from '@bogen/core/figure';
import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { call, fetchCode } from '../api/call.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';

/** The lesson that the address names, as its reader has it. */
export function useReading() {
  const { lesson, sheet: sheetId } = useParams() as { lesson: string; sheet?: string };
  const [search] = useSearchParams();
  const edition = Number(search.get('edition')) || undefined;
  const query = useQuery({
    queryKey: ['read', lesson, edition],
    queryFn: async ({ signal }) => {
      const reading = await call('readLesson', {
        params: { lesson },
        query: edition ? { edition } : {},
        signal,
      });
      // What its figures are computed by is here before they are.
      await fetchCode(() => fetchMathematicsFor(reading));
      return reading;
    },
  });
  // What is open stays open when the connection or the session goes: the work in it is not sent yet.
  useSignInWhenNeeded(query.data ? null : query.error, '/join');
  return { lesson, sheetId, edition, query };
}
