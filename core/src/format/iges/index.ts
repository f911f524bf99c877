import type { FormatMember } from '../define.js';
import { readIges } from './read.js';
import { writeIges } from './write.js';

/** Exchange files by IGES 5.3. */
export const iges: FormatMember<'iges'> = {
  name: 'iges',
  endings: ['igs', 'iges'],
  mediaType: 'model/iges',
  keeps: 'digits',
  options: {},
  first: {},
  write: (figure, _options, reached) => writeIges(figure, reached),
  read: readIges,
};
