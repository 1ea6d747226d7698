import * as fc from 'fast-check';
import { applyEdit, type Edit, type Gadget, blankState, emptyFlow } from '../gadget/index.ts';
import { edited, gadgetOf } from '../test/wiringFixtures.ts';
import { ideal } from '../test/fixtures.ts';
import { Machine, replay, type EntryOf, type Lane, type Stimulus, type TraceEntry } from './index.ts';

/** Four keys in two rows and two columns; each says what it hears. */
function keypad(scheme: string, params: Record<string, number>): Gadget {
  const four = gadgetOf(null, ['push-button'], ['push-button'], ['push-button'], ['push-button']);
  for (const control of four.controls) if (control.kind === 'button') control.contact = ideal;
  const states = {
    ...blankState(),
    id: 's1',
    name: 'Play',
    rules: four.controls.map(({ id }, n) => ({
      id: `r${n + 1}`,
      trigger: { kind: 'gesture' as const, controlId: id, gesture: 'press' as const },
      guard: null,
      actions: [],
      targetIds: [],
      internal: false,
    })),
  };
  const flow = { ...emptyFlow(), initialId: 's1', states: [states] };
  const ids = four.controls.map(({ id }) => id);
  return edited(
    { ...four, flow },
    { name: 'addKeySet', args: [{ name: 'Keys', controlIds: ids, scheme, params, chords: [] }] },
  );
}

const down = (controlId: string, atMs: number): Stimulus => ({ atUs: atMs * 1_000, controlId, what: 'down' });
const up = (controlId: string, atMs: number): Stimulus => ({ atUs: atMs * 1_000, controlId, what: 'up' });
const of = <L extends Lane>(trace: readonly TraceEntry[], lane: L) =>
  trace.filter((entry): entry is EntryOf<L> => entry.lane === lane);

describe('scanning an array', () => {
  const three = [down('b1', 10), down('b2', 30), down('b3', 50), up('b1', 200), up('b2', 210), up('b3', 220)];

  it('three corners press the fourth: a ghost on its lane, and its rule fires', () => {
    const trace = replay(keypad('matrix', { rows: 2 }), three, 400_000, 1);
    expect(of(trace, 'ghost').map(({ atUs, id, level }) => [atUs, id, level])).toEqual([[50_000, 'b4', 1]]);
    expect(of(trace, 'gesture').filter(({ id }) => id === 'b4')).not.toEqual([]);
    expect(of(trace, 'finger').filter(({ id }) => id === 'b4')).toEqual([]);
    expect(of(trace, 'rule').map(({ id }) => id)).toEqual(['r1', 'r2', 'r3', 'r4']);
    expect(of(trace, 'clean').find(({ id, level }) => id === 'b4' && level === 1)).toMatchObject({
      sinceUs: 0,
    });
  });

  it('with a diode at every key there is none', () => {
    const trace = replay(keypad('matrix-diodes', { rows: 2 }), three, 400_000, 1);
    expect(of(trace, 'ghost')).toEqual([]);
    expect(of(trace, 'rule').map(({ id }) => id)).toEqual(['r1', 'r2', 'r3']);
  });

  it('on a ladder one key hides another, and the press that was hidden says so', () => {
    const params = { pullOhms: 10_000, tolerancePerMille: 10, series: 24, adcBits: 10, noiseCounts: 3 };
    const trace = replay(
      keypad('ladder', params),
      [down('b1', 10), down('b3', 50), up('b3', 120), up('b1', 200)],
      400_000,
      1,
    );
    expect(of(trace, 'ghost')).toMatchObject([{ id: 'b3', level: 0, atUs: 50_000 }]);
    expect(of(trace, 'swallowed')).toMatchObject([{ id: 'b3', reason: 'masked' }]);
  });

  it('goes on from any cut as if it had not been cut', () => {
    const gadget = keypad('matrix', { rows: 2 });
    const whole = replay(gadget, three, 400_000, 7);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400_000 }), (cutUs) => {
        const first = new Machine(gadget, 7);
        three.forEach((stimulus) => first.stimulate(stimulus));
        first.advanceTo(cutUs);
        const before = first.takeTrace();
        const second = Machine.restore(gadget, JSON.parse(JSON.stringify(first.snapshot())) as never);
        second.advanceTo(400_000);
        expect([...before, ...second.takeTrace()]).toEqual(whole);
      }),
      { seed: 71, numRuns: 60 },
    );
  });

  it('another scheme is taken over while the gadget runs', () => {
    const gadget = keypad('matrix', { rows: 2 });
    const machine = new Machine(gadget, 1);
    for (const id of ['b1', 'b2', 'b3']) machine.stimulate(down(id, 10));
    machine.advanceTo(100_000);
    machine.takeTrace();
    const edit: Edit = {
      name: 'changeKeySet',
      args: ['k1', { scheme: 'matrix-diodes', params: { rows: 2 } }],
    };
    expect(machine.adopt(applyEdit(gadget, edit)).restarted).toBeNull();
    machine.advanceTo(300_000);
    expect(of(machine.takeTrace(), 'clean')).toMatchObject([{ id: 'b4', level: 0 }]);
  });
});

