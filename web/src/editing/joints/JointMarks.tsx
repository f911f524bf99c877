import { itemOf } from '@bogen/core/figure';
import { Lock } from 'lucide-react';
import { useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Projection } from '../../figure/geometry/projection.js';
import { nameOf } from '../../figure/scene/names.js';
import type { Pane } from '../../figure/scene/pane.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useParts } from '../../figure/scene/useScene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Popup } from '../../ui/Popup.js';
import { shortContinuity } from './jointChange.js';
import { markedPlaces, type MarkedPlace } from './jointPlaces.js';
import { JointRow } from './JointRow.js';

/** How far a mark stands from its place, in pixels, so that the points there can still be taken hold of. */
const aside = { x: 18, y: 16 };

/**
 * The measured continuity of joints and multiple knots, beside them in the figure: it follows while something is in
 * the hand, and pressed it opens the row by which the place is brought to another continuity, or locked.
 */
export function JointMarks({
  scene,
  projection,
  pane,
}: {
  scene: FigureScene;
  projection: Projection;
  pane: Pane;
}) {
  const { t } = useTranslation();
  const group = useRef<HTMLDivElement>(null);
  const [open, setOpen] = useState<string | null>(null);
  useParts(scene.structured);
  useSyncExternalStore(scene.pointed.subscribe, () => scene.pointed.knot);
  const places = useRest(scene).filter((place) => isIn(pane, place));

  useLayoutEffect(() => {
    const elements = [...group.current!.querySelectorAll<HTMLElement>('[data-joint]')];
    if (elements.length === 0) return undefined;
    return scene.addPainter(() => {
      const isOfHidden = (key: string): boolean =>
        itemsOfPlace(places.find((place) => place.key === key)).some(
          (id) => itemOf(scene.document, id)?.hidden,
        );
      const now = new Map(markedPlaces(scene).map((place) => [place.key, place]));
      for (const element of elements) {
        const place = now.get(element.dataset['joint']!);
        // A joint whose ends were pulled apart stays where it was until the hand lets go.
        const words = place ? shortContinuity(place.measured) : '–';
        const text = element.querySelector('span')!;
        if (text.textContent !== words) text.textContent = words;
        // With a curve that is not seen, as while it is shown taken apart, its marks are not either.
        const display = !place && isOfHidden(element.dataset['joint']!) ? 'none' : '';
        if (element.style.display !== display) element.style.display = display;
        if (!place) continue;
        const [x, y] = projection.toScreen(place.at);
        const transform = `translate(${(x + aside.x).toFixed(1)}px, ${(y + aside.y).toFixed(1)}px)`;
        if (element.style.transform !== transform) element.style.transform = transform;
      }
    });
  });

  return (
    <div ref={group} className="pointer-events-none absolute inset-0 overflow-hidden" data-joints>
      {places.map((place) => {
        const lock = place.kind === 'joint' ? place.joint.locked : place.locked;
        const continuity = shortContinuity(place.measured);
        const words = lock ? t('joints.lockedAt', { continuity, lock }) : continuity;
        const label =
          place.kind === 'joint'
            ? t('joints.joint', {
                first: nameOf(scene.document, place.joint.first.item),
                second: nameOf(scene.document, place.joint.second.item),
                continuity: words,
              })
            : t('joints.knot', {
                value: shownNumber(place.knot.knot, 1),
                curve: nameOf(scene.document, place.item),
                continuity: words,
              });
        return (
          <Popup
            key={place.key}
            label={label}
            side="right"
            open={open === place.key}
            onOpen={(isOpen) => setOpen(isOpen ? place.key : null)}
            trigger={
              <button
                type="button"
                aria-label={label}
                data-joint={place.key}
                data-locked={lock}
                className="pointer-events-auto absolute top-0 left-0 flex h-6 items-center gap-1 rounded-sm border border-line bg-sheet px-1 font-mono text-[11px] whitespace-nowrap will-change-transform hover:border-strong focus-visible:ring-3 focus-visible:ring-accent/40"
              >
                {lock && <Lock aria-hidden size={11} />}
                <span />
              </button>
            }
          >
            <JointRow key={place.key} scene={scene} place={place} />
          </Popup>
        );
      })}
    </div>
  );
}

/** The items of the curves that a place is about. */
const itemsOfPlace = (place: MarkedPlace | undefined): readonly string[] =>
  !place ? [] : place.kind === 'knot' ? [place.item] : [place.joint.first.item, place.joint.second.item];

/** The marked places when nothing moves; another list only when something changed. */
function useRest(scene: FigureScene): readonly MarkedPlace[] {
  const kept = useRef<{ of: readonly unknown[]; places: readonly MarkedPlace[] } | null>(null);
  const read = (): readonly MarkedPlace[] => {
    const of = [scene.document, scene.pointed.knot];
    if (
      !kept.current ||
      (scene.host.motion() === 'rest' && of.some((part, k) => part !== kept.current!.of[k]))
    )
      kept.current = { of, places: markedPlaces(scene) };
    return kept.current.places;
  };
  return useSyncExternalStore(scene.onRest, read);
}

const isIn = (pane: Pane, place: MarkedPlace): boolean =>
  place.kind === 'joint'
    ? pane.shows(place.joint.first.item) && pane.shows(place.joint.second.item)
    : pane.shows(place.item);
