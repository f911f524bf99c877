import { randomUUID } from 'node:crypto';
import { demoClass, instructor } from '@bogen/demo';
import { clampedUniformKnots, type Curve, type Point } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { lessonVersion, newSheet } from '@bogen/core/lesson';

/**
 * Requests that are made to keep a server busy, each while somebody else saves every 50 ms: how long it takes until the
 * attack is answered or refused, and how long the slowest of the other's saves took.
 */
const base = `${process.env['BASE']!}/api`;

interface Person {
  cookie: string;
}

async function send(
  person: Person,
  method: string,
  path: string,
  body?: unknown,
): Promise<{ status: number; answer: Record<string, unknown> }> {
  const response = await fetch(base + path, {
    method,
    headers: { cookie: person.cookie, 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  }).catch((error: unknown) => error as Error);
  // Refused before it was sent to its end.
  if (response instanceof Error) return { status: 0, answer: {} };
  for (const line of response.headers.getSetCookie()) person.cookie = line.split(';')[0]!;
  return { status: response.status, answer: (await response.json()) as Record<string, unknown> };
}

async function made<T>(person: Person, method: string, path: string, body?: unknown): Promise<T> {
  const { status, answer } = await send(person, method, path, body);
  if (status !== 200) throw new Error(`${method} ${path}: ${status} ${JSON.stringify(answer)}`);
  return answer as T;
}

const wave = (count: number): Point[] =>
  Array.from({ length: count }, (_, k) => [k * 0.1, 20 * Math.sin(k * 1.7) + 5 * Math.sin(k * 0.13)]);

function curveOf(count: number, degree = 3): Curve {
  return { degree, knots: clampedUniformKnots(count, degree), points: wave(count) };
}

const given = (id: string, curve: Curve): FigureItem => ({ id, name: id, kind: 'curve', curve });
const built = (id: string, operation: object): FigureItem =>
  ({ id, name: id, kind: 'built', operation }) as unknown as FigureItem;

/** Figures whose check costs much: the last item is the one that is judged. */
const figures: Record<string, readonly FigureItem[]> = {
  'even out, 50 per span of 2,000 points': [
    given('a', curveOf(2000)),
    built('z', { name: 'evenOut', source: 'a', held: [], perSpan: 50 }),
  ],
  'fit to tolerance 0': [
    given('a', curveOf(2000)),
    built('z', { name: 'fitToTolerance', source: 'a', tolerance: 0, degree: 3 }),
  ],
  'fit to tolerance 1e-6': [
    given('a', curveOf(2000)),
    built('z', { name: 'fitToTolerance', source: 'a', tolerance: 1e-6, degree: 3 }),
  ],
  'ten refits to 500 spans of degree 9': [
    given('a', curveOf(500)),
    ...Array.from({ length: 10 }, (_, k) =>
      built(k === 9 ? 'z' : `b${k}`, {
        name: 'refit',
        source: k === 0 ? 'a' : `b${k - 1}`,
        degree: 9,
        spans: 500,
      }),
    ),
  ],
  'a curve joined to itself thirty times': [
    given('a', curveOf(20)),
    ...Array.from({ length: 30 }, (_, k) =>
      built(k === 29 ? 'z' : `b${k}`, {
        name: 'join',
        source: k === 0 ? 'a' : `b${k - 1}`,
        second: k === 0 ? 'a' : `b${k - 1}`,
        tolerance: 1e4,
      }),
    ),
  ],
  'a stroke of 20,000 points': [
    {
      id: 'z',
      name: 'z',
      kind: 'shape',
      shape: { kind: 'stroke', points: wave(20_000), tolerance: 0.001, degree: 3 },
    } as unknown as FigureItem,
  ],
};

const nobody: Person = { cookie: '' };
const head: Person = { cookie: '' };
await made<unknown>(head, 'POST', '/sign-in', { email: instructor.email, password: instructor.password });
const shelf = await made<{ courses: { id: string }[] }>(head, 'GET', '/shelf');
const course = shelf.courses[0]!.id;

/** Somebody who has nothing to do with any of it, and saves. */
const other: Person = { cookie: '' };
await made<unknown>(other, 'POST', '/join', { code: demoClass.code, name: `Other ${Date.now()}` });
const home = await made<{ lessons: { id: string; title: string }[] }>(other, 'GET', '/class');
const firstLesson = home.lessons.find(({ title }) => title === 'Near and far')!.id;
const lesson = await made<{ edition: { id: string }; sheets: { id: string; stages: { id: string }[] }[] }>(
  other,
  'GET',
  `/class/lessons/${firstLesson}`,
);
const sheet = lesson.sheets[0]!;
const work = await made<{ id: string; revision: number }>(
  other,
  'PUT',
  `/editions/${lesson.edition.id}/sheets/${sheet.id}/stages/${sheet.stages[0]!.id}/work`,
  {},
);
let { revision } = work;

async function save(): Promise<number> {
  const began = performance.now();
  const command = { name: 'moveControlPoint', item: 'waist', index: 4, to: [140 + Math.random() * 9, 30] };
  const answer = await made<{ revision: number }>(other, 'POST', `/work/${work.id}/steps`, {
    base: revision,
    steps: [{ id: randomUUID(), kind: 'do', command }],
  });
  revision = answer.revision;
  return performance.now() - began;
}

async function attacked(name: string, attack: () => Promise<string>): Promise<void> {
  let isOver = false;
  const saves: number[] = [];
  const saving = (async () => {
    while (!isOver) {
      saves.push(await save());
      await new Promise((go) => setTimeout(go, 50));
    }
  })();
  await new Promise((go) => setTimeout(go, 200));
  const began = performance.now();
  let outcome: string;
  try {
    outcome = await attack();
  } catch (error) {
    outcome = (error as Error).message.slice(0, 140);
  }
  const took = performance.now() - began;
  isOver = true;
  await saving;
  const slowest = Math.max(...saves);
  console.log(
    `${took > 2000 || slowest > 250 ? '✗' : '✓'} ${name.padEnd(44)} ${took.toFixed(0).padStart(6)} ms, slowest save ${slowest.toFixed(0).padStart(5)} ms   ${outcome}`,
  );
}

const nested = `{"data":${'['.repeat(7_000_000)}${']'.repeat(7_000_000)}}`;
for (let k = 0; k < 20; k++) await save();
await attacked('14 MB of nested JSON, nobody signed in', async () =>
  String((await send(nobody, 'POST', '/pictures', nested)).status),
);
await attacked('twenty of those', async () =>
  (await Promise.all(Array.from({ length: 20 }, () => send(nobody, 'POST', '/pictures', nested))))
    .map(({ status }) => status)
    .join(),
);
await attacked('14 MB of nested JSON, signed in', async () =>
  String((await send(head, 'POST', '/pictures', nested)).status),
);
for (const [name, items] of Object.entries(figures)) {
  const figure: FigureDocument = { ...emptyFigure(), items };
  const document = {
    version: lessonVersion,
    title: name.slice(0, 60),
    sheets: [
      {
        ...newSheet({ id: 'one', title: 'One', figure }),
        tasks: [
          {
            kind: 'shape',
            id: 'task',
            stage: 'first',
            prompt: 'Do it.',
            hints: [],
            conditions: [{ kind: 'pointsAtMost', item: 'z', atMost: 10 }],
          },
        ],
      },
    ],
  };
  await attacked(`${name}: made`, async () => {
    const { status, answer } = await send(head, 'POST', `/courses/${course}/lessons`, { document });
    if (status !== 200) return `${status} ${String(answer['detail'])}`;
    const id = answer['id'] as string;
    await made<unknown>(head, 'POST', `/lessons/${id}/editions`, { revision: 0 });
    return `made ${id}`;
  });
  const { answer } = await send(other, 'GET', '/class');
  const found = (answer as { lessons: { id: string; title: string }[] }).lessons.find(
    ({ title }) => title === document.title,
  );
  if (!found) continue;
  await attacked(`${name}: checked`, async () => {
    const { status, answer: read } = await send(other, 'GET', `/class/lessons/${found.id}`);
    if (status !== 200) return `${status} ${String(read['detail'])}`;
    const edition = (read as { edition: { id: string } }).edition.id;
    const opened = await send(other, 'PUT', `/editions/${edition}/sheets/one/stages/first/work`, {});
    if (opened.status !== 200) return `${opened.status} ${String(opened.answer['detail'])}`;
    const checked = await send(other, 'POST', `/editions/${edition}/sheets/one/tasks/task/check`, {});
    return `${checked.status} ${String(checked.answer['detail'] ?? JSON.stringify(checked.answer).slice(0, 80))}`;
  });
}
const svg = (inside: string): { data: string } => ({
  data: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40">${inside}</svg>`).toString(
    'base64',
  ),
});
const pictures: Record<string, string> = {
  'SVG of 8 MB of paths': `<path d="${'M0 0L9 9'.repeat(20)}"/>`.repeat(45_000).slice(0, 7_900_000 - 200),
  'SVG of 20,000 nested groups': `${'<g>'.repeat(20_000)}<path d="M0 0h1"/>${'</g>'.repeat(20_000)}`,
  'SVG of 300,000 attributes': `<path ${Array.from({ length: 300_000 }, (_, k) => `a${k}="1"`).join(' ')} d="M0 0h1"/>`,
  'SVG of 90,000 clipped shapes': `<clipPath id="c"><rect width="60" height="40"/></clipPath>${'<rect clip-path="url(#c)" opacity="0.5" width="60" height="40"/>'.repeat(90_000)}`,
};
for (const [name, inside] of Object.entries(pictures))
  await attacked(name, async () => {
    const { status, answer } = await send(head, 'POST', '/pictures', svg(inside));
    return `${status} ${String(answer['detail'] ?? 'kept')}`;
  });
