import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Panel } from '../../ui/Panel.js';
import { GiveOut } from './GiveOut.js';
import { TakeIn } from './TakeIn.js';

interface ExchangePanelProps {
  readonly scene: FigureScene;
  readonly dropped: File | null;
  readonly onSay: (words: string) => void;
  readonly onClose: () => void;
}

/** Files of the figure, out and in. */
export default function ExchangePanel({ scene, dropped, onSay, onClose }: ExchangePanelProps) {
  const { t } = useTranslation();
  return (
    <Panel open onClose={onClose} title={t('exchange.title')} lead={t('exchange.lead')}>
      <GiveOut scene={scene} />
      <hr className="border-line" />
      <TakeIn scene={scene} dropped={dropped} onTaken={(name) => onSay(t('exchange.taken', { name }))} />
    </Panel>
  );
}
