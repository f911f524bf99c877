import type { Measure } from '@bogen/core/figure';
import { NodeViewWrapper, type NodeViewProps } from '@tiptap/react';
import { useFigureOfText } from '../../live/FigureOfText.js';
import { LiveValue } from '../../live/LiveValue.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { Popup } from '../../ui/Popup.js';
import { measureText } from './measureText.js';

const digitChoices = ['0', '1', '2', '3', '4', '6', '-1'] as const;

/** A live value in the text that is written: pressed, it says what it measures and in how many digits. */
export function LiveValueField({ node, updateAttributes, deleteNode }: NodeViewProps) {
  const { t } = useTranslation();
  const scene = useFigureOfText();
  const { measure, digits } = node.attrs as { measure: Measure | null; digits: number };
  return (
    <NodeViewWrapper as="span">
      {measure && (
        <Popup
          label={t('prose.liveValue')}
          className="flex flex-col gap-2 p-3 text-[13px]"
          trigger={
            <button type="button" className="align-baseline" data-live-field>
              <LiveValue measure={measure} digits={digits} />
            </button>
          }
        >
          <p>{scene && measureText(measure, scene.document, t)}</p>
          <Choice
            label={t('prose.digits')}
            value={String(digits)}
            choices={digitChoices}
            name={(value) => (value === '-1' ? t('prose.exact') : value)}
            onChange={(value) => updateAttributes({ digits: Number(value) })}
          />
          <Button quiet className="self-start" onClick={deleteNode}>
            {t('prose.removeLive')}
          </Button>
        </Popup>
      )}
    </NodeViewWrapper>
  );
}
