import { isAllowedAddress } from '@bogen/core/lesson';
import type { Editor } from '@tiptap/react';
import { Link as LinkIcon } from 'lucide-react';
import { useRef, useState, type FormEvent } from 'react';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Popup } from '../../ui/Popup.js';

interface LinkFieldProps {
  readonly editor: Editor;
  readonly isLink: boolean;
  /** Whether no words are selected. */
  readonly isEmpty: boolean;
}

/** Where the selected words lead. */
export function LinkField({ editor, isLink, isEmpty }: LinkFieldProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [address, setAddress] = useState('');
  const [isBad, setBad] = useState(false);
  const hasSet = useRef(false);
  const begin = (next: boolean): void => {
    setOpen(next);
    setBad(false);
    hasSet.current = false;
    if (next) setAddress(String(editor.getAttributes('link')['href'] ?? ''));
  };
  const set = (event: FormEvent): void => {
    event.preventDefault();
    const href = address.trim();
    if (!isAllowedAddress(href)) {
      setBad(true);
      return;
    }
    hasSet.current = true;
    setOpen(false);
    editor.chain().focus().extendMarkRange('link').setMark('link', { href }).run();
  };
  const remove = (): void => {
    hasSet.current = true;
    setOpen(false);
    editor.chain().focus().extendMarkRange('link').unsetMark('link').run();
  };
  return (
    <Popup
      label={t('prose.link')}
      open={open}
      onOpen={begin}
      leavesFocus={() => hasSet.current}
      className="p-3"
      trigger={
        <Button
          quiet
          className="px-1.5"
          pressed={isLink}
          disabled={isEmpty && !isLink}
          aria-label={t('prose.link')}
          title={t('prose.link')}
          onMouseDown={(event) => event.preventDefault()}
        >
          <LinkIcon aria-hidden size={15} />
        </Button>
      }
    >
      <form onSubmit={set} className="flex w-[300px] max-w-full flex-col gap-2 text-[13px]">
        <label className="flex flex-col gap-1">
          <span className="text-soft">{t('prose.linkAddress')}</span>
          <input
            autoFocus
            value={address}
            maxLength={2000}
            onChange={(event) => setAddress(event.target.value)}
            className="h-8 rounded-md border border-strong bg-sheet px-2"
          />
        </label>
        <p role={isBad ? 'alert' : undefined} className={isBad ? 'text-bad' : 'text-soft'}>
          {isBad ? t('prose.linkBad') : t('prose.linkLead')}
        </p>
        <div className="flex gap-2">
          <Button primary type="submit">
            {t('prose.linkSet')}
          </Button>
          {isLink && (
            <Button quiet onClick={remove}>
              {t('prose.linkRemove')}
            </Button>
          )}
        </div>
      </form>
    </Popup>
  );
}
