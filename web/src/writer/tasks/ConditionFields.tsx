import { curveOf, itemOf, type Field, type OfferedOperation } from '@bogen/core/figure';
import { conditions, type SingleCondition } from '@bogen/core/lesson';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { IndicesField } from './IndicesField.js';
import { DescribedField } from '../../editing/fields/DescribedField.js';

interface ConditionFieldsProps {
  readonly scene: FigureScene;
  readonly condition: SingleCondition;
  readonly onChange: (condition: SingleCondition) => void;
}

/** The blanks of a condition as fields, by its description; lists of values are taken from the figure and not typed here. */
export function ConditionFields({ scene, condition, onChange }: ConditionFieldsProps) {
  const { t } = useTranslation();
  const { fields } = conditions[condition.kind].description as {
    readonly fields: Readonly<Record<string, Field>>;
  };
  const values = condition as unknown as Readonly<Record<string, unknown>>;
  const set = (key: string, value: unknown): void =>
    onChange({ ...condition, [key]: value } as SingleCondition);
  return (
    <div className="flex flex-wrap items-center gap-2" data-condition-fields>
      {Object.entries(fields).map(([key, field]) => {
        const label = t(`task.blanks.${key}` as 'task.blanks.tolerance');
        if (key === 'kind') return null;
        if (field.type === 'list') {
          const count = curveOf(scene.evaluation, condition.item)?.points.length ?? 0;
          return key === 'indices' ? (
            <IndicesField
              key={key}
              label={label}
              value={values[key] as readonly number[]}
              count={count}
              onChange={(next) => set(key, next)}
            />
          ) : null;
        }
        if (field.type === 'id') {
          const wantsPoint = condition.kind === 'curveThroughPoint' && key === 'target';
          const items = scene.document.items.filter(({ kind }) =>
            wantsPoint ? kind === 'point' : kind !== 'point' && kind !== 'picture',
          );
          return (
            <Choice
              key={key}
              label={label}
              value={String(values[key])}
              choices={items.map(({ id }) => id)}
              name={(id) => itemOf(scene.document, id)?.name ?? id}
              onChange={(id) => set(key, id)}
            />
          );
        }
        if (field.type === 'place') {
          const place = values[key] as readonly number[];
          return ['x', 'y'].map((axis, k) => (
            <ExpressionField
              key={`${key}/${axis}`}
              label={`${label}, ${axis}`}
              value={place[k]!}
              onChange={(next) => set(key, place.with(k, next))}
            />
          ));
        }
        return (
          <DescribedField
            key={key}
            label={label}
            field={field}
            value={values[key]}
            onChange={(next) => set(key, next)}
            wordFor={(choice) =>
              field.type === 'choice' && field.of === 'operation'
                ? t(`operations.${choice as OfferedOperation}`)
                : t(`task.words.${choice}` as 'task.words.start')
            }
          />
        );
      })}
    </div>
  );
}
