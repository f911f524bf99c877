import { CurveError, derivativesAt, domainOf, pointAt, type Curve, unlessPole } from '@bogen/core/curve';
import { closednessOfItem, itemOf, operations, type FigureCommand } from '@bogen/core/figure';
import { told } from '@bogen/core/lesson';
import { useLayoutEffect, useRef } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { alongCurve } from '../../figure/hold/parameter.js';
import { useHold, type Holdable } from '../../figure/hold/useHold.js';
import { nameOf } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { useTranslation } from '../../text/text.js';

/** Pixels from the curve to the handle, so that a point at the start can still be taken hold of. */
const away = 19;

/** Where a closed curve on the rail starts, as something to pull along the curve. */
export function StartHandle({
  scene,
  projection,
  pane,
}: {
  scene: FigureScene;
  projection: Projection;
  pane: Pane;
}) {
  const { t } = useTranslation();
  useParts(scene.structured);
  const ref = useRef<HTMLButtonElement>(null);
  /** Where it is pulled to, while it is. */
  const pulled = useRef<number | null>(null);
  const { document } = scene;
  const { item } = document.rail;
  const own = item === null ? undefined : itemOf(document, item);
  const curve = closedCurve(scene);

  const commandTo = (from: Curve, u: number): FigureCommand | null => {
    const operation = { name: 'moveStart', source: item!, parameter: u } as const;
    try {
      const made = operations.moveStart.run([{ kind: 'curve', curve: from }], { parameter: u });
      return { name: 'operate', item: item!, operation, curve: made.curve };
    } catch (error) {
      if (error instanceof CurveError) return null;
      throw error;
    }
  };
  const hold = useHold<number>((): Holdable<number> | undefined => {
    const before = scene.restingRailCurve();
    if (!before || !own || own.kind !== 'curve') return undefined;
    const along = alongCurve(before, projection);
    const [start] = domainOf(before.knots, before.degree);
    const release = (): void => {
      pulled.current = null;
      scene.host.preview(null);
      scene.previews.setRefused(null);
      scene.invalidate();
    };
    return {
      space: along,
      value: () => start,
      take: () => ({
        preview: (u) => {
          pulled.current = u;
          const command = commandTo(before, u);
          const refused = command ? scene.attempt('preview', command) : told('startHere');
          scene.previews.setRefused(refused && { told: refused, at: pointAt(before, u) });
          scene.invalidate();
        },
        commit: (u) => {
          release();
          const command = u === start ? null : commandTo(before, u);
          if (command) scene.attempt('do', command);
        },
        cancel: release,
      }),
    };
  });

  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (!now) return;
      const [start] = domainOf(now.knots, now.degree);
      const [at, tangent] = unlessPole(() => derivativesAt(now, start, 1)) ?? [];
      element.style.display = at ? '' : 'none';
      if (!at) return;
      const [x, y] = projection.toScreen(at);
      const length = Math.hypot(tangent![0]!, tangent![1]!) || 1;
      // To the right of the direction in which the curve runs, with y downwards on the screen.
      const [dx, dy] = [(tangent![1]! / length) * away, (tangent![0]! / length) * away];
      element.style.transform = `translate(${(x + dx - 13).toFixed(1)}px, ${(y + dy - 13).toFixed(1)}px)`;
    });
  });

  if (!curve || !own || own.kind !== 'curve' || own.locked || own.hidden || !pane.shows(own.id)) return null;
  const [start, end] = domainOf(curve.knots, curve.degree);
  return (
    <button
      ref={ref}
      type="button"
      role="slider"
      aria-label={t('figure.startOf', { curve: nameOf(document, own.id) })}
      aria-valuemin={start}
      aria-valuemax={end}
      aria-valuenow={start}
      title={t('figure.startHelp')}
      className="mark absolute top-0 left-0 grid size-[26px] cursor-grab touch-none place-items-center rounded-full focus-visible:ring-3 focus-visible:ring-accent/40"
      data-start-handle
      {...hold}
    >
      {/* Smaller than what a finger takes hold of. */}
      <span
        aria-hidden
        className="grid size-[22px] place-items-center rounded-full border border-dashed border-strong bg-sheet/80 font-mono text-[10px] leading-none"
      >
        0
      </span>
    </button>
  );
}

/** The rail's curve, where it runs round. */
function closedCurve(scene: FigureScene): Curve | undefined {
  const curve = scene.railCurve;
  const item = itemOf(scene.document, scene.document.rail.item ?? '');
  return curve && item && closednessOfItem(curve, item) !== 'open' ? curve : undefined;
}
