import { CurveError } from '@bogen/core/curve';
import { degreeOrSpan, sideBySideCommand, type CurveItem } from '@bogen/core/figure';
import { useState } from 'react';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ProblemText } from '../../ui/ProblemText.js';

/** Two copies of a curve side by side, one with a degree more and one with a span more. */
export function DegreeOrSpan({ scene, item }: { scene: FigureScene; item: CurveItem }) {
  const { t } = useTranslation();
  const [refused, setRefused] = useState<unknown>(null);
  const make = (): void => {
    const { document } = scene;
    try {
      const first = freshId(document);
      const second = freshId(document, new Set([first]));
      const command = sideBySideCommand(
        document,
        item,
        degreeOrSpan(item.curve),
        [first, second],
        [t('compare.degreeMore', { curve: item.name }), t('compare.spanMore', { curve: item.name })],
      );
      setRefused(scene.attempt('do', command));
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
      setRefused(error);
    }
  };
  return (
    <section className="flex flex-col gap-2 border-t border-line pt-4">
      <h3 className="font-serif text-[16px] font-medium">{t('compare.degreeOrSpan')}</h3>
      <p className="text-[13px] text-soft">{t('compare.degreeOrSpanLead')}</p>
      <Button className="self-start" onClick={make}>
        {t('compare.makeBoth')}
      </Button>
      <ProblemText error={refused} className="text-[13px]" />
    </section>
  );
}
