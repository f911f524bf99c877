import type { Answer } from './endpoints.js';

/**
 * A published lesson with all that its reader needs, for where no server answers: in a file of its own, or within a page
 * of somebody else's.
 */
export interface AloneLesson {
  /** What a reader is given, but for what they have done, which the page itself keeps. */
  readonly reading: Omit<Answer<'readLesson'>, 'progress'>;
  /** The pictures of its figures by their ids, as addresses that hold them. */
  readonly pictures: Readonly<Record<string, string>>;
}
