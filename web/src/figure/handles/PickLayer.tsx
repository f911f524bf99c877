import type { Point } from '@bogen/core/curve';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useTranslation } from '../../text/text.js';
import { places } from '../hold/place.js';
import { pixelIn } from '../geometry/projection.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { Picking } from '../scene/sceneParts.js';

/** Over the figure while a panel waits for places of it. */
export function PickLayer({
  scene,
  projection,
  picking,
}: {
  scene: FigureScene;
  projection: Projection;
  picking: Picking;
}) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  const { view } = scene;
  const [cross, setCross] = useState<Point>([(view.left + view.right) / 2, (view.bottom + view.top) / 2]);
  useEffect(() => ref.current?.focus(), []);
  const space = places(projection, view.grid);
  const placeOf = (event: PointerEvent): Point => space.at(pixelIn(ref.current!, event), event);
  const onKeyDown = (event: KeyboardEvent): void => {
    const next = space.nudged(cross, event);
    if (next) setCross(next);
    else if (event.key === ' ' || event.key === 'Enter') scene.viewed.placePicked(cross);
    else if (event.key === 'Escape') scene.viewed.stopPicking();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const missing = picking.count - picking.places.length;
  return (
    <div
      ref={ref}
      role="application"
      tabIndex={0}
      aria-label={t('figure.pickLayer')}
      data-pick-layer
      data-draw-layer
      className="absolute inset-0 cursor-crosshair touch-none outline-none select-none"
      onPointerDown={(event) => event.button === 0 && scene.viewed.placePicked(placeOf(event))}
      onPointerMove={(event) => setCross(placeOf(event))}
      onKeyDown={onKeyDown}
    >
      <p className="absolute top-2 left-4 rounded bg-sheet px-1.5 text-[13px] text-soft" role="status">
        {t('figure.picking', { count: missing })}
      </p>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
        {[...picking.places, cross].map((place, index) => {
          const [x, y] = projection.toScreen(place);
          return (
            <path
              key={index}
              d={`M${x - 9} ${y}H${x + 9}M${x} ${y - 9}V${y + 9}`}
              stroke="var(--accent)"
              strokeWidth={1.5}
            />
          );
        })}
      </svg>
    </div>
  );
}
