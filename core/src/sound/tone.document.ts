import * as z from 'zod';
import { limits } from '../gadget/limits.ts';
import { constant, expression, outputDocument, rows } from '../gadget/outputDocument.ts';
import { durationUsSchema, idSchema, wholeSchema } from '../gadget/primitives.schema.ts';

const noteSchema = z.strictObject({
  hz: wholeSchema(0, limits.toneHz, 'Hz'),
  lengthUs: durationUsSchema(1_000),
});

/** Which notes sound of those that keys hold: a sounder has one voice, or takes them in turns. */
export const takings = ['last', 'first', 'lowest', 'highest', 'turns'] as const;

export const tone = outputDocument(
  'tone',
  {
    /** Lowest and highest pitch the sounder gives; a request outside is held at the nearer end. */
    lowHz: wholeSchema(1, limits.toneHz, 'Hz'),
    highHz: wholeSchema(1, limits.toneHz, 'Hz'),
    /** What the board's timer gives for it, or just what is asked. */
    pitched: z.enum(['timer', 'exact']),
    takes: z.enum(takings),
    /** In turns: how long each is heard. */
    turnUs: durationUsSchema(1_000),
    /** Steps of an octave, where notes are told by number: 69 is A4 in all of them. */
    perOctave: wholeSchema(limits.leastPerOctave, limits.mostPerOctave),
    /** The program waits for the end of what has one, as the simplest way to sound does; without, it goes on meanwhile. */
    blocking: z.boolean(),
    /** How near the nearest ear comes to it. */
    nearCm: wholeSchema(1, 1_000, 'cm'),
  },
  {
    /** Length 0: until silenced or replaced. */
    tone: { hz: expression, lengthUs: constant(durationUsSchema()) },
    /** Notes one after the other; hz 0 is a rest. */
    tune: {
      notes: constant(z.array(noteSchema).min(1, 'expected at least one note').max(limits.tuneNotes)),
    },
    silence: {},
    /** How loud from now on, held inside 0 to 100 %: a pulse the narrower the quieter, 100 % a square. */
    loud: { percent: expression },
    /** An effect of the gadget's own, all of it moved by so many cents. */
    effect: { effectId: constant(idSchema), byCents: expression },
    /**
     * A tune of the gadget's own, one voice of it or (null) all. It goes on beneath what has an end and what keys hold.
     * `bpm` 0: as it is written.
     */
    perform: {
      tuneId: constant(idSchema),
      voiceId: constant(idSchema.nullable()),
      by: expression,
      bpm: expression,
    },
    /** What is left of it goes on at another tempo, and moved otherwise. */
    pace: { bpm: expression, by: expression },
    /** It goes no further. */
    finish: {},
    /** Notes of a row of a list or table, held by a key, as MIDI numbers them. What is told with an end goes before them. */
    sing: { key: expression, variableId: rows, row: expression, by: expression },
    /** A key holds them no longer. */
    hush: { key: expression },
  },
  {
    reaches: 'ears',
    // What oscillates by itself has its one pitch, and no timer makes it.
    fresh: ({ ownHz }) => ({
      lowHz: ownHz ?? 200,
      highHz: ownHz ?? 4_000,
      pitched: ownHz === undefined ? 'timer' : 'exact',
      takes: 'last',
      turnUs: 20_000,
      perOctave: 12,
      blocking: false,
      nearCm: 40,
    }),
    follows: ({ ownHz }) => (ownHz === undefined ? [] : ['lowHz', 'highHz', 'pitched']),
    check: (schema) =>
      schema.refine(({ lowHz, highHz }) => lowHz <= highHz, {
        path: ['highHz'],
        message: 'expected no less than lowHz',
      }),
  },
);

export type Note = z.infer<typeof noteSchema>;
export type Tone = z.infer<typeof tone.schema>;
