import * as fc from 'fast-check';
import { assign, forbidden } from './assignment.ts';
import { compileProblem } from './compiled.ts';
import { propagate } from './propagate.ts';
import type { Problem } from './problem.ts';

/** Every way of giving rows columns of their own, the cheapest cost; Infinity: none. */
function cheapest(rows: number, columns: number, cost: readonly number[]): number {
  const taken = new Set<number>();
  const from = (row: number): number => {
    if (row === rows) return 0;
    let best = Infinity;
    for (let column = 0; column < columns; column += 1) {
      const pair = cost[row * columns + column]!;
      if (taken.has(column) || pair >= forbidden) continue;
      taken.add(column);
      best = Math.min(best, pair + from(row + 1));
      taken.delete(column);
    }
    return best;
  };
  return from(0);
}

const matrix = fc
  .record({ rows: fc.integer({ min: 1, max: 5 }), columns: fc.integer({ min: 1, max: 6 }) })
  .chain(({ rows, columns }) =>
    fc.record({
      rows: fc.constant(rows),
      columns: fc.constant(columns),
      cost: fc.array(
        fc.oneof({ weight: 3, arbitrary: fc.integer({ min: 0, max: 20 }) }, fc.constant(forbidden)),
        {
          minLength: rows * columns,
          maxLength: rows * columns,
        },
      ),
    }),
  );

describe('the cheapest assignment', () => {
  it('is as cheap as the cheapest of all, and gives every row a column of its own', () => {
    fc.assert(
      fc.property(matrix, ({ rows, columns, cost }) => {
        const found = assign(rows, columns, Float64Array.from(cost));
        const best = cheapest(rows, columns, cost);
        if ('stuck' in found) {
          expect(best).toBe(Infinity);
          return;
        }
        expect(found.cost).toBe(best);
        expect(new Set(found.columns).size).toBe(rows);
      }),
      { seed: 81, numRuns: 1_500 },
    );
  });

  it('names rows that want more columns than there are for them', () => {
    fc.assert(
      fc.property(matrix, ({ rows, columns, cost }) => {
        const found = assign(rows, columns, Float64Array.from(cost));
        if (!('stuck' in found)) return;
        const wanted = new Set(
          found.stuck.flatMap((row) =>
            Array.from({ length: columns }, (_, column) => column).filter(
              (column) => cost[row * columns + column]! < forbidden,
            ),
          ),
        );
        expect(wanted.size).toBeLessThan(found.stuck.length);
      }),
      { seed: 82, numRuns: 1_500 },
    );
  });

  it('is the same when a constant is added to a row', () => {
    fc.assert(
      fc.property(matrix, fc.integer({ min: 1, max: 9 }), ({ rows, columns, cost }, more) => {
        const plain = assign(rows, columns, Float64Array.from(cost));
        const raised = assign(
          rows,
          columns,
          Float64Array.from(cost, (pair, at) => (at < columns && pair < forbidden ? pair + more : pair)),
        );
        if ('stuck' in plain || 'stuck' in raised) expect('stuck' in plain).toBe('stuck' in raised);
        else expect(raised.cost).toBe(plain.cost + more);
      }),
      { seed: 83, numRuns: 500 },
    );
  });
});

describe('plain consequences', () => {
  const claim = (resource: string, mode: string, amount = 0) => ({ resource, mode, amount });
  const all = (problem: Problem) =>
    problem.demands.map(({ candidates }) => new Uint8Array(candidates.length).fill(1));
  const left = (problem: Problem) =>
    propagate(compileProblem(problem), all(problem))?.map((row) => [...row]) ?? null;

  it('a bus that must be on one unit keeps the other unit from its second line', () => {
    const line = (place: number, unit: string) => ({ place, cost: 0, claims: [claim('bus', unit)] });
    expect(
      left({
        places: 4,
        capacity: {},
        demands: [
          { id: 'sda', candidates: [line(0, 'W0')] },
          { id: 'scl', candidates: [line(1, 'W0'), line(2, 'W1')] },
        ],
      }),
    ).toEqual([[1], [1, 0]]);
  });

  it('what must be drawn from a port leaves no room for more, and too much is seen at once', () => {
    const lamp = (place: number, on: boolean) => ({
      place,
      cost: 0,
      claims: on ? [claim('port', '', 8)] : [],
    });
    const demands = [
      { id: 'a', candidates: [lamp(0, true)] },
      { id: 'b', candidates: [lamp(1, true), lamp(2, false)] },
    ];
    expect(left({ places: 3, capacity: { port: 8 }, demands })).toEqual([[1], [0, 1]]);
    expect(left({ places: 3, capacity: { port: 16 }, demands })).toEqual([[1], [1, 1]]);
    expect(left({ places: 3, capacity: { port: 7 }, demands })).toBeNull();
  });

  it('two demands that force one resource into two modes cannot hold together', () => {
    const timer = (place: number, mode: string) => ({ place, cost: 0, claims: [claim('timer', mode)] });
    expect(
      left({
        places: 2,
        capacity: {},
        demands: [
          { id: 'tone', candidates: [timer(0, 'tone')] },
          { id: 'lamp', candidates: [timer(1, 'pwm')] },
        ],
      }),
    ).toBeNull();
  });
});
