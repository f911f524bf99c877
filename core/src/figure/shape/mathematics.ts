/** What shapes compute by; it is fetched with the first figure that holds one. */
export { curveOfChain, moveHandle, moveNode } from '../../curve/bezierChain.js';
export {
  arcFromBulge,
  arcFromEnds,
  arcThroughPoints,
  exactCircle,
  exactEllipse,
} from '../../curve/circle.js';
export { approximateCircle, approximateCircleByCubics } from '../../curve/circleError.js';
export { conicFromShoulder, conicFromTangents, shoulderOf } from '../../curve/conic.js';
export { fitStroke } from '../../curve/fitPoints.js';
export { interpolate, interpolateClosed } from '../../curve/interpolate.js';
