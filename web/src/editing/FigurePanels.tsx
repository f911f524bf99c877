import { isCurveItem, itemOf } from '@bogen/core/figure';
import { lazy, Suspense } from 'react';
import { ApartPanel } from './apart/ApartPanel.js';
import { ChangePanel } from './change/ChangePanel.js';
import { ComparePanel } from './compare/ComparePanel.js';
import { ConstructionPanel } from './unfold/ConstructionPanel.js';
import { FactsCard } from './facts/FactsCard.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useParts } from '../figure/scene/useScene.js';
import { DetailsPanel } from './items/DetailsPanel.js';
import { KeysPanel } from './keys/KeysPanel.js';
import { ListsPanel } from './lists/ListsPanel.js';
import { LookPanel } from './looks/LookPanel.js';
import { SeveralPanel } from './select/SeveralPanel.js';
import { PointTable } from './points/PointTable.js';
import type { PanelName } from './panels.js';

/** The formats are fetched when somebody asks for them. */
const ExchangePanel = lazy(() => import('./exchange/ExchangePanel.js'));

interface FigurePanelsProps {
  readonly scene: FigureScene;
  readonly panel: PanelName | null;
  /** The item of the details, which may be no curve. */
  readonly item: string | null;
  /** A file that was dropped onto the figure. */
  readonly dropped: File | null;
  readonly onSay: (words: string) => void;
  readonly onPanel: (panel: PanelName | null, item?: string) => void;
}

/** The one panel that is open beside the figure. */
export function FigurePanels({ scene, panel, item, dropped, onSay, onPanel }: FigurePanelsProps) {
  useParts(scene.structured, scene.selected);
  const close = (): void => onPanel(null);
  const { document } = scene;
  const onRail = itemOf(document, document.rail.item ?? '');
  const curve = onRail && isCurveItem(onRail) ? onRail : undefined;
  switch (panel) {
    case 'details':
      return (
        <DetailsPanel
          scene={scene}
          item={item ?? document.rail.item}
          onItem={(id) => onPanel('details', id)}
          onClose={close}
        />
      );
    case 'look':
      return <LookPanel scene={scene} onClose={close} onConstruction={() => onPanel('construction')} />;
    case 'several':
      return <SeveralPanel scene={scene} onClose={close} />;
    case 'keys':
      return <KeysPanel onClose={close} />;
    case 'construction':
      return curve ? <ConstructionPanel scene={scene} onClose={close} /> : null;
    case 'compare':
      return curve ? <ComparePanel key={curve.id} scene={scene} item={curve} onClose={close} /> : null;
    case 'change':
      return curve ? <ChangePanel key={curve.id} scene={scene} item={curve} onClose={close} /> : null;
    case 'apart':
      return curve ? <ApartPanel key={curve.id} scene={scene} item={curve} onClose={close} /> : null;
    case 'table':
      return curve ? <PointTable key={curve.id} scene={scene} item={curve} onClose={close} /> : null;
    case 'lists':
      return curve ? <ListsPanel key={curve.id} scene={scene} item={curve} onClose={close} /> : null;
    case 'facts':
      return curve ? <FactsCard scene={scene} name={curve.name} onClose={close} /> : null;
    case 'exchange':
      return (
        <Suspense fallback={null}>
          <ExchangePanel scene={scene} dropped={dropped} onSay={onSay} onClose={close} />
        </Suspense>
      );
    case null:
      return null;
  }
}
