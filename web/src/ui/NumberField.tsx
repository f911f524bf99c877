import { useEffect, useState } from 'react';
import { useTranslation } from '../text/text.js';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly least?: number;
  readonly most?: number;
  readonly whole?: boolean;
  readonly onChange: (value: number) => void;
}

/** A small field for a number. What is no number, or outside its limits, stays in the field and is told; nothing else changes. */
export function NumberField({
  label,
  value,
  least = -Infinity,
  most = Infinity,
  whole = false,
  onChange,
}: NumberFieldProps) {
  const { t } = useTranslation();
  const [text, setText] = useState(String(value));
  useEffect(() => setText((before) => (Number(before) === value ? before : String(value))), [value]);
  const read = (typed: string): number | undefined => {
    const number = typed.trim() === '' ? NaN : Number(typed);
    const fits = Number.isFinite(number) && number >= least && number <= most;
    return fits && (!whole || Number.isInteger(number)) ? number : undefined;
  };
  const wrong = read(text) === undefined;
  const help = wrong
    ? most === Infinity
      ? t('ui.numberFrom', { least })
      : t(whole ? 'ui.wholeBetween' : 'ui.numberBetween', { least, most })
    : undefined;
  return (
    <label className="flex items-center gap-1 text-[13px]" title={help}>
      <span className="text-soft">{label}</span>
      <input
        inputMode="decimal"
        value={text}
        aria-invalid={wrong || undefined}
        onChange={(event) => {
          setText(event.target.value);
          const number = read(event.target.value);
          if (number !== undefined) onChange(number);
        }}
        onKeyDown={(event) => {
          if (!whole || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
          const next = Math.min(most, Math.max(least, value + (event.key === 'ArrowUp' ? 1 : -1)));
          event.preventDefault();
          setText(String(next));
          onChange(next);
        }}
        className="h-7 w-14 rounded-md border border-strong bg-sheet px-1.5 text-right font-mono text-[12.5px] aria-invalid:border-bad aria-invalid:text-bad"
      />
    </label>
  );
}
