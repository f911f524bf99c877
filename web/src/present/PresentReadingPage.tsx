import { useReading } from '../reader/useReading.js';
import { Failure, Loading } from '../ui/States.js';
import { Presented } from './Presented.js';

/** A published lesson is presented by one who reads it, their own figure first. */
export function PresentReadingPage() {
  const { lesson, sheetId, edition, query } = useReading();
  if (!query.data)
    return query.error ? <Failure error={query.error} onRetry={() => void query.refetch()} /> : <Loading />;
  const search = edition ? `?edition=${edition}` : '';
  return (
    <Presented
      lesson={query.data.edition.id}
      sheets={query.data.sheets}
      notation={query.data.notation}
      wanted={sheetId}
      addressOf={(sheet) => `/present-reading/${lesson}/${sheet}${search}`}
      backTo={(sheet) => `/read/${lesson}/${sheet}${search}`}
      hasNotes={false}
    />
  );
}
