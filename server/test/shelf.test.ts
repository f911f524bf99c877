import { lessonFileSchema } from '@bogen/contract';
import { lessonVersion, newSheet, type LessonDocument } from '@bogen/core/lesson';
import { demoLessons, nearAndFar } from '@bogen/demo';
import Ajv2020 from 'ajv/dist/2020.js';
import { beforeEach, describe, expect, it } from 'vitest';
import { purgeDeleted } from '../src/forget/purge.js';
import { TestServer, type Visitor } from './harness.js';

const server = new TestServer('shelf');
let teacher: Visitor;
let course: string;

const document = (title: string): LessonDocument => ({
  version: lessonVersion,
  title,
  sheets: [newSheet({ id: 's', title: `Sheet of ${title}`, figure: nearAndFar.sheets[0]!.figure })],
});
const make = async (title: string, whole = document(title)): Promise<string> =>
  (await teacher.call('createLesson', { params: { course }, body: { document: whole } })).id;
const shelf = () => teacher.call('shelf');
const lessons = async (id = course) => (await shelf()).courses.find((one) => one.id === id)?.lessons ?? [];
const titles = async (id = course) => (await lessons(id)).map(({ title }) => title);

beforeEach(async () => {
  teacher = await server.stranger();
  course = (await teacher.call('createCourse', { body: { title: 'Ribs' } })).id;
});

