/** Whether two values are written alike; keys may stand in another order. */
export function isSameValue(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [first, second] = [a, b] as Readonly<Record<string, unknown>>[];
  const keys = Object.keys(first!);
  return (
    Array.isArray(a) === Array.isArray(b) &&
    keys.length === Object.keys(second!).length &&
    keys.every((key) => Object.hasOwn(second!, key) && isSameValue(first![key], second![key]))
  );
}
