import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** A character, and its rows of pixels from the top: `#` is lit, `.` is dark. */
const glyphSchema = z.strictObject({
  character: z.string().refine((text) => [...text].length === 1, 'expected one character'),
  rows: z.array(z.string().regex(/^[#.]+$/, 'expected a row of pixels: # for lit, . for dark')),
});

/** A font of the gadget's own: every character in a cell of one size, which has the space to its neighbours in it. */
export const fontSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    widthPx: wholeSchema(1, limits.fontWidePx, 'px'),
    heightPx: wholeSchema(1, limits.fontHighPx, 'px'),
    glyphs: z
      .array(glyphSchema)
      .min(1, 'expected at least one character')
      .max(limits.fontGlyphs, `expected at most ${limits.fontGlyphs} characters`),
  })
  .superRefine(({ widthPx, heightPx, glyphs }, context) => {
    const seen = new Set<string>();
    glyphs.forEach(({ character, rows }, g) => {
      if (rows.length !== heightPx || rows.some((row) => row.length !== widthPx))
        context.addIssue({
          code: 'custom',
          path: ['glyphs', g],
          message: `expected ${widthPx} × ${heightPx} pixels, as the font has it`,
        });
      if (seen.has(character))
        context.addIssue({
          code: 'custom',
          path: ['glyphs', g, 'character'],
          message: `expected each character once, got "${character}" again`,
        });
      seen.add(character);
    });
  });

export type OwnFont = z.infer<typeof fontSchema>;

export const fontsSchema = z
  .array(fontSchema)
  .max(limits.fonts, `expected at most ${limits.fonts} fonts`)
  .refine(
    (fonts) =>
      fonts.reduce((sum, { widthPx, heightPx, glyphs }) => sum + widthPx * heightPx * glyphs.length, 0) <=
      limits.fontTotalPx,
    `expected at most ${limits.fontTotalPx} pixels in all characters of all fonts together`,
  );
