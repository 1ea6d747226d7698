import * as fc from 'fast-check';
import { applyEdit, type Gadget } from '../gadget/index.ts';
import { checkGadget, soundWays } from '../snag/index.ts';
import { edited, gadgetOf, to, wired } from '../test/wiringFixtures.ts';
import {
  billOf,
  boardOf,
  boards,
  companionsOf,
  driverOhms,
  fitted,
  layWiring,
  leadUa,
  netsOf,
  proposalsFor,
  waysOut,
  wiringOrder,
} from './index.ts';

const small = 'board-8bit-20';
const of = (gadget: Gadget, ...rules: string[]) =>
  checkGadget(gadget).snags.filter(({ rule }) => rules.includes(rule));
const clashesIn = (gadget: Gadget) => {
  const laid = layWiring(gadget, boardOf(gadget)!);
  return laid.outcome === 'impossible' ? laid.clashes : [];
};
const waysFor = (gadget: Gadget) =>
  soundWays(gadget, waysOut(gadget, boardOf(gadget)!, clashesIn(gadget), 'Keys'));

describe('a transistor between a pin and its load', () => {
  const board = boardOf(gadgetOf(small))!;

  it('gets a tenth of the load into its base, or somewhat more', () => {
    // (5 V - 0.7 V) / (40 mA / 10) = 1,075 Ω; the standard value below is 1 kΩ, and takes 4.3 mA.
    expect(driverOhms({ need: 'out', maxUa: 40_000 }, board)).toBe(1_000);
    // (3.3 V - 0.7 V) / 4 mA = 650 Ω.
    expect(driverOhms({ need: 'pwm', maxUa: 40_000 }, { ...board, logicMv: 3_300 })).toBe(560);
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 500_000 }),
        fc.integer({ min: 1_800, max: 5_500 }),
        (maxUa, logicMv) => {
          const ohms = driverOhms({ need: 'out', maxUa }, { ...board, logicMv, pinMaxUa: 1_000_000 });
          const baseUa = ((logicMv - 700) * 1_000) / ohms!;
          // Standard values lie at most 1.25 apart.
          expect(baseUa * 10).toBeGreaterThanOrEqual(maxUa - 1e-6);
          expect(baseUa * 10).toBeLessThanOrEqual(maxUa * 1.26);
        },
      ),
      { seed: 4, numRuns: 300 },
    );
  });

  it('is no help where the base alone asks too much, or the line is none to be switched', () => {
    expect(driverOhms({ need: 'out', maxUa: 40_000 }, { ...board, pinMaxUa: 4_000 })).toBeNull();
    expect(driverOhms({ need: 'out', maxUa: 900_000 }, { ...board, pinMaxUa: 900_000 })).toBeNull();
    expect(driverOhms({ need: 'servo', maxUa: 40_000 }, board)).toBeNull();
    expect(driverOhms({ need: 'in', maxUa: 40_000 }, board)).toBeNull();
    expect(driverOhms({ need: 'out', maxUa: 0 }, board)).toBeNull();
  });

  it('is a way out for a buzzer that no pin can feed, and nothing is left to find then', () => {
    const loud = gadgetOf(small, ['buzzer', { worstUa: 40_000 }]);
    expect(clashesIn(loud)).toMatchObject([{ terminal: 'on', tooMuchUa: 40_000 }]);
    const ways = waysFor(loud);
    expect(ways[0]).toMatchObject({ kind: 'driver', name: 'p1 on', extraCents: 6, pinsSaved: 0, mends: 0 });
    const switched = applyEdit(loud, ways[0]!.edit);
    expect(clashesIn(switched)).toEqual([]);
    expect(of(switched, 'W14', 'W15', 'W16')).toEqual([]);
    // The pin gives 4.3 V over 1 kΩ.
    const nets = netsOf(switched);
    const lead = nets.leads.find(({ terminal }) => terminal.name === 'on')!;
    expect([lead.pin !== null, leadUa(nets, lead)]).toEqual([true, 4_300]);
    expect(billOf(switched).lines.filter(({ kind }) => kind === 'companion')).toMatchObject([
      { eachCents: 6 },
    ]);
    expect(companionsOf(switched)).toMatchObject({ wanted: [{ value: 1_000 }], leftOver: [] });
    const driven = wiringOrder(switched).flatMap(({ leads }) =>
      leads.map((one) => [one.terminal, one.through]),
    );
    expect(driven).toEqual([
      ['minus', 'collector'],
      ['on', 'base'],
    ]);
  });

  it('comes with another way where neither helps alone', () => {
    const keys = Array.from({ length: 22 }, (): ['push-button'] => ['push-button']);
    const full = gadgetOf(small, ['buzzer', { worstUa: 40_000 }], ...keys);
    const ways = waysFor(full);
    expect(ways.map(({ kind }) => kind)).not.toContain('driver');
    const matrix = ways.find(({ kind, id }) => kind === 'scheme' && id === 'matrix')!;
    expect(matrix.drivers).toEqual(['p1 on']);
    const read = applyEdit(full, matrix.edit);
    expect([clashesIn(read), of(read, 'W14', 'W17')]).toEqual([[], []]);
    // A board whose pins give as much needs none.
    for (const { kind, id, drivers } of ways)
      if (kind === 'board')
        expect([id, drivers.length]).toEqual([
          id,
          boards.find((one) => one.id === id)!.pinMaxUa < 40_000 ? 1 : 0,
        ]);
  });

  it('is no less a way out because the cell is weak for the board anyway', () => {
    // The board wants 6.5 V and the cell has 3.7: laid or not, that is so.
    const weak = gadgetOf('board-8bit-70', ['buzzer', { worstUa: 90_000 }], ['cell']);
    expect(of(to(weak, 'p2', 'plus', 'VIN'), 'P04')).toMatchObject([{ level: 'stop' }]);
    expect(waysFor(weak)[0]).toMatchObject({ kind: 'driver', name: 'p1 on', mends: 0 });
  });

  it('mends what was soldered straight to the pin', () => {
    const loud = to(gadgetOf(small, ['buzzer', { worstUa: 40_000 }]), 'p1', 'on', 'P4');
    const [snag] = of(loud, 'W14');
    expect(snag!.mend).toMatchObject({
      key: 'fitCompanion',
      values: { role: 'driver-transistor', ohms: 1_000 },
    });
    const mended = applyEdit(loud, snag!.mend!.edit);
    expect(of(mended, 'W14')).toEqual([]);
    // A resistor that is too small for the pin is found again, and mended with the right one.
    const hot = edited(mended, {
      name: 'decide',
      args: [[{ ...fitted(proposalsFor(mended)[0]!), value: 100 }]],
    });
    expect(of(hot, 'W14')).toMatchObject([{ values: { ua: 43_000, mostUa: 20_000 } }]);
    expect(of(applyEdit(hot, of(hot, 'W14')[0]!.mend!.edit), 'W14')).toEqual([]);
  });

  it('lets a bright light have its current, which then comes from the rail', () => {
    const bright = gadgetOf(small, ['light', { wantUa: 30_000, maxUa: 50_000 }]);
    expect(waysFor(bright).map(({ kind }) => kind)).toEqual(expect.arrayContaining(['current', 'driver']));
    const way = waysFor(bright).find(({ kind }) => kind === 'driver')!;
    const laid = applyEdit(bright, way.edit);
    const ready = edited(laid, { name: 'decide', args: [proposalsFor(laid).map(fitted)] });
    expect(ready.wiring.companions.map(({ role, value }) => [role, value])).toEqual([
      ['driver-transistor', 1_200],
      ['light-resistor', 100],
    ]);
    expect(of(ready, 'W14', 'W15', 'W16')).toEqual([]);
    // Fourteen such lights are 420 mA.
    const many = Array.from({ length: 14 }, (): ['light', Record<string, number>] => [
      'light',
      { wantUa: 30_000, maxUa: 50_000 },
    ]);
    let crowd = gadgetOf(small, ...many);
    crowd = edited(crowd, { name: 'decide', args: [proposalsFor(crowd).map(fitted)] });
    expect(of(wired(crowd), 'W16')).toMatchObject([
      { values: { scope: 'rail', ua: 420_000, mostUa: 400_000 } },
    ]);
  });

  it('stands under a common end, never under each of the lines that share one', () => {
    const mixed = gadgetOf(small, ['rgb-light', { wantUa: 30_000, maxUa: 50_000 }]);
    expect(proposalsFor(mixed).map(({ role }) => role)).not.toContain('driver-transistor');
    const digits = gadgetOf(small, ['seven-segment', { digits: 2, wantUa: 5_000 }]);
    const drivers = proposalsFor(digits).filter(({ role }) => role === 'driver-transistor');
    expect(drivers.map(({ terminal }) => terminal)).toEqual(['digit1', 'digit2']);
    const way = waysFor(digits).find(({ kind }) => kind === 'driver')!;
    expect(way).toMatchObject({ name: 'p1 digit1, p1 digit2', extraCents: 12 });
    const both = applyEdit(digits, way.edit);
    expect(of(wired(both), 'W14', 'W16')).toEqual([]);
  });

  it('is no part of the gadget any more where the pin can do it', () => {
    const loud = gadgetOf(small, ['buzzer', { worstUa: 40_000 }]);
    const switched = applyEdit(loud, waysFor(loud)[0]!.edit);
    const quiet = edited(switched, {
      name: 'changePart',
      args: ['p1', { figures: { ...switched.parts[0]!.figures, worstUa: 9_000 } }],
    });
    expect(companionsOf(quiet)).toMatchObject({ wanted: [], leftOver: [{ role: 'driver-transistor' }] });
  });
});
