import { pressTrain, type Train } from '../contact/index.ts';
import { Bench, Clock, rateOf, shareOf, type Odds, type Tally } from '../debounce/index.ts';
import type { Button, DebounceSetting, Gadget } from '../gadget/index.ts';

/** Chance of the lab, apart from that of play. */
export const labSeed = 0x1ab;

/** Presses of that button as these hands make them, on its own contact or out of its capture. */
export function trainOf(
  gadget: Pick<Gadget, 'hands' | 'captures'>,
  { contact }: Pick<Button, 'contact'>,
  presses: number,
  seed = labSeed,
): Train {
  const captured = gadget.captures.find(({ id }) => id === contact.captureId)?.presses;
  return pressTrain(contact, gadget.hands, presses, seed, captured);
}

/** A tally with what it may truly be. */
export type MeasuredTally = Tally & { falseOdds: Odds; missedOdds: Odds };

/** How settings do on the same presses of one button. @param presses how many, >= 1 */
export function measureOn(
  gadget: Pick<Gadget, 'hands' | 'captures'>,
  button: Pick<Button, 'contact'>,
  settings: readonly DebounceSetting[],
  periodUs: number,
  presses: number,
): MeasuredTally[] {
  const bench = new Bench(trainOf(gadget, button, presses), new Clock(periodUs));
  return settings.map((setting) => {
    const tally = bench.tally(setting);
    return {
      ...tally,
      falseOdds: rateOf(tally.falsePresses, presses),
      missedOdds: shareOf(tally.missed, presses),
    };
  });
}
