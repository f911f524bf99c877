import { desk } from './en/desk.js';
import { session } from './en/session.js';
import { shelf } from './en/shelf.js';
import { addTexts } from './text.js';

/** The English texts of the pages around the lessons: signing in, joining, courses, classes. */
const pages = { desk, session, shelf };

export type PagesTexts = typeof pages;

addTexts('en', pages);
