import type { Samples } from '../gadget/index.ts';
import { clamp, cNames } from '../kernel/index.ts';
import { sampleClock } from '../notes/index.ts';
import { said, tableLines } from './tuneTable.ts';

/** Of a board whose clock is not known: samples come as they are asked for. */
const anyClock = ({ rateHz }: Samples) => ({ carrierHz: null, pulses: null, rateHz });

/**
 * A sound as a table of samples in C99, as its pin plays them: bytes, of four bits two to a byte, the earlier one in the
 * lower half; of more than eight a word each. Silence is in the middle.
 * @param values from −1 to 1, at the rate at which the pin plays; what is beyond is held at the end
 * @param clockHz of the board; null: none is chosen
 * @returns a text that compiles by itself
 */
export function printSampleTable(
  name: string,
  values: ArrayLike<number>,
  samples: Samples,
  clockHz: number | null,
): string {
  const { bits } = samples;
  const { carrierHz, pulses, rateHz } = clockHz === null ? anyClock(samples) : sampleClock(clockHz, samples);
  const highest = 2 ** bits - 1;
  const levels = Array.from({ length: values.length }, (_, n) =>
    clamp(Math.round(((values[n]! + 1) * (highest + 1)) / 2), 0, highest),
  );
  const middle = (highest + 1) / 2;
  const stored =
    bits === 4
      ? Array.from(
          { length: Math.ceil(levels.length / 2) },
          (_, n) => levels[2 * n]! + 16 * (levels[2 * n + 1] ?? middle),
        )
      : levels;
  const at = `${Number(rateHz.toFixed(3))} samples a second, ${bits} bits each`;
  return [
    `/* ${said(name)}: ${levels.length} samples, ${at}; ${middle} is silence.`,
    ...(bits === 4 ? ['   Two share a byte, the earlier one in the lower half.'] : []),
    ...(pulses === null
      ? []
      : [`   ${Number(carrierHz.toFixed(3))} pulses a second, a sample for ${pulses} of them each.`]),
    '*/',
    `static const ${bits > 8 ? 'unsigned short' : 'unsigned char'} ${cNames()(name)}[${stored.length}] = {`,
    ...tableLines(stored),
    '};',
    '',
  ].join('\n');
}
