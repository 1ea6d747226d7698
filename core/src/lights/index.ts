export { nameOf, rgbOf, type Rgb } from './colours.ts';
export { lightsUa } from './draws.ts';
export { blinksOf, laidOut, movesAt, pictureAt, restingPicture, type ToldLights } from './picture.ts';
export { alikeFor, seenBy, visions, type Vision } from './vision.ts';
