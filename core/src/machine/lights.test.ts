import * as fc from 'fast-check';
import { addPartEdit, figuresEdit } from '../drawer/index.ts';
import { applyEdit, emptyGadget, type Gadget, type OutputOf } from '../gadget/index.ts';
import { pictureAt } from '../lights/index.ts';
import { figuresOf, kindOf, priceOf } from '../parts/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { Machine, outputStateOf, type TraceEntry } from './index.ts';

/* Lights by number, told in the words that a maker types; pictures worked out by hand. */

const ring = (count = 12) => outputOf('lights', 'Ring', { pixels: count }) as OutputOf<'lights'>;
type Told = readonly (readonly [atMs: number, text: string])[];

function played(gadget: Gadget, untilMs: number) {
  const machine = new Machine(gadget, 1);
  machine.advanceTo(untilMs * 1_000);
  const state = outputStateOf(machine.shown.outputs, 'lights', 'o1')!;
  return { state, trace: machine.takeTrace(), machine };
}
/** Colours of all lights at a moment, as six digits each. */
const pictured = (told: Told, atMs: number, count = 12): string[] => {
  const { state } = played(toldGadget(ring(count), told), atMs);
  return pictureAt(state, atMs * 1_000).map((colour) => colour.toString(16).padStart(6, '0'));
};
const run = (...pairs: [times: number, colour: string][]): string[] =>
  pairs.flatMap(([times, colour]) => Array<string>(times).fill(colour));

