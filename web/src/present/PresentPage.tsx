import { useLocation, useParams } from 'react-router';
import { useEdited } from '../saving/useEdited.js';
import { Failure, Loading } from '../ui/States.js';
import type { OpenDraft } from '../writer/draft.js';
import { useDraft } from '../writer/WriterPage.js';
import type { PresentState } from '../stage/presentState.js';
import { Presented } from './Presented.js';

/** A draft is presented by whoever writes it. */
export function PresentPage() {
  const draft = useDraft();
  if (draft.error) return <Failure error={draft.error} onRetry={() => void draft.refetch()} />;
  if (!draft.data) return <Loading />;
  return <OfDraft draft={draft.data} />;
}

function OfDraft({ draft: { id, edited } }: { draft: OpenDraft }) {
  const { sheet: wanted } = useParams();
  const state = useLocation().state as PresentState | null;
  return (
    <Presented
      lesson={id}
      sheets={useEdited(edited, ({ history }) => history.document.sheets)}
      notation={useEdited(edited, ({ history }) => history.document.notation)}
      wanted={wanted}
      addressOf={(sheet) => `/present/${id}/${sheet}`}
      backTo={(sheet) => `${state?.from ?? '/write'}/${id}/${sheet}`}
      hasNotes
    />
  );
}
