import { useEffect, useState } from 'react';
import { counted, sizeOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';

interface WholeFieldProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** A degree, which some lessons write as an order; or an index, which some count from 1. */
  readonly is?: 'degree' | 'index' | undefined;
  readonly onChange: (value: number) => void;
}

/**
 * A small field for a whole number; arrows count. What is none, or outside its limits, stays in the field and
 * is told; nothing else changes.
 */
export function WholeField({ is, ...given }: WholeFieldProps) {
  const { t } = useTranslation();
  const more = is === 'degree' ? sizeOf(0) : is === 'index' ? counted(0) : 0;
  const { label } = given;
  const [value, least, most] = [given.value + more, given.least + more, given.most + more];
  const onChange = (next: number): void => given.onChange(next - more);
  const [text, setText] = useState(String(value));
  useEffect(() => setText((before) => (Number(before) === value ? before : String(value))), [value]);
  const read = (typed: string): number | undefined => {
    const number = typed.trim() === '' ? NaN : Number(typed);
    return Number.isInteger(number) && number >= least && number <= most ? number : undefined;
  };
  const wrong = read(text) === undefined;
  return (
    <label
      className="flex items-center gap-1 text-[13px]"
      title={wrong ? t('ui.wholeBetween', { least, most }) : undefined}
    >
      <span className="text-soft">{label}</span>
      <input
        inputMode="numeric"
        value={text}
        aria-invalid={wrong || undefined}
        onChange={(event) => {
          setText(event.target.value);
          const number = read(event.target.value);
          if (number !== undefined) onChange(number);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
          const next = Math.min(most, Math.max(least, value + (event.key === 'ArrowUp' ? 1 : -1)));
          event.preventDefault();
          setText(String(next));
          onChange(next);
        }}
        className="h-7 rounded-md border border-strong bg-sheet px-1.5 text-right font-mono text-[12.5px] aria-invalid:border-bad aria-invalid:text-bad"
        // As wide as its longest number.
        style={{ width: `${String(most).length + 2.5}ch` }}
      />
    </label>
  );
}
