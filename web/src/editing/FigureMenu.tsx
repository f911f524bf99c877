import { setNodeKind, type NodeKind, type Point } from '@bogen/core/curve';
import {
  gripKey,
  gripPlace,
  gripsOfItem,
  isCurveItem,
  itemOf,
  sourcesOf,
  type FigureItem,
  type Grip,
} from '@bogen/core/figure';
import { ContextMenu } from 'radix-ui';
import { useEffect, useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { removal } from './items/removal.js';
import type { Clipboard } from './clipboard/useClipboard.js';
import { copiedItems } from './clipboard/clipboard.js';
import { keptCopy } from '../figure/scene/keptCopy.js';
import { curvesNear } from '../figure/scene/curveNear.js';
import { gripsNear, gripsOf } from '../figure/scene/gripsNear.js';
import { panesOf, wholePane } from '../figure/scene/pane.js';
import { fromPixel, pixelIn, type Projection } from '../figure/geometry/projection.js';
import { knotsAt } from './knot/cornerAt.js';
import { isRemovable, removalOf, type Removal } from './points/removePoint.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { zoomToSelection } from '../figure/view/zoom.js';
import { patched } from '../figure/scene/patched.js';
import { gripName } from '../figure/handles/gripName.js';
import { shownAtMost } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import type { PanelName } from './panels.js';

interface FigureMenuProps {
  readonly scene: FigureScene;
  readonly clipboard: Clipboard;
  readonly onPanel: (panel: PanelName, item?: string) => void;
  readonly children: ReactNode;
}

/** What lay under the second button. */
interface Under {
  readonly grip: Grip | undefined;
  readonly item: FigureItem | undefined;
  readonly pane: string;
  /** The place of the drawing, and how its pane shows it. */
  readonly place: Point;
  readonly projection: Projection;
  /** All grips on that place. */
  readonly grips: readonly Grip[];
}

/** The menu of the second button, of a finger that rests, and of the menu key: what can be done with what lies there. */
export function FigureMenu({ scene, clipboard, onPanel, children }: FigureMenuProps) {
  const { t } = useTranslation();
  const [under, setUnder] = useState<Under | null>(null);
  const find = (event: MouseEvent): void => setUnder(underPress(scene, event));
  const { host } = scene;
  const grip = under?.grip;
  const item = under?.item;
  const chain = item?.kind === 'shape' && item.shape.kind === 'chain' ? item.shape.chain : undefined;
  const node = chain && grip?.of === 'handle' ? Number(grip.key.split('/')[0]) : undefined;
  const used = item && scene.document.items.some((other) => sourcesOf(other).includes(item.id));
  const setKind = (kind: NodeKind): void => {
    if (item?.kind !== 'shape' || !chain || node === undefined) return;
    host.do({
      name: 'setShape',
      item: item.id,
      shape: { kind: 'chain', chain: setNodeKind(chain, node, kind) },
    });
  };
  return (
    <ContextMenu.Root modal={false}>
      <ContextMenu.Trigger asChild onContextMenu={find}>
        {children}
      </ContextMenu.Trigger>
      {/* Inside the page's main part, so that readers of the screen know where the menu belongs. */}
      <ContextMenu.Portal container={document.querySelector('main')}>
        <ContextMenu.Content
          aria-label={t('ui.menu')}
          collisionPadding={8}
          className="z-40 min-w-48 rounded-lg border border-strong bg-sheet p-1 text-[13px] shadow-lg"
          data-figure-menu
        >
          {grip && (
            <>
              <ContextMenu.Label className="px-2 py-1 text-[12px] text-soft">
                {gripName(scene.document, grip, t)}
              </ContextMenu.Label>
              <Row onPress={() => scene.selected.toggle(grip)}>
                {scene.selected.has(grip) ? t('details.menu.deselect') : t('details.menu.select')}
              </Row>
              {under.grips.length > 1 && (
                <Row
                  onPress={() => {
                    const place = gripPlace(scene.document, scene.evaluation, grip)!;
                    const at = scene.laidOut.projectionOf(under.pane)?.toScreen(place);
                    // After the menu has given the focus back.
                    if (at)
                      setTimeout(() => scene.selected.ask({ grips: under.grips, at, pane: under.pane }), 0);
                  }}
                >
                  {t('details.menu.which')}
                </Row>
              )}
              {chain && node !== undefined && (
                <ContextMenu.RadioGroup
                  value={chain.nodes[node]?.kind ?? ''}
                  onValueChange={(kind) => setKind(kind as NodeKind)}
                >
                  {(['corner', 'aligned', 'equal'] as const).map((kind) => (
                    <ContextMenu.RadioItem key={kind} value={kind} className={rowClass}>
                      <span className="inline-block w-4">
                        <ContextMenu.ItemIndicator>•</ContextMenu.ItemIndicator>
                      </span>
                      {t(`details.nodeKinds.${kind}`)}
                    </ContextMenu.RadioItem>
                  ))}
                </ContextMenu.RadioGroup>
              )}
              {isRemovable(scene, grip) && <RemovePoint key={gripKey(grip)} scene={scene} grip={grip} />}
              <Line />
            </>
          )}
          {item && (
            <>
              {!grip && (
                <ContextMenu.Label className="px-2 py-1 text-[12px] text-soft">{item.name}</ContextMenu.Label>
              )}
              {isCurveItem(item) && scene.document.rail.item !== item.id && (
                <Row
                  onPress={() =>
                    host.do({ name: 'setRail', rail: { ...scene.document.rail, item: item.id } })
                  }
                >
                  {t('details.menu.onRail')}
                </Row>
              )}
              {!grip &&
                item.kind === 'curve' &&
                !item.locked &&
                !item.faint &&
                (['knot', 'corner'] as const).map((what) => {
                  const found = knotsAt(item.curve, item.id, under.place, under.projection, what);
                  return (
                    <Row
                      key={what}
                      disabled={!found}
                      onPress={() => found && host.do(found.command)}
                      onPoint={(on) => scene.previews.show('hand', on && found ? found.preview : null)}
                    >
                      {t(`details.menu.${what}Here`)}
                    </Row>
                  );
                })}
              <Row onPress={() => onPanel('details', item.id)}>{t('details.menu.details')}</Row>
              {isCurveItem(item) && (
                <>
                  <Row onPress={() => onPanel('change', item.id)}>{t('details.menu.change')}</Row>
                  <Row onPress={() => onPanel('table', item.id)}>{t('details.menu.points')}</Row>
                  <Row
                    onPress={() => {
                      const name = t('items.faintName', { name: item.name }).slice(0, 200);
                      const command = keptCopy(scene, item, name);
                      if (command) host.do(command);
                    }}
                  >
                    {t('details.menu.keep')}
                  </Row>
                </>
              )}
              {gripsOfItem(item).length > 1 && (
                <Row onPress={() => scene.selected.select(gripsOfItem(item))}>
                  {t('details.menu.selectItem', { item: item.name })}
                </Row>
              )}
              <Row onPress={() => clipboard.copy([item])}>{t('details.menu.copy')}</Row>
              <Row onPress={() => host.do(patched(item, { hidden: true }))}>{t('details.menu.hide')}</Row>
              <Row onPress={() => host.do(patched(item, { locked: !item.locked }))}>
                {t(item.locked ? 'details.menu.unlock' : 'details.menu.lock')}
              </Row>
              <Row disabled={used === true} onPress={() => host.do(removal(scene.document, [item.id]))}>
                {t('details.menu.remove')}
              </Row>
              <Line />
            </>
          )}
          {scene.selected.grips.length > 0 && (
            <Row onPress={() => onPanel('several')}>{t('details.menu.several')}</Row>
          )}
          <Row disabled={!under || copiedItems() === undefined} onPress={clipboard.paste}>
            {t('details.menu.paste')}
          </Row>
          <Row onPress={() => scene.selected.select(gripsOf(scene))}>{t('details.menu.selectAll')}</Row>
          <Row onPress={() => zoomToSelection(scene)}>{t('details.menu.fit')}</Row>
          <Row onPress={() => scene.viewed.setView(null)}>{t('details.menu.whole')}</Row>
          <Line />
          <Row onPress={() => onPanel('look')}>{t('details.menu.look')}</Row>
          <Row onPress={() => onPanel('keys')}>{t('details.menu.keys')}</Row>
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  );
}

/** Takes a point out of its curve; the row says what that costs, and while it is pointed at the figure shows it. */
function RemovePoint({ scene, grip }: { scene: FigureScene; grip: Grip }) {
  const { t } = useTranslation();
  const [removal, setRemoval] = useState<Removal | null>(null);
  const isPointed = useRef(false);
  const show = (on: boolean, what = removal): void => {
    isPointed.current = on;
    scene.previews.show('hand', on && what && 'preview' in what ? what.preview : null);
  };
  useEffect(() => {
    let isGone = false;
    void removalOf(scene, grip).then((found) => {
      if (isGone) return;
      setRemoval(found);
      if (isPointed.current) show(true, found);
    });
    return () => {
      isGone = true;
      scene.previews.show('hand', null);
    };
  }, [scene, grip]);
  const isPossible = removal && 'command' in removal;
  return (
    <Row
      disabled={!isPossible}
      onPoint={show}
      onPress={() => isPossible && scene.attempt('do', removal.command)}
    >
      {isPossible
        ? t('details.menu.removePoint', { deviation: shownAtMost(removal.deviation) })
        : t(removal ? 'details.menu.removePointNot' : 'details.menu.removePointWaits')}
    </Row>
  );
}

const rowClass =
  'flex cursor-default items-center rounded px-2 py-1 outline-none data-disabled:opacity-45 data-highlighted:bg-tint';

function Row({
  onPress,
  disabled = false,
  onPoint,
  children,
}: {
  onPress: () => void;
  disabled?: boolean;
  /** Told while it is the one that would be taken. */
  onPoint?: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <ContextMenu.Item
      className={rowClass}
      disabled={disabled}
      onSelect={onPress}
      onFocus={onPoint && (() => onPoint(true))}
      onBlur={onPoint && (() => onPoint(false))}
    >
      {children}
    </ContextMenu.Item>
  );
}

function Line() {
  return <ContextMenu.Separator className="my-1 h-px bg-line" />;
}

/** The grip or the curve that a press of the second button means. */
function underPress(scene: FigureScene, event: MouseEvent): Under | null {
  const target = event.target as Element;
  const element = target.closest('[data-pane]');
  const key = element?.getAttribute('data-pane');
  if (!element || !key) return null;
  const pane = [wholePane, ...panesOf(scene.document)].find((one) => one.key === key) ?? wholePane;
  const projection = scene.laidOut.projectionOf(key);
  if (!projection) return null;
  const wanted = target.closest('[data-grip]')?.getAttribute('data-grip');
  const grip = wanted ? gripsOf(scene, pane).find((one) => gripKey(one) === wanted) : undefined;
  const place = grip && gripPlace(scene.document, scene.evaluation, grip);
  const [curve] = curvesNear(scene, projection, pane, pixelIn(element, event));
  return {
    grip,
    item: grip ? itemOf(scene.document, grip.item) : curve,
    pane: key,
    place: fromPixel(projection, pixelIn(element, event)),
    projection,
    grips: place ? gripsNear(scene, projection, place, pane) : [],
  };
}
