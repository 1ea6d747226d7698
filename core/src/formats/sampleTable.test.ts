import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Samples } from '../gadget/index.ts';
import { soundBytes } from '../notes/index.ts';
import { printSampleTable } from './sampleTable.ts';

const clockHz = 16_000_000;
const samples = (bits: Samples['bits']): Samples => ({ rateHz: 8_000, bits });
/** The numbers of the table, and what kind they are. */
function read(text: string): { kind: string; numbers: number[] } {
  const [, kind, length, list] = /static const (unsigned \w+) \w+\[(\d+)\] = \{([^}]*)\}/.exec(text)!;
  const numbers = list!
    .split(',')
    .filter((one) => one.trim() !== '')
    .map(Number);
  expect(numbers).toHaveLength(Number(length));
  return { kind: kind!, numbers };
}

describe('a sound as a table of samples', () => {
  const ramp = [-1, -0.5, 0, 0.5, 1, 1.7, -2];
  it('has silence in the middle, and nothing beyond its bits', () => {
    expect(read(printSampleTable('Ramp', ramp, samples(8), clockHz))).toEqual({
      kind: 'unsigned char',
      numbers: [0, 64, 128, 192, 255, 255, 0],
    });
    expect(read(printSampleTable('Ramp', ramp, samples(10), clockHz))).toEqual({
      kind: 'unsigned short',
      numbers: [0, 256, 512, 768, 1_023, 1_023, 0],
    });
  });
  it('of four bits has two in a byte, the earlier one below; what is left of the last is silence', () => {
    expect(read(printSampleTable('Ramp', ramp, samples(4), clockHz)).numbers).toEqual([
      0 + 16 * 4,
      8 + 16 * 12,
      15 + 16 * 15,
      0 + 16 * 8,
    ]);
  });
  it('takes what was reckoned for its length', () => {
    // A quarter of a second at 7,812.5 a second: 1,953.125 samples, the last one begun.
    const wave = Array.from({ length: 1_954 }, (_, n) => Math.sin(n / 3));
    for (const bits of [4, 8, 10] as const) {
      const { kind, numbers } = read(printSampleTable('Wave', wave, samples(bits), clockHz));
      const bytes = numbers.length * (kind === 'unsigned short' ? 2 : 1);
      expect(bytes).toBe(soundBytes(250_000, 7_812.5, bits));
    }
  });
  it('says how its pin plays it, as far as that is known', () => {
    const text = printSampleTable('Ramp', ramp, samples(8), clockHz);
    expect(text).toContain('7 samples, 7812.5 samples a second, 8 bits each; 128 is silence.');
    expect(text).toContain('62500 pulses a second, a sample for 8 of them each.');
    expect(printSampleTable('Ramp', ramp, samples(8), null)).toContain('8000 samples a second');
    expect(printSampleTable('Ramp', ramp, samples(8), null)).not.toContain('pulses');
  });
  it('compiles without a warning, whatever it is called', () => {
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-samples-'));
    const file = join(folder, 'sound.c');
    const text = ([4, 8, 10] as const)
      .map((bits) => printSampleTable(`${bits} */ int x; ??/\\ "Été"`, ramp, samples(bits), clockHz))
      .join('');
    const use = [...text.matchAll(/unsigned \w+ (\w+)\[/g)].map(([, name]) => `${name}[0]`).join(' + ');
    writeFileSync(file, `${text}\nint main(void) { return (${use}) == 0; }\n`);
    try {
      execFileSync('gcc', ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-fsyntax-only', file]);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
