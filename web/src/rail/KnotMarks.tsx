import '../text/enRail.js';
import { domainOf, type Curve } from '@bogen/core/curve';
import { itemOf } from '@bogen/core/figure';
import clsx from 'clsx';
import { useLayoutEffect, useRef, useSyncExternalStore, type KeyboardEvent, type PointerEvent } from 'react';
import { pixelIn } from '../figure/geometry/projection.js';
import { alongRail } from '../figure/hold/parameter.js';
import { useHold, type Holdable, type Holding } from '../figure/hold/useHold.js';
import type { ValueSpace } from '../figure/hold/valueSpace.js';
import { nameOf } from '../figure/scene/names.js';
import { shownAtMost, shownNumber, superscript } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { useTold } from '../text/told.js';
import { gutter, railAxis } from './axis.js';
import { markPlacer } from './markPlacer.js';
import { isSameChange, outcomeOf, type KnotChange } from './knotChange.js';
import { knotMarksOf, knotUnit, mayChangeKnots } from './knotMarks.js';
import { RailReach } from './RailReach.js';
import { Said, type Say, type Spoken } from './Said.js';
import type { TrackMarksProps } from './track.js';

/** A parameter in the hand, whether it was pulled off the rail, and whether it is one of several at its place. */
interface Pulled {
  readonly u: number;
  readonly off: boolean;
  readonly alone?: boolean;
}

/** Pixels from the track's lower edge to the line of the spans. */
const lineFromBottom = 26;

/** The parameter at which a change is told. */
function placeOf(change: KnotChange, curve: Curve): number {
  switch (change.kind) {
    case 'insert':
      return change.at;
    case 'move':
      return change.to;
    case 'remove':
      return change.knot;
    case 'end':
      return domainOf(curve.knots, curve.degree)[change.end === 'start' ? 0 : 1];
  }
}

/** Pixels up or down by which a knot is pulled off the rail. */
const offRail = 34;

/**
 * The knots on their track as something to take hold of: focusable, pulled along the axis, off it or onto a neighbour,
 * and nudged with the arrows; a press on a free place inserts one. All of it as far as whoever is here may do so.
 * Their bars are drawn on the canvas below.
 */
