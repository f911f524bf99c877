import { isClamped, type Curve, type KnotConvention } from '@bogen/core/curve';
import { curveOf, type FigureCommand, type FigureItem } from '@bogen/core/figure';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useExact } from '../../text/useExact.js';
import { useTranslation } from '../../text/text.js';
import { useTold } from '../../text/told.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ExactCheck } from '../../ui/ExactCheck.js';
import { Panel } from '../../ui/Panel.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { SliderField } from '../../ui/SliderField.js';
import { WholeField } from '../../ui/WholeField.js';
import { ListField } from './ListField.js';
import { listNames, listsOf, readLists, type ListFault, type Lists } from './readLists.js';

interface ListsPanelProps {
  readonly scene: FigureScene;
  readonly item: FigureItem;
  readonly onClose: () => void;
}

/** What is being typed. */
interface Typed {
  readonly degree: number;
  readonly lists: Lists;
  /** Whether weights of zero and below are allowed. */
  readonly signedWeights: boolean;
}

/** The curve that something typed came to; while more is typed it is that of before. */
interface Reading {
  readonly typed: Typed;
  readonly curve: Curve;
}

const rows = { points: 5, weights: 2, knots: 3 } as const;

/** How long typing rests before the lists are read. */
const restMs = 150;

/**
 * A curve as three lists, in step with the figure: what is dragged changes the lists, what is typed or pasted is shown
 * in the figure as it is read, and set when it is asked for.
 */
export function ListsPanel({ scene, item, onClose }: ListsPanelProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const own = useSyncExternalStore(scene.drawn.subscribe, () => curveOf(scene.evaluation, item.id));
  const [convention, setConvention] = useState<KnotConvention>('full');
  const [typed, setTyped] = useState<Typed | null>(null);
  const [reading, setReading] = useState<Reading | null>(null);
  const [faults, setFaults] = useState<readonly ListFault[]>([]);
  const [problem, setProblem] = useState<unknown>(null);
  const [sliders, setSliders] = useState(false);
  const exact = useExact((state) => state.exact);
  const isGiven = item.kind === 'curve' && !own?.periodic;

  const turns = useRef(0);
  useEffect(() => {
    const turn = ++turns.current;
    if (!typed) return undefined;
    const timer = setTimeout(() => {
      readLists(typed.degree, typed.lists, typed.signedWeights).then(
        (result) => {
          if (turn !== turns.current) return;
          const curve = 'curve' in result ? result.curve : null;
          setFaults('curve' in result ? [] : result.faults);
          setReading(curve && { typed, curve });
          setProblem(null);
          show(curve);
        },
        (error: unknown) => turn === turns.current && setProblem(error),
      );
    }, restMs);
    return () => clearTimeout(timer);
  }, [typed]);

  const show = (curve: Curve | null): void => {
    const told = scene.attempt(
      'preview',
      curve && isGiven ? { name: 'setCurve', item: item.id, curve } : null,
    );
    setProblem(told);
    scene.previews.show(
      'change',
      curve && !isGiven ? { curve, places: curve.points, pulls: [], polygon: true } : null,
    );
  };
  useEffect(
    () => () => {
      scene.host.preview(null);
      scene.previews.show('change', null);
    },
    [scene],
  );

  if (!own) return null;
  const shown = typed ?? {
    degree: own.degree,
    lists: listsOf(own, convention, exact),
    signedWeights: own.signedWeights === true,
  };
  const change = (next: Partial<Typed>): void => setTyped({ ...shown, ...next });
  const forget = (): void => {
    turns.current++;
    setTyped(null);
    setReading(null);
    setFaults([]);
    show(null);
  };
  const perform = (command: FigureCommand): void => {
    scene.host.preview(null);
    scene.previews.show('change', null);
    const told = scene.attempt('do', command);
    setProblem(told);
    if (!told) forget();
  };
  const add = (curve: Curve): void => {
    const id = freshId(document);
    const name = t('lists.newName', { curve: item.name }).slice(-200);
    perform({
      name: 'batch',
      commands: [
        { name: 'addItem', item: { id, name, kind: 'curve', curve }, at: document.items.length },
        { name: 'setRail', rail: { ...document.rail, item: id } },
      ],
    });
  };
  // Nothing is set or added before all that was typed is read.
  const read = reading?.typed === typed ? reading?.curve : undefined;
  const now = reading?.curve ?? own;
  const count = now.points.length;
  return (
    <Panel open onClose={onClose} title={t('lists.title', { curve: item.name })} lead={t('lists.lead')}>
      <div className="flex flex-col gap-3" data-lists>
        <WholeField
          label={t('writer.degree')}
          is="degree"
          value={shown.degree}
          least={1}
          most={9}
          onChange={(degree) => change({ degree })}
        />
        {listNames.map((list) => {
          const fault = faults.find((one) => one.list === list);
          return (
            <div key={list} data-list={list}>
              <ListField
                label={t(`lists.${list}`)}
                text={shown.lists[list]}
                rows={rows[list]}
                fault={fault}
                onText={(text) => change({ lists: { ...shown.lists, [list]: text } })}
              />
              {fault && (
                <p role="alert" className="mt-1 text-[12.5px] text-bad" data-fault={list}>
                  {tell(fault.told)}
                </p>
              )}
            </div>
          );
        })}
        <Check
          label={t('table.signedWeights')}
          value={shown.signedWeights}
          onChange={(signedWeights) => change({ signedWeights })}
        />
        {faults.length === 0 && (
          <p className="text-[12.5px] text-soft" data-knot-counts>
            {t('lists.countsRight', {
              points: count,
              degree: now.degree,
              full: count + now.degree + 1,
              short: count + now.degree - 1,
            })}
          </p>
        )}
        {!typed && (
          <>
            <ExactCheck />
            <Choice
              label={t('lists.convention')}
              value={convention}
              choices={['full', 'short'] as const}
              name={(value) => t(`lists.conventions.${value}`)}
              onChange={setConvention}
            />
          </>
        )}
        {own.periodic && <p className="text-[12.5px] text-soft">{t('lists.ofPeriodic')}</p>}
        {item.kind !== 'curve' && <p className="text-[12.5px] text-soft">{t('lists.notGiven')}</p>}
        <p
          role="status"
          className="text-[12.5px] text-soft"
          data-lists-state={typed ? (read ? 'ready' : 'reading') : 'same'}
        >
          {typed
            ? read
              ? t('lists.ready')
              : faults.length === 0
                ? t('lists.waiting')
                : ''
            : t('lists.same')}
        </p>
        <div className="flex flex-wrap gap-2">
          {isGiven && (
            <Button
              primary
              disabled={!read}
              onClick={() => read && perform({ name: 'setCurve', item: item.id, curve: read })}
            >
              {t('lists.set')}
            </Button>
          )}
          <Button disabled={!read} onClick={() => read && add(read)}>
            {t('lists.add')}
          </Button>
          {typed && (
            <Button quiet onClick={forget}>
              {t('lists.forget')}
            </Button>
          )}
        </div>
        <ProblemText error={problem} className="text-[13px]" />
        {isGiven && !typed && (
          <>
            <Check label={t('lists.sliders')} value={sliders} onChange={setSliders} />
            {sliders && <KnotSliders scene={scene} item={item.id} />}
          </>
        )}
      </div>
    </Panel>
  );
}

