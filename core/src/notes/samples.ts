import type { Gadget, OutputOf, Samples } from '../gadget/index.ts';

/** How a pin's pulses carry samples. */
export interface SampleClock {
  /** Pulses a second: the clock, counted to the end of the sample's bits once for each. */
  carrierHz: number;
  /** Each sample is played for so many pulses. */
  pulses: number;
  /** Samples a second, as they come out. */
  rateHz: number;
}

/**
 * Samples follow the carrier: a new one after every so many pulses, as near to what is asked for as whole pulses come,
 * one at least. 16 MHz and 8 bits: 62,500 pulses a second; for 8,000 samples a second 8 each, 7,812.5 a second.
 * @param clockHz of the board; above 0
 */
export function sampleClock(clockHz: number, { rateHz, bits }: Samples): SampleClock {
  const carrierHz = clockHz / 2 ** bits;
  const pulses = Math.max(1, Math.round(carrierHz / rateHz));
  return { carrierHz, pulses, rateHz: carrierHz / pulses };
}

/** Bits of the program for each sample: two of four share a byte, and what is more than a byte takes two. */
const storedBits = (bits: number): number => (bits <= 4 ? 4 : Math.ceil(bits / 8) * 8);

/** Samples of a sound. @param rateHz samples a second, as they come out */
export const sampleCount = (lengthUs: number, rateHz: number): number =>
  Math.ceil((lengthUs * rateHz) / 1_000_000);

/** Bytes of the program that a sound takes. @param rateHz samples a second, as they come out */
export const soundBytes = (lengthUs: number, rateHz: number, bits: number): number =>
  Math.ceil((sampleCount(lengthUs, rateHz) * storedBits(bits)) / 8);

/** A sound that lies in the program. */
export interface StoredSound {
  output: OutputOf<'player'>;
  number: number;
  name: string;
  bytes: number;
}

/** All sounds that lie in the program. @param clockHz of the board; null: no board, and the rate is what is asked for */
export const storedSounds = ({ outputs }: Pick<Gadget, 'outputs'>, clockHz: number | null): StoredSound[] =>
  outputs.flatMap((output) => {
    if (output.kind !== 'player' || output.samples === null) return [];
    const { samples } = output;
    const rateHz = clockHz === null ? samples.rateHz : sampleClock(clockHz, samples).rateHz;
    return output.files.map(({ number, name, lengthUs }) => ({
      output,
      number,
      name,
      bytes: soundBytes(lengthUs, rateHz, samples.bits),
    }));
  });
