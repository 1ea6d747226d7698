import { checkGadget } from '../snag/index.ts';
import type { Action, Gadget } from '../gadget/index.ts';
import { state } from '../test/fixtures.ts';
import { anyKey, doing, keyboard } from '../test/keyboard.ts';
import { Machine, type Stimulus } from './index.ts';

/* How long a key was down comes with its letting go: a note as hard as it was struck quickly. */

const strike = (velocity: string): Action => ({
  kind: 'midi', outputId: 'o1', message: 'noteOn', channel: 1, first: '60 + heard(0)', second: velocity,
}); // prettier-ignore
const played = (gadget: Gadget, ...presses: [atMs: number, controlId: string, heldMs: number][]) => {
  const machine = new Machine(gadget, 1);
  const hands = presses
    .flatMap(([atMs, controlId, heldMs]): Stimulus[] => [
      { atUs: atMs * 1_000, controlId, what: 'down' },
      { atUs: (atMs + heldMs) * 1_000, controlId, what: 'up' },
    ])
    .sort((a, b) => a.atUs - b.atUs);
  for (const hand of hands) machine.stimulate(hand);
  machine.advanceTo(5_000_000);
  return machine.takeTrace().flatMap((entry) => (entry.lane === 'midi' ? [entry.bytes.slice(1)] : []));
};
const withRules = (gesture: 'press' | 'release', velocity: string, guard: string | null = null): Gadget =>
  keyboard(3, {
    initialId: 's1',
    states: [state('s1', { rules: [{ ...doing('r1', anyKey(gesture), [strike(velocity)]), guard }] })],
  });

describe('how long a key was down', () => {
  it('comes with its letting go, key by key, whichever is let go first', () => {
    const gadget = withRules('release', '127 - heard(1) / 10');
    // Two keys at once: the second is let go first.
    const sent = played(gadget, [100, 'b1', 600], [300, 'b2', 200], [2_000, 'b3', 60]);
    expect(sent.map(([note]) => note)).toEqual([61, 60, 62]);
    const velocities = sent.map(([, velocity]) => velocity);
    // Cleaning takes some ms off or adds them.
    [127 - 20, 127 - 60, 127 - 6].forEach((wanted, n) =>
      expect(Math.abs(velocities[n]! - wanted)).toBeLessThanOrEqual(2),
    );
  });
  it('is nothing yet as a key is pressed, whatever the press before was', () => {
    const gadget = withRules('press', '1 + heard(1)');
    expect(played(gadget, [100, 'b1', 500], [1_000, 'b1', 80])).toEqual([
      [60, 1],
      [60, 1],
    ]);
  });
  it('is tried both ways by a walk, so that nothing is said never to happen', () => {
    for (const guard of ['heard(1) < 100', 'heard(1) >= 100']) {
      const { snags } = checkGadget(withRules('release', '90', guard));
      expect(snags.filter(({ rule }) => rule === 'L05' || rule === 'L01')).toEqual([]);
    }
  });
});
