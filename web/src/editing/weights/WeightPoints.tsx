import { isShown, itemOf } from '@bogen/core/figure';
import { useLayoutEffect, useRef, useSyncExternalStore } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { alongLine } from '../../figure/hold/scalar.js';
import { useHold, type Holdable } from '../../figure/hold/useHold.js';
import { nameOf } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { weightAt, weightPointsOf } from './weightPoint.js';

/** How near to the ends of its leg a weight point can be pulled: a ratio of 1 to 99. */
const limits = [0.01, 0.99] as const;

interface WeightPointsProps {
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly pane: Pane;
}

/**
 * The weight points of the rail's curve on the legs of its polygon, where its weights are shown: each is pulled along its
 * leg, by which the leg's second control point gets more weight or less.
 */
export function WeightPoints({ scene, projection, pane }: WeightPointsProps) {
  const { t } = useTranslation();
  const group = useRef<HTMLDivElement>(null);
  useParts(scene.structured);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const item = itemOf(document, document.rail.item ?? '');
  const isSeen =
    item?.kind === 'curve' &&
    !item.hidden &&
    !item.locked &&
    !item.faint &&
    pane.shows(item.id) &&
    isShown(document, 'weights', item);
  const places = isSeen && curve ? weightPointsOf(curve) : [];

  const { onPointerDown, onMouseDown, onKeyDown } = useHold<number>(
    (element): Holdable<number> | undefined => {
      const place = places[Number(element.getAttribute('data-weight-point') ?? NaN)];
      if (!place || !curve || !item) return undefined;
      const { ends, share, index } = place;
      const command = (to: number) =>
        ({ name: 'setWeight', item: item.id, index: index + 1, weight: weightAt(curve, index, to) }) as const;
      const release = (): void => {
        scene.host.preview(null);
        scene.previews.show('hand', null);
      };
      return {
        space: alongLine(projection, { zero: ends[0], one: ends[1], limits, step: 0.01 }),
        value: () => share,
        take: () => ({
          preview: (to) => {
            scene.attempt('preview', command(to));
            const at = ends[0].map((value, axis) => value + to * (ends[1][axis]! - value));
            scene.previews.show('hand', {
              places: [],
              pulls: [ends],
              polygon: false,
              numbers: [{ at, text: `w = ${shownNumber(weightAt(curve, index, to), 3)}` }],
            });
          },
          commit: (to) => {
            release();
            scene.attempt('do', command(to));
          },
          cancel: release,
        }),
      };
    },
  );

  useLayoutEffect(() => {
    const elements = [...group.current!.querySelectorAll<HTMLElement>('[data-weight-point]')];
    if (elements.length === 0) return undefined;
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (!now) return;
      weightPointsOf(now).forEach(({ ends, share }, k) => {
        const element = elements[k];
        if (!element) return;
        const at = ends[0].map((value, axis) => value + share * (ends[1][axis]! - value));
        const [x, y] = projection.toScreen(at);
        const transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
        if (element.style.transform !== transform) element.style.transform = transform;
      });
    });
  });

  return (
    <div
      ref={group}
      className="pointer-events-none absolute inset-0 overflow-hidden"
      onPointerDown={onPointerDown}
      onMouseDown={onMouseDown}
      onKeyDown={onKeyDown}
    >
      {places.map(({ index, share }, k) => {
        const [first, second] = [`P${index}`, `P${index + 1}`];
        return (
          <div
            key={index}
            role="slider"
            tabIndex={0}
            aria-label={t('joints.weightPoint', { first, second, curve: nameOf(document, item!.id) })}
            aria-valuemin={limits[0]}
            aria-valuemax={limits[1]}
            aria-valuenow={share}
            aria-valuetext={t('joints.weightRatio', {
              first,
              second,
              ratio: shownNumber(share / (1 - share), 3),
            })}
            data-weight-point={k}
            className="mark pointer-events-auto absolute top-0 left-0 -mt-[13px] -ml-[13px] grid size-[26px] cursor-grab touch-none place-items-center rounded-full outline-none focus-visible:ring-3 focus-visible:ring-accent/40"
          >
            {/* A bar across would be taken for a fixed point; a small triangle stands on the leg like a balance. */}
            <svg aria-hidden width={11} height={10} viewBox="0 0 11 10">
              <path
                d="M5.5 0.8 L10.3 9.2 L0.7 9.2 Z"
                fill="var(--sheet)"
                stroke="var(--accent)"
                strokeWidth={1.4}
              />
            </svg>
          </div>
        );
      })}
    </div>
  );
}
