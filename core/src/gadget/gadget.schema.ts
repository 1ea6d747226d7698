import * as z from 'zod';
import { briefSchema, noWishes } from './brief.schema.ts';
import { captureSchema } from './contact.schema.ts';
import { controlSchema } from './controls.schema.ts';
import { outputSchema } from './outputs.schema.ts';
import { emptyFlow, flowSchema } from './flow.schema.ts';
import { chordsSchema } from './gestures.schema.ts';
import { menuSchema } from './menus.schema.ts';
import { pageSchema } from './pages.schema.ts';
import { fontsSchema } from './fonts.schema.ts';
import { picturesSchema } from './pictures.schema.ts';
import { handsSchema, human } from './human.ts';
import { neighboursSchema } from './neighbours.schema.ts';
import { limits } from './limits.ts';
import { billSchema, partSchema } from './parts.schema.ts';
import { nameSchema, wholeSchema } from './primitives.schema.ts';
import { checkReferences } from './references.ts';
import { effectSchema } from './effects.schema.ts';
import { tuneSchema } from './tunes.schema.ts';
import { gadgetVersions } from './versions.ts';
import { noWiring, wiringSchema } from './wiring.schema.ts';

/** The current version of the document, strictly. Older raw JSON goes through `openGadget` first. */
export const gadgetSchema = z
  .strictObject({
    kind: z.literal('hum-lever-gadget'),
    version: z.literal(gadgetVersions.Samples),
    name: nameSchema,
    brief: briefSchema,
    /** The main loop reads the inputs once per period. */
    loop: z.strictObject({ periodUs: wholeSchema(50, 1_000_000, 'µs') }),
    hands: handsSchema,
    controls: z.array(controlSchema).max(limits.controls),
    /** Keys that mean something together. */
    chords: chordsSchema,
    /** Real presses, for contacts that play them. */
    captures: z.array(captureSchema).max(limits.captures),
    outputs: z.array(outputSchema).max(limits.outputs),
    /** What displays show, page by page; the first of a display is the one that it begins with. */
    pages: z.array(pageSchema).max(limits.pages),
    /** Drawn pixel by pixel, to be shown on pages. */
    pictures: picturesSchema,
    fonts: fontsSchema,
    /** What sounders sound in passing. */
    effects: z.array(effectSchema).max(limits.effects, `expected at most ${limits.effects} effects`),
    /** What sounders play, on a grid of time. */
    tunes: z.array(tuneSchema).max(limits.tunes, `expected at most ${limits.tunes} tunes`),
    /** Settings and deeds as outlines that a hand moves through. */
    menus: z.array(menuSchema).max(limits.menus),
    /** What its MIDI goes to and comes from; none: nothing is known of that. */
    neighbours: neighboursSchema,
    bill: billSchema,
    /** What is bought and wired; every control and output belongs to exactly one of them. */
    parts: z.array(partSchema).max(limits.parts),
    wiring: wiringSchema,
    flow: flowSchema,
  })
  .superRefine((gadget, context) => {
    for (const { path, message } of checkReferences(gadget))
      context.addIssue({ code: 'custom', path, message });
  });

export type Gadget = z.infer<typeof gadgetSchema>;

/** A valid gadget with nothing in it yet. */
export function emptyGadget(name: string): Gadget {
  return {
    kind: 'hum-lever-gadget',
    version: gadgetVersions.Samples,
    name,
    brief: { purpose: '', picture: null, words: [], tasks: [], wishes: noWishes },
    loop: { periodUs: 1_000 },
    hands: human,
    controls: [],
    chords: [],
    captures: [],
    outputs: [],
    pages: [],
    pictures: [],
    fonts: [],
    effects: [],
    tunes: [],
    menus: [],
    neighbours: [],
    bill: { currency: 'EUR' },
    parts: [],
    wiring: noWiring,
    flow: emptyFlow(),
  };
}
