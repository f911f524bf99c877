import { useState, type PointerEvent } from 'react';
import { useTranslation } from '../text/text.js';

export type Stroke = readonly (readonly [number, number])[];

/** The most strokes, and places of one, that lie over a figure. */
const most = { strokes: 300, places: 2000 };

interface PenProps {
  readonly strokes: readonly Stroke[];
  /** Whether a press draws; where not, it goes to what lies below. */
  readonly isOn: boolean;
  readonly onStroke: (stroke: Stroke) => void;
}

/** What is drawn over the figure by hand, for as long as the stage is there. */
export function Pen({ strokes, isOn, onStroke }: PenProps) {
  const { t } = useTranslation();
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const at = (event: PointerEvent<SVGSVGElement>): readonly [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    return [Math.round(event.clientX - box.left), Math.round(event.clientY - box.top)];
  };
  const end = (): void => {
    if (stroke) onStroke(stroke);
    setStroke(null);
  };
  return (
    <svg
      role="img"
      aria-label={t('present.drawing')}
      className={`absolute inset-0 size-full touch-none ${isOn ? 'cursor-crosshair' : 'pointer-events-none'}`}
      data-pen={isOn}
      onPointerDown={(event) => {
        if (!isOn || event.button !== 0 || strokes.length >= most.strokes) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setStroke([at(event)]);
      }}
      onPointerMove={(event) => {
        if (stroke && stroke.length < most.places) setStroke([...stroke, at(event)]);
      }}
      onPointerUp={end}
      onPointerCancel={() => setStroke(null)}
    >
      {[...strokes, ...(stroke ? [stroke] : [])].map((one, index) => (
        <path
          key={index}
          d={
            one.map(([x, y], place) => `${place === 0 ? 'M' : 'L'}${x} ${y}`).join('') +
            (one.length === 1 ? 'h0.1' : '')
          }
          fill="none"
          stroke="var(--accent)"
          strokeWidth={5}
          strokeLinecap="round"
          strokeLinejoin="round"
          data-stroke
        />
      ))}
    </svg>
  );
}
