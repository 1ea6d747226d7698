import { partOf, type Snag, type SnagRule } from '../gadget/index.ts';
import { askedHz } from './asked.ts';
import { isOutOfTune, sounderOf, tuned } from './tuning.ts';

/** Pitches that the board's timer comes too far from; what the sounder cannot give at all is told as N02. */
export const N01: SnagRule = {
  id: 'N01',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      const part = partOf(gadget, output.id);
      if (output.kind !== 'tone' || !part) return [];
      const sounder = sounderOf(gadget, output);
      const { clocked } = sounder;
      if (!clocked) return [];
      const given = askedHz(gadget, output.id)
        .map((hz) => tuned(sounder, hz))
        .filter(({ hz, heldHz }) => hz === heldHz);
      const off = given.filter(isOutOfTune).sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
      const [worst] = off;
      if (!worst) return [];
      return [
        {
          rule: 'N01',
          level: 'likely',
          place: { kind: 'part', id: part.id },
          values: {
            name: output.name,
            timer: clocked.timer.id,
            bits: clocked.timer.bits,
            hz: Math.round(worst.hz * 100) / 100,
            givesCentiHz: Math.round(worst.givesHz * 100),
            tenthCents: Math.round(worst.cents * 10),
            pitches: off.length,
            of: given.length,
          },
        },
      ];
    }),
};
