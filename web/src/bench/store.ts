import type { FigureDocument } from '@bogen/core/figure';
import { call } from '../api/call.js';
import { browserBench, forgetUnsent, keepUnsent, unsentOf } from './browser.js';

/** A figure on the bench. */
export interface BenchFigure {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly changedAt: string;
  readonly figure: FigureDocument;
}

/** Where the figures of a bench are kept. */
export interface BenchStore {
  readonly place: 'browser' | 'account';
  /** The one that was changed last first. */
  readonly list: () => Promise<readonly BenchFigure[]>;
  readonly read: (id: string) => Promise<BenchFigure>;
  /** @returns its id */
  readonly add: (name: string, figure: FigureDocument) => Promise<string>;
  readonly rename: (id: string, name: string) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
  readonly bringBack: (id: string) => Promise<void>;
  /** Keeps another state of a figure, made from a revision. @returns the new one */
  readonly keep: (id: string, figure: FigureDocument, base: number) => Promise<number>;
}

/** The bench of whoever is signed in. What can't be sent now rests on the device, and is there when it is opened again. */
const accountBench: BenchStore = {
  place: 'account',
  list: async () => (await call('bench', {})).figures,
  read: async (id) => {
    const unsent = await unsentOf(id);
    const figure = await call('benchFigure', { params: { figure: id } });
    return unsent && unsent.base === figure.revision ? { ...figure, figure: unsent.figure } : figure;
  },
  add: async (name, figure) => (await call('addToBench', { body: { name, figure } })).id,
  rename: async (id, name) => {
    await call('changeBenchFigure', { params: { figure: id }, body: { name } });
  },
  remove: async (id) => {
    await call('changeBenchFigure', { params: { figure: id }, body: { deleted: true } });
  },
  bringBack: async (id) => {
    await call('changeBenchFigure', { params: { figure: id }, body: { deleted: false } });
  },
  keep: async (id, figure, base) => {
    await keepUnsent(id, figure, base);
    const { revision } = await call('changeBenchFigure', { params: { figure: id }, body: { figure, base } });
    await forgetUnsent(id, figure);
    return revision;
  },
};

/** The bench of an account, or of this browser where nobody is signed in. */
export const benchOf = (who: 'nobody' | 'instructor' | 'student'): BenchStore =>
  who === 'nobody' ? browserBench : accountBench;
