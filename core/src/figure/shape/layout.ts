import { circleLayouts } from '../../curve/circleLayouts.js';
import { choice } from '../../describe/describe.js';

/** The layouts of control points in which a whole circle or ellipse is exact, by degree and count. */
export const layout = choice(...circleLayouts);
