export { ExpressionError } from './error.ts';
export { guardParts } from './parse.ts';
export {
  compileExpression,
  compileTyped,
  countIn,
  isKeyNumber,
  isNumber,
  op,
  operands,
  operandsIn,
  slotsRead,
  type Code,
} from './expression.ts';
export { bare, constantValue, evaluate, uses, type Mishap, type Surroundings } from './evaluate.ts';
export { scopeOf, type Scope } from './scope.ts';
export { functions } from './types.ts';
export { plainLabels, stateLabels } from './labels.ts';
export { readExpression, readTemplate, showExpression, showTemplate, type Named } from './words.ts';
export { compileFlow } from './compile.ts';
export type { OrderOf, OutputOrder, Rows } from './orders.ts';
export { codesOf, everyAction, everyCode } from './everyAction.ts';
export { eventCodes, noEvent, type AwaitedTrigger, type EventCodes } from './events.ts';
export { expressionRange, longestText, type KnownRanges } from './range.ts';
export { valueRanges, valuesAt, valuesOf, valuesWhere } from './values.ts';
export { fireTimer, nextTimerUs, powerUp, stepFlow, stepTimer } from './step.ts';
export { pageNow, type PageNow } from './pages.ts';
export { seenNow, valuesNow } from './seen.ts';
export { textAt } from './texts.ts';
export type { Around } from './run.ts';
export {
  activeIds,
  freshFlow,
  type Effect,
  type FlowState,
  type FlowStep,
  type FlowTimer,
  type LightOrder,
} from './state.ts';
export { stateType, type CompiledAction, type FlowProblem, type FlowTables } from './tables.ts';
export {
  readActionLine,
  readRule,
  readTriggerLine,
  showAnswer,
  showOneAction,
  showRule,
} from './line/rule.ts';
export { completeExpression, completeRule, completeTemplate } from './line/complete.ts';
export type { Completion } from './line/reader.ts';
export { lengthUnits, readableUnit, type LengthUnit } from './line/units.ts';
export { showOneTrigger as showTrigger } from './line/rule.ts';
export { gridOf, type Grid, type GridAnswer, type GridCell, type GridRow } from './grid.ts';
export { nested, outwards, reachable, standing, statesReached, unfinished, verdicts } from './reach.ts';
export { compareFlows, type FlowChange } from './compare.ts';
export { clipStates, pasteStates, readClipping, type Clipping, type Pasted } from './clip.ts';
