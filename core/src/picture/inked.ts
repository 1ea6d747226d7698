import type { Bitmap } from './bitmap.ts';
import { orderedLimit, passedOn, type Dithering } from './dither.ts';
import type { GreyImage } from './image.ts';

type Rgb = readonly [red: number, green: number, blue: number];

/** Red, green and blue of a picture, each as its light; of one that is grey, three times that. */
const channelsOf = ({ light, colours }: GreyImage): readonly [Uint8Array, Uint8Array, Uint8Array] =>
  colours ?? [light, light, light];

/** The ink that is nearest, by the sum of the squares of what is missing; of several the first. */
function nearest(inks: readonly Rgb[], red: number, green: number, blue: number): number {
  let best = 0;
  let least = Infinity;
  inks.forEach(([r, g, b], ink) => {
    const far = (red - r) ** 2 + (green - g) ** 2 + (blue - b) ** 2;
    if (far < least) [best, least] = [ink, far];
  });
  return best;
}

/** How far the pattern pushes a colour one way or the other: as far as inks of some number lie apart. */
const patternReach = 64;

/**
 * A picture in the inks of a display: every pixel in the nearest; pushed by a pattern, so that inks between which a
 * colour lies take turns; or with what was lost passed on to the neighbours.
 * The same picture and settings always give the same pixels. Cost: pixels × inks.
 * @param inks by their number, at least two
 */
export function inkedBitmap(image: GreyImage, inks: readonly Rgb[], dithering: Dithering): Bitmap {
  const { widthPx, heightPx } = image;
  const pixels = new Uint8Array(widthPx * heightPx);
  const [reds, greens, blues] = channelsOf(image);
  if (dithering === 'diffused') {
    const lost = [passedOn(widthPx), passedOn(widthPx), passedOn(widthPx)] as const;
    for (let y = 0; y < heightPx; y += 1) {
      for (let x = 0; x < widthPx; x += 1) {
        const at = y * widthPx + x;
        const wanted = [
          reds[at]! + lost[0].at(x),
          greens[at]! + lost[1].at(x),
          blues[at]! + lost[2].at(x),
        ] as const;
        const ink = nearest(inks, ...wanted);
        pixels[at] = ink;
        lost.forEach((one, channel) => one.pass(x, wanted[channel]! - inks[ink]![channel]!));
      }
      lost.forEach((one) => one.nextRow());
    }
    return { widthPx, heightPx, pixels };
  }
  for (let at = 0; at < pixels.length; at += 1) {
    const by = dithering === 'threshold' ? 0 : orderedLimit(at, widthPx, patternReach);
    pixels[at] = nearest(inks, reds[at]! + by, greens[at]! + by, blues[at]! + by);
  }
  return { widthPx, heightPx, pixels };
}
