export { limits } from './limits.ts';
export { standsUs } from './stands.ts';
export {
  idSchema,
  nameSchema,
  wholeSchema,
  durationUsSchema,
  int32Schema,
  lineSchema,
  readableText,
} from './primitives.schema.ts';
export {
  purposes,
  type Button,
  type Control,
  type DebounceSetting,
  type Purpose,
  type Wants,
} from './controls.schema.ts';
export {
  fieldList,
  followed,
  freshOutput,
  byOutputKind,
  isElement,
  isOutputAction,
  kindsTold,
  calmed,
  flashingCentiHz,
  leftBy,
  reachOf,
  type ActionKindOf,
  type Output,
  type OutputAction,
  type OutputActionKind,
  type OutputActionOf,
  type OutputFields,
  type OutputKind,
  type OutputOf,
} from './outputs.schema.ts';
export type { Field, Fields } from './outputDocument.ts';
export { expressionSchema, type Length } from './expressions.schema.ts';
export {
  lightsShapes,
  paints,
  type Lights,
  type LightsShape,
  type Paint,
} from '../lights/lights.document.ts';
export type { IdleDim } from '../screen/text.document.ts';
export { lightColours, type Light, type LightColour, type LightMode } from '../light/light.document.ts';
export { sampleBits, type Samples } from '../sound/player.document.ts';
export { takings } from '../sound/tone.document.ts';
export type { Note, Tone } from '../sound/tone.document.ts';
export {
  aligns,
  blinkings,
  boxKinds,
  dialKinds,
  fontNames,
  growths,
  legendEdges,
  numberFormats,
  pictureKinds,
  plotKinds,
  sendings,
  textFontNames,
} from '../screen/pages.fields.ts';
export {
  bitsOfDepth,
  depths,
  updates,
  usualPalette,
  type Depth,
  type Screen,
} from '../screen/screen.document.ts';
export { cellDots, mostOwnCharacters, type OwnCharacter, type TextDisplay } from '../screen/text.document.ts';
export type { Page } from './pages.schema.ts';
export type { OwnFont } from './fonts.schema.ts';
export { type Frame, type Picture } from './pictures.schema.ts';
export { neighbourKinds, type Neighbour, type NeighbourKind } from './neighbours.schema.ts';
export { effectCurves, effectSchema, type SoundEffect } from './effects.schema.ts';
export {
  stepsOf,
  tuneSchema,
  type Ornament,
  type Tune,
  type TuneNote,
  type TuneVoice,
} from './tunes.schema.ts';
export {
  idleLeads,
  madeFor,
  menuAsks,
  menuFormats,
  type MenuFormat,
  menuItemSchema,
  menuWords,
  schemeNames,
  schemeRoles,
  type Menu,
  type MenuItem,
  type MenuItemOf,
  type MenuScheme,
  type SchemeName,
  type SchemeRole,
} from './menus.schema.ts';
export { controlKindOf, inOutline, showsMenus, variablesFor } from './menuReferences.ts';
export { arrows as arrowKeys, computerKeys, modifiers as modifierKeys } from '../typing/typist.document.ts';
export { lineLevels, type LineLevel } from '../switching/line.document.ts';
export { lineEnds, type LineEnd, type Serial } from '../serial/serial.document.ts';
export type { Timer } from './board.schema.ts';
export {
  heardMessages,
  isSync,
  midiMessages,
  midiOverloads,
  passings,
  pressedAgain,
  midiTransports,
  singleMessages,
  syncMessages,
  type HeardMessage,
  type Midi,
  type MidiMessage,
  type Passing,
  type SyncMessage,
} from '../midi/midi.document.ts';
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
export type { Action } from './actions.schema.ts';
export {
  functionNames,
  charactersIn,
  variableRange,
  variableShape,
  variableStarts,
  type VariableShape,
  variableColumns,
  bytesEach,
  variableSize,
  variableStart,
  type Saved,
  type Variable,
  variableSchema,
} from './variables.schema.ts';
export {
  blankState,
  markKinds,
  type MarkKind,
  chanceKinds,
  codeGestures,
  emptyFlow,
  gestureKinds,
  keyGestures,
  powerEvents,
  stateKinds,
  type CodeGesture,
  type Flow,
  type GestureKind,
  type Layer,
  type LayerKey,
  type PowerEvent,
  type Rule,
  type State,
  type StateKind,
  type Trigger,
  lineWord,
} from './flow.schema.ts';
export {
  controlsHeard,
  hearsGesture,
  isOfKeys,
  keyInSet,
  buttonsHeard,
  heardAs,
  oneLine,
  keySetsOf,
  type NumberedKeys,
  keysOf,
  layerKeyId,
  layerKeyOf,
} from './keySets.ts';
export { drawnLists, placedActions, type PlacedActions } from './placedActions.ts';
export { areApart, areInside, isHistory, nestingOf, type Nesting } from './nesting.ts';
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
  type Photo,
  type Specification,
  type Task,
  type Wishes,
  type Word,
} from './brief.schema.ts';
export { ownPartId, type Part } from './parts.schema.ts';
export {
  ownClassSchema,
  ownEnds,
  ownEndKind,
  ownTellUs,
  type OwnValue,
  type OwnWord,
  ownNeeds,
  type OwnClass,
  type OwnEnd,
  type OwnNeed,
} from './ownClass.schema.ts';
export { boardSchema, edges, pinSchema, type Board, type BoardPin, type Edge4 } from './board.schema.ts';
export { type Companion, type KeySet, type Wire, type Wiring, noWiring } from './wiring.schema.ts';
export { emptyGadget, gadgetSchema, type Gadget } from './gadget.schema.ts';
export { currentVersion, gadgetVersions } from './versions.ts';
export { faultsOf, openGadget, type Fault, type Opened } from './open.ts';
export { canonicalJson } from './canonical.ts';
export {
  allActions,
  allRules,
  controlsOf,
  countUses,
  expressionTexts,
  findRule,
  isReading,
  pageTexts,
  partOf,
  usesOf,
  writtenIn,
} from './find.ts';
export {
  applyEdit,
  EditRefused,
  edits,
  type Edit,
  type EditName,
  type End,
  type NewMenuItem,
  type OpenedOut,
  type SingleEdit,
  asOneEdit,
  singleEdits,
} from './edits/index.ts';
export { nextId, nextIds } from './ids.ts';
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
export type { Place } from './place.ts';
export type { Derived, Edge, Effort, Snag, SnagLevel, SnagRule, SnagWay } from './snag.ts';
