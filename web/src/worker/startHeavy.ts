/** Starts the worker from a file of its own. Where the application is one file, `startHeavyInside` takes the place of this. */
export const startHeavy = (): Worker =>
  new Worker(new URL('./heavyWork.ts', import.meta.url), { type: 'module' });
