import type { Tx } from '../db/connect.js';

/**
 * Puts something at a place of its row: the others keep their order, and all get places anew.
 * @param ids the row as it is, with what is moved anywhere in it or not at all
 */
export async function putAt(
  tx: Tx,
  table: 'course' | 'lesson',
  ids: readonly string[],
  moved: string,
  at: number,
): Promise<void> {
  const row = ids.filter((id) => id !== moved);
  row.splice(Math.min(at, row.length), 0, moved);
  for (const [place, id] of row.entries())
    await tx.updateTable(table).set({ place }).where('id', '=', id).execute();
}
