import '../text/enRail.js';
import { distinctPointCount, grevilleAbscissae } from '@bogen/core/curve';
import { itemOf, weightScale, weightsOf } from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import clsx from 'clsx';
import { useLayoutEffect, useRef, useSyncExternalStore, type KeyboardEvent } from 'react';
import { numberUp, ratioUp } from '../figure/hold/scalar.js';
import { useHold, type Holdable } from '../figure/hold/useHold.js';
import { nameOf, pointName } from '../figure/scene/names.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { useTold } from '../text/told.js';
import { railAxis } from './axis.js';
import { Said, type Say } from './Said.js';
import type { TrackMarksProps } from './track.js';
import { counted } from '../text/notation.js';

/** How far a weight can be pulled, also beyond the track; the scale goes along. */
const positiveLimits = [0.001, 1000] as const;
const signedLimits = [-10, 10] as const;

/**
 * The weights on their track as something to take hold of: pulled up and down, nudged with the arrows, and put back to
 * one with Delete, where whoever is here may do so. Their bars are drawn on the canvas below.
 */
export function WeightMarks({ scene, width, height }: TrackMarksProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const group = useRef<HTMLDivElement>(null);
  const speaker = useRef<Say>(null);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const parameterWindow = scene.axis.window;
  const { document, host } = scene;
  const id = document.rail.item;
  const item = id === null ? undefined : itemOf(document, id);
  const limits = curve?.signedWeights ? signedLimits : positiveLimits;
  const weights = curve ? weightsOf(curve).slice(0, distinctPointCount(curve)) : [];
  const abscissae = curve ? grevilleAbscissae(curve.knots, curve.degree) : [];
  const mayPull = (index: number): boolean =>
    item?.kind === 'curve' &&
    !item.locked &&
    !item.faint &&
    host.may({ name: 'setWeight', item: item.id, index, weight: 1 });

  /** Says the weight in the hand, or why it can't be. */
  const say = (said: { index: number; weight: number; refused: Told | null } | null): void =>
    speaker.current?.(
      said && {
        text: said.refused ? tell(said.refused) : `w${counted(said.index)} = ${shownNumber(said.weight, 1)}`,
        bad: said.refused !== null,
        x: railAxis(curve!, width, parameterWindow)(abscissae[said.index]!),
      },
    );
  const set = (index: number, weight: number): void => {
    if (!item || weight === weights[index]) return;
    const refused = scene.attempt('do', { name: 'setWeight', item: item.id, index, weight });
    say(refused && { index, weight, refused });
  };
  const holdableOf = (element: Element): Holdable<number> | undefined => {
    const index = Number(element.getAttribute('data-weight') ?? NaN);
    const weight = weights[index];
    if (!curve || !item || weight === undefined) return undefined;
    const { y } = weightScale(curve, height);
    const ends = { limits, pixels: [y(limits[0]), y(limits[1])] } as const;
    return {
      space: curve.signedWeights ? numberUp({ ...ends, step: 0.05, attracts: [0, 1] }) : ratioUp(ends),
      value: () => weight,
      ...(mayPull(index) ? {} : { fixed: () => undefined }),
      take: () => {
        let isShown = false;
        const release = (): void => {
          if (isShown) host.preview(null);
          say(null);
        };
        return {
          preview: (to) => {
            isShown = true;
            const command = { name: 'setWeight', item: item.id, index, weight: to } as const;
            say({ index, weight: to, refused: scene.attempt('preview', command) });
          },
          commit: (to) => {
            release();
            set(index, to);
          },
          cancel: release,
        };
      },
    };
  };
  const { onPointerDown, onMouseDown, onKeyDown } = useHold(holdableOf);
  const onKey = (event: KeyboardEvent): void => {
    const index = Number((event.target as Element).getAttribute('data-weight') ?? NaN);
    if (event.key === 'Delete' && weights[index] !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      if (mayPull(index)) set(index, 1);
    } else onKeyDown(event);
  };

  useLayoutEffect(() => {
    if (!curve) return undefined;
    const elements = [...group.current!.querySelectorAll<HTMLElement>('[data-weight]')];
    const axis = railAxis(curve, width, parameterWindow);
    const [start, end] = axis.domain;
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (!now) return;
      const { y } = weightScale(now, height);
      const values = weightsOf(now);
      elements.forEach((element, index) => {
        const u = abscissae[index]!;
        const transform = `translate(${axis(u).toFixed(2)}px, ${y(values[index] ?? 1).toFixed(2)}px)`;
        if (element.style.transform !== transform) element.style.transform = transform;
        const visibility = u < start || u > end ? 'hidden' : '';
        if (element.style.visibility !== visibility) element.style.visibility = visibility;
      });
    });
  });

  if (!curve || id === null || !item) return null;
  return (
    <div ref={group} onPointerDown={onPointerDown} onMouseDown={onMouseDown} onKeyDown={onKey}>
      {weights.map((weight, index) => (
        <div
          key={index}
          role="slider"
          tabIndex={0}
          aria-orientation="vertical"
          aria-label={t('railHand.weightOf', {
            point: pointName(document, id, 'controlPoints', index),
            curve: nameOf(document, id),
          })}
          aria-valuemin={limits[0]}
          aria-valuemax={limits[1]}
          aria-valuenow={weight}
          aria-valuetext={shownNumber(weight, 1)}
          aria-readonly={!mayPull(index)}
          data-weight={index}
          className={clsx(
            'mark absolute top-0 left-0 z-10 -mt-[13px] -ml-[13px] size-[26px] rounded-full outline-none focus-visible:ring-3 focus-visible:ring-accent/40 focus-visible:ring-inset',
            mayPull(index) ? 'cursor-ns-resize touch-none hover:bg-accent/10' : 'cursor-default',
          )}
          onFocus={() => scene.pointed.pick({ item: id, of: 'controlPoints', index })}
          onBlur={() => scene.pointed.pick(null)}
        />
      ))}
      <Said ref={speaker} width={width} />
    </div>
  );
}