describe('lights by number', () => {
  it.each<[string, Told, number, string[]]>([
    ['one', [[10, 'Ring paint 3 red']], 20, run([3, '000000'], [1, 'ff0000'], [8, '000000'])],
    ['a range, both ends included', [[10, 'Ring paint 2 to 4 blue']], 20, run([2, '000000'], [3, '0000ff'], [7, '000000'])],
    ['all at a level', [[10, 'Ring paint all white at 40']], 20, run([12, '666666'])],
    ['a level held inside', [[10, 'Ring paint all green at 250']], 20, run([12, '00ff00'])],
    ['mixed channels, held inside', [[10, 'Ring mix 0, 300, 17, 0 - 5']], 20, run([1, 'ff1100'], [11, '000000'])],
    ['a hue between red and yellow', [[10, 'Ring hue all, 30']], 20, run([12, 'ff7f00'])],
    ['a hue the other way round', [[10, 'Ring hue 0, 0 - 120 at 50']], 20, run([1, '000080'], [11, '000000'])],
    ['filled up to a number', [[10, 'Ring fill 2 to 7, 4 amber']], 20, run([2, '000000'], [4, 'ff8000'], [6, '000000'])],
    ['filled beyond its end', [[10, 'Ring fill 2 to 3, 40 red']], 20, run([2, '000000'], [2, 'ff0000'], [8, '000000'])],
    ['a pattern over the length', [[10, 'Ring pattern 1 to 6 "#.." cyan']], 20, run([1, '000000'], [1, '00ffff'], [2, '000000'], [1, '00ffff'], [7, '000000'])],
    ['going round', [[10, 'Ring paint 11 red'], [20, 'Ring rotate all, 2']], 30, run([1, '000000'], [1, 'ff0000'], [10, '000000'])],
    ['going round backwards', [[10, 'Ring paint 0 red'], [20, 'Ring rotate all, 0 - 1']], 30, run([11, '000000'], [1, 'ff0000'])],
    ['moving on, leaving dark', [[10, 'Ring paint all red'], [20, 'Ring shift 0 to 5, 2']], 30, run([2, '000000'], [10, 'ff0000'])],
  ])('%s', (_what, told, atMs, colours) => {
    expect(pictured(told, atMs)).toEqual(colours);
  }); // prettier-ignore

  it('blinks in the colours that it has, lit for half of each period', () => {
    const told: Told = [
      [10, 'Ring paint 0 to 1 red'],
      [20, 'Ring blink 1 to 2 every 100 ms'],
    ];
    expect(pictured(told, 60).slice(0, 3)).toEqual(['ff0000', 'ff0000', '000000']);
    expect(pictured(told, 80).slice(0, 3)).toEqual(['ff0000', '000000', '000000']);
    expect(pictured(told, 130).slice(0, 3)).toEqual(['ff0000', 'ff0000', '000000']);
    // What is painted over no longer blinks.
    expect(pictured([...told, [30, 'Ring paint 1 blue']], 80)[1]).toBe('0000ff');
  });

  it('fades through several colours over a length that is worked out, in whole numbers', () => {
    const told: Told = [
      [0, 'Ring paint 0 red'],
      [10, 'Ring fade 0 blue, off over (100 * 2) ms'],
    ];
    const at = (ms: number) => pictured(told, ms, 1)[0];
    // Two stages of 100 ms: red to blue, blue to dark.
    expect([at(10), at(60), at(110), at(160), at(210), at(900)]).toEqual([
      'ff0000',
      '80007f',
      '0000ff',
      '000080',
      '000000',
      '000000',
    ]);
  });

  it('lights nothing outside, and says so', () => {
    const { trace, state } = played(
      toldGadget(ring(), [
        [10, 'Ring paint 12 red'],
        [20, 'Ring paint 3 to 12 red'],
        [30, 'Ring paint 5 to 2 red'],
        [40, 'Ring paint 0 - 1 red'],
      ]),
      50,
    );
    expect(trace.filter(({ lane }) => lane === 'outside')).toEqual([
      { atUs: 10_000, lane: 'outside', id: 'o1', first: 12, last: 12 },
      { atUs: 20_000, lane: 'outside', id: 'o1', first: 3, last: 12 },
      { atUs: 30_000, lane: 'outside', id: 'o1', first: 5, last: 2 },
      { atUs: 40_000, lane: 'outside', id: 'o1', first: -1, last: -1 },
    ]);
    expect(state.steady).toBe('0'.repeat(72));
  });

  it('writes one entry for each thing told, however many lights, and none where nothing changes', () => {
    const { trace } = played(
      toldGadget(ring(256), [
        [10, 'Ring paint all red'],
        [20, 'Ring paint all red'],
        [30, 'Ring paint 255 blue'],
      ]),
      40,
    );
    expect(trace.filter(({ lane }) => lane === 'lights')).toEqual([
      { atUs: 10_000, lane: 'lights', id: 'o1', first: 0, runs: [256, 0xff0000] },
      { atUs: 30_000, lane: 'lights', id: 'o1', first: 255, runs: [1, 0x0000ff] },
    ]);
  });

  it('made in one colour, keeps it, as bright as was asked for', () => {
    const amber = { ...ring(), colour: 'amber' as const };
    const { state } = played(toldGadget(amber, [[10, 'Ring paint 0 blue at 50']]), 20);
    expect(state.steady.slice(0, 12)).toBe('804000000000');
  });

  it('stays under four kilobytes, whatever goes on', () => {
    const range = fc.tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }));
    const colours = fc.constantFrom('violet, white, amber, cyan, blue, red', 'red');
    fc.assert(
      fc.property(fc.array(fc.tuple(range, colours, fc.boolean()), { maxLength: 40 }), (many) => {
        const told = many.map(([[a, b], through, fades], n): [number, string] => {
          const place = `${Math.min(a, b)} to ${Math.max(a, b)}`;
          return [n, fades ? `Ring fade ${place} ${through} over 60 s` : `Ring blink ${place} every 333 ms`];
        });
        const { state } = played(toldGadget(ring(256), told), 50);
        expect(JSON.stringify(state).length).toBeLessThan(4_096);
        for (const [n, one] of state.going.entries())
          for (const other of state.going.slice(n + 1))
            expect(one.last < other.first || other.last < one.first).toBe(true);
      }),
      { seed: 11, numRuns: 25 },
    );
  });

  it('is the same picture however its ranges are cut', () => {
    const paints = fc.array(
      fc.tuple(
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 0, max: 11 }),
        fc.constantFrom('red', 'blue', 'off'),
      ),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(paints, (many) => {
        const ordered = many.map(([a, b, colour]) => [Math.min(a, b), Math.max(a, b), colour] as const);
        const whole = ordered.map(([a, b, colour], n): [number, string] => [
          n + 1,
          `Ring paint ${a} to ${b} ${colour}`,
        ]);
        const single = ordered.map(([a, b, colour], n): [number, string] => {
          const each = Array.from({ length: b - a + 1 }, (_, k) => `Ring paint ${a + k} ${colour}`);
          return [n + 1, each.join('; ')];
        });
        expect(pictured(whole, 20)).toEqual(pictured(single, 20));
      }),
      { seed: 12, numRuns: 30 },
    );
  });

  it('goes dark with the power, and tells it once', () => {
    const gadget = toldGadget(ring(), [[10, 'Ring paint all red']]);
    const machine = new Machine(gadget, 1);
    machine.stimulate({ atUs: 50_000, controlId: 'gadget', what: 'power', event: 'cycle' });
    machine.advanceTo(55_000);
    const told = machine
      .takeTrace()
      .filter((entry): entry is Extract<TraceEntry, { lane: 'lights' }> => entry.lane === 'lights');
    expect(told.map(({ runs }) => runs)).toEqual([
      [12, 0xff0000],
      [12, 0],
    ]);
  });
});

