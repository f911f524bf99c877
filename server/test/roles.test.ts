import { endpoints, type EndpointName } from '@bogen/contract';
import { describe, expect, it } from 'vitest';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('roles');

/** Who asks: nobody, a student of the class and one of another, and instructors with nothing, a part or all to do with it. */
const roles = [
  'nobody',
  'student',
  'foreignStudent',
  'stranger',
  'coInstructor',
  'owner',
  'administrator',
] as const;
type Role = (typeof roles)[number];

/**
 * What comes of it: `in` is let in, whatever is said of the rest of the request; `out` has to sign in; `no` may not; `none`
 * is told that there is no such thing.
 */
type Fate = 'in' | 'out' | 'no' | 'none';

const everybody = 'in in in in in in in';
const signedIn = 'out in in in in in in';
const instructors = 'out no no in in in in';
const students = 'out in in no no no no';
const administrators = 'out no no no no no in';
/** What belongs to a course: those who write it, and for others it is not there; an administrator is nobody special in it. */
const writers = 'out no no none in in none';
const owner = 'out no no none no in none';
/** Deleting and taking back look for what one owns. */
const ownWork = 'out in none no no no no';

/**
 * Who may call which endpoint on what belongs to the demo class and its course. An endpoint that is not here does not
 * compile: whoever adds one decides.
 */
const table: Record<EndpointName, string> = {
  health: everybody,
  ready: everybody,
  session: everybody,
  entry: everybody,
  makeFirstAccount: everybody,
  signIn: everybody,
  signOut: everybody,
  forgotPassword: everybody,
  readLink: everybody,
  useLink: everybody,
  join: everybody,
  comeBack: everybody,
  newReturnKey: students,
  account: instructors,
  changeAccount: instructors,
  changePassword: instructors,
  endSessions: instructors,
  ownData: signedIn,
  eraseOwnData: signedIn,
  people: administrators,
  invite: administrators,
  withdrawInvitation: administrators,
  changePerson: administrators,
  makeResetLink: administrators,
  erasePerson: administrators,
  audit: administrators,
  shelf: instructors,
  findInLessons: instructors,
  createCourse: instructors,
  changeCourse: owner,
  copyCourse: writers,
  changeLesson: writers,
  copyLesson: writers,
  lessonFile: writers,
  lessonPage: writers,
  embeddings: writers,
  setEmbedding: writers,
  // There is none of this address, for whoever asks.
  embedded: 'none none none none none none none',
  addLessonFile: writers,
  createLesson: writers,
  createClass: owner,
  changeClass: owner,
  newClassCode: owner,
  addStudents: owner,
  newKeys: owner,
  changeStudent: owner,
  mergeStudents: owner,
  eraseStudent: owner,
  studentData: owner,
  classStudents: writers,
  courseInstructors: writers,
  addCourseInstructor: owner,
  removeCourseInstructor: owner,
  handOverCourse: owner,
  handOverLesson: owner,
  draft: writers,
  appendToDraft: writers,
  lessonHistory: writers,
  lessonAt: writers,
  presence: writers,
  publish: writers,
  desk: writers,
  studentWork: writers,
  takeInWork: owner,
  terms: writers,
  addTerm: writers,
  changeTerm: writers,
  removeTerm: writers,
  classHome: students,
  readLesson: 'out in none no no no no',
  openWork: ownWork,
  appendToWork: ownWork,
  checkTask: ownWork,
  bench: signedIn,
  addToBench: signedIn,
  benchFigure: 'out in none none none none none',
  changeBenchFigure: 'out in none none none none none',
  addPicture: instructors,
};

interface Scene {
  readonly people: Record<Role, Visitor>;
  readonly params: Readonly<Record<string, string>>;
}

async function scene(): Promise<Scene> {
  const owner = await server.signedIn();
  const me = await owner.call('session');
  const coInstructor = await server.stranger();
  const co = await coInstructor.call('session');
  if (me.who !== 'instructor' || co.who !== 'instructor') throw new Error('not signed in');
  const { courses } = await owner.call('shelf');
  const { id: course, lessons, classes } = courses[0]!;
  await owner.call('addCourseInstructor', { params: { course }, body: { email: co.instructor.email } });
  await owner.call('addTerm', { params: { course }, body: { term: 'Rib', sentence: 'The side.' } });
  const { terms } = await owner.call('terms', { params: { course } });
  const administrator = await server.stranger();
  const head = await administrator.call('session');
  await server.db
    .updateTable('instructor')
    .set({ role: 'administrator' })
    .where('id', '=', head.who === 'instructor' ? head.instructor.id : '')
    .execute();
  // The owner is an instructor and nothing more.
  await server.db
    .updateTable('instructor')
    .set({ role: 'instructor' })
    .where('id', '=', me.instructor.id)
    .execute();

  const student = await server.student('Role Player');
  const { lessons: read } = await student.call('classHome');
  const lesson = read[0]!.id;
  const { edition, sheets } = await student.call('readLesson', { params: { lesson } });
  const sheet = sheets[0]!;
  const stage = sheet.stages[0]!.id;
  const work = await student.call('openWork', {
    params: { edition: edition.id, sheet: sheet.id, stage },
    body: {},
  });
  const { id: figure } = await student.call('addToBench', { body: { name: 'Mine', figure: sheet.figure } });
  const session = await student.call('session');
  const stranger = await server.stranger();
  const other = await stranger.call('createCourse', { body: { title: 'Elsewhere' } });
  const group = await stranger.call('createClass', {
    params: { course: other.id },
    body: { name: 'Elsewhere' },
  });
  const foreignStudent = server.visitor();
  await foreignStudent.call('join', { body: { code: group.code, name: 'Role Player' } });
  return {
    people: {
      nobody: server.visitor(),
      student,
      foreignStudent,
      stranger,
      coInstructor,
      owner,
      administrator,
    },
    params: {
      course,
      lesson: nearAndFarOf(lessons).id,
      class: classes[0]!.id,
      student: session.who === 'student' ? session.student.id : '',
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
      embedding: crypto.randomUUID(),
    },
  };
}

