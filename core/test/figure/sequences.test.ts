import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import type { FigureDocument } from '../../src/figure/document/document.js';
import { validateFigure } from '../../src/figure/document/validate.js';
import { CommandError } from '../../src/history/history.js';
import { commandNames, commandsOf, figure } from './randomCommands.js';
import { holds } from '../holds.js';

/** Any command of the registry; a new one is among them by itself. */
const anyCommand = fc.constantFrom(...commandNames).chain(commandsOf);

describe('undo and redo over sequences of all commands', () => {
  it('lead back and forth through exactly the same documents', () => {
    const seen = new Set<string>();
    holds(
      fc.property(fc.array(anyCommand, { minLength: 2, maxLength: 12 }), (commands) => {
        const states: FigureDocument[] = [figure];
        const done: FigureCommand[] = [];
        const inverses: FigureCommand[] = [];
        for (const command of commands) {
          try {
            const applied = applyFigureCommand(states.at(-1)!, command);
            states.push(applied.document);
            done.push(command);
            inverses.push(JSON.parse(JSON.stringify(applied.inverse)) as FigureCommand);
            seen.add(command.name);
          } catch (error) {
            // What does not fit is refused in words, and leaves nothing behind.
            expect(error).toBeInstanceOf(CommandError);
          }
        }
        validateFigure(states.at(-1)!);
        let now = states.at(-1)!;
        for (let k = inverses.length - 1; k >= 0; k--) {
          now = applyFigureCommand(now, inverses[k]!).document;
          expect(now).toEqual(states[k]);
        }
        for (const [k, command] of done.entries()) {
          now = applyFigureCommand(now, command).document;
          expect(now).toEqual(states[k + 1]);
        }
      }),
      { numRuns: 2000 },
    );
    expect([...seen].sort()).toEqual([...commandNames].sort());
  });
});
