import '../text/enPages.js';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { copyText } from '../ui/copyText.js';
import { TopBar } from '../ui/TopBar.js';

/** Return keys that were made just now, and names that were passed over. */
export interface GivenKeys {
  readonly students: readonly { readonly id: string; readonly name: string; readonly returnKey: string }[];
  readonly taken: readonly string[];
}

interface KeySheetProps {
  readonly given: GivenKeys;
  readonly className: string;
  readonly code: string;
  readonly onDone: () => void;
}

/** Return keys as slips to print and cut apart. They are shown once. */
export function KeySheet({ given: { students, taken }, className, code, onDone }: KeySheetProps) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
  const address = location.host;
  const asTable = (): string =>
    students.map(({ name, returnKey }) => [name, code, returnKey].join('\t')).join('\n');
  return (
    <div className="flex min-h-full flex-col print:block">
      <div className="print:hidden">
        <TopBar place={<span className="font-semibold">{className}</span>} />
      </div>
      <main className="mx-auto w-full max-w-[980px] flex-1 px-4 py-8 sm:px-8 print:max-w-none print:p-0">
        <div className="print:hidden">
          <h1 className="font-serif text-[28px] font-medium">
            {t('classes.keysTitle', { name: className })}
          </h1>
          <p className="mt-1 text-[15px] text-soft">{t('classes.keysLead')}</p>
          {taken.length > 0 && (
            <p role="status" className="mt-2 text-[14px]">
              {t('classes.takenAlready', { count: taken.length, names: taken.slice(0, 20).join(', ') })}
            </p>
          )}
          <div className="mt-4 mb-6 flex flex-wrap gap-2">
            {students.length > 0 && (
              <>
                <Button primary onClick={() => window.print()}>
                  <Printer aria-hidden size={15} />
                  {t('classes.print')}
                </Button>
                <Button onClick={() => void copyText(asTable()).then(setCopied)}>
                  {t(copied ? 'classes.copied' : 'classes.copyAll')}
                </Button>
              </>
            )}
            <Button onClick={onDone}>{t('classes.keysDone')}</Button>
          </div>
        </div>
        <ul className="grid grid-cols-2 gap-0 md:grid-cols-3 print:grid-cols-2" data-keys>
          {students.map(({ id, name, returnKey }) => (
            <li
              key={id}
              className="-mr-px -mb-px break-inside-avoid border border-dashed border-strong px-4 py-3 text-[13px]"
            >
              <p className="font-serif text-[17px]">{name}</p>
              <p className="text-soft">
                {className}, {t('classes.slipAt', { address })}
              </p>
              <p className="mt-2">
                {t('classes.slipCode')} <span className="font-mono text-[15px] select-all">{code}</span>
              </p>
              <p>
                {t('classes.slipKey')} <span className="font-mono text-[15px] select-all">{returnKey}</span>
              </p>
              <p className="mt-1 text-soft">{t('classes.slipHow')}</p>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
