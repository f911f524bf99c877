/** The lesson model, history and migration, as other packages use them. What is not named here is core's own. */
export {
  advance,
  changeOf,
  CommandError,
  startHistory,
  type Applied,
  type Apply,
  type Change,
  type History,
  type Step,
  type UndoLists,
} from '../history/history.js';
export {
  aboutCurve,
  inNotation,
  texAt,
  texControlPoint,
  texNumber,
  texParameter,
} from '../notation/neutralTex.js';
export {
  decimalLimits,
  notationDescription,
  parameterLetters,
  pointLetterNames,
  pointLetterOf,
  usualNotation,
  type Notation,
} from '../notation/notation.js';
export { pathsMeet } from '../history/touches.js';
export {
  applyLessonCommand,
  sheetOfCommand,
  sizeOfLessonCommand,
  touchesOfLessonCommand,
} from './applyCommand.js';
export { answerTo, checkTask, isTaskMet, type Attempt } from './checkTask.js';
export { firstCondition, otherConditions } from './condition/judge.js';
export { lessonCommandDescription, type LessonCommand } from './command/commands.js';
export {
  conditions,
  isGroup,
  type Condition,
  type ConditionGroup,
  type ConditionKind,
  type SingleCondition,
} from './condition/conditions.js';
export type { ConditionResult, Quantity } from './condition/define.js';
export {
  firstStageId,
  lessonDescription,
  lessonLimits,
  lessonVersion,
  newSheet,
  sheetDescription,
  notationOf,
  sheetOf,
  stageOf,
  taskOf,
  type LessonDocument,
  type Sheet,
  type Stage,
} from './lesson.js';
export {
  addStage,
  changeAtStage,
  leaveOut,
  mergeWithNext,
  moveStage,
  removeStage,
  splitStage,
  takeAsKept,
} from './stage/changes.js';
export { figureOfStage, stageStates, steppedStages, type StageState } from './stage/states.js';
export { isVaried, seedFrom, sheetFor, variedSheet } from './stage/vary.js';
export { stepBetween, type FigureStep } from './guess/define.js';
export { drawnLines, lineOf, mostDrawn, type DrawnLine } from './guess/drawn.js';
export {
  guesses,
  judgeGuess,
  offeredQuestions,
  truthOf,
  type Guess,
  type GuessKind,
  type GuessOf,
  type Question,
  type QuestionOf,
} from './guess/guesses.js';
export { hasSeveralRight, type ChoiceOffered } from './task/choice.js';
export { givenOn, taskLimits, type Hint } from './task/define.js';
export { numberOf, rightNumber } from './task/number.js';
export { isMeasuredOrder, ranksOf, type OrderEntry } from './task/order.js';
export {
  answerDescription,
  isAnsweredByFigure,
  taskKinds,
  type Task,
  type TaskAnswer,
  type TaskKind,
  type TaskOf,
} from './task/tasks.js';
export { progressOf, type Progress, type WorkFacts } from './progress.js';
export { scoreOf } from './score.js';
export { filledOfLesson, type LessonFilled } from './room.js';
export { variations, type Variation } from './variation/variations.js';
export { lessonCommandVersion, migrateLesson, migrateLessonCommand } from './migrateLesson.js';
export { isAllowedAddress } from './prose/address.js';
export {
  calloutKinds,
  emptyProse,
  type CalloutKind,
  type Prose,
  type ProseMark,
  type ProseNode,
  type ProseStep,
} from './prose/prose.js';
export { dependentsOf, lostConditions } from './references.js';
export {
  backTo,
  lessonDifference,
  type LessonDifference,
  type SheetDifference,
  type SheetPart,
} from './difference.js';
export { triedTask, type TaskFlaw, type TriedTask } from './triedTask.js';
export { offeredVariations } from './variation/offers.js';
export { validateLesson, validateSheet } from './validate.js';
export { canonicalText } from '../describe/canonical.js';
export { cleanValue, mayNeedCleaning } from '../text/cleanText.js';
export { coreSentences } from '../told/coreSentences.js';
export {
  sentenceOf,
  told,
  ToldError,
  wordMessagesBy,
  type Catalogue,
  type Told,
  type ToldValue,
  type ValuesOf,
} from '../told/told.js';
