import type { FormatMember } from '../define.js';
import { readStep } from './read.js';
import { writeStep } from './write.js';

/** Exchange files by ISO 10303-21. */
export const step: FormatMember<'step'> = {
  name: 'step',
  endings: ['step', 'stp'],
  mediaType: 'model/step',
  keeps: 'digits',
  options: {},
  first: {},
  write: (figure, _options, reached) => writeStep(figure, reached),
  read: readStep,
};
