import {
  closednessOf,
  distinctPointCount,
  domainOf,
  enclosedArea,
  isRational,
  measureContinuity,
  shortKnotList,
  spansOf,
  type Curve,
} from '@bogen/core';
import type { TFunction } from 'i18next';
import { useState, useSyncExternalStore } from 'react';
import { shownNumber, superscript } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { copyText } from '../ui/copyText.js';
import { Panel } from '../ui/Panel.js';
import { lengthOf } from './geometry.js';
import type { FigureScene } from './scene.js';

/** Every fact of a curve as rows of name and value. */
function rowsOf(curve: Curve, t: TFunction<'texts'>): [string, string][] {
  const { degree, knots, points, weights } = curve;
  const dimension = points[0]!.length;
  const stored = distinctPointCount(curve) * (dimension + (weights ? 1 : 0)) + knots.length;
  const list = (values: readonly number[]): string =>
    `${values.length}: ${values.map((value) => shownNumber(value, 3).replace(/\.?0+$/, '') || '0').join(', ')}`;
  const [start] = domainOf(knots, degree);
  const continuity = measureContinuity(curve).map(
    ({ knot, guaranteed, parametric, geometric }): [string, string] => [
      t(knot === start ? 'facts.seam' : 'facts.atKnot', { u: shownNumber(knot, 3) }),
      `${t('facts.guaranteed', { order: superscript(guaranteed) })}, ${t('facts.measured', {
        c: parametric >= degree ? superscript(degree) : superscript(parametric),
        g: superscript(geometric),
      })}`,
    ],
  );
  return [
    [t('facts.degree'), String(degree)],
    [t('facts.order'), String(degree + 1)],
    [t('facts.spans'), String(spansOf(knots, degree).length)],
    [t('facts.points'), String(distinctPointCount(curve))],
    [t('facts.knotsFull'), list(knots)],
    [t('facts.knotsShort'), list(shortKnotList(knots))],
    [t('facts.kind'), t(isRational(curve) ? 'facts.rational' : 'facts.polynomial')],
    [t('facts.closed'), t(`figure.closedness.${closednessOf(curve)}`)],
    [t('facts.length'), `${shownNumber(lengthOf(curve))} mm`],
    ...(dimension === 2
      ? [[t('facts.area'), `${shownNumber(Math.abs(enclosedArea(curve)))} mm²`] as [string, string]]
      : []),
    [t('facts.cost'), String(stored)],
    ...(continuity.length > 0
      ? continuity
      : [[t('facts.continuity'), t('facts.noKnots')] as [string, string]]),
  ];
}

/** The facts of the rail's curve as a card, to read and to copy. */
export function FactsCard({
  scene,
  name,
  onClose,
}: {
  scene: FigureScene;
  name: string;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const [copied, setCopied] = useState(false);
  if (!curve) return null;
  const rows = rowsOf(curve, t);
  const copy = (): void => {
    const text = [name, ...rows.map(([fact, value]) => `${fact}: ${value}`)].join('\n');
    void copyText(text).then(setCopied);
  };
  return (
    <Panel open onClose={onClose} title={name} lead={null}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[13px]" data-facts-card>
        {rows.map(([fact, value]) => (
          <div key={fact} className="contents">
            <dt className="text-soft">{fact}</dt>
            <dd className="min-w-0 font-mono text-[12.5px] break-words">{value}</dd>
          </div>
        ))}
      </dl>
      <p>
        <Button onClick={copy}>{t('facts.copy')}</Button>{' '}
        <span role="status" className="text-[13px] text-soft">
          {copied ? t('facts.copied') : ''}
        </span>
      </p>
    </Panel>
  );
}
