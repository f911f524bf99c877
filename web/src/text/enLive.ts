import { live } from './en/live.js';
import { addTexts } from './catalogue.js';

/** The English texts of live controls. They come with the first of them. */
const texts = { live };

export type LiveTexts = typeof texts;

addTexts('en', texts);
