import {
  maximumDegree,
  sourcesOf,
  trackNames,
  type FigureItem,
  type PointKind,
  type Shown,
} from '@bogen/core';
import { Minus, Plus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { curveOf } from '@bogen/core';
import { ChangePanel } from '../change/ChangePanel.js';
import { FactsCard } from '../figure/FactsCard.js';
import { PointTable } from '../table/PointTable.js';
import { ItemList } from './ItemList.js';
import { DrawMenu } from '../draw/DrawMenu.js';
import type { Drawing } from '../draw/useDrawing.js';
import type { FigureScene } from '../figure/scene.js';
import { useStructure } from '../figure/useScene.js';
import { UndoButtons } from '../saving/SaveState.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import type { DraftSession } from './draft.js';

/** Whether points are moved, or said to be loose or fixed. */
export type Mode = 'move' | 'loose';

interface FigureToolsProps {
  readonly session: DraftSession;
  readonly scene: FigureScene;
  readonly mode: Mode;
  readonly onMode: (mode: Mode) => void;
  readonly drawing: Drawing;
}

const shownKeys: readonly (keyof Shown)[] = [
  'controlPoints',
  'polygon',
  'editPoints',
  'knots',
  'comb',
  'labels',
  'ticks',
  'hulls',
  'places',
  'vectors',
  'osculating',
  'construction',
];

/** The instructor's tools above the figure. */
export function FigureTools({ session, scene, mode, onMode, drawing }: FigureToolsProps) {
  const { t } = useTranslation();
  useStructure(scene);
  const { document, host } = scene;
  const curves = document.items.filter(
    (item) => item.kind === 'built' || item.kind === 'shape' || (item.kind === 'curve' && !item.faint),
  );
  const item = curves.find(({ id }) => id === document.rail.item) ?? curves[0];
  const [panel, setPanel] = useState<'change' | 'table' | 'facts' | null>(null);
  const toggle = (next: typeof panel): void => setPanel(panel === next ? null : next);
  return (
    <>
      <UndoButtons session={session} narrow />
      <DrawMenu drawing={drawing} scene={scene} />
      <Divider />
      {item && curves.length > 1 && (
        <select
          aria-label={t('writer.curve')}
          value={item.id}
          onChange={(event) => {
            host.do({ name: 'setRail', rail: { ...document.rail, item: event.target.value } });
          }}
          className="h-7 max-w-[104px] rounded-md border border-strong bg-sheet px-1 text-[13px]"
        >
          {curves.map((curve) => (
            <option key={curve.id} value={curve.id}>
              {curve.name}
              {curve.kind === 'built' ? ` (${t('writer.built')})` : ''}
            </option>
          ))}
        </select>
      )}
      {item && <DegreeStepper scene={scene} item={item} />}
      <Button quiet disabled={!item} pressed={panel === 'change'} onClick={() => toggle('change')}>
        {t('change.change')}
      </Button>
      <Button quiet disabled={!item} pressed={panel === 'table'} onClick={() => toggle('table')}>
        {t('table.table')}
      </Button>
      <Button quiet disabled={!item} pressed={panel === 'facts'} onClick={() => toggle('facts')}>
        {t('facts.facts')}
      </Button>
      <ItemList scene={scene} />
      {item && panel === 'change' && (
        <ChangePanel key={item.id} scene={scene} item={item} onClose={() => setPanel(null)} />
      )}
      {item && panel === 'table' && <PointTable scene={scene} item={item} onClose={() => setPanel(null)} />}
      {item && panel === 'facts' && (
        <FactsCard scene={scene} name={item.name} onClose={() => setPanel(null)} />
      )}
      <Button
        quiet
        pressed={mode === 'loose'}
        title={t('writer.looseLead')}
        onClick={() => onMode(mode === 'loose' ? 'move' : 'loose')}
      >
        {t('writer.looseOrFixed')}
      </Button>
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
      <Popover.Root>
        <Popover.Trigger asChild>
          <Button quiet>{t('writer.look')}</Button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            aria-label={t('writer.look')}
            sideOffset={6}
            align="start"
            className="z-30 flex flex-col gap-1 rounded-lg border border-strong bg-sheet p-3 shadow-lg"
          >
            {shownKeys.map((key) => (
              <label key={key} className="flex items-center gap-2 text-[13px]">
                <input
                  type="checkbox"
                  checked={document.shown[key] ?? false}
                  onChange={(event) => host.do({ name: 'setShown', shown: { [key]: event.target.checked } })}
                  className="accent-accent"
                />
                {t(`writer.shown.${key}`)}
              </label>
            ))}
            <p className="mt-1 border-t border-line pt-1.5 text-[12px] text-soft">{t('writer.railTracks')}</p>
            {trackNames.map((name) => {
              const on = document.rail.tracks.includes(name);
              const others = document.rail.tracks.filter((other) => other !== name);
              const tracks = on
                ? others
                : trackNames.filter((other) => other === name || others.includes(other));
              return (
                <label key={name} className="flex items-center gap-2 text-[13px]">
                  <input
                    type="checkbox"
                    checked={on}
                    onChange={() => host.do({ name: 'setRail', rail: { ...document.rail, tracks } })}
                    className="accent-accent"
                  />
                  {t(`rail.${name}`)}
                </label>
              );
            })}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
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

function Divider() {
  return <span aria-hidden className="mx-0.5 h-4 w-px bg-line" />;
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
    <div role="group" aria-label={t('writer.degree')} className="ml-1.5 flex items-center text-[13px]">
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
        {degree}
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
