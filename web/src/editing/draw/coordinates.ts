/** The parts of a text between separators that stand in no parentheses. */
function partsOf(text: string): string[] {
  const parts = [''];
  let depth = 0;
  for (const sign of text) {
    if (sign === '(') depth++;
    if (sign === ')') depth--;
    if (depth === 0 && (sign === ',' || sign === ';')) parts.push('');
    else parts[parts.length - 1] += sign;
  }
  return parts.map((part) => part.trim());
}

/**
 * The two coordinates of a typed place as texts: “-24, 0”, “(3*cos(30 deg), 12)”, or two numbers with a space between;
 * `undefined` where there are not just two.
 */
export function coordinatesIn(text: string): [string, string] | undefined {
  const tidy = text.replaceAll('−', '-').trim();
  let parts = partsOf(tidy);
  if (parts.length === 1 && tidy.startsWith('(') && tidy.endsWith(')')) parts = partsOf(tidy.slice(1, -1));
  if (parts.length === 1) parts = tidy.split(/\s+/);
  const [x, y] = parts;
  return parts.length === 2 && x && y ? [x, y] : undefined;
}
