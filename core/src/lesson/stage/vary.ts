import { CurveError } from '../../curve/error.js';
import { CommandError } from '../../history/history.js';
import type { Sheet } from '../lesson.js';
import { variedBy, type Variation } from '../variation/variations.js';
import { changeAtStage } from './changes.js';
import { sheetAfter } from './lead.js';
import { figureOfStage } from './states.js';

/** Whether anything of a sheet is different for each student. */
export const isVaried = ({ tasks }: Pick<Sheet, 'tasks'>): boolean =>
  tasks.some(({ varied }) => varied && varied.length > 0);

/**
 * A sheet as one student gets it: what its tasks vary is drawn by the seed, at the stages of those tasks, and later stages
 * follow. The same seed gives the same sheet wherever it is calculated. What can't be varied so, as where two knots
 * would meet, stays as it is.
 */
export function variedSheet(sheet: Sheet, seed: number): Sheet {
  if (!isVaried(sheet)) return sheet;
  const share = sharesFrom(seed);
  let varied = sheet;
  for (const { id } of sheet.stages) {
    const variations = sheet.tasks.flatMap((task) => (task.stage === id ? (task.varied ?? []) : []));
    for (const variation of variations) varied = withVariation(varied, id, variation, share);
  }
  return varied;
}

/**
 * A sheet as it is for one reader, the same each time and wherever it is calculated. @param reader a text that tells
 * readers apart
 */
export const sheetFor = (sheet: Sheet, reader: string): Sheet =>
  variedSheet(sheet, seedFrom(`${reader}/${sheet.id}`));

function withVariation(sheet: Sheet, stage: string, variation: Variation, share: () => number): Sheet {
  try {
    const command = variedBy(variation, figureOfStage(sheet, stage), share);
    return command ? sheetAfter(sheet, changeAtStage(sheet, stage, command)) : sheet;
  } catch (error) {
    if (error instanceof CommandError || error instanceof CurveError) return sheet;
    throw error;
  }
}

/** A seed from a text, the same everywhere (the 32-bit hash of Fowler, Noll and Vo). */
export function seedFrom(text: string): number {
  let hash = 0x811c9dc5;
  for (const sign of text) hash = Math.imul(hash ^ sign.codePointAt(0)!, 0x01000193);
  return hash >>> 0;
}

/** Draws numbers from −1 to 1 in steps of a tenth, the same for the same seed. */
function sharesFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    // A step by an odd number, then mixed, so that seeds beside one another have nothing in common.
    state = (state + 0x9e3779b9) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 16), 0x85ebca6b);
    mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
    mixed ^= mixed >>> 16;
    return ((mixed >>> 0) % 21) / 10 - 1;
  };
}
