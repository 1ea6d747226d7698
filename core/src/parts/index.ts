export { partGroups, type EndKind, type Figures, type Lamp, type PartKind } from './kind.ts';
export {
  colouredLights,
  figuresOf,
  kindOf,
  partFaults,
  partKinds,
  stayingContacts,
  terminalsOf,
  type Classed,
} from './catalogue.ts';
export { encoderPart, taperOf, type EncoderPart } from './turned.ts';
