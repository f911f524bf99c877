import { told } from '../told/told.js';
import { CurveError } from './error.js';

/*
 * A bound on the work of a calculation whose size others decide. The functions that do most of the work count it in elementary
 * steps; where nothing bounds it, counting costs next to nothing. What exceeds a bound does so on every machine, so that browser
 * and server agree about it.
 */

let left = Infinity;

/**
 * Counts steps of work, of which some thousands take a millisecond.
 * @throws CurveError `effort` where they are more than what is left
 */
export function spend(steps: number): void {
  if (steps > left) {
    left = 0;
    throw new CurveError('effort', told('tooMuchWork'));
  }
  left -= steps;
}

/**
 * Calculates within a bound; inside of another bound, within the smaller of both.
 * @param most steps, see `spend`
 * @throws CurveError `effort`
 */
export function withinEffort<T>(most: number, compute: () => T): T {
  const outer = left;
  const given = Math.min(most, outer);
  left = given;
  try {
    return compute();
  } finally {
    left = outer - (given - left);
  }
}
