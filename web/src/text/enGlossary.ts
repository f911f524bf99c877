import { glossary, glossaryTerms } from './en/glossary.js';
import { addTexts } from './catalogue.js';

/** The English texts of the glossary. They come once a text is there to be read. */
const texts = { glossary };

export type GlossaryTexts = typeof texts;

addTexts('en', { ...texts, glossaryTerms });
