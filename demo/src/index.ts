export type { Attempt, TaskAttempts, WrongAttempt } from './attempts.js';
export * from './class.js';
export * from './lessons.js';
