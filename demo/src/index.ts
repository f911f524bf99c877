export * from './class.js';
export * from './nearAndFar.js';