describe('what stands on a shelf', () => {
  it('is named, put in another place, and moved to another course', async () => {
    const [a, b, c] = [await make('A'), await make('B'), await make('C')];
    expect(await titles()).toEqual(['A', 'B', 'C']);
    await teacher.call('changeLesson', { params: { lesson: c }, body: { at: 0 } });
    expect(await titles()).toEqual(['C', 'A', 'B']);
    await teacher.call('changeLesson', { params: { lesson: c }, body: { at: 99, title: 'Last' } });
    expect(await titles()).toEqual(['A', 'B', 'Last']);
    // The name is a step of the lesson, which the writer can undo.
    const draft = await teacher.call('draft', { params: { lesson: c } });
    expect(draft).toMatchObject({ revision: 1, document: { title: 'Last' } });
    const other = (await teacher.call('createCourse', { body: { title: 'Plates' } })).id;
    await teacher.call('changeLesson', { params: { lesson: a }, body: { course: other } });
    expect([await titles(), await titles(other)]).toEqual([['B', 'Last'], ['A']]);
    await teacher.call('changeCourse', {
      params: { course: other },
      body: { title: 'Plates and ribs', at: 0 },
    });
    expect((await shelf()).courses.map(({ title }) => title)).toEqual(['Plates and ribs', 'Ribs']);
    expect(b).toBeDefined();
  });

  it('is copied: a lesson beside itself, a course with all its lessons', async () => {
    const [a] = [await make('A'), await make('B')];
    await teacher.call('copyLesson', { params: { lesson: a }, body: { title: 'A again' } });
    expect(await titles()).toEqual(['A', 'A again', 'B']);
    const { id } = await teacher.call('copyCourse', {
      params: { course },
      body: { title: 'Ribs, next year' },
    });
    expect(await titles(id)).toEqual(['A', 'A again', 'B']);
    // What is changed in the copy is not changed in the other.
    await teacher.call('changeLesson', {
      params: { lesson: (await lessons(id))[0]!.id },
      body: { title: 'Z' },
    });
    expect(await titles()).toEqual(['A', 'A again', 'B']);
  });

  it('is put away and brought back; students go on with it meanwhile', async () => {
    const a = await make('A');
    await teacher.call('changeLesson', { params: { lesson: a }, body: { archived: true } });
    expect(await lessons()).toMatchObject([{ archived: true }]);
    await teacher.call('changeLesson', { params: { lesson: a }, body: { archived: false } });
    await teacher.call('changeCourse', { params: { course }, body: { archived: true } });
    expect((await shelf()).courses).toMatchObject([{ archived: true, lessons: [{ archived: false }] }]);
  });

  it('is deleted, told until when it is kept, and brought back', async () => {
    const a = await make('A');
    await teacher.call('changeLesson', { params: { lesson: a }, body: { deleted: true } });
    expect(await lessons()).toEqual([]);
    const { deleted } = await shelf();
    expect(deleted).toMatchObject([{ kind: 'lesson', id: a, title: 'A' }]);
    const days = (Date.parse(deleted[0]!.until) - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(29.9);
    expect(days).toBeLessThanOrEqual(30);
    expect(await teacher.problem('draft', { params: { lesson: a } })).toMatchObject({ type: 'not-found' });
    await teacher.call('changeLesson', { params: { lesson: a }, body: { deleted: false } });
    expect(await titles()).toEqual(['A']);
    await teacher.call('changeCourse', { params: { course }, body: { deleted: true } });
    expect(await shelf()).toMatchObject({ courses: [], deleted: [{ kind: 'course', title: 'Ribs' }] });
    expect(await teacher.problem('draft', { params: { lesson: a } })).toMatchObject({ type: 'not-found' });
    await teacher.call('changeCourse', { params: { course }, body: { deleted: false } });
    expect(await titles()).toEqual(['A']);
  });

  it('is nobody else’s', async () => {
    const a = await make('A');
    const other = await server.stranger();
    const own = (await other.call('createCourse', { body: { title: 'Mine' } })).id;
    for (const attempt of [
      other.problem('changeLesson', { params: { lesson: a }, body: { deleted: true } }),
      other.problem('changeLesson', { params: { lesson: a }, body: { title: 'X' } }),
      other.problem('copyLesson', { params: { lesson: a }, body: { title: 'X' } }),
      other.problem('lessonFile', { params: { lesson: a } }),
      other.problem('changeCourse', { params: { course }, body: { title: 'X' } }),
      other.problem('copyCourse', { params: { course }, body: { title: 'X' } }),
      teacher.problem('changeLesson', { params: { lesson: a }, body: { course: own } }),
    ])
      expect(await attempt).toMatchObject({ type: 'not-found' });
    expect(await titles()).toEqual(['A']);
  });
});

describe('what was deleted', () => {
  it('goes for good after its time, with what students did on it, and nothing else goes', async () => {
    const [a, b] = [await make('A'), await make('B')];
    const made = await teacher.call('createClass', { params: { course }, body: { name: 'Bench' } });
    for (const lesson of [a, b]) await teacher.call('publish', { params: { lesson }, body: { revision: 0 } });
    const student = server.visitor();
    await student.call('join', { body: { code: made.code, name: 'Wim Aster' } });
    const open = async (lesson: string) => {
      const { edition } = await student.call('readLesson', { params: { lesson } });
      return student.call('openWork', {
        params: { edition: edition.id, sheet: 's', stage: 'first' },
        body: {},
      });
    };
    await open(a);
    await open(b);
    const streams = async () =>
      Number(
        (
          await server.db
            .selectFrom('stream')
            .select(({ fn }) => fn.countAll().as('n'))
            .executeTakeFirstOrThrow()
        ).n,
      );
    const before = await streams();
    await teacher.call('changeLesson', { params: { lesson: a }, body: { deleted: true } });
    // Students do not get it any more, and what they did is kept as long as it can come back.
    expect(await student.problem('readLesson', { params: { lesson: a } })).toMatchObject({
      type: 'not-found',
    });
    expect(await purgeDeleted(server.db)).toBe(0);
    expect(await streams()).toBe(before);
    expect(await purgeDeleted(server.db, new Date(Date.now() + 1000))).toBe(1);
    expect(await streams()).toBe(before - 2);
    expect(await titles()).toEqual(['B']);
    await open(b);
    expect((await shelf()).deleted).toEqual([]);
  });
});

describe('finding', () => {
  it('goes over titles and texts, whatever the capitals, and tells what stands around', async () => {
    const whole = document('Bouts');
    const prose = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [{ type: 'text', text: 'The upper bout is 100 % rounder than the waist.' }],
        },
      ],
    } as const;
    await make('Bouts', { ...whole, sheets: [{ ...whole.sheets[0]!, prose }] });
    const find = async (text: string) =>
      (await teacher.call('findInLessons', { query: { text } })).found.map(({ sheetTitle, excerpt }) => [
        sheetTitle,
        excerpt,
      ]);
    expect(await find('UPPER bout')).toEqual([
      ['Sheet of Bouts', 'The upper bout is 100 % rounder than the waist.'],
    ]);
    expect(await find('sheet of')).toEqual([['Sheet of Bouts', '']]);
    // What means something in a search of the database means itself here.
    expect(await find('100 %')).toHaveLength(1);
    for (const nothing of ['1__', '%waist%', "'; drop table lesson; --", 'paragraph']) {
      expect(await find(nothing)).toEqual([]);
    }
    const other = await server.stranger();
    expect((await other.call('findInLessons', { query: { text: 'bout' } })).found).toEqual([]);
  });
});

/** As text with the fields of every object in one order. */
const sorted = (of: unknown): string =>
  JSON.stringify(of, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );

const pixel =
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

