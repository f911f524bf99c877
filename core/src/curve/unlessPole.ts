import { CurveError } from './error.js';

/** What is computed at a parameter of a curve; nothing where the curve runs to infinity there. */
export function unlessPole<T>(compute: () => T): T | undefined {
  try {
    return compute();
  } catch (error) {
    if (error instanceof CurveError && error.kind === 'pole') return undefined;
    throw error;
  }
}
