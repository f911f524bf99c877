import { mismatchOf } from '@bogen/core/figure';
import { FormatError } from '@bogen/core/format';
import {
  figureOfStage,
  lessonDescription,
  migrateLesson,
  told,
  usualNotation,
  validateLesson,
} from '@bogen/core/lesson';
import { Trouble } from './say.mjs';

/**
 * The lesson in a text, brought to today's version and checked; nothing where the text holds something else.
 * @throws ToldError where it begins like one and is none
 */
export function lessonIn(text) {
  let file;
  try {
    file = JSON.parse(text);
  } catch {
    return undefined;
  }
  if (file?.format !== 'bogen-lesson') return undefined;
  if (file.version !== 1) throw new FormatError(told('fileVersion', { version: Number(file.version) || 0 }));
  const lesson = migrateLesson(file.lesson);
  const mismatch = mismatchOf(lessonDescription, lesson, 'lesson');
  if (mismatch) throw new FormatError(told('fileMismatch', { ...mismatch }));
  validateLesson(lesson);
  return lesson;
}

/** One of a list, by its number from 1 or by its id; the only one where nothing is said. */
function chosen(list, word, option, name) {
  if (word === undefined && list.length === 1) return list[0];
  const found = list.find(({ id }, index) => word === id || word === String(index + 1));
  if (found) return found;
  const all = list.map((one, index) => `${index + 1} ${name(one)}`).join(', ');
  throw new Trouble(`Say which by --${option}: ${all}.`);
}

/**
 * The figure of a sheet of a lesson at one of its stages, and how the lesson writes what it shows.
 * @param sheet number or id; may be absent where there is one alone
 * @param stage number or id; the first where absent
 */
export function figureIn(lesson, sheet, stage) {
  const { stages, ...own } = chosen(lesson.sheets, sheet, 'sheet', ({ title }) => title);
  const { id } = chosen(stages, stage ?? '1', 'stage', ({ caption }) => caption || '–');
  return { figure: figureOfStage({ ...own, stages }, id), notation: lesson.notation ?? usualNotation };
}
