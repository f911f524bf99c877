import { isShown, type Shown } from '@bogen/core/figure';
import { useEffect } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { panBy, zoomBy, zoomToSelection } from '../../figure/view/zoom.js';
import { shownKeys } from '../looks/shownKeys.js';
import { gripsOf } from '../../figure/scene/gripsNear.js';
import { useSingleKeys } from '../../ui/singleKeys.js';

/** What keys can open or do beyond the scene. */
export interface KeyActions {
  readonly openKeys: () => void;
  readonly openLook: () => void;
  readonly openSeveral: () => void;
  readonly removeSelected: () => void;
  readonly present: () => void;
}

/** Which way an arrow moves what is seen, as shares of the view. */
const panKeys: Readonly<Record<string, readonly [number, number] | undefined>> = {
  ArrowLeft: [-0.1, 0],
  ArrowRight: [0.1, 0],
  ArrowUp: [0, 0.1],
  ArrowDown: [0, -0.1],
};

/** Whether a key press is meant for a field, a list or a dialog that goes by letters itself. */
function isTyped(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  return (
    target.closest(
      'input:not([type=checkbox]):not([type=range]), textarea, select, [contenteditable], [role=menu]',
    ) !== null
  );
}

/** Single keys that show and hide, zoom, and open the panels; they act on the figure of the page. */
export function useFigureKeys(scene: FigureScene, actions: KeyActions): void {
  const on = useSingleKeys((state) => state.on);
  useEffect(() => {
    const byKey = new Map(Object.entries(shownKeys).map(([look, key]) => [key, look as keyof Shown]));
    const onKey = (event: KeyboardEvent): void => {
      if (isTyped(event) || event.defaultPrevented) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'a' && !event.altKey) {
        event.preventDefault();
        scene.selected.select(gripsOf(scene));
        return;
      }
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'Escape') {
        if (scene.selected.question) scene.selected.ask(null);
        else scene.selected.select([]);
        return;
      }
      if (event.key === 'Delete') {
        event.preventDefault();
        actions.removeSelected();
        return;
      }
      const pan = panKeys[event.key];
      if (pan && event.target === document.body) {
        event.preventDefault();
        panBy(scene, pan[0], pan[1]);
        return;
      }
      if (!on) return;
      const look = byKey.get(event.key);
      const act: Record<string, (() => void) | undefined> = {
        '?': actions.openKeys,
        l: actions.openLook,
        j: actions.openSeveral,
        q: actions.present,
        '+': () => zoomBy(scene, 1.5),
        '-': () => zoomBy(scene, 1 / 1.5),
        '0': () => scene.viewed.setView(null),
        z: () => zoomToSelection(scene),
      };
      const done =
        look !== undefined
          ? () => scene.host.do({ name: 'setShown', shown: { [look]: !isShown(scene.document, look) } })
          : act[event.key];
      if (!done) return;
      event.preventDefault();
      done();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [scene, actions, on]);
}