describe('their parts', () => {
  const added = (kind: string, figures: Record<string, number> = {}) =>
    applyEdit(emptyGadget('Bench'), addPartEdit(emptyGadget('Bench'), kind, { figures }));

  it('bring as many lights as they have, and a change of the number goes along', () => {
    const gadget = added('light-chain', { pixels: 12 });
    expect(gadget.outputs).toMatchObject([{ kind: 'lights', count: 12, shape: 'ring', colour: null }]);
    const longer = applyEdit(gadget, figuresEdit(gadget, gadget.parts[0]!, { pixels: 24 }));
    expect(longer.outputs).toMatchObject([{ kind: 'lights', count: 24, id: 'o1' }]);
    expect(added('light-matrix', { rows: 3, columns: 5 }).outputs).toMatchObject([
      { count: 15, shape: 'grid', columns: 5, colour: 'amber' },
    ]);
    // Four lines carry 4 × 3.
    expect(added('lights-on-shared-lines', { lines: 4 }).outputs).toMatchObject([{ count: 12 }]);
  });

  it('cost, draw and take time by their number', () => {
    const said = (kind: string, figures: Record<string, number>) => {
      const part = { kind, figures, priceCents: null };
      const all = figuresOf(part);
      const readings = kindOf(part).readings!(all).map(({ id, value }) => [id, value]);
      return { ...Object.fromEntries(readings), cents: priceOf(part), ...kindOf(part).draws(all) };
    };
    // reckoning, Lights by number: 16 lights 0.48 ms; Electric: 24 pixels 1.44 A and 0.72 ms.
    expect(said('light-chain', { pixels: 16 })).toMatchObject({ data: 480, deaf: 480, cents: 320 });
    expect(said('light-chain', { pixels: 24 })).toMatchObject({ data: 720, worstUa: 1_440_000 });
    expect(said('light-chain', { pixels: 8 }).worstUa * 2).toBe(said('light-chain', { pixels: 16 }).worstUa);
    expect(said('light-chain', { interruptsOff: 0 })).not.toHaveProperty('deaf');
    // 8 × 8 at 20 mA: an eighth of the time, 2.5 mA a light, 160 mA a row, 1.25 ms a row at 100 a second.
    expect(said('light-matrix', { rows: 8, columns: 8, peakUa: 20_000 })).toMatchObject({
      share: 125,
      average: 2_500,
      line: 160_000,
      lineTime: 1_250,
    });
  });
});
