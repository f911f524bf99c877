import { alone } from './en/alone.js';
import { addTexts } from './catalogue.js';

/** The English texts of lessons that stand alone. */
const texts = { alone };

export type AloneTexts = typeof texts;

addTexts('en', texts);
