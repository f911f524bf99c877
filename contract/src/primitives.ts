import { z } from 'zod';

/** The small shapes of which the others are made. */
export const finite = z.number();
export const idSchema = z.string().min(1).max(64);
export const pointSchema = z.array(finite).min(2).max(3);
export const indexSchema = z.int().min(0).max(100_000);
export const degreeSchema = z.int().min(1).max(9);
