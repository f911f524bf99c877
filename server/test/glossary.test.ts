import { termLimit } from '@bogen/contract';
import { nearAndFar } from '@bogen/demo';
import { expect, it } from 'vitest';
import { nearAndFarOf, TestServer } from './harness.js';

const server = new TestServer('glossary');
const figure = nearAndFar.sheets[0]!.figure;

it('a course has terms of its own, which its instructor adds and its students get with its lessons', async () => {
  const teacher = await server.signedIn();
  const [course] = (await teacher.call('shelf')).courses;
  const params = { course: course!.id };
  const { id } = await teacher.call('addTerm', {
    params,
    body: { term: 'Upper bout', sentence: 'The wide part above the waist.', figure },
  });
  await teacher.call('addTerm', {
    params,
    body: { term: 'Purfling', sentence: 'An inlaid line along the edge.' },
  });
  const student = await server.student('Gro Term');
  const lesson = nearAndFarOf(course!.lessons).id;
  expect((await student.call('readLesson', { params: { lesson } })).terms).toMatchObject([
    { term: 'Purfling', figure: null },
    { term: 'Upper bout', sentence: 'The wide part above the waist.', figure },
  ]);
  // Without a figure in the change it keeps the one that it has.
  await teacher.call('changeTerm', {
    params: { ...params, term: id },
    body: { term: 'Upper bout', sentence: 'The part above the waist.' },
  });
  expect((await teacher.call('terms', { params })).terms[1]).toMatchObject({
    sentence: 'The part above the waist.',
    figure,
  });
  const twice = { params, body: { term: 'purfling', sentence: 'Again.' } };
  expect((await teacher.problem('addTerm', twice)).detail).toContain('has “purfling” already');
  const broken = { params, body: { term: 'X', sentence: 'X.', figure: { version: 1 } } };
  expect((await teacher.problem('addTerm', broken)).detail).toContain('incomplete');
  await teacher.call('removeTerm', { params: { ...params, term: id }, body: {} });
  const gone = { params: { ...params, term: id }, body: { term: 'X', sentence: 'X.' } };
  expect((await teacher.problem('changeTerm', gone)).type).toBe('not-found');

  const other = await server.stranger();
  expect((await other.problem('terms', { params })).type).toBe('not-found');
  expect((await other.problem('addTerm', twice)).type).toBe('not-found');
  expect((await student.problem('terms', { params })).type).toBe('not-allowed');
});

it('a glossary has room for so many', async () => {
  const teacher = await server.stranger();
  const params = { course: (await teacher.call('createCourse', { body: { title: 'Many' } })).id };
  await server.db
    .insertInto('term')
    .values(
      Array.from({ length: termLimit }, (_, k) => ({
        course_id: params.course,
        term: `term ${k}`,
        sentence: 'One.',
        figure: null,
      })),
    )
    .execute();
  expect(
    await teacher.problem('addTerm', { params, body: { term: 'one more', sentence: 'One.' } }),
  ).toMatchObject({
    type: 'refused',
  });
});
