import { pressEdges } from '../contact/index.ts';
import type { Derived, Gadget } from '../gadget/index.ts';
import { asMeant } from '../gesture/index.ts';

/** Channel of chance of the checks, apart from any button's. */
const checkSeed = 0x5a6;

/** About a second; a check of the largest demo takes a hundredth of it. */
const playedPerCheck = 250_000_000;

/** What several rules need, computed once for one document. */
export function deriveFor(gadget: Gadget): Derived {
  const known = new Map<string, unknown>();
  const once = <T>(key: string, make: () => T): T => {
    if (!known.has(key)) known.set(key, make());
    return known.get(key) as T;
  };
  return {
    once,
    effort: { left: playedPerCheck },
    asIs: asMeant(gadget) === gadget,
    bouncedPresses: (controlId, heldUs, count) =>
      once(`presses ${controlId} ${heldUs} ${count}`, () => {
        const number = gadget.controls.findIndex(({ id }) => id === controlId);
        const control = gadget.controls[number];
        if (control?.kind !== 'button')
          throw new RangeError(`expected the id of a button, got "${controlId}"`);
        const { contact } = control;
        const captured = gadget.captures.find(({ id }) => id === contact.captureId)?.presses;
        return Array.from({ length: count }, (_, press) =>
          pressEdges(contact, heldUs, checkSeed, number, press, captured),
        );
      }),
  };
}
