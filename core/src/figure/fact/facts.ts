import { area } from './area.js';
import { closedness } from './closedness.js';
import { combPeaks } from './combPeaks.js';
import { combSlopeJump } from './combSlopeJump.js';
import { conic } from './conic.js';
import { continuity } from './continuity.js';
import type { FactMember } from './define.js';
import { degree } from './degree.js';
import { knotVector } from './knotVector.js';
import { length } from './length.js';
import { order } from './order.js';
import { points } from './points.js';
import { poles } from './poles.js';
import { rational } from './rational.js';
import { shortKnotVector } from './shortKnotVector.js';
import { spans } from './spans.js';
import { storedNumbers } from './storedNumbers.js';
import { weights } from './weights.js';

/** Everything that can be told of a curve, in the order of the facts card. A new fact is a file beside these and a line here. */
export const facts = {
  degree,
  order,
  spans,
  points,
  knotVector,
  shortKnotVector,
  rational,
  weights,
  poles,
  conic,
  closedness,
  length,
  area,
  combPeaks,
  combSlopeJump,
  storedNumbers,
  continuity,
} as const satisfies Readonly<Record<string, FactMember>>;

export type FactName = keyof typeof facts;
export const factNames = Object.keys(facts) as readonly FactName[];
