import '../../text/enRail.js';
import { derivativesAt, distinctKnots, domainOf, pointAt, type Curve, unlessPole } from '@bogen/core/curve';
import { Plus } from 'lucide-react';
import { useLayoutEffect, useRef, useSyncExternalStore, type KeyboardEvent } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { alongCurve } from '../../figure/hold/parameter.js';
import { useHold, type Holdable } from '../../figure/hold/useHold.js';
import type { ValueSpace } from '../../figure/hold/valueSpace.js';
import { handlePlace, handlesOf } from '../../figure/scene/handles.js';
import { nameOf } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { outcomeOf } from '../../rail/knotChange.js';
import { knotUnit, mayChangeKnots } from '../../rail/knotMarks.js';
import { shownNumber, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';

/** Dots from the curve to the handle: to its left, or where a point lies there, to its right or farther away. */
const away = 21;
const places = [away, -away, 2 * away, -2 * away] as const;
/** Dots from a point within which the handle would lie over it. */
const clear = 26;

/** Pixels within which a place on the curve is that of a knot that is there already. */
const reach = 7;

/** A parameter along the curve, as fine as a knot on the rail, and on a knot where it is next to one. */
function knotPlaces(curve: Curve, projection: Projection): ValueSpace<number> {
  const along = alongCurve(curve, projection);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const unit = knotUnit(curve);
  const inner = distinctKnots(curve.knots, curve.degree)
    .map(({ value }) => value)
    .filter((value) => value > start && value < end);
  return {
    ...along,
    at: (pixel, keys) => {
      const free = along.at(pixel, keys);
      const [x, y] = projection.toScreen(pointAt(curve, free));
      const near = inner.find((value) => {
        const [knotX, knotY] = projection.toScreen(pointAt(curve, value));
        return Math.hypot(knotX - x, knotY - y) <= reach;
      });
      const rounded = Number((Math.round(free / unit) * unit).toPrecision(12));
      return near ?? Math.min(end, Math.max(start, rounded));
    },
  };
}

/** The place to the left of a curve, in the direction in which it runs, that many dots from one of its points; from its first control point at a pole. */
function leftOf(curve: Curve, u: number, projection: Projection, dots: number): [number, number] {
  const [at, tangent] = unlessPole(() => derivativesAt(curve, u, 1)) ?? [curve.points[0]!, [1, 0]];
  const [x, y] = projection.toScreen(at!);
  const length = Math.hypot(tangent![0]!, tangent![1]!) || 1;
  // With y downwards on the screen.
  return [x - (tangent![1]! / length) * dots, y - (tangent![0]! / length) * dots];
}

/** Where the handle lies over no point that can be taken hold of, or over as few as can be. */
function freePlace(scene: FigureScene, pane: Pane, projection: Projection, curve: Curve): number {
  const points = handlesOf(scene, pane).flatMap((handle) => {
    const place = handlePlace(scene, handle);
    return place ? [projection.toScreen(place)] : [];
  });
  const roomAt = (dots: number): number => {
    const [x, y] = leftOf(curve, scene.cursor, projection, dots);
    return Math.min(...points.map(([px, py]) => Math.hypot(px - x, py - y)), Infinity);
  };
  const rooms = places.map((dots) => ({ dots, room: roomAt(dots) }));
  return (rooms.find(({ room }) => room >= clear) ?? rooms.sort((a, b) => b.room - a.room)[0]!).dots;
}

/**
 * Beside the cursor's point on the curve: pressed it inserts a knot there, and pulled along the curve it shows what each
 * place would make, before the hand lets go. Arrows move the cursor, Enter inserts.
 */
export function KnotAdder({
  scene,
  projection,
  pane,
}: {
  scene: FigureScene;
  projection: Projection;
  pane: Pane;
}) {
  const { t } = useTranslation();
  useParts(scene.structured);
  const ref = useRef<HTMLButtonElement>(null);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const pins = useSyncExternalStore(scene.pins.subscribe, () => scene.pins.list);
  const { item } = scene.document.rail;

  const release = (): void => {
    scene.host.preview(null);
    scene.previews.show('hand', null);
    scene.previews.setSnapped(null);
    scene.previews.setRefused(null);
  };
  /** Shows or does it, and says why not at its place. */
  const change = (what: 'preview' | 'do', before: Curve, u: number): void => {
    const outcome = outcomeOf(before, item!, { kind: 'insert', at: u });
    const refused = 'refused' in outcome ? outcome.refused : scene.attempt(what, outcome.command);
    const at = unlessPole(() => pointAt(before, u)) ?? before.points[0]!;
    scene.previews.setRefused(refused && { told: refused, at });
    if ('refused' in outcome || refused) {
      scene.host.preview(null);
      scene.previews.show('hand', null);
      scene.previews.setSnapped(null);
    } else if (what === 'preview') {
      const { knot, order, preview } = outcome;
      const words = t(order < 0 ? 'railHand.knotWithGap' : 'railHand.knotWithOrder', {
        value: shownNumber(knot.value, 1),
        multiplicity: knot.multiplicity,
        order: superscript(Math.max(0, order)),
      });
      // Beyond the handle, where no ratio stands.
      const beyond = projection.toDrawing(...leftOf(before, u, projection, 2 * away));
      scene.previews.setSnapped({ at: beyond, words });
      scene.previews.show('hand', preview);
    }
  };
  const { onPointerDown, onMouseDown } = useHold<number>((): Holdable<number> | undefined => {
    const before = scene.restingRailCurve();
    if (!before || !mayChangeKnots(scene)) return undefined;
    const cursor = scene.cursor;
    return {
      space: knotPlaces(before, projection),
      value: () => cursor,
      take: () => ({
        preview: (u) => {
          scene.axis.moveCursor(u);
          change('preview', before, u);
        },
        commit: (u) => {
          release();
          change('do', before, u);
        },
        cancel: () => {
          release();
          scene.axis.moveCursor(cursor);
        },
      }),
      slack: 0,
    };
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const now = scene.railCurve;
    if (!now) return;
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      event.stopPropagation();
      change('do', now, scene.cursor);
      return;
    }
    scene.previews.setRefused(null);
    const next = alongCurve(now, projection).nudged(scene.cursor, event);
    if (next === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    scene.axis.moveCursor(next);
  };

  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    let dots: number = away;
    return scene.addPainter(() => {
      const now = scene.railCurve;
      if (!now) return;
      // While something is in the hand it keeps its side.
      if (scene.host.motion() === 'rest') dots = freePlace(scene, pane, projection, now);
      const [x, y] = leftOf(now, scene.cursor, projection, dots);
      const transform = `translate(${(x - 13).toFixed(1)}px, ${(y - 13).toFixed(1)}px)`;
      if (element.style.transform !== transform) element.style.transform = transform;
    });
  });

  // A value that is held begins at the cursor, and its pin stands where this mark would lie.
  if (!curve || item === null || !pane.shows(item) || !mayChangeKnots(scene) || pins) return null;
  return (
    <button
      ref={ref}
      type="button"
      aria-label={t('joints.addKnot', { curve: nameOf(scene.document, item) })}
      title={t('joints.addKnotHelp')}
      className="mark absolute top-0 left-0 grid size-[26px] cursor-copy touch-none place-items-center rounded-full will-change-transform focus-visible:ring-3 focus-visible:ring-accent/40"
      data-add-knot
      onPointerDown={onPointerDown}
      onMouseDown={onMouseDown}
      onKeyDown={onKeyDown}
      onBlur={() => scene.previews.setRefused(null)}
    >
      {/* Smaller than what a finger takes hold of. */}
      <span
        aria-hidden
        className="grid size-5 place-items-center rounded-full border border-strong bg-sheet/80"
      >
        <Plus size={12} />
      </span>
    </button>
  );
}
