import type { Operation } from '@bogen/core';
import { z } from 'zod';
import { degreeSchema, finite, idSchema, indexSchema, pointSchema } from './primitives.js';

/** Shapes of the operations by which built items are made. Whether they can be done is core's to say. */
const source = idSchema;
const times = z.int().min(1).max(9);
const second = idSchema;
const parametrisation = z.enum(['uniform', 'chord', 'centripetal']);
const pegs = z.array(idSchema).min(1).max(200);
const axis = z.tuple([pointSchema, pointSchema]);
const curveEnd = z.enum(['start', 'end']);

export const operationSchema = z.discriminatedUnion('name', [
  z.strictObject({ name: z.literal('copy'), source, offset: pointSchema }),
  z.strictObject({ name: z.literal('curveOfDegree'), source, degree: degreeSchema }),
  z.strictObject({ name: z.literal('throughPoints'), source, degree: degreeSchema, parametrisation }),
  z.strictObject({ name: z.literal('curveOnPegs'), pegs, degree: degreeSchema, closed: z.boolean() }),
  z.strictObject({
    name: z.literal('curveThroughPegs'),
    pegs,
    degree: degreeSchema,
    parametrisation,
    closed: z.boolean(),
  }),
  z.strictObject({ name: z.literal('insertKnot'), source, parameter: finite, times }),
  z.strictObject({ name: z.literal('removeKnot'), source, parameter: finite, times }),
  z.strictObject({ name: z.literal('raiseDegree'), source, times }),
  z.strictObject({ name: z.literal('lowerDegree'), source, times }),
  z.strictObject({ name: z.literal('part'), source, from: finite, to: finite }),
  z.strictObject({ name: z.literal('piece'), source, index: indexSchema }),
  z.strictObject({
    name: z.literal('split'),
    source,
    parameter: finite,
    side: z.enum(['before', 'after']),
  }),
  z.strictObject({ name: z.literal('join'), source, second, tolerance: z.number().min(0) }),
  z.strictObject({
    name: z.literal('match'),
    source,
    second,
    continuity: z.enum(['G0', 'G1', 'G2', 'G3', 'C1', 'C2']),
    curveEnd,
    targetEnd: curveEnd,
  }),
  z.strictObject({ name: z.literal('reverse'), source }),
  z.strictObject({
    name: z.literal('close'),
    source,
    way: z.enum(['pull', 'bridge', 'wrap']),
    continuity: z.literal([0, 1, 2]),
  }),
  z.strictObject({ name: z.literal('open'), source, parameter: finite }),
  z.strictObject({ name: z.literal('moveStart'), source, parameter: finite }),
  z.strictObject({ name: z.literal('mapDomain'), source, start: finite, end: finite }),
  z.strictObject({ name: z.literal('mobius'), source, factor: finite }),
  z.strictObject({
    name: z.literal('evenOut'),
    source,
    held: z.array(z.strictObject({ at: finite, value: finite.optional() })).max(100),
    perSpan: z.int().min(1).max(50),
  }),
  z.strictObject({
    name: z.literal('refit'),
    source,
    degree: degreeSchema,
    spans: z.int().min(1).max(500),
  }),
  z.strictObject({ name: z.literal('fitToTolerance'), source, degree: degreeSchema, tolerance: finite }),
  z.strictObject({ name: z.literal('mirror'), source, axis }),
  z.strictObject({
    name: z.literal('symmetric'),
    source,
    axis,
    smooth: z.boolean(),
    keep: z.enum(['before', 'after']).optional(),
  }),
  z.strictObject({
    name: z.literal('convert'),
    source,
    kind: z.enum(['straight', 'monotone', 'bezier', 'bspline']),
  }),
]) satisfies z.ZodType<Operation>;
