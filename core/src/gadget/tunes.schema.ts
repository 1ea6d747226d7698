import * as z from 'zod';
import { limits } from './limits.ts';
import { idSchema, nameSchema, wholeSchema } from './primitives.schema.ts';

/** What a note does besides sounding. */
const ornamentSchema = z.discriminatedUnion('kind', [
  /** Comes from the pitch of the note before, over so many of its steps. */
  z.strictObject({ kind: z.literal('slide'), steps: wholeSchema(1, limits.tuneSteps, 'steps') }),
  /** Goes up and down, so far to each side. */
  z.strictObject({ kind: z.literal('vibrato'), cents: wholeSchema(1, 200, 'cents') }),
  /** Takes turns with others, so many semitones above it: a broken chord. */
  z.strictObject({
    kind: z.literal('arpeggio'),
    above: z
      .array(wholeSchema(-24, 24, 'semitones'))
      .min(1, 'expected at least one more note')
      .max(limits.arpeggio, `expected at most ${limits.arpeggio} more notes`),
  }),
]);

const tuneNoteSchema = z.strictObject({
  /** Steps from the beginning. */
  at: wholeSchema(0, limits.tuneSteps - 1, 'steps'),
  steps: wholeSchema(1, limits.tuneSteps, 'steps'),
  /** 60 is C4. */
  note: wholeSchema(0, 127),
  /** How loud, of what its sounder is. */
  percent: wholeSchema(1, 100, '%'),
  ornament: ornamentSchema.nullable(),
});

/** One line of a tune: one note at a time. */
const voiceSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    /** In the order of time. */
    notes: z.array(tuneNoteSchema).max(limits.tuneNotes, `expected at most ${limits.tuneNotes} notes`),
  })
  .superRefine(({ notes }, context) => {
    let freeFrom = 0;
    notes.forEach(({ at, steps }, n) => {
      if (at < freeFrom)
        context.addIssue({
          code: 'custom',
          path: ['notes', n, 'at'],
          message: `expected a note behind the one before, which lasts to step ${freeFrom}, got one at step ${at}`,
        });
      freeFrom = at + steps;
    });
  });

/** A piece of a tune, which is played so many times before the next. */
const sectionSchema = z.strictObject({
  name: nameSchema,
  steps: wholeSchema(1, limits.tuneSteps, 'steps'),
  times: wholeSchema(1, limits.sectionTimes, 'times'),
});

/** Voices on one grid of time, which sounders play. */
export const tuneSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    beatsPerMinute: wholeSchema(limits.leastTempo, limits.mostTempo, 'beats a minute'),
    stepsPerBeat: wholeSchema(1, 24, 'steps a beat'),
    /** Of two steps, the first takes so much: 50 is straight. */
    swingPercent: wholeSchema(50, 75, '%'),
    /** A note sounds so much of its length: what is less than all of it lets the same note be heard twice. */
    heldPercent: wholeSchema(10, 100, '%'),
    /** One after the other, all of it. */
    sections: z
      .array(sectionSchema)
      .min(1, 'expected at least one section')
      .max(limits.sections, `expected at most ${limits.sections} sections`),
    /** At the end it goes on with this section, counted from 0; null: it ends. */
    againFrom: wholeSchema(0, limits.sections - 1).nullable(),
    voices: z.array(voiceSchema).max(limits.voices, `expected at most ${limits.voices} voices`),
  })
  .superRefine(({ sections, againFrom, voices }, context) => {
    const steps = stepsOf({ sections });
    const accuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message });
    if (steps > limits.tuneSteps)
      accuse(['sections'], `expected at most ${limits.tuneSteps} steps in all sections, got ${steps}`);
    if (againFrom !== null && againFrom >= sections.length)
      accuse(['againFrom'], `expected one of ${sections.length} sections, counted from 0, got ${againFrom}`);
    voices.forEach(({ notes }, v) =>
      notes.forEach((note, n) => {
        if (note.at + note.steps > steps)
          accuse(
            ['voices', v, 'notes', n, 'steps'],
            `expected a note that ends within ${steps} steps, got one to step ${note.at + note.steps}`,
          );
      }),
    );
  });

export type Tune = z.infer<typeof tuneSchema>;
export type TuneVoice = Tune['voices'][number];
export type TuneNote = TuneVoice['notes'][number];
export type Ornament = NonNullable<TuneNote['ornament']>;

/** Steps of all sections, each once. */
export const stepsOf = ({ sections }: Pick<Tune, 'sections'>): number =>
  sections.reduce((sum, { steps }) => sum + steps, 0);