/** A lesson of one sheet, with a draft to work on. */
async function draftOf(items: readonly FigureItem[]): Promise<string> {
  const figure: FigureDocument = { ...emptyFigure(), items };
  const document = {
    version: lessonVersion,
    title: 'Draft',
    sheets: [newSheet({ id: 'one', title: 'One', figure })],
  };
  return (await made<{ id: string }>(head, 'POST', `/courses/${course}/lessons`, { document })).id;
}
const step = (command: object): object => ({ id: randomUUID(), kind: 'do', command });
const told = ({ status, answer }: { status: number; answer: Record<string, unknown> }): string =>
  `${status} ${String(answer['detail'] ?? '')}`.slice(0, 120);

for (const [name, items] of Object.entries({
  'of one curve of 2,000 points': [given('a', curveOf(2000))],
  'of 2,500 curves built on each other': [
    given('a', curveOf(8)),
    ...Array.from({ length: 2499 }, (_, k) =>
      built(`b${k}`, { name: 'refit', source: k === 0 ? 'a' : `b${k - 1}`, degree: 5, spans: 100 }),
    ),
  ],
})) {
  const id = await draftOf(items).catch((error: unknown) => console.log(String(error)));
  if (id === undefined) continue;
  const move = (k: number): object => ({
    name: 'moveControlPoint',
    item: 'a',
    index: k % 8,
    to: [k, Math.random()],
  });
  for (const [count, batches] of [
    [5000, 10],
    [3000, 6],
  ] as const)
    await attacked(`a draft batch of ${count} commands, ${name}`, async () =>
      told(
        await send(head, 'POST', `/lessons/${id}/steps`, {
          base: 0,
          steps: Array.from({ length: batches }, () =>
            step({
              name: 'figure',
              sheet: 'one',
              command: { name: 'batch', commands: Array.from({ length: 500 }, (_, k) => move(k)) },
            }),
          ),
        }),
      ),
    );
}

