import { useTold } from '../../text/told.js';
import { told } from '@bogen/core/lesson';
import { editPoints, interiorKnots, type Curve, type Point } from '@bogen/core/curve';
import {
  curveOf,
  operations,
  type CurveCounts,
  type FigureItem,
  type OfferedOperation,
  type OperationMember,
  type Operation,
  type Preview,
} from '@bogen/core/figure';
import { useEffect, useMemo, useState, useSyncExternalStore, type FormEvent } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { mayDraw } from '../../figure/scene/may.js';
import { freshId } from '../../figure/scene/freshId.js';
import { shownAtMost, shownNumber, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { useHeavyPreview } from './useHeavyPreview.js';
import { Unfolding } from '../unfold/Unfolding.js';
import { Variants } from './Variants.js';
import { OperationFields, otherCurves, type Arguments } from './OperationFields.js';
import { sizeOf } from '../../text/notation.js';

interface OperationFormProps {
  readonly scene: FigureScene;
  readonly item: FigureItem;
  readonly name: OfferedOperation;
  /** Back to the list of operations, where there is one. */
  readonly onBack?: () => void;
  readonly onClose: () => void;
}

/** One operation with its arguments, what it would come to, and how it is applied. */
export function OperationForm({ scene, item, name, onBack, onClose }: OperationFormProps) {
  const { t } = useTranslation();
  const document = useSyncExternalStore(scene.drawn.subscribe, () => scene.document);
  const curve = curveOf(scene.evaluation, item.id);
  const others = otherCurves(scene, item);
  const [values, setValues] = useState<Arguments>(() => ({
    ...(curve ? operations[name].first(curve, Number(scene.cursor.toFixed(3))) : {}),
    ...('second' in operations[name].sources ? { second: others[0]?.id ?? '' } : {}),
  }));
  const operation = useMemo(
    () => ({ name, source: item.id, ...values }) as Operation,
    [name, item.id, values],
  );
  const [refused, setRefused] = useState<unknown>(null);
  const { calculation, beside } = operations[name] as OperationMember;
  const lacksOther = 'second' in operations[name].sources && others.length === 0;
  const lacksKnot =
    name === 'removeKnot' && curve !== undefined && interiorKnots(curve.knots, curve.degree).length === 0;
  const refusal = lacksOther ? told('noOtherCurve') : lacksKnot ? told('noInteriorKnot') : null;
  const preview = useHeavyPreview(document, operation, refusal);

  useEffect(() => {
    scene.previews.show(
      'change',
      preview?.status === 'curve'
        ? {
            curve: preview.curve,
            goes: preview.goes ?? [],
            arrows: name === 'insertEditPoint' && curve ? editPointShifts(curve, preview.curve) : [],
            axis: 'axis' in operation ? operation.axis : undefined,
            places: preview.curve.points,
            pulls: [],
            parameter: operations[name].aim === 'parameter',
            polygon: document.shown.polygon,
            numbers: preview.deviation
              ? [{ at: preview.deviation.point, text: `${shownAtMost(preview.deviation.distance)} mm` }]
              : [],
          }
        : null,
    );
  }, [scene, preview, operation, document.shown.polygon]);
  useEffect(() => () => scene.previews.show('change', null), [scene]);

  const mayAdd = mayDraw(scene.host);
  const applyHelp = t(item.kind === 'curve' ? 'change.applyHelp' : 'change.applyFreezes');
  const apply = (): void => {
    if (preview?.status !== 'curve') return;
    const told = scene.attempt('do', { name: 'operate', item: item.id, operation, curve: preview.curve });
    setRefused(told);
    if (!told) onClose();
  };
  const link = (): void => {
    if (preview?.status !== 'curve') return;
    const id = freshId(document);
    const made: FigureItem = {
      id,
      name: `${item.name}: ${t(`operations.${name}`)}`.slice(0, 200),
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
  const curvesOfForm = () => {
    const second = curveOf(scene.evaluation, typeof values['second'] === 'string' ? values['second'] : null);
    return [curve!, ...(second ? [second] : [])].map((one) => ({ kind: 'curve', curve: one }) as const);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (beside) link();
    else apply();
  };
  const set = (key: string, value: unknown): void => setValues((before) => ({ ...before, [key]: value }));

  return (
    <form onSubmit={submit} className="flex flex-col gap-3" data-change-panel>
      <div>
        {onBack && (
          <Button quiet className="-ml-2.5" onClick={onBack}>
            ← {t('change.all')}
          </Button>
        )}
        <h3 className="mt-1 font-serif text-[16px] font-medium" data-operation={name}>
          {t(`operations.${name}`)}
        </h3>
        <p className="text-[13px] text-soft">{t(`change.meanings.${name}`)}</p>
      </div>
      <OperationFields name={name} values={values} onSet={set} scene={scene} item={item} />
      <Variants document={document} operation={operation} chosen={values} onChoose={set} />
      {preview ? (
        <PreviewNumbers preview={preview} of={name} />
      ) : (
        <p className="min-h-24 text-[13px] text-soft">{t('change.calculating')}</p>
      )}
      {preview?.status === 'curve' && preview.goes && (
        <p role="status" className="text-[13px]" data-goes>
          {t(name === 'symmetric' ? 'change.goes' : 'change.trimmed')}
        </p>
      )}
      {calculation && curve && preview?.status === 'curve' && (
        <Unfolding scene={scene} item={item.id} lines={() => calculation(curvesOfForm(), values as never)} />
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          primary
          type="submit"
          disabled={preview?.status !== 'curve'}
          title={beside ? t('change.besideHelp') : applyHelp}
        >
          {t(beside ? 'change.add' : 'change.apply')}
        </Button>
        {!beside && scene.host.letReaders && (
          <Button
            quiet
            onClick={() => scene.host.letReaders?.({ kind: 'operation', operation: name, item: item.id })}
          >
            {t('freedoms.letReaders')}
          </Button>
        )}
        {!beside && mayAdd && (
          <Button disabled={preview?.status !== 'curve'} title={t('change.linkHelp')} onClick={link}>
            {t('change.link')}
          </Button>
        )}
      </div>
      {/* That a link is cut is told to everybody, also where nothing can be added in its place. */}
      {(mayAdd || (item.kind === 'built' && !beside)) && (
        <p className="text-[12.5px] text-soft">
          {beside ? t('change.besideHelp') : mayAdd ? `${applyHelp} ${t('change.linkHelp')}` : applyHelp}
        </p>
      )}
      <ProblemText error={refused} className="text-[13px]" />
    </form>
  );
}

/** What would change, side by side, and how far the shape would move. */
function PreviewNumbers({ preview, of }: { preview: Preview; of: OfferedOperation }) {
  const { t } = useTranslation();
  const tell = useTold();
  if (preview.status === 'failed') {
    return (
      <p role="alert" className="text-[13.5px] text-bad" data-change-reason>
        {tell(preview.reason)}
      </p>
    );
  }
  const show = (counts: CurveCounts | undefined, key: keyof CurveCounts): string => {
    if (!counts) return '';
    if (key === 'closedness') return t(`facts.words.${counts.closedness}`);
    return key === 'continuity'
      ? `C${superscript(counts.continuity)}`
      : String(key === 'degree' ? sizeOf(counts.degree) : counts[key]);
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
        {(preview.deviation || operations[of].shape !== 'another') && (
          <tr className="border-t border-line">
            <th scope="row" className="py-0.5 text-left font-normal">
              {t('change.deviation')}
            </th>
            <td
              colSpan={2}
              className="font-mono text-[12.5px]"
              data-deviation={preview.deviation?.distance ?? 0}
            >
              {preview.deviation ? `${shownAtMost(preview.deviation.distance)} mm` : t('change.exact')}
            </td>
          </tr>
        )}
        {preview.measure && (
          <tr className="border-t border-line">
            <th scope="row" className="py-0.5 text-left font-normal">
              {t(`change.${preview.measure.kind}`)}
            </th>
            <td colSpan={2} className="font-mono text-[12.5px]">
              {shownNumber(preview.measure.value, 2)}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** Where each edit point goes when one more is there: to the new one that is nearest along the curve. */
function editPointShifts(before: Curve, after: Curve): readonly (readonly [Point, Point])[] {
  const now = editPoints(after);
  return editPoints(before).map(({ parameter, point }) => {
    const nearest = now.reduce((best, other) =>
      Math.abs(other.parameter - parameter) < Math.abs(best.parameter - parameter) ? other : best,
    );
    return [point, nearest.point] as const;
  });
}
