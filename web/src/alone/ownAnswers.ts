import type { AloneLesson, Answer, Body, Problem } from '@bogen/contract';
import { everyonesPaths } from '@bogen/contract/paths/everyone';
import { applyFigureCommand, type FigureCommand } from '@bogen/core/figure';
import {
  advance,
  checkTask,
  CommandError,
  figureOfStage,
  isTaskMet,
  progressOf,
  sheetFor,
  sheetOf,
  startHistory,
  taskOf,
  type Sheet,
  type Step,
  type TaskAnswer,
  type Told,
} from '@bogen/core/lesson';
import type { Keeping, KeptWork } from './keeping.js';

/** So many steps can be undone after the page was opened anew. */
const mostUndoable = 200;

/** What a request asks for is not there, or can't be done. */
class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const problem = (type: Problem['type'], status: number, what: Told, more: Partial<Problem> = {}): Refused =>
  new Refused({ type, title: type, status, detail: what.code, told: what, ...more });

const notThere = (): Refused => problem('not-found', 404, { code: 'nothingHere', parameters: {} });

/**
 * Answers what a reader's pages ask of the server, for a lesson that stands alone: from the lesson itself and from what
 * this browser keeps. The same commands are applied and the same checks are made as on the server.
 */
export class OwnAnswers {
  private readonly lesson: AloneLesson['reading'];

  constructor(
    { reading }: AloneLesson,
    private readonly keeping: Keeping,
  ) {
    const { drawnBy } = keeping;
    const sheets = reading.sheets as readonly Sheet[];
    this.lesson = {
      ...reading,
      ...(drawnBy && {
        sheets: sheets.map((sheet) => sheetFor(sheet, drawnBy)) as AloneLesson['reading']['sheets'],
      }),
    };
  }

