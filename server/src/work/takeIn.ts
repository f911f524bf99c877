import {
  batchLimits,
  figureCommandSchema,
  toldByServer,
  workFileSchema,
  type Answer,
  type WorkFile,
} from '@bogen/contract';
import { migrateFigureCommand, type FigureCommand } from '@bogen/core/figure';
import { isVaried, migrateLesson, sheetOf, type Sheet, type Step, type Told } from '@bogen/core/lesson';
import type { Db } from '../db/connect.js';
import { forgetStreams } from '../forget/forget.js';
import { HttpProblem } from '../http/problem.js';
import { firstIssue } from '../http/route.js';
import type { Runner } from '../pool/pool.js';
import { appendSteps } from '../stream/append.js';
import { checkWork, openWork } from './router.js';
import { startOf, studentStream } from './streams.js';

/** Milliseconds after which what is left of a file waits until it is taken in once more. */
const mostTime = 20_000;

type WorkOfStage = WorkFile['works'][number];

/** Who takes in what for whom. */
export interface TakingIn {
  readonly classId: string;
  readonly student: string;
  readonly file: unknown;
}

/**
 * Takes in what a student did in a lesson that stands alone. Nothing of it is believed: each step is done again as a
 * student may, and each task is checked on what came of it. What can't be taken in is left with its reason, and the rest
 * goes on. Taking in the same file once more goes on where it ended.
 * @throws HttpProblem where the file as a whole is none for this class
 */
export async function takeInWork(
  db: Db,
  pool: Runner,
  { classId, student, file: given }: TakingIn,
): Promise<Answer<'takeInWork'>> {
  const parsed = workFileSchema.safeParse(given);
  if (!parsed.success)
    throw new HttpProblem('refused', toldByServer('notAWorkFile', { issue: firstIssue(parsed.error) }));
  const file = parsed.data;
  const sheets = await sheetsOfEdition(db, classId, file);
  await refuseStranger(db, classId, student);
  const until = performance.now() + mostTime;
  const left: { sheet: string; told: Told }[] = [];
  const count = { works: 0, tasks: 0, passed: 0 };
  /** A sheet as it is in the file. */
  const drawnFrom = async (sheet: Sheet): Promise<Sheet> => {
    if (!isVaried(sheet)) return sheet;
    if (!file.drawnBy) throw new HttpProblem('refused', toldByServer('workVaried'));
    await giveWay(db, student, file.edition, sheet.id, file.drawnBy);
    const [drawn] = await pool.run('vary', [{ sheet, reader: file.drawnBy }]);
    return drawn!;
  };
  const sheetsInFile = new Map<string, Promise<Sheet>>();
  const inFile = (sheet: Sheet): Promise<Sheet> => {
    const known = sheetsInFile.get(sheet.id) ?? drawnFrom(sheet);
    sheetsInFile.set(sheet.id, known);
    return known;
  };
  /** Does something for a sheet of the edition; what is in the way is noted. */
  const each = async (id: string, act: (sheet: Sheet) => Promise<void>): Promise<void> => {
    const sheet = sheetOf({ sheets }, id);
    try {
      if (!sheet) throw new HttpProblem('refused', toldByServer('workStageGone'));
      if (performance.now() > until) throw new HttpProblem('refused', toldByServer('workTooMuch'));
      await act(await inFile(sheet));
    } catch (error) {
      if (!(error instanceof HttpProblem) || error.problem.status >= 500) throw error;
      left.push({ sheet: sheet?.title ?? id, told: error.problem.told });
    }
  };
  for (const work of file.works)
    await each(work.sheet, async (sheet) => {
      const { streamId } = await openWork(
        db,
        pool,
        student,
        file.edition,
        sheet,
        work.stage,
        isVaried(sheet) ? file.drawnBy : undefined,
      );
      await appendRest(db, pool, { streamId, student, steps: stepsOf(work, file.commandVersion) }, until);
      count.works++;
    });
  for (const { sheet: id, task, answer } of file.tasks)
    await each(id, async (sheet) => {
      const { passed } = await checkWork(db, pool, student, file.edition, sheet, task, answer);
      count.tasks++;
      if (passed) count.passed++;
    });
  return { lesson: file.title, ...count, left: distinct(left) };
}

