import { clamp } from '../kernel/index.ts';
import {
  ownTellUs,
  type Knob,
  type OutputOf,
  type OwnClass,
  type OwnValue,
  type Part,
} from '../gadget/index.ts';

/** Full scale of a reading that comes as a number over a bus. */
const bits = 16;
const fullScale = 2 ** bits - 1;

/**
 * A value that a module tells, as what is read: one step for each of its numbers, off by noise whose three standard
 * deviations are the error that its sheet says.
 */
export function readingFigures({
  low,
  high,
  everyUs,
  errorPerMille,
}: Extract<OwnValue, { kind: 'reading' }>): Pick<Knob, 'returns' | 'sets' | 'wiper' | 'reading'> {
  return {
    returns: false,
    sets: 'number',
    wiper: {
      bits,
      noisePpm: Math.round((errorPerMille * 1_000) / 3),
      cracklePerMille: 0,
      cracklePpm: 0,
      sagPpm: 0,
    },
    reading: {
      everyUs,
      filter: 'none',
      readings: 4,
      hysteresisCounts: 0,
      endBandCounts: 0,
      centreBandCounts: 0,
      lowCount: 0,
      highCount: fullScale,
      reversed: false,
      straighten: false,
      curve: 'even',
      low,
      high,
      steps: high - low + 1,
    },
  };
}

/**
 * A value that a module takes. Without anything said it is 0 at power-up, or the nearest to it that there is.
 * @param figures of the part, where they differ from those of its class
 */
export function settingFigures(
  own: OwnClass,
  { busBaud = own.busBaud }: Part['figures'],
  { unit, low, high, bytes }: Extract<OwnValue, { kind: 'setting' }>,
): Omit<OutputOf<'setting'>, 'id' | 'kind' | 'name'> {
  return { unit, low, high, start: clamp(0, low, high), tellUs: ownTellUs({ ...own, busBaud }, bytes) };
}
