import { isVaried, type Sheet, type Task } from '@bogen/core/lesson';
import type { Runner } from '../pool/pool.js';

/** Sheets as one student gets them: what is different for each is drawn by who they are, so that it stays the same. */
export async function sheetsOf(
  pool: Runner,
  sheets: readonly Sheet[],
  student: string,
): Promise<readonly Sheet[]> {
  const varied = sheets.filter(isVaried);
  if (varied.length === 0) return sheets;
  // What follows from a variation takes any time that the writer of the stages made it take.
  const own = new Map((await pool.run('vary', varied, student)).map((sheet) => [sheet.id, sheet]));
  return sheets.map((sheet) => own.get(sheet.id) ?? sheet);
}

/** One sheet as a student gets it. */
export const sheetOfStudent = async (pool: Runner, sheet: Sheet, student: string): Promise<Sheet> =>
  (await sheetsOf(pool, [sheet], student))[0]!;

/** A sheet as students get it: without what the instructor says to its stages, and what was drawn for them being as drawn. */
export function forReaders(sheet: Sheet): Sheet {
  return {
    ...sheet,
    stages: sheet.stages.map(({ notes: _, ...stage }) => stage),
    tasks: sheet.tasks.map(({ varied: _, ...task }) => task as Task),
  };
}
