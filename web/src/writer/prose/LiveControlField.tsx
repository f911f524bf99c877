import type { Control } from '@bogen/core/figure';
import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { Settings2 } from 'lucide-react';
import { LiveControl } from '../../live/LiveControl.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { Popup } from '../../ui/Popup.js';

/** A live control in the text that is written: it sets the value here too, and says between which bounds. */
export function LiveControlField({ node, updateAttributes, deleteNode }: NodeViewProps) {
  const { t } = useTranslation();
  const { control } = node.attrs as { control: Control | null };
  if (!control) return <NodeViewWrapper as="span" />;
  const set = (key: 'least' | 'most') => (value: number) =>
    updateAttributes({ control: { ...control, [key]: value } });
  const limits = control.of === 'degree' ? { least: 1, most: 9 } : { above: 0 };
  return (
    <NodeViewWrapper as="span" className="inline-flex items-center" contentEditable={false}>
      <LiveControl control={control} />
      <Popup
        label={t('live.control')}
        className="flex flex-col gap-2 p-3 text-[13px]"
        trigger={
          <button
            type="button"
            aria-label={t('live.control')}
            className="grid size-5 place-items-center rounded hover:bg-tint"
            data-control-field
          >
            <Settings2 aria-hidden size={13} />
          </button>
        }
      >
        {'least' in control && (
          <>
            <ExpressionField
              label={t('live.least')}
              value={control.least}
              limits={limits}
              onChange={set('least')}
            />
            <ExpressionField
              label={t('live.most')}
              value={control.most}
              limits={limits}
              onChange={set('most')}
            />
          </>
        )}
        <Button quiet className="self-start" onClick={deleteNode}>
          {t('live.remove')}
        </Button>
      </Popup>
    </NodeViewWrapper>
  );
}
