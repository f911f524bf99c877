import { useTold } from '../../text/told.js';
import type { LargestDistance } from '@bogen/core/curve';
import {
  countsOf,
  curveOf,
  isCurveItem,
  isShown,
  itemOf,
  looksOf,
  type CurveCounts,
  type FigureItem,
} from '@bogen/core/figure';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { keptCopy } from '../../figure/scene/keptCopy.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownAtMost, shownNumber, shownScientific, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Check, Choice } from '../../ui/Choice.js';
import { Panel } from '../../ui/Panel.js';
import { DegreeOrSpan } from './DegreeOrSpan.js';
import { SliderField } from '../../ui/SliderField.js';
import { heavy, type Outcome } from '../../worker/heavy.js';
import { sizeOf } from '../../text/notation.js';

/** Compares the rail's curve with another one: by number, by colour, as a track, and side by side. */
export function ComparePanel({
  scene,
  item,
  onClose,
}: {
  scene: FigureScene;
  item: FigureItem;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  const document = useSyncExternalStore(scene.drawn.subscribe, () => scene.document);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const { host } = scene;
  const looks = looksOf(document);
  const others = document.items.filter((other) => other.id !== item.id && isCurveItem(other));
  const other = others.find(({ id }) => id === looks.compareWith);
  const otherCurve = other && curveOf(scene.evaluation, other.id);
  const pair = looks.sideBySide;
  const beside = pair !== null && pair.includes(item.id) && other !== undefined && pair.includes(other.id);

  const keep = (): void => {
    const number = document.items.filter(({ name }) => name.startsWith(`${item.name} `)).length + 1;
    const added = keptCopy(
      scene,
      item,
      `${t('items.faintName', { name: item.name })} ${number}`.slice(0, 200),
    );
    if (added?.name !== 'addItem') return;
    host.do({
      name: 'batch',
      commands: [added, { name: 'setLooks', looks: { compareWith: added.item.id } }],
    });
  };
  const compareWith = (id: string): void =>
    host.do({
      name: 'setLooks',
      looks: { compareWith: id === '' ? null : id, ...(pair ? { sideBySide: null } : {}) },
    });
  const toggleTrack = (on: boolean): void => {
    const tracks = document.rail.tracks.filter((name) => name !== 'deviation');
    host.do({ name: 'setRail', rail: { ...document.rail, tracks: on ? [...tracks, 'deviation'] : tracks } });
  };
  return (
    <Panel open onClose={onClose} title={t('compare.title', { item: item.name })} lead={t('compare.lead')}>
      <div className="flex flex-wrap items-center gap-2" data-compare-panel>
        <Button primary={others.length === 0} onClick={keep}>
          {t('compare.keep')}
        </Button>
        {others.length > 0 && (
          <Choice
            label={t('compare.with')}
            value={other?.id ?? ''}
            choices={['', ...others.map(({ id }) => id)]}
            name={(id) => (id === '' ? t('compare.nothing') : (itemOf(document, id)?.name ?? id))}
            onChange={compareWith}
          />
        )}
      </div>
      {others.length === 0 && <p className="text-[13px] text-soft">{t('compare.none')}</p>}
      {other && curve && otherCurve && (
        <>
          <Distance key={other.id} first={curve} second={otherCurve} />
          <Counts
            first={countsOf(curve, item)}
            second={countsOf(otherCurve, other)}
            names={[item.name, other.name]}
          />
          <Check
            label={t('compare.color')}
            value={isShown(document, 'deviation')}
            onChange={(deviation) => host.do({ name: 'setShown', shown: { deviation } })}
          />
          <Check
            label={t('compare.track')}
            value={document.rail.tracks.includes('deviation')}
            onChange={toggleTrack}
          />
          <Check
            label={t('compare.correspondence')}
            value={looks.correspondence}
            onChange={(correspondence) => host.do({ name: 'setLooks', looks: { correspondence } })}
          />
          <SliderField
            label={t('compare.enlarged')}
            value={looks.enlarged}
            least={1}
            most={1e15}
            logarithmic
            shown={(value) => (value <= 1 ? t('compare.notEnlarged') : `× ${shownFactor(value)}`)}
            onPreview={(value) => host.preview({ name: 'setLooks', looks: { enlarged: rounded(value) } })}
            onChange={(value) => {
              host.preview(null);
              host.do({ name: 'setLooks', looks: { enlarged: rounded(value) } });
            }}
          />
          <Check
            label={t('compare.sideBySide')}
            value={beside}
            onChange={(on) =>
              host.do({ name: 'setLooks', looks: { sideBySide: on ? [item.id, other.id] : null } })
            }
          />
          <p className="text-[12.5px] text-soft">{t('compare.sideBySideHelp')}</p>
        </>
      )}
      {item.kind === 'curve' && !pair && <DegreeOrSpan scene={scene} item={item} />}
      {beside === false && pair && (
        <Button onClick={() => host.do({ name: 'setLooks', looks: { sideBySide: null } })}>
          {t('compare.onRow')}
        </Button>
      )}
    </Panel>
  );
}

/** A factor in two digits, as it is chosen by hand: in one the arrow keys would never leave 1. */
const rounded = (value: number): number => Math.max(1, Number(value.toPrecision(2)));
const shownFactor = (value: number): string =>
  rounded(value) < 1e4 ? String(rounded(value)) : shownScientific(rounded(value));

/** The largest distance of two curves and where it is, calculated beside the page. */
function Distance({ first, second }: { first: LargestArgument; second: LargestArgument }) {
  const { t } = useTranslation();
  const tell = useTold();
  const [result, setResult] = useState<Outcome<LargestDistance> | null>(null);
  useEffect(() => {
    let stale = false;
    void heavy.largestDistance(first, second).then((outcome) => !stale && setResult(outcome));
    return () => {
      stale = true;
    };
  }, [first, second]);
  if (!result) return <p className="text-[13px] text-soft">{t('compare.calculating')}</p>;
  if ('reason' in result) {
    return <p className="text-[13px] text-bad">{t('compare.failed', { reason: tell(result.reason) })}</p>;
  }
  const { distance, atLeast, parameters, onFirst } = result.value;
  // Two intricate curves may be known less closely than is shown.
  const isClose = distance <= atLeast * 1.001 || distance < 1e-6;
  return (
    <p className="text-[13px]" data-largest-distance={distance}>
      {atLeast < 1e-9 && isClose ? (
        t('compare.same')
      ) : (
        <>
          {t('compare.distance')} {!isClose && t('compare.upTo', { least: shownNumber(atLeast, 1) })}{' '}
          <strong className="font-mono">{shownAtMost(distance)} mm</strong>{' '}
          {t('compare.where', {
            u: shownNumber(parameters[0], 1),
            x: shownNumber(onFirst[0]!),
            y: shownNumber(onFirst[1]!),
          })}
        </>
      )}
    </p>
  );
}

type LargestArgument = Parameters<typeof heavy.largestDistance>[0];

function Counts({
  first,
  second,
  names,
}: {
  first: CurveCounts;
  second: CurveCounts;
  names: readonly [string, string];
}) {
  const { t } = useTranslation();
  const shown = (counts: CurveCounts, key: keyof CurveCounts): string =>
    key === 'closedness'
      ? t(`facts.words.${counts.closedness}`)
      : key === 'continuity'
        ? `C${superscript(counts.continuity)}`
        : String(key === 'degree' ? sizeOf(counts.degree) : counts[key]);
  const keys = ['degree', 'spans', 'points', 'knots', 'continuity', 'closedness'] as const;
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="text-left text-soft">
          <td />
          {names.map((name, index) => (
            <th key={index} scope="col" className="max-w-28 truncate px-1 font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {keys.map((key) => (
          <tr key={key}>
            <th scope="row" className="text-left font-normal text-soft">
              {t(`compare.row.${key}`)}
            </th>
            <td className="px-1 font-mono text-[12.5px]">{shown(first, key)}</td>
            <td className="px-1 font-mono text-[12.5px]">{shown(second, key)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
