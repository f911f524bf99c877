import type { AloneLesson } from '@bogen/contract';
import type { ReactNode } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { answerBy } from '../api/call.js';
import { holdPictures } from '../figure/paint/pictures.js';
import { ReaderSheet } from '../reader/ReaderSheet.js';
import { useReading } from '../reader/useReading.js';
import { Failure, Loading } from '../ui/States.js';
import type { Keeping } from './keeping.js';
import { OwnAnswers } from './ownAnswers.js';

/** Lets the page itself answer what the reader's pages ask for: a lesson that it holds, and the work on it. */
export function standAlone(lesson: AloneLesson, keeping: Keeping): void {
  answerBy(new OwnAnswers(lesson, keeping).fetch);
  holdPictures(lesson.pictures);
}

/** The reader's pages of a lesson that stands alone. @param alone what is in their bar */
export function AloneReader({ lesson, alone }: { readonly lesson: string; readonly alone: ReactNode }) {
  return (
    <Routes>
      <Route path="/read/:lesson/:sheet?" element={<AloneSheet alone={alone} />} />
      <Route path="*" element={<Navigate replace to={`/read/${lesson}`} />} />
    </Routes>
  );
}

function AloneSheet({ alone }: { readonly alone: ReactNode }) {
  const { sheetId, query } = useReading();
  if (!query.data)
    return query.error ? <Failure error={query.error} onRetry={() => void query.refetch()} /> : <Loading />;
  const number = query.data.sheets.findIndex(({ id }) => id === sheetId);
  return <ReaderSheet lesson={query.data} index={Math.max(number, 0)} wanted={undefined} alone={alone} />;
}
