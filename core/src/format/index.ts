export {
  FormatError,
  type FormatMember,
  type FormatOptions,
  type OutgoingFigure,
  type ReadFile,
  type WrittenFile,
} from './define.js';
export { csv } from './csv.js';
export { json } from './json.js';
export { svg } from './svg/index.js';
export { formatNames, formatOfFile, formats, readerOf, type FormatName } from './formats.js';
export { jsonDescriptions, jsonVersion, renamedItems } from './json.js';
export { optionsFrom } from './options.js';
export { formatLimits } from './limits.js';
export { type Reached } from './reached.js';
