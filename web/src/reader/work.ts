import type { Answer } from '@bogen/contract';
import {
  applyFigureCommand,
  figureVersion,
  hasLocks,
  migrateFigureCommand,
  singleCommands,
  touchesOfFigureCommand,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import type { ConditionResult, TaskAnswer } from '@bogen/core/lesson';
import { replaceEqualDeep } from '@tanstack/react-query';
import i18next from 'i18next';
import { ApiProblem, call, NotConnected } from '../api/call.js';
import type { EditedFigure } from '../saving/ending.js';
import type { KeepLocks } from './workHost.js';

const figureCommandVersions = { version: figureVersion, read: migrateFigureCommand };

/** A stage of a sheet of an edition. */
export interface WorkPlace {
  readonly edition: string;
  readonly sheet: string;
  readonly stage: string;
}

const keyOf = ({ edition, sheet, stage }: WorkPlace): string => `${edition}/${sheet}/${stage}`;

/** A student's work on one stage of a sheet, open in this page. */
export interface OpenWork {
  readonly edited: EditedFigure;
  readonly id: string;
  readonly place: WorkPlace;
  /** Given where the figure has locked joints. */
  readonly keepLocks?: KeepLocks;
}

/** Work that was opened in this page, so that leaving a sheet with unsent moves and coming back finds it. */
const opened = new Map<string, OpenWork>();

/** The figure of a stage as it was last seen in this page. */
export function lastSeen(place: WorkPlace): FigureDocument | undefined {
  return opened.get(keyOf(place))?.edited.store.getState().history.document;
}

/** The figure as it came, made of the parts of the one before wherever they are equal: what is equal is not computed again. */
export function withPartsOf(before: FigureDocument, figure: FigureDocument): FigureDocument {
  return replaceEqualDeep(before, figure);
}

/** Fetches what keeps work. It comes with the work; the sheet is drawn without it. */
function fetchSaving(): Promise<
  [typeof import('../saving/editedDocument.js'), typeof import('../saving/localSteps.js')]
> {
  const saving = Promise.all([import('../saving/editedDocument.js'), import('../saving/localSteps.js')]);
  // Where the work can't be fetched either, nobody waits for it.
  saving.catch(() => undefined);
  return saving;
}

/** Without it the sheet can be read as without the work, and both are fetched again together. */
function notConnected(): never {
  throw new NotConnected();
}

/** @param before the figure that the page shows until then */
export async function openWork(place: WorkPlace, before: FigureDocument): Promise<OpenWork> {
  const key = keyOf(place);
  const known = opened.get(key);
  if (known && !known.edited.isSaved) {
    known.edited.retry();
    return known;
  }
  const saving = fetchSaving();
  const work: Answer<'openWork'> = await call('openWork', { params: { ...place }, body: {} });
  const keepLocks = hasLocks(work.document) ? (await import('./keepLocks.js')).keepingLocks : undefined;
  const [{ EditedDocument: Edited }, { openLocalSteps }] = await saving
    .catch(() => fetchSaving())
    .catch(notConnected);
  known?.edited.dispose();
  const local = await openLocalSteps<FigureCommand>(`work:${work.id}`, figureCommandVersions);
  const edited = new Edited<FigureDocument, FigureCommand>({
    initial: { ...work, document: withPartsOf(before, work.document) },
    apply: applyFigureCommand,
    local,
    onStale: 'merge',
    touches: touchesOfFigureCommand,
    size: (command) => singleCommands(command).length,
    tooLarge: i18next.t('save.tooLargeAlone'),
    load: () => call('openWork', { params: { ...place }, body: {} }),
    send: (base, steps) =>
      call('appendToWork', { params: { work: work.id }, body: { base, steps }, keepalive: true }),
  });
  const result = { edited, id: work.id, place, ...(keepLocks ? { keepLocks } : {}) };
  opened.set(key, result);
  return result;
}

const answerKey = (work: string, task: string): string => `bogen:answer:${work}/${task}`;

/** Answers of this page that the server does not have yet, so that they count also where the device is full. */
const answers = new Map<string, TaskAnswer>();

/** Keeps what was answered on the device, so that a reload finds it before it was ever checked. */
export function keepAnswer({ id }: OpenWork, task: string, answer: TaskAnswer): void {
  const key = answerKey(id, task);
  answers.set(key, answer);
  try {
    localStorage.setItem(key, JSON.stringify(answer));
  } catch {
    // Without room it is kept for as long as the page is open.
  }
}

/** What was answered last on this device. */
export function keptAnswer({ id }: OpenWork, task: string): TaskAnswer | undefined {
  const key = answerKey(id, task);
  const here = answers.get(key);
  if (here) return here;
  const kept = localStorage.getItem(key);
  return kept === null ? undefined : (JSON.parse(kept) as TaskAnswer);
}

const waitingKey = (work: string): string => `bogen:check:${work}`;

/** The tasks of a work that wait for the server to check them. */
function waitingTasks(work: string): readonly string[] {
  const kept = localStorage.getItem(waitingKey(work));
  // An earlier edition of Bogen knew one task alone.
  if (kept === 'yes') return ['task'];
  return kept === null ? [] : (JSON.parse(kept) as string[]);
}

function setWaiting(work: string, tasks: readonly string[]): void {
  if (tasks.length > 0) localStorage.setItem(waitingKey(work), JSON.stringify(tasks));
  else localStorage.removeItem(waitingKey(work));
}

/**
 * Has the server check a task on the work once everything is saved. Where that can't be done now, the request is kept on
 * the device and `checkIfWaiting` sends it later.
 */
export async function checkOnServer(
  work: OpenWork,
  task: string,
): Promise<readonly ConditionResult[] | null> {
  const { edited, id, place } = work;
  const { edition, sheet } = place;
  setWaiting(id, [...new Set([...waitingTasks(id), task])]);
  edited.retry();
  if (!(await edited.whenSaved())) return null;
  const answer = keptAnswer(work, task);
  const { results } = await call('checkTask', {
    params: { edition, sheet, task },
    body: answer ? { answer } : {},
  });
  // From now on the server has it, for every device; what was typed meanwhile stays.
  const key = answerKey(id, task);
  if (answer && JSON.stringify(keptAnswer(work, task)) === JSON.stringify(answer)) {
    answers.delete(key);
    localStorage.removeItem(key);
  }
  setWaiting(
    id,
    waitingTasks(id).filter((other) => other !== task),
  );
  return results;
}

/** Has the server check what was checked here while it could not be reached. @returns whether anything was */
export async function checkIfWaiting(work: OpenWork): Promise<boolean> {
  const tasks = waitingTasks(work.id);
  if (tasks.length === 0 || !work.edited.isSaved) return false;
  for (const task of tasks) {
    try {
      await checkOnServer(work, task);
    } catch (error) {
      // What can never be checked does not keep the others waiting.
      if (!(error instanceof ApiProblem) || !['refused', 'not-found'].includes(error.problem.type))
        throw error;
      setWaiting(
        work.id,
        waitingTasks(work.id).filter((other) => other !== task),
      );
    }
  }
  return true;
}
