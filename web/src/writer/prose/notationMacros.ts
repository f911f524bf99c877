import { inNotation } from '@bogen/core/lesson';
import { notation } from '../../text/notation.js';

/** What KaTeX gives to a macro that is a function: its arguments are taken from the formula, as tokens from the last to the first. */
interface Expander {
  consumeArgs(count: number): readonly (readonly { readonly text: string }[])[];
}

/** What the notation of a lesson decides, with how many arguments each has. */
const counts = { at: 1, val: 2, most: 2, param: 1, point: 1, size: 1, nth: 1, reach: 1, factor: 1, next: 1 };

/** The macros of neutral formulas for an editor that sets its formulas itself. */
export const notationMacros: Record<string, (expander: Expander) => string> = Object.fromEntries(
  Object.entries(counts).map(([name, count]) => [
    `\\${name}`,
    (expander: Expander) => {
      const given = expander.consumeArgs(count).map(
        (tokens) =>
          `{${tokens
            .map(({ text }) => text)
            .reverse()
            .join('')}}`,
      );
      const neutral = `\\${name}${given.join('')}`;
      const written = inNotation(neutral, notation());
      // What it can't read is shown as it was typed; to give it back would not end.
      return written === neutral ? `\\text{${name}${given.join('').replaceAll(/[{}\\]/g, ' ')}}` : written;
    },
  ]),
);
