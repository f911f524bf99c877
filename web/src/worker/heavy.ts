import { wrap, type Remote } from 'comlink';
import type { HeavyWork } from './heavyWork.js';
import { startHeavy } from './startHeavy.js';

export type { Outcome, StrokeFit } from './heavyWork.js';

let remote: Remote<HeavyWork> | undefined;

/** The worker, started when it is first needed. */
function worker(): Remote<HeavyWork> {
  remote ??= wrap<HeavyWork>(startHeavy());
  return remote;
}

/** Calculations beside the page: a drag goes on while they run. */
export const heavy = {
  largestDistance: (...args: Parameters<HeavyWork['largestDistance']>) => worker().largestDistance(...args),
  preview: (...args: Parameters<HeavyWork['preview']>) => worker().preview(...args),
  fitStroke: (...args: Parameters<HeavyWork['fitStroke']>) => worker().fitStroke(...args),
};
