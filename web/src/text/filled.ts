import type { TFunction } from 'i18next';

type Key = 'figure.controlPoint' | 'figure.editPoint' | 'figure.loose' | 'figure.fixed';

const raw = new WeakMap<TFunction<'texts'>, Map<Key, string>>();

/**
 * A text with its values filled in, for where hundreds are wanted at once: the text is looked up for the
 * first and only filled in for the others.
 */
export function filled(
  t: TFunction<'texts'>,
  key: Key,
  values: Readonly<Record<string, string>> = {},
): string {
  let texts = raw.get(t);
  if (!texts) raw.set(t, (texts = new Map()));
  let text = texts.get(key);
  if (text === undefined) texts.set(key, (text = String(t(key, { skipInterpolation: true } as never))));
  return text.replace(/\{\{(\w+)\}\}/g, (_, name: string) => values[name] ?? '');
}
