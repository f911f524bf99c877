import { documentLimit, toldByServer } from '@bogen/contract';
import { CommandError, type Step } from '@bogen/core/lesson';
import { HttpProblem } from '../http/problem.js';

/** Does what a step asks for. @throws HttpProblem `refused`, with the step, where it does not fit */
export async function tried<Command, T>(step: Step<Command>, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof CommandError) throw new HttpProblem('refused', error.told, { step: step.id });
    throw error;
  }
}

/** A document as it is stored. @throws HttpProblem `too-large` */
export function textOf<Command>(document: unknown, steps: readonly Step<Command>[]): string {
  const text = JSON.stringify(document);
  if (text.length > documentLimit)
    throw new HttpProblem('too-large', toldByServer('documentTooLarge'), { step: largest(steps).id });
  return text;
}

function largest<Command>(steps: readonly Step<Command>[]): Step<Command> {
  const size = (step: Step<Command>): number => JSON.stringify(step).length;
  return steps.reduce((most, step) => (size(step) > size(most) ? step : most));
}
