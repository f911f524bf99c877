import { bench } from './en/bench.js';
import { addTexts } from './catalogue.js';

/** The English texts of the bench. */
const page = { bench };

export type BenchTexts = typeof page;

addTexts('en', page);
