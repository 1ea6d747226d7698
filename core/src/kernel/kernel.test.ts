import * as fc from 'fast-check';
import {
  emptyQueue,
  exactExp,
  keepOnly,
  nextDue,
  noiseAt,
  normalAt,
  schedule,
  takeNext,
  unitAt,
} from './index.ts';

describe('queue', () => {
  it('gives events by time, then in the order of scheduling', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 200 }), (times) => {
        const queue = emptyQueue<number>();
        times.forEach((at, index) => schedule(queue, at, index));
        const sorted = times
          .map((at, index) => ({ at, index }))
          .sort((a, b) => a.at - b.at || a.index - b.index);
        for (const { at, index } of sorted) {
          expect(nextDue(queue)).toBe(at);
          expect(takeNext(queue)).toMatchObject({ at, event: index });
        }
        expect(takeNext(queue)).toBeUndefined();
        expect(nextDue(queue)).toBe(Infinity);
      }),
      { seed: 3 },
    );
  });

  it('gives what is left of it in the same order, whatever was taken out, and takes in more', () => {
    const times = fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: 60 });
    fc.assert(
      fc.property(times, times, fc.integer({ min: 2, max: 5 }), (first, later, nth) => {
        const queue = emptyQueue<number>();
        first.forEach((at, index) => schedule(queue, at, index));
        keepOnly(queue, ({ event }) => event % nth !== 0);
        later.forEach((at, index) => schedule(queue, at, 100 + index));
        const left = [
          ...first.map((at, index) => ({ at, event: index })).filter(({ event }) => event % nth !== 0),
          ...later.map((at, index) => ({ at, event: 100 + index })),
        ].sort((a, b) => a.at - b.at || a.event - b.event);
        expect(left.map(() => takeNext(queue)!)).toMatchObject(left);
        expect(nextDue(queue)).toBe(Infinity);
      }),
      { seed: 5 },
    );
  });

  it('survives JSON in the middle', () => {
    const queue = emptyQueue<string>();
    ['c', 'a', 'b'].forEach((event, index) => schedule(queue, 10 - index, event));
    const copy = JSON.parse(JSON.stringify(queue)) as typeof queue;
    expect([takeNext(copy)!.event, takeNext(copy)!.event, takeNext(copy)!.event]).toEqual(['b', 'a', 'c']);
  });
});

describe('chance', () => {
  it('is the same at the same address and differs between addresses', () => {
    expect(noiseAt(5, 2, 9)).toBe(noiseAt(5, 2, 9));
    const values = new Set<number>();
    for (let seed = 0; seed < 10; seed += 1)
      for (let channel = 0; channel < 10; channel += 1)
        for (let index = 0; index < 10; index += 1) values.add(noiseAt(seed, channel, index));
    expect(values.size).toBe(1_000);
  });

  it('is even, and roughly normal where it says so', () => {
    const n = 20_000;
    const mean = (of: (i: number) => number) =>
      Array.from({ length: n }, (_, i) => of(i)).reduce((a, b) => a + b) / n;
    expect(mean((i) => unitAt(1, 1, i))).toBeCloseTo(0.5, 2);
    expect(mean((i) => normalAt(1, 1, i))).toBeCloseTo(0, 1);
    expect(mean((i) => normalAt(1, 1, i) ** 2)).toBeCloseTo(1, 1);
  });
});

describe('exactExp', () => {
  it('agrees with the host to twelve digits', () => {
    for (let x = -40; x <= 40; x += 0.37) expect(exactExp(x) / Math.exp(x)).toBeCloseTo(1, 11);
  });
});
