import '@bogen/core/mathematics';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { TextDecoder } from 'node:util';
import { emptyFigure, evaluateFigure } from '@bogen/core/figure';
import { coreSentences, sentenceOf, ToldError } from '@bogen/core/lesson';
import { formatLimits, formatOfFile, formats, optionsFrom, readerOf } from '@bogen/core/format';
import { figureIn, lessonIn } from './lessonIn.mjs';
import { Trouble } from './say.mjs';

const usage = `npm run convert -- IN OUT [--option value …]

Reads a file of one open format and writes it in another, by the endings of their names. Ends with 0 where everything came
over, with 3 where something did not, which is told, and with 1 where nothing was written. A drawing is written as .pdf (a page
of its size) and as .png (--pixels 1600) too, with the options of SVG. Of a lesson file goes out the figure of one sheet:
--sheet says which, and --stage at which stage, by number or id.`;

/**
 * Converts a file as `npm run convert` does, by any formats of the registry, without a server.
 * @param arguments_ the words after the command
 * @param print takes what is said, a line at a time
 * @returns the exit code: 0, or 3 where something did not come over
 * @throws Trouble where nothing was written
 */
export async function convertFile(arguments_, print) {
  const [from, to, ...words] = arguments_;
  if (from === undefined || to === undefined) throw new Trouble(usage);
  const say = (told) => sentenceOf(told, coreSentences);
  try {
    const kind = /\.(pdf|png)$/i.exec(to)?.[1].toLowerCase();
    const { pixels, rest } = pixelsIn(words, kind);
    const [sheet, withoutSheet] = taken('--sheet', rest);
    const [stage, others] = taken('--stage', withoutSheet);
    const [reader, writer] = [readerOf(formatOfFile(from)), kind ? formats.svg : formatOfFile(to)];
    const options = optionsFrom(writer, others);
    let size;
    try {
      ({ size } = statSync(from));
    } catch {
      throw new Trouble(`There is no file ${from}.`);
    }
    if (size > 4 * formatLimits.characters)
      throw new Trouble(`${from} is too large: ${Math.round(size / 1e6)} MB.`);
    const text = new TextDecoder().decode(readFileSync(from));
    const { items, left, figure, millimetres, notation } = contentOf(text, reader, sheet, stage);
    const document = figure ?? { ...emptyFigure(), items };
    const time = new Date().toISOString().slice(0, 19);
    const written = writer.write({ document, evaluation: evaluateFigure(document), time, notation }, options);
    // What draws is large, and not wanted otherwise.
    const contents = kind
      ? await (await import('./drawnFile.mjs')).drawn[kind](written.text, pixels)
      : written.text;
    try {
      writeFileSync(to, contents);
    } catch (error) {
      throw new Trouble(`${to} can’t be written: ${error.message}`);
    }
    print(
      `${basename(from)}: ${items.length} items${millimetres === 1 ? '' : `, a unit is ${millimetres} mm`}`,
    );
    for (const { what, count } of left) print(`left in ${basename(from)}: ${count} × ${what}`);
    for (const told of written.lost) print(say(told));
    return left.length > 0 || written.lost.length > 0 ? 3 : 0;
  } catch (error) {
    if (error instanceof ToldError) throw new Trouble(say(error.told));
    throw error;
  }
}

/** What is in a file: of a lesson the figure of a sheet, of anything else what its format reads. */
function contentOf(text, reader, sheet, stage) {
  const lesson = lessonIn(text);
  if (!lesson) {
    if (sheet ?? stage) throw new Trouble('--sheet and --stage are about lesson files; this is none.');
    return reader(text);
  }
  const { figure, notation } = figureIn(lesson, sheet, stage);
  return { items: figure.items, left: [], figure, millimetres: 1, notation };
}

/** The word after an option, and what is left without both. */
function taken(option, words) {
  const at = words.indexOf(option);
  return at < 0 ? [undefined, words] : [words[at + 1] ?? '', words.toSpliced(at, 2)];
}

/** How many pixels across are asked for, and the words that are left. */
function pixelsIn(words, kind) {
  const at = words.indexOf('--pixels');
  if (kind !== 'png' || at < 0) return { pixels: 1600, rest: words };
  const pixels = Number(words[at + 1]);
  if (!(Number.isInteger(pixels) && pixels >= 16 && pixels <= 8000))
    throw new Trouble('--pixels has to be a whole number from 16 to 8000.');
  return { pixels, rest: words.toSpliced(at, 2) };
}
