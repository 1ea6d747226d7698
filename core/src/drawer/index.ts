export { addPartEdit, figuresEdit, type FreshPart } from './fresh.ts';
export { freshEncoder, freshKnob } from './freshControls.ts';
