import { curvatureAt } from '@bogen/core';
import { samplesOf } from '../figure/geometry.js';
import { functionTrack } from './functionTrack.js';

/** Signed curvature over the parameter. */
export const curvatureTrack = functionTrack('curvature', [
  { values: ({ curve }) => samplesOf(curve).curvature, at: ({ curve }, u) => curvatureAt(curve, u) },
]);
