import type { FigureDocument } from '@bogen/core/figure';
import { useEffect, useRef, useState } from 'react';
import { prepare } from '../figure/paint/canvas.js';
import { planeProjection } from '../figure/geometry/projection.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import type { Palette } from '../theme/theme.js';
import { drawingOf } from './drawings.js';
import type { SmallDrawing } from './smallDrawing.js';

interface ThumbnailProps {
  readonly figure: FigureDocument;
  /** Stands for this state of the figure: what is drawn once under it is not drawn again. */
  readonly of: string;
  readonly label: string;
  readonly width: number;
  readonly height: number;
}

/** A small true drawing of a figure: its curves from its own numbers, the rail's curve in span colours. */
export function Thumbnail({ figure, of, label, width, height }: ThumbnailProps) {
  const { t } = useTranslation();
  const canvas = useRef<HTMLCanvasElement>(null);
  const palette = useTheme((state) => state.palette);
  const [drawing, setDrawing] = useState<SmallDrawing | null | undefined>(undefined);
  useEffect(() => {
    let isGone = false;
    void drawingOf(of, figure).then((made) => {
      if (!isGone) setDrawing(made);
    });
    return () => {
      isGone = true;
    };
    // The key stands for the figure.
  }, [of]);
  useEffect(() => {
    const context = drawing && canvas.current && prepare(canvas.current, width, height, true);
    if (context) draw(context, drawing, palette, width, height);
  }, [drawing, palette, width, height]);
  return (
    <span className="relative block" style={{ width, height }} data-drawn={drawing ? 'yes' : 'no'}>
      <canvas ref={canvas} role="img" aria-label={label} style={{ width, height }} />
      {drawing === null && (
        <span className="absolute inset-0 grid place-items-center px-6 text-center font-serif text-[14px] text-soft italic">
          {t('app.notDrawnSmall')}
        </span>
      )}
    </span>
  );
}

function draw(
  context: CanvasRenderingContext2D,
  { view, curves }: SmallDrawing,
  palette: Palette,
  width: number,
  height: number,
): void {
  context.clearRect(0, 0, width, height);
  const projection = planeProjection(view, width, height);
  const trace = (flat: Float32Array): void => {
    context.beginPath();
    for (let at = 0; at < flat.length; at += 2)
      context.lineTo(projection.screenX(flat[at]!), projection.screenY(flat[at + 1]!));
    context.stroke();
  };
  for (const { spans, points, isOnRail } of curves) {
    context.lineWidth = 0.75;
    context.strokeStyle = palette.strong;
    trace(points);
    context.lineWidth = 2;
    spans.forEach((span, index) => {
      context.strokeStyle = isOnRail ? palette.spans[index % palette.spans.length]! : palette.ink;
      trace(span);
    });
    context.fillStyle = palette.sheet;
    context.strokeStyle = palette.ink;
    context.lineWidth = 1;
    for (let at = 0; at < points.length; at += 2) {
      context.beginPath();
      context.arc(projection.screenX(points[at]!), projection.screenY(points[at + 1]!), 2.2, 0, 2 * Math.PI);
      context.fill();
      context.stroke();
    }
  }
}
