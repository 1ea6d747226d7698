import * as z from 'zod';
import { limits } from './limits.ts';
import { lineSchema, nameSchema, terminalSchema, wholeSchema } from './primitives.schema.ts';

/** What a line can ask of the board; bus lines by the board's end of them. */
export const ownNeeds = [
  ...(['out', 'in', 'both', 'analog', 'pwm', 'tone', 'servo', 'edge', 'wake'] as const),
  ...(['sda', 'scl', 'mosi', 'miso', 'sck', 'tx', 'rx', 'bclk', 'ws', 'dout'] as const),
];
/** What it can be in hand. */
export const ownEnds = ['button', 'knob', 'light', 'text', 'tone', 'servo', 'motor'] as const;

const ua = wholeSchema(0, 20_000_000, 'µA');
const mv = wholeSchema(0, 60_000, 'mV');
/** Seven bits, without those that the bus keeps for itself. */
const address = wholeSchema(8, 119);

/** A class of part that the catalogue lacks, as the part's sheet describes it. */
export const ownClassSchema = z
  .strictObject({
    title: nameSchema,
    doc: lineSchema(limits.sentenceChars),
    priceCents: wholeSchema(0, limits.priceCents),
    /** Signal lines; `maxUa` is what each takes from its pin at worst. */
    lines: z
      .array(z.strictObject({ name: terminalSchema, need: z.enum(ownNeeds), maxUa: ua }))
      .max(limits.ownLines, `expected at most ${limits.ownLines} lines`),
    /** What it is in hand, in this order. */
    plays: z.array(z.enum(ownEnds)).max(limits.ownEnds, `expected at most ${limits.ownEnds}`),
    /** Null: it lives from its lines alone. */
    supply: z
      .strictObject({ minMv: mv, maxMv: mv, typicalUa: ua, worstUa: ua })
      .refine(({ minMv, maxMv }) => minMv <= maxMv, {
        path: ['maxMv'],
        message: 'expected no less than the voltage that it works from',
      })
      .nullable(),
    /** On a two-wire bus: what it is set to as bought, and all that it can be set to. */
    address: z
      .strictObject({ usual: address, choices: z.array(address).min(1).max(limits.ownAddresses) })
      .refine(({ usual, choices }) => choices.includes(usual), {
        path: ['usual'],
        message: 'expected one of the addresses that it can be set to',
      })
      .nullable(),
    busBaud: wholeSchema(0, 100_000_000, 'Hz'),
    /** Pull-ups of its own on the bus lines; 0: none. */
    busPullOhms: wholeSchema(0, 10_000_000, 'Ω'),
  })
  .superRefine(({ lines, supply, address }, context) => {
    const names = new Set<string>(supply ? ['plus', 'minus'] : []);
    lines.forEach(({ name }, index) => {
      if (names.has(name))
        context.addIssue({
          code: 'custom',
          path: ['lines', index, 'name'],
          message: `expected a name of its own, got "${name}" again`,
        });
      names.add(name);
    });
    const has = (need: string) => lines.some((line) => line.need === need);
    if (address && !(has('sda') && has('scl')))
      context.addIssue({
        code: 'custom',
        path: ['address'],
        message: 'expected a data and a clock line of the two-wire bus, as it has an address',
      });
  });

export type OwnClass = z.infer<typeof ownClassSchema>;
export type OwnNeed = (typeof ownNeeds)[number];
export type OwnEnd = (typeof ownEnds)[number];
