import type { Answer } from '@bogen/contract';

/** What the class desk shows: the class with its students, its lessons, and how far each has come. */
export type Desk = Answer<'desk'>;
