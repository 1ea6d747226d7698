export {
  addOwnPartEdit,
  addPartEdit,
  addPartsEdit,
  figuresEdit,
  ownClassEdit,
  type FreshPart,
} from './fresh.ts';
export { moreLikeEdit } from './moreLike.ts';
export { freshEncoder, freshKnob } from './freshControls.ts';
export { sameForAlike, type SameForAlike } from './sameForAlike.ts';
