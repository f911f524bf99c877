import { distinctPointCount, isRational, polesOf, spansOf, type Curve } from '@bogen/core/curve';
import { closednessOfItem, itemOf, type FactName, type FigureItem } from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { Fragment, useDeferredValue, useSyncExternalStore } from 'react';
import { shownNumber, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { continuityOf, lengthOf } from '../geometry/geometry.js';
import type { FigureScene } from '../scene/scene.js';

/** A fact in words, and which measure gives it as a number, where one does. */
interface ToldFact {
  readonly text: string;
  readonly of?: FactName | 'smoothness';
}

/** The facts of a curve in two lines. */
export function factsOf(
  curve: Curve,
  item: FigureItem | undefined,
  t: TFunction<'texts'>,
): readonly [readonly ToldFact[], ToldFact] {
  const orders = continuityOf(curve).map(({ order }) => order);
  const lowest = Math.min(...orders);
  const continuity =
    orders.length === 0
      ? t('figure.noKnots')
      : lowest < 0
        ? t('figure.gap')
        : orders.every((order) => order === lowest)
          ? t('figure.everywhere', { order: superscript(lowest) })
          : t('figure.lowest', { order: superscript(lowest) });
  return [
    [
      { text: t('figure.degree', { degree: curve.degree }), of: 'degree' },
      { text: t('figure.spans', { count: spansOf(curve.knots, curve.degree).length }), of: 'spans' },
      { text: t('figure.points', { count: distinctPointCount(curve) }), of: 'points' },
      { text: t('figure.knots', { count: curve.knots.length }), of: 'knotVector' },
      ...(isRational(curve) ? [{ text: t('figure.rational'), of: 'rational' as const }] : []),
      { text: t(`facts.words.${closednessOfItem(curve, item)}`), of: 'closedness' },
    ],
    { text: continuity, of: 'smoothness' },
  ];
}

/** The item that the rail's curve belongs to. */
export function railItem({ document }: FigureScene): FigureItem | undefined {
  return document.rail.item === null ? undefined : itemOf(document, document.rail.item);
}

/** The facts of the rail's curve, on the figure's lower edge. They follow a little after a change is done. */
export function Facts({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const settled = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  // The drawing is not kept waiting for them: measuring a length takes a part of a frame.
  const curve = useDeferredValue(settled);
  if (!curve) return null;
  const [first, continuity] = factsOf(curve, railItem(scene), t);
  const length = lengthOf(curve);
  const poles = polesOf(curve).map(({ parameter }) => shownNumber(parameter, 1));
  const extent =
    length === undefined
      ? t('figure.toInfinity', { count: poles.length, parameters: poles.join(', ') })
      : t('figure.length', { length: shownNumber(length) });
  return (
    <p
      className="pointer-events-none absolute bottom-8 left-4 text-[12px] leading-[1.5] text-soft sm:bottom-2.5"
      data-facts
    >
      {first.map((fact, index) => (
        <Fragment key={index}>
          {index > 0 && ' · '}
          <span data-fact={fact.of}>{fact.text}</span>
        </Fragment>
      ))}
      <br />
      <span data-fact={continuity.of}>{continuity.text}</span> ·{' '}
      <span data-fact={length === undefined ? 'poles' : 'length'}>{extent}</span>
    </p>
  );
}
