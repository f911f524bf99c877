import { Failure, Loading } from '../ui/States.js';
import { ReaderSheet } from './ReaderSheet.js';
import { useReading } from './useReading.js';

/** A student reads a lesson: one sheet at a time, with the work on it found again. */
export function ReaderPage() {
  const { sheetId, edition, query } = useReading();
  if (!query.data)
    return query.error ? <Failure error={query.error} onRetry={() => void query.refetch()} /> : <Loading />;
  const number = sheetId ? query.data.sheets.findIndex(({ id }) => id === sheetId) : 0;
  const index = number < 0 ? 0 : number;
  return <ReaderSheet lesson={query.data} index={index} wanted={edition} />;
}
