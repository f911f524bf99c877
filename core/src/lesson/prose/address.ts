/**
 * Whether words may lead to an address: to a page, or to somebody's mail, and nowhere else. Addresses with blanks or
 * control characters are refused, since browsers take them out before they look for the scheme.
 */
export function isAllowedAddress(address: string): boolean {
  return /^(?:https?:\/\/|mailto:)[^\s\p{Cc}]+$/iu.test(address);
}
