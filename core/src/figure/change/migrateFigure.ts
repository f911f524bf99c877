import type { Curve } from '../../curve/curve.js';
import { withSettledKnots } from '../../curve/settleKnots.js';
import { migrate, type Migrations, type Versioned } from '../../migration/migrate.js';
import { singleCommands, type FigureCommand, type SingleFigureCommand } from '../command/commands.js';
import { figureVersion } from '../document/document.js';

type Stored = Readonly<Record<string, unknown>>;

/**
 * What a version changed, part by part, so that whole figures and the commands that carry parts of them are
 * brought along by the same functions.
 */
interface VersionChange {
  readonly item: (item: Stored) => Stored;
  readonly shown: (shown: Stored) => Stored;
}

/** The way from version n to n + 1, for each n. */
const changes: Readonly<Record<number, VersionChange>> = {
  // Reference points got their one name, extremes theirs, and approximate circles the word for what they are.
  1: {
    item: (item) => {
      const shown = item['shown'] as Stored | undefined;
      const { operation, shape } = item as { operation?: Stored; shape?: Stored };
      return {
        ...item,
        ...(shown ? { shown: renamedKey(shown, 'places', 'extremes') } : {}),
        ...(operation ? { operation: onReferencePoints(operation) } : {}),
        ...(shape ? { shape: approximate(shape) } : {}),
      };
    },
    shown: (shown) => renamedKey(shown, 'places', 'extremes'),
  },
  // Knots that can't be told apart became equal wherever a curve comes in.
  2: {
    item: (item) =>
      isCurveOfKnots(item['curve']) ? { ...item, curve: withSettledKnots(item['curve']) } : item,
    shown: (shown) => shown,
  },
};

/** Whether something stored has what settling its knots needs; all else is for the schema to tell. */
function isCurveOfKnots(stored: unknown): stored is Curve {
  if (typeof stored !== 'object' || stored === null) return false;
  const { degree, knots } = stored as Stored;
  return (
    Number.isInteger(degree) &&
    Array.isArray(knots) &&
    knots.length > 2 * (degree as number) &&
    knots.every((knot) => Number.isFinite(knot))
  );
}

function renamedKey(object: Stored, from: string, to: string): Stored {
  if (!Object.hasOwn(object, from)) return object;
  const { [from]: value, ...rest } = object;
  return { ...rest, [to]: value };
}

function onReferencePoints(operation: Stored): Stored {
  const names: Readonly<Record<string, string>> = {
    curveOnPegs: 'curveOnReferencePoints',
    curveThroughPegs: 'curveThroughReferencePoints',
  };
  const name = names[String(operation['name'])];
  return name ? { ...renamedKey(operation, 'pegs', 'points'), name } : operation;
}

function approximate(shape: Stored): Stored {
  const { layout } = shape;
  return typeof layout === 'object' && layout !== null
    ? { ...shape, layout: renamedKey(layout as Stored, 'look', 'approximation') }
    : shape;
}

const migrations: Migrations = Object.fromEntries(
  Object.entries(changes).map(([version, { item, shown }]) => [
    version,
    (old: Versioned) => ({
      ...old,
      ...(Array.isArray(old['items']) ? { items: (old['items'] as Stored[]).map(item) } : {}),
      ...(old['shown'] ? { shown: shown(old['shown'] as Stored) } : {}),
    }),
  ]),
);

/**
 * Brings a stored figure to the current version. Its shape is checked afterwards, by the schema and by
 * `validateFigure`.
 * @throws CommandError where it can't be brought here
 */
export function migrateFigure(stored: unknown): Versioned {
  return migrate(stored, figureVersion, migrations);
}

/**
 * Brings a stored command to the current version of the figure that it was given on: steps of a log, their
 * inverses, and what waits in a browser.
 */
export function migrateFigureCommand(stored: FigureCommand, version: number): FigureCommand {
  if (version >= figureVersion) return stored;
  const commands = singleCommands(stored).map((single) => {
    let command = single as unknown as Stored;
    for (let from = version; from < figureVersion; from++) {
      const change = changes[from];
      if (!change) continue;
      const { name, item } = command;
      if ((name === 'addItem' || name === 'replaceItem') && typeof item === 'object')
        command = { ...command, item: change.item(item as Stored) };
      else if (name === 'setShown') command = { ...command, shown: change.shown(command['shown'] as Stored) };
    }
    return command as unknown as SingleFigureCommand;
  });
  return stored.name === 'batch' ? { name: 'batch', commands } : commands[0]!;
}
