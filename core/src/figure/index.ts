/** The figure model, its registries and what descriptions say, as other packages use it. What is not named here is core's own. */
export type { Field, ValueOf } from '../describe/describe.js';
export { withIds } from '../describe/ids.js';
export { applyFigureCommand, leavesShape, readerMay, touchesOfFigureCommand } from './change/applyCommand.js';
export {
  figureCommandDescription,
  singleCommands,
  type FigureCommand,
  type SingleFigureCommand,
  type FigureCommandName,
} from './command/commands.js';
export type { PatchItem } from './command/patchItem.js';
export {
  emptyFigure,
  figureDescription,
  figureVersion,
  hasLocks,
  itemOf,
  looseOf,
  type FigureDocument,
  type PointKind,
  type View,
} from './document/document.js';
export { shownOfItems, type Shown, shownKeys } from './document/shown.js';
export { isMarked, isShown, looksOf } from './document/seen.js';
export { type Looks } from './document/looks.js';
export {
  isCurveItem,
  itemColors,
  itemDescription,
  lineWeights,
  sourcesOf,
  type BuiltItem,
  type CurveItem,
  type FigureItem,
  type ItemColor,
  type LineWeight,
  type PictureItem,
  type PointItem,
  type ShapeItem,
} from './document/item.js';
export { curveIndex, pointLetter } from './document/pointNames.js';
export { fetchMathematicsFor } from './mathematicsFor.js';
export { labelDirection } from './part/labelDirection.js';
export { degreeOrSpan, sideBySideCommand, type DegreeOrSpan } from './change/degreeOrSpan.js';
export { type CalculationLine, type CalculationStep } from './calculation/calculation.js';
export {
  parameterCalculationNames,
  parameterCalculations,
  type ParameterCalculationName,
} from './calculation/atParameter.js';
export { curveFormulas } from './calculation/curveFormulas.js';
export { conicEquation } from './calculation/ofFacts.js';
export { curveOf, evaluateFigure, type EvaluatedItem, type Evaluation } from './evaluation/evaluate.js';
export { closednessOfItem } from './fact/closedness.js';
export { besideLines, type FactMember, type FactUnit, type FactValue, type FactWord } from './fact/define.js';
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
} from './grip/grip.js';
export { withLinkedMove } from './grip/linkedMove.js';
export { jointsOf, lockBetween, type EndOfCurve, type Joint, type Lock } from './joint/joints.js';
export { keepingLocks, lockJoint } from './joint/locks.js';
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
} from './joint/takeApart.js';
export { canLockKnot, lockedKnotsOf, lockKnot, type LockedKnot } from './joint/lockedKnots.js';
export { isAnythingFree, isLoose } from './document/loose.js';
export { migrateFigure, migrateFigureCommand } from './change/migrateFigure.js';
export { validateFigure, validateItem } from './document/validate.js';
export { aims, type Aim, type OperationMember } from './operation/define.js';
export {
  offeredOperations,
  operations,
  type OfferedOperation,
  type Operation,
  type Operations,
  type OperationName,
} from './operation/operations.js';
export { pictureCorners, pictureHandles, pictureHeight, scalePictureBy } from './document/picture.js';
export {
  boxOf,
  displacement,
  mapPlace,
  rotation,
  scaling,
  translation,
  type PlaneMap,
} from './part/plane.js';
export { countsOf, previewOperation, type CurveCounts, type Preview } from './evaluation/preview.js';
export { conicHeldBy } from './shape/conic.js';
export type { ItemHandle } from './part/handle.js';
export {
  curveOfShape,
  drawnOf,
  handlesOfShape,
  shapeKinds,
  shapes,
  type Shape,
  type ShapeKind,
  type ShapeOf,
  type Shapes,
} from './shape/shapes.js';
export type { Drawn, SetPlace } from './shape/define.js';
export { allow, allowanceFor, forbid, type Allowance } from './freedom/allow.js';
export { freedoms } from './freedom/freedoms.js';
export type { Freedom, FreedomKind, FreedomOf } from './document/freedoms.js';
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
export { figurePassage } from './evaluation/passage.js';
export { differenceOf } from './change/difference.js';
export type { Target } from './part/target.js';
export { operates, resultsAreTrue } from './change/trueResults.js';
export { usesOf } from './operation/uses.js';
export { filledOfFigure, nearlyFull, type FigureFilled, type Filled } from './document/room.js';
export { startOver } from './change/startOver.js';
export { changedPart, changedSpans, type SpanRange } from './drawn/changedPart.js';
export { drawJump, jumpsOf } from './drawn/jump.js';
export { addLine, addSpans, type Pixel } from './drawn/line.js';
export { linearScale, type LinearScale } from './drawn/linearScale.js';
export { memoise } from './drawn/memoise.js';
export { basisOf, distancesOf, distinctKnotsOf, samplesOf } from './drawn/samples.js';
export type { TrackContents, TrackDrawing, TrackInput, TrackWords } from './track/drawing.js';
export { plottedValues, rangeWithZero } from './track/plotted.js';
export { drawingOf } from './track/drawingOf.js';
export { trackNames, trackOf, type TrackName } from './track/tracks.js';
export { weightScale, weightsOf } from './track/weightScale.js';
export { mismatchOf } from '../describe/check.js';
