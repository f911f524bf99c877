import { type Curve, type Point } from '@bogen/core/curve';
import { type FigureDocument } from '@bogen/core/figure';
import { type Guess } from '@bogen/core/lesson';
import { useState } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { places as placeSpace } from '../../figure/hold/place.js';
import { useHold } from '../../figure/hold/useHold.js';
import type { FigureScene } from '../../figure/scene/scene.js';

export interface MarkProps {
  readonly projection: Projection;
  readonly scene: FigureScene;
  readonly start: FigureDocument;
  readonly curve: Curve;
  readonly onGuess: (guess: Guess) => void;
}

/** The path of places on the screen. */
export function pathOf(places: readonly Point[], projection: Projection): string {
  return places
    .map((place, index) => {
      const [x, y] = projection.toScreen(place);
      return `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join('');
}

/** A mark that is dragged, or moved with the arrows. */
export function HeldMark({
  projection,
  scene,
  at,
  label,
  small = false,
  onMove,
}: {
  projection: Projection;
  scene: FigureScene;
  at: Point;
  label: string;
  small?: boolean;
  onMove: (to: Point) => void;
}) {
  const [held, setHeld] = useState<Point | null>(null);
  const {
    isHeld: _,
    letGo: __,
    ...taking
  } = useHold<Point>(() => ({
    space: placeSpace(projection, scene.view.grid),
    value: () => at,
    take: () => ({
      preview: setHeld,
      commit: (to) => {
        setHeld(null);
        onMove(to);
      },
      cancel: () => setHeld(null),
    }),
  }));
  const [x, y] = projection.toScreen(held ?? at);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      transform={`translate(${x.toFixed(2)} ${y.toFixed(2)})`}
      className="mark pointer-events-auto cursor-grab touch-none"
      data-guess-mark
      {...taking}
    >
      <circle className="grip" r={13} fill="transparent" />
      <circle
        r={small ? 5 : 8}
        fill="var(--sheet)"
        fillOpacity={0.6}
        stroke="var(--accent)"
        strokeWidth={2}
        strokeDasharray="4 2.5"
      />
    </g>
  );
}
