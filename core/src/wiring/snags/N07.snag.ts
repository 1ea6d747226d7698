import type { Snag, SnagRule } from '../../gadget/index.ts';
import { netsIn, supplyMvOf } from '../nets.ts';

/** Usual impedances of small speakers, Ω. */
const usualOhms = [4, 8, 16, 32, 64];

/** P = V²/(2R) of a bridged amplifier at full drive, mW. Source: `reckoning`, Electric. */
const bridgedMw = (supplyMv: number, ohms: number) => Math.round((supplyMv * supplyMv) / (2 * ohms) / 1_000);

/** Amplifier and speaker do not fit: more power than the speaker stands, or less load than the amplifier does. */
export const N07: SnagRule = {
  id: 'N07',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    return nets.owners.flatMap((owner): Snag[] => {
      const { part } = owner;
      const { speakerOhms, leastOhms, speakerMw } = part?.figures ?? {};
      if (!part || speakerOhms === undefined || leastOhms === undefined || speakerMw === undefined) return [];
      const supplyMv = supplyMvOf(nets, owner);
      const mw = bridgedMw(supplyMv, speakerOhms);
      const heavy = speakerOhms < leastOhms;
      if (!heavy && mw <= speakerMw) return [];
      const fits = (ohms: number) => ohms >= leastOhms && bridgedMw(supplyMv, ohms) <= speakerMw;
      const better = usualOhms.find(fits);
      return [
        {
          rule: 'N07',
          level: heavy ? 'stop' : 'likely',
          place: { kind: 'part', id: owner.id },
          values: {
            name: owner.name,
            reason: heavy ? 'load' : 'power',
            supplyMv,
            speakerOhms,
            leastOhms,
            mw,
            speakerMw,
          },
          ...(better !== undefined && {
            mend: {
              key: 'otherSpeaker',
              edit: {
                name: 'changePart',
                args: [owner.id, { figures: { ...part.part.figures, speakerOhms: better } }],
              },
              values: { speakerOhms: better },
            },
          }),
        },
      ];
    });
  },
};
