import {
  answerDescription,
  lessonCommandDescription,
  lessonDescription,
  sheetDescription,
  type LessonCommand,
  type LessonDocument,
  type Sheet,
  type TaskAnswer,
} from '@bogen/core/lesson';
import type { ZodType } from 'zod';
import { schemaOf } from './describe.js';

/** Schemas of the lesson model, derived from core. Core's `validateLesson` checks what shapes can't say. */
export const sheetSchema = schemaOf(sheetDescription) as unknown as ZodType<Sheet>;
export const lessonSchema = schemaOf(lessonDescription) as unknown as ZodType<LessonDocument>;
export const lessonCommandSchema: ZodType<LessonCommand> = schemaOf(lessonCommandDescription);
export const answerSchema: ZodType<TaskAnswer> = schemaOf(answerDescription);
