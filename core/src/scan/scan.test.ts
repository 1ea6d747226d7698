import * as fc from 'fast-check';
import {
  bestRows,
  chooseLadder,
  ladderGap,
  ladderLevel,
  ladderYield,
  keyPlaces,
  keysOf,
  matrixCircuit,
  readKeys,
  schemeOf,
  schemes,
  standardAtLeast,
  standardOhms,
  trulyTogether,
  type Circuit,
} from './index.ts';

type Lines = Extract<Circuit, { kind: 'lines' }>;

/**
 * Independent of the scan: which keys a matrix without diodes reads is which rows and columns one piece of the graph of
 * pressed keys holds, by union and find.
 */
function byConnection({ lines, keys }: Lines, pressed: boolean[]): boolean[] {
  const above = Array.from({ length: lines }, (_, line) => line);
  const root = (line: number): number => (above[line] === line ? line : root(above[line]!));
  keys.forEach(({ drive, sense }, key) => {
    if (pressed[key]) above[root(drive)] = root(sense);
  });
  return keys.map(({ drive, sense }) => root(drive) === root(sense) && pressed.some((down) => down));
}

const pressedOf = (keys: number, seed: number) =>
  Array.from({ length: keys }, (_, key) => ((seed >> key) & 1) === 1);
const sizes = fc.record({ keys: fc.integer({ min: 1, max: 16 }), rows: fc.integer({ min: 1, max: 5 }) });

describe('reading keys through the circuit', () => {
  it('a matrix without diodes reads what is connected, ghosts included', () => {
    fc.assert(
      fc.property(sizes, fc.integer({ min: 0, max: 65_535 }), ({ keys, rows }, seed) => {
        const circuit = matrixCircuit(keys, rows, false, 5_000) as Lines;
        const pressed = pressedOf(keys, seed);
        // A single key pressed alone connects only its own two lines.
        expect(readKeys(circuit, pressed)).toEqual(byConnection(circuit, pressed));
      }),
      { seed: 41, numRuns: 800 },
    );
  });

  it('three corners of a rectangle close the fourth, and a diode at every key stops that', () => {
    const corner = [true, true, true, false];
    expect(readKeys(matrixCircuit(4, 2, false, 5_000), corner)).toEqual([true, true, true, true]);
    expect(readKeys(matrixCircuit(4, 2, true, 5_000), corner)).toEqual(corner);
  });

  it('with a diode at every key any keys read truly', () => {
    fc.assert(
      fc.property(sizes, fc.integer({ min: 0, max: 65_535 }), ({ keys, rows }, seed) => {
        const pressed = pressedOf(keys, seed);
        expect(readKeys(matrixCircuit(keys, rows, true, 5_000), pressed)).toEqual(pressed);
      }),
      { seed: 42, numRuns: 400 },
    );
  });

  it('charlieplexed keys in a chain read falsely where the supply lets two diodes through', () => {
    const at = (supplyMv: number) => schemeOf('charlieplex').circuit(6, {}, supplyMv) as Lines;
    // Lines 1 and 2, 2 and 3: together they look like 1 and 3.
    const chain = at(5_000).keys.map(
      ({ drive, sense }) => (drive === 0 && sense === 1) || (drive === 1 && sense === 2),
    );
    const falsely = (circuit: Lines) =>
      readKeys(circuit, chain).filter((read, key) => read && !chain[key]).length;
    expect([falsely(at(5_000)), falsely(at(3_300))]).toEqual([1, 0]);
    expect([trulyTogether(at(5_000)), trulyTogether(at(3_300))]).toEqual([1, 6]);
  });

  it('how many keys read truly together is what trying every set says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...schemes.map(({ id }) => id)),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(3_300, 5_000),
        (id, keys, supplyMv) => {
          const scheme = schemeOf(id);
          const circuit = scheme.circuit(keys, scheme.defaults(keys), supplyMv);
          expect(keysOf(circuit)).toBe(keys);
          let most = keys;
          for (let set = 1; set < 2 ** keys; set += 1) {
            const pressed = pressedOf(keys, set);
            const count = pressed.filter((down) => down).length;
            if (count <= most && readKeys(circuit, pressed).some((read, key) => read !== pressed[key]))
              most = count - 1;
          }
          expect(trulyTogether(circuit)).toBe(most);
        },
      ),
      { seed: 43, numRuns: 60 },
    );
  });

  it('takes as few lines as can be', () => {
    const lines = (id: string, keys: number) => schemeOf(id).lines(keys, schemeOf(id).defaults(keys)).length;
    expect([12, 16, 20, 50].map((keys) => lines('matrix', keys))).toEqual([7, 8, 9, 15]);
    expect([12, 20, 50].map((keys) => lines('charlieplex', keys))).toEqual([4, 5, 8]);
    expect(bestRows(12)).toBe(3);
  });
});

