import type { Reached } from '@bogen/core/format';
import { told } from '@bogen/core/lesson';
import { proxy, wrap } from 'comlink';
import type { ExchangeWork } from './exchangeWork.js';

export type { FileContent } from './exchangeWork.js';

/** Milliseconds after which a file is given up. */
const longest = 20_000;

type Result<Name extends keyof ExchangeWork> = ReturnType<ExchangeWork[Name]>;

/** Work on a file that is under way: what it comes to, and how it is stopped. */
export interface Exchange<Value> {
  /** Nothing where it was stopped. */
  readonly result: Promise<Value | undefined>;
  readonly stop: () => void;
}

type Given<Name extends keyof ExchangeWork> =
  Parameters<ExchangeWork[Name]> extends [Reached, ...infer Others] ? Others : never;

/**
 * Writes or reads a file in a worker of its own, which ends with it.
 * @param reached told now and then which share of the work is done, from 0 to 1
 */
export function exchange<Name extends keyof ExchangeWork>(
  name: Name,
  reached: Reached,
  ...args: Given<Name>
): Exchange<Result<Name>> {
  const worker = new Worker(new URL('./exchangeWork.ts', import.meta.url), { type: 'module' });
  let stop = (): void => undefined;
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)));
  let timer = 0;
  const tooLong = new Promise<Result<Name>>((resolve) => {
    timer = window.setTimeout(() => resolve({ reason: told('fileTakesLong') } as Result<Name>), longest);
  });
  const failed = new Promise<never>((_, reject) => worker.addEventListener('error', reject));
  const call = wrap<ExchangeWork>(worker)[name] as unknown as (
    reached: Reached,
    ...given: Given<Name>
  ) => Promise<Result<Name>>;
  const result = Promise.race([call(proxy(reached), ...args), stopped, tooLong, failed]).finally(() => {
    clearTimeout(timer);
    worker.terminate();
  });
  return { result, stop };
}
