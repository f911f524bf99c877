/** Imported for what it does: all the mathematics of figures is here, so that any figure can be computed at once. */
import { mathematics as ofOperations } from './operation/later.js';
import * as operationMathematics from './operation/mathematics.js';
import { mathematics as ofShapes } from './shape/later.js';
import * as shapeMathematics from './shape/mathematics.js';

ofOperations.provide(operationMathematics);
ofShapes.provide(shapeMathematics);
