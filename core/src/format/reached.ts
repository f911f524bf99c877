/** Told now and then while a file is read or written: which share of the work is done, from 0 to 1. */
export type Reached = (share: number) => void;

/** Told nothing. */
export const untold: Reached = () => undefined;

/** What a part of the work tells, as a part of the whole. */
export const within =
  (reached: Reached, from: number, to: number): Reached =>
  (share) =>
    reached(from + share * (to - from));

/** So many things are done between two times that it is told. */
const step = 32;

/** Makes something of each of a list, and tells how far it is. */
export function mapTold<Each, Made>(
  list: readonly Each[],
  reached: Reached,
  make: (each: Each, index: number) => Made,
): Made[] {
  return list.map((each, index) => {
    if (index % step === 0) reached(index / list.length);
    return make(each, index);
  });
}
