import { partOf, type Snag, type SnagRule } from '../gadget/index.ts';
import { toneTimerOf } from '../wiring/index.ts';
import { askedHz } from './asked.ts';
import { soundedHz } from './pitch.ts';
import { cents, hzOf, settingFor } from './timer.ts';

/** From about so much on a pitch is heard as out of tune beside others. Source: the job, N01. */
const heardCents = 10;

/** Pitches that the board's timer comes too far from; what the sounder cannot give at all is told as N02. */
export const N01: SnagRule = {
  id: 'N01',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      const part = partOf(gadget, output.id);
      if (output.kind !== 'tone' || output.pitched === 'exact' || !part) return [];
      const clocked = toneTimerOf(gadget, output.id);
      if (!clocked) return [];
      const asked = askedHz(gadget, output.id).filter((hz) => soundedHz(output, hz) === hz);
      const off = asked
        .map((hz) => {
          const gives = hzOf(clocked.clockHz, settingFor(clocked, hz).divisor);
          return { hz, gives, cents: cents(gives, hz) };
        })
        .filter((one) => Math.abs(one.cents) > heardCents)
        .sort((a, b) => Math.abs(b.cents) - Math.abs(a.cents));
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
            hz: worst.hz,
            givesCentiHz: Math.round(worst.gives * 100),
            tenthCents: Math.round(worst.cents * 10),
            pitches: off.length,
            of: asked.length,
          },
        },
      ];
    }),
};
