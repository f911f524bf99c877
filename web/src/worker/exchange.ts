import { told } from '@bogen/core/lesson';
import { wrap } from 'comlink';
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

/** Writes or reads a file in a worker of its own, which ends with it. */
export function exchange<Name extends keyof ExchangeWork>(
  name: Name,
  ...args: Parameters<ExchangeWork[Name]>
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
    ...given: typeof args
  ) => Promise<Result<Name>>;
  const result = Promise.race([call(...args), stopped, tooLong, failed]).finally(() => {
    clearTimeout(timer);
    worker.terminate();
  });
  return { result, stop };
}
