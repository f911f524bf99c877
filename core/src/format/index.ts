export {
  FormatError,
  type FormatMember,
  type FormatOptions,
  type OutgoingFigure,
  type ReadFile,
  type WrittenFile,
  readerOf,
} from './define.js';
export { csv } from './csv/index.js';
export { json, jsonDescriptions, jsonVersion, renamedItems } from './json.js';
export { svg } from './svg/index.js';
export { formatNames, formatOfFile, formats, type FormatName } from './formats.js';
export { optionsFrom } from './options.js';
export { formatLimits } from './limits.js';
export { type Reached } from './reached.js';
