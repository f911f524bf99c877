import { demoClass } from '@bogen/demo';
import { describe, expect, it } from 'vitest';
import { purgeDeleted } from '../src/forget/purge.js';
import { nameKey } from '../src/name/nameKey.js';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('students');
const day = 24 * 60 * 60 * 1000;

async function classOf(instructor: Visitor): Promise<string> {
  const { courses } = await instructor.call('shelf');
  return courses[0]!.classes[0]!.id;
}

/** A new class of the demo course, with its code. */
async function newClass(instructor: Visitor, name: string): Promise<{ id: string; code: string }> {
  const { courses } = await instructor.call('shelf');
  return instructor.call('createClass', { params: { course: courses[0]!.id }, body: { name } });
}

async function joined(
  code: string,
  name: string,
): Promise<{ visitor: Visitor; id: string; returnKey: string }> {
  const visitor = server.visitor();
  const { student, returnKey } = await visitor.call('join', { body: { code, name } });
  return { visitor, id: student.id, returnKey };
}

/** Opens the first sheet and moves a point. */
async function works(visitor: Visitor, x: number): Promise<{ work: string; lesson: string }> {
  const { lessons } = await visitor.call('classHome');
  const lesson = nearAndFarOf(lessons).id;
  const { edition, sheets } = await visitor.call('readLesson', { params: { lesson } });
  const sheet = sheets[0]!;
  const open = await visitor.call('openWork', {
    params: { edition: edition.id, sheet: sheet.id, stage: sheet.stages[0]!.id },
    body: {},
  });
  await visitor.call('appendToWork', {
    params: { work: open.id },
    body: {
      base: open.revision,
      steps: [
        {
          id: crypto.randomUUID(),
          kind: 'do',
          command: { name: 'moveControlPoint', item: 'waist', index: 4, to: [x, 30] },
        },
      ],
    },
  });
  return { work: open.id, lesson };
}

describe('a class', () => {
  it('is renamed, gets another code, and tells its students when it is closed', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Spring bench');
    const params = { class: id };
    const { visitor } = await joined(code, 'Mona Rill');
    const { work } = await works(visitor, 160);
    await instructor.call('changeClass', { params, body: { name: 'Summer bench', daysKept: 90 } });
    const { code: next } = await instructor.call('newClassCode', { params, body: {} });
    expect(await server.visitor().problem('join', { body: { code, name: 'Late' } })).toMatchObject({
      type: 'wrong-class-code',
    });
    await instructor.call('changeClass', { params, body: { closed: true } });
    expect(await instructor.call('desk', { params })).toMatchObject({
      className: 'Summer bench',
      code: next,
      daysKept: 90,
      closedAt: expect.any(String) as string,
    });
    expect(await server.visitor().problem('join', { body: { code: next, name: 'Late' } })).toMatchObject({
      type: 'refused',
    });
    // Who is in still looks, and nothing is saved.
    expect(await visitor.call('session')).toMatchObject({ student: { closed: true } });
    await visitor.call('classHome');
    const step = {
      id: crypto.randomUUID(),
      kind: 'do' as const,
      command: {
        name: 'moveControlPoint' as const,
        item: 'waist',
        index: 4,
        to: [150, 30] as [number, number],
      },
    };
    const save = { params: { work }, body: { base: 1, steps: [step] } };
    expect(await visitor.problem('appendToWork', save)).toMatchObject({ type: 'not-allowed' });
    await instructor.call('changeClass', { params, body: { closed: false } });
    await visitor.call('appendToWork', save);
  });

  it('that is deleted lets nobody in, comes back whole, and is gone after thirty days', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Short bench');
    const params = { class: id };
    const { visitor, returnKey } = await joined(code, 'Nils Orrin');
    await works(visitor, 155);
    await instructor.call('changeClass', { params, body: { deleted: true } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    expect(await server.visitor().problem('comeBack', { body: { code, returnKey } })).toMatchObject({
      type: 'wrong-class-code',
    });
    expect(await instructor.problem('desk', { params })).toMatchObject({ type: 'not-found' });
    expect((await instructor.call('shelf')).deleted).toMatchObject([
      { kind: 'class', id, title: 'Short bench' },
    ]);
    await instructor.call('changeClass', { params, body: { deleted: false } });
    expect(await visitor.call('session')).toMatchObject({ who: 'student' });
    await instructor.call('changeClass', { params, body: { deleted: true } });
    expect(await purgeDeleted(server.db)).toBe(0);
    const streams = await server.db.selectFrom('stream').select('id').execute();
    expect(await purgeDeleted(server.db, new Date(Date.now() + day))).toBeGreaterThan(0);
    expect(await server.db.selectFrom('student').where('class_id', '=', id).selectAll().execute()).toEqual(
      [],
    );
    expect(await server.db.selectFrom('stream').select('id').execute()).toHaveLength(streams.length - 1);
  });

  it('keeps its students for as long after it closed as it is set, and no longer', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Old bench');
    await joined(code, 'Ossian Tam');
    await instructor.call('changeClass', { params: { class: id }, body: { closed: true, daysKept: 10 } });
    const there = async () =>
      (await server.db.selectFrom('student').where('class_id', '=', id).select('id').execute()).length;
    await purgeDeleted(server.db);
    expect(await there()).toBe(1);
    await server.db
      .updateTable('class')
      .set({ closed_at: new Date(Date.now() - 11 * day) })
      .where('id', '=', id)
      .execute();
    await purgeDeleted(server.db);
    expect(await there()).toBe(0);
    await instructor.call('desk', { params: { class: id } });
  });
});