  /** In the place of `fetch`. */
  readonly fetch: typeof fetch = async (address, init) => {
    const url = new URL(typeof address === 'string' ? address : String(address), 'http://page');
    try {
      const answer = await this.answer(init?.method ?? 'GET', url.pathname.replace(/^\/api/, ''), init?.body);
      return new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } });
    } catch (error) {
      // What the browser can't keep is tried again, as where a server has lost its database.
      const { problem: what } =
        error instanceof Refused
          ? error
          : error instanceof CommandError
            ? problem('refused', 422, error.told)
            : problem('database-unavailable', 503, { code: 'databaseGone', parameters: {} });
      return new Response(JSON.stringify(what), {
        status: what.status,
        headers: { 'content-type': 'application/problem+json' },
      });
    }
  };

  private answer(method: string, path: string, body: unknown): unknown {
    const given: unknown = typeof body === 'string' && body !== '' ? JSON.parse(body) : {};
    for (const [name, answer] of Object.entries(this.endpoints)) {
      const endpoint = everyonesPaths[name as keyof typeof this.endpoints];
      if (endpoint.method !== method.toLowerCase()) continue;
      const params = match(endpoint.path, path);
      if (params) return answer(params, given as never);
    }
    throw notThere();
  }

  private readonly endpoints = {
    readLesson: (): Answer<'readLesson'> => ({ ...this.lesson, progress: this.progress() }),
    openWork: async ({ sheet, stage }: Readonly<Record<string, string>>): Promise<Answer<'openWork'>> => {
      const work = this.workOn(sheet!, stage!);
      await this.keeping.keepWork(work);
      return this.state(work) as Answer<'openWork'>;
    },
    appendToWork: async (
      { work: id }: Readonly<Record<string, string>>,
      { base, steps }: Body<'appendToWork'>,
    ): Promise<Answer<'appendToWork'>> => {
      const [sheet, stage] = JSON.parse(id!) as [string, string];
      const work = this.workOn(sheet, stage);
      const known = new Set(work.steps.map((step) => step.id));
      const fresh = (steps as readonly Step<FigureCommand>[]).filter((step) => !known.has(step.id));
      // The lesson is open in another window besides, where something else was done.
      if (base + steps.length - fresh.length !== work.revision)
        throw problem(
          'stale',
          409,
          { code: 'changedElsewhere', parameters: {} },
          {
            current: { ...this.state(work), since: null },
          },
        );
      let { history } = work;
      for (const step of fresh) ({ history } = advance(history, step, applyFigureCommand));
      const revision = work.revision + fresh.length;
      await this.keeping.keepWork({
        ...work,
        revision,
        history: { ...history, undoable: history.undoable.slice(-mostUndoable) },
        steps: [...work.steps, ...fresh],
      });
      return { revision };
    },
    checkTask: async (
      { sheet: sheetId, task: taskId }: Readonly<Record<string, string>>,
      given: Body<'checkTask'>,
    ): Promise<Answer<'checkTask'>> => {
      const sheet = this.sheet(sheetId!);
      const task = taskOf(sheet, taskId!);
      const answer = given.answer as TaskAnswer | undefined;
      if (!task) throw notThere();
      const { history, revision } = this.workOn(sheet.id, task.stage);
      const start = figureOfStage(sheet, task.stage);
      const results = checkTask(sheet, task, { start, figure: history.document, answer });
      const passed = isTaskMet(results);
      const before = this.keeping.task(sheet.id, task.id);
      await this.keeping.keepTask({
        sheet: sheet.id,
        task: task.id,
        attempts: (before?.attempts ?? 0) + 1,
        passed: passed || (before?.passed ?? false),
        results,
        ...(answer ? { answer } : {}),
      });
      return { results: [...results] as Answer<'checkTask'>['results'], passed, revision };
    },
  };

  private sheet(id: string) {
    const sheet = sheetOf(this.lesson, id);
    if (!sheet) throw notThere();
    return sheet;
  }

  private workOn(sheetId: string, stage: string): KeptWork {
    const kept = this.keeping.work(sheetId, stage);
    if (kept) return kept;
    const sheet = this.sheet(sheetId);
    if (!sheet.stages.some(({ id }) => id === stage)) throw notThere();
    return {
      sheet: sheetId,
      stage,
      revision: 0,
      history: startHistory(figureOfStage(sheet, stage)),
      steps: [],
    };
  }

  private state({ sheet, stage, history, revision, steps }: KeptWork): object {
    return {
      ...history,
      id: JSON.stringify([sheet, stage]),
      sheet,
      stage,
      revision,
      more: false,
      recent: steps.slice(-mostUndoable).map(({ id }) => id),
    };
  }

  private progress(): Answer<'readLesson'>['progress'] {
    return this.lesson.sheets.map(({ id, title, tasks }) => {
      const works = this.keeping.works.filter(({ sheet }) => sheet === id);
      const tried = this.keeping.tasks.filter(({ sheet }) => sheet === id);
      const passed = tried.filter((task) => task.passed).map(({ task }) => task);
      return {
        sheet: id,
        title,
        progress: progressOf(
          tasks.map((task) => task.id),
          {
            isOpened: works.length > 0,
            isChanged: works.some(({ revision }) => revision > 0),
            attempts: tried.reduce((sum, { attempts }) => sum + attempts, 0),
            passed,
          },
        ),
        moved: works.filter(({ revision }) => revision > 0).map(({ stage }) => stage),
        passed,
        answers: Object.fromEntries(
          tried.flatMap(({ task, answer }) => (answer ? [[task, answer]] : [])),
        ) as Answer<'readLesson'>['progress'][number]['answers'],
        earlier: null,
        best: {},
      };
    });
  }
}

/** The parameters of a path, where an address has its shape. */
function match(path: string, address: string): Readonly<Record<string, string>> | undefined {
  const names = path.split('/');
  const parts = address.split('/');
  if (names.length !== parts.length) return undefined;
  const params: Record<string, string> = {};
  for (const [index, name] of names.entries()) {
    const part = decodeURIComponent(parts[index]!);
    if (name.startsWith(':')) params[name.slice(1)] = part;
    else if (name !== part) return undefined;
  }
  return params;
}
