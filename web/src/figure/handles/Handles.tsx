import { curveOf, gripKey, itemOf, withLinkedMove, type PointKind } from '@bogen/core/figure';
import clsx from 'clsx';
import { useLayoutEffect, useRef, type KeyboardEvent, type PointerEvent, type SyntheticEvent } from 'react';
import { filled } from '../../text/filled.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { useGrips, type MovableGrip } from './useGrips.js';
import { handlePlace, handlesOf, ringRadius } from '../scene/handles.js';
import { isMarkedLoose, mayMove } from '../scene/may.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import { nameOf, pointName } from '../scene/names.js';
import type { FigureScene } from '../scene/scene.js';
import type { Picked } from '../scene/sceneParts.js';

interface HandlesProps {
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly pane: Pane;
  /** Instead of moving, a press says that the point is to be loose or fixed. */
  readonly onToggle: ((item: string, of: PointKind, index: number) => void) | undefined;
  readonly onSay: (text: string) => void;
}

/** What an element was last set to, so that the page is touched only for what changed. */
interface Shown {
  readonly transform: string;
  readonly label: string;
}

/**
 * The control points and edit points of a pane as something to take hold of: focusable elements that are
 * dragged with the pointer and nudged with the arrows. Only their halos are seen; their marks are drawn on
 * the canvas below, and their places are set by the scene's painter, not by React. There are hundreds of
 * them, so they are bare elements, and what happens to one is heard by the group.
 */
export function Handles({ scene, projection, pane, onToggle, onSay }: HandlesProps) {
  const { t } = useTranslation();
  const group = useRef<SVGGElement>(null);
  const shown = useRef(new WeakMap<Element, Shown>());
  const { evaluation } = scene;
  const all = handlesOf(scene, pane);
  // What was chosen of several on one place lies above the others.
  const handles = [
    ...all.filter((handle) => !scene.selected.isRaised(handle)),
    ...all.filter((handle) => scene.selected.isRaised(handle)),
  ];
  const byKey = new Map(handles.map((handle) => [gripKey(handle), handle]));

  const nameOfPoint = ({ item, of, index }: Picked): string => pointName(scene.document, item, of, index);
  const handleAt = (event: SyntheticEvent): Picked | undefined =>
    byKey.get((event.target as Element).getAttribute('data-grip') ?? '');

  const gripOf = (element: Element): MovableGrip | undefined => {
    const grip = byKey.get(element.getAttribute('data-grip')!);
    if (!grip) return undefined;
    const { item, of, index } = grip;
    return {
      scene,
      projection,
      pane,
      grip,
      place: () => handlePlace(scene, grip),
      movable: isMovable(scene, grip),
      command: (to, document) => {
        const name = of === 'controlPoints' ? 'moveControlPoint' : 'moveEditPoint';
        const move = { name, item, index, to } as const;
        const linked = withLinkedMove(document, move);
        // Whoever may not move the other curve's point moves this one alone.
        return scene.host.may(linked) ? linked : move;
      },
      onStep: (to) => {
        const place = { x: shownNumber(to[0]!), y: shownNumber(to[1]!) };
        onSay(t('figure.moved', { name: nameOfPoint(grip), ...place }));
      },
      onFixed: () => onSay(t('figure.fixedHelp')),
      onTake: () => scene.pointed.pick(grip),
    };
  };
  const grips = useGrips(gripOf);

  const describe = (grip: Picked): string => {
    const at = handlePlace(scene, grip);
    const loose = isMarkedLoose(scene, grip.item, grip.of, grip.index);
    const facts = {
      name: nameOfPoint(grip),
      curve: nameOf(scene.document, grip.item),
      x: at ? shownNumber(at[0]) : '',
      y: at ? shownNumber(at[1]) : '',
      state: filled(t, loose ? 'figure.loose' : 'figure.fixed'),
    };
    return filled(t, grip.of === 'controlPoints' ? 'figure.controlPoint' : 'figure.editPoint', facts);
  };

  // Before the first picture, so that no handle is ever seen or read in the wrong place.
  useLayoutEffect(() => {
    const elements = [...group.current!.children];
    const show = (element: Element, next: Partial<Shown>): void => {
      const before = shown.current.get(element) ?? { transform: '', label: '' };
      const now = { ...before, ...next };
      if (now.transform !== before.transform) element.setAttribute('transform', now.transform);
      if (now.label !== before.label) element.setAttribute('aria-label', now.label);
      shown.current.set(element, now);
    };
    const paint = (): void => {
      // While something is dragged nothing else can be taken hold of: marks and the halo of the held one
      // move on the canvas, and the page has nothing to lay out.
      const isStill = scene.host.motion() === 'rest';
      if (!isStill && scene.selected.grips.length === 0) return;
      handles.forEach((handle, k) => {
        const at = isStill || scene.selected.has(handle) ? handlePlace(scene, handle) : undefined;
        if (!at) return;
        const [x, y] = projection.toScreen(at);
        show(elements[k]!, { transform: `translate(${x.toFixed(2)} ${y.toFixed(2)})` });
      });
    };
    const name = (): void => handles.forEach((handle, k) => show(elements[k]!, { label: describe(handle) }));
    name();
    const stops = [scene.addPainter(paint), scene.onRest(name)];
    return () => stops.forEach((stop) => stop());
  });

  const onPointerDown = (event: PointerEvent<SVGGElement>): void => {
    const handle = handleAt(event);
    if (!handle) return;
    if (event.button !== 0 || !onToggle) {
      grips.onPointerDown(event);
      return;
    }
    (event.target as SVGElement).focus();
    onToggle(handle.item, handle.of, handle.index);
  };
  const onKeyDown = (event: KeyboardEvent<SVGGElement>): void => {
    const handle = handleAt(event);
    if (!handle) return;
    if (onToggle && (event.key === ' ' || event.key === 'Enter')) {
      event.preventDefault();
      onToggle(handle.item, handle.of, handle.index);
      return;
    }
    grips.onKeyDown(event);
  };
  const pick = (handle: Picked | undefined | null): void => {
    if (handle !== undefined) scene.pointed.pick(handle);
  };

  return (
    <g
      ref={group}
      onPointerDown={onPointerDown}
      onMouseDown={grips.onMouseDown}
      onKeyDown={onKeyDown}
      onPointerOver={(event) => !grips.isHeld() && pick(handleAt(event))}
      onPointerOut={(event) => !grips.isHeld() && handleAt(event) && pick(null)}
      onFocus={(event) => pick(handleAt(event))}
      onBlur={() => pick(null)}
    >
      {handles.map((handle) => {
        const { item, of, index } = handle;
        const key = gripKey(handle);
        const curve = curveOf(evaluation, item);
        const radius = of === 'controlPoints' && curve ? ringRadius(curve, index) : 5;
        const loose = isMarkedLoose(scene, item, of, index);
        const selected = scene.selected.has(handle);
        return (
          <circle
            key={key}
            r={Math.max(12, radius + 7)}
            className={clsx('mark grip', loose ? 'loose' : 'fixed', selected && 'selected')}
            data-handle={`${item}/${handle.of === 'controlPoints' ? 'P' : 'E'}${handle.index}`}
            data-grip={key}
            tabIndex={0}
            role="button"
            aria-pressed={onToggle ? loose : selected || undefined}
          />
        );
      })}
    </g>
  );
}

const isMovable = ({ document, host }: FigureScene, grip: Picked): boolean =>
  !itemOf(document, grip.item)?.locked && mayMove(host, grip);
