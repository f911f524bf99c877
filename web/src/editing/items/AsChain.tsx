import { chainOfCurve } from '@bogen/core/curve';
import { curveOf, type FigureItem, type Preview } from '@bogen/core/figure';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownAtMost } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { heavy } from '../../worker/heavy.js';

/** Makes a Bézier chain of a curve, whose nodes have handles, kinds and parameters of their own; told what it costs. */
export function AsChain({ scene, item }: { scene: FigureScene; item: FigureItem }) {
  const { t } = useTranslation();
  const document = useSyncExternalStore(scene.onRest, () => scene.document);
  const [preview, setPreview] = useState<Preview | null>(null);
  const isChain = item.kind === 'shape' && item.shape.kind === 'chain';
  const curve = curveOf(scene.evaluation, item.id);
  useEffect(() => {
    if (isChain) return undefined;
    let stale = false;
    void heavy
      .preview(document, { name: 'convert', source: item.id, kind: 'bezier' })
      .then((next) => !stale && setPreview(next));
    return () => {
      stale = true;
    };
  }, [document, item.id, isChain]);
  if (isChain || item.locked || !curve || preview?.status !== 'curve') return null;
  const make = (): void => {
    scene.host.do({
      name: 'setForm',
      item: item.id,
      form: { kind: 'shape', shape: { kind: 'chain', chain: chainOfCurve(preview.curve) } },
      loose: null,
    });
  };
  const isClosed = preview.after.closedness !== 'open';
  const deviation = preview.deviation?.distance ?? 0;
  return (
    <section className="flex flex-wrap items-center gap-2">
      <Button onClick={make}>{t('details.asChain')}</Button>
      <span className="text-[12.5px] text-soft" data-as-chain={deviation}>
        {t('details.asChainHelp', {
          count: preview.after.spans + (isClosed ? 0 : 1),
          deviation: deviation > 0 ? `${shownAtMost(deviation)} mm` : t('details.noDeviation'),
        })}
      </span>
    </section>
  );
}
