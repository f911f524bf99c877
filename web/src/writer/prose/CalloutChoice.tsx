import { calloutKinds, type CalloutKind } from '@bogen/core/lesson';
import type { Editor } from '@tiptap/react';
import { useTranslation } from '../../text/text.js';

/** Whether the passage at the cursor is a callout, and which. */
export function CalloutChoice({ editor, current }: { editor: Editor; current: CalloutKind | null }) {
  const { t } = useTranslation();
  const set = (kind: string): void => {
    const chain = editor.chain().focus();
    if (kind === '') chain.lift('callout').run();
    else if (current) chain.updateAttributes('callout', { callout: kind }).run();
    else chain.wrapIn('callout', { callout: kind }).run();
  };
  return (
    <select
      aria-label={t('prose.callout')}
      title={t('prose.callout')}
      value={current ?? ''}
      onChange={(event) => set(event.target.value)}
      className="h-7 rounded-md bg-transparent px-1 text-[12.5px] hover:bg-tint"
    >
      <option value="">{current ? t('prose.noCallout') : t('prose.callout')}</option>
      {calloutKinds.map((kind) => (
        <option key={kind} value={kind}>
          {t(`sheet.callouts.${kind}`)}
        </option>
      ))}
    </select>
  );
}
