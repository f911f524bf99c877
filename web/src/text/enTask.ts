import { answer } from './en/answer.js';
import { checks } from './en/checks.js';
import { operations } from './en/operations.js';
import { addTexts } from './catalogue.js';

/** The English texts of answering tasks. They come with the first task. */
const task = { answer, checks, operations };

export type TaskTexts = typeof task;

addTexts('en', task);
