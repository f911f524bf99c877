import { readFileSync, statSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { TextDecoder } from 'node:util';
import { emptyFigure, evaluateFigure } from '@bogen/core/figure';
import { coreSentences, sentenceOf, ToldError } from '@bogen/core/lesson';
import { formatLimits, formatOfFile, optionsFrom, readerOf } from '@bogen/core/format';
import { run, Trouble } from './say.mjs';

const usage = `npm run convert -- IN OUT [--option value …]

Reads a file of one open format and writes it in another, by the endings of their names. Ends with 0 where everything came
over, with 3 where something did not, which is told, and with 1 where nothing was written.`;

/** Every conversion of the registry of formats, without a server. */
await run(() => {
  const [from, to, ...rest] = process.argv.slice(2);
  if (from === undefined || to === undefined) throw new Trouble(usage);
  const say = (told) => sentenceOf(told, coreSentences);
  try {
    const [reader, writer] = [readerOf(formatOfFile(from)), formatOfFile(to)];
    const options = optionsFrom(writer, rest);
    let size;
    try {
      ({ size } = statSync(from));
    } catch {
      throw new Trouble(`There is no file ${from}.`);
    }
    if (size > 4 * formatLimits.characters)
      throw new Trouble(`${from} is too large: ${Math.round(size / 1e6)} MB.`);
    const { items, left, figure, millimetres } = reader(new TextDecoder().decode(readFileSync(from)));
    const document = figure ?? { ...emptyFigure(), items };
    const time = new Date().toISOString().slice(0, 19);
    const written = writer.write({ document, evaluation: evaluateFigure(document), time }, options);
    try {
      writeFileSync(to, written.text);
    } catch (error) {
      throw new Trouble(`${to} can’t be written: ${error.message}`);
    }
    console.log(
      `${basename(from)}: ${items.length} items${millimetres === 1 ? '' : `, a unit is ${millimetres} mm`}`,
    );
    for (const { what, count } of left) console.log(`left in ${basename(from)}: ${count} × ${what}`);
    for (const told of written.lost) console.log(say(told));
    if (left.length > 0 || written.lost.length > 0) process.exitCode = 3;
  } catch (error) {
    if (error instanceof ToldError) throw new Trouble(say(error.told));
    throw error;
  }
});
