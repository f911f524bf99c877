export * from './describe.js';
export * from './endpoint.js';
export * from './endpoints.js';
export * from './figure.js';
export * from './lesson.js';
export * from './limits.js';
export * from './problem.js';
export * from './stream.js';
