import { domainOf, pointAt, sampleCurve, spansOf, type Curve } from '@bogen/core/curve';
import { curveOfShape, type ShapeOf } from '@bogen/core/figure';
import clsx from 'clsx';
import { shownNumber } from '../../text/number.js';
import { shownOrExact } from '../../text/exact.js';
import { useTranslation } from '../../text/text.js';

type Circle = ShapeOf<'circle'>;

/** The layouts in which a circle is exact. */
const exactLayouts = ['quadratic9', 'quadratic7', 'cubic7', 'quintic6'] as const;

/** Into how many equal steps of the parameter each circle is divided by its ticks. */
const ticks = 24;

/**
 * The exact layouts of one circle beside each other: their points, weights and knots, and how fast the parameter runs
 * along each; one is chosen by a press.
 */
export function CircleLayouts({ shape, onChoose }: { shape: Circle; onChoose: (shape: Circle) => void }) {
  const { t } = useTranslation();
  return (
    <div role="group" aria-label={t('details.layouts')} className="flex flex-col gap-1.5" data-layouts>
      <h3 className="text-[12px] text-soft">{t('details.layouts')}</h3>
      {exactLayouts.map((layout) => {
        const made: Circle = { ...shape, layout };
        const curve = curveOfShape(made);
        const { degree, knots, weights } = curve;
        const list = (values: readonly number[]): string =>
          values.map((value) => shownOrExact(value, true)).join(', ');
        const { least, most } = speedsOf(curve);
        return (
          <button
            key={layout}
            type="button"
            aria-pressed={shape.layout === layout}
            className={clsx(
              'grid grid-cols-[84px_1fr] gap-2 rounded-md border p-1.5 text-left hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40',
              shape.layout === layout ? 'border-accent' : 'border-line',
            )}
            onClick={() => onChoose(made)}
            data-layout={layout}
          >
            <Drawing curve={curve} />
            <span className="min-w-0 text-[11.5px] leading-snug">
              <span className="block font-medium">{t(`details.choices.${layout}`)}</span>
              <span className="block text-soft">
                {t('details.layoutCounts', {
                  degree,
                  points: curve.points.length,
                  spans: spansOf(knots, degree).length,
                })}
              </span>
              <span className="block font-mono break-words">w {list(weights ?? [1])}</span>
              <span className="block font-mono break-words">u {list(knots)}</span>
              <span className="block text-soft" data-speed-ratio={most / least}>
                {t('details.layoutSpeed', { ratio: shownNumber(most / least, 1) })}
              </span>
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** The least and the largest speed along a curve. */
function speedsOf(curve: Curve): { readonly least: number; readonly most: number } {
  const { speeds } = sampleCurve(curve, 48);
  return {
    least: speeds.reduce((best, value) => Math.min(best, value), Infinity),
    most: speeds.reduce((best, value) => Math.max(best, value), 0),
  };
}

/** The circle in its polygon, with ticks at equal steps of the parameter: where they are close it runs slowly. */
function Drawing({ curve }: { curve: Curve }) {
  const { coordinates } = sampleCurve(curve, 32);
  const circle: string[] = [];
  for (let at = 0; at < coordinates.length; at += 2)
    circle.push(`${coordinates[at]!},${-coordinates[at + 1]!}`);
  const polygon = curve.points.map(([x, y]) => [x!, -y!] as const);
  const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const size = Math.max(Math.max(...xs) - left, Math.max(...ys) - top);
  const middle = [left + (Math.max(...xs) - left) / 2, top + (Math.max(...ys) - top) / 2] as const;
  const [start, end] = domainOf(curve.knots, curve.degree);
  return (
    <svg
      aria-hidden
      viewBox={`${middle[0] - 0.56 * size} ${middle[1] - 0.56 * size} ${1.12 * size} ${1.12 * size}`}
      className="size-[84px]"
    >
      <polyline
        points={polygon.map((place) => place.join(',')).join(' ')}
        fill="none"
        stroke="var(--line-strong)"
        vectorEffect="non-scaling-stroke"
      />
      <polyline
        points={circle.join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
      {Array.from({ length: ticks }, (_, k) => {
        const [x, y] = pointAt(curve, start + ((end - start) * k) / ticks);
        return <circle key={k} cx={x} cy={-y!} r={0.018 * size} fill="var(--ink)" />;
      })}
      {polygon.map(([x, y], k) => (
        <circle
          key={k}
          cx={x}
          cy={y}
          r={0.03 * size}
          fill="var(--sheet)"
          stroke="var(--accent)"
          strokeWidth={1.25}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
