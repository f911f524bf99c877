/** Signs that nobody types, and the words that are typed for them. */
const spoken: readonly (readonly [RegExp, string])[] = [
  [/ρ/g, 'rho'],
  [/κ/g, 'kappa'],
  [/′/g, "'"],
];
const digits = '₀₁₂₃₄₅₆₇₈₉';

/** A text as it is typed: small letters, plain digits, and the names of signs. */
function typeable(text: string): string {
  let plain = text.toLowerCase().replace(/[₀-₉]/g, (digit) => String(digits.indexOf(digit)));
  for (const [sign, words] of spoken) plain = plain.replace(sign, words);
  return plain;
}

/** Whether every word that was typed stands in a text. */
export function isFound(text: string, typed: string): boolean {
  const there = typeable(text);
  return typeable(typed)
    .split(/\s+/)
    .every((word) => there.includes(word));
}
