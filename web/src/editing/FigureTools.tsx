import type { ReactNode } from 'react';
import { maximumDegree } from '@bogen/core/curve';
import { sourcesOf, type FigureItem, type PointKind } from '@bogen/core/figure';
import { Minus, Plus } from 'lucide-react';
import { curveOf } from '@bogen/core/figure';
import type { Clipboard } from './clipboard/useClipboard.js';
import { ItemList } from './items/ItemList.js';
import { DrawMenu } from './draw/DrawMenu.js';
import type { Drawing } from './draw/useDrawing.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useParts } from '../figure/scene/useScene.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import type { PanelName } from './panels.js';
import { sizeOf } from '../text/notation.js';

/** Whether points are moved, or said to be loose or fixed. */
export type Mode = 'move' | 'loose';

interface FigureToolsProps {
  /** Undo and redo, of whatever document the figure is in. */
  readonly undo: ReactNode;
  readonly scene: FigureScene;
  readonly mode: Mode;
  /** Not there where nobody is let or kept from moving points. */
  readonly onMode: ((mode: Mode) => void) | undefined;
  readonly drawing: Drawing;
  readonly clipboard: Clipboard;
  readonly panel: PanelName | null;
  readonly onPanel: (panel: PanelName | null, item?: string) => void;
}

/** The instructor's tools above the figure. */
export function FigureTools({
  undo,
  scene,
  mode,
  onMode,
  drawing,
  clipboard,
  panel,
  onPanel,
}: FigureToolsProps) {
  const { t } = useTranslation();
  useParts(scene.structured, scene.selected);
  const { document, host } = scene;
  const curves = document.items.filter(
    (item) => item.kind === 'built' || item.kind === 'shape' || (item.kind === 'curve' && !item.faint),
  );
  const item = curves.find(({ id }) => id === document.rail.item) ?? curves[0];
  const opener = (name: PanelName, label: string) => (
    <Button quiet pressed={panel === name} onClick={() => onPanel(panel === name ? null : name)}>
      {label}
    </Button>
  );
  return (
    <>
      {undo}
      <DrawMenu drawing={drawing} scene={scene} onPicture={(id) => onPanel('details', id)} />
      <Button
        quiet
        pressed={scene.selected.selecting}
        title={t('select.selectHelp')}
        onClick={() => scene.selected.setSelecting(!scene.selected.selecting)}
      >
        {t('select.select')}
      </Button>
      <ItemList scene={scene} clipboard={clipboard} onDetails={(id) => onPanel('details', id)} />
      {opener('look', t('writer.look'))}
      {onMode && (
        <Button
          quiet
          pressed={mode === 'loose'}
          title={t('writer.looseLead')}
          onClick={() => onMode(mode === 'loose' ? 'move' : 'loose')}
        >
          {t('writer.looseOrFixed')}
        </Button>
      )}
      {mode === 'loose' && item?.kind === 'curve' && (
        <>
          <Button quiet onClick={() => setAll(item, true)}>
            {t('writer.allLoose')}
          </Button>
          <Button quiet onClick={() => setAll(item, false)}>
            {t('writer.allFixed')}
          </Button>
        </>
      )}
      <span className="flex-1" />
      {opener('exchange', t('exchange.open'))}
      {opener('keys', t('keys.keys'))}
      {item && (
        <div
          role="group"
          aria-label={t('writer.ofCurve', { curve: item.name })}
          className="flex w-full flex-wrap items-center gap-x-0.5"
          data-curve-tools
        >
          {curves.length > 1 ? (
            <select
              aria-label={t('writer.curve')}
              value={item.id}
              onChange={(event) =>
                host.do({ name: 'setRail', rail: { ...document.rail, item: event.target.value } })
              }
              className="mr-1 h-7 max-w-[220px] rounded-md border border-strong bg-sheet px-1 text-[13px]"
            >
              {curves.map((curve) => (
                <option key={curve.id} value={curve.id}>
                  {curve.name}
                  {curve.kind === 'built' ? ` (${t('writer.built')})` : ''}
                </option>
              ))}
            </select>
          ) : (
            <span className="max-w-[220px] truncate px-2 font-serif text-[14px] italic">{item.name}</span>
          )}
          <DegreeStepper scene={scene} item={item} />
          {opener('change', t('change.change'))}
          {opener('apart', t('apart.open'))}
          {opener('table', t('table.table'))}
          {opener('lists', t('lists.open'))}
          {opener('details', t('details.details'))}
          {opener('facts', t('facts.facts'))}
          {opener('compare', t('compare.compare'))}
        </div>
      )}
    </>
  );

  function setAll(curve: FigureItem & { kind: 'curve' }, loose: boolean): void {
    const indices = loose ? curve.curve.points.map((_, index) => index) : [];
    const kinds: PointKind[] = [];
    if (document.shown.controlPoints || !loose) kinds.push('controlPoints');
    if (document.shown.editPoints || !loose) kinds.push('editPoints');
    host.do({
      name: 'batch',
      commands: kinds.map((of) => ({ name: 'setLoose', item: curve.id, of, indices })),
    });
  }
}

/** The degree that an item has as its own, or `undefined` where it follows from something else. */
function degreeOfItem(item: FigureItem): number | undefined {
  if (item.kind === 'curve') return item.curve.degree;
  if (item.kind === 'shape') return 'degree' in item.shape ? item.shape.degree : undefined;
  return item.kind === 'built' && 'degree' in item.operation ? item.operation.degree : undefined;
}

/** The degree of a curve, given or built, between its limits. */
function DegreeStepper({ scene, item }: { scene: FigureScene; item: FigureItem }) {
  const { t } = useTranslation();
  const degree = degreeOfItem(item);
  if (degree === undefined) return null;
  const sources = sourcesOf(item);
  const points =
    sources.length > 1
      ? sources.length
      : (curveOf(scene.evaluation, sources[0] ?? item.id)?.points.length ?? 0);
  const set = (next: number): void => scene.host.do({ name: 'setDegree', item: item.id, degree: next });
  const highest = Math.min(maximumDegree, points - 1);
  const why =
    degree >= highest && degree < maximumDegree
      ? t('writer.degreeLimit', { degree: degree + 1, needed: degree + 2, count: points })
      : t('writer.raise');
  return (
    <div role="group" aria-label={t('writer.degree')} className="mr-1 flex items-center text-[13px]">
      <span className="mr-1 font-medium">{t('writer.degree')}</span>
      <Button
        quiet
        className="px-1"
        disabled={degree <= 1}
        aria-label={t('writer.lower')}
        title={t('writer.lower')}
        onClick={() => set(degree - 1)}
      >
        <Minus aria-hidden size={14} />
      </Button>
      <output className="w-4 text-center font-mono" data-degree>
        {sizeOf(degree)}
      </output>
      <Button
        quiet
        className="px-1"
        disabled={degree >= highest}
        aria-label={t('writer.raise')}
        title={why}
        onClick={() => set(degree + 1)}
      >
        <Plus aria-hidden size={14} />
      </Button>
    </div>
  );
}