/** Bodies that are refused for what they say, once it is known that whoever sends them may: nothing is changed by the walk. */
const emptyBodies: Partial<Record<EndpointName, object>> = {
  changeCourse: {},
  changeLesson: {},
  changeClass: {},
  changeStudent: {},
  presence: { page: 'roles', sheet: 'one', isGone: true },
  openWork: {},
};

function fateOf(type: string | undefined): Fate {
  if (type === 'not-signed-in') return 'out';
  if (type === 'not-allowed') return 'no';
  return type === 'not-found' ? 'none' : 'in';
}

describe('the routes', () => {
  it('let in whom they are meant for, each role at each route', async () => {
    const { people, params } = await scene();
    const wrong: string[] = [];
    // What ends a session or changes who is who comes last.
    const skipped: readonly EndpointName[] = ['signOut', 'newReturnKey', 'endSessions'];
    for (const name of Object.keys(endpoints) as EndpointName[]) {
      if (skipped.includes(name)) continue;
      const expected = table[name].split(' ') as Fate[];
      const endpoint = endpoints[name];
      const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => params[key]!);
      for (const [index, role] of roles.entries()) {
        const response = await people[role].fetch(path, {
          method: endpoint.method.toUpperCase(),
          ...(endpoint.method === 'get'
            ? {}
            : {
                headers: { 'content-type': 'application/json' },
                body: JSON.stringify(bodyFor(name)),
              }),
        });
        const answer = (await response.json()) as { type?: string };
        if (response.status >= 500) wrong.push(`${name} as ${role}: ${response.status}`);
        const fate = response.ok ? 'in' : fateOf(answer.type);
        if (fate !== expected[index] && !isBeyond(name, role, fate)) {
          wrong.push(`${name} as ${role}: ${fate} and not ${expected[index]!}`);
        }
      }
    }
    expect(wrong).toEqual([]);
  }, 120_000);
});

/** A body that fits its schema but asks for nothing, or for something that there is not. */
function bodyFor(name: EndpointName): object {
  const nowhere = crypto.randomUUID();
  const bodies: Partial<Record<EndpointName, object>> = {
    ...emptyBodies,
    makeFirstAccount: { code: 'x', email: 'x@y.example', name: 'x', password: 'a long enough password' },
    signIn: { email: 'x@y.example', password: 'x' },
    forgotPassword: { email: 'x@y.example' },
    readLink: { token: 'x' },
    useLink: { token: 'x', password: 'a long enough password' },
    join: { code: 'x', name: 'x' },
    comeBack: { code: 'x', returnKey: 'x' },
    changeAccount: {},
    changePassword: { next: 'x' },
    eraseOwnData: { name: 'nobody of this name' },
    invite: { email: `${nowhere}@y.example`, role: 'instructor' },
    changePerson: { role: 'instructor' },
    erasePerson: { coursesTo: null, name: 'x' },
    createCourse: { title: 'x' },
    copyCourse: { title: 'x' },
    copyLesson: { title: 'x' },
    addLessonFile: { file: {} },
    setEmbedding: { open: false },
    takeInWork: { student: nowhere, file: {} },
    createLesson: { document: {} },
    createClass: { name: 'x' },
    addStudents: { names: [nowhere] },
    newKeys: { students: [nowhere] },
    mergeStudents: { from: nowhere },
    eraseStudent: { name: 'x' },
    addCourseInstructor: { email: `${nowhere}@y.example` },
    handOverCourse: { email: `${nowhere}@y.example`, stay: true },
    handOverLesson: { email: `${nowhere}@y.example` },
    appendToDraft: { base: 10_000, steps: [{ id: nowhere, kind: 'undo' }] },
    appendToWork: { base: 10_000, steps: [{ id: nowhere, kind: 'undo' }] },
    publish: { revision: 10_000 },
    addTerm: { term: nowhere, sentence: 'x' },
    changeTerm: { term: nowhere, sentence: 'x' },
    addToBench: { name: 'x', figure: {} },
    changeBenchFigure: { name: 'Mine' },
    addPicture: { data: '' },
    checkTask: {},
  };
  return bodies[name] ?? {};
}

/** Things that are named beside the course, and are not there for whoever may: a link, a person, a term that went. */
function isBeyond(name: EndpointName, role: Role, fate: Fate): boolean {
  const absent: readonly EndpointName[] = [
    'readLink',
    'useLink',
    'withdrawInvitation',
    'changePerson',
    'makeResetLink',
    'erasePerson',
    'join',
    'comeBack',
    'mergeStudents',
    'removeCourseInstructor',
    'removeTerm',
    'changeTerm',
  ];
  return fate === 'none' && absent.includes(name) && table[name].split(' ')[roles.indexOf(role)] === 'in';
}
