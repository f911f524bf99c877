import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { shownDay } from '../text/time.js';
import { Button } from '../ui/Button.js';
import { copyText } from '../ui/copyText.js';

export interface GivenLink {
  readonly address: string;
  readonly until: string;
  readonly isMailed: boolean;
}

/** A link to be given to somebody; it is shown once. */
export function LinkToGive({ link, email, onDone }: { link: GivenLink; email: string; onDone: () => void }) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
  return (
    <>
      <p className="text-[14px]">{t(link.isMailed ? 'people.mailed' : 'people.notMailed', { email })}</p>
      <output
        className="rounded-md border border-strong bg-paper px-3 py-2 font-mono text-[13px] break-all select-all"
        data-link
      >
        {link.address}
      </output>
      <p className="text-[13px] text-soft">{t('people.until', { day: shownDay(link.until) })}</p>
      <div className="flex gap-2">
        <Button primary onClick={() => void copyText(link.address).then(setCopied)}>
          {t(copied ? 'people.copied' : 'people.copy')}
        </Button>
        <Button onClick={onDone}>{t('people.done')}</Button>
      </div>
    </>
  );
}
