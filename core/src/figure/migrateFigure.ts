import { migrate, type Migrations, type Versioned } from '../migration/migrate.js';
import { figureVersion } from './document.js';

/** One entry for every version that was ever stored, leading to the next. */
const migrations: Migrations = {};

/**
 * Brings a stored figure to the current version. Its shape is checked afterwards, by the schema and by
 * `validateFigure`.
 * @throws CommandError where it can't be brought here
 */
export function migrateFigure(stored: unknown): Versioned {
  return migrate(stored, figureVersion, migrations, 'figure');
}
