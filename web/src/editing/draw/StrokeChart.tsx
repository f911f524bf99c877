import type { Point } from '@bogen/core/curve';
import { scaleLinear, scaleLog } from 'd3-scale';
import type { Projection } from '../../figure/geometry/projection.js';
import { shownAtMost, shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import type { FittedStroke } from './useStrokeFit.js';

const size = { width: 230, height: 118, left: 30, right: 12, top: 26, bottom: 20 };

interface StrokeChartProps {
  readonly stroke: FittedStroke;
  readonly drawn: readonly Point[];
  readonly projection: Projection;
}

/** How many control points a stroke needs at each tolerance, and where the chosen one stands. */
export function StrokeChart({ stroke, drawn, projection }: StrokeChartProps) {
  const { t } = useTranslation();
  const { fit, series } = stroke;
  const all = [...series, fit];
  const x = scaleLog([0.1, 10], [size.left, size.width - size.right]).clamp(true);
  const y = scaleLinear(
    [0, Math.max(...all.map(({ points }) => points), 8)],
    [size.height - size.bottom, size.top],
  ).nice(3);
  const line = series.map(({ tolerance, points }) => `${x(tolerance)},${y(points)}`).join(' ');
  return (
    <figure
      className={`pointer-events-none absolute rounded-md border border-line bg-sheet ${emptiestCorner(drawn, projection)}`}
      data-stroke-chart
    >
      <figcaption className="px-2 pt-1.5 text-[12px]" data-stroke-fit={fit.points}>
        {t('draw.strokeFit', {
          drawn: drawn.length,
          count: fit.points,
          deviation: shownAtMost(fit.deviation),
        })}
      </figcaption>
      {!fit.reached && (
        <p className="w-[300px] px-2 text-[12px] text-bad" role="status">
          {t('draw.strokeMissed', { tolerance: shownNumber(fit.tolerance) })}
        </p>
      )}
      <svg width={size.width} height={size.height} role="img" aria-label={t('draw.strokeChart')}>
        {y.ticks(3).map((tick) => (
          <g key={tick}>
            <line
              x1={size.left}
              x2={size.width - size.right}
              y1={y(tick)}
              y2={y(tick)}
              stroke="var(--line)"
            />
            <text
              x={size.left - 6}
              y={y(tick) + 4}
              textAnchor="end"
              className="fill-soft font-mono text-[10px]"
            >
              {tick}
            </text>
          </g>
        ))}
        {[0.1, 1, 10].map((tick) => (
          <text
            key={tick}
            x={x(tick)}
            y={size.height - 6}
            textAnchor="middle"
            className="fill-soft font-mono text-[10px]"
          >
            {tick}
          </text>
        ))}
        <polyline points={line} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
        {series.map(({ tolerance, points, reached }) => (
          <rect
            key={tolerance}
            x={x(tolerance) - 2}
            y={y(points) - 2}
            width={4}
            height={4}
            // Open where the tolerance was not reached.
            fill={reached ? 'var(--ink)' : 'var(--sheet)'}
            stroke="var(--ink)"
          />
        ))}
        <line
          x1={x(fit.tolerance)}
          x2={x(fit.tolerance)}
          y1={size.top}
          y2={size.height - size.bottom}
          stroke="var(--accent)"
        />
        <circle cx={x(fit.tolerance)} cy={y(fit.points)} r={4} fill="var(--accent)" />
      </svg>
    </figure>
  );
}

/** The corner of the figure in which the chart hides least of the stroke. */
function emptiestCorner(drawn: readonly Point[], projection: Projection): string {
  const [across, down] = [330, 160];
  const corners = [
    { place: 'top-2 right-3', hides: (x: number, y: number) => x > projection.width - across && y < down },
    {
      place: 'bottom-11 right-3',
      hides: (x: number, y: number) => x > projection.width - across && y > projection.height - down - 30,
    },
    { place: 'top-9 left-4', hides: (x: number, y: number) => x < across && y < down + 30 },
    {
      place: 'bottom-11 left-4',
      hides: (x: number, y: number) => x < across && y > projection.height - down - 30,
    },
  ];
  const count = ({ hides }: (typeof corners)[number]): number =>
    drawn.filter((point) => hides(...projection.toScreen(point))).length;
  return corners.reduce((best, next) => (count(next) < count(best) ? next : best)).place;
}
