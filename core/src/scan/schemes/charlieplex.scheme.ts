import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { dropsAt } from '../circuit.ts';
import { defineScheme, settleUs } from '../scheme.ts';

/** n lines give n(n - 1) keys: 12 keys 4 lines, 20 keys 5, 50 keys 8. */
export const linesForKeys = (keys: number) => {
  let lines = 2;
  while (lines * (lines - 1) < keys) lines += 1;
  return lines;
};

export const charlieplex = defineScheme({
  id: 'charlieplex',
  title: 'Charlieplexed lines, a diode per key',
  doc: 'Every line is driven in turn while all others are read, so that a key fits between every two lines in either direction. The fewest pins of all; chains of keys can read falsely where the supply lets two diodes through.',
  source: 'reckoning, Keypads',
  params: z.strictObject({}),
  defaults: () => ({}),
  refuses: () => null,
  lines: (keys) => Array.from({ length: linesForKeys(keys) }, (_, line) => signal(`line${line + 1}`, 'both')),
  circuit: (keys, _params, supplyMv) => {
    const lines = linesForKeys(keys);
    const pairs = Array.from({ length: lines }, (_, drive) =>
      Array.from({ length: lines }, (__, sense) => ({ drive, sense, diode: true })),
    )
      .flat()
      .filter(({ drive, sense }) => drive !== sense);
    return {
      kind: 'lines',
      lines,
      drives: Array.from({ length: lines }, (_, line) => line),
      keys: pairs.slice(0, keys),
      maxDrops: dropsAt(supplyMv),
    };
  },
  parts: (keys) => [{ role: 'key-diode', value: 0, quantity: keys }],
  scanUs: (keys) => linesForKeys(keys) * (settleUs + 5),
});
