import { partOf, sampleBits, type Samples, type Snag, type SnagRule } from '../../gadget/index.ts';
import { sampleClock } from '../../notes/index.ts';
import { netsIn } from '../nets.ts';

/** Up to here young ears hear. Source: the usual range of hearing. */
const heardHz = 20_000;

/**
 * The carrier of samples does not do: its timer counts fewer bits, it is slower than the samples, or it is heard itself.
 * A timer of which nothing is known is taken to count as far as it must.
 */
export const N09: SnagRule = {
  id: 'N09',
  check(gadget, derived) {
    const { board, leads } = netsIn(gadget, derived);
    if (!board) return [];
    return gadget.outputs.flatMap((output): Snag[] => {
      if (output.kind !== 'player' || output.samples === null) return [];
      const { samples } = output;
      const part = partOf(gadget, output.id);
      const pin = leads.find(({ owner, terminal }) => owner.id === part?.id && terminal.need === 'pwm')?.pin;
      const timers = pin?.pwm.flatMap(({ unit }) => board.timers.find(({ id }) => id === unit) ?? []) ?? [];
      // A pin that has several takes the one that counts furthest.
      const timer = timers.reduce<(typeof timers)[number] | null>(
        (a, b) => (a === null || b.bits > a.bits ? b : a),
        null,
      );
      const fault = (tried: Samples): 'timer' | 'slow' | 'heard' | null => {
        if (timer && timer.bits < tried.bits) return 'timer';
        const { carrierHz } = sampleClock(board.clockHz, tried);
        if (carrierHz < tried.rateHz) return 'slow';
        return carrierHz < heardHz ? 'heard' : null;
      };
      const reason = fault(samples);
      if (reason === null) return [];
      const bits = sampleBits.findLast(
        (one) => one < samples.bits && fault({ ...samples, bits: one }) === null,
      );
      return [
        {
          rule: 'N09',
          level: reason === 'heard' ? 'likely' : 'stop',
          place: part ? { kind: 'part', id: part.id } : { kind: 'output', id: output.id },
          values: {
            name: output.name,
            reason,
            bits: samples.bits,
            rateHz: samples.rateHz,
            carrierHz: Math.round(sampleClock(board.clockHz, samples).carrierHz),
            heardHz,
            timer: timer?.id ?? '',
            timerBits: timer?.bits ?? 0,
          },
          ...(bits !== undefined && {
            mend: {
              key: 'fewerBits',
              edit: { name: 'changeOutput', args: [output.id, { samples: { ...samples, bits } }] },
              values: { bits },
            },
          }),
        },
      ];
    });
  },
};
