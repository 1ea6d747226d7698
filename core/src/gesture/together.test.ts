import * as fc from 'fast-check';
import { human, type Chord } from '../gadget/index.ts';
import { frozen, gestures } from '../test/fixtures.ts';
import {
  nextTogetherUs,
  nothingTogether,
  onKey,
  onWindow,
  triedSeed,
  tryTaps,
  tryTogether,
  type TogetherAnswer,
} from './index.ts';

const chord = (patch: Partial<Chord> = {}): Chord => ({
  id: 'c1',
  name: 'Both',
  controlIds: ['b1', 'b2'],
  windowUs: 60_000,
  ordered: false,
  holdUs: null,
  waits: true,
  ...patch,
});

type Move = [ms: number, key: string, level: 0 | 1];

/** Plays keys and gathers what goes on: `key+`, `key-` and chords, with their ms. */
function played(chords: Chord[], moves: Move[], endMs = 9_999): string[] {
  const out: string[] = [];
  let state = frozen(nothingTogether);
  const take = (answer: TogetherAnswer, us: number) => {
    state = frozen(answer.state);
    for (const { controlId, level } of answer.pass)
      out.push(`${controlId}${level === 1 ? '+' : '-'}@${us / 1_000}`);
    for (const id of answer.chords) out.push(`${id}@${us / 1_000}`);
  };
  const until = (us: number) => {
    for (;;) {
      const dueUs = nextTogetherUs(state);
      if (dueUs === null || dueUs > us) return;
      take(onWindow(state, chords, dueUs), dueUs);
    }
  };
  for (const [ms, key, level] of moves) {
    until(ms * 1_000);
    take(onKey(state, chords, key, level, ms * 1_000), ms * 1_000);
  }
  until(endMs * 1_000);
  return out;
}

describe('keys together', () => {
  it('within the window are one chord, and say nothing of their own', () => {
    expect(
      played(
        [chord()],
        [
          [0, 'b1', 1],
          [40, 'b2', 1],
          [200, 'b2', 0],
          [210, 'b1', 0],
        ],
      ),
    ).toEqual(['c1@40']);
  });
  it('alone come through once the window has passed, or at once where the key is let go', () => {
    expect(
      played(
        [chord()],
        [
          [0, 'b1', 1],
          [200, 'b1', 0],
        ],
      ),
    ).toEqual(['b1+@60', 'b1-@200']);
    expect(
      played(
        [chord()],
        [
          [0, 'b1', 1],
          [30, 'b1', 0],
        ],
      ),
    ).toEqual(['b1+@30', 'b1-@30']);
  });
  it('further apart than the window are two singles', () => {
    expect(
      played(
        [chord()],
        [
          [0, 'b1', 1],
          [90, 'b2', 1],
          [200, 'b1', 0],
          [210, 'b2', 0],
        ],
      ),
    ).toEqual(
      ['b1+@60', 'b2+@150', 'b1-@200', 'b2-@210'], // prettier-ignore
    );
  });
  it('that do not wait say their presses first', () => {
    expect(
      played(
        [chord({ waits: false })],
        [
          [0, 'b1', 1],
          [40, 'b2', 1],
          [90, 'b1', 0],
          [95, 'b2', 0],
        ],
      ),
    ).toEqual(
      ['b1+@0', 'b2+@40', 'c1@40', 'b1-@90', 'b2-@95'], // prettier-ignore
    );
  });
  it('in order count only in that order', () => {
    const ordered = [chord({ ordered: true })];
    expect(
      played(ordered, [
        [0, 'b1', 1],
        [40, 'b2', 1],
      ]),
    ).toContain('c1@40');
    expect(
      played(ordered, [
        [0, 'b2', 1],
        [40, 'b1', 1],
      ]),
    ).not.toContain('c1@40');
  });
  it('held together count after their hold, or come through as singles where one lets go', () => {
    const held = [chord({ holdUs: 500_000 })];
    expect(
      played(held, [
        [0, 'b1', 1],
        [20, 'b2', 1],
        [900, 'b1', 0],
        [910, 'b2', 0],
      ]),
    ).toEqual(['c1@520']);
    expect(
      played(held, [
        [0, 'b1', 1],
        [20, 'b2', 1],
        [300, 'b1', 0],
        [400, 'b2', 0],
      ]),
    ).toEqual(
      ['b1+@300', 'b2+@300', 'b1-@300', 'b2-@400'], // prettier-ignore
    );
  });
  it('that no chord wants pass through untouched', () => {
    expect(
      played(
        [chord()],
        [
          [0, 'b7', 1],
          [5, 'b7', 0],
        ],
      ),
    ).toEqual(['b7+@0', 'b7-@5']);
  });
  it('never lose a press and never let one go that was not pressed', () => {
    const moves = fc.array(fc.tuple(fc.integer({ min: 1, max: 90 }), fc.constantFrom('b1', 'b2', 'b3')), {
      maxLength: 24,
    });
    const chords = fc
      .tuple(fc.boolean(), fc.boolean(), fc.option(fc.constant(80_000)))
      .map(([ordered, waits, holdUs]) => [
        chord({ ordered, waits, holdUs }),
        chord({ id: 'c2', controlIds: ['b2', 'b3'], windowUs: 30_000, waits }),
      ]);
    fc.assert(
      fc.property(chords, moves, (given, gaps) => {
        let ms = 0;
        const level: Record<string, 0 | 1> = {};
        const script = gaps.map(([gap, key]): Move => {
          ms += gap;
          level[key] = level[key] === 1 ? 0 : 1;
          return [ms, key, level[key]];
        });
        const down = new Set<string>();
        for (const one of played(given, script)) {
          const [key, sign] = [one.slice(0, 2), one[2]];
          if (sign === '+') {
            expect(down.has(key)).toBe(false);
            down.add(key);
          } else if (sign === '-') expect(down.delete(key)).toBe(true);
        }
        // What is held still says so, unless a chord took it.
        for (const key of down) expect(level[key]).toBe(1);
      }),
      { seed: 61, numRuns: 400 },
    );
  });
});

describe('tried on hands', () => {
  it('a hold threshold inside an ordinary tap catches taps, one beyond it hardly any', () => {
    const asHold = (holdUs: number) => tryTaps(gestures({ holdUs }), human, triedSeed, 1_000).asHold;
    expect(asHold(110_000)).toBeGreaterThan(300);
    expect(asHold(human.longTapUs)).toBeLessThan(30);
    expect(asHold(human.holdFeltUs)).toBeLessThan(10);
  });
  it('a double window shorter than the repeat of hands splits doubles, a long one joins taps', () => {
    const tried = (doubleWindowUs: number) => tryTaps(gestures({ doubleWindowUs }), human, triedSeed, 1_000);
    expect(tried(60_000).doublesSplit).toBeGreaterThan(500);
    expect(tried(400_000)).toMatchObject({ doublesSplit: 0 });
    expect(tried(900_000).tapsJoined).toBeGreaterThan(500);
  });
  it('a window of as much as hands lie apart splits hardly any chord, a tenth of it most', () => {
    const split = (windowUs: number) => tryTogether(chord({ windowUs }), human, triedSeed, 1_000).split;
    expect(split(2 * human.togetherUs)).toBeLessThan(5);
    expect(split(human.togetherUs / 10)).toBeGreaterThan(500);
  });
});
