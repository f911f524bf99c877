import '../text/enBench.js';
import { canonicalText } from '@bogen/core/lesson';
import i18next from 'i18next';
import { call } from '../api/call.js';
import { browserBench, forgetUnsent, keepUnsent, unsentOf } from './browser.js';
import type { BenchStore } from './kept.js';

/** The bench of whoever is signed in. What can't be sent now rests on the device, and is there when it is opened again. */
const accountBench: BenchStore = {
  place: 'account',
  list: async () => (await call('bench', {})).figures,
  read: async (id) => {
    const unsent = await unsentOf(id).catch(() => undefined);
    const figure = await call('benchFigure', { params: { figure: id } });
    if (!unsent) return figure;
    if (unsent.base === figure.revision) return { ...figure, figure: unsent.figure };
    // Another device has changed it meanwhile: what rested here becomes a figure of its own, and neither is lost.
    if (canonicalText(unsent.figure) !== canonicalText(figure.figure)) {
      const name = i18next.t('bench.mine', { name: figure.name }).slice(0, 200);
      await call('addToBench', { body: { name, figure: unsent.figure } });
    }
    await forgetUnsent(id, unsent.figure).catch(() => undefined);
    return figure;
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
    // A device that keeps nothing, as in a private window, must not keep it from being sent.
    await keepUnsent(id, figure, base).catch(() => undefined);
    const { revision } = await call('changeBenchFigure', { params: { figure: id }, body: { figure, base } });
    await forgetUnsent(id, figure).catch(() => undefined);
    return revision;
  },
};

/** The bench of an account, or of this browser where nobody is signed in. */
export const benchOf = (who: 'nobody' | 'instructor' | 'student'): BenchStore =>
  who === 'nobody' ? browserBench : accountBench;
