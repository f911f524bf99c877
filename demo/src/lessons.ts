import type { LessonDocument } from '@bogen/core/lesson';
import type { TaskAttempts } from './attempts.js';
import { archOfBridge, bridgeDrawing } from './archOfBridge.js';
import { archOfBridgeAttempts } from './archOfBridgeAttempts.js';
import { bodyDrawing, degreeOrSpans, stickDrawing } from './degreeOrSpans.js';
import { degreeOrSpansAttempts } from './degreeOrSpansAttempts.js';
import { knotsOnTheRail } from './knotsOnTheRail.js';
import { knotsOnTheRailAttempts } from './knotsOnTheRailAttempts.js';
import { nearAndFar } from './nearAndFar.js';
import { nearAndFarAttempts } from './nearAndFarAttempts.js';
import { neckDrawing, section } from './section.js';
import { sectionAttempts } from './sectionAttempts.js';
import { takenApart } from './takenApart.js';
import { takenApartAttempts } from './takenApartAttempts.js';
import type { Drawing } from './pictures.js';
import { trueRound } from './trueRound.js';
import { trueRoundAttempts } from './trueRoundAttempts.js';
import { twoCurves } from './twoCurves.js';
import { twoCurvesAttempts } from './twoCurvesAttempts.js';

/** A lesson of the demo course, with what is tried on its tasks. */
export interface DemoLesson {
  readonly document: LessonDocument;
  readonly attempts: readonly TaskAttempts[];
  /** What its figures are drawn over. */
  readonly drawings?: readonly Drawing[];
}

/** The lessons of the demo course, in their order. A new one is a file beside these and a line here. */
export const demoLessons: readonly DemoLesson[] = [
  { document: twoCurves, attempts: twoCurvesAttempts },
  { document: nearAndFar, attempts: nearAndFarAttempts },
  { document: degreeOrSpans, attempts: degreeOrSpansAttempts, drawings: [stickDrawing, bodyDrawing] },
  { document: knotsOnTheRail, attempts: knotsOnTheRailAttempts },
  { document: takenApart, attempts: takenApartAttempts },
  { document: trueRound, attempts: trueRoundAttempts },
  { document: archOfBridge, attempts: archOfBridgeAttempts, drawings: [bridgeDrawing] },
  { document: section, attempts: sectionAttempts, drawings: [neckDrawing] },
];

/** What is tried on the task of a sheet. */
export const attemptsOn = ({ attempts }: DemoLesson, sheet: string, task: string): TaskAttempts =>
  attempts.find((one) => one.sheet === sheet && one.task === task) ?? { sheet, task, right: [], wrong: [] };
