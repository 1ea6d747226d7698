import { emptyGadget, Machine, readGadgetText, type Gadget } from '@hum-lever/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { changeOf, seenOf, withChange, type Seen } from './changes.ts';

const demo = (path: string): Gadget => {
  const read = readGadgetText(readFileSync(join(__dirname, '../../../demo', path), 'utf8'));
  if (read.outcome !== 'opened') throw new Error(read.message);
  return read.gadget;
};

describe('what is told of a machine', () => {
  const gadget = demo('kettle-keeper/2-at-the-night-market.json');
  const [key] = gadget.controls;

  it('comes to what the machine shows, whatever happens, and over JSON', () => {
    const machine = new Machine(gadget, 3);
    let told: Seen | null = null;
    let seen: Seen | null = null;
    for (let n = 0; n < 200; n += 1) {
      const touch = {
        atUs: machine.nowUs,
        controlId: key!.id,
        what: n % 2 ? ('up' as const) : ('down' as const),
      };
      machine.stimulate(touch);
      machine.advanceTo(machine.nowUs + 37_000 * ((n % 5) + 1));
      const now = seenOf(machine);
      const change = changeOf(told, now);
      told = now;
      seen = withChange(seen, JSON.parse(JSON.stringify(change)));
      expect(seen).toEqual({ shown: machine.shown, places: machine.places });
    }
  });

  it('is only what has changed, and leaves everything else the very same', () => {
    const machine = new Machine(gadget, 3);
    machine.advanceTo(10_000);
    const told = seenOf(machine);
    expect(changeOf(null, told).whole).toBe(true);
    machine.advanceTo(11_000);
    expect(changeOf(told, seenOf(machine))).toEqual({
      whole: false, stateIds: null, variables: {}, outputs: {}, places: {},
    }); // prettier-ignore
    machine.stimulate({ atUs: 20_000, controlId: key!.id, what: 'down' });
    machine.advanceTo(30_000);
    const pressed = seenOf(machine);
    expect(changeOf(told, pressed)).toMatchObject({ whole: false, places: { [key!.id]: 1 } });
    // An effect goes on; lights and displays stand.
    machine.advanceTo(50_000);
    const change = changeOf(pressed, seenOf(machine));
    const ids = Object.keys(pressed.shown.outputs);
    const others = ids.filter(
      (id) => JSON.stringify(pressed.shown.outputs[id]) !== JSON.stringify(machine.shown.outputs[id]),
    );
    expect(Object.keys(change.outputs)).toEqual(others);
    expect(others.length).toBeGreaterThan(0);
    expect(others.length).toBeLessThan(ids.length);
    const seen = withChange(pressed, change);
    for (const id of ids)
      if (!others.includes(id)) expect(seen.shown.outputs[id]).toBe(pressed.shown.outputs[id]);
  });

  it('is all of it once an output is gone', () => {
    const machine = new Machine(gadget, 3);
    const told = seenOf(machine);
    machine.adopt(emptyGadget('Bare'));
    const change = changeOf(told, seenOf(machine));
    expect(change.whole).toBe(true);
    expect(withChange(told, change).shown).toEqual(machine.shown);
  });
});
