import { besideLines, curveOf, factNames, facts, type FactMember } from '@bogen/core/figure';
import type { Curve } from '@bogen/core/curve';
import type { TFunction } from 'i18next';
import { Fragment, useDeferredValue, useRef, useSyncExternalStore } from 'react';
import { shownScientific, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import type { FigureScene } from '../scene/scene.js';

/** What tells two curves side by side apart: every fact of which the registry says so, on its line. */
export function PaneFacts({ scene, item }: { scene: FigureScene; item: string }) {
  const { t } = useTranslation();
  const kept = useRef(curveOf(scene.evaluation, item));
  const settled = useSyncExternalStore(scene.onRest, () => {
    if (scene.host.motion() === 'rest') kept.current = curveOf(scene.evaluation, item);
    return kept.current;
  });
  const curve = useDeferredValue(settled);
  if (!curve) return null;
  return (
    <p
      className="pointer-events-none absolute bottom-2.5 left-4 text-[12px] leading-[1.5] text-soft"
      data-pane-facts
    >
      {besideLines.map((line) => (
        <Fragment key={line}>
          {factNames
            .filter((name) => (facts[name] as FactMember).beside === line)
            .flatMap((name) => briefly(name, curve, t) ?? [])
            .join(' · ')}
          <br />
        </Fragment>
      ))}
    </p>
  );
}

/** A fact in few words; nothing where it has nothing to tell of a curve. */
function briefly(name: keyof typeof facts, curve: Curve, t: TFunction<'texts'>): string | undefined {
  const fact: FactMember = facts[name];
  const value = fact(curve, undefined);
  const text = (values: { count?: number; value?: string }): string =>
    t(`facts.brief.${name}` as 'facts.brief.spans', { count: 0, ...values });
  switch (value?.kind) {
    case 'whole':
      return text({ count: value.value });
    case 'number':
      if (value.value === 0) return t(`facts.none.${name}` as 'facts.none.combSlopeJump');
      return text({ value: `${shownScientific(value.value)} ${t(`facts.units.${value.unit}`)}` });
    case 'word':
      return t(`facts.words.${value.word}`);
    case 'list':
      return text({ count: value.values.length });
    case 'continuity': {
      const least = Math.min(value.degree, ...value.knots.map(({ guaranteed }) => guaranteed));
      return text({ value: superscript(least) });
    }
    case undefined:
      return undefined;
  }
}
