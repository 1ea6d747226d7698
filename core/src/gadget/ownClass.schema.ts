import * as z from 'zod';
import { limits } from './limits.ts';
import {
  durationUsSchema,
  int32Schema,
  lineSchema,
  nameSchema,
  terminalSchema,
  wholeSchema,
} from './primitives.schema.ts';

/** What a line can ask of the board; bus lines by the board's end of them. */
export const ownNeeds = [
  ...(['out', 'in', 'both', 'analog', 'pwm', 'tone', 'servo', 'edge', 'wake'] as const),
  ...(['sda', 'scl', 'mosi', 'miso', 'sck', 'tx', 'rx', 'bclk', 'ws', 'dout'] as const),
];
/** What it can be in hand. */
export const ownEnds = ['button', 'knob', 'light', 'text', 'tone', 'servo', 'motor', 'line'] as const;

const value = { name: nameSchema, unit: lineSchema(limits.unitChars), low: int32Schema, high: int32Schema };
const rising = ({ low, high }: { low: number; high: number }) => low < high;
const notRising = { path: ['high'], message: 'expected more than the lowest value' };
/** A converter has no more different values. */
const mostValues = 65_535;

/** A value that a module tells: a temperature, the battery, the track that plays. */
const ownReading = z
  .strictObject({
    kind: z.literal('reading'),
    ...value,
    /** A new one comes so often. */
    everyUs: durationUsSchema(100),
    /** It is off by up to so much of its range. */
    errorPerMille: wholeSchema(0, 300, '‰'),
  })
  .refine(rising, notRising)
  .refine(({ low, high }) => high - low <= mostValues, {
    path: ['high'],
    message: `expected at most ${mostValues} above the lowest value`,
  });

/** A value that a module takes: a frequency, a track, a volume. */
const ownSetting = z
  .strictObject({
    kind: z.literal('setting'),
    ...value,
    /** Over its bus, with what stands around the value; without a bus they take no time. */
    bytes: wholeSchema(0, 255, 'bytes'),
  })
  .refine(rising, notRising);

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
    plays: z
      .array(z.union([z.enum(ownEnds), ownReading, ownSetting]))
      .max(limits.ownEnds, `expected at most ${limits.ownEnds}`),
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
/** What it is in hand: by a word alone, or a value that it tells or takes. */
export type OwnEnd = OwnClass['plays'][number];
export type OwnWord = (typeof ownEnds)[number];
export type OwnValue = Exclude<OwnEnd, string>;

/** A kind of control or output for each. */
export function ownEndKind(end: OwnEnd): OwnWord | 'setting' {
  if (typeof end === 'string') return end;
  return end.kind === 'reading' ? 'knob' : 'setting';
}

/** Bits that a byte takes on a bus, by a line that it has: with the acknowledgement, plain, or with start and stop. */
const bitsOf: Readonly<Partial<Record<OwnNeed, number>>> = { sda: 9, mosi: 8, tx: 10 };

/** How long so many bytes are on their way to it, in whole µs, rounded up. Source: reckoning, Buses and screens. */
export function ownTellUs({ lines, busBaud }: OwnClass, bytes: number): number {
  const bits = lines.map(({ need }) => bitsOf[need]).find((one) => one !== undefined);
  return bits === undefined || busBaud === 0 ? 0 : Math.ceil((bytes * bits * 1_000_000) / busBaud);
}
