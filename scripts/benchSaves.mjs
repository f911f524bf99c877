import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import process from 'node:process';
import { setTimeout as sleep } from 'node:timers/promises';
import { freePort, startCluster } from './cluster.mjs';
import { command } from './command.mjs';
import { ensurePostgres } from './packages.mjs';
import { PlainLine } from './plainLine.mjs';
import { startServer } from './server.mjs';

const count = 500;
const seconds = 15;
/** How many processes serve them, on one database. */
const processes = Number(process.env['BOGEN_PROCESSES'] ?? 1);

/**
 * Many students who save at once, on a database that writes to its disk as in use: as fast as they can, one after the
 * other; and each every ten seconds. Beside it the same writing by pgbench, with nothing before it.
 */
export async function benchSaves() {
  const bin = await ensurePostgres();
  const folder = mkdtempSync('/tmp/bogen-saves-');
  const cluster = await startCluster(bin, folder, await freePort());
  const servers = [];
  const bases = [];
  const students = [];
  for (let k = 0; k < processes; k++) {
    const port = await freePort();
    servers.push(await startServer({ url: cluster.url, port, demo: k === 0 }));
    bases.push(`http://127.0.0.1:${port}/api`);
  }
  const [base] = bases;
  /** Each student keeps to one process. */
  const baseOf = (number) => bases[number % bases.length];
  try {
    const { demoClass } = await demo();
    // A few at a time, as a class comes in.
    for (let k = 0; k < count; k += 10)
      students.push(
        ...(await Promise.all(
          Array.from({ length: 10 }, (_, j) => comesIn(baseOf(k + j), demoClass.code, k + j)),
        )),
      );
    const rate = await closedLoop(students);
    await everyTenSeconds(students);
    await desk(base);
    await beside(bin, cluster.url, students, rate, folder);
  } finally {
    for (const { line } of students) line.end();
    for (const server of servers) await server.stop();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function demo() {
  const script = `import('@bogen/demo').then(({ demoClass, instructor }) => console.log(JSON.stringify({ demoClass, instructor })))`;
  const { output } = await command(
    process.execPath,
    ['--import', 'tsx', '--input-type=module', '-e', script],
    {
      cwd: join(import.meta.dirname, '..', 'server'),
    },
  );
  return JSON.parse(output.trim().split('\n').at(-1));
}

/** A line as a browser keeps it, one for each student. The plain client leaves most of the processor to the server. */
const newLine = () => new Agent({ keepAlive: true, maxSockets: 1 });

async function send(base, { agent, ...headers }, method, path, body) {
  const sent = request(base + path, {
    method,
    agent,
    headers: { 'content-type': 'application/json', ...headers },
  });
  sent.end(body === undefined ? undefined : JSON.stringify(body));
  const [response] = await once(sent, 'response');
  let text = '';
  response.setEncoding('utf8');
  response.on('data', (piece) => (text += piece));
  await once(response, 'end');
  if (response.statusCode !== 200) throw new Error(`${path}: ${response.statusCode} ${text}`);
  return {
    answer: JSON.parse(text),
    bytes: text.length,
    cookie: response.headers['set-cookie']?.[0]?.split(';')[0],
  };
}

/** A new student with the first sheet open. */
async function comesIn(base, code, number) {
  // Each from an address of its own, so that what is limited by address does not count here.
  const from = {
    agent: newLine(),
    'x-forwarded-for': `10.1.${Math.floor(number / 250)}.${(number % 250) + 1}`,
  };
  const { cookie } = await send(base, from, 'POST', '/join', { code, name: `Saver ${number}` });
  const headers = { ...from, cookie };
  const { answer: home } = await send(base, headers, 'GET', '/class');
  const { answer: lesson } = await send(
    base,
    headers,
    'GET',
    `/class/lessons/${home.lessons.find(({ title }) => title === 'Near and far').id}`,
  );
  const sheet = lesson.sheets[0];
  const path = `/editions/${lesson.edition.id}/sheets/${sheet.id}/stages/${sheet.stages[0].id}/work`;
  const { answer: work } = await send(base, headers, 'PUT', path, {});
  from.agent.destroy();
  return {
    line: new PlainLine(base, { 'x-forwarded-for': from['x-forwarded-for'], cookie }),
    work: work.id,
    revision: work.revision,
  };
}

/** One save. @returns how long it took, in ms */
async function save(student) {
  const command = {
    name: 'moveControlPoint',
    item: 'waist',
    index: 4,
    to: [140 + Math.random() * 20, 30 + Math.random() * 10],
  };
  const began = performance.now();
  const { status, text } = await student.line.post(
    `/api/work/${student.work}/steps`,
    JSON.stringify({ base: student.revision, steps: [{ id: randomUUID(), kind: 'do', command }] }),
  );
  if (status !== 200) throw new Error(`${status} ${text}`);
  const answer = JSON.parse(text);
  student.revision = answer.revision;
  return performance.now() - began;
}

const share = (times, part) => times.toSorted((a, b) => a - b)[Math.floor((times.length - 1) * part)];
const told = (times) =>
  `median ${share(times, 0.5).toFixed(0)} ms, 99 of 100 within ${share(times, 0.99).toFixed(0)} ms`;

/** Everybody saves as fast as it goes. @returns how long each save took, in ms */
async function savedFor(students, time) {
  const times = [];
  const until = performance.now() + time * 1000;
  await Promise.all(
    students.map(async (student) => {
      while (performance.now() < until) times.push(await save(student));
    }),
  );
  return times;
}

/** Time of all processors so far, in ticks, and that in which others had them: guests of the same machine. */
function processorTime() {
  if (!existsSync('/proc/stat')) return { all: 0, stolen: 0 };
  const ticks = readFileSync('/proc/stat', 'utf8').split('\n')[0].split(/\s+/).slice(1, 9).map(Number);
  return { all: ticks.reduce((sum, part) => sum + part, 0), stolen: ticks[7] };
}

/** How much of the processors others had since a moment: what is measured meanwhile says so much less of the server. */
function stolenSince(before) {
  const now = processorTime();
  const part = (now.stolen - before.stolen) / Math.max(1, now.all - before.all);
  return `${(100 * part).toFixed(1)} % of the processors were taken by others`;
}

async function closedLoop(students) {
  // The first seconds of a process are those in which its code is compiled.
  await savedFor(students, 4);
  const before = processorTime();
  const times = await savedFor(students, seconds);
  const rate = times.length / seconds;
  console.log(
    `${count} students, each saving as fast as it goes: ${rate.toFixed(0)} saves a second, ${told(times)}; ${stolenSince(before)}`,
  );
  return rate;
}

async function everyTenSeconds(students) {
  const before = processorTime();
  const times = [];
  await Promise.all(
    students.map(async (student, k) => {
      await sleep((k / count) * 10_000);
      for (let round = 0; round < 2; round++) {
        const began = performance.now();
        times.push(await save(student));
        await sleep(Math.max(0, 10_000 - (performance.now() - began)));
      }
    }),
  );
  console.log(`${count} students, each saving every 10 s: ${told(times)}; ${stolenSince(before)}`);
}

async function desk(base) {
  const { instructor } = await demo();
  const { cookie } = await send(base, {}, 'POST', '/sign-in', {
    email: instructor.email,
    password: instructor.password,
  });
  const { answer: shelf } = await send(base, { cookie }, 'GET', '/shelf');
  const path = `/classes/${shelf.courses[0].classes[0].id}/desk`;
  const times = [];
  let bytes = 0;
  for (let k = 0; k < 11; k++) {
    const began = performance.now();
    ({ bytes } = await send(base, { cookie }, 'GET', path));
    times.push(performance.now() - began);
  }
  console.log(`the class desk of ${count + 12} students: ${(bytes / 1000).toFixed(0)} kB, ${told(times)}`);
}

/** The same writing by pgbench, on the same rows. */
async function beside(bin, url, students, rate, folder) {
  const psql = (text) => command(join(bin, 'psql'), ['-X', '-A', '-t', '-c', text, url]);
  await psql(`create table bench_stream as select row_number() over () as n, work.stream_id as id, student_id as author
    from work join student on student.id = work.student_id where student.name like 'Saver %';
    create unique index on bench_stream (n); analyze`);
  // The document is written with every twentieth save, as the server does.
  const write = (document) => `\\set n random(1, ${students.length})
with one as (select id, author, (select revision from stream where stream.id = bench_stream.id) as base from bench_stream where n = :n),
saved as (update stream set ${document} revision = base + 1, changed_at = now() from one
  where stream.id = one.id and stream.revision = one.base returning stream.id),
dropped as (update stream_step set state = 'dropped' from one where stream_id = one.id and stream_step.author = one.author
  and kind = 'do' and state = 'undone')
insert into stream_step (stream_id, revision, id, kind, command, inverse, state, author, version)
select one.id, base + 1, gen_random_uuid(), 'do', '{"name": "moveControlPoint", "item": "waist", "index": 4, "to": [150, 30]}',
  '{"name": "moveControlPoint", "item": "waist", "index": 4, "to": [150, 30]}', 'done', one.author, 1 from one
where exists (select from saved);
`;
  const { output } = await psql(
    `select document from stream where id = (select id from bench_stream where n = 1)`,
  );
  const document = output.trim().replaceAll("'", "''");
  const [light, whole] = ['light.sql', 'whole.sql'].map((name) => join(folder, name));
  writeFileSync(light, write(''));
  writeFileSync(whole, write(`document = '${document}'::jsonb, document_revision = base + 1,`));
  const args = [
    '-n',
    '-f',
    `${light}@19`,
    '-f',
    `${whole}@1`,
    '-c',
    '10',
    '-j',
    '2',
    '-T',
    String(seconds),
    url,
  ];
  const { output: told } = await command(join(bin, 'pgbench'), args);
  const tps = Number(/tps = ([\d.]+)/.exec(told)?.[1]);
  console.log(
    `pgbench with the same writing: ${tps.toFixed(0)} a second; the server does ${((100 * rate) / tps).toFixed(0)} % of it (at least 50)`,
  );
}
