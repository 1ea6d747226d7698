export { limits } from './limits.ts';
export {
  idSchema,
  nameSchema,
  wholeSchema,
  durationUsSchema,
  int32Schema,
  lineSchema,
} from './primitives.schema.ts';
export {
  lightColours,
  purposes,
  type Button,
  type Control,
  type DebounceSetting,
  type Light,
  type Output,
  type Purpose,
  type TextDisplay,
  type Tone,
  type Wants,
} from './controls.schema.ts';
export {
  type Capture,
  type CapturedPress,
  type ContactFigures,
  type TouchFigures,
} from './contact.schema.ts';
export { type Chord, type GestureSetting, type Repeat } from './gestures.schema.ts';
export {
  tapers,
  type Codes,
  type Encoder,
  type EncoderReading,
  type Knob,
  type KnobReading,
  type Taper,
  type Wiper,
} from './turning.schema.ts';
export {
  codeGestures,
  functionNames,
  gestureKinds,
  type Action,
  type CodeGesture,
  type Flow,
  type GestureKind,
  type LightMode,
  type Rule,
  type State,
  type Trigger,
  type Variable,
} from './flow.schema.ts';
export {
  caseMaterials,
  circumstances,
  fates,
  noWishes,
  pictureTypes,
  type Brief,
  type CaseMaterial,
  type Circumstance,
  type Fate,
  type Picture,
  type Specification,
  type Task,
  type Wishes,
  type Word,
} from './brief.schema.ts';
export { type Part } from './parts.schema.ts';
export { boardSchema, edges, pinSchema, type Board, type BoardPin, type Edge4 } from './board.schema.ts';
export { type Companion, type KeySet, type Wire, type Wiring } from './wiring.schema.ts';
export { emptyGadget, gadgetSchema, type Gadget } from './gadget.schema.ts';
export { currentVersion, gadgetVersions } from './versions.ts';
export { faultsOf, openGadget, type Fault, type Opened } from './open.ts';
export { canonicalJson } from './canonical.ts';
export { allActions, allRules, controlsOf, countUses, findRule, partOf } from './find.ts';
export {
  applyEdit,
  EditRefused,
  edits,
  type Edit,
  type EditName,
  type End,
  type SingleEdit,
} from './edits/index.ts';
export { nextId } from './ids.ts';
export {
  powerEnd,
  signal,
  type Bus,
  type BusLine,
  type Need,
  type Terminal,
  type TerminalRole,
} from './terminal.ts';
export { human, type Hands } from './human.ts';
export type { Derived, Edge, Place, Snag, SnagLevel, SnagRule } from './snag.ts';
