import { emptyFigure, type FigureDocument } from '@bogen/core/figure';
import { FormatError } from '@bogen/core/format';
import { describe, expect, it } from 'vitest';
import { figureOf, hashOf } from '../src/editing/exchange/figureLink.js';

const figure = (count: number): FigureDocument => ({
  ...emptyFigure(),
  items: [
    {
      id: 'c1',
      name: 'Bügel',
      kind: 'curve',
      curve: {
        degree: 1,
        knots: [0, ...Array.from({ length: count }, (_, k) => k), count - 1],
        points: Array.from({ length: count }, (_, k) => [k / 3, Math.sin(k * 1e5)]),
      },
    },
  ],
});

describe('a figure in an address', () => {
  it('is the same to the last digit', async () => {
    const hash = await hashOf(figure(40));
    expect(hash).toMatch(/^#figure=[\w-]+$/);
    expect(await figureOf(hash)).toEqual(figure(40));
  });

  it('is refused where the address would be too long', async () => {
    await expect(hashOf(figure(2000))).rejects.toThrow(FormatError);
  });

  it.each([
    ['nothing', ''],
    ['no letters of an address', '%%%'],
    ['no packed text', 'AAAA'],
    ['too much', 'A'.repeat(40_000)],
  ])('is refused where there is %s', async (_, letters) => {
    await expect(figureOf(`#figure=${letters}`)).rejects.toThrow(FormatError);
  });

  it('is refused where little letters unfold to very much', async () => {
    const zeros = new Blob([new Uint8Array(6_000_000)]).stream();
    const packed = await new Response(zeros.pipeThrough(new CompressionStream('deflate-raw'))).arrayBuffer();
    const letters = Buffer.from(packed).toString('base64url');
    expect(letters.length).toBeLessThan(30_000);
    await expect(figureOf(`#figure=${letters}`)).rejects.toThrow(FormatError);
  });

  it('is refused where it is another JSON', async () => {
    const packed = await new Response(
      new Blob(['{"format":"bogen-figure","version":1,"figure":{}}'])
        .stream()
        .pipeThrough(new CompressionStream('deflate-raw')),
    ).arrayBuffer();
    await expect(figureOf(`#figure=${Buffer.from(packed).toString('base64url')}`)).rejects.toThrow();
  });
});
