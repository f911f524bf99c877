import { benchLimit } from '@bogen/contract';
import { emptyFigure, type FigureDocument } from '@bogen/core/figure';
import { nearAndFar } from '@bogen/demo';
import { describe, expect, it } from 'vitest';
import { purgeDeleted } from '../src/forget/purge.js';
import { TestServer, type Visitor } from './harness.js';

const server = new TestServer('bench');
const figure = nearAndFar.sheets[0]!.figure;
const put = (who: Visitor, name: string, of: unknown = figure) =>
  who.call('addToBench', { body: { name, figure: of } });
const names = async (who: Visitor) => (await who.call('bench', {})).figures.map(({ name }) => name);

describe('a bench', () => {
  it('is one’s own, of instructors and students alike, and of nobody else', async () => {
    const people = [await server.stranger(), await server.student('Ada Bench')];
    for (const who of people) {
      const { id } = await put(who, 'A rib');
      expect(await who.call('benchFigure', { params: { figure: id } })).toMatchObject({
        name: 'A rib',
        revision: 0,
        figure,
      });
      for (const other of [await server.stranger(), await server.student(`Other ${id.slice(0, 4)}`)]) {
        const params = { figure: id };
        expect((await other.problem('benchFigure', { params })).type).toBe('not-found');
        expect((await other.problem('changeBenchFigure', { params, body: { name: 'Mine' } })).type).toBe(
          'not-found',
        );
        expect(await names(other)).toEqual([]);
      }
    }
    expect((await server.visitor().problem('bench', {})).type).toBe('not-signed-in');
  });

  it('keeps another state of a figure, and refuses one made from an older', async () => {
    const who = await server.stranger();
    const { id } = await put(who, 'A rib');
    const params = { figure: id };
    const next: FigureDocument = { ...figure, items: figure.items.slice(0, 1), loose: {} };
    expect(await who.call('changeBenchFigure', { params, body: { figure: next, base: 0 } })).toMatchObject({
      revision: 1,
    });
    expect(
      await who.problem('changeBenchFigure', { params, body: { figure: emptyFigure(), base: 0 } }),
    ).toMatchObject({ type: 'stale' });
    expect((await who.call('benchFigure', { params })).figure).toEqual(next);
    await who.call('changeBenchFigure', { params, body: { name: 'A lining' } });
    await who.call('changeBenchFigure', { params, body: {} });
    expect(await who.call('benchFigure', { params })).toMatchObject({ name: 'A lining', revision: 1 });
  });

  it('refuses what is no whole figure, with its place', async () => {
    const who = await server.stranger();
    const refused = async (of: unknown) =>
      (await who.problem('addToBench', { body: { name: 'X', figure: of } })).detail;
    expect(await refused({ ...figure, items: [{ id: 'a' }] })).toMatch(/incomplete.*items\.0/);
    expect(await refused({ ...figure, version: 99 })).toMatch(/version/);
    expect(await refused(null)).toMatch(/version/);
    expect(await refused({ ...figure, items: [figure.items[0], figure.items[0]] })).toMatch(/unique/);
    expect(await names(who)).toEqual([]);
  });

  it('gives back what was taken away, for a while, and has room for so many', async () => {
    const who = await server.stranger();
    const { id } = await put(who, 'First');
    const params = { figure: id };
    await who.call('changeBenchFigure', { params, body: { deleted: true } });
    expect(await names(who)).toEqual([]);
    await who.call('changeBenchFigure', { params, body: { deleted: false } });
    expect(await names(who)).toEqual(['First']);
    for (let k = 1; k < benchLimit; k++) await put(who, `Figure ${k}`, emptyFigure());
    expect(await who.problem('addToBench', { body: { name: 'One more', figure } })).toMatchObject({
      type: 'refused',
      detail: expect.stringContaining(`${benchLimit} figures`),
    });
    await who.call('changeBenchFigure', { params, body: { deleted: true } });
    await purgeDeleted(server.db, new Date(Date.now() + 1000));
    expect((await who.problem('changeBenchFigure', { params, body: { deleted: false } })).type).toBe(
      'not-found',
    );
    expect(await names(who)).toHaveLength(benchLimit - 1);
  });
});
