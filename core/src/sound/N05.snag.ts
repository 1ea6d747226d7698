import { partOf, type Snag, type SnagRule } from '../gadget/index.ts';
import { exactExp, exactLn } from '../kernel/index.ts';
import { figuresOf } from '../parts/index.ts';

/** Where a sounder's level is measured. */
const measuredCm = 10;
/**
 * From so loud on hearing suffers where it lasts; from so loud on it soon does. Source: usual limits of noise at work,
 * dB(A) over eight hours, and what harms within minutes.
 */
const [harmsDb, soonDb] = [85, 100] as const;

/** Driven from both sides a disc swings twice as far. Source: reckoning, Electric. */
const twiceDb = 6;

const ln10 = 2.302585092994046;
/** Level so far away: sound spreads over a sphere, 6 dB less for twice the way. @returns dB */
export const levelAt = (loudDb: number, cm: number): number =>
  loudDb - (20 * exactLn(cm / measuredCm)) / ln10;
/** From how far on it is no louder than that, cm. */
const farEnough = (loudDb: number, db: number): number => measuredCm * exactExp(((loudDb - db) * ln10) / 20);

/** Loud where an ear comes near, as far as its part's figure goes. */
export const N05: SnagRule = {
  id: 'N05',
  check: (gadget) =>
    gadget.outputs.flatMap((output): Snag[] => {
      const part = partOf(gadget, output.id);
      if ((output.kind !== 'tone' && output.kind !== 'player') || !part) return [];
      const { loudDb: oneSideDb, sides = 1 } = figuresOf(part);
      if (oneSideDb === undefined) return [];
      const loudDb = oneSideDb + (sides === 2 ? twiceDb : 0);
      const db = levelAt(loudDb, output.nearCm);
      if (db <= harmsDb) return [];
      return [
        {
          rule: 'N05',
          level: db > soonDb ? 'likely' : 'note',
          place: { kind: 'part', id: part.id },
          values: {
            name: output.name,
            db: Math.round(db),
            nearCm: output.nearCm,
            loudDb,
            harmsDb,
            farCm: Math.ceil(farEnough(loudDb, harmsDb)),
          },
        },
      ];
    }),
};
