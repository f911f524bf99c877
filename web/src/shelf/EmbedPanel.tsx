import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../api/instructorCall.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Check } from '../ui/Choice.js';
import { copyText } from '../ui/copyText.js';
import { Panel } from '../ui/Panel.js';
import { ProblemText } from '../ui/ProblemText.js';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('"', '&quot;').replaceAll('<', '&lt;');

/** What is put into another page so that it shows a sheet. */
const frameOf = (embedding: string, title: string): string =>
  `<iframe src="${location.origin}/embed/${embedding}" title="${escaped(title)}" width="100%" height="640" style="border:0" loading="lazy"></iframe>`;

interface EmbedPanelProps {
  readonly lesson: string;
  readonly title: string;
  readonly onClose: () => void;
}

/** Which published sheets of a lesson may be shown within other pages, and what is put there for it. */
export function EmbedPanel({ lesson, title, onClose }: EmbedPanelProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const key = ['embeddings', lesson];
  const [copied, setCopied] = useState<string | null>(null);
  const query = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => call('embeddings', { params: { lesson }, signal }),
  });
  const change = useMutation({
    mutationFn: ({ sheet, open }: { sheet: string; open: boolean }) =>
      call('setEmbedding', { params: { lesson, sheet }, body: { open } }),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
  });
  return (
    <Panel open onClose={onClose} title={t('shelf.embedTitle', { title })} lead={t('shelf.embedLead')}>
      <ProblemText error={query.error ?? change.error} />
      {query.isPending && <p role="status">{t('shelf.finding')}</p>}
      <ul className="flex flex-col gap-3">
        {query.data?.sheets.map((sheet) => (
          <li key={sheet.id} className="flex flex-col gap-1.5" data-embedding={sheet.id}>
            <Check
              label={sheet.title}
              value={sheet.embedding !== null}
              onChange={(open) => change.mutate({ sheet: sheet.id, open })}
            />
            {sheet.embedding !== null && (
              <div className="flex items-start gap-2 pl-5">
                <textarea
                  readOnly
                  rows={2}
                  aria-label={t('shelf.embedCode', { title: sheet.title })}
                  value={frameOf(sheet.embedding, sheet.title)}
                  onFocus={(event) => event.target.select()}
                  className="min-w-0 flex-1 rounded-md border border-strong bg-sheet px-2 py-1 font-mono text-[12px]"
                />
                <Button
                  onClick={() =>
                    void copyText(frameOf(sheet.embedding!, sheet.title)).then(
                      (isTaken) => isTaken && setCopied(sheet.id),
                    )
                  }
                >
                  {t(copied === sheet.id ? 'shelf.embedCopied' : 'shelf.embedCopy')}
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
