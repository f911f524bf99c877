import { useEffect, useRef, useState } from 'react';
import { expressionReader, ReaderAway, readExpression } from './expression.js';
import { useTranslation } from '../text/text.js';
import { isWithin, limitsInWords, type Limits } from './limits.js';

interface ExpressionFieldProps {
  readonly label: string;
  readonly value: number;
  /** What the number must be; all numbers are allowed where it is not given. */
  readonly limits?: Limits;
  readonly onChange: (value: number) => void;
}

const anything: Limits = {};

/**
 * A field for a number or an expression. What can't be read stays in the field, is told, and changes nothing.
 * What is still being read when the field is left, since the reader is on its way, counts all the same.
 */
export function ExpressionField({ label, value, limits = anything, onChange }: ExpressionFieldProps) {
  const { t } = useTranslation();
  const [text, setText] = useState<string | null>(null);
  const [known, setKnown] = useState<{ text: string; problem: string } | null>(null);
  const left = useRef(false);
  const isRead = text === null || known?.text === text;
  const problem = text !== null && isRead ? (known?.problem ?? '') : '';
  // It is fetched before it is needed; where that fails it is tried again when it is.
  useEffect(() => void expressionReader().catch(() => undefined), []);
  useEffect(() => {
    if (text === null) return undefined;
    let stale = false;
    const take = (read: number | undefined): void => {
      if (stale) return;
      const problem =
        read === undefined
          ? t('ui.notANumber', { text })
          : isWithin(limits, read)
            ? ''
            : limitsInWords(limits, t);
      setKnown({ text, problem });
      if (read === undefined || problem) return;
      if (read !== value) onChange(read);
      if (left.current) setText(null);
    };
    readExpression(text).then(take, (error: unknown) => {
      if (!(error instanceof ReaderAway)) throw error;
      if (!stale) setKnown({ text, problem: t('ui.readerAway') });
    });
    return () => {
      stale = true;
    };
  }, [text]);
  // A value that comes from elsewhere takes the place of what was left wrong.
  useEffect(() => {
    if (left.current) setText(null);
  }, [value]);
  return (
    <label className="flex items-center gap-1 text-[13px]">
      <span className="text-soft">{label}</span>
      <input
        // As many digits as the field has room for.
        value={text ?? String(Number(Number(value.toFixed(6)).toPrecision(7)))}
        aria-invalid={problem !== '' || undefined}
        aria-busy={!isRead || undefined}
        title={problem || undefined}
        onChange={(event) => setText(event.target.value)}
        onFocus={() => (left.current = false)}
        onBlur={() => {
          left.current = true;
          if (isRead && !problem) setText(null);
        }}
        className="h-7 w-20 rounded-md border border-strong bg-sheet px-1.5 text-right font-mono text-[12.5px] aria-invalid:border-bad aria-invalid:text-bad"
      />
    </label>
  );
}
