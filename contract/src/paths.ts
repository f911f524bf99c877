import { everyonesPaths } from './paths/everyone.js';
import { instructorsPaths } from './paths/instructors.js';

/** Where each request of the HTTP interface goes. */
export const paths = { ...everyonesPaths, ...instructorsPaths } as const;
