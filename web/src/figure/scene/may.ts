import { isLoose, type FigureDocument, type Grip, type PointKind } from '@bogen/core/figure';
import type { FigureHost } from './host.js';

/** The questions that the figure asks its host, each by the command that would be given. */

/** Where the point would go does not count, so that nothing has to be computed for the question. */
const to = [0, 0];

/** Whether a point, a handle or a reference point may be moved. */
export function mayMove(host: FigureHost, grip: Grip): boolean {
  const { item } = grip;
  switch (grip.of) {
    case 'controlPoints':
      return host.may({ name: 'moveControlPoint', item, index: grip.index, to });
    case 'editPoints':
      return host.may({ name: 'moveEditPoint', item, index: grip.index, to });
    case 'referencePoint':
      return host.may({ name: 'moveReferencePoint', item, to });
    case 'handle':
      return host.may({ name: 'moveHandle', item, key: grip.key, to });
  }
}

/** Whether items may be added, and so also taken together, pasted and removed. */
export function mayDraw(host: FigureHost): boolean {
  return host.may({ name: 'addItem', item: { id: '?', name: '?', kind: 'point', at: [0, 0] }, at: 0 });
}

/** Whether the tracks of the rail may be chosen, ordered and resized. */
export function mayArrangeRail(host: FigureHost, document: FigureDocument): boolean {
  return host.may({ name: 'setRail', rail: document.rail });
}

/** Whether a point is marked as one that readers may move; where there are no readers every point is. */
export function isMarkedLoose(
  { host, document }: { readonly host: FigureHost; readonly document: FigureDocument },
  item: string,
  of: PointKind,
  index: number,
): boolean {
  return host.isFree === true || isLoose(document, item, of, index);
}
