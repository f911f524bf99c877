import type { CurveItem } from '@bogen/core/figure';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { pointName } from '../../figure/scene/names.js';
import { useTranslation } from '../../text/text.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { ProblemText } from '../../ui/ProblemText.js';

interface WeightFieldsProps {
  readonly scene: FigureScene;
  readonly item: CurveItem;
  /** The control points whose weights may be set. */
  readonly indices: readonly number[];
}

const limits = { above: 0 };

/** Weights that a reader may set, by number: what is exact can't be pulled to. */
export function WeightFields({ scene, item, indices }: WeightFieldsProps) {
  const { t } = useTranslation();
  const [refused, setRefused] = useState<unknown>(null);
  return (
    <div className="flex flex-col gap-2" data-weights>
      <p className="text-[13px] text-soft">{t('freedoms.weightsHelp')}</p>
      {indices.map((index) => (
        <ExpressionField
          key={index}
          label={pointName(scene.document, item.id, 'controlPoints', index)}
          value={item.curve.weights?.[index] ?? 1}
          limits={limits}
          onChange={(weight) =>
            setRefused(scene.attempt('do', { name: 'setWeight', item: item.id, index, weight }))
          }
        />
      ))}
      <ProblemText error={refused} />
    </div>
  );
}
