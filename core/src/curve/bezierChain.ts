import { told } from '../told/told.js';
import { decompose } from './decompose.js';
import { isRational, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import { elevateDegree } from './elevateDegree.js';
import { clampedKnotVector, interiorKnots } from './knotVector.js';
import { addScaled, angleBetween, distance, lengthOf, mix, subtract, unit } from './vector.js';
import { closednessOf } from './close.js';
import { refitCurve } from './refit.js';

/**
 * How the two handles of a node depend on each other: not at all, in line, or in line and equally long.
 */
export type NodeKind = 'corner' | 'aligned' | 'equal';

/** A node of a Bézier chain: a point that the curve passes through, and the two handles that shape it there. */
export interface ChainNode {
  readonly point: Point;
  /** End of the handle towards the previous node, and towards the next one. */
  readonly before: Point;
  readonly after: Point;
  readonly kind: NodeKind;
  /**
   * The parameter that the curve has there, between 0 and 1 and above those of the nodes before; by chord length between
   * its neighbours where not given. The first node is at 0, and the last of an open chain at 1, whatever they say.
   */
  readonly parameter?: number | undefined;
}

/** A chain of cubic Bézier pieces between nodes; a closed one runs from the last node on to the first. */
export interface BezierChain {
  readonly nodes: readonly ChainNode[];
  readonly closed: boolean;
}

function validateChain({ nodes, closed }: BezierChain): void {
  // One node with both its handles is a drop.
  const least = closed ? 1 : 2;
  if (nodes.length < least) {
    throw new CurveError('point-count', told('chainNodeCount', { least, count: nodes.length }), {
      value: nodes.length,
    });
  }
  const dimension = nodes[0]!.point.length;
  nodes.forEach((node, index) => {
    for (const place of [node.point, node.before, node.after]) {
      if (place.length !== dimension || !place.every(Number.isFinite)) {
        throw new CurveError('point', told('chainNodeCoordinates', { index, dimension }), {
          index,
          value: place,
        });
      }
    }
  });
}

/**
 * The chain as a cubic B-spline, each node a knot of multiplicity 3, so that every handle is a control
 * point (P&T 5.6; F 5). Parameters are those that nodes have of their own, and between them run by the number of
 * pieces, or by chord length.
 * @throws CurveError `point-count`, `point`, `argument` where the nodes' parameters do not ascend from 0 to 1
 */
export function curveOfChain(chain: BezierChain, parametrisation: 'uniform' | 'chord' = 'chord'): Curve {
  validateChain(chain);
  const all = allNodes(chain);
  const points: Point[] = [all[0]!.point];
  all.slice(1).forEach((node, k) => points.push(all[k]!.after, node.before, node.point));
  const interior = nodeParameters(chain, parametrisation)
    .slice(1, -1)
    .map((value) => ({ value, multiplicity: 3 }));
  return { degree: 3, knots: clampedKnotVector(0, 1, interior, 3), points };
}

/** The nodes in the order of the curve, the first of a closed chain at its end once more. */
const allNodes = ({ nodes, closed }: BezierChain): readonly ChainNode[] =>
  closed ? [...nodes, nodes[0]!] : nodes;

/**
 * A curve as a chain of cubic Bézier pieces: exact for a polynomial curve of degree 3 or less, each span
 * a piece; others are refitted by cubics first, and `convertCurve` tells the deviation of that. The kind
 * of each node is measured.
 * @param tolerance angle in radians and relative length within which handles count as aligned and equal
 */
export function chainOfCurve(curve: Curve, tolerance = 1e-6): BezierChain {
  const cubic = cubicOf(curve);
  const pieces = decompose(cubic);
  const closed = closednessOf(cubic) !== 'open';
  const nodes: ChainNode[] = [];
  for (let k = 0; k <= pieces.length; k++) {
    const next = pieces[k] ?? (closed ? pieces[0] : undefined);
    const previous = pieces[k - 1] ?? (closed ? pieces.at(-1) : undefined);
    if (closed && k === pieces.length) break;
    const point = (next?.points[0] ?? previous!.points[3])!;
    const after = next ? next.points[1]! : point;
    const before = previous ? previous.points[2]! : point;
    nodes.push({
      point,
      before,
      after,
      kind: kindOf(point, before, after, tolerance),
    });
  }
  return { nodes, closed };
}

/** The curve at degree 3 without weights: raised where it is lower, refitted where it is higher or rational. */
function cubicOf(curve: Curve): Curve {
  const plain: Curve = isRational(curve) ? curve : withoutWeights(curve);
  if (!plain.weights && plain.degree === 3) return plain;
  if (!plain.weights && plain.degree < 3) return elevateDegree(plain, 3 - plain.degree);
  const spans = Math.max(2, 2 * (interiorKnots(curve.knots, curve.degree).length + 1));
  return refitCurve(plain, 3, spans).curve;
}

function withoutWeights({ weights: _, ...curve }: Curve): Curve {
  return curve;
}

function kindOf(point: Point, before: Point, after: Point, tolerance: number): NodeKind {
  const [back, forth] = [subtract(point, before), subtract(after, point)];
  const [a, b] = [lengthOf(back), lengthOf(forth)];
  if (!(a > 0 && b > 0) || angleBetween(back, forth) > tolerance) return 'corner';
  return Math.abs(a - b) <= tolerance * Math.max(a, b) ? 'equal' : 'aligned';
}

function nodeAt({ nodes }: BezierChain, index: number): ChainNode {
  const node = nodes[index];
  if (!node) {
    throw new CurveError('index', told('noChainNode', { index, last: nodes.length - 1 }), {
      index,
      value: index,
    });
  }
  return node;
}

function withNode(chain: BezierChain, index: number, node: ChainNode): BezierChain {
  return { ...chain, nodes: chain.nodes.map((other, k) => (k === index ? node : other)) };
}

/**
 * Moves a node with both its handles.
 * @throws CurveError `index`
 */
export function moveNode(chain: BezierChain, index: number, to: Point): BezierChain {
  const node = nodeAt(chain, index);
  const move = subtract(to, node.point);
  return withNode(chain, index, {
    ...node,
    point: to,
    before: addScaled(node.before, move),
    after: addScaled(node.after, move),
  });
}

/**
 * Moves the end of a handle; the other handle of the node follows as its kind says: it stays at a corner,
 * turns into line keeping its length, or becomes the mirror image.
 * @throws CurveError `index`
 */
export function moveHandle(
  chain: BezierChain,
  index: number,
  side: 'before' | 'after',
  to: Point,
): BezierChain {
  const node = nodeAt(chain, index);
  const other = side === 'before' ? 'after' : 'before';
  return withNode(chain, index, { ...node, [side]: to, [other]: follow(node, to, node[other], node.kind) });
}

/** Where the handle `other` goes when the opposite one ends at `led`. */
function follow({ point }: ChainNode, led: Point, other: Point, kind: NodeKind): Point {
  const direction = unit(subtract(point, led));
  if (kind === 'corner' || !direction) return other;
  const length = kind === 'equal' ? distance(point, led) : distance(point, other);
  return addScaled(point, direction, length);
}

/**
 * Changes the kind of a node: for `aligned` and `equal` both handles turn to the mean of their
 * directions; for `equal` they take the mean of their lengths.
 * @throws CurveError `index`
 */
export function setNodeKind(chain: BezierChain, index: number, kind: NodeKind): BezierChain {
  const node = nodeAt(chain, index);
  if (kind === 'corner') return withNode(chain, index, { ...node, kind });
  const back = unit(subtract(node.point, node.before));
  const forth = unit(subtract(node.after, node.point));
  const mean = back && forth ? unit(mix(back, forth, 0.5)) : (back ?? forth);
  // Where both handles coincide, the later one leads.
  const direction = mean ?? forth;
  if (!direction) return withNode(chain, index, { ...node, kind });
  const [a, b] = [distance(node.before, node.point), distance(node.after, node.point)];
  const equal = (a + b) / 2;
  return withNode(chain, index, {
    ...node,
    kind,
    before: addScaled(node.point, direction, -(kind === 'equal' ? equal : a || b)),
    after: addScaled(node.point, direction, kind === 'equal' ? equal : b || a),
  });
}

/**
 * The parameters of a chain's nodes, from 0 to 1; of a closed one the first node's twice, at both ends.
 * @throws CurveError `argument` where those that are given do not ascend
 */
export function nodeParameters(chain: BezierChain, parametrisation: 'uniform' | 'chord' = 'chord'): number[] {
  const all = allNodes(chain);
  const last = all.length - 1;
  const lengths = all
    .slice(1)
    .map((node, k) => (parametrisation === 'uniform' ? 1 : distance(node.point, all[k]!.point) || 1e-3));
  const given = all.map((node, k) => (k === 0 ? 0 : k === last ? 1 : node.parameter));
  const parameters = [0];
  let from = 0;
  for (let to = 1; to <= last; to++) {
    const value = given[to];
    if (value === undefined) continue;
    const start = parameters[from]!;
    if (!(value > start && value <= 1) || (to < last && value >= 1)) {
      throw new CurveError('argument', told('nodeParameterOrder', { index: to, value, before: start }), {
        index: to,
        value,
      });
    }
    const whole = lengths.slice(from, to).reduce((sum, length) => sum + length, 0);
    let sum = 0;
    for (let k = from; k < to; k++) {
      sum += lengths[k]!;
      parameters.push(k === to - 1 ? value : start + ((value - start) * sum) / whole);
    }
    from = to;
  }
  return parameters;
}

/**
 * A node with a parameter of its own, or again by chord length.
 * @throws CurveError `index`, `argument` where the parameters would not ascend
 */
export function setNodeParameter(
  chain: BezierChain,
  index: number,
  parameter: number | undefined,
): BezierChain {
  const { parameter: _, ...node } = nodeAt(chain, index);
  const changed = withNode(chain, index, parameter === undefined ? node : { ...node, parameter });
  nodeParameters(changed);
  return changed;
}
