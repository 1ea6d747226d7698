export {
  partGroups,
  type CellBus,
  type DisplayBus,
  type EndKind,
  type Figures,
  type Glow,
  type Lamp,
  type PartKind,
  type Reading,
} from './kind.ts';
export {
  colouredLights,
  figuresOf,
  kindOf,
  lightData,
  displayBus,
  displayCells,
  displayGlow,
  pictureUs,
  priceOf,
  partFaults,
  partKinds,
  stayingContacts,
  terminalsOf,
  type Classed,
} from './catalogue.ts';
export { bufferBytes, columnBytes, sumsBytes } from './redraw.ts';
export { encoderPart, taperOf, type EncoderPart } from './turned.ts';
