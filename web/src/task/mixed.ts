import { seedFrom } from '@bogen/core/lesson';

/** The places 0 to `count` − 1 in an order that looks arbitrary, always the same for a text. */
export function mixed(count: number, text: string): number[] {
  const keys = Array.from({ length: count }, (_, index) => seedFrom(`${index}/${text}/${index}`));
  return [...keys.keys()].toSorted((a, b) => keys[a]! - keys[b]!);
}

/** The same, but never the places as they are, as long as there are two. */
export function mixedAnew(count: number, text: string): number[] {
  const order = mixed(count, text);
  return count > 1 && order.every((place, index) => place === index) ? order.toReversed() : order;
}
