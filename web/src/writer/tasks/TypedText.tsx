import type { CSSProperties } from 'react';
import { useTyping } from '../../saving/useTyping.js';
import type { EditedDraft } from '../draft.js';

interface TypedTextProps {
  readonly edited: EditedDraft;
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly className: string;
  readonly placeholder?: string;
  readonly onChange: (text: string) => void;
}

/** A text of some lines that becomes a step when it is left. */
export function TypedText({ edited, label, value, most, className, placeholder, onChange }: TypedTextProps) {
  const { typed, type, finish } = useTyping(edited, (text) => {
    if (text !== value) onChange(text);
  });
  return (
    <textarea
      aria-label={label}
      rows={1}
      style={{ fieldSizing: 'content' } as CSSProperties}
      maxLength={most}
      placeholder={placeholder ?? label}
      value={typed ?? value}
      onChange={(event) => type(event.target.value)}
      onBlur={finish}
      className={`resize-none rounded-sm bg-transparent px-1 leading-snug hover:bg-tint/60 focus:bg-paper ${className}`}
    />
  );
}
