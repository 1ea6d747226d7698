import * as fc from 'fast-check';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import { emptyFlow, type Gadget, type Variable } from '../gadget/index.ts';
import { button, numberVariable, state } from '../test/fixtures.ts';
import { evaluate, type Surroundings } from './evaluate.ts';
import { compileExpression } from './expression.ts';
import { ExpressionError } from './index.ts';
import { expressionRange, longestText } from './range.ts';
import { scopeOf } from './scope.ts';

const mood: Variable = {
  id: 'v2', kind: 'choice', name: 'mood', saved: null, initialId: 'q1',
  options: [{ id: 'q1', name: 'Calm' }, { id: 'q2', name: 'Wild' }, { id: 'q3', name: 'Out' }],
}; // prettier-ignore
const row: Variable = {
  id: 'v3', kind: 'list', name: 'row', saved: null, initial: 4, min: 3, max: 9, overflow: 'hold', length: 4, columns: 1,
}; // prettier-ignore
const lit: Variable = { id: 'v4', kind: 'flag', name: 'lit', saved: null, initial: false };
const knob = freshKnob({ kind: 'potentiometer', figures: {} }, 'Flame', null, null);
const gadget: Pick<Gadget, 'flow' | 'controls'> = {
  controls: [
    button({ id: 'b1' }),
    { ...knob, id: 'b2', reading: { ...knob.reading, low: 20, high: -5, steps: 26 } },
    { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null), id: 'b3' },
    {
      id: 'b4', kind: 'codes', name: 'Remote', key: null, repeatsEveryUs: 110_000, heldGapUs: 250_000,
      codes: ['k1', 'k2'].map((id, n) => ({ id, name: id, code: n, wrongPerMille: 0, latencyUs: 0 })),
    },
  ],
  flow: {
    ...emptyFlow(),
    variables: [numberVariable({ id: 'v1', min: -7, max: 12 }), mood, row, lit],
    initialId: 's1',
    states: [state('s1'), state('s2')],
  },
}; // prettier-ignore
const scope = scopeOf(gadget);
const bounds = (text: string) => {
  const { low, high } = expressionRange(text, scope);
  return [low, high];
};

describe('what an expression can come to', () => {
  it.each([
    ['value(b1)', 0, 1],
    ['value(b2)', -5, 20],
    ['value(b4)', 0, 2],
    ['v2', 0, 2],
    ['v4 ? 100 : -3', -3, 100],
    // A place outside the list is 0.
    ['v3[v1]', 0, 9],
    ['count(v3, 4)', 0, 4],
    ['(value(b2) / 10) % 1000', 0, 2],
    ['-v1', -12, 7],
    ['!v4', 0, 1],
    ['!5', 0, 0],
    ['!(v1 + 8)', 0, 0],
    ['~v1', -13, 6],
    ['v1 / 0', 0, 0],
    ['v1 % 5', -4, 4],
    ['abs(v1)', 0, 12],
    ['clamp(v1, 0, 5)', 0, 5],
    ['min(v1, 3)', -7, 3],
    ['max(v1, 3)', 3, 12],
    ['random(v1)', 0, 11],
    ['v1 > 12', 0, 0],
    ['v1 >= -7', 1, 1],
    ['v1 == 13 || v1 < -7', 0, 0],
    ['in(s1) && v1 > 20', 0, 0],
    ['2000000000 + 2000000000', -2_147_483_648, 2_147_483_647],
  ])('%s: %p to %p', (text, low, high) => {
    // Toward zero: -5 / 10 is 0.
    expect(bounds(text)).toEqual([low, high]);
  });

  /** What may stand inside something else: everything but a value of a choice, which fits only its own kind. */
  const leaf = fc.oneof(
    fc.integer({ min: -40, max: 40 }).map((n) => (n < 0 ? `(${n})` : String(n))),
    fc.constantFrom(
      'v1',
      'v4',
      'v3[v1]',
      'v3[2]',
      'value(b1)',
      'value(b2)',
      'value(b3)',
      'value(b4)',
      'in(s2)',
    ),
    fc.constantFrom('count(v3, 5)', 'random(6)', 'random(v1)', 'elapsed(s1)'),
  );
  const { whole } = fc.letrec<{ whole: string }>((tie) => ({
    whole: fc.oneof(
      { maxDepth: 4, withCrossShrink: true },
      leaf,
      fc
        .tuple(fc.constantFrom('+', '-', '*', '/', '%', '<', '<=', '>', '>=', '==', '!=', '&&', '||', '&', '|', '^', '<<', '>>'), tie('whole'), tie('whole'))
        .map(([sign, a, b]) => `(${a} ${sign} ${b})`),
      fc.tuple(fc.constantFrom('-', '!', '~'), tie('whole')).map(([sign, a]) => `(${sign}${a})`),
      fc.tuple(tie('whole'), tie('whole'), tie('whole')).map(([a, b, c]) => `(${a} ? ${b} : ${c})`),
      fc.tuple(fc.constantFrom('min', 'max'), tie('whole'), tie('whole')).map(([f, a, b]) => `${f}(${a}, ${b})`),
      fc.tuple(tie('whole'), tie('whole'), tie('whole')).map(([a, b, c]) => `clamp(${a}, ${b}, ${c})`),
      tie('whole').map((a) => `abs(${a})`),
    ),
  })); // prettier-ignore

  const around: fc.Arbitrary<Surroundings> = fc
    .record({
      one: fc.integer({ min: -7, max: 12 }),
      mood: fc.nat(2),
      places: fc.array(fc.integer({ min: 3, max: 9 }), { minLength: 4, maxLength: 4 }),
      lit: fc.nat(1),
      controls: fc.tuple(fc.nat(1), fc.integer({ min: -5, max: 20 }), fc.integer(), fc.nat(2)),
      active: fc.nat(1),
      since: fc.nat(),
      chance: fc.nat(),
    })
    .map((drawn) => ({
      values: [drawn.one, drawn.mood, ...drawn.places, drawn.lit],
      random: (n) => drawn.chance % n,
      active: () => drawn.active,
      elapsed: () => drawn.active * drawn.since,
      carried: [],
      heldMs: () => 0,
      control: (number) => drawn.controls[number]!,
      mishap: () => undefined,
    }));

  let read = 0;
  it('is never narrower than what it comes to, whatever controls, places and chance give', () => {
    fc.assert(
      fc.property(whole, around, (text, surroundings) => {
        let code;
        try {
          code = compileExpression(text, scope, 0);
        } catch (error) {
          // Of unlike kinds, too long or too deep.
          if (!(error instanceof ExpressionError)) throw error;
          return;
        }
        read += 1;
        const [low, high] = bounds(text);
        const value = evaluate(code, surroundings);
        expect(value).toBeGreaterThanOrEqual(low!);
        expect(value).toBeLessThanOrEqual(high!);
        // A text holds it with the characters that were counted for it.
        expect(String(value).length).toBeLessThanOrEqual(longestText(`{${text}}`, gadget));
      }),
      { seed: 44, numRuns: 3_000 },
    );
    // Most of them can be read.
    expect(read).toBeGreaterThan(1_000);
  });
});
