import type { TaskAttempts } from './attempts.js';
import { archOfBridgeAttempts } from './archOfBridgeAttempts.js';
import { degreeOrSpansAttempts } from './degreeOrSpansAttempts.js';
import * as files from './files.js';
import { knotsOnTheRailAttempts } from './knotsOnTheRailAttempts.js';
import { nearAndFarAttempts } from './nearAndFarAttempts.js';
import { sectionAttempts } from './sectionAttempts.js';
import { takenApartAttempts } from './takenApartAttempts.js';
import { trueRoundAttempts } from './trueRoundAttempts.js';
import { twoCurvesAttempts } from './twoCurvesAttempts.js';

/** A lesson of the demo course, with what is tried on its tasks. */
export interface DemoLesson extends files.DemoFile {
  readonly attempts: readonly TaskAttempts[];
}

/**
 * The lessons of the demo course, in their order. A new one is a file in demo/lessons with its line in `files.ts`, a file
 * of attempts beside these, and a line here.
 */
export const demoLessons: readonly DemoLesson[] = [
  { ...files.twoCurves, attempts: twoCurvesAttempts },
  { ...files.nearAndFar, attempts: nearAndFarAttempts },
  { ...files.degreeOrSpans, attempts: degreeOrSpansAttempts },
  { ...files.knotsOnTheRail, attempts: knotsOnTheRailAttempts },
  { ...files.takenApart, attempts: takenApartAttempts },
  { ...files.trueRound, attempts: trueRoundAttempts },
  { ...files.archOfBridge, attempts: archOfBridgeAttempts },
  { ...files.section, attempts: sectionAttempts },
];

/** A lesson that tests begin with. */
export const nearAndFar = files.nearAndFar.document;

/** What is tried on the task of a sheet. */
export const attemptsOn = ({ attempts }: DemoLesson, sheet: string, task: string): TaskAttempts =>
  attempts.find((one) => one.sheet === sheet && one.task === task) ?? { sheet, task, right: [], wrong: [] };
