import type {
  Curve,
  FigureCommand,
  FigureDocument,
  FigureItem,
  Looks,
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

const shownSchema = z.strictObject({
  controlPoints: z.boolean(),
  polygon: z.boolean(),
  editPoints: z.boolean(),
  knots: z.boolean(),
  comb: z.boolean(),
  labels: z.boolean(),
  spans: z.boolean().optional(),
  start: z.boolean().optional(),
  weights: z.boolean().optional(),
  hulls: z.boolean().optional(),
  places: z.boolean().optional(),
  vectors: z.boolean().optional(),
  osculating: z.boolean().optional(),
  construction: z.boolean().optional(),
  ticks: z.boolean().optional(),
  facets: z.boolean().optional(),
  deviation: z.boolean().optional(),
  derivatives: z.boolean().optional(),
  hodograph: z.boolean().optional(),
}) satisfies z.ZodType<Shown>;

const itemBase = {
  id: idSchema,
  name: nameSchema,
  hidden: z.boolean().optional(),
  locked: z.boolean().optional(),
  color: z.enum(['ink', 'teal', 'ochre', 'plum', 'moss', 'indigo', 'coral']).optional(),
  lineWeight: z.enum(['fine', 'medium', 'bold', 'broad']).optional(),
  shown: shownSchema.partial().optional(),
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
  z.strictObject({
    ...itemBase,
    kind: z.literal('picture'),
    picture: z.uuid(),
    size: z.tuple([finite, finite]),
    centre: pointSchema,
    width: finite,
    angle: finite,
    flipped: z.boolean(),
    fade: z.number().min(0).max(1),
  }),
]) satisfies z.ZodType<FigureItem>;

const looseSchema = z.strictObject({
  controlPoints: indicesSchema,
  editPoints: indicesSchema,
}) satisfies z.ZodType<LoosePoints>;

const looksSchema = z.strictObject({
  combScale: z.number().min(0.01).max(100).optional(),
  combDensity: z.number().min(0.05).max(20).optional(),
  facetTolerance: z.number().min(1e-6).max(1e4).optional(),
  construction: z.enum(['deBoor', 'deCasteljau']).optional(),
  constructionLevels: z.int().min(0).max(9).optional(),
  blossoms: z.boolean().optional(),
  compareWith: idSchema.nullable().optional(),
  sideBySide: z.tuple([idSchema, idSchema]).nullable().optional(),
  polynomialBasis: z.boolean().optional(),
  basisSum: z.boolean().optional(),
}) satisfies z.ZodType<Looks>;

const trackSchema = z.enum(['knots', 'basis', 'curvature', 'speed', 'length', 'derivatives', 'deviation']);

const railSchema = z.strictObject({
  item: idSchema.nullable(),
  tracks: z.array(trackSchema).max(20),
  heights: z.partialRecord(trackSchema, z.number().min(24).max(600)).optional(),
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
  looks: looksSchema.optional(),
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
  z.strictObject({ name: z.literal('setLooks'), looks: looksSchema }),
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