describe('a resistor ladder', () => {
  const figures = (tolerancePerMille: number) => ({
    pullOhms: 10_000,
    tolerancePerMille,
    adcBits: 10,
    noiseCounts: 3,
  });
  const round = (value: number) => Math.round(value * 10) / 10;

  it('has the levels of the worked example', () => {
    const nominal = [0, 2_200, 5_600, 12_000, 33_000].map((ohms) =>
      round(ladderLevel(ohms, figures(10)).nominal),
    );
    expect(nominal).toEqual([0, 184.5, 367.2, 558, 785.1]);
    const span = (tolerance: number) => {
      const { low, high } = ladderLevel(5_600, figures(tolerance));
      return [round(low), round(high)];
    };
    expect(span(10)).toEqual([362.5, 372]);
    expect(span(50)).toEqual([344, 391.1]);
  });

  it('reads two keys together as their resistors in parallel', () => {
    const circuit: Circuit = {
      kind: 'ladder',
      figures: { ...figures(10), ohms: [0, 2_200, 5_600, 12_000, 33_000] },
    };
    // 12 k beside 33 k is 8.8 k: 479 counts, nearer to 12 k.
    expect(readKeys(circuit, [false, false, false, true, true])).toEqual([false, false, false, true, false]);
    expect(readKeys(circuit, [true, false, false, false, true])).toEqual([true, false, false, false, false]);
    expect(readKeys(circuit, [false, false, false, false, false])).toEqual([
      false,
      false,
      false,
      false,
      false,
    ]);
    expect(trulyTogether(circuit)).toBe(1);
  });

  it('is chosen for the largest worst-case gap that any standard values have', () => {
    // Three keys from one decade and a half, tried one by one.
    const values = [0, ...standardOhms(12)];
    let best = -Infinity;
    for (let a = 0; a < values.length; a += 1)
      for (let b = a + 1; b < values.length; b += 1)
        for (let c = b + 1; c < values.length; c += 1)
          best = Math.max(best, ladderGap({ ...figures(50), ohms: [values[a]!, values[b]!, values[c]!] }));
    const chosen = chooseLadder(3, figures(50), 12)!;
    expect(chosen.gapCounts).toBeCloseTo(best, 6);
    expect(chosen.gapCounts).toBeCloseTo(ladderGap(chosen.figures), 9);
  });

  it('gives more keys less room, and none where tolerance eats it', () => {
    const gaps = [2, 4, 6, 8, 10, 12].map((keys) => chooseLadder(keys, figures(10), 24)!.gapCounts);
    expect([...gaps].sort((a, b) => b - a)).toEqual(gaps);
    expect(chooseLadder(24, figures(200), 12)).toBeNull();
  });

  it('builds of good resistors all work, of bad ones some do not, and the same ones every time', () => {
    const good = chooseLadder(5, figures(10), 24)!.figures;
    expect(ladderYield(good, 1)).toEqual({ good: 2_000, of: 2_000 });
    const crowded = { ...chooseLadder(12, figures(10), 24)!.figures, tolerancePerMille: 150 };
    const { good: some } = ladderYield(crowded, 1);
    expect(some).toBeLessThan(2_000);
    expect(ladderYield(crowded, 1).good).toBe(some);
  });

  it('takes the next standard value above', () => {
    expect([375, 390, 391, 8, 999_999].map(standardAtLeast)).toEqual([390, 390, 470, 10, 1_000_000]);
  });
});

describe('schemes', () => {
  it.each(schemes.map((scheme) => [scheme.id, scheme] as const))('%s keeps its manners', (_id, scheme) => {
    for (const keys of [1, 2, 5, 12, 24]) {
      const params = scheme.params.parse(scheme.defaults(keys));
      const names = scheme.lines(keys, params).map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
      expect(keysOf(scheme.circuit(keys, params, 3_300))).toBe(keys);
      expect(scheme.scanUs(keys, params)).toBeGreaterThan(0);
      expect(scheme.parts(keys, params).every(({ quantity }) => quantity > 0)).toBe(true);
    }
    const set = {
      id: 'k1',
      name: 'Keys',
      controlIds: ['b1', 'b2', 'b3', 'b4', 'b5'],
      scheme: scheme.id,
      chords: [],
    };
    const places = keyPlaces({ ...set, params: scheme.defaults(5) });
    // Every key has a place, and no two have the same, unless that is the point.
    expect(places.map(({ controlId }) => controlId)).toEqual(set.controlIds);
    expect(new Set(places.map(({ controlId: _id, ...place }) => JSON.stringify(place))).size).toBe(
      scheme.id === 'one-line' ? 1 : 5,
    );
    expect(keyPlaces({ ...set, controlIds: [], params: scheme.defaults(0) })).toEqual([]);
    // One key at a time is always read truly.
    const one = [true, false, false, false];
    expect(readKeys(scheme.circuit(4, scheme.defaults(4), 5_000), one)).toEqual(one);
  });
});
