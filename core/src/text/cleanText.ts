/** What no text may hold: U+0000, which databases can't store, and halves of surrogate pairs, which are no characters. */
const unstorable = /\p{Surrogate}|\0/gu;

/** A text without U+0000 and without unpaired surrogates. */
function cleanText(text: string): string {
  return text.replace(unstorable, '');
}

/**
 * Whether a JSON text may hold characters that have to be cleaned away. In JSON they can only stand as
 * escapes, so that nearly every text is passed by one search.
 */
export function mayNeedCleaning(json: string): boolean {
  return /\\u(0000|d[89a-f])/i.test(json);
}

/** A JSON value with every text in it cleaned, keys too. What needs no cleaning stays the same object. */
export function cleanValue<Value>(value: Value): Value {
  if (typeof value === 'string') return cleanText(value) as Value;
  if (Array.isArray(value)) {
    const cleaned = value.map((part: unknown) => cleanValue(part));
    return cleaned.every((part, index) => part === value[index]) ? value : (cleaned as Value);
  }
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value);
  const cleaned = entries.map(([key, part]) => [cleanText(key), cleanValue(part as unknown)] as const);
  const same = cleaned.every(
    ([key, part], index) => key === entries[index]![0] && part === entries[index]![1],
  );
  return same ? value : (Object.fromEntries(cleaned) as Value);
}
