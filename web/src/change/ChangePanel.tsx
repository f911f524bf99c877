import {
  curveOf,
  interiorKnots,
  type CurveCounts,
  type FigureItem,
  type Preview,
  type SingleFigureCommand,
} from '@bogen/core';
import { useEffect, useMemo, useState, useSyncExternalStore, type FormEvent } from 'react';
import type { FigureScene } from '../figure/scene.js';
import { freshId } from '../figure/freshId.js';
import { shownNumber, superscript } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Check, Choice } from '../ui/Choice.js';
import { ExpressionField } from '../ui/ExpressionField.js';
import { WholeField } from '../ui/WholeField.js';
import { Panel } from '../ui/Panel.js';
import { useHeavyPreview } from './useHeavyPreview.js';
import { specNames, specs, type Field, type Spec, type SpecName, type Values } from './specs.js';

interface ChangePanelProps {
  readonly scene: FigureScene;
  readonly item: FigureItem;
  readonly onClose: () => void;
}

/**
 * Operations on one curve, each previewed in the figure with the numbers that it changes before it is
 * applied to the curve itself or added as a curve that follows it.
 */
export function ChangePanel({ scene, item, onClose }: ChangePanelProps) {
  const { t } = useTranslation();
  const document = useSyncExternalStore(scene.subscribe, () => scene.document);
  const curve = curveOf(scene.evaluation, item.id);
  const [name, setName] = useState<SpecName>('insertKnot');
  const spec: Spec = specs[name];
  const others = document.items.filter(({ id }) => id !== item.id && curveOf(scene.evaluation, id));
  const firstValues = (next: SpecName): Values => ({
    ...(curve ? specs[next].first(curve, Number(scene.cursor.toFixed(3))) : {}),
    ...(specs[next].fields.some(({ kind }) => kind === 'curve') ? { second: others[0]?.id ?? '' } : {}),
  });
  const [values, setValues] = useState<Values>(() => firstValues('insertKnot'));
  const operation = useMemo(() => spec.make(item.id, values), [spec, item.id, values]);
  const lacksOther = spec.fields.some(({ kind }) => kind === 'curve') && others.length === 0;
  const lacksKnot =
    name === 'removeKnot' && curve !== undefined && interiorKnots(curve.knots, curve.degree).length === 0;
  const refusal = lacksOther ? t('change.noOther') : lacksKnot ? t('change.noKnot') : null;
  const preview = useHeavyPreview(document, operation, refusal);

  useEffect(() => {
    scene.setOverlay(
      preview?.status === 'curve'
        ? {
            curve: preview.curve,
            goes: preview.goes ?? [],
            axis: 'axis' in operation ? operation.axis : undefined,
            places: preview.curve.points,
            pulls: [],
            polygon: document.shown.polygon,
          }
        : null,
    );
  }, [scene, preview, operation, document.shown.polygon]);
  useEffect(() => () => scene.setOverlay(null), [scene]);

  const apply = (): void => {
    if (preview?.status !== 'curve') return;
    const { curve: made } = preview;
    const loose = document.loose[item.id];
    const wasAllLoose = item.kind === 'curve' && loose?.controlPoints.length === item.curve.points.length;
    const base = { id: item.id, name: item.name };
    const indices = made.points.map((_, index) => index);
    const keep = (list: readonly number[] | undefined): number[] =>
      wasAllLoose ? indices : (list ?? []).filter((index) => index < made.points.length);
    // Loose points are named again for the points that there are then.
    const commands: SingleFigureCommand[] = [
      ...(loose
        ? (['controlPoints', 'editPoints'] as const).map((of): SingleFigureCommand => ({
            name: 'setLoose',
            item: item.id,
            of,
            indices: [],
          }))
        : []),
      { name: 'replaceItem', item: { ...base, kind: 'curve', curve: made } },
      ...(loose
        ? [
            {
              name: 'setLoose',
              item: item.id,
              of: 'controlPoints',
              indices: keep(loose.controlPoints),
            } as const,
          ]
        : []),
    ];
    scene.host.do({ name: 'batch', commands });
    onClose();
  };
  const link = (): void => {
    if (preview?.status !== 'curve') return;
    const id = freshId(document);
    const made: FigureItem = {
      id,
      name: `${item.name}: ${t(`change.operations.${name}`)}`.slice(0, 200),
      kind: 'built',
      operation,
    };
    scene.host.do({
      name: 'batch',
      commands: [
        { name: 'addItem', item: made, at: document.items.length },
        { name: 'setRail', rail: { ...document.rail, item: id } },
      ],
    });
    onClose();
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    apply();
  };
  const set = (key: string, value: number | string | boolean): void =>
    setValues((before) => ({ ...before, [key]: value }));

  return (
    <Panel open onClose={onClose} title={t('change.title', { curve: item.name })} lead={t('change.lead')}>
      <form onSubmit={submit} className="flex flex-col gap-3" data-change-panel>
        <Choice
          label={t('change.what')}
          value={name}
          choices={specNames}
          name={(value) => t(`change.operations.${value}`)}
          onChange={(next) => {
            setName(next);
            setValues(firstValues(next));
          }}
        />
        <div className="flex flex-wrap items-center gap-2">
          {spec.fields.map((field) => (
            <FieldOf
              key={`${name}/${field.key}`}
              field={field}
              value={values[field.key]}
              onSet={set}
              scene={scene}
              item={item}
            />
          ))}
        </div>
        {preview ? (
          <PreviewNumbers preview={preview} of={name} />
        ) : (
          <p className="min-h-24 text-[13px] text-soft">{t('change.calculating')}</p>
        )}
        {preview?.status === 'curve' && preview.goes && (
          <p role="status" className="text-[13px]" data-goes>
            {t('change.goes')}
          </p>
        )}
        <div className="flex flex-wrap gap-2">
          <Button
            primary
            type="submit"
            disabled={preview?.status !== 'curve'}
            title={item.kind === 'curve' ? t('change.applyHelp') : t('change.applyFreezes')}
          >
            {t('change.apply')}
          </Button>
          <Button disabled={preview?.status !== 'curve'} title={t('change.linkHelp')} onClick={link}>
            {t('change.link')}
          </Button>
        </div>
        <p className="text-[12.5px] text-soft">
          {item.kind === 'curve' ? t('change.applyHelp') : t('change.applyFreezes')} {t('change.linkHelp')}
        </p>
      </form>
    </Panel>
  );
}

