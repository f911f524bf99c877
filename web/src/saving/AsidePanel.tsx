import { useTold } from '../text/told.js';
import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { copyText } from '../ui/copyText.js';
import { Panel } from '../ui/Panel.js';
import type { AsideStep } from './unsent.js';

/** Changes that could not be saved, to be read and copied before they are forgotten. */
export default function AsidePanel({
  aside,
  onClose,
  onForget,
}: {
  aside: readonly AsideStep<unknown>[];
  onClose: () => void;
  onForget: () => void;
}) {
  const { t } = useTranslation();
  const tell = useTold();
  const [copied, setCopied] = useState(false);
  const text = aside.map(({ effect, reason }) => `${tell(reason)}\n${readable(effect)}`).join('\n\n');
  return (
    <Panel open onClose={onClose} title={t('save.asideTitle')} lead={t('save.asideLead')}>
      <pre
        className="max-h-96 overflow-auto rounded border border-line p-2 font-mono text-[12px] break-words whitespace-pre-wrap select-text"
        tabIndex={0}
        data-aside
      >
        {text}
      </pre>
      <p className="flex flex-wrap items-center gap-2">
        <Button primary onClick={() => void copyText(text).then(setCopied)}>
          {t('save.asideCopy')}
        </Button>
        <Button onClick={onForget}>{t('save.asideForget')}</Button>
        <span role="status" className="text-[13px] text-soft">
          {copied ? t('save.asideCopied') : ''}
        </span>
      </p>
    </Panel>
  );
}

/** A command as somebody can read it: what was typed first, and then the whole as data. */
function readable(command: unknown): string {
  const typed: string[] = [];
  JSON.stringify(command, (key, value: unknown) => {
    if ((key === 'text' || key === 'title' || key === 'prompt') && typeof value === 'string')
      typed.push(value);
    return value;
  });
  return [...typed, JSON.stringify(command)].join('\n');
}
