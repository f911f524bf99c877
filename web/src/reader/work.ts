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
import { type ConditionResult } from '@bogen/core/lesson';
import { replaceEqualDeep } from '@tanstack/react-query';
import i18next from 'i18next';
import { call } from '../api/call.js';
import { EditedDocument } from '../saving/editedDocument.js';
import { openLocalSteps } from '../saving/localSteps.js';
import type { KeepLocks } from './workHost.js';

export type EditedWork = EditedDocument<FigureDocument, FigureCommand>;

const figureCommandVersions = { version: figureVersion, read: migrateFigureCommand };

/** A student's work on one sheet, open in this page. */
export interface OpenWork {
  readonly edited: EditedWork;
  readonly id: string;
  readonly passed: boolean;
  /** Given where the figure has locked joints. */
  readonly keepLocks?: KeepLocks;
}

/** Work that was opened in this page, so that leaving a sheet with unsent moves and coming back finds it. */
const opened = new Map<string, OpenWork>();

/** The figure of a sheet as it was last seen in this page. */
export function lastSeen(edition: string, sheet: string): FigureDocument | undefined {
  return opened.get(`${edition}/${sheet}`)?.edited.store.getState().history.document;
}

/** The figure as it came, made of the parts of the one before wherever they are equal: what is equal is not computed again. */
export function withPartsOf(before: FigureDocument, figure: FigureDocument): FigureDocument {
  return replaceEqualDeep(before, figure);
}

/** @param before the figure that the page shows until then */
export async function openWork(edition: string, sheet: string, before: FigureDocument): Promise<OpenWork> {
  const key = `${edition}/${sheet}`;
  const known = opened.get(key);
  if (known && !known.edited.isSaved) {
    known.edited.retry();
    return known;
  }
  const work: Answer<'openWork'> = await call('openWork', { params: { edition, sheet }, body: {} });
  const keepLocks = hasLocks(work.document) ? (await import('./keepLocks.js')).keepingLocks : undefined;
  known?.edited.dispose();
  const local = await openLocalSteps<FigureCommand>(`work:${work.id}`, figureCommandVersions);
  const edited = new EditedDocument<FigureDocument, FigureCommand>({
    initial: { ...work, document: withPartsOf(before, work.document) },
    apply: applyFigureCommand,
    local,
    onStale: 'merge',
    touches: touchesOfFigureCommand,
    size: (command) => singleCommands(command).length,
    tooLarge: i18next.t('save.tooLargeAlone'),
    load: () => call('openWork', { params: { edition, sheet }, body: {} }),
    send: (base, steps) =>
      call('appendToWork', { params: { work: work.id }, body: { base, steps } as never, keepalive: true }),
  });
  const result = { edited, id: work.id, passed: work.passed, ...(keepLocks ? { keepLocks } : {}) };
  opened.set(key, result);
  return result;
}

const waitingKey = (work: string): string => `bogen:check:${work}`;

/**
 * Has the server check the work once everything is saved. Where that can't be done now, the request is kept on
 * the device and `checkIfWaiting` sends it later.
 */
export async function checkOnServer({ edited, id }: OpenWork): Promise<readonly ConditionResult[] | null> {
  localStorage.setItem(waitingKey(id), 'yes');
  edited.retry();
  if (!(await edited.whenSaved())) return null;
  const { results } = await call('checkWork', { params: { work: id }, body: {} });
  localStorage.removeItem(waitingKey(id));
  return results;
}

/** Has the server check what was checked here while it could not be reached. */
export async function checkIfWaiting(work: OpenWork): Promise<readonly ConditionResult[] | null> {
  if (localStorage.getItem(waitingKey(work.id)) === null || !work.edited.isSaved) return null;
  return checkOnServer(work);
}