/** A slider for each value of the knot vector but the first and the last, between its neighbours. */
function KnotSliders({ scene, item }: { scene: FigureScene; item: string }) {
  const { t } = useTranslation();
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  if (!curve) return null;
  const { knots, degree } = curve;
  const step = (knots.at(-1)! - knots[0]!) / Math.max(1, knots.length - 2 * degree - 1);
  const withKnot = (index: number, value: number): FigureCommand => {
    const next = knots.with(index, value);
    // The outermost values act on nothing; they only must not lie inside.
    next[0] = Math.min(next[0]!, next[1]!);
    next[next.length - 1] = Math.max(next.at(-1)!, next.at(-2)!);
    return { name: 'setCurve', item, curve: { ...curve, knots: next } };
  };
  return (
    <div className="flex flex-col gap-1" data-knot-sliders={isClamped(knots, degree)}>
      {knots.slice(1, -1).map((value, k) => {
        const index = k + 1;
        const least = index === 1 ? value - step : knots[index - 1]!;
        const most = index === knots.length - 2 ? value + step : knots[index + 1]!;
        if (!(most > least)) {
          return (
            <p key={index} className="flex justify-between text-[13px] text-soft">
              <span>{t('lists.knot', { index })}</span>
              <span className="font-mono text-[12px]">{shownNumber(value, 2)}</span>
            </p>
          );
        }
        return (
          <SliderField
            key={index}
            label={t('lists.knot', { index })}
            value={value}
            least={least}
            most={most}
            shown={(number) => shownNumber(number, 2)}
            onPreview={(next) => scene.attempt('preview', withKnot(index, next))}
            onChange={(next) => {
              scene.host.preview(null);
              scene.attempt('do', withKnot(index, next));
            }}
          />
        );
      })}
    </div>
  );
}