describe('names', () => {
  it('that look the same are the same', () => {
    const same = [
      ['Anna Rill', 'аnna  rill', 'ANNA RILL', 'Аnnа\u200b Rill', 'Anna\u00a0Rill'],
      ['Ilse', 'lIse', 'ilse', 'I\u200dlse'],
      ['Jon-Paul', 'Jon Paul', 'jon‑paul'],
      ['Oda', '0da', 'ΟDA'],
    ];
    for (const [first, ...others] of same)
      for (const other of others) expect(nameKey(other), other).toBe(nameKey(first!));
    const apart = ['Zoë', 'Zoe', 'Anna', 'Anne', 'Jon', 'Jonas', '安娜', 'Ким'];
    expect(new Set(apart.map(nameKey)).size).toBe(apart.length);
  });

  it('are not taken twice in a class', async () => {
    await server.student('Petra Ilk');
    for (const name of ['petra ilk', 'Рetra Ilk', 'Petra  llk']) {
      expect(await server.visitor().problem('join', { body: { code: demoClass.code, name } })).toMatchObject({
        type: 'name-taken',
      });
    }
  });
});

describe('a list of students', () => {
  it('is put in beforehand; each comes by a key, and who is there already is told', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Listed bench');
    const params = { class: id };
    const names = ['Quirin Sand', 'Rosa Teal', 'rosa  teal', 'Sven Umber'];
    const { added, taken } = await instructor.call('addStudents', { params, body: { names } });
    expect(added.map(({ name }) => name)).toEqual(['Quirin Sand', 'Rosa Teal', 'Sven Umber']);
    expect(taken).toEqual(['rosa  teal']);
    const before = await instructor.call('desk', { params });
    expect(before.students.map(({ hasJoined }) => hasJoined)).toEqual([false, false, false]);
    const visitor = server.visitor();
    await visitor.call('comeBack', { body: { code, returnKey: added[0]!.returnKey } });
    const after = await instructor.call('desk', { params });
    expect(after.students.map(({ hasJoined }) => hasJoined)).toEqual([true, false, false]);
    // Keys made anew end the old ones, and sessions with them.
    const { students } = await instructor.call('newKeys', {
      params,
      body: { students: added.map(({ id: student }) => student) },
    });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    await visitor.call('comeBack', { body: { code, returnKey: students[0]!.returnKey } });
    expect(
      await server.visitor().problem('comeBack', { body: { code, returnKey: added[0]!.returnKey } }),
    ).toMatchObject({ type: 'wrong-return-key' });
  });
});

