import { useState } from 'react';
import { counted } from '../../text/notation.js';
import { useTranslation } from '../../text/text.js';
import { indicesText, readIndices } from './indices.js';

interface IndicesFieldProps {
  readonly label: string;
  readonly value: readonly number[];
  /** How many points there are to choose from. */
  readonly count: number;
  readonly onChange: (value: readonly number[]) => void;
}

/** Numbers of points, typed; what can't be read stays in the field, is told, and changes nothing. */
export function IndicesField({ label, value, count, onChange }: IndicesFieldProps) {
  const { t } = useTranslation();
  const [text, setText] = useState<string | null>(null);
  const first = counted(0);
  const read = text === null ? value : readIndices(text, first, count);
  const isWrong = read === undefined || read.length === 0;
  const wrong = isWrong ? t('task.badIndices', { least: first, most: count - 1 + first }) : undefined;
  return (
    <label className="flex items-center gap-1 text-[13px]" title={wrong}>
      <span className="text-soft">{label}</span>
      <input
        value={text ?? indicesText(value, first)}
        aria-invalid={isWrong || undefined}
        onChange={(event) => {
          setText(event.target.value);
          const next = readIndices(event.target.value, first, count);
          if (next && next.length > 0) onChange(next);
        }}
        onBlur={() => !isWrong && setText(null)}
        className="h-7 w-32 rounded-md border border-strong bg-sheet px-1.5 font-mono text-[12.5px] aria-invalid:border-bad aria-invalid:text-bad"
      />
    </label>
  );
}
