import { ToldError, type Told } from '../told/told.js';

/** What a `CurveError` is about, for callers that tell errors apart. */
export type CurveErrorKind =
  | 'degree'
  | 'point-count'
  | 'point'
  | 'knot-count'
  | 'knot'
  | 'knot-order'
  | 'knot-multiplicity'
  | 'empty-domain'
  | 'weight-count'
  | 'weight'
  | 'parameter'
  | 'periodic'
  | 'tolerance'
  | 'argument'
  | 'index'
  | 'order'
  | 'unsupported'
  | 'singular'
  | 'pole'
  | 'effort';

/**
 * The typed error of the curve core. It says which value at which index is wrong and what is allowed, as the code of
 * a sentence and its values.
 */
export class CurveError extends ToldError {
  override readonly name = 'CurveError';
  readonly kind: CurveErrorKind;
  /** Index of the offending entry in its list, where there is one. */
  readonly index: number | undefined;
  /** The offending value, where there is one. */
  readonly value: unknown;

  constructor(
    kind: CurveErrorKind,
    told: Told,
    detail: { readonly index?: number; readonly value?: unknown } = {},
  ) {
    super(told);
    this.kind = kind;
    this.index = detail.index;
    this.value = detail.value;
  }
}
