import type { FigureItem, OfferedOperation } from '@bogen/core/figure';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Panel } from '../../ui/Panel.js';
import { OperationForm } from './OperationForm.js';
import { OperationList } from './OperationList.js';

interface ChangePanelProps {
  readonly scene: FigureScene;
  readonly item: FigureItem;
  readonly onClose: () => void;
}

/**
 * Operations on one curve, each previewed in the figure with the numbers that it changes before it is
 * applied to the curve itself or added as a curve that follows it.
 */
export function ChangePanel({ scene, item, onClose }: ChangePanelProps) {
  const { t } = useTranslation();
  const [name, setName] = useState<OfferedOperation | null>(null);
  return (
    <Panel open onClose={onClose} title={t('change.title', { curve: item.name })} lead={t('change.lead')}>
      {name ? (
        <OperationForm
          key={name}
          scene={scene}
          item={item}
          name={name}
          onBack={() => setName(null)}
          onClose={onClose}
        />
      ) : (
        <OperationList onChoose={setName} />
      )}
    </Panel>
  );
}
