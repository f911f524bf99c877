import { isVaried, type Sheet, type Task } from '@bogen/core/lesson';
import type { Db, Tx } from '../db/connect.js';
import type { Runner } from '../pool/pool.js';

/** Whose sheets they are. */
interface Owner {
  readonly student: string;
  readonly edition: string;
}

/**
 * Sheets of an edition as one student gets them: what is different for each is drawn by who they are, so that it stays
 * the same, or by whom their work on the sheet began.
 */
export async function sheetsOf(
  db: Db,
  pool: Runner,
  sheets: readonly Sheet[],
  owner: Owner,
): Promise<readonly Sheet[]> {
  const varied = sheets.filter(isVaried);
  if (varied.length === 0) return sheets;
  const drawnBy = await drawnBySheet(db, owner);
  const given = varied.map((sheet) => ({ sheet, reader: drawnBy.get(sheet.id) ?? owner.student }));
  // What follows from a variation takes any time that the writer of the stages made it take.
  const own = new Map((await pool.run('vary', given)).map((sheet) => [sheet.id, sheet]));
  return sheets.map((sheet) => own.get(sheet.id) ?? sheet);
}

/** One sheet as a student gets it. */
export const sheetOfStudent = async (db: Db, pool: Runner, sheet: Sheet, owner: Owner): Promise<Sheet> =>
  (await sheetsOf(db, pool, [sheet], owner))[0]!;

/** By whom the sheets of an edition are drawn, where it is somebody else than the student. */
export async function drawnBySheet(
  db: Db | Tx,
  { student, edition }: Owner,
): Promise<ReadonlyMap<string, string>> {
  const rows = await db
    .selectFrom('work')
    .where('student_id', '=', student)
    .where('edition_id', '=', edition)
    .where('drawn_by', 'is not', null)
    .select(['sheet_id as sheet', 'drawn_by as by'])
    .orderBy('opened_at')
    .execute();
  return new Map(rows.map(({ sheet, by }) => [sheet, by!]));
}

/** A sheet without what the instructor says to its stages. */
export const withoutNotes = (sheet: Sheet): Sheet => ({
  ...sheet,
  stages: sheet.stages.map(({ notes: _, ...stage }) => stage),
});

/** A sheet as students get it: without notes, and what was drawn for them being as drawn. */
export const forReaders = (sheet: Sheet): Sheet => ({
  ...withoutNotes(sheet),
  tasks: sheet.tasks.map(({ varied: _, ...task }) => task as Task),
});
