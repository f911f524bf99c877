import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { useParams } from 'react-router';
import { useEdited } from '../saving/useEdited.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { Failure, Loading } from '../ui/States.js';
import { openDraft, type OpenDraft } from './draft.js';
import { WriterSheet } from './WriterSheet.js';

/** The draft of the lesson in the address. */
export function useDraft() {
  const { lesson } = useParams() as { lesson: string };
  const draft = useQuery({
    queryKey: ['draft', lesson],
    queryFn: () => openDraft(lesson),
    staleTime: Infinity,
    gcTime: 0,
    structuralSharing: false,
  });
  useSignInWhenNeeded(draft.error, '/sign-in');
  return draft;
}

/** An instructor writes a lesson. */
export function WriterPage() {
  const draft = useDraft();
  if (draft.error) return <Failure error={draft.error} onRetry={() => void draft.refetch()} />;
  if (!draft.data) return <Loading />;
  return <Writer draft={draft.data} />;
}

function Writer({ draft }: { draft: OpenDraft }) {
  const { sheet: wanted } = useParams();
  const ids = useEdited(draft.edited, (state) =>
    state.history.document.sheets.map(({ id }) => id).join(' '),
  ).split(' ');
  const place = useRef(0);
  const index = wanted === undefined ? 0 : ids.indexOf(wanted);
  // Where the sheet has just been removed, the one that took its place is there at once.
  if (index >= 0) place.current = index;
  const sheet = ids[Math.min(place.current, ids.length - 1)]!;
  return <WriterSheet draft={draft} sheetId={sheet} />;
}