/** The sheets of the edition that the file is about, where the class has it. */
async function sheetsOfEdition(
  db: Db,
  classId: string,
  { edition, lesson, title }: WorkFile,
): Promise<readonly Sheet[]> {
  const found = await db
    .selectFrom('edition')
    .innerJoin('lesson', 'lesson.id', 'edition.lesson_id')
    .innerJoin('class', 'class.course_id', 'lesson.course_id')
    .where('edition.id', '=', edition)
    .where('lesson.id', '=', lesson)
    .where('lesson.deleted_at', 'is', null)
    .where('class.id', '=', classId)
    .select('edition.document')
    .executeTakeFirst();
  if (!found) throw new HttpProblem('refused', toldByServer('workOfOtherLesson', { title }));
  return migrateLesson(found.document).sheets;
}

/**
 * Makes room for work on a sheet that is another one in the file than in the class: what the student has only looked at
 * here goes.
 * @throws HttpProblem where they have done something
 */
async function giveWay(
  db: Db,
  student: string,
  edition: string,
  sheet: string,
  drawnBy: string,
): Promise<void> {
  await db.transaction().execute(async (tx) => {
    await tx.selectFrom('student').select('id').where('id', '=', student).forUpdate().execute();
    const works = await tx
      .selectFrom('work')
      .innerJoin('stream', 'stream.id', 'work.stream_id')
      .where('student_id', '=', student)
      .where('edition_id', '=', edition)
      .where('sheet_id', '=', sheet)
      .select(['work.id', 'stream_id', 'drawn_by', 'revision'])
      .forUpdate()
      .execute();
    const checked = await tx
      .selectFrom('task_state')
      .where('student_id', '=', student)
      .where('edition_id', '=', edition)
      .where('sheet_id', '=', sheet)
      .select('task_id')
      .limit(1)
      .executeTakeFirst();
    if (works.length > 0 && works.every(({ drawn_by }) => drawn_by === drawnBy)) return;
    if (checked || works.some(({ revision }) => revision > 0))
      throw new HttpProblem('refused', toldByServer('workOwnThere'));
    if (works.length === 0) return;
    await tx
      .deleteFrom('work')
      .where(
        'id',
        'in',
        works.map(({ id }) => id),
      )
      .execute();
    await forgetStreams(
      tx,
      works.map(({ stream_id }) => stream_id),
    );
  });
}

async function refuseStranger(db: Db, classId: string, student: string): Promise<void> {
  const found = await db
    .selectFrom('student')
    .select('id')
    .where('id', '=', student)
    .where('class_id', '=', classId)
    .where('removed_at', 'is', null)
    .executeTakeFirst();
  if (!found) throw new HttpProblem('not-found', toldByServer('studentNotInClass'));
}

/** The steps of a stage in commands of this version. @throws HttpProblem where one is none */
function stepsOf({ steps }: WorkOfStage, version: number): Step<FigureCommand>[] {
  return steps.map((step) => {
    if (step.kind !== 'do') return step;
    const read = figureCommandSchema.safeParse(migrateFigureCommand(step.command as FigureCommand, version));
    if (!read.success)
      throw new HttpProblem('refused', toldByServer('notAWorkFile', { issue: firstIssue(read.error) }));
    return { ...step, command: read.data };
  }) as Step<FigureCommand>[];
}

/** Appends those steps that are not there yet, where nothing else was done. */
async function appendRest(
  db: Db,
  pool: Runner,
  of: { readonly streamId: string; readonly student: string; readonly steps: readonly Step<FigureCommand>[] },
  until: number,
): Promise<void> {
  const { streamId, student, steps } = of;
  const ids = steps.map(({ id }) => id);
  const { revision } = await db
    .selectFrom('stream')
    .select('revision')
    .where('id', '=', streamId)
    .executeTakeFirstOrThrow();
  const there = await db
    .selectFrom('stream_step')
    .select('id')
    .where('stream_id', '=', streamId)
    .where('id', 'in', ids.length > 0 ? ids : ['00000000-0000-0000-0000-000000000000'])
    .execute();
  if (there.length !== revision) throw new HttpProblem('refused', toldByServer('workOwnThere'));
  const kind = studentStream(pool, await startOf(db, streamId));
  for (let base = revision; base < steps.length; base += batchLimits.steps) {
    if (performance.now() > until) throw new HttpProblem('refused', toldByServer('workTooMuch'));
    await appendSteps(
      db,
      streamId,
      student,
      { base, steps: steps.slice(base, base + batchLimits.steps) },
      kind,
    );
  }
}

/** The same reason for a sheet is told once. */
const distinct = <T>(list: readonly T[]): T[] => [
  ...new Map(list.map((one) => [JSON.stringify(one), one])).values(),
];
