import { handout } from './en/handout.js';
import { addTexts } from './catalogue.js';

/** The English texts of sheets on paper. */
const texts = { handout };

export type HandoutTexts = typeof texts;

addTexts('en', texts);
