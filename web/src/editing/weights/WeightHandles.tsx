import {
  shareOfWeight,
  weightAtShare,
  weightLines,
  weightPointLines,
  type Curve,
  type Point,
  type WeightLine,
} from '@bogen/core/curve';
import { isShown, itemOf } from '@bogen/core/figure';
import { useLayoutEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { alongLine } from '../../figure/hold/scalar.js';
import { useHold, type Holdable } from '../../figure/hold/useHold.js';
import { nameOf, pointName } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';

/** How near to the ends of its line a weight point can be pulled: a ratio of 1 to 99. */
const shares = [0.01, 0.99] as const;
/** The weights that a pull of the curve towards a control point can come to. */
const weightLimits = [0.01, 100] as const;
/** How far a curve may be pulled away from a control point, in lengths of its line, where weights of any sign are allowed. */
const leastShare = 9;
/** Dots from the curve to the mark by which it is pulled, so that it does not lie over the edit point there. */
const ahead = 20;

/** What is pulled: the curve itself towards a control point, or a weight point along its leg. */
interface Pull {
  readonly key: string;
  readonly kind: 'curve' | 'leg';
  readonly line: WeightLine;
}

const pullsOf = (curve: Curve): Pull[] => [
  ...weightLines(curve).map((line): Pull => ({ key: `curve ${line.index}`, kind: 'curve', line })),
  ...(curve.weights ? weightPointLines(curve) : []).map((line): Pull => ({
    key: `leg ${line.index}`,
    kind: 'leg',
    line,
  })),
];

const placeAt = ({ from, to }: WeightLine, share: number): Point =>
  from.map((value, axis) => value + share * (to[axis]! - value));

/** By hand a weight has three digits. */
const weightAt = (line: WeightLine, share: number): number =>
  Number(weightAtShare(line, share).toPrecision(3));

/** Where the mark of a pull stands, and in which direction it is pulled; in dots. */
function markOf(
  { kind, line }: Pull,
  projection: Projection,
): { readonly at: readonly [number, number]; readonly angle: number } {
  const place = projection.toScreen(placeAt(line, line.share));
  const goal = projection.toScreen(line.to);
  const way = [goal[0] - place[0], goal[1] - place[1]] as const;
  const length = Math.hypot(...way);
  if (kind === 'leg' || length === 0) return { at: place, angle: 0 };
  const step = Math.min(ahead, length / 2) / length;
  return { at: [place[0] + step * way[0], place[1] + step * way[1]], angle: Math.atan2(way[1], way[0]) };
}

interface WeightHandlesProps {
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly pane: Pane;
}

/**
 * The weights of the rail's curve as something to pull in the figure, where weights are shown: the curve towards a control
 * point, by which that gets more weight, and the weight points along the legs of the polygon.
 */
export function WeightHandles({ scene, projection, pane }: WeightHandlesProps) {
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
    isShown(document, 'weights', item) &&
    scene.host.may({ name: 'setWeight', item: item.id, index: 0, weight: 1 });
  const pulls = useMemo(() => (isSeen && curve ? pullsOf(curve) : []), [isSeen, curve]);

  const { onPointerDown, onMouseDown, onKeyDown } = useHold<number>(
    (element): Holdable<number> | undefined => {
      const pull = pulls.find(({ key }) => key === element.getAttribute('data-pull'));
      if (!pull || !item) return undefined;
      const { line, kind } = pull;
      const command = (to: number) =>
        ({ name: 'setWeight', item: item.id, index: line.index, weight: weightAt(line, to) }) as const;
      const release = (): void => {
        scene.host.preview(null);
        scene.previews.show('hand', null);
      };
      const limits =
        kind === 'leg'
          ? shares
          : ([
              // Beyond where it would be without the control point, the weight is negative.
              curve?.signedWeights ? -leastShare : shareOfWeight(line, weightLimits[0]),
              shareOfWeight(line, weightLimits[1]),
            ] as const);
      return {
        space: alongLine(projection, { zero: line.from, one: line.to, limits, step: 0.01 }),
        value: () => line.share,
        take: () => ({
          preview: (to) => {
            scene.attempt('preview', command(to));
            scene.previews.show('hand', {
              places: [],
              pulls: [[line.from, line.to]],
              polygon: false,
              // The weight stands beside its control point, since weights are shown.
              numbers: [],
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
    const elements = [...group.current!.querySelectorAll<HTMLElement>('[data-pull]')];
    if (elements.length === 0) return undefined;
    const place = (now: readonly Pull[]): void =>
      now.forEach((pull, k) => {
        const element = elements[k];
        if (!element || element.dataset['pull'] !== pull.key) return;
        const { at, angle } = markOf(pull, projection);
        const [x, y] = at;
        const turn = pull.kind === 'curve' ? ` rotate(${angle.toFixed(3)}rad)` : '';
        const transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)${turn}`;
        if (element.style.transform !== transform) element.style.transform = transform;
      });
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (now) place(now === curve ? pulls : pullsOf(now));
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
      {pulls.map(({ key, kind, line }) => {
        const named = (index: number): string => pointName(document, item!.id, 'controlPoints', index);
        const names = { first: named(line.index - 1), second: named(line.index) };
        const weight = shownNumber(weightAtShare(line, line.share), 1);
        return (
          <div
            key={key}
            role="slider"
            tabIndex={0}
            aria-label={t(kind === 'leg' ? 'joints.weightPoint' : 'joints.weightPull', {
              ...names,
              curve: nameOf(document, item!.id),
            })}
            aria-valuemin={kind === 'curve' && curve?.signedWeights ? -leastShare : shares[0]}
            aria-valuemax={shares[1]}
            aria-valuenow={line.share}
            aria-valuetext={
              kind === 'leg'
                ? t('joints.weightRatio', {
                    ...names,
                    ratio: shownNumber(line.share / (1 - line.share), 1),
                  })
                : t('joints.weightOf', { name: names.second, weight })
            }
            data-pull={key}
            data-weight-point={kind === 'leg' ? line.index - 1 : undefined}
            data-weight-pull={kind === 'curve' ? line.index : undefined}
            className="mark pointer-events-auto absolute top-0 left-0 -mt-[13px] -ml-[13px] grid size-[26px] cursor-grab touch-none place-items-center rounded-full outline-none focus-visible:ring-3 focus-visible:ring-accent/40"
          >
            {kind === 'leg' ? <OnLeg /> : <OnCurve />}
          </div>
        );
      })}
    </div>
  );
}

/** A bar across would be taken for a fixed point; a small triangle stands on the leg like a balance. */
function OnLeg() {
  return (
    <svg aria-hidden width={11} height={10} viewBox="0 0 11 10">
      <path d="M5.5 0.8 L10.3 9.2 L0.7 9.2 Z" fill="var(--sheet)" stroke="var(--accent)" strokeWidth={1.4} />
    </svg>
  );
}

/** Two short bars, the longer one towards the control point: a pull that grows. */
function OnCurve() {
  return (
    <svg aria-hidden width={12} height={12} viewBox="0 0 12 12">
      <path
        d="M4 3.5 V8.5 M8 1 V11"
        fill="none"
        stroke="var(--accent)"
        strokeWidth={1.6}
        strokeLinecap="round"
      />
    </svg>
  );
}
