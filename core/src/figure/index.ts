/** The figure model, its registries and what descriptions say, as other packages use it. What is not named here is core's own. */
export type { Field, ValueOf } from '../describe/describe.js';
export { withIds } from '../describe/ids.js';
export { applyFigureCommand, leavesShape, readerMay, touchesOfFigureCommand } from './applyCommand.js';
export {
  figureCommandDescription,
  singleCommands,
  type FigureCommand,
  type SingleFigureCommand,
} from './command/commands.js';
export type { PatchItem } from './command/patchItem.js';
export {
  emptyFigure,
  figureDescription,
  figureVersion,
  isCurveItem,
  isMarked,
  isShown,
  itemColors,
  itemDescription,
  hasLocks,
  itemOf,
  lineWeights,
  looksOf,
  looseOf,
  shownOfItems,
  sourcesOf,
  type BuiltItem,
  type CurveItem,
  type FigureDocument,
  type FigureItem,
  type ItemColor,
  type LineWeight,
  type Looks,
  type PictureItem,
  type PointItem,
  type PointKind,
  type ShapeItem,
  type Shown,
  type View,
} from './document.js';
export { curveIndex, pointLetter } from './pointNames.js';
export { labelDirection } from './labelDirection.js';
export { degreeOrSpan, sideBySideCommand, type DegreeOrSpan } from './degreeOrSpan.js';
export { type CalculationLine, type CalculationStep } from './calculation/calculation.js';
export {
  parameterCalculationNames,
  parameterCalculations,
  type ParameterCalculationName,
} from './calculation/atParameter.js';
export { curveFormulas } from './calculation/curveFormulas.js';
export { conicEquation } from './calculation/ofFacts.js';
export { curveOf, evaluateFigure, type EvaluatedItem, type Evaluation } from './evaluate.js';
export { closednessOfItem } from './fact/closedness.js';
export type { FactMember, FactUnit, FactValue, FactWord } from './fact/define.js';
export { factNames, facts, type FactName } from './fact/facts.js';
export {
  gripKey,
  gripPlace,
  gripsOfItem,
  canHaveHandles,
  handlesOfItem,
  moveGrips,
  moveHandleOf,
  type Grip,
} from './grip.js';
export { withLinkedMove } from './linkedMove.js';
export { jointsOf, lockBetween, type EndOfCurve, type Joint, type Lock } from './joints.js';
export { keepingLocks, lockJoint } from './locks.js';
export {
  chainThrough,
  colorOfPiece,
  driftOf,
  piecesOf,
  putTogether,
  replaceChain,
  takeApart,
  type MeetingChain,
  type PutTogether,
} from './takeApart.js';
export { canLockKnot, lockedKnotsOf, lockKnot, type LockedKnot } from './lockedKnots.js';
export { isAnythingFree, isLoose } from './loose.js';
export { migrateFigure, migrateFigureCommand } from './migrateFigure.js';
export { validateFigure } from './validate.js';
export { aims, type Aim, type OperationMember } from './operation/define.js';
export {
  offeredOperations,
  operations,
  type OfferedOperation,
  type Operation,
  type Operations,
} from './operation/operations.js';
export { pictureCorners, pictureHandles, pictureHeight, scalePictureBy } from './picture.js';
export { boxOf, displacement, mapPlace, rotation, scaling, translation, type PlaneMap } from './plane.js';
export { countsOf, previewOperation, type CurveCounts, type Preview } from './preview.js';
export { conicHeldBy } from './shape/conic.js';
export type { ItemHandle } from './handle.js';
export {
  curveOfShape,
  handlesOfShape,
  shapes,
  type Shape,
  type ShapeKind,
  type ShapeOf,
  type Shapes,
} from './shape/shapes.js';
export { allow, allowanceFor, forbid, type Allowance } from './freedom/allow.js';
export { freedoms } from './freedom/freedoms.js';
export type { Freedom, FreedomKind, FreedomOf } from './freedom.js';
export type { OperationName } from './operation/operations.js';
export type { FigureCommandName } from './command/commands.js';
export { measured, measures, offeredMeasures, type Measure, type MeasureKind } from './measure/measures.js';
export {
  controlCommand,
  controlDescription,
  controlRange,
  controls,
  offeredControls,
  type Control,
  type ControlKind,
} from './control/controls.js';
export type { ControlRange } from './control/define.js';
export type { Measured, MeasuredValue, MeasureUnit } from './measure/define.js';
export { figurePassage } from './passage.js';
export { differenceOf } from './difference.js';
export type { Target } from './target.js';
export { shownKeys } from './shown.js';
export { operates, resultsAreTrue } from './trueResults.js';
export { usesOf } from './uses.js';
export { filledOfFigure, nearlyFull, type FigureFilled, type Filled } from './room.js';
export { startOver } from './startOver.js';
export type { Plot, PlotInput } from './track/define.js';
export { trackNames, trackOf, type TrackName } from './track/tracks.js';
export { validateItem } from './validate.js';
export { mismatchOf } from '../describe/check.js';
