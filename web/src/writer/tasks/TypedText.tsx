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
  /** Whether it is one line, which Enter ends. */
  readonly line?: boolean;
  readonly onChange: (text: string) => void;
}

/** A text of some lines that becomes a step when it is left. */
export function TypedText(props: TypedTextProps) {
  const { edited, label, value, most, className, placeholder, line = false, onChange } = props;
  const { typed, type, finish } = useTyping(edited, (text) => {
    const kept = text.trim();
    if (kept !== value) onChange(kept);
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
      onKeyDown={(event) => {
        if (!line || event.key !== 'Enter' || event.nativeEvent.isComposing) return;
        event.preventDefault();
        event.currentTarget.blur();
      }}
      onBlur={finish}
      className={`resize-none rounded-sm bg-transparent px-1 leading-snug hover:bg-tint/60 focus:bg-paper ${className}`}
    />
  );
}
