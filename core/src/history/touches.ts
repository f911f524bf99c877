/**
 * Whether two changes, each with the paths of what it changes, change the same: where a path of one leads to, or
 * into, a path of the other.
 */
export function pathsMeet(first: readonly string[], second: readonly string[]): boolean {
  return first.some((a) => second.some((b) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`)));
}
