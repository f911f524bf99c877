import type { PointItem } from '@bogen/core';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import type { Plane } from './plane.js';

/** A peg to aim at: a square set on the paper, with its name. */
export function ReferencePoint({ item, plane }: { item: PointItem; plane: Plane }) {
  const { t } = useTranslation();
  const [x, y] = plane.toScreen(item.at);
  const facts = { name: item.name, x: shownNumber(item.at[0]!), y: shownNumber(item.at[1]!) };
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="img"
      aria-label={t('figure.referencePoint', facts)}
      className="peg pointer-events-none"
    >
      <rect x={-5} y={-5} width={10} height={10} fill="none" stroke="var(--ink)" strokeWidth={1.25} />
      <circle r={1.5} fill="var(--ink)" />
      <text x={9} y={17} aria-hidden>
        {item.name}
      </text>
    </g>
  );
}
