import { ProblemText } from '../ui/ProblemText.js';
import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call } from '../api/instructorCall.js';
import { useEdited } from '../saving/useEdited.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Panel } from '../ui/Panel.js';
import type { OpenDraft } from './draft.js';

/** The question that is asked when a draft was changed elsewhere; neither answer loses the other side's work. */
export function ConflictPanel({ draft }: { draft: OpenDraft }) {
  const { t } = useTranslation();
  const { edited } = draft;
  const navigate = useNavigate();
  const newer = useEdited(edited, (state) => (state.status === 'conflict' ? state.newer : null));
  const count = useEdited(edited, (state) => state.unsent);
  const keep = useMutation({
    mutationFn: () => {
      const { document } = edited.store.getState().history;
      const title = t('conflict.copyName', { title: document.title }).slice(0, 200);
      return call('createLesson', {
        params: { course: draft.course.id },
        body: { document: { ...document, title } },
      });
    },
    onSuccess: async ({ id }) => {
      if (newer) edited.takeNewer(newer);
      await navigate(`/write/${id}`);
    },
  });
  if (!newer) return null;
  const choice = (title: string, help: string, act: () => void, primary = false) => (
    <div>
      <Button primary={primary} onClick={act}>
        {title}
      </Button>
      <p className="mt-1 text-[13px] text-soft">{help}</p>
    </div>
  );
  return (
    <Panel
      open
      closable={false}
      onClose={() => undefined}
      title={t('conflict.title')}
      lead={t('conflict.lead', { count })}
    >
      {choice(t('conflict.putOnTop'), t('conflict.putOnTopHelp'), () => edited.putOnTop(), true)}
      {choice(t('conflict.keepAsCopy'), t('conflict.keepAsCopyHelp'), () => keep.mutate())}
      {choice(t('conflict.takeTheirs'), t('conflict.takeTheirsHelp'), () => edited.takeNewer(newer))}
      <ProblemText error={keep.error} />
    </Panel>
  );
}
