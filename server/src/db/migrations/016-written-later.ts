import { sql, type Kysely } from 'kysely';

/**
 * The document of a stream need not be written with every step: it is kept as it was at a revision, and the steps after
 * that one make the present one of it. It lies beside its row, so that a save that leaves it alone writes a small row.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of [
    `alter table stream add column document_revision integer not null default 0`,
    `update stream set document_revision = revision`,
    `alter table stream set (toast_tuple_target = 128)`,
  ])
    await sql.raw(statement).execute(db);
}
