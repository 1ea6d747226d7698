export { driverOhms } from './drivers.ts';
export { choicesFor, type PlaceChoice } from './choices.ts';
export { billOf, gaugesOf, type Bill, type BillLine, type Gauge } from './bill.ts';
export { boardChoices, boardOf, boards, pinsOf, type PinFacts } from './boards.ts';
export {
  companionRoles,
  companionsOf,
  fitted,
  proposalsFor,
  type Decided,
  type Proposal,
} from './companions.ts';
export {
  compareBoards,
  compareSchemes,
  looseKeys,
  schemeEdit,
  type BoardFault,
  type BoardRow,
  type SchemeRow,
} from './compare.ts';
export { layWiring, type Clash, type Laid } from './lay.ts';
export { arraysOf, canJoinSet, ownersOf, usualLogicMv, type Owner, type ScannedArray } from './owners.ts';
export {
  crossings,
  layBoard,
  seatsOf,
  standOff,
  threadLength,
  type BoardLayout,
  type Seat,
  type Spot,
} from './layout.ts';
export { leadUa, netsOf, type Lead, type Nets } from './nets.ts';
export { throughOf, wiringOrder, type StepCheck, type WiringStep } from './order.ts';
export { supplyWires } from './supplies.ts';
export { toneTimerOf, type Clocked } from './timers.ts';
export { waysOut, type WayOut } from './waysOut.ts';
export { readSetBy } from './setEdits.ts';
export { wiredAlong } from './wiredAlong.ts';
