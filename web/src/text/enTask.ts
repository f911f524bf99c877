import { answer } from './en/answer.js';
import { operations } from './en/operations.js';
import { addTexts } from './text.js';

/** The English texts of answering tasks. They come with the first task. */
const task = { answer, operations };

export type TaskTexts = typeof task;

addTexts('en', task);
