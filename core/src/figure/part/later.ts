/**
 * A part of the mathematics that only some figures need, and that a page fetches with the first of them. Whoever
 * computes with any figure has all of it from the start, by importing `figure/allMathematics.ts`.
 */
export interface Later<Part> {
  /** The part. @throws Error where it was neither fetched nor provided */
  (): Part;
  /** Makes it here for good. */
  readonly provide: (part: Part) => void;
  /** Fetches it, unless it is here. */
  readonly fetch: () => Promise<void>;
}

export function later<Part>(name: string, fetch: () => Promise<Part>): Later<Part> {
  let here: Part | undefined;
  const part = (): Part => {
    if (here === undefined) throw new Error(`The mathematics of ${name} is not here yet.`);
    return here;
  };
  return Object.assign(part, {
    provide: (given: Part): void => {
      here = given;
    },
    fetch: async (): Promise<void> => {
      here ??= await fetch();
    },
  });
}
