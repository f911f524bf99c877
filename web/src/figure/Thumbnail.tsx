import { curveOf, evaluateFigure, type Evaluation, type FigureDocument, type View } from '@bogen/core';
import { useEffect, useRef } from 'react';
import { useTheme } from '../theme/theme.js';
import { prepare } from './canvas.js';
import { samplesOf } from './geometry.js';
import { fitPlane } from './plane.js';

/** The part of the plane that the curves take up, with a margin; the whole view where there are none. */
function contentsOf(figure: FigureDocument, evaluation: Evaluation): View {
  const points = figure.items.flatMap((item) => curveOf(evaluation, item.id)?.points ?? []);
  if (points.length === 0) return figure.view;
  const xs = points.map((point) => point[0]!);
  const ys = points.map((point) => point[1]!);
  const margin = 0.06 * Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys), 1e-6);
  return {
    ...figure.view,
    left: Math.min(...xs) - margin,
    right: Math.max(...xs) + margin,
    bottom: Math.min(...ys) - margin,
    top: Math.max(...ys) + margin,
  };
}

/** A small true drawing of a figure: its curves from its own numbers, the rail's curve in span colours. */
export function Thumbnail({
  figure,
  label,
  width,
  height,
}: {
  figure: FigureDocument;
  label: string;
  width: number;
  height: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const palette = useTheme((state) => state.palette);
  useEffect(() => {
    const context = canvas.current && prepare(canvas.current, width, height, true);
    if (!context) return;
    context.clearRect(0, 0, width, height);
    const evaluation = evaluateFigure(figure);
    const plane = fitPlane(contentsOf(figure, evaluation), width, height);
    for (const item of figure.items) {
      const curve = curveOf(evaluation, item.id);
      if (!curve || (item.kind === 'curve' && item.faint)) continue;
      context.lineWidth = 0.75;
      context.strokeStyle = palette.strong;
      context.beginPath();
      if (item.kind === 'curve') curve.points.forEach((point) => context.lineTo(...plane.toScreen(point)));
      context.stroke();
      const { coordinates, spanCount, perSpan } = samplesOf(curve);
      context.lineWidth = 2;
      for (let span = 0; span < spanCount; span++) {
        context.strokeStyle =
          item.id === figure.rail.item ? palette.spans[span % palette.spans.length]! : palette.ink;
        context.beginPath();
        for (let at = span * (perSpan + 1); at < (span + 1) * (perSpan + 1); at++) {
          context.lineTo(...plane.toScreen([coordinates[2 * at]!, coordinates[2 * at + 1]!]));
        }
        context.stroke();
      }
      if (item.kind !== 'curve') continue;
      for (const point of curve.points) {
        context.beginPath();
        context.arc(...plane.toScreen(point), 2.2, 0, 2 * Math.PI);
        context.fillStyle = palette.sheet;
        context.fill();
        context.strokeStyle = palette.ink;
        context.lineWidth = 1;
        context.stroke();
      }
    }
  }, [figure, palette, width, height]);
  return <canvas ref={canvas} role="img" aria-label={label} style={{ width, height }} />;
}
