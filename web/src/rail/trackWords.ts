import type { TrackWords } from '@bogen/core/figure';
import { shownOrExact } from '../text/exact.js';
import { counted } from '../text/notation.js';
import { shownNumber, shownScientific, superscript } from '../text/number.js';

/** How the page writes numbers and names in tracks. */
export const trackWords: TrackWords = {
  number: (value) => shownNumber(value, 1),
  scientific: shownScientific,
  power: (exponent) => (exponent === 0 ? '1' : `10${superscript(exponent)}`),
  knot: shownOrExact,
  counted,
  fonts: {
    number: '11px "JetBrains Mono Variable", monospace',
    name: '12px "Literata Variable", serif',
    index: '9px "Literata Variable", serif',
  },
};
