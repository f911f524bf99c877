import type {
  Curve,
  FigureCommand,
  FigureDocument,
  FigureItem,
  LoosePoints,
  Rail,
  Shown,
  View,
} from '@bogen/core';
import { z } from 'zod';
import { operationSchema } from './operation.js';
import { degreeSchema, finite, idSchema, indexSchema, pointSchema } from './primitives.js';
import { shapeSchema } from './shape.js';

/** Shapes of the figure model. Core's `validateFigure` checks what shapes can't say. */
const nameSchema = z.string().min(1).max(200);
const indicesSchema = z.array(indexSchema).max(2000);
const pointKindSchema = z.enum(['controlPoints', 'editPoints']);

export const curveSchema = z.strictObject({
  degree: degreeSchema,
  knots: z.array(finite).max(2020),
  points: z.array(pointSchema).max(2000),
  weights: z.array(finite).max(2000).optional(),
  periodic: z.literal(true).optional(),
}) satisfies z.ZodType<Curve>;

const itemBase = {
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean().optional(),
  locked: z.boolean().optional(),
};

export const figureItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...itemBase,
    kind: z.literal('curve'),
    curve: curveSchema,
    faint: z.boolean().optional(),
  }),
  z.strictObject({ ...itemBase, kind: z.literal('built'), operation: operationSchema }),
  z.strictObject({ ...itemBase, kind: z.literal('shape'), shape: shapeSchema }),
  z.strictObject({ ...itemBase, kind: z.literal('point'), at: pointSchema }),
]) satisfies z.ZodType<FigureItem>;

const looseSchema = z.strictObject({
  controlPoints: indicesSchema,
  editPoints: indicesSchema,
}) satisfies z.ZodType<LoosePoints>;

const shownSchema = z.strictObject({
  controlPoints: z.boolean(),
  polygon: z.boolean(),
  editPoints: z.boolean(),
  knots: z.boolean(),
  comb: z.boolean(),
  labels: z.boolean(),
  hulls: z.boolean().optional(),
  places: z.boolean().optional(),
  vectors: z.boolean().optional(),
  osculating: z.boolean().optional(),
  construction: z.boolean().optional(),
  ticks: z.boolean().optional(),
}) satisfies z.ZodType<Shown>;

const railSchema = z.strictObject({
  item: idSchema.nullable(),
  tracks: z.array(z.enum(['knots', 'basis', 'curvature', 'speed', 'length'])).max(20),
}) satisfies z.ZodType<Rail>;

const viewSchema = z.strictObject({
  left: finite,
  right: finite,
  bottom: finite,
  top: finite,
  grid: finite,
}) satisfies z.ZodType<View>;

export const figureSchema = z.strictObject({
  version: z.literal(1),
  items: z.array(figureItemSchema).max(200),
  loose: z.record(idSchema, looseSchema),
  shown: shownSchema,
  rail: railSchema,
  view: viewSchema,
}) satisfies z.ZodType<FigureDocument>;

const item = idSchema;
const singleFigureCommands = [
  z.strictObject({ name: z.literal('moveControlPoint'), item, index: indexSchema, to: pointSchema }),
  z.strictObject({ name: z.literal('moveEditPoint'), item, index: indexSchema, to: pointSchema }),
  z.strictObject({ name: z.literal('moveReferencePoint'), item, to: pointSchema }),
  z.strictObject({ name: z.literal('setPoints'), item, points: z.array(pointSchema).max(2000) }),
  z.strictObject({ name: z.literal('setWeight'), item, index: indexSchema, weight: finite }),
  z.strictObject({ name: z.literal('setDegree'), item, degree: degreeSchema }),
  z.strictObject({ name: z.literal('setLoose'), item, of: pointKindSchema, indices: indicesSchema }),
  z.strictObject({ name: z.literal('setShown'), shown: shownSchema.partial() }),
  z.strictObject({ name: z.literal('setRail'), rail: railSchema }),
  z.strictObject({ name: z.literal('setView'), view: viewSchema }),
  z.strictObject({ name: z.literal('renameItem'), item, to: nameSchema }),
  z.strictObject({ name: z.literal('orderItem'), item, at: indexSchema }),
  z.strictObject({ name: z.literal('addItem'), item: figureItemSchema, at: indexSchema }),
  z.strictObject({ name: z.literal('removeItem'), item }),
  z.strictObject({ name: z.literal('replaceItem'), item: figureItemSchema }),
] as const;

/** A batch holds single commands only, so that no document can nest without end. */
export const figureCommandSchema = z.discriminatedUnion('name', [
  ...singleFigureCommands,
  z.strictObject({
    name: z.literal('batch'),
    commands: z.array(z.discriminatedUnion('name', singleFigureCommands)).max(500),
  }),
]) satisfies z.ZodType<FigureCommand>;
