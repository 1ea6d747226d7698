export { nameOf, type Rgb } from './colours.ts';
export { laidOut, movesAt, pictureAt, type ToldLights } from './picture.ts';
