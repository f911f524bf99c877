import { optional, tagged, type ValueOf } from '../../describe/describe.js';
import { notationDescription } from '../../notation/notation.js';
import type { LessonDocument } from '../lesson.js';
import type { LessonCommandMember } from './define.js';

const description = tagged('name', 'setNotation', { notation: optional(notationDescription) });
export type SetNotation = ValueOf<typeof description>;

/** How the lesson's figures are written down; the usual way where it says nothing. */
export const setNotation: LessonCommandMember<SetNotation> = {
  description,
  apply: (lesson, { notation }) => ({
    document: inNotationOf(lesson, notation),
    inverse: {
      name: 'setNotation',
      ...(lesson.notation && { notation: lesson.notation }),
    },
  }),
  touches: () => ['notation'],
  sheet: () => undefined,
};

/** The lesson with this notation, or with none of its own. */
export function inNotationOf(
  { notation: _, ...lesson }: LessonDocument,
  notation: LessonDocument['notation'],
): LessonDocument {
  return notation ? { ...lesson, notation } : lesson;
}
