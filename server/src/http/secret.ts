import { createHash, randomBytes, randomInt } from 'node:crypto';

/** No letters or digits that are easily taken for one another. */
const alphabet = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A random code of groups of letters and digits, such as `K7QM-2XVD`. */
export function randomCode(groups: number, perGroup: number): string {
  const group = (): string =>
    Array.from({ length: perGroup }, () => alphabet[randomInt(alphabet.length)]).join('');
  return Array.from({ length: groups }, group).join('-');
}

/** A code as somebody typed it: spaces, hyphens and small letters don't matter. */
export function normaliseCode(typed: string): string {
  return typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
}

export function randomToken(): string {
  return randomBytes(32).toString('base64url');
}

/** The stored form of a random secret; a plain hash is enough, since nobody can guess its input. */
export function hashSecret(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}
