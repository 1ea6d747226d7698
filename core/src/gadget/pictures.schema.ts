import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema } from './primitives.schema.ts';

/**
 * A row of pixels from the left: `.` is the ground, `#` is drawn in the ink that the page asks for, 2 to 9 and a to f
 * are inks of their own, by their number.
 */
const rowSchema = z
  .string()
  .regex(
    /^[#.2-9a-f]+$/,
    'expected a row of pixels: # for lit, . for dark, 2 to 9 and a to f for inks of a palette',
  )
  .max(limits.displayPx, `expected at most ${limits.displayPx} pixels in a row`);

/** Rows from the top. */
const frameSchema = z
  .array(rowSchema)
  .min(1, 'expected at least one row of pixels')
  .max(limits.displayPx, `expected at most ${limits.displayPx} rows of pixels`);

/** Drawn pixel by pixel, and shown on pages: a sign, a figure, and where it has several frames, what moves. */
export const pictureSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    frames: z
      .array(frameSchema)
      .min(1, 'expected at least one frame')
      .max(limits.pictureFrames, `expected at most ${limits.pictureFrames} frames`),
  })
  .superRefine(({ frames }, context) => {
    const [width, height] = [frames[0]?.[0]?.length, frames[0]?.length];
    frames.forEach((rows, f) => {
      if (rows.length !== height || rows.some((row) => row.length !== width))
        context.addIssue({
          code: 'custom',
          path: ['frames', f],
          message: `expected frames of one size, ${width} × ${height} pixels as the first row of the first has it`,
        });
    });
  });

export type Picture = z.infer<typeof pictureSchema>;
/** One frame of a picture: its rows from the top. */
export type Frame = Picture['frames'][number];

/** Pixels that all frames of all pictures have together. */
export const picturePixels = (pictures: readonly Pick<Picture, 'frames'>[]): number =>
  pictures.reduce(
    (sum, { frames }) => sum + frames.length * (frames[0]?.length ?? 0) * (frames[0]?.[0]?.length ?? 0),
    0,
  );

export const picturesSchema = z
  .array(pictureSchema)
  .max(limits.pictures, `expected at most ${limits.pictures} pictures`)
  .refine(
    (pictures) => picturePixels(pictures) <= limits.pictureTotalPx,
    `expected at most ${limits.pictureTotalPx} pixels in all frames of all pictures together`,
  );
