import { performance } from 'node:perf_hooks';
import type { Curve } from '../src/curve/curve.js';
import { emptyFigure } from '../src/figure/document/document.js';
import type { FigureItem } from '../src/figure/document/item.js';
import { evaluateFigure } from '../src/figure/evaluation/evaluate.js';
import { FormatError, formats, readerOf } from '../src/format/index.js';
import { hostile } from '../test/format/hostile.js';

/** What files cost: many curves out, many paths in, and files that are made to be costly. */

function timed<Value>(act: () => Value): [number, Value] {
  const began = performance.now();
  const value = act();
  return [performance.now() - began, value];
}
const shown = (name: string, time: number): void => console.log(`| ${name} | ${time.toFixed(0)} ms |`);

const curve: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 1, 1, 1, 1],
  points: [
    [0, 0],
    [1, 2],
    [3, 2],
    [4, 0],
  ],
};
const items = Array.from({ length: 10_000 }, (_, k): FigureItem => ({
  id: `c${k}`,
  name: `Curve ${k}`,
  kind: 'curve',
  curve,
}));
const document = { ...emptyFigure(), items };
const figure = { document, evaluation: evaluateFigure(document) };
for (const name of ['step', 'iges'] as const) {
  const [out, { text }] = timed(() => formats[name].write(figure, formats[name].first));
  shown(`${name.toUpperCase()} with 10,000 curves, out`, out);
  const [back] = timed(() => readerOf(formats[name])(text));
  shown('the same, in', back);
}
const path = `<path d="M0 0${'C1 1 2 1 3 0S5-1 6 0'.repeat(10)}"/>`;
const drawing = `<svg xmlns="http://www.w3.org/2000/svg">${path.repeat(2000)}</svg>`;
shown('SVG with 2,000 paths of 20 pieces, in', timed(() => readerOf(formats.svg)(drawing))[0]);

console.log('');
for (const [name, what, text] of hostile) {
  const [time] = timed(() => {
    try {
      readerOf(formats[name])(text);
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
    }
  });
  shown(`${name.toUpperCase()}, ${what}: refused`, time);
}
