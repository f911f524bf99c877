import { endpoints, type EndpointName } from '@bogen/contract';
import { emptyFigure } from '@bogen/core/figure';
import { demoClass, instructor } from '@bogen/demo';
import fc, { type Arbitrary } from 'fast-check';
import { sql } from 'kysely';
import { z, type ZodType } from 'zod';
import { describe, expect, it } from 'vitest';
import { arbitraryOf, type JsonSchema } from './arbitrary.js';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';
import { holds } from '../../core/test/holds.js';

// Nothing is turned away as a flood: each body has to reach what it is sent to.
const server = new TestServer('fuzz', {}, { floods: { address: Infinity, session: Infinity } });

/** What whoever fuzzes may do best: an administrator who owns a course, and a student of it. */
interface Scene {
  readonly instructor: Visitor;
  readonly student: Visitor;
  readonly params: Readonly<Record<string, string>>;
}

let known: { readonly course: string; readonly lesson: string; readonly class: string } | undefined;

async function scene(): Promise<Scene> {
  const instructor = await server.signedIn();
  const { courses } = await instructor.call('shelf');
  // What came with the demo, whatever was made or renamed since.
  known ??= {
    course: courses[0]!.id,
    lesson: nearAndFarOf(courses[0]!.lessons).id,
    class: courses[0]!.classes[0]!.id,
  };
  const { course, lesson } = known;
  await instructor.call('addTerm', { params: { course }, body: { term: 'Rib', sentence: 'The side.' } });
  const { terms } = await instructor.call('terms', { params: { course } });
  const student = await server.student(`Fuzz ${crypto.randomUUID()}`);
  const { edition, sheets } = await student.call('readLesson', { params: { lesson } });
  const sheet = sheets[0]!;
  const stage = sheet.stages[0]!.id;
  const work = await student.call('openWork', {
    params: { edition: edition.id, sheet: sheet.id, stage },
    body: {},
  });
  const { id: figure } = await student.call('addToBench', { body: { name: 'Mine', figure: emptyFigure() } });
  const { students } = await instructor.call('classStudents', { params: { class: known.class } });
  return {
    instructor,
    student,
    params: {
      course,
      lesson,
      class: known.class,
      student: students[0]!.id,
      work: work.id,
      edition: edition.id,
      sheet: sheet.id,
      stage,
      task: sheet.tasks[0]!.id,
      term: terms[0]!.id,
      figure,
      revision: '0',
      instructor: crypto.randomUUID(),
      person: crypto.randomUUID(),
      invitation: crypto.randomUUID(),
    },
  };
}

/** What ends a session or an account is sent by somebody else each time, so that the others can go on. */
const ending: readonly EndpointName[] = [
  'signOut',
  'endSessions',
  'eraseOwnData',
  'newReturnKey',
  'changePassword',
];

/** After so many bodies what was deleted, renamed or closed by them is put right, so that there is something to send to. */
const renewed = 200;

async function putRight(): Promise<void> {
  for (const table of ['course', 'lesson', 'class'])
    await sql`update ${sql.table(table)} set deleted_at = null, archived_at = null`.execute(server.db);
  await sql`update class set closed_at = null`.execute(server.db);
  await sql`update class set code = ${demoClass.code} where id = ${known!.class}`.execute(server.db);
  await sql`update instructor set email = ${instructor.email}, role = 'administrator' where is_demo`.execute(
    server.db,
  );
  await sql`truncate guess`.execute(server.db);
}

/** Takes away what many bodies add, so that no limit is reached by it. */
async function makeRoom(): Promise<void> {
  await sql`delete from term`.execute(server.db);
  await sql`update student set removed_at = now() where id not in (select id from student order by id limit 5)`.execute(
    server.db,
  );
}

const schemaOf = (schema: ZodType): JsonSchema =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as JsonSchema;

/** A request to an endpoint: a body that fits its schema, or nearly, or anything. */
function requestOf(name: EndpointName): Arbitrary<{ name: EndpointName; body: unknown; query: unknown }> {
  const { body, query } = endpoints[name] as { body?: ZodType; query?: ZodType };
  const fits = body ? arbitraryOf(schemaOf(body)) : fc.constant(undefined);
  return fc.record({
    name: fc.constant(name),
    body: fc.oneof({ arbitrary: fits, weight: 8 }, { arbitrary: fc.jsonValue({ maxDepth: 4 }), weight: 1 }),
    query: query ? arbitraryOf(schemaOf(query)) : fc.constant(undefined),
  });
}

describe('whatever is sent to an endpoint', () => {
  it('is answered or refused, and never a failure of the server', async () => {
    let here = await scene();
    let sent = 0;
    const names = Object.keys(endpoints) as EndpointName[];
    const answered = new Map<number, number>();
    await holds(
      fc.asyncProperty(fc.oneof(...names.map(requestOf)), async ({ name, body, query }) => {
        const isEnding = ending.includes(name);
        if (++sent % renewed === 0 || isEnding) await putRight();
        if (sent % renewed === 0) {
          await makeRoom();
          here = await scene();
        }
        const { params } = here;
        const endpoint = endpoints[name];
        const isStudent = endpoint.access === 'student' || name.includes('Bench');
        const who = !isEnding
          ? here[isStudent ? 'student' : 'instructor']
          : isStudent
            ? await server.student(`Fuzz ${crypto.randomUUID()}`)
            : await server.stranger();
        const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => params[key]!);
        const search = new URLSearchParams(
          Object.entries((query ?? {}) as object).map(([key, value]): [string, string] => [
            key,
            String(value),
          ]),
        );
        const text = JSON.stringify(body === undefined ? {} : body) ?? '{}';
        const response = await who.fetch(`${path}?${search.toString()}`, {
          method: endpoint.method.toUpperCase(),
          ...(endpoint.method === 'get'
            ? {}
            : { body: text, headers: { 'content-type': 'application/json' } }),
        });
        const answer = await response.text();
        answered.set(response.status, (answered.get(response.status) ?? 0) + 1);
        // Busy is told with a time to wait, and is no failure.
        if (response.status >= 500 && response.status !== 503)
          throw new Error(`${name} ${text.slice(0, 2000)}: ${response.status} ${answer.slice(0, 500)}`);
      }),
      { numRuns: 1500 },
    );
    // A good part has to be done, or hardly anything was tried; turned away is who guesses, and nobody else.
    expect(answered.get(200) ?? 0).toBeGreaterThan(0.3 * sent);
    for (const status of [401, 429]) expect(answered.get(status) ?? 0).toBeLessThan(0.1 * sent);
    expect((await server.visitor().call('ready')).status).toBe('ready');
  }, 3_600_000);
});
