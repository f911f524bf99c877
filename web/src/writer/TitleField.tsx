import clsx from 'clsx';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from '../text/text.js';
import type { DraftSession } from './draft.js';

interface TitleFieldProps {
  readonly label: string;
  readonly value: string;
  readonly session: DraftSession;
  readonly onChange: (value: string) => void;
  readonly className: string;
  readonly multiline?: boolean;
}

/** A title that is typed where it stands. It becomes a step when the field is left, or by Enter. */
export function TitleField({
  label,
  value,
  session,
  onChange,
  className,
  multiline = false,
}: TitleFieldProps) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState<string | null>(null);
  const latest = useRef<() => void>(() => undefined);
  const text = typed ?? value;
  const bad = typed !== null && typed.trim() === '';
  latest.current = () => {
    if (typed !== null && !bad && typed.trim() !== value) onChange(typed.trim());
    if (!bad) setTyped(null);
  };
  useEffect(() => session.addTyping(() => latest.current()), [session]);
  const shared = {
    'aria-label': label,
    'aria-invalid': bad || undefined,
    value: text,
    maxLength: 200,
    onBlur: () => (bad ? setTyped(null) : latest.current()),
    className: clsx(
      'rounded-sm bg-transparent outline-offset-4 hover:bg-tint focus:bg-sheet',
      className,
      bad && 'ring-2 ring-bad',
    ),
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLElement>): void => {
    if (event.key === 'Escape') setTyped(null);
    if (event.key !== 'Enter') return;
    event.preventDefault();
    latest.current();
  };
  return (
    <>
      {multiline ? (
        <textarea
          rows={1}
          {...shared}
          onKeyDown={onKeyDown}
          onChange={(event) => setTyped(event.target.value.replace(/\n/g, ' '))}
          style={{ fieldSizing: 'content', resize: 'none' } as React.CSSProperties}
        />
      ) : (
        <input {...shared} onKeyDown={onKeyDown} onChange={(event) => setTyped(event.target.value)} />
      )}
      {bad && (
        <span role="alert" className="text-[12px] text-bad">
          {t('writer.badTitle')}
        </span>
      )}
    </>
  );
}
