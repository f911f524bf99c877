export type Context = CanvasRenderingContext2D;

/** Some spans of a curve, or all others: what is drawn of it, or left to what was drawn before. */
export interface SpanPart {
  readonly first: number;
  /** The span after the last. */
  readonly end: number;
  /** Whether they are left out. What stands beside the spans (polygon, support, start) is drawn with those within. */
  readonly outside: boolean;
}
