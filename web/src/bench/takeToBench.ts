import type { FigureDocument } from '@bogen/core/figure';
import { benchOf } from './store.js';

/** Puts a copy of a figure on the bench of whoever is signed in. @returns where it is */
export async function takeToBench(
  who: 'instructor' | 'student',
  name: string,
  figure: FigureDocument,
): Promise<string> {
  return `/bench/${await benchOf(who).add(name, figure)}`;
}
