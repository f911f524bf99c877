import { useTold } from '../../text/told.js';
import type { FigureItem } from '@bogen/core/figure';
import { FormatError } from '@bogen/core/format';
import { CommandError } from '@bogen/core/lesson';
import { useEffect } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { copiedItems, copyItems, drawingOf, itemsToCopy, pasteCommand, readItems } from './clipboard.js';

export interface Clipboard {
  readonly copy: (items?: readonly FigureItem[]) => void;
  readonly paste: () => void;
}

/** Copy and paste of items, by keyboard and by menu; what was done is said. */
export function useClipboard(scene: FigureScene, say: (text: string) => void): Clipboard {
  const { t } = useTranslation();
  const tell = useTold();
  const put = (items: readonly FigureItem[] | undefined): void => {
    if (!items) {
      say(t('details.nothingCopied'));
      return;
    }
    try {
      scene.host.do(pasteCommand(scene.document, items));
      say(t('details.pasted', { name: items.map(({ name }) => name).join(', ') }));
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      say(tell(error));
    }
  };
  const copy = (items: readonly FigureItem[] = itemsToCopy(scene)): string | undefined => {
    if (items.length === 0) return undefined;
    const text = copyItems(scene, items);
    say(t('details.copied', { name: items.map(({ name }) => name).join(', ') }));
    return text;
  };
  useEffect(() => {
    const isText = (event: ClipboardEvent): boolean =>
      (event.target as HTMLElement).closest?.('input, textarea, [contenteditable]') !== null ||
      window.getSelection()?.isCollapsed === false;
    const onCopy = (event: ClipboardEvent): void => {
      if (isText(event)) return;
      const text = copy();
      if (text === undefined) return;
      event.clipboardData?.setData('text/plain', text);
      event.clipboardData?.setData('image/svg+xml', drawingOf(scene, itemsToCopy(scene)));
      event.preventDefault();
    };
    const onPaste = (event: ClipboardEvent): void => {
      if ((event.target as HTMLElement).closest?.('input, textarea, [contenteditable]')) return;
      event.preventDefault();
      const { clipboardData } = event;
      const text = clipboardData?.getData('text/plain') || clipboardData?.getData('image/svg+xml') || '';
      try {
        put(readItems(text) ?? copiedItems());
      } catch (error) {
        if (!(error instanceof FormatError)) throw error;
        say(tell(error));
      }
    };
    document.addEventListener('copy', onCopy);
    document.addEventListener('paste', onPaste);
    return () => {
      document.removeEventListener('copy', onCopy);
      document.removeEventListener('paste', onPaste);
    };
  });
  return { copy: (items) => void copy(items), paste: () => put(copiedItems()) };
}
