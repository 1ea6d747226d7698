/** A picture from elsewhere, of any size: for every pixel how light it is, row by row from the upper left corner. */
export interface GreyImage {
  readonly widthPx: number;
  readonly heightPx: number;
  /** 0 is dark, 255 is as light as it goes. */
  readonly light: Uint8Array;
  /** Of one with colours: red, green and blue as their light. */
  readonly colours?: readonly [Uint8Array, Uint8Array, Uint8Array];
}

/** What stops the reading of a picture: says what was expected and what came. */
export class PictureFileError extends Error {}

/**
 * How large a picture from elsewhere may be: a photograph, but nothing that fills the memory. Files are bounded by
 * their bytes before that.
 */
export const importLimits = { sidePx: 8_192, pixels: 4_194_304, bytes: 2_097_152 } as const;

/** @throws PictureFileError where a size is nonsense or too large */
export function checkedSize(widthPx: number, heightPx: number): void {
  const { sidePx, pixels } = importLimits;
  if (!Number.isSafeInteger(widthPx) || !Number.isSafeInteger(heightPx) || widthPx < 1 || heightPx < 1)
    throw new PictureFileError(
      `expected a width and a height of at least one pixel, got ${widthPx} × ${heightPx}`,
    );
  if (widthPx > sidePx || heightPx > sidePx || widthPx * heightPx > pixels)
    throw new PictureFileError(
      `expected at most ${sidePx} pixels a side and ${pixels} in all, got ${widthPx} × ${heightPx}`,
    );
}

/**
 * At another size. Every new pixel is the mean of what it covers, weighed by area, in whole numbers; where it is made
 * larger, the pixel that lies there.
 * Cost: the pixels of both sizes.
 */
export function scaledImage(image: GreyImage, widthPx: number, heightPx: number): GreyImage {
  if (widthPx === image.widthPx && heightPx === image.heightPx) return image;
  const scaled = (light: Uint8Array) =>
    turned(alongRows(turned(alongRows({ ...image, light }, widthPx)), heightPx)).light;
  const { light, colours } = image;
  return {
    widthPx,
    heightPx,
    light: scaled(light),
    ...(colours && { colours: [scaled(colours[0]), scaled(colours[1]), scaled(colours[2])] }),
  };
}

/** Rows become columns. */
function turned({ widthPx, heightPx, light }: GreyImage): GreyImage {
  const out = new Uint8Array(light.length);
  for (let y = 0; y < heightPx; y += 1)
    for (let x = 0; x < widthPx; x += 1) out[x * heightPx + y] = light[y * widthPx + x]!;
  return { widthPx: heightPx, heightPx: widthPx, light: out };
}

/** Every row at another width. Places are counted in parts of which a row has old times new width. */
function alongRows({ widthPx: from, heightPx, light }: GreyImage, to: number): GreyImage {
  const out = new Uint8Array(to * heightPx);
  for (let x = 0; x < to; x += 1) {
    const [begin, end] = [x * from, (x + 1) * from];
    const [first, last] = [Math.floor(begin / to), Math.ceil(end / to) - 1];
    const enlarged = to >= from;
    const middle = Math.floor((2 * begin + from) / (2 * to));
    for (let y = 0; y < heightPx; y += 1) {
      const row = y * from;
      if (enlarged) {
        out[y * to + x] = light[row + middle]!;
        continue;
      }
      let sum = 0;
      for (let at = first; at <= last; at += 1)
        sum += light[row + at]! * (Math.min(end, (at + 1) * to) - Math.max(begin, at * to));
      out[y * to + x] = Math.floor((2 * sum + from) / (2 * from));
    }
  }
  return { widthPx: to, heightPx, light: out };
}