interface FieldOfProps {
  readonly field: Field;
  readonly value: number | string | boolean | undefined;
  readonly onSet: (key: string, value: number | string | boolean) => void;
  readonly scene: FigureScene;
  readonly item: FigureItem;
}

function FieldOf({ field, value, onSet, scene, item }: FieldOfProps) {
  const { t } = useTranslation();
  const [taken, take] = useState(0);
  const label = t(`change.fields.${field.key as 'times'}`);
  const curve = curveOf(scene.evaluation, item.id);
  switch (field.kind) {
    case 'number':
      return (
        <ExpressionField
          label={label}
          value={Number(value)}
          {...(field.limits ? { limits: field.limits } : {})}
          onChange={(next) => onSet(field.key, next)}
        />
      );
    case 'whole':
      return (
        <WholeField
          label={label}
          value={Number(value)}
          least={field.least}
          most={field.most}
          onChange={(next) => onSet(field.key, next)}
        />
      );
    case 'parameter':
      return (
        <span className="flex items-center gap-1">
          <ExpressionField
            key={taken}
            label={label}
            value={Number(value)}
            onChange={(next) => onSet(field.key, next)}
          />
          <Button
            quiet
            onClick={() => {
              onSet(field.key, Number(scene.cursor.toFixed(3)));
              // What is typed wrong there gives way also where the value was the cursor's before.
              take(taken + 1);
            }}
          >
            {t('change.fromCursor')}
          </Button>
        </span>
      );
    case 'knot':
      return (
        <Choice
          label={label}
          value={String(value)}
          choices={curve ? interiorKnots(curve.knots, curve.degree).map((knot) => String(knot.value)) : []}
          name={(knot) => shownNumber(Number(knot), 3)}
          onChange={(next) => onSet(field.key, Number(next))}
        />
      );
    case 'choice':
      return (
        <Choice
          label={label}
          value={String(value)}
          choices={field.choices}
          name={(choice) => (field.plain ? choice : t(`change.choices.${choice as 'pull'}`))}
          onChange={(next) => onSet(field.key, next)}
        />
      );
    case 'check':
      return <Check label={label} value={value === true} onChange={(next) => onSet(field.key, next)} />;
    case 'curve':
      return (
        <Choice
          label={label}
          value={String(value)}
          choices={scene.document.items
            .filter(({ id }) => id !== item.id && curveOf(scene.evaluation, id))
            .map(({ id }) => id)}
          name={(id) => scene.document.items.find((other) => other.id === id)?.name ?? id}
          onChange={(next) => onSet(field.key, next)}
        />
      );
  }
}

/** What would change, side by side, and how far the shape would move. */
/** What makes another curve on purpose, of which no deviation is asked. */
const makesAnother: readonly SpecName[] = [
  'split',
  'part',
  'piece',
  'join',
  'match',
  'mirror',
  'symmetric',
  'copy',
];

function PreviewNumbers({ preview, of }: { preview: Preview; of: SpecName }) {
  const { t } = useTranslation();
  if (preview.status === 'failed') {
    return (
      <p role="alert" className="text-[13.5px] text-bad" data-change-reason>
        {preview.reason}
      </p>
    );
  }
  const show = (counts: CurveCounts | undefined, key: keyof CurveCounts): string => {
    if (!counts) return '';
    if (key === 'closedness') return t(`figure.closedness.${counts.closedness}`);
    return key === 'continuity' ? `C${superscript(counts.continuity)}` : String(counts[key]);
  };
  const keys = ['degree', 'spans', 'points', 'knots', 'continuity', 'closedness'] as const;
  return (
    <table className="w-full text-[13px]" data-change-numbers>
      <thead>
        <tr className="text-left text-soft">
          <td />
          <th scope="col" className="font-normal">
            {t('change.before')}
          </th>
          <th scope="col" className="font-normal">
            {t('change.after')}
          </th>
        </tr>
      </thead>
      <tbody>
        {keys.map((key) => (
          <tr key={key} className="border-t border-line">
            <th scope="row" className="py-0.5 text-left font-normal">
              {t(`change.row.${key}`)}
            </th>
            <td className="font-mono text-[12.5px]">{show(preview.before, key)}</td>
            <td className="font-mono text-[12.5px]">{show(preview.after, key)}</td>
          </tr>
        ))}
        {(preview.deviation || !makesAnother.includes(of)) && (
          <tr className="border-t border-line">
            <th scope="row" className="py-0.5 text-left font-normal">
              {t('change.deviation')}
            </th>
            <td
              colSpan={2}
              className="font-mono text-[12.5px]"
              data-deviation={preview.deviation?.distance ?? 0}
            >
              {preview.deviation ? `${shownNumber(preview.deviation.distance, 4)} mm` : t('change.exact')}
            </td>
          </tr>
        )}
        {preview.measure && (
          <tr className="border-t border-line">
            <th scope="row" className="py-0.5 text-left font-normal">
              {t(`change.${preview.measure.kind}`)}
            </th>
            <td colSpan={2} className="font-mono text-[12.5px]">
              {shownNumber(preview.measure.value, 4)}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