export function KnotMarks({ scene, width, height }: TrackMarksProps) {
  const { t } = useTranslation();
  const tell = useTold();
  const group = useRef<HTMLDivElement>(null);
  /** The knot in the hand, by its order, and where it would go. */
  const pulled = useRef<{ readonly index: number; readonly to: number } | null>(null);
  /** Whether the pull that is under way began on the bars of a multiple knot. */
  const takenAlone = useRef(false);
  const speaker = useRef<Say>(null);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const parameterWindow = scene.axis.window;
  const marks = curve ? knotMarksOf(scene, curve) : [];
  const { item } = scene.document.rail;

  const say: Say = (said) => speaker.current?.(said);
  const wordsOf = (change: KnotChange, outcome: ReturnType<typeof outcomeOf>): Spoken => {
    const x = railAxis(curve!, width, parameterWindow)(placeOf(change, curve!));
    if ('refused' in outcome) return { x, text: tell(outcome.refused), bad: true };
    const values = {
      value: shownNumber(outcome.knot.value, 1),
      multiplicity: outcome.knot.multiplicity,
      order: superscript(Math.max(0, outcome.order)),
    };
    const isLoose = outcome.end && outcome.order > 0;
    const where = outcome.end
      ? t(isLoose ? 'railHand.endLoose' : 'railHand.endClamped', values)
      : outcome.knot.multiplicity === 0
        ? t('railHand.knotGone', values)
        : t(outcome.order < 0 ? 'railHand.knotWithGap' : 'railHand.knotWithOrder', values);
    if (outcome.deviation === undefined) return { x, text: where, bad: false };
    const off = t('railHand.curveMoves', { deviation: shownAtMost(outcome.deviation) });
    return { x, text: `${where} ${off}`, bad: false };
  };

  /** Shows and does changes of the knots, as they come from the hand or from a key. */
  const holdingOf = (changeOf: (value: Pulled) => KnotChange | null, index = -1): Holding<Pulled> => {
    const before = curve!;
    let isShown = false;
    const release = (): void => {
      if (isShown) scene.host.preview(null);
      scene.previews.show('hand', null);
      pulled.current = null;
      say(null);
      scene.invalidate();
    };
    let last: { readonly change: KnotChange; readonly outcome: ReturnType<typeof outcomeOf> } | null = null;
    const outcomeAt = (value: Pulled): typeof last => {
      const change = changeOf(value);
      if (!change) return null;
      // Off the rail it is the same wherever the pointer goes.
      if (last && isSameChange(last.change, change)) return last;
      last = { change, outcome: outcomeOf(before, item!, change) };
      return last;
    };
    return {
      preview: (value) => {
        const at = outcomeAt(value);
        const outcome = at && !('refused' in at.outcome) ? at.outcome : null;
        pulled.current = { index, to: value.u };
        isShown = true;
        // A locked joint may forbid it.
        const refused = scene.attempt('preview', outcome && outcome.command);
        scene.previews.show('hand', outcome && !refused ? outcome.preview : null);
        say(at && wordsOf(at.change, refused ? { refused } : at.outcome));
        scene.invalidate();
      },
      commit: (value) => {
        const at = outcomeAt(value);
        release();
        if (!at || 'refused' in at.outcome) return;
        const refused = scene.attempt('do', at.outcome.command);
        if (refused) say(wordsOf(at.change, { refused }));
        else scene.pointed.pickKnot(at.outcome.knot.multiplicity > 0 ? at.outcome.knot.value : null);
      },
      cancel: release,
    };
  };

  /** Whether a press is on the bars above the line and not on the line itself. */
  const isOnBars = (press: PointerEvent): boolean =>
    group.current!.getBoundingClientRect().bottom - press.clientY > lineFromBottom + 5;

  const spaceOf = (limits: readonly [number, number], attracts: readonly number[]): ValueSpace<Pulled> => {
    const along = alongRail(curve!, railAxis(curve!, width, parameterWindow), {
      limits,
      attracts,
      unit: knotUnit(curve!),
    });
    return {
      toScreen: ({ u }) => along.toScreen(u),
      at: (pixel, keys) => ({
        u: along.at(pixel, keys),
        off: Math.abs(pixel[1]) > offRail,
        alone: takenAlone.current,
      }),
      nudged: ({ u }, press) => {
        const next = along.nudged(u, press);
        return next === undefined ? undefined : { u: next, off: false };
      },
    };
  };

  const markHold = (index: number): Holdable<Pulled> | undefined => {
    const mark = marks[index];
    if (!mark) return undefined;
    const { value: knot, multiplicity } = mark;
    return {
      space: spaceOf(mark.limits, [knot, ...mark.neighbours]),
      // Pressed on the bars of a multiple knot, one of them is pulled out; below them, all go together.
      value: (press) => {
        takenAlone.current = press !== undefined && multiplicity > 1 && isOnBars(press);
        return { u: knot, off: false, alone: takenAlone.current };
      },
      ...(mark.movable || mark.removable ? {} : { fixed: () => undefined }),
      take: () =>
        holdingOf(({ u, off, alone }) => {
          if (off && mark.removable) return { kind: 'remove', knot, times: alone ? 1 : multiplicity };
          if (u === knot || !mark.movable) return null;
          return { kind: 'move', knot, to: u, ...(alone ? { times: 1 } : {}) };
        }, index),
    };
  };

  /** A press on a free place of the track takes a new knot in the hand. */
  const freeHold = (element: Element): Holdable<Pulled> | undefined => {
    if (!curve || !mayChangeKnots(scene)) return undefined;
    const axis = railAxis(curve, width, parameterWindow);
    const inner = marks.slice(1, -1).map(({ value }) => value);
    const space = spaceOf([marks[0]!.value, marks.at(-1)!.value], inner);
    const uOf = (press: PointerEvent): number | undefined => {
      const [x, y] = pixelIn(element, press);
      const isPlot = x >= gutter.left && x <= width - gutter.right && y >= 12;
      return isPlot ? axis.invert(x) : undefined;
    };
    return {
      space,
      value: (press) => {
        const u = press && uOf(press);
        return u === undefined ? undefined : { u, off: false };
      },
      take: () => holdingOf(({ u, off }) => (off ? null : { kind: 'insert', at: u })),
      slack: 0,
    };
  };

  const { onPointerDown, onMouseDown, onKeyDown } = useHold<Pulled>((element) => {
    if (!curve || item === null) return undefined;
    const index = element.getAttribute('data-knot');
    return index === null ? freeHold(element) : markHold(Number(index));
  });

  const change = (of: KnotChange): void => {
    if (!curve || item === null) return;
    const outcome = outcomeOf(curve, item, of);
    if ('refused' in outcome) say(wordsOf(of, outcome));
    else {
      const refused = scene.attempt('do', outcome.command);
      say(refused && wordsOf(of, { refused }));
    }
  };
  /** Delete takes a knot out, plus and minus raise and lower its multiplicity. */
  const onKnotKey = (event: KeyboardEvent): void => {
    const mark = marks[Number((event.target as Element).getAttribute('data-knot'))];
    const { value: knot, multiplicity } = mark ?? { value: 0, multiplicity: 0 };
    const changes: Readonly<Record<string, KnotChange | undefined>> = {
      Delete: { kind: 'remove', knot, times: multiplicity },
      '-': { kind: 'remove', knot, times: 1 },
      '+': { kind: 'insert', at: knot },
    };
    const ofEnd: Readonly<Record<string, KnotChange | undefined>> = mark?.end
      ? {
          '-': { kind: 'end', end: mark.end, multiplicity: multiplicity - 1 },
          '+': { kind: 'end', end: mark.end, multiplicity: Math.min(curve!.degree + 1, multiplicity + 1) },
        }
      : {};
    const wanted = mark?.end ? ofEnd[event.key] : changes[event.key];
    if (mark && wanted && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      event.stopPropagation();
      if (mark.removable || mark.end) change(wanted);
    } else onKeyDown(event);
  };

  useLayoutEffect(() => {
    if (!curve) return undefined;
    const elements = [...group.current!.querySelectorAll<HTMLElement>('[data-knot]')];
    const axis = railAxis(curve, width, parameterWindow);
    const [start, end] = axis.domain;
    const place = markPlacer(elements);
    return scene.addPainter(() => {
      const held = pulled.current;
      marks.forEach(({ value }, index) => {
        const isHeld = held?.index === index;
        const u = isHeld ? held.to : value;
        place(index, { x: axis(u), y: 0, isHidden: u < start || u > end, isHeld });
      });
    });
  });

  if (item === null || !itemOf(scene.document, item)) return null;
  return (
    <div
      ref={group}
      className={clsx('absolute inset-0', mayChangeKnots(scene) && 'cursor-copy touch-none')}
      onPointerDown={onPointerDown}
      onMouseDown={onMouseDown}
      onKeyDown={onKnotKey}
      data-knot-track
    >
      {marks.map(({ value, multiplicity, movable, removable, limits }, index) => (
        <div
          key={index}
          role="slider"
          tabIndex={0}
          aria-label={t('railHand.knot', { curve: nameOf(scene.document, item) })}
          aria-valuemin={limits[0]}
          aria-valuemax={limits[1]}
          aria-valuenow={value}
          aria-valuetext={t('railHand.knotValue', { value: shownNumber(value, 1), multiplicity })}
          aria-readonly={!movable}
          data-knot={index}
          className={clsx(
            'mark absolute bottom-0 left-0 z-10 -ml-[13px] h-14 w-[26px] rounded outline-none focus-visible:ring-3 focus-visible:ring-accent/40 focus-visible:ring-inset',
            movable || removable ? 'cursor-ew-resize touch-none hover:bg-accent/10' : 'cursor-default',
          )}
          onFocus={() => scene.pointed.pickKnot(value)}
          onBlur={() => say(null)}
        />
      ))}
      <RailReach scene={scene} width={width} line={height - lineFromBottom} />
      <Said ref={speaker} width={width} />
    </div>
  );
}
