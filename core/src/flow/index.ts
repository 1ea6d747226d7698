export { ExpressionError } from './parse.ts';
export { compileExpression, evaluate, type Code } from './expression.ts';
export { readExpression, readTemplate, showExpression, showTemplate } from './words.ts';
export { compileFlow } from './compile.ts';
export { eventCodes, type EventCodes } from './events.ts';
export { longestText } from './range.ts';
export {
  nextTimerUs,
  powerUp,
  stepFlow,
  stepTimer,
  type Effect,
  type FlowState,
  type FlowStep,
} from './step.ts';
export type { FlowProblem, FlowTables } from './tables.ts';
