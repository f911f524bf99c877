import { useEffect, useId, useState } from 'react';
import { useTranslation } from '../text/text.js';
import { expressionReader, readExpression } from './expression.js';

interface AnswerFieldProps {
  readonly label: string;
  /** Nothing where nothing was typed yet. */
  readonly value: number | undefined;
  readonly unit?: string;
  readonly onChange: (value: number) => void;
}

/**
 * A field that is empty at first, for a number or an expression. What can't be read stays in the field and is told; what was
 * answered last is kept.
 */
export function AnswerField({ label, value, unit, onChange }: AnswerFieldProps) {
  const { t } = useTranslation();
  const id = useId();
  const [text, setText] = useState(() => (value === undefined ? '' : shown(value)));
  const [problem, setProblem] = useState('');
  useEffect(() => void expressionReader().catch(() => undefined), []);
  useEffect(() => {
    let stale = false;
    if (text.trim() === '') {
      setProblem('');
      return undefined;
    }
    readExpression(text).then(
      (read) => {
        if (stale) return;
        setProblem(read === undefined ? t('ui.notANumber', { text }) : '');
        if (read !== undefined && read !== value) onChange(read);
      },
      () => !stale && setProblem(t('ui.readerAway')),
    );
    return () => {
      stale = true;
    };
  }, [text]);
  return (
    <span className="flex flex-wrap items-center gap-2">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <input
        id={id}
        value={text}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={problem !== '' || undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(event) => setText(event.target.value)}
        className="h-8 w-32 rounded-md border border-strong bg-sheet px-2 text-right font-mono text-[13px] aria-invalid:border-bad"
      />
      {unit && <span className="font-mono text-[12px] text-soft">{unit}</span>}
      {problem && (
        <span id={`${id}-problem`} role="alert" className="text-bad">
          {problem}
        </span>
      )}
    </span>
  );
}

/** As it may have been typed: what is written out of an expression has no more digits than a person reads. */
const shown = (value: number): string => String(Number(value.toPrecision(10)));
