/** Where a mark of a track is wanted, in pixels. */
interface Wanted {
  readonly x: number;
  readonly y: number;
  /** Beyond the part of the axis that is seen. */
  readonly isHidden: boolean;
  readonly isHeld: boolean;
}

/**
 * Moves the marks of a track: there are as many as knots or points, and in a frame of a drag one of them moves, so only
 * what changed is written. The one in the hand has a layer of its own, so that the others are not painted again.
 */
export function markPlacer(elements: readonly HTMLElement[]): (index: number, wanted: Wanted) => void {
  const last: (Wanted | undefined)[] = [];
  return (index, wanted) => {
    const before = last[index];
    const element = elements[index];
    if (!element) return;
    const { x, y, isHidden, isHeld } = wanted;
    if (before?.x === x && before.y === y && before.isHidden === isHidden && before.isHeld === isHeld) return;
    last[index] = wanted;
    element.style.willChange = isHeld ? 'transform' : '';
    element.style.transform = `translate(${x.toFixed(2)}px, ${y.toFixed(2)}px)`;
    element.style.visibility = isHidden ? 'hidden' : '';
  };
}
