import { record, choice, whole, type ValueOf } from '../../describe/describe.js';
import { operations, type OperationName } from './operations.js';

/** How many times each operation was done in the place of a curve. */
export const usesDescription = record(
  choice(...(Object.keys(operations) as OperationName[])),
  whole(0, 1_000_000),
);
export type Uses = ValueOf<typeof usesDescription>;

/** How many times an operation was done on curves of a figure, in their place. */
export function usesOf(figure: { readonly uses?: Uses }, operation: OperationName): number {
  return figure.uses?.[operation] ?? 0;
}

/** A figure in which an operation was done once more. */
export function withUse<Figure extends { readonly uses?: Uses }>(
  figure: Figure,
  operation: OperationName,
): Figure {
  return { ...figure, uses: { ...figure.uses, [operation]: usesOf(figure, operation) + 1 } };
}
