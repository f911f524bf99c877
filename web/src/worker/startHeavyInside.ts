import HeavyWorker from './heavyWork.ts?worker&inline';

/** Starts the worker from within the script that the whole application is. */
export const startHeavy = (): Worker => new HeavyWorker();
