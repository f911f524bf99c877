import '../text/enPages.js';
import { ProblemText } from '../ui/ProblemText.js';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { NotConnected } from '../api/call.js';
import { call } from '../api/instructorCall.js';
import { useEdited } from '../saving/useEdited.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Panel } from '../ui/Panel.js';
import type { OpenDraft } from './draft.js';
import { Differences } from './history/Differences.js';

/** Publishes the present state as the next edition, after asking. */
export function Publish({ draft }: { draft: OpenDraft }) {
  const { t } = useTranslation();
  const { edited } = draft;
  const client = useQueryClient();
  const [asking, setAsking] = useState(false);
  const [edition, setEdition] = useState(draft.edition);
  const unsent = useEdited(edited, (state) => state.unsent);
  // Read with every change of the document, since the revision is known when the last step is saved.
  const upToDate = edition !== null && unsent === 0 && edition.revision === edited.revision;
  const publish = useMutation({
    mutationFn: async () => {
      edited.finishTyping();
      if (!(await edited.whenSaved())) throw new NotConnected(t('save.offlineLong'));
      return call('publish', { params: { lesson: draft.id }, body: { revision: edited.revision } });
    },
    onSuccess: (next) => {
      setEdition(next);
      void client.invalidateQueries({ queryKey: ['shelf'] });
    },
  });
  const next = (edition?.number ?? 0) + 1;
  const close = (): void => {
    setAsking(false);
    publish.reset();
  };
  return (
    <>
      <Button
        primary
        disabled={upToDate && !asking}
        title={upToDate ? t('writer.upToDate', { number: edition.number }) : undefined}
        onClick={() => {
          edited.finishTyping();
          setAsking(true);
        }}
      >
        {t('writer.publish')}
      </Button>
      <Panel
        open={asking}
        onClose={close}
        title={
          publish.data
            ? t('writer.published', { number: publish.data.number })
            : t('writer.publishTitle', { number: next })
        }
        lead={publish.data ? undefined : t('writer.publishLead')}
      >
        {asking && edition && !publish.data && (
          <SinceEdition lesson={draft.id} edition={edition} edited={edited} />
        )}
        <ProblemText error={publish.error instanceof NotConnected ? t('save.offlineLong') : publish.error} />
        <div className="flex gap-2">
          {publish.data ? (
            <Button onClick={close}>{t('writer.backToWriting')}</Button>
          ) : (
            <>
              <Button primary disabled={publish.isPending} onClick={() => publish.mutate()}>
                {t('writer.publish')}
              </Button>
              <Button onClick={close}>{t('shelf.cancel')}</Button>
            </>
          )}
        </div>
      </Panel>
    </>
  );
}

/** What changed since the last edition, before the next one comes out. */
function SinceEdition({
  lesson,
  edition,
  edited,
}: {
  lesson: string;
  edition: { readonly number: number; readonly revision: number };
  edited: OpenDraft['edited'];
}) {
  const { t } = useTranslation();
  const now = useEdited(edited, (state) => state.history.document);
  const { revision, number } = edition;
  const then = useQuery({
    queryKey: ['lesson-at', lesson, revision],
    queryFn: ({ signal }) => call('lessonAt', { params: { lesson, revision }, signal }),
    staleTime: Infinity,
  });
  if (!then.data) return null;
  return (
    <div className="flex max-h-[240px] flex-col gap-1 overflow-y-auto">
      <p className="text-[12.5px] text-soft">{t('lessonHistory.sinceEdition', { number })}</p>
      <Differences before={then.data.document} after={now} />
    </div>
  );
}
