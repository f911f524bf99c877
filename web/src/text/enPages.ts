import { account } from './en/account.js';
import { classes } from './en/classes.js';
import { desk } from './en/desk.js';
import { people } from './en/people.js';
import { session } from './en/session.js';
import { shelf } from './en/shelf.js';
import { addTexts } from './catalogue.js';

/** The English texts of the pages around the lessons: signing in, joining, courses, classes. */
const pages = { account, classes, desk, people, session, shelf };

export type PagesTexts = typeof pages;

addTexts('en', pages);
