import type { Curve } from '@bogen/core/curve';
import {
  factNames,
  facts,
  parameterCalculationNames,
  parameterCalculations,
  type FactMember,
  type FactName,
  type FactValue,
  type FigureItem,
} from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { useState, useSyncExternalStore } from 'react';
import { shownNumber, shownScientific, superscript } from '../../text/number.js';
import { shownOrExact } from '../../text/exact.js';
import { useExact } from '../../text/useExact.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { copyText } from '../../ui/copyText.js';
import { ExactCheck } from '../../ui/ExactCheck.js';
import { Panel } from '../../ui/Panel.js';
import { Unfolding } from '../unfold/Unfolding.js';
import { railItem } from '../../figure/view/Facts.js';
import type { FigureScene } from '../../figure/scene/scene.js';

/** Every fact of a curve as rows of name and value. */
function rowsOf(
  curve: Curve,
  item: FigureItem | undefined,
  exact: boolean,
  t: TFunction<'texts'>,
): { name: FactName; rows: [string, string][] }[] {
  return factNames.flatMap((name) => {
    const value = facts[name](curve, item);
    if (!value) return [];
    const rows: [string, string][] =
      value.kind === 'continuity'
        ? continuityRows(value, t)
        : [[t(`facts.names.${name}`), factText(value, exact, t)]];
    return [{ name, rows }];
  });
}

/** A fact's value as it is read. */
function factText(
  value: Exclude<FactValue, { kind: 'continuity' }>,
  exact: boolean,
  t: TFunction<'texts'>,
): string {
  switch (value.kind) {
    case 'whole':
      return String(value.value);
    case 'number':
      return `${value.unit === 'curvatureSlope' ? shownScientific(value.value) : shownNumber(value.value)} ${t(`facts.units.${value.unit}`)}`;
    case 'word':
      return t(`facts.words.${value.word}`);
    case 'list':
      return `${value.values.length}: ${value.values.map((one) => shownOrExact(one, exact)).join(', ')}`;
  }
}

function continuityRows(
  { knots, degree, start }: Extract<FactValue, { kind: 'continuity' }>,
  t: TFunction<'texts'>,
): [string, string][] {
  if (knots.length === 0) return [[t('facts.names.continuity'), t('facts.noKnots')]];
  return knots.map(({ knot, guaranteed, parametric, geometric }) => [
    t(knot === start ? 'facts.seam' : 'facts.atKnot', { u: shownNumber(knot, 1) }),
    `${t('facts.guaranteed', { order: superscript(guaranteed) })}, ${t('facts.measured', {
      c: parametric >= degree ? superscript(degree) : superscript(parametric),
      g: superscript(geometric),
    })}`,
  ]);
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
  const u = useSyncExternalStore(scene.axis.subscribe, () => scene.cursor);
  const exact = useExact((state) => state.exact);
  const [copied, setCopied] = useState(false);
  if (!curve) return null;
  const item = railItem(scene);
  const rows = rowsOf(curve, item, exact, t);
  const copy = (): void => {
    const text = [name, ...rows.flatMap((one) => one.rows.map(([fact, value]) => `${fact}: ${value}`))].join(
      '\n',
    );
    void copyText(text).then(setCopied);
  };
  return (
    <Panel open onClose={onClose} title={name} lead={null}>
      <ExactCheck />
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[13px]" data-facts-card>
        {rows.flatMap(({ rows: own }) =>
          own.map(([fact, value]) => (
            <div key={fact} className="contents">
              <dt className="text-soft">{fact}</dt>
              <dd className="min-w-0 font-mono text-[12.5px] break-words">{value}</dd>
            </div>
          )),
        )}
      </dl>
      {item && (
        <section className="border-t border-line pt-3">
          <h3 className="text-[13px] text-soft">{t('calculation.ofFacts')}</h3>
          {rows.map(({ name: of }) => {
            const { calculation }: FactMember = facts[of];
            return (
              calculation && (
                <Unfolding
                  key={of}
                  scene={scene}
                  item={item.id}
                  lines={() => calculation(curve)}
                  label={t('calculation.of', { name: t(`facts.names.${of}`) })}
                />
              )
            );
          })}
        </section>
      )}
      {item && (
        <section className="border-t border-line pt-3">
          <h3 className="text-[13px] text-soft">{t('calculation.atCursor')}</h3>
          {parameterCalculationNames.map((name) => (
            <Unfolding
              key={name}
              scene={scene}
              item={item.id}
              lines={() => parameterCalculations[name](curve, u)}
              label={t(`calculation.names.${name}`)}
            />
          ))}
        </section>
      )}
      <p>
        <Button onClick={copy}>{t('facts.copy')}</Button>{' '}
        <span role="status" className="text-[13px] text-soft">
          {copied ? t('facts.copied') : ''}
        </span>
      </p>
    </Panel>
  );
}