describe('a lesson as a file', () => {
  const add = (file: unknown) => teacher.call('addLessonFile', { params: { course }, body: { file } });
  const refusal = async (file: unknown): Promise<string> => {
    const problem = await teacher.problem('addLessonFile', { params: { course }, body: { file } });
    expect(problem.type).toBe('refused');
    expect(await lessons()).toHaveLength(1);
    return problem.detail;
  };
  const withPicture = async (): Promise<LessonDocument> => {
    const { id } = await teacher.call('addPicture', { body: { data: pixel } });
    const whole = document('With a picture');
    const [sheet] = whole.sheets;
    const picture = {
      id: 'pic',
      name: 'Scan',
      kind: 'picture',
      picture: id,
      size: [1, 1],
      centre: [0, 0],
      width: 10,
      angle: 0,
      flipped: false,
      fade: 0.5,
    };
    return {
      ...whole,
      sheets: [
        { ...sheet!, figure: { ...sheet!.figure, items: [...sheet!.figure.items, picture as never] } },
      ],
    };
  };

  it('goes out and comes in at another instructor’s, with its pictures', async () => {
    const whole = await withPicture();
    const lesson = await make('With a picture', whole);
    const file = await teacher.call('lessonFile', { params: { lesson } });
    expect(Object.values(file.pictures)).toMatchObject([{ mediaType: 'image/png' }]);
    const other = await server.stranger();
    const own = (await other.call('createCourse', { body: { title: 'Theirs' } })).id;
    const added = await other.call('addLessonFile', { params: { course: own }, body: { file } });
    expect(added.title).toBe('With a picture');
    const again = await other.call('lessonFile', { params: { lesson: added.id } });
    const [before] = Object.keys(file.pictures);
    const [after] = Object.keys(again.pictures);
    expect(after).not.toBe(before);
    expect(JSON.stringify(again).replaceAll(after!, before!)).toBe(JSON.stringify(file));
  });

  it.each(demoLessons.map(({ document: { title }, file }) => [title, file] as const))(
    'comes in and goes out unchanged: %s, of the demo course',
    async (_, file) => {
      const added = await add(file);
      const again = await teacher.call('lessonFile', { params: { lesson: added.id } });
      // Its pictures get ids of their own.
      const signed = (of: { readonly lesson: object; readonly pictures: object }): unknown => {
        const text = sorted(of.lesson);
        const ids = Object.keys(of.pictures).sort((a, b) => text.indexOf(a) - text.indexOf(b));
        const pictures = ids.map((id) => (of.pictures as Record<string, unknown>)[id]);
        return [ids.reduce((all, id, at) => all.replaceAll(id, `picture ${at}`), text), pictures];
      };
      expect(signed(again)).toEqual(signed(file as typeof again));
    },
  );

  it('is described by a JSON Schema that the server gives to anyone', async () => {
    const lesson = await make('Demo', nearAndFar);
    const file = await teacher.call('lessonFile', { params: { lesson } });
    const response = await server.visitor().fetch('/schemas/lesson-file.json');
    expect(response.headers.get('content-type')).toContain('application/schema+json');
    const schema = (await response.json()) as object;
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema);
    expect(validate(file), JSON.stringify(validate.errors)).toBe(true);
    expect(validate({ ...file, lesson: { ...file.lesson, title: 5 } })).toBe(false);
    expect(validate({ ...file, extra: 1 })).toBe(false);
    expect(lessonFileSchema.safeParse(file).success).toBe(true);
    // The validator makes a program of the whole schema, which a busy machine takes its time for.
  }, 90_000);

  it('of an earlier version is brought to this one', async () => {
    const { version: _, ...whole } = document('Old');
    const [{ stages: __, tasks: ___, ...sheet }] = whole.sheets as never as [Record<string, unknown>];
    await add({
      format: 'bogen-lesson',
      version: 1,
      pictures: {},
      lesson: { ...whole, version: 1, sheets: [sheet] },
    });
    expect(await titles()).toEqual(['Old']);
  });

  it('that is broken or too new is refused with the reason and the place, and changes nothing', async () => {
    const whole = await withPicture();
    const lesson = await make('Kept', whole);
    const file = (await teacher.call('lessonFile', { params: { lesson } })) as never as {
      pictures: Record<string, object>;
      lesson: LessonDocument;
    };
    const [sheet] = file.lesson.sheets;
    const before = await teacher.call('shelf');
    const change = (part: object) => ({ ...file, lesson: { ...file.lesson, ...part } });
    expect(await refusal({ hello: 1 })).toMatch(/not a lesson file.*format/);
    expect(await refusal(null)).toMatch(/not a lesson file/);
    expect(await refusal({ ...file, version: 2 })).toMatch(/version/);
    expect(await refusal(change({ version: lessonVersion + 1 }))).toMatch(/newer|version 3/i);
    expect(await refusal(change({ version: 'x' }))).toMatch(/version/);
    expect(await refusal(change({ sheets: [{ ...sheet, title: 7 }] }))).toMatch(/sheets\.0\.title/);
    expect(
      await refusal(change({ sheets: [{ ...sheet, figure: { ...sheet!.figure, items: [null] } }] })),
    ).toMatch(/sheets\.0\.figure|another shape/);
    expect(await refusal(change({ sheets: [sheet, { ...sheet, id: 'x', title: ' ' }] }))).toMatch(/Sheet 2/);
    expect(await refusal({ ...file, pictures: {} })).toMatch(/not in the file/);
    const [id] = Object.keys(file.pictures);
    expect(
      await refusal({
        ...file,
        pictures: { [id!]: { mediaType: 'image/png', data: 'bm90IGEgcGljdHVyZQ==' } },
      }),
    ).toMatch(/Picture 1 of the file.*not a PNG/);
    const hostile = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'x', marks: [{ type: 'link', attrs: { href: 'javascript:alert(1)' } }] },
          ],
        },
      ],
    };
    expect(await refusal(change({ sheets: [{ ...sheet, prose: hostile }] }))).toMatch(/Sheet 1/);
    expect(await teacher.call('shelf')).toEqual(before);
  });
});
