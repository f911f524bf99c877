import { told } from '../told/told.js';
import { FormatError } from './define.js';

/** What a file that comes in may have at most. */
export const formatLimits = {
  /** Characters; a drawing of some thousand curves has a few million. */
  characters: 20_000_000,
  entities: 400_000,
  /** Numbers, texts and references of all entities together. */
  values: 1_000_000,
  depth: 60,
  /** Curves and points that are taken in; more than a figure holds are refused when they come into it. */
  items: 20_000,
  /** Control points of all curves together. */
  points: 300_000,
  /** Rows of a table, which has samples too, and cells of each row. */
  rows: 500_000,
  cells: 1000,
  /** Cells of all rows of samples together that go out. */
  cellsOfSamples: 6_000_000,
};

/** @throws FormatError where a text is longer than can be read in the time that is meant for it */
export function refuseTooLong(text: string): void {
  if (text.length > formatLimits.characters)
    throw new FormatError(
      told('fileTooLarge', {
        size: Math.ceil(text.length / 1e6),
        most: formatLimits.characters / 1e6,
      }),
    );
}
