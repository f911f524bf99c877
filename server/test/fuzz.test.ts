import { endpoints, type EndpointName } from '@bogen/contract';
import { emptyFigure } from '@bogen/core/figure';
import fc, { type Arbitrary } from 'fast-check';
import { z, type ZodType } from 'zod';
import { describe, expect, it } from 'vitest';
import { arbitraryOf, type JsonSchema } from './arbitrary.js';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('fuzz');
/** Bodies for all endpoints together; the long run sends 10,000. */
const runs = Number(process.env['BOGEN_RUNS'] ?? 300);

/** What whoever fuzzes may do best: an administrator who owns a course, and a student of it. */
interface Scene {
  readonly instructor: Visitor;
  readonly student: Visitor;
  readonly params: Readonly<Record<string, string>>;
}

async function scene(): Promise<Scene> {
  const instructor = await server.signedIn();
  const { courses } = await instructor.call('shelf');
  const { id: course, lessons, classes } = courses[0]!;
  await instructor.call('addTerm', { params: { course }, body: { term: 'Rib', sentence: 'The side.' } });
  const { terms } = await instructor.call('terms', { params: { course } });
  const student = await server.student(`Fuzz ${crypto.randomUUID()}`);
  const lesson = nearAndFarOf(lessons).id;
  const { edition, sheets } = await student.call('readLesson', { params: { lesson } });
  const sheet = sheets[0]!;
  const stage = sheet.stages[0]!.id;
  const work = await student.call('openWork', {
    params: { edition: edition.id, sheet: sheet.id, stage },
    body: {},
  });
  const { id: figure } = await student.call('addToBench', { body: { name: 'Mine', figure: emptyFigure() } });
  const { students } = await instructor.call('classStudents', { params: { class: classes[0]!.id } });
  return {
    instructor,
    student,
    params: {
      course,
      lesson,
      class: classes[0]!.id,
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

/** Endpoints whose work takes away what the others need, or that hash a password each time; they are sent bodies that don't fit only. */
const ending: readonly EndpointName[] = [
  'signOut',
  'endSessions',
  'eraseOwnData',
  'newReturnKey',
  'changePassword',
];

const schemaOf = (schema: ZodType): JsonSchema =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as JsonSchema;

/** A request to an endpoint: a body that fits its schema, or nearly, or anything. */
function requestOf(name: EndpointName): Arbitrary<{ name: EndpointName; body: unknown; query: unknown }> {
  const { body, query } = endpoints[name] as { body?: ZodType; query?: ZodType };
  const fits = body ? arbitraryOf(schemaOf(body)) : fc.constant(undefined);
  return fc.record({
    name: fc.constant(name),
    body: ending.includes(name)
      ? fc.anything({ maxDepth: 2 })
      : fc.oneof({ arbitrary: fits, weight: 8 }, { arbitrary: fc.jsonValue({ maxDepth: 4 }), weight: 1 }),
    query: query ? arbitraryOf(schemaOf(query)) : fc.constant(undefined),
  });
}

describe('whatever is sent to an endpoint', () => {
  it('is answered or refused, and never a failure of the server', async () => {
    const { instructor, student, params } = await scene();
    const names = Object.keys(endpoints) as EndpointName[];
    await fc.assert(
      fc.asyncProperty(fc.oneof(...names.map(requestOf)), async ({ name, body, query }) => {
        const endpoint = endpoints[name];
        const who = endpoint.access === 'student' || name.includes('Bench') ? student : instructor;
        const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => params[key]!);
        const search = new URLSearchParams(
          Object.entries((query ?? {}) as object).map(([key, value]) => [key, String(value)]),
        );
        const text = JSON.stringify(body === undefined ? {} : body) ?? '{}';
        const response = await who.fetch(`${path}?${search.toString()}`, {
          method: endpoint.method.toUpperCase(),
          ...(endpoint.method === 'get'
            ? {}
            : { body: text, headers: { 'content-type': 'application/json' } }),
        });
        const answer = await response.text();
        // Busy is told with a time to wait, and is no failure.
        if (response.status >= 500 && response.status !== 503)
          throw new Error(`${name} ${text.slice(0, 2000)}: ${response.status} ${answer.slice(0, 500)}`);
      }),
      { numRuns: runs, ...(process.env['CI'] ? { seed: 20261127 } : {}) },
    );
    expect((await server.visitor().call('ready')).status).toBe('ready');
  }, 3_600_000);
});
