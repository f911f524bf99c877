import { itemOf, type FigureCommand, type Grip } from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import i18next from 'i18next';
import { gripName } from '../../figure/handles/gripName.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import type { FigurePreview } from '../../figure/scene/sceneParts.js';
import { shownAtMost } from '../../text/number.js';
import { heavy } from '../../worker/heavy.js';

/** What a curve without one of its points comes to, or why it can't be without it. */
export type Removal =
  | {
      readonly command: FigureCommand;
      readonly preview: FigurePreview;
      /** How far the curve then is from what it was, in the drawing's unit. */
      readonly deviation: number;
    }
  | { readonly refused: Told };

/** A grip that is a control point or an edit point of a given curve, which can be taken out of it. */
export function isRemovable({ document }: FigureScene, grip: Grip): boolean {
  if (grip.of !== 'controlPoints' && grip.of !== 'editPoints') return false;
  const item = itemOf(document, grip.item);
  return item?.kind === 'curve' && !item.locked && !item.faint;
}

/** The curve without a point, as near to what it was as it can be. It is computed beside the page. */
export async function removalOf({ document }: FigureScene, grip: Grip): Promise<Removal> {
  const index = 'index' in grip ? grip.index : 0;
  const operation = { name: 'removePoint', source: grip.item, index } as const;
  const made = await heavy.preview(document, operation);
  if (made.status === 'failed') return { refused: made.reason };
  const { curve, deviation } = made;
  const off = deviation?.distance ?? 0;
  return {
    command: { name: 'operate', item: grip.item, operation, curve },
    preview: {
      curve,
      places: curve.points,
      pulls: [],
      polygon: true,
      numbers: deviation ? [{ at: deviation.point, text: `${shownAtMost(off)} mm` }] : [],
    },
    deviation: off,
  };
}

/** The point that the Delete key means: the one that is selected, or else the one that is focused or pointed at. */
export function pointToRemove(scene: FigureScene): Grip | undefined {
  const { grips } = scene.selected;
  const grip = grips.length === 0 ? scene.pointed.picked : grips.length === 1 ? grips[0] : undefined;
  return grip && isRemovable(scene, grip) ? grip : undefined;
}

/** Takes a point out of its curve, and says what that costs or why it can't be. */
export async function removePoint(
  scene: FigureScene,
  grip: Grip,
  { say, tell }: { readonly say: (text: string) => void; readonly tell: (told: Told) => string },
): Promise<void> {
  const before = scene.document;
  const point = gripName(before, grip, i18next.t);
  const removal = await removalOf(scene, grip);
  // What was changed meanwhile is not overwritten by what was computed from before.
  if (scene.document !== before) return;
  scene.selected.select([]);
  const refused = 'refused' in removal ? removal.refused : scene.attempt('do', removal.command);
  if (refused) say(tell(refused));
  else if ('deviation' in removal) {
    say(i18next.t('details.pointRemoved', { point, deviation: shownAtMost(removal.deviation) }));
  }
}
