import { closedSection } from './closedSection.js';
import { conic } from './conic.js';
import type { StartName } from '../../text/en/starts.js';
import type { Start } from './define.js';
import { degreeOrSpans } from './degreeOrSpans.js';
import { empty } from './empty.js';
import { knotByKnot } from './knotByKnot.js';
import { nearAndFar } from './nearAndFar.js';
import { oneCurve } from './oneCurve.js';
import { samePoints } from './samePoints.js';
import { takingApart } from './takingApart.js';
import { trueRound } from './trueRound.js';

/** Every ready-made start, in the order in which they are offered. A new one is a file beside these and a line here. */
export const starts = {
  samePoints,
  nearAndFar,
  degreeOrSpans,
  knotByKnot,
  takingApart,
  trueRound,
  conic,
  closedSection,
  oneCurve,
  empty,
} satisfies Readonly<Record<StartName, () => Start>>;

export const startNames = Object.keys(starts) as readonly StartName[];
