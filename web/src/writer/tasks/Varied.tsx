import type { Field, FigureDocument } from '@bogen/core/figure';
import { offeredVariations, taskLimits, variations, type Variation } from '@bogen/core/lesson';
import { Dices, X } from 'lucide-react';
import { DescribedField } from '../../editing/fields/DescribedField.js';
import { nameOf, pointName } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { IconButton } from '../../ui/IconButton.js';
import { PickList } from '../prose/PickList.js';

interface VariedProps {
  readonly varied: readonly Variation[];
  /** The figure of the stage on which it is given. */
  readonly start: FigureDocument;
  readonly scene: FigureScene;
  readonly onChange: (varied: readonly Variation[]) => void;
}

const bounds = ['by', 'least', 'most'] as const;

/** What of the figure is different for each student, and within which bounds. */
export function Varied({ varied, start, scene, onChange }: VariedProps) {
  const { t } = useTranslation();
  const text = (variation: Variation): string => variationText(variation, start, t);
  return (
    <>
      {varied.length > 0 && (
        <ul className="flex flex-col gap-1 border-l-2 border-line pl-2 text-[13px]" data-varied>
          {varied.map((variation, index) => {
            const { fields } = variations[variation.of].description as {
              readonly fields: Readonly<Record<string, Field>>;
            };
            return (
              <li key={index} className="flex flex-wrap items-center gap-2">
                <span className="flex-1">{text(variation)}</span>
                {bounds
                  .filter((key) => fields[key])
                  .map((key) => (
                    <DescribedField
                      key={key}
                      label={t(`task.bounds.${key}`)}
                      field={fields[key]!}
                      value={(variation as unknown as Readonly<Record<string, unknown>>)[key]}
                      onChange={(next) =>
                        onChange(varied.with(index, { ...variation, [key]: next } as Variation))
                      }
                      wordFor={String}
                    />
                  ))}
                <IconButton
                  label={t('task.removeVaried', { number: index + 1 })}
                  onPress={() => onChange(varied.toSpliced(index, 1))}
                >
                  <X size={14} />
                </IconButton>
              </li>
            );
          })}
        </ul>
      )}
      {varied.length < taskLimits.variations && (
        <PickList<Variation>
          label={t('task.vary')}
          lead={t('task.varyLead')}
          icon={
            <>
              <Dices size={14} /> {t('task.vary')}
            </>
          }
          scene={scene}
          offers={() => offeredVariations(start)}
          text={text}
          onChoose={(variation) => onChange([...varied, variation])}
        />
      )}
    </>
  );
}

function variationText(
  variation: Variation,
  figure: FigureDocument,
  t: ReturnType<typeof useTranslation>['t'],
): string {
  const item = nameOf(figure, variation.item);
  switch (variation.of) {
    case 'point':
      return t('task.variation.point', {
        point: pointName(figure, variation.item, variation.point, variation.index),
        item,
      });
    case 'referencePoint':
      return t('task.variation.referencePoint', { item });
    case 'knot':
      return t('task.variation.knot', { value: shownNumber(variation.value, 1), item });
    case 'weight':
      return t('task.variation.weight', {
        point: pointName(figure, variation.item, 'controlPoints', variation.index),
        item,
      });
  }
}
