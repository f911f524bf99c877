import { sampleCurve, spansOf, type Curve } from '@bogen/core/curve';
import {
  operations,
  type Field,
  type FigureDocument,
  type OfferedOperation,
  type Operation,
  type OperationMember,
  type Preview,
} from '@bogen/core/figure';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { shownAtMost } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { useTold } from '../../text/told.js';
import { heavy } from '../../worker/heavy.js';
import type { Arguments } from './OperationFields.js';

/** More ways than these are not drawn beside each other. */
const mostVariants = 4;

/** The argument of an operation whose values are shown beside each other, and these values. */
interface Ways {
  readonly key: string;
  readonly ways: readonly (string | number)[];
}

/**
 * The argument of an operation that says in which way it is done, with all ways; or the number that it compares, with
 * the values next to the one with which its form began.
 */
function waysOf(name: OfferedOperation, began: Arguments): Ways | undefined {
  const { compares, ...member } = operations[name] as OperationMember<OfferedOperation>;
  const fields = member.arguments as Readonly<Record<string, Field>>;
  if (compares) {
    const field = fields[compares]!;
    const value = Number(began[compares]);
    if (field.type !== 'whole') return undefined;
    const from = Math.max(field.least, Math.min(value - 1, field.most - 2));
    return { key: compares, ways: [from, from + 1, from + 2].filter((way) => way <= field.most) };
  }
  for (const key of member.asks as readonly string[]) {
    const field = fields[key]!;
    if (field.type === 'choice' && field.signs !== true && field.choices.length <= mostVariants)
      return { key, ways: field.choices as readonly string[] };
  }
  return undefined;
}

interface VariantsProps {
  readonly document: FigureDocument;
  readonly operation: Operation;
  readonly chosen: Arguments;
  readonly onChoose: (key: string, value: unknown) => void;
}

/** The ways in which an operation can be done, each drawn small with its numbers, to choose from by looking. */
export function Variants({ document, operation, chosen, onChoose }: VariantsProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const name = operation.name as OfferedOperation;
  const [began] = useState(chosen);
  const found = waysOf(name, began);
  const [previews, setPreviews] = useState<ReadonlyMap<string | number, Preview>>(new Map());
  useEffect(() => {
    if (!found) return undefined;
    let stale = false;
    void (async () => {
      const next = new Map<string | number, Preview>();
      for (const way of found.ways) {
        next.set(way, await heavy.preview(document, { ...operation, [found.key]: way } as Operation));
        if (stale) return;
      }
      setPreviews(next);
    })();
    return () => {
      stale = true;
    };
    // What is chosen of the ways changes none of their drawings.
  }, [document, JSON.stringify({ ...operation, [found?.key ?? '']: undefined })]);
  if (!found) return null;
  return (
    <div role="group" aria-label={t('change.variants')} className="grid grid-cols-3 gap-1.5" data-variants>
      {found.ways.map((way) => {
        const preview = previews.get(way);
        return (
          <button
            key={way}
            type="button"
            aria-pressed={chosen[found.key] === way}
            className={clsx(
              'flex flex-col gap-1 rounded-md border p-1.5 text-left hover:bg-tint focus-visible:ring-3 focus-visible:ring-accent/40',
              chosen[found.key] === way ? 'border-accent' : 'border-line',
            )}
            onClick={() => onChoose(found.key, way)}
            data-variant={way}
          >
            {preview?.status === 'curve' ? <Drawing curve={preview.curve} /> : <span className="h-16" />}
            <span className="text-[11.5px] leading-tight font-medium">
              {typeof way === 'number'
                ? `${t(`change.fields.${name}.${found.key}` as 'change.fields.refit.degree')} ${way}`
                : t(`change.choices.${way as 'pull'}`)}
            </span>
            <span className="text-[11px] leading-tight text-soft">
              {preview?.status === 'curve' &&
                [
                  t('figure.points', { count: preview.after.points }),
                  t(`facts.words.${preview.after.closedness}`),
                  ...(preview.deviation ? [`${shownAtMost(preview.deviation.distance)} mm`] : []),
                ].join(', ')}
              {preview?.status === 'failed' && tell(preview.reason)}
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** A curve with its start, as large as fits. */
function Drawing({ curve }: { curve: Curve }) {
  const { coordinates, dimension } = sampleCurve(
    curve,
    Math.max(4, Math.ceil(60 / spansOf(curve.knots, curve.degree).length)),
  );
  const places: [number, number][] = [];
  for (let at = 0; at < coordinates.length; at += dimension)
    places.push([coordinates[at]!, -coordinates[at + 1]!]);
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const size = Math.max(Math.max(...xs) - left, Math.max(...ys) - top, Number.MIN_VALUE);
  const margin = 0.08 * size;
  return (
    <svg
      aria-hidden
      viewBox={`${left - margin} ${top - margin} ${Math.max(...xs) - left + 2 * margin} ${Math.max(...ys) - top + 2 * margin}`}
      className="h-16 w-full"
    >
      <polyline
        points={places.map((place) => place.join(',')).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
      <circle cx={places[0]![0]} cy={places[0]![1]} r={0.03 * size} fill="var(--accent)" />
    </svg>
  );
}
