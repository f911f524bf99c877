import { present } from './en/present.js';
import { addTexts } from './catalogue.js';

/** The English texts of presenting. */
const page = { present };

export type PresentTexts = typeof page;

addTexts('en', page);
