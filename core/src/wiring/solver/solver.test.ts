import * as fc from 'fast-check';
import { backtrack } from '../../test/backtracking.ts';
import { frozen } from '../../test/fixtures.ts';
import { explain, solve, type Candidate, type Problem } from './index.ts';

const claimArbitrary = fc.oneof(
  fc.record({
    resource: fc.constantFrom('timer', 'bus'),
    mode: fc.constantFrom('a', 'b', 'c'),
    amount: fc.constant(0),
  }),
  fc.record({ resource: fc.constantFrom('port', 'all'), mode: fc.constant(''), amount: fc.constant(3) }),
);
const candidateArbitrary = (places: number): fc.Arbitrary<Candidate> =>
  fc.record({
    place: fc.integer({ min: 0, max: places - 1 }),
    cost: fc.integer({ min: 0, max: 12 }),
    claims: fc.uniqueArray(claimArbitrary, { maxLength: 2, selector: ({ resource }) => resource }),
  });
/** Small boards with anything on them. */
const problemArbitrary: fc.Arbitrary<Problem> = fc.integer({ min: 1, max: 6 }).chain((places) =>
  fc.record({
    places: fc.constant(places),
    demands: fc
      .array(fc.array(candidateArbitrary(places), { minLength: 1, maxLength: 5 }), {
        minLength: 1,
        maxLength: 6,
      })
      .map((lists) => lists.map((candidates, row) => ({ id: `d${row}`, candidates }))),
    capacity: fc.record({ port: fc.constantFrom(3, 6, 9), all: fc.constantFrom(6, 9, 12) }),
  }),
);

describe('the solver', () => {
  it('finds what trying everything finds, and its choice keeps every rule', () => {
    fc.assert(
      fc.property(problemArbitrary, (problem) => {
        const plain = backtrack(problem);
        const solution = solve(frozen(problem));
        if (plain.cost === null) {
          expect(solution.outcome).toBe('impossible');
          return;
        }
        if (solution.outcome !== 'solved') throw new Error(`expected a solution, got ${solution.outcome}`);
        expect([solution.cost, solution.bound]).toEqual([plain.cost, plain.cost]);
        const chosen = solution.choice.map((index, row) => problem.demands[row]!.candidates[index]!);
        expect(new Set(chosen.map(({ place }) => place)).size).toBe(chosen.length);
        expect(chosen.reduce((sum, { cost }) => sum + cost, 0)).toBe(plain.cost);
        // Tried alone, what was chosen is a solution to the plain search too: it keeps every rule.
        const only = chosen.map((candidate, row) => ({ id: `d${row}`, candidates: [candidate] }));
        expect(backtrack({ ...problem, demands: only }).cost).toBe(plain.cost);
      }),
      { seed: 31, numRuns: 1_500 },
    );
  });

  it('any solution that will do is one', () => {
    fc.assert(
      fc.property(problemArbitrary, (problem) => {
        expect(solve(problem, { anyWillDo: true }).outcome === 'solved').toBe(
          backtrack(problem).cost !== null,
        );
      }),
      { seed: 32, numRuns: 500 },
    );
  });

  it('explains the impossible by a set that holds together as soon as any one of it is left out', () => {
    let explained = 0;
    fc.assert(
      fc.property(problemArbitrary, (problem) => {
        if (solve(problem).outcome !== 'impossible') return;
        explained += 1;
        const { rows, minimal } = explain(problem);
        const can = (some: number[]) =>
          backtrack({ ...problem, demands: some.map((row) => problem.demands[row]!) }).cost !== null;
        expect(minimal).toBe(true);
        expect(can(rows)).toBe(false);
        for (const left of rows) expect(can(rows.filter((row) => row !== left))).toBe(true);
      }),
      { seed: 33, numRuns: 1_500 },
    );
    expect(explained).toBeGreaterThan(200);
  });

  it('says how far it is from proven when it is cut short', () => {
    const claims = (n: number) => [{ resource: `r${n % 3}`, mode: String(n), amount: 0 }];
    const demands = Array.from({ length: 8 }, (_, row) => ({
      id: `d${row}`,
      candidates: Array.from({ length: 10 }, (__, place) => ({
        place,
        cost: (row * 7 + place * 3) % 5,
        claims: place < 6 && row < 6 ? claims(row) : [],
      })),
    }));
    const problem = { places: 10, demands, capacity: {} };
    expect(solve(problem, { maxNodes: 1 }).outcome).toBe('unknown');
    const whole = solve(problem);
    expect(whole).toMatchObject({ cost: backtrack(problem).cost });
  });
});
