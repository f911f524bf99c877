import { told } from '../../told/told.js';
import { refuseSignedWeights } from '../../curve/betweenPoles.js';
import { CurveError } from '../../curve/error.js';
import { withSettledKnots } from '../../curve/settleKnots.js';
import { validateCurve } from '../../curve/validate.js';
import { referencesIn } from '../../describe/ids.js';
import { refuseOtherThan, type Geometry, type GeometryKind } from '../part/geometry.js';
import type { OperationResult } from './define.js';
import { operationDescription, operations, type Operation } from './operations.js';
import { figureLimits } from '../part/parts.js';

/** The ids of the items that an operation works on, in the order in which `operate` takes them. */
export function sourcesOfOperation(operation: Operation): readonly string[] {
  return referencesIn(operationDescription, operation);
}

/**
 * The curve that an operation makes of its sources, with its deviation where it is not exact.
 * @param sources in the order of `sourcesOfOperation`
 * @throws CurveError where the operation can't be done on them; its sentence is the reason to show
 */
export function operate(operation: Operation, sources: readonly Geometry[]): OperationResult {
  const { run, takes, signedWeights } = operations[operation.name] as {
    readonly run: (sources: readonly Geometry[], args: Operation) => OperationResult;
    readonly takes: GeometryKind;
    readonly signedWeights?: true;
  };
  for (const source of sources) {
    refuseOtherThan(takes, source);
    if (!signedWeights && source.kind === 'curve') refuseSignedWeights(source.curve);
  }
  const made = run(sources, operation);
  refuseTooManyPoints(made.curve.points.length);
  const curve = withSettledKnots(made.curve);
  validateCurve(curve);
  return curve === made.curve ? made : { ...made, curve };
}

/**
 * What is built has the limits of what is given, so that no chain of operations grows without end.
 * @throws CurveError `argument`
 */
export function refuseTooManyPoints(count: number): void {
  if (count <= figureLimits.points) return;
  throw new CurveError('argument', told('curveTooManyPoints', { count, most: figureLimits.points }), {
    value: count,
  });
}
