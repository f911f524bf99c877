import { mathematics as ofOperations } from './operation/later.js';
import { mathematics as ofShapes } from './shape/later.js';

/**
 * Fetches the mathematics that figures need, and what is done to them.
 * @param value anything that holds figures and commands: what is built and what is drawn as a shape is found in it by the
 *   fields that say how
 */
export async function fetchMathematicsFor(value: unknown): Promise<void> {
  const parts = [
    ...(holdsField(value, 'operation') ? [ofOperations] : []),
    ...(holdsField(value, 'shape') ? [ofShapes] : []),
  ];
  await Promise.all(parts.map((part) => part.fetch()));
}

function holdsField(value: unknown, name: string): boolean {
  if (typeof value !== 'object' || value === null) return false;
  return Object.hasOwn(value, name) || Object.values(value).some((inner: unknown) => holdsField(inner, name));
}
