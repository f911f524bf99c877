import { cornersOf, interiorKnots, type Curve, type Point } from '@bogen/core/curve';
import {
  curveOf,
  operations,
  type Field,
  type FigureItem,
  type OfferedOperation,
  type OperationMember,
} from '@bogen/core/figure';
import { useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import type { Pin } from '../../figure/scene/pins.js';
import { DescribedField } from '../fields/DescribedField.js';
import { PinFields } from '../parameter/PinFields.js';

/** The arguments of an operation as its form holds them, and the ids of further sources. */
export type Arguments = Readonly<Record<string, unknown>>;

interface OperationFieldsProps {
  readonly name: OfferedOperation;
  readonly values: Arguments;
  readonly onSet: (key: string, value: unknown) => void;
  readonly scene: FigureScene;
  readonly item: FigureItem;
  /** The curve whose knots and corners are offered; the item's own where not given. */
  readonly of?: string;
}

/** The form of an operation: a field for each further source and for each argument that it asks for, by its description. */
export function OperationFields({ name, values, onSet, scene, item, of = item.id }: OperationFieldsProps) {
  const { t } = useTranslation();
  const member = operations[name] as OperationMember<OfferedOperation>;
  const asks = (member.counts?.(values) ?? member.asks) as readonly string[];
  const others = otherCurves(scene, item);
  return (
    <div className="flex flex-wrap items-center gap-2">
      {Object.keys(member.sources)
        .filter((key) => key !== 'source')
        .map((key) => (
          <Choice
            key={`${name}/${key}`}
            label={t('change.otherCurve')}
            value={String(values[key])}
            choices={others.map(({ id }) => id)}
            name={(id) => others.find((other) => other.id === id)?.name ?? id}
            onChange={(next) => onSet(key, next)}
          />
        ))}
      {asks.map((key) => (
        <FieldOf
          key={`${name}/${key}`}
          label={t(`change.fields.${name}.${key}` as 'change.fields.insertKnot.times')}
          field={(member.arguments as Readonly<Record<string, Field>>)[key]!}
          value={values[key]}
          onChange={(next) => onSet(key, next)}
          scene={scene}
          of={of}
        />
      ))}
    </div>
  );
}

/** The curves that can be a second source. */
export function otherCurves({ document, evaluation }: FigureScene, item: FigureItem): FigureItem[] {
  return document.items.filter(({ id }) => id !== item.id && curveOf(evaluation, id));
}

interface FieldProps {
  readonly label: string;
  readonly field: Field;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
  readonly scene: FigureScene;
  readonly of: string;
}

function FieldOf(props: FieldProps) {
  const { t } = useTranslation();
  const { label, field, value, onChange, scene, of } = props;
  switch (field.type) {
    case 'optional':
      return <FieldOf {...props} field={field.of} />;
    case 'number':
      if (field.from === 'cursor') return <ParameterField {...props} />;
      if (field.from) {
        const curve = curveOf(scene.evaluation, of);
        return (
          <Choice
            label={label}
            value={String(value)}
            choices={curve ? placesOn[field.from](curve).map(String) : []}
            name={(knot) => shownNumber(Number(knot), 1)}
            onChange={(next) => onChange(Number(next))}
          />
        );
      }
      break;
    case 'list':
      return (
        <PinFields
          label={label}
          scene={scene}
          pins={value as readonly Pin[]}
          onChange={onChange}
          pulled={of === scene.document.rail.item}
        />
      );
    case 'pair':
      return field.line ? <AxisField {...props} /> : <CornersField {...props} />;
    case 'place': {
      const place = value as Point;
      return (
        <>
          {(['byX', 'byY'] as const).map((name, axis) => (
            <ExpressionField
              key={name}
              label={t(`change.axis.${name}`)}
              value={place[axis]!}
              onChange={(next) => onChange(place.with(axis, next))}
            />
          ))}
        </>
      );
    }
    default:
  }
  return (
    <DescribedField
      label={label}
      field={field}
      value={value}
      onChange={onChange}
      wordFor={(choice) => t(`change.choices.${choice as 'pull'}`)}
    />
  );
}

/** The parameters of a curve that a field offers to choose from. */
const placesOn = {
  knots: (curve: Curve) => interiorKnots(curve.knots, curve.degree).map(({ value }) => value),
  corners: cornersOf,
} as const;

/** A parameter, with the one at the cursor on offer. */
function ParameterField({ label, value, onChange, scene }: FieldProps) {
  const { t } = useTranslation();
  const [taken, take] = useState(0);
  return (
    <span className="flex items-center gap-1">
      <ExpressionField key={taken} label={label} value={Number(value)} onChange={onChange} />
      <Button
        quiet
        onClick={() => {
          onChange(Number(scene.cursor.toFixed(3)));
          // What is typed wrong there gives way also where the value was the cursor's before.
          take(taken + 1);
        }}
      >
        {t('change.fromCursor')}
      </Button>
    </span>
  );
}

/** Two places by their coordinates. */
function CornersField({ label, value, onChange }: FieldProps) {
  const { t } = useTranslation();
  const places = value as readonly [Point, Point];
  return (
    <>
      {([0, 1] as const).flatMap((which) =>
        (['cornerX', 'cornerY'] as const).map((name, axis) => (
          <ExpressionField
            key={`${which}/${name}`}
            label={t(`change.axis.${name}`, { label, number: which + 1 })}
            value={places[which][axis]!}
            onChange={(next) => onChange(places.with(which, places[which].with(axis, next)))}
          />
        )),
      )}
    </>
  );
}

/** A vertical or horizontal line through a place. */
function AxisField({ label, value, onChange }: FieldProps) {
  const { t } = useTranslation();
  const [first, second] = value as readonly [Point, Point];
  const direction = first[0] === second[0] ? 'vertical' : 'horizontal';
  const place = direction === 'vertical' ? first[0]! : first[1]!;
  const set = (to: 'vertical' | 'horizontal', at: number): void =>
    onChange(
      to === 'vertical'
        ? [
            [at, 0],
            [at, 1],
          ]
        : [
            [0, at],
            [1, at],
          ],
    );
  return (
    <>
      <Choice
        label={label}
        value={direction}
        choices={['vertical', 'horizontal'] as const}
        name={(to) => t(`change.axis.${to}`)}
        onChange={(to) => set(to, place)}
      />
      <ExpressionField label={t('change.axis.through')} value={place} onChange={(at) => set(direction, at)} />
    </>
  );
}
