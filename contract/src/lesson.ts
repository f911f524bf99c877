import type { Condition, LessonCommand, LessonDocument, Prose, ProseNode, Sheet, Task } from '@bogen/core';
import { z } from 'zod';
import { figureCommandSchema, figureSchema } from './figure.js';
import { idSchema } from './primitives.js';

const titleSchema = z.string().min(1).max(200);

const proseNodeSchema: z.ZodType<ProseNode> = z.strictObject({
  type: z.enum([
    'paragraph',
    'heading',
    'bulletList',
    'orderedList',
    'listItem',
    'text',
    'hardBreak',
    'inlineMath',
    'blockMath',
  ]),
  attrs: z
    .record(z.string().max(40), z.union([z.string().max(2000), z.number(), z.boolean(), z.null()]))
    .optional(),
  get content() {
    return z.array(proseNodeSchema).max(2000).optional();
  },
  text: z.string().max(20_000).optional(),
  marks: z
    .array(z.strictObject({ type: z.enum(['bold', 'italic']) }))
    .max(4)
    .optional(),
});

export const proseSchema = z.strictObject({
  type: z.literal('doc'),
  content: z.array(proseNodeSchema).max(2000),
}) satisfies z.ZodType<Prose>;

const tolerance = z.number().min(0);
const item = idSchema;
const of = z.enum(['controlPoints', 'editPoints']);
const index = z.int().min(0);

export const conditionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('curveThroughPoint'), item, target: idSchema, tolerance }),
  z.strictObject({
    kind: z.literal('pointAtPlace'),
    item,
    of,
    index,
    place: z.array(z.number()).length(2),
    tolerance,
  }),
  z.strictObject({
    kind: z.literal('pointsUnmoved'),
    item,
    of,
    indices: z.array(index).max(2000),
    tolerance,
  }),
  z.strictObject({ kind: z.literal('spansUnmoved'), item, atLeast: z.int().min(0), tolerance }),
  z.strictObject({ kind: z.literal('curvatureAtMost'), item, limit: z.number().min(0) }),
  z.strictObject({ kind: z.literal('inflectionsAtMost'), item, atMost: z.int().min(0) }),
]) satisfies z.ZodType<Condition>;

export const taskSchema = z.strictObject({
  prompt: z.string().max(2000),
  hints: z.array(z.string().min(1).max(2000)).max(10),
  conditions: z.array(conditionSchema).max(20),
}) satisfies z.ZodType<Task>;

export const sheetSchema = z.strictObject({
  id: idSchema,
  title: titleSchema,
  prose: proseSchema,
  figure: figureSchema,
  task: taskSchema.nullable(),
}) satisfies z.ZodType<Sheet>;

export const lessonSchema = z.strictObject({
  version: z.literal(1),
  title: titleSchema,
  sheets: z.array(sheetSchema).min(1).max(60),
}) satisfies z.ZodType<LessonDocument>;

const sheet = idSchema;

export const lessonCommandSchema = z.discriminatedUnion('name', [
  z.strictObject({ name: z.literal('setTitle'), title: titleSchema }),
  z.strictObject({ name: z.literal('addSheet'), sheet: sheetSchema, at: index }),
  z.strictObject({ name: z.literal('removeSheet'), sheet }),
  z.strictObject({ name: z.literal('moveSheet'), sheet, to: index }),
  z.strictObject({ name: z.literal('setSheetTitle'), sheet, title: titleSchema }),
  z.strictObject({ name: z.literal('setProse'), sheet, prose: proseSchema }),
  z.strictObject({ name: z.literal('setTask'), sheet, task: taskSchema.nullable() }),
  z.strictObject({ name: z.literal('figure'), sheet, command: figureCommandSchema }),
]) satisfies z.ZodType<LessonCommand>;
