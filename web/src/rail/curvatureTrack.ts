import { samplesOf } from '../figure/geometry.js';
import { functionTrack } from './functionTrack.js';

/** Signed curvature over the parameter. */
export const curvatureTrack = functionTrack('curvature', (curve) => samplesOf(curve).curvature);
