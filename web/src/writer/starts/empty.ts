import { emptyFigure } from '@bogen/core/figure';
import type { Start } from './define.js';

/** A sheet of paper with a grid, and nothing on it. */
export const empty = (): Start => ({ figure: emptyFigure(), steps: [], live: {} });
