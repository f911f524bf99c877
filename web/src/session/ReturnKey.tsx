import '../text/enPages.js';
import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { copyText } from '../ui/copyText.js';
import { Button } from '../ui/Button.js';

/** A return key, to be written down or copied. */
export function ReturnKey({ value }: { value: string }) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
  return (
    <div className="flex items-center gap-3">
      <output
        className="rounded-md border border-strong bg-sheet px-4 py-2 font-mono text-[18px] tracking-wide select-all"
        data-return-key
      >
        {value}
      </output>
      <Button onClick={() => void copyText(value).then(setCopied)}>
        {copied ? t('session.copied') : t('session.copy')}
      </Button>
    </div>
  );
}
