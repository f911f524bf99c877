import {
  answerDescription,
  lessonCommandDescription,
  lessonDescription,
  notationDescription,
  sheetDescription,
  type LessonCommand,
  type LessonDocument,
  type Notation,
  type Sheet,
  type TaskAnswer,
} from '@bogen/core/lesson';
import type { ZodType } from 'zod';
import { schemaOf } from './describe.js';

/** Schemas of the lesson model, derived from core. Core's `validateLesson` checks what shapes can't say. */
export const notationSchema = schemaOf(notationDescription) as unknown as ZodType<Notation>;
export const sheetSchema = schemaOf(sheetDescription) as unknown as ZodType<Sheet>;
export const lessonSchema = schemaOf(lessonDescription) as unknown as ZodType<LessonDocument>;
export const lessonCommandSchema: ZodType<LessonCommand> = schemaOf(lessonCommandDescription);
export const answerSchema: ZodType<TaskAnswer> = schemaOf(answerDescription);
