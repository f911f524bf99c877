import { curveSentences } from './curveSentences.js';
import { documentSentences } from './documentSentences.js';
import { formatSentences } from './formatSentences.js';

/** Every sentence of core in English, by its code. */
export const coreSentences = { ...curveSentences, ...documentSentences, ...formatSentences };
