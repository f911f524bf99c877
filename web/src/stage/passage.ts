/** The way from one stage to the next: it is loaded with the first sheet that has several. */
export { figurePassage } from '@bogen/core/figure';
