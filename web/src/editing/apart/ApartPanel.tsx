import { CurveError, interiorKnots, type Curve } from '@bogen/core/curve';
import {
  chainThrough,
  curveOf,
  itemOf,
  piecesOf,
  putTogether,
  replaceChain,
  sourcesOf,
  takeApart,
  type FigureItem,
  type PutTogether,
} from '@bogen/core/figure';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { driftDistance, driftPreview, progressAt, risingKnots } from '../../figure/apart/drift.js';
import { freshId } from '../../figure/scene/freshId.js';
import { nameOf } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { Panel } from '../../ui/Panel.js';
import { ProblemText } from '../../ui/ProblemText.js';

interface ApartPanelProps {
  readonly scene: FigureScene;
  readonly item: FigureItem;
  readonly onClose: () => void;
}

type Where = 'knots' | 'chosen' | 'cursor';

/** Takes a curve apart into pieces, and puts curves that meet together again; both are seen before they are done. */
export function ApartPanel({ scene, item, onClose }: ApartPanelProps) {
  const { t } = useTranslation();
  return (
    <Panel open onClose={onClose} title={t('apart.title', { curve: item.name })} lead={t('apart.lead')}>
      <div className="flex flex-col gap-5" data-apart-panel>
        <TakeApart scene={scene} item={item} onClose={onClose} />
        <PutTogetherPart scene={scene} item={item} onClose={onClose} />
      </div>
    </Panel>
  );
}

/** The document and the curve as they are at rest, without the panel's own preview. */
function useResting(scene: FigureScene) {
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  return { curve, document };
}

function TakeApart({ scene, item, onClose }: ApartPanelProps) {
  const { t } = useTranslation();
  const { curve, document } = useResting(scene);
  const [where, setWhere] = useState<Where>('knots');
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [share, setShare] = useState(0);
  const cursor = useSyncExternalStore(scene.axis.subscribe, () => scene.cursor);
  const [refused, setRefused] = useState<unknown>(null);
  const knots = curve ? interiorKnots(curve.knots, curve.degree).map(({ value }) => value) : [];
  const cuts = where === 'knots' ? knots : where === 'chosen' ? chosen : [cursor];
  const key = cuts.join();
  const pieces = useMemo(() => (curve ? piecesOf(curve, cuts) : []), [curve, key]);
  const missing = useMemo(() => (curve && !curve.periodic ? risingKnots(curve, cuts) : []), [curve, key]);
  const progress = progressAt(share, missing.length);

  useEffect(() => {
    if (!curve || share === 0 || pieces.length < 2) {
      scene.previews.show('apart', null);
      scene.host.preview(null);
      return;
    }
    // The curve itself gives way to what it comes to.
    scene.attempt('preview', { name: 'patchItem', item: item.id, set: { hidden: true }, clear: [] });
    scene.previews.show('apart', driftPreview(curve, missing, pieces, progress, driftDistance(document)));
  }, [scene, curve, share, pieces]);
  useEffect(
    () => () => {
      scene.previews.show('apart', null);
      scene.host.preview(null);
    },
    [scene],
  );

  if (item.kind !== 'curve' || !curve) return <p className="text-[13px] text-soft">{t('apart.notGiven')}</p>;
  const points = (curves: readonly Curve[]): number =>
    curves.reduce((sum, one) => sum + one.points.length, 0);
  const take = (): void => {
    const taken = new Set<string>();
    const ids = pieces.map(() => {
      const id = freshId(document, taken);
      taken.add(id);
      return id;
    });
    scene.host.preview(null);
    const told = scene.attempt('do', takeApart(document, item, pieces, ids));
    setRefused(told);
    if (!told) onClose();
  };
  const words =
    share === 0
      ? t('apart.together')
      : progress.apart > 0
        ? t('apart.drifting')
        : t('apart.knotsRisen', { done: progress.inserted, all: missing.length });
  return (
    <section className="flex flex-col gap-3">
      <Choice
        label={t('apart.where')}
        value={where}
        choices={['knots', 'chosen', 'cursor'] as const}
        name={(value) => t(`apart.at.${value}`)}
        onChange={setWhere}
      />
      {where === 'chosen' && (
        <div className="flex max-h-40 flex-wrap gap-x-4 gap-y-1 overflow-y-auto">
          {knots.map((knot) => (
            <Check
              key={knot}
              label={t('apart.knot', { value: shownNumber(knot, 1) })}
              value={chosen.includes(knot)}
              onChange={(on) => setChosen(on ? [...chosen, knot] : chosen.filter((other) => other !== knot))}
            />
          ))}
        </div>
      )}
      <label className="flex items-center gap-2 text-[13px]">
        <span className="text-soft">{t('apart.slider')}</span>
        <input
          type="range"
          min={0}
          max={100}
          value={Math.round(100 * share)}
          disabled={pieces.length < 2}
          aria-valuetext={words}
          onChange={(event) => setShare(Number(event.target.value) / 100)}
          className="min-w-0 flex-1 accent-accent"
          data-apart-slider
        />
      </label>
      <p className="text-[12px] text-soft" role="status">
        {words}
      </p>
      <p className="text-[13px]" data-apart-counts>
        {t('apart.pieces', { count: pieces.length, before: curve.points.length, after: points(pieces) })}
      </p>
      {document.items.some((other) => sourcesOf(other).includes(item.id)) && (
        <p className="text-[13px] text-soft">{t('apart.hiddenSource')}</p>
      )}
      <Button primary className="self-start" disabled={pieces.length < 2} onClick={take}>
        {t('apart.take')}
      </Button>
      <ProblemText error={refused} className="text-[13px]" />
    </section>
  );
}

