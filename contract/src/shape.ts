import type { Shape } from '@bogen/core';
import { z } from 'zod';
import { degreeSchema, finite, pointSchema } from './primitives.js';

/** Shapes of given items with parameters of their own kind. Whether they come to a curve is core's to say. */
const layout = z.enum(['quadratic9', 'quadratic7', 'cubic7', 'quintic6']);
const place = pointSchema;
const node = z.strictObject({
  point: place,
  before: place,
  after: place,
  kind: z.enum(['corner', 'aligned', 'equal']),
});

export const shapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('through'),
    points: z.array(place).max(2000),
    degree: degreeSchema,
    parametrisation: z.enum(['uniform', 'chord', 'centripetal']),
    closed: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('arcThrough'), start: place, through: place, end: place }),
  z.strictObject({
    kind: z.literal('arcRadius'),
    start: place,
    end: place,
    radius: finite,
    side: z.enum(['left', 'right']),
    large: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('arcBulge'), start: place, end: place, bulge: finite }),
  z.strictObject({
    kind: z.literal('circle'),
    centre: place,
    radius: finite,
    layout: z.union([
      layout,
      z.strictObject({
        look: z.literal('periodic'),
        degree: degreeSchema,
        count: z.int().min(3).max(500),
      }),
      z.strictObject({ look: z.literal('cubics'), pieces: z.int().min(2).max(200) }),
    ]),
  }),
  z.strictObject({ kind: z.literal('ellipse'), centre: place, axisX: place, axisY: place, layout }),
  z.strictObject({ kind: z.literal('rectangle'), corner: place, opposite: place }),
  z.strictObject({
    kind: z.literal('polygon'),
    centre: place,
    corner: place,
    sides: z.int().min(3).max(500),
  }),
  z.strictObject({
    kind: z.literal('conic'),
    start: place,
    end: place,
    held: z.enum(['shoulder', 'tangentIntersection']),
    place,
    rho: finite,
  }),
  z.strictObject({
    kind: z.literal('chain'),
    chain: z.strictObject({ nodes: z.array(node).max(2000), closed: z.boolean() }),
  }),
  z.strictObject({
    kind: z.literal('stroke'),
    points: z.array(place).max(20_000),
    tolerance: finite,
    degree: degreeSchema,
  }),
]) satisfies z.ZodType<Shape>;