describe('keys side by side on one line', () => {
  const gadget = keypad('one-line', {});
  const pressed = (trace: readonly TraceEntry[]) =>
    of(trace, 'gesture').flatMap(({ id, gesture, atUs }) =>
      gesture === 'press' ? [[id, atUs / 1_000]] : [],
    );

  it('whichever is pressed, the first is heard, from when the finger moved; none is a ghost', () => {
    const trace = replay(
      gadget,
      [down('b3', 10), up('b3', 100), down('b1', 300), up('b1', 400), down('b2', 600), up('b2', 700)],
      1_000_000,
      1,
    );
    expect(pressed(trace)).toEqual([['b1', 10], ['b1', 300], ['b1', 600]]); // prettier-ignore
    expect(of(trace, 'rule').map(({ id }) => id)).toEqual(['r1', 'r1', 'r1']);
    expect(of(trace, 'clean').map(({ level, sinceUs, extra }) => [level, sinceUs, extra])).toEqual(
      [1, 0, 1, 0, 1, 0].map((level) => [level, 0, false]),
    );
    expect([...of(trace, 'ghost'), ...of(trace, 'swallowed')]).toEqual([]);
  });

  it('a press beside one that is held cannot be told, and says so, in either order', () => {
    for (const [held, late] of [
      ['b1', 'b2'],
      ['b2', 'b1'],
    ] as const) {
      // prettier-ignore
      const hands = [down(held, 10), down(late, 200), up(late, 300), up(held, 500)];
      const trace = replay(gadget, hands, 1_000_000, 1);
      expect(pressed(trace)).toEqual([['b1', 10]]);
      expect(of(trace, 'swallowed')).toMatchObject([{ id: late, reason: 'masked' }]);
      expect(of(trace, 'clean').map(({ level, atUs }) => [level, atUs])).toEqual([[1, 10_000], [0, 500_000]]); // prettier-ignore
    }
  });

  it('a key is cleaned as the one that it is heard as, and a press too short for that is swallowed', () => {
    const slow = applyEdit(gadget, {
      name: 'changeControl',
      args: [
        'b1',
        {
          debounce: {
            algorithm: 'stable',
            params: { settleUs: 50_000, releaseUs: 50_000 },
            wholePort: false,
          },
        },
      ],
    });
    const trace = replay(slow, [down('b2', 10), up('b2', 40), down('b2', 200), up('b2', 300)], 1_000_000, 1);
    expect(of(trace, 'swallowed')).toMatchObject([{ id: 'b2', reason: 'too-short' }]);
    expect(of(trace, 'clean').map(({ level, sinceUs, extra }) => [level, sinceUs, extra])).toEqual([
      [1, 50_000, false],
      [0, 50_000, false],
    ]);
  });

  it('is what one key would be that is down whenever any of them is', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            id: fc.constantFrom('b1', 'b2', 'b3', 'b4'),
            fromMs: fc.integer({ min: 1, max: 900 }),
            forMs: fc.integer({ min: 1, max: 300 }),
          }),
          { maxLength: 8 },
        ),
        (presses) => {
          // A finger that is there already changes nothing: one press at a time of each key.
          const own = presses.filter(
            (one, at) =>
              !presses.some(
                (other, n) =>
                  n < at &&
                  other.id === one.id &&
                  other.fromMs < one.fromMs + one.forMs &&
                  one.fromMs < other.fromMs + other.forMs,
              ),
          );
          const hands = own.flatMap(({ id, fromMs, forMs }) => [down(id, fromMs), up(id, fromMs + forMs)]);
          const sorted = hands.toSorted((a, b) => a.atUs - b.atUs || (a.what === 'up' ? -1 : 1));
          let count = 0;
          const asOne = sorted.flatMap((hand): Stimulus[] => {
            const before = count;
            count += hand.what === 'down' ? 1 : -1;
            return (before === 0) === (count === 0) ? [] : [{ ...hand, controlId: 'b1' }];
          });
          const said = (trace: readonly TraceEntry[]) =>
            of(trace, 'gesture').map(({ atUs, id, gesture }) => `${atUs} ${id} ${gesture}`);
          expect(said(replay(gadget, sorted, 2_000_000, 1))).toEqual(
            said(replay(gadget, asOne, 2_000_000, 1)),
          );
        },
      ),
      { seed: 29, numRuns: 100 },
    );
  });
});
