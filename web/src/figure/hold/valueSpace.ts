/** A place on the screen, in pixels. */
export type Pixel = readonly [number, number];

/** Which of the keys that change a gesture are down. */
export interface HeldKeys {
  readonly ctrlKey: boolean;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly metaKey: boolean;
}

/** A key that is pressed on something that can be taken hold of. */
export interface KeyPress extends HeldKeys {
  readonly key: string;
}

/**
 * The values that something can be pulled through: where a value stands on the screen, which value a place on the
 * screen means, snapped to what attracts it and kept within its limits, and which value is one step of a key away.
 */
export interface ValueSpace<Value> {
  /** Where the mark of a value stands. What is taken hold of beside its middle stays as far from the pointer. */
  readonly toScreen: (value: Value) => Pixel;
  readonly at: (pixel: Pixel, keys: HeldKeys) => Value;
  /** Nothing where the key means no step. */
  readonly nudged: (value: Value, press: KeyPress) => Value | undefined;
}

/** How many of the smallest steps a key takes: ten with Shift, a tenth with Alt. */
export const stepsOf = ({ shiftKey, altKey }: HeldKeys): number => (shiftKey ? 10 : altKey ? 0.1 : 1);

/** Whether a key goes up (1) or down (−1) along something that is one number; 0 for any other. */
export function directionOf({ key, ctrlKey, metaKey }: KeyPress): number {
  if (ctrlKey || metaKey) return 0;
  if (key === 'ArrowRight' || key === 'ArrowUp') return 1;
  return key === 'ArrowLeft' || key === 'ArrowDown' ? -1 : 0;
}

/** A number kept from a least to a largest one. */
export const within = (value: number, [least, most]: readonly [number, number]): number =>
  Math.min(most, Math.max(least, value));
