import { type Point } from '@bogen/core/curve';
import { lineOf, mostDrawn, type GuessOf, type QuestionOf } from '@bogen/core/lesson';
import { useRef, useState, type PointerEvent } from 'react';
import { roundPlace } from '../../figure/hold/place.js';
import { useTranslation } from '../../text/text.js';
import { fewPlaces } from './GuessField.js';
import { pathOf, HeldMark, type MarkProps } from './HeldMark.js';

export function LineMarks({
  projection,
  scene,
  curve,
  question,
  guess,
  truth,
  isDrawing,
  onGuess,
  onDrawn,
}: MarkProps & {
  question: QuestionOf<'drawn'>;
  guess: GuessOf<'drawn'> | null;
  truth: GuessOf<'drawn'> | null;
  isDrawing: boolean;
  onDrawn: () => void;
}) {
  const { t } = useTranslation();
  const [stroke, setStroke] = useState<readonly Point[] | null>(null);
  const drawn = useRef<Point[]>([]);
  const places = stroke ?? guess?.places ?? [];
  const was = question.line === 'comb' ? lineOf(curve, 'comb', question.scale) : undefined;
  const placeOf = (event: PointerEvent<SVGRectElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    const { markScale } = projection;
    const [x, y] = [(event.clientX - box.left) / markScale, (event.clientY - box.top) / markScale];
    return projection.toDrawing(x, y).map(roundPlace);
  };
  const end = (): void => {
    const line = thinned(drawn.current);
    drawn.current = [];
    setStroke(null);
    onDrawn();
    if (line.length > 1) onGuess({ of: 'drawn', places: line });
  };
  return (
    <g>
      {was && <path d={pathOf(was, projection)} fill="none" stroke="var(--strong)" strokeDasharray="1 4" />}
      {places.length > 1 && (
        <path
          d={pathOf(places, projection)}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={2}
          strokeDasharray="7 4"
          data-guess="drawn"
        />
      )}
      {truth && (
        <path
          d={pathOf(truth.places, projection)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
          data-truth="drawn"
        />
      )}
      {guess && guess.places.length <= fewPlaces && !isDrawing
        ? guess.places.map((at, index) => (
            <HeldMark
              key={index}
              projection={projection}
              scene={scene}
              at={at}
              small
              label={t('answer.drawnPoint', { number: index + 1, count: guess.places.length })}
              onMove={(to) => onGuess({ of: 'drawn', places: guess.places.with(index, to) })}
            />
          ))
        : null}
      {isDrawing && (
        <rect
          width={projection.width}
          height={projection.height}
          fill="transparent"
          className="pointer-events-auto cursor-crosshair touch-none"
          data-drawing
          onPointerDown={(event) => {
            if (event.button !== 0) return;
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            drawn.current = [placeOf(event)];
            setStroke(drawn.current);
          }}
          onPointerMove={(event) => {
            if (drawn.current.length === 0) return;
            drawn.current.push(placeOf(event));
            // What is drawn without end is thinned as it grows.
            if (drawn.current.length > 4 * mostDrawn) drawn.current = thinned(drawn.current);
            setStroke([...drawn.current]);
          }}
          onPointerUp={() => drawn.current.length > 0 && end()}
          onPointerCancel={() => {
            drawn.current = [];
            setStroke(null);
          }}
        />
      )}
    </g>
  );
}

/** As many places as a drawing may have, spread over all of them; the first and the last stay. */
function thinned(places: readonly Point[]): Point[] {
  if (places.length <= mostDrawn) return [...places];
  return Array.from(
    { length: mostDrawn },
    (_, k) => places[Math.round((k * (places.length - 1)) / (mostDrawn - 1))]!,
  );
}
