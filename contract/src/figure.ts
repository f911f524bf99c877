import {
  figureCommandDescription,
  figureDescription,
  itemDescription,
  type FigureCommand,
  type FigureDocument,
  type FigureItem,
} from '@bogen/core/figure';
import type { ZodType } from 'zod';
import { schemaOf } from './describe.js';

/** Schemas of the figure model, derived from core. Core's `validateFigure` checks what shapes can't say. */
export const figureSchema = schemaOf(figureDescription) as unknown as ZodType<FigureDocument>;
export const figureItemSchema: ZodType<FigureItem> = schemaOf(itemDescription);
export const figureCommandSchema: ZodType<FigureCommand> = schemaOf(figureCommandDescription);