/** Undoing counts for one command, whatever it undoes. */
const undone = await draftOf([given('a', curveOf(2000))]);
const manyMoves = {
  name: 'figure',
  sheet: 'one',
  command: {
    name: 'batch',
    commands: Array.from({ length: 500 }, (_, k) => ({
      name: 'moveControlPoint',
      item: 'a',
      index: k,
      to: [k, 1],
    })),
  },
};
for (let k = 0; k < 40; k += 4)
  await made<unknown>(head, 'POST', `/lessons/${undone}/steps`, {
    base: k,
    steps: Array.from({ length: 4 }, () => step(manyMoves)),
  });
await attacked('undoing 40 batches of 500 commands', async () =>
  told(
    await send(head, 'POST', `/lessons/${undone}/steps`, {
      base: 40,
      steps: Array.from({ length: 40 }, () => ({ id: randomUUID(), kind: 'undo' })),
    }),
  ),
);

/** A student who sends as much at once as may be sent. */
const eager: Person = { cookie: '' };
await made<unknown>(eager, 'POST', '/join', { code: demoClass.code, name: `Eager ${Date.now()}` });
const eagerWork = await made<{ id: string; revision: number }>(
  eager,
  'PUT',
  `/editions/${lesson.edition.id}/sheets/${sheet.id}/stages/${sheet.stages[0]!.id}/work`,
  {},
);
await attacked("2,000 moves of a student's, one by one and in batches", async () => {
  const moved = (k: number): object => ({
    name: 'moveControlPoint',
    item: 'waist',
    index: 4,
    to: [140 + (k % 9), 30],
  });
  return told(
    await send(eager, 'POST', `/work/${eagerWork.id}/steps`, {
      base: eagerWork.revision,
      steps: [
        ...Array.from({ length: 90 }, (_, k) => step(moved(k))),
        ...Array.from({ length: 3 }, () =>
          step({ name: 'batch', commands: Array.from({ length: 500 }, (_, k) => moved(k)) }),
        ),
      ],
    }),
  );
});

