/** What keeps locked joints: it is loaded with the first figure that has some. */
export { keepingLocks } from '@bogen/core/figure';