function PutTogetherPart({ scene, item, onClose }: ApartPanelProps) {
  const { t } = useTranslation();
  const { curve, document } = useResting(scene);
  const [refused, setRefused] = useState<unknown>(null);
  const { chain, made } = useMemo(() => {
    const found = chainThrough(document, scene.evaluation, item.id);
    return { chain: found, made: togetherOf(scene, found) };
  }, [scene, document, curve, item.id]);
  const shows = made && !(made instanceof CurveError);
  const show = (on: boolean): void =>
    scene.previews.show(
      'apart',
      on && shows ? { curve: made.curve, places: made.curve.points, pulls: [], polygon: true } : null,
    );
  useEffect(() => () => scene.previews.show('apart', null), [scene]);
  if (itemOf(document, item.id)?.kind !== 'curve') return null;
  const put = (): void => {
    if (!shows) return;
    show(false);
    const told = scene.attempt('do', replaceChain(document, chain, made.curve));
    setRefused(told);
    if (!told) onClose();
  };
  return (
    <section className="flex flex-col gap-3 border-t border-line pt-4">
      <h3 className="font-serif text-[16px] font-medium">{t('apart.togetherTitle')}</h3>
      {chain.items.length < 2 ? (
        <p className="text-[13px] text-soft">{t('apart.nothingMeets')}</p>
      ) : (
        <>
          <p className="text-[13px]">
            {t('apart.togetherLead', { curves: chain.items.map((id) => nameOf(document, id)).join(', ') })}
          </p>
          {shows && (
            <p className="text-[13px]" data-together-counts>
              {t('apart.counts', {
                before: made.before.points,
                after: made.after.points,
                knotsBefore: made.before.knots,
                knotsAfter: made.after.knots,
              })}
            </p>
          )}
          <Button
            className="self-start"
            disabled={!shows}
            onPointerEnter={() => show(true)}
            onPointerLeave={() => show(false)}
            onFocus={() => show(true)}
            onBlur={() => show(false)}
            onClick={put}
          >
            {t('apart.put')}
          </Button>
          <ProblemText error={made instanceof CurveError ? made : refused} className="text-[13px]" />
        </>
      )}
    </section>
  );
}

/** What a chain came to as one, or why it can't be one. */
function togetherOf(
  scene: FigureScene,
  chain: ReturnType<typeof chainThrough>,
): PutTogether | CurveError | undefined {
  if (chain.items.length < 2 || !chain.items.every((id) => curveOf(scene.evaluation, id))) return undefined;
  try {
    return putTogether(scene.evaluation, chain);
  } catch (error) {
    if (error instanceof CurveError) return error;
    throw error;
  }
}
