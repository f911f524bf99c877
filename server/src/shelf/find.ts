import { toldByServer, type Answer } from '@bogen/contract';
import { sql, type QueryResult } from 'kysely';
import { isStatementTimeout, type Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';

/** The most sheets that a search answers with. */
const mostFound = 40;
/** Signs around the words that were found. */
const around = 60;

interface Row {
  readonly lesson: string;
  readonly lessonTitle: string;
  readonly courseTitle: string;
  readonly sheet: string;
  readonly sheetTitle: string;
  readonly prose: string;
}

/** The sheets of an instructor's lessons that have some words in their titles or texts; capitals do not count. */
export async function findInLessons(db: Db, owner: string, text: string): Promise<Answer<'findInLessons'>> {
  const pattern = `%${text.replace(/[\\%_]/g, '\\$&')}%`;
  const { rows } = await found(db, owner, pattern).catch((error: unknown) => {
    if (isStatementTimeout(error)) throw new HttpProblem('too-costly', toldByServer('takesTooLong'));
    throw error;
  });
  return {
    found: rows.slice(0, mostFound).map(({ prose, ...row }) => ({ ...row, excerpt: excerptOf(prose, text) })),
    isMore: rows.length > mostFound,
  };
}

/** The sheets in whose titles or texts a pattern is. */
function found(db: Db, owner: string, pattern: string): Promise<QueryResult<Row>> {
  return db.transaction().execute(async (tx) => {
    // All texts are gone through: a shelf that is too large for that ends the search and not the server.
    await sql`set local statement_timeout = 2000`.execute(tx);
    return sql<Row>`
      select lesson.id as "lesson", stream.document ->> 'title' as "lessonTitle", course.title as "courseTitle",
        sheet ->> 'id' as "sheet", sheet ->> 'title' as "sheetTitle", prose.text as "prose"
      from course
      join lesson on lesson.course_id = course.id
      join stream on stream.id = lesson.stream_id
      cross join lateral jsonb_array_elements(stream.document -> 'sheets') with ordinality as sheets (sheet, number)
      cross join lateral (
        select coalesce(string_agg(part #>> '{}', ' '), '') as text
        from jsonb_path_query(sheet -> 'prose', 'strict $.** ? (@.type() == "object" && @.type == "text").text') as part
      ) as prose
      where (course.instructor_id = ${owner} or exists (select from course_instructor as member
          where member.course_id = course.id and member.instructor_id = ${owner})) and course.deleted_at is null and lesson.deleted_at is null
        and (prose.text ilike ${pattern} or sheet ->> 'title' ilike ${pattern}
          or stream.document ->> 'title' ilike ${pattern})
      order by course.place, lesson.place, number
      limit ${mostFound + 1}
    `.execute(tx);
  });
}

/** The words with what stands around them. */
function excerptOf(prose: string, text: string): string {
  const at = prose.toLowerCase().indexOf(text.toLowerCase());
  if (at < 0) return '';
  const [from, to] = [Math.max(0, at - around), Math.min(prose.length, at + text.length + around)];
  return `${from > 0 ? '…' : ''}${prose.slice(from, to)}${to < prose.length ? '…' : ''}`;
}
