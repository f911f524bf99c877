import { canLockKnot, itemOf, lockJoint, lockKnot, type EndOfCurve } from '@bogen/core/figure';
import type { JointContinuity } from '@bogen/core/curve';
import clsx from 'clsx';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { nameOf } from '../../figure/scene/names.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber, shownScientific } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { useTold } from '../../text/told.js';
import { Choice } from '../../ui/Choice.js';
import { ProblemText } from '../../ui/ProblemText.js';
import {
  heldContinuities,
  jointChanges,
  shortContinuity,
  signOf,
  type JointChange,
  type Place,
} from './jointChange.js';
import type { MarkedPlace } from './jointPlaces.js';

/**
 * What is measured at a joint or a knot, and to what it can be brought: pointing at a continuity shows which control
 * points would move and how far, pressing it does it. A joint can be locked at what holds there now.
 */
export function JointRow({ scene, place }: { scene: FigureScene; place: MarkedPlace }) {
  const { t } = useTranslation();
  const tell = useTold();
  const [swapped, setSwapped] = useState(false);
  const [refused, setRefused] = useState<unknown>(null);
  // What would be shown is about the figure at rest, and not about its own preview.
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const isGiven = (id: string): boolean => itemOf(document, id)?.kind === 'curve';
  // Only a curve with points of its own can be the one that moves.
  const movable =
    place.kind === 'joint'
      ? [place.joint.second.item, place.joint.first.item].filter(isGiven)
      : [place.item].filter(isGiven);
  const changeable = movable.length > 0;
  const isSwapped =
    place.kind === 'joint' && (movable.length === 2 ? swapped : movable[0] === place.joint.first.item);
  const of = placeOf(place, isSwapped);
  const changes = useMemo(
    () => (changeable ? jointChanges(document, of) : []),
    [document, changeable, isSwapped],
  );

  const show = (change: JointChange | null): void => {
    const isPossible = change && !('refused' in change);
    const told = scene.attempt('preview', isPossible ? change.command : null);
    setRefused(told);
    scene.previews.show(
      'joint',
      isPossible && !told ? { places: [], pulls: [], polygon: false, arrows: change.moves } : null,
    );
  };
  const leave = (): void => {
    scene.host.preview(null);
    scene.previews.show('joint', null);
  };
  useEffect(() => leave, [scene]);
  const apply = (change: JointChange): void => {
    if ('refused' in change) return;
    leave();
    setRefused(scene.attempt('do', change.command));
  };
  const lock = (continuity: string): void => {
    const to = continuity === '' ? null : (continuity as JointContinuity);
    if (place.kind === 'joint') {
      const { first, second } = place.joint;
      setRefused(scene.attempt('do', lockJoint(document, first, second, to)));
      return;
    }
    const item = itemOf(document, place.item);
    if (item?.kind === 'curve') setRefused(scene.attempt('do', lockKnot(item, place.knot.knot, to)));
  };

  const { measured } = place;
  const locked = place.kind === 'joint' ? place.joint.locked : place.locked;
  const isLockable = ({ item, knot }: MarkedPlace & { kind: 'knot' }): boolean => {
    const own = itemOf(document, item);
    return own?.kind === 'curve' && canLockKnot(own.curve, knot.knot);
  };
  return (
    <div className="flex w-[248px] flex-col gap-2 text-[13px]" data-joint-row>
      <p>
        <span className="font-mono font-medium" data-measured>
          {shortContinuity(measured)}
        </span>{' '}
        <span className="text-soft">{t('joints.measured')}</span>
        {place.kind === 'knot' && (
          <span className="text-soft">
            , C{place.knot.guaranteed} {t('joints.guaranteed')}
          </span>
        )}
      </p>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-[12px] text-soft">
        <dt>{t('joints.angle')}</dt>
        <dd className="font-mono">{shownScientific((measured.direction * 180) / Math.PI)}°</dd>
        <dt>{t('joints.speeds')}</dt>
        <dd className="font-mono">{shownScientific(100 * measured.magnitude)} %</dd>
        <dt>{t('joints.curvatures')}</dt>
        <dd className="font-mono">{shownScientific(measured.curvature)} /mm</dd>
      </dl>
      {changeable ? (
        <>
          {place.kind === 'joint' && of.kind === 'joint' && (
            <Choice
              label={t('joints.moved')}
              value={of.moves.item}
              choices={movable}
              name={(id) => nameOf(document, id)}
              onChange={(id) => setSwapped(id === place.joint.first.item)}
            />
          )}
          <div role="group" aria-label={t('joints.bring')} onPointerLeave={() => show(null)}>
            <p className="mb-1 text-soft">{t('joints.bring')}</p>
            <div className="grid grid-cols-3 gap-1">
              {changes.map((change) => {
                const impossible = 'refused' in change;
                const cost = impossible
                  ? tell(change.refused)
                  : change.largestMove > 0
                    ? t('joints.moves', { distance: shownNumber(change.largestMove) })
                    : t('joints.keeps');
                return (
                  <button
                    key={change.continuity}
                    type="button"
                    aria-disabled={impossible}
                    title={cost}
                    data-bring={change.continuity}
                    className={clsx(
                      'rounded-md border border-line px-1.5 py-1 text-left focus-visible:ring-3 focus-visible:ring-accent/40',
                      impossible ? 'opacity-45' : 'hover:border-strong hover:bg-tint',
                    )}
                    onPointerEnter={() => show(change)}
                    onFocus={() => show(change)}
                    onBlur={() => show(null)}
                    onClick={() => apply(change)}
                  >
                    <span className="block font-mono font-medium">{signOf(change.continuity)}</span>
                    <span className="block truncate text-[11px] text-soft">{cost}</span>
                  </button>
                );
              })}
            </div>
          </div>
          {(place.kind === 'joint' || isLockable(place)) && (
            <span title={t('joints.lockHelp')} data-lock>
              <Choice
                label={t('joints.lock')}
                value={locked ?? ''}
                choices={['', ...new Set([...heldContinuities(measured), ...(locked ? [locked] : [])])]}
                name={(continuity) =>
                  continuity ? signOf(continuity as JointContinuity) : t('joints.unlocked')
                }
                onChange={lock}
              />
            </span>
          )}
        </>
      ) : (
        <p className="text-soft">{t('joints.onlyGiven')}</p>
      )}
      <ProblemText error={refused} />
    </div>
  );
}

/** The end that moves, and the one that stays: the second of a joint follows the first unless it is turned round. */
function placeOf(place: MarkedPlace, swapped: boolean): Place {
  if (place.kind === 'knot') return { kind: 'knot', item: place.item, knot: place.knot.knot };
  const ends: readonly [EndOfCurve, EndOfCurve] = [place.joint.second, place.joint.first];
  const [moves, stays] = swapped ? [ends[1], ends[0]] : ends;
  return { kind: 'joint', moves, stays };
}
