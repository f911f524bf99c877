import { v4 } from 'uuid';

/**
 * A new id. `crypto.randomUUID` is not used, since browsers have it in secure contexts only, and a classroom often
 * opens Bogen by plain HTTP on the instructor's computer; the random numbers behind it are the same.
 */
export function newId(): string {
  return v4({ random: crypto.getRandomValues(new Uint8Array(16)) });
}