describe('a student', () => {
  it('is renamed, moved, removed and brought back', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Bench one');
    const other = await newClass(instructor, 'Bench two');
    const { visitor, id: student } = await joined(code, 'Tilda Voss');
    await joined(code, 'Uli Wren');
    const params = { class: id, student };
    expect(await instructor.problem('changeStudent', { params, body: { name: 'uli wren' } })).toMatchObject({
      type: 'name-taken',
    });
    await instructor.call('changeStudent', { params, body: { name: 'Tilda Vossberg' } });
    await instructor.call('changeStudent', { params, body: { removed: true } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    const desk = await instructor.call('desk', { params: { class: id } });
    expect(desk.students.map(({ name }) => name)).toEqual(['Uli Wren']);
    expect(desk.removed).toMatchObject([{ id: student, name: 'Tilda Vossberg' }]);
    // Somebody else of that name came in the meantime: back under another one.
    await joined(code, 'Tilda Vossberg');
    expect(await instructor.problem('changeStudent', { params, body: { removed: false } })).toMatchObject({
      type: 'name-taken',
    });
    await instructor.call('changeStudent', { params, body: { name: 'Tilda V. the first' } });
    await instructor.call('changeStudent', { params, body: { removed: false } });
    await instructor.call('changeStudent', { params, body: { class: other.id } });
    const moved = await instructor.call('desk', { params: { class: other.id } });
    expect(moved.students.map(({ name }) => name)).toEqual(['Tilda V. the first']);
    const stranger = await server.stranger();
    expect(
      await stranger.problem('changeStudent', { params: { class: other.id, student }, body: { name: 'x' } }),
    ).toMatchObject({ type: 'not-found' });
  });

  it('who came in twice is made one, and nothing of the work of either is lost', async () => {
    const instructor = await server.signedIn();
    const { id, code } = await newClass(instructor, 'Double bench');
    const first = await joined(code, 'Vera Xan');
    const second = await joined(code, 'Vera X.');
    await works(first.visitor, 150);
    const { lesson } = await works(second.visitor, 140);
    const { edition, sheets } = await second.visitor.call('readLesson', { params: { lesson } });
    const sheet = sheets[0]!;
    const task = sheet.tasks[0]!;
    for (const { visitor } of [first, second])
      await visitor.call('checkTask', {
        params: { edition: edition.id, sheet: sheet.id, task: task.id },
        body: {},
      });
    const params = { class: id, student: first.id };
    expect(await instructor.problem('mergeStudents', { params, body: { from: first.id } })).toMatchObject({
      type: 'refused',
    });
    expect(await instructor.call('mergeStudents', { params, body: { from: second.id } })).toEqual({
      toBench: 1,
    });
    expect(await second.visitor.call('session')).toEqual({ who: 'nobody' });
    const desk = await instructor.call('desk', { params: { class: id }, query: { lesson } });
    expect(desk.students).toMatchObject([{ name: 'Vera Xan', work: [{ attempts: 2 }] }]);
    // The work that was changed last is the one that stays, and it can be undone by who has it now.
    const open = await first.visitor.call('openWork', {
      params: { edition: edition.id, sheet: sheet.id, stage: sheet.stages[0]!.id },
      body: {},
    });
    expect(JSON.stringify(open.document)).toContain('[140,30]');
    expect(open.undoable).toHaveLength(1);
    const { figures } = await first.visitor.call('bench');
    expect(figures).toHaveLength(1);
    const { figure } = await first.visitor.call('benchFigure', { params: { figure: figures[0]!.id } });
    expect(JSON.stringify(figure)).toContain('[150,30]');
  });

  it('takes what is kept along, and is erased', async () => {
    const instructor = await server.signedIn();
    const group = await classOf(instructor);
    const { visitor, id } = await joined(demoClass.code, 'Wanda Yule');
    await works(visitor, 145);
    const params = { class: group, student: id };
    const own = await visitor.call('ownData');
    const given = await instructor.call('studentData', { params });
    expect(given).toMatchObject({ kind: 'student', name: 'Wanda Yule', work: [{ steps: [{ kind: 'do' }] }] });
    expect({ ...(own as object) }).toEqual(given);
    expect(JSON.stringify(own)).not.toMatch(/hash|token/i);
    expect(await instructor.problem('eraseStudent', { params, body: { name: 'Wanda' } })).toMatchObject({
      type: 'refused',
    });
    await instructor.call('eraseStudent', { params, body: { name: 'Wanda Yule' } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    expect(await instructor.problem('studentData', { params })).toMatchObject({ type: 'not-found' });
    const log = JSON.stringify(await instructor.call('audit'));
    expect(log).not.toContain('Wanda');

    const self = await joined(demoClass.code, 'Xaver Zeal');
    await self.visitor.call('eraseOwnData', { body: { name: 'Xaver Zeal' } });
    expect(await self.visitor.call('session')).toEqual({ who: 'nobody' });
  });
});

describe('a co-instructor', () => {
  it('writes the course and sees its classes, and that is all', async () => {
    const owner = await server.signedIn();
    const helper = await server.stranger();
    const session = await helper.call('session');
    if (session.who !== 'instructor') throw new Error('not signed in');
    const { email, id: instructor } = session.instructor;
    const { courses } = await owner.call('shelf');
    const { id: course, lessons } = courses[0]!;
    const lesson = nearAndFarOf(lessons).id;
    const group = await classOf(owner);
    const params = { course };
    expect(await helper.problem('draft', { params: { lesson } })).toMatchObject({ type: 'not-found' });
    expect(
      await owner.problem('addCourseInstructor', { params, body: { email: 'no@one.example' } }),
    ).toMatchObject({
      type: 'refused',
    });
    await owner.call('addCourseInstructor', { params, body: { email } });
    expect(await owner.problem('addCourseInstructor', { params, body: { email } })).toMatchObject({
      type: 'refused',
    });
    expect((await helper.call('shelf')).courses).toMatchObject([{ id: course, owner: 'Mirela Kastan' }]);
    await helper.call('draft', { params: { lesson } });
    expect(await helper.call('desk', { params: { class: group } })).toMatchObject({ isOwn: false });
    const { students } = await helper.call('desk', { params: { class: group } });
    const student = students[0]!.id;
    for (const problem of [
      await helper.problem('changeClass', { params: { class: group }, body: { closed: true } }),
      await helper.problem('changeStudent', { params: { class: group, student }, body: { name: 'x' } }),
      await helper.problem('newKeys', { params: { class: group }, body: { students: [student] } }),
      await helper.problem('studentData', { params: { class: group, student } }),
      await helper.problem('changeCourse', { params, body: { title: 'Mine' } }),
      await helper.problem('handOverCourse', { params, body: { email, stay: false } }),
      await helper.problem('handOverLesson', { params: { lesson }, body: { email } }),
      await helper.problem('createClass', { params, body: { name: 'Mine' } }),
    ])
      expect(problem).toMatchObject({ type: 'not-allowed' });
    expect(
      await helper.problem('changeLesson', { params: { lesson }, body: { deleted: true } }),
    ).toMatchObject({
      type: 'not-found',
    });
    await owner.call('handOverCourse', { params, body: { email, stay: true } });
    expect((await owner.call('shelf')).courses).toMatchObject([{ id: course, owner: 'Stranger' }]);
    await helper.call('handOverLesson', { params: { lesson }, body: { email: 'mirela@ellerbrook.example' } });
    const shelf = await owner.call('shelf');
    expect(shelf.courses).toMatchObject([
      { title: 'Lines of a viol', owner: null, lessons: [{ id: lesson }] },
      { id: course },
    ]);
    await owner.call('removeCourseInstructor', {
      params: { course, instructor: await ownId(owner) },
      body: {},
    });
    expect((await owner.call('shelf')).courses).toHaveLength(1);
    expect(await helper.call('courseInstructors', { params })).toMatchObject({
      owner: { id: instructor },
      instructors: [],
    });
  });
});

async function ownId(visitor: Visitor): Promise<string> {
  const session = await visitor.call('session');
  return session.who === 'instructor' ? session.instructor.id : '';
}
