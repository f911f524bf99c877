import { jsonDescriptions } from '@bogen/core/format';
import type { ZodType } from 'zod';
import { schemaOf } from './describe.js';

/** The JSON files that a figure goes out and comes in by, by the names of their schemas. */
export const jsonFileSchemas: Readonly<Record<string, ZodType>> = Object.fromEntries(
  Object.entries(jsonDescriptions).map(([format, description]) => [
    format.replace('bogen-', ''),
    schemaOf(description) as ZodType,
  ]),
);
