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
  type Button,
  type ContactFigures,
  type Control,
  type DebounceSetting,
  type GestureSetting,
  type Light,
  type Output,
  type TextDisplay,
  type Tone,
} from './parts.schema.ts';
export {
  functionNames,
  gestureKinds,
  type Action,
  type Flow,
  type GestureKind,
  type LightMode,
  type Rule,
  type State,
  type Trigger,
  type Variable,
} from './flow.schema.ts';
export { emptyGadget, gadgetSchema, type Gadget, type Task } from './gadget.schema.ts';
export { currentVersion, gadgetVersions } from './versions.ts';
export { faultsOf, openGadget, type Fault, type Opened } from './open.ts';
export { canonicalJson } from './canonical.ts';
export { allRules, countUses, findRule } from './find.ts';
export { applyEdit, EditRefused, edits, type Edit, type EditName } from './edits.ts';
export { human } from './human.ts';
export type { Derived, Edge, Place, Snag, SnagLevel, SnagRule } from './snag.ts';
