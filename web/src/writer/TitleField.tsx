import clsx from 'clsx';
import { useTyping } from '../saving/useTyping.js';
import { useTranslation } from '../text/text.js';
import type { EditedDraft } from './draft.js';

interface TitleFieldProps {
  readonly label: string;
  readonly value: string;
  readonly edited: EditedDraft;
  readonly onChange: (value: string) => void;
  readonly className: string;
  readonly multiline?: boolean;
}

/** A title that is typed where it stands. It becomes a step when the field is left, or by Enter. */
export function TitleField({
  label,
  value,
  edited,
  onChange,
  className,
  multiline = false,
}: TitleFieldProps) {
  const { t } = useTranslation();
  const { typed, type, finish } = useTyping(edited, (text) => {
    const title = text.trim();
    if (title !== '' && title !== value) onChange(title);
  });
  const text = typed ?? value;
  const bad = typed !== null && typed.trim() === '';
  const shared = {
    'aria-label': label,
    'aria-invalid': bad || undefined,
    value: text,
    maxLength: 200,
    onBlur: finish,
    className: clsx(
      'rounded-sm bg-transparent outline-offset-4 hover:bg-tint focus:bg-sheet',
      className,
      bad && 'ring-2 ring-bad',
    ),
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLElement>): void => {
    if (event.key === 'Escape') type(null);
    if (event.key !== 'Enter') return;
    event.preventDefault();
    if (!bad) finish();
  };
  return (
    <>
      {multiline ? (
        <textarea
          rows={1}
          {...shared}
          onKeyDown={onKeyDown}
          onChange={(event) => type(event.target.value.replace(/\n/g, ' '))}
          style={{ fieldSizing: 'content', resize: 'none' } as React.CSSProperties}
        />
      ) : (
        <input {...shared} onKeyDown={onKeyDown} onChange={(event) => type(event.target.value)} />
      )}
      {bad && (
        <span role="alert" className="text-[12px] text-bad">
          {t('writer.badTitle')}
        </span>
      )}
    </>
  );
}
