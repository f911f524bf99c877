import { firstFigure } from '../../sheet/firstFigure.js';
import type { Start } from './define.js';

/** One cubic on six points, everything loose. */
export const oneCurve = (): Start => ({ figure: firstFigure(), steps: [], live: {} });
