export { cardOf, portraitOf, type Card, type Portrait } from './card.ts';
export { changesBetween, type Change, type ChangedKind } from './changes.ts';
