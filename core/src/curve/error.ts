/** What a `CurveError` is about. Stable, so that callers can branch on it and translate it. */
export type CurveErrorCode =
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
  | 'singular';

/**
 * The typed error of the curve core. It says which value at which index is wrong and what is allowed;
 * the message is one plain English sentence, in which numbers have at most ten digits.
 */
export class CurveError extends Error {
  override readonly name = 'CurveError';
  readonly code: CurveErrorCode;
  /** Index of the offending entry in its list, where there is one. */
  readonly index: number | undefined;
  /** The offending value, where there is one. */
  readonly value: unknown;

  constructor(code: CurveErrorCode, message: string, detail: { index?: number; value?: unknown } = {}) {
    super(
      message.replace(/\d+\.\d{8,}(e[-+]?\d+)?/g, (number) => String(Number(Number(number).toPrecision(10)))),
    );
    this.code = code;
    this.index = detail.index;
    this.value = detail.value;
  }
}