/** A draft of nearly 4 MB, of strokes. */
const heavy = await draftOf(
  Array.from({ length: 4 }, (_, k) => ({
    id: `s${k}`,
    name: `s${k}`,
    kind: 'shape',
    shape: { kind: 'stroke', points: wave(20_000), tolerance: 5, degree: 3 },
  })) as unknown as FigureItem[],
).catch((error: unknown) => console.log(String(error)));
if (heavy !== undefined)
  await attacked('200 steps on a draft of 4 MB', async () =>
    told(
      await send(head, 'POST', `/lessons/${heavy}/steps`, {
        base: 0,
        steps: Array.from({ length: 200 }, (_, k) =>
          step({ name: 'setSheetTitle', sheet: 'one', title: `T${k}` }),
        ),
      }),
    ),
  );

/** A log of which each step is as large as a request may be: 80 strokes of 20,000 points, one over the other. */
const planted = await draftOf([given('a', curveOf(8))]);
const stroke = (k: number): FigureItem =>
  ({
    id: 's',
    name: 's',
    kind: 'shape',
    shape: { kind: 'stroke', points: wave(20_000).map(([x, y]) => [x!, y! + k]), tolerance: 5, degree: 3 },
  }) as unknown as FigureItem;
for (let k = 0; k < 80; k++)
  await made<unknown>(head, 'POST', `/lessons/${planted}/steps`, {
    base: k,
    steps: [
      step({
        name: 'figure',
        sheet: 'one',
        command:
          k === 0 ? { name: 'addItem', item: stroke(k), at: 1 } : { name: 'replaceItem', item: stroke(k) },
      }),
    ],
  });
await attacked('opening a draft whose log holds 80 large steps', async () => {
  const { status, answer } = await send(head, 'GET', `/lessons/${planted}/draft`);
  return `${status} ${JSON.stringify(answer).length} bytes`;
});
await attacked('saving on the first revision of it', async () => {
  const { status, answer } = await send(head, 'POST', `/lessons/${planted}/steps`, {
    base: 0,
    steps: [step({ name: 'setTitle', title: 'Stale' })],
  });
  return `${status} ${JSON.stringify(answer).length} bytes`;
});
await attacked('reading how it was 79 steps after it was made', async () => {
  const { status, answer } = await send(head, 'GET', `/lessons/${planted}/at/79`);
  return `${status} ${JSON.stringify(answer).length} bytes`;
});
