export {
  canonicalJson,
  countUses,
  EditRefused,
  emptyGadget,
  faultsOf,
  findRule,
  gadgetSchema,
  gestureKinds,
  human,
  lightColours,
  limits,
  nameSchema,
  type Action,
  type Button,
  type ContactFigures,
  type Control,
  type DebounceSetting,
  type Edge,
  type Edit,
  type EditName,
  type Fault,
  type Gadget,
  type GestureKind,
  type Light,
  type LightMode,
  type Output,
  type Place,
  type Rule,
  type Snag,
  type State,
  type Task,
  type TextDisplay,
  type Tone,
  type Trigger,
  type Variable,
} from './gadget/index.ts';
export { contactOf, pressEdges, type SwitchModel } from './contact/index.ts';
export {
  algorithmOf,
  algorithms,
  cleanEdges,
  defaultSetting,
  measureSetting,
  type Measure,
} from './debounce/index.ts';
export { ExpressionError, readExpression, readTemplate, showExpression, showTemplate } from './flow/index.ts';
export { gesturesOf } from './gesture/index.ts';
export { lightLevel, safelyShown, type LitLight } from './light/index.ts';
export { rowCells } from './screen/index.ts';
export {
  Machine,
  replay,
  type EntryOf,
  type Lane,
  type MachineState,
  type Shown,
  type Stimulus,
  type TraceEntry,
} from './machine/index.ts';
export {
  comparisons,
  recordedTrial,
  runTrial,
  trialSchema,
  type Comparison,
  type Expectation,
  type ExpectationResult,
  type Recording,
  type Trial,
  type TrialResult,
} from './trial/index.ts';
export { checkGadget, snagRules, type CheckReport } from './snag/index.ts';
export { editGadget, printGadget, readGadget, readGadgetText, type Read } from './formats/index.ts';
