export { addPartEdit, figuresEdit, type FreshPart } from './fresh.ts';
