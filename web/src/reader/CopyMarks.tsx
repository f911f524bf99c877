import { pointAt, spansOf, unlessPole } from '@bogen/core/curve';
import { curveOf, evaluateFigure, migrateFigure, type FigureDocument } from '@bogen/core/figure';
import { useMemo } from 'react';
import type { Projection } from '../figure/geometry/projection.js';

/** Places on a span between which it is drawn straight. */
const perSpan = 24;

/** A kept copy of a figure, faint, under what is done now. */
export function CopyMarks({ figure, projection }: { figure: FigureDocument; projection: Projection }) {
  const lines = useMemo(() => {
    // It may have been kept by an earlier edition of Bogen.
    const document = migrateFigure(figure) as unknown as FigureDocument;
    const evaluation = evaluateFigure(document);
    return document.items.flatMap(({ id, hidden }) => {
      const curve = hidden ? undefined : curveOf(evaluation, id);
      return curve?.points[0]?.length === 2
        ? spansOf(curve.knots, curve.degree).map(({ start, end }) =>
            Array.from({ length: perSpan + 1 }, (_, k) =>
              unlessPole(() =>
                pointAt(
                  curve,
                  k === perSpan ? end : start + ((end - start) * k) / perSpan,
                  k === perSpan ? 'left' : 'right',
                ),
              ),
            ).filter((point) => point !== undefined),
          )
        : [];
    });
  }, [figure]);
  const { width, height } = projection;
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute top-0 left-0"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      data-kept-copy
    >
      {lines.map((line, index) => (
        <path
          key={index}
          d={line
            .map((point, at) => {
              const [x, y] = projection.toScreen(point);
              return `${at === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
            })
            .join('')}
          fill="none"
          stroke="var(--ink)"
          strokeOpacity={0.35}
          strokeWidth={1.5}
          strokeDasharray="2 3"
        />
      ))}
    </svg>
  );
}
