import { domainOf, type Curve } from '@bogen/core/curve';
import { useHold, type Holdable } from '../figure/hold/useHold.js';
import { alongRail } from '../figure/hold/parameter.js';
import { heldValue } from '../figure/scene/pins.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useParts } from '../figure/scene/useScene.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { gutter, railAxis } from './axis.js';
import { notation } from '../text/notation.js';

/** The held parameter values as pins at the top of the rail: pulled along it, their places get another value. */
export function RailPins({ scene, width, curve }: { scene: FigureScene; width: number; curve: Curve }) {
  const { t } = useTranslation();
  useParts(scene.pins, scene.axis);
  const axis = railAxis(curve, width, scene.axis.window);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const pins = scene.pins.list ?? [];
  const hold = useHold<number>((element): Holdable<number> | undefined => {
    const index = Number(element.getAttribute('data-rail-pin') ?? NaN);
    const pin = pins[index];
    if (!pin) return undefined;
    const move = (value: number): void => scene.pins.set(index, { at: pin.at, value });
    return {
      space: alongRail(curve, axis, { unit: (end - start) / 1000 }),
      value: () => heldValue(pin),
      take: () => ({ preview: move, commit: move, cancel: () => scene.pins.set(index, pin) }),
    };
  });
  return (
    <div
      className="pointer-events-none absolute inset-0 overflow-hidden"
      onPointerDown={hold.onPointerDown}
      onMouseDown={hold.onMouseDown}
      onKeyDown={(event) => {
        const index = Number((event.target as Element).getAttribute('data-rail-pin') ?? NaN);
        if (pins[index] && (event.key === 'Delete' || event.key === 'Backspace')) {
          event.preventDefault();
          scene.pins.set(index, null);
        } else hold.onKeyDown(event);
      }}
    >
      {pins.map((pin, index) => {
        const value = heldValue(pin);
        const x = axis(value);
        if (x < gutter.left - 1 || x > width - gutter.right + 1) return null;
        return (
          <div
            key={index}
            role="slider"
            tabIndex={0}
            aria-label={t('pins.onRail')}
            aria-valuemin={start}
            aria-valuemax={end}
            aria-valuenow={value}
            aria-valuetext={`${notation().parameter} = ${shownNumber(value, 1)}`}
            data-rail-pin={index}
            className="mark pointer-events-auto absolute inset-y-0 w-[26px] cursor-ew-resize touch-none outline-none focus-visible:ring-3 focus-visible:ring-accent/40"
            style={{ left: x - 13 }}
          >
            <div className="absolute inset-y-0 left-1/2 w-px bg-accent" />
            <div className="absolute top-1 left-1/2 size-2.5 -translate-x-1/2 rounded-[2px] bg-accent" />
          </div>
        );
      })}
    </div>
  );
}
