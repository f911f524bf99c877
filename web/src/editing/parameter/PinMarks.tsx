import { derivativesAt, domainOf, unlessPole } from '@bogen/core/curve';
import { useLayoutEffect, useRef, useSyncExternalStore } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { alongCurve } from '../../figure/hold/parameter.js';
import { useHold, type Holdable } from '../../figure/hold/useHold.js';
import type { Pane } from '../../figure/scene/pane.js';
import { heldValue } from '../../figure/scene/pins.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';

/** Dots from the curve to the head of a pin. */
const away = 24;

interface PinMarksProps {
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly pane: Pane;
}

/** The places whose parameter values are held, as pins on the curve: pulled along it, they hold their value elsewhere. */
export function PinMarks({ scene, projection, pane }: PinMarksProps) {
  const { t } = useTranslation();
  const group = useRef<HTMLDivElement>(null);
  useParts(scene.pins);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const isSeen = curve && pane.shows(scene.document.rail.item);
  const pins = (isSeen && scene.pins.list) || [];

  const hold = useHold<number>((element): Holdable<number> | undefined => {
    const index = Number(element.getAttribute('data-pin') ?? NaN);
    const pin = pins[index];
    if (!pin || !curve) return undefined;
    const move = (at: number): void => scene.pins.set(index, { at, value: heldValue(pin) });
    return {
      space: alongCurve(curve, projection),
      value: () => pin.at,
      take: () => ({ preview: move, commit: move, cancel: () => scene.pins.set(index, pin) }),
    };
  });

  useLayoutEffect(() => {
    const elements = [...group.current!.children] as HTMLElement[];
    if (elements.length === 0 || !curve) return undefined;
    return scene.addPainter(() => {
      (scene.pins.list ?? []).forEach(({ at }, k) => {
        const element = elements[k];
        if (!element) return;
        // The curve may have got another domain meanwhile, by an undo for instance.
        const [start, end] = domainOf(curve.knots, curve.degree);
        const within = Math.min(end, Math.max(start, at));
        const [point, tangent] = unlessPole(() => derivativesAt(curve, within, 1)) ?? [];
        if (!point || !tangent) return;
        const [x, y] = projection.toScreen(point);
        // Its stem stands across the curve, its head away from it.
        const angle = Math.atan2(-tangent[1]!, tangent[0]!);
        element.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px) rotate(${angle.toFixed(3)}rad)`;
      });
    });
  });

  return (
    <div
      ref={group}
      className="pointer-events-none absolute inset-0 overflow-hidden"
      onPointerDown={hold.onPointerDown}
      onMouseDown={hold.onMouseDown}
      onKeyDown={(event) => {
        const index = Number((event.target as Element).getAttribute('data-pin') ?? NaN);
        if (pins[index] && (event.key === 'Delete' || event.key === 'Backspace')) {
          event.preventDefault();
          scene.pins.set(index, null);
        } else hold.onKeyDown(event);
      }}
    >
      {pins.map((pin, index) => (
        <div
          key={index}
          role="slider"
          tabIndex={0}
          aria-label={t('pins.onCurve', { value: shownNumber(heldValue(pin), 1) })}
          aria-valuenow={pin.at}
          data-pin={index}
          className="mark pointer-events-auto absolute top-0 left-0 cursor-grab touch-none outline-none focus-visible:ring-3 focus-visible:ring-accent/40"
          style={{
            width: 26,
            height: away + 13,
            marginLeft: -13,
            marginTop: -(away + 13),
            transformOrigin: '50% 100%',
          }}
        >
          <svg aria-hidden width={26} height={away + 13} viewBox={`-13 0 26 ${away + 13}`}>
            <path d={`M0 9 V${away + 13}`} stroke="var(--accent)" strokeWidth={1.5} />
            <rect x={-5} y={2} width={10} height={10} rx={2} fill="var(--accent)" />
          </svg>
        </div>
      ))}
    </div>
  );
}
