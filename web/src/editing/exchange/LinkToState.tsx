import type { FigureDocument } from '@bogen/core/figure';
import { useId, useRef, useState } from 'react';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { hashOf } from './figureLink.js';

/** An address that carries the figure as it is now, and opens it at anybody's bench; nothing of it is stored anywhere. */
export function LinkToState({ document }: { document: FigureDocument }) {
  const { t } = useTranslation();
  const [made, setMade] = useState<{ readonly of: FigureDocument; readonly link: string } | null>(null);
  const [problem, setProblem] = useState<unknown>(null);
  const [isCopied, setCopied] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const link = made?.of === document ? made.link : null;
  const make = async (): Promise<void> => {
    setProblem(null);
    setCopied(false);
    try {
      const address = new URL(`/bench${await hashOf(document)}`, location.href).href;
      setMade({ of: document, link: address });
      // Browsers keep the clipboard from pages that came by plain HTTP; the field is there for those.
      await navigator.clipboard?.writeText(address).then(
        () => setCopied(true),
        () => undefined,
      );
      field.current?.select();
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <div className="flex flex-col gap-1" data-link-to-state>
      <div>
        <Button title={t('exchange.linkLead')} onClick={() => void make()}>
          {t('exchange.link')}
        </Button>
      </div>
      {link !== null && (
        <>
          <label htmlFor={id} className="text-[12.5px] text-soft">
            {t(isCopied ? 'exchange.linkCopied' : 'exchange.linkLead')}
          </label>
          <input
            ref={field}
            id={id}
            readOnly
            value={link}
            onFocus={(event) => event.target.select()}
            className="h-7 w-full rounded-md border border-strong bg-sheet px-2 font-mono text-[12px]"
          />
        </>
      )}
      <ProblemText error={problem} className="text-[13px]" />
    </div>
  );
}
