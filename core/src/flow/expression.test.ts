import * as fc from 'fast-check';
import type { Variable } from '../gadget/index.ts';
import { compileExpression, constantValue, evaluate } from './expression.ts';
import { compileTemplate, renderTemplate } from './template.ts';
import { ExpressionError, readExpression, readTemplate, showExpression, showTemplate } from './index.ts';
import { expressionRange, longestText } from './range.ts';

const slots: Record<string, number> = { a: 0, b: 1, c: 2 };
const slot = (id: string) => slots[id];
const value = (text: string, values: number[] = [], random: (n: number) => number = () => 0) =>
  evaluate(compileExpression(text, slot), values, random);

/** An expression as text, and its value by 32-bit rules worked out in big integers, independently. */
interface Worked {
  text: string;
  value: bigint;
}
const wrap = (n: bigint) => BigInt.asIntN(32, n);
const truth = (holds: boolean) => (holds ? 1n : 0n);
const binary: Record<string, (a: bigint, b: bigint) => bigint> = {
  '+': (a, b) => a + b, '-': (a, b) => a - b, '*': (a, b) => a * b,
  '/': (a, b) => (b === 0n ? 0n : a / b), '%': (a, b) => (b === 0n ? 0n : a % b),
  '&': (a, b) => a & b, '|': (a, b) => a | b, '^': (a, b) => a ^ b,
  '<<': (a, b) => a << (b & 31n), '>>': (a, b) => a >> (b & 31n),
  '==': (a, b) => truth(a === b), '!=': (a, b) => truth(a !== b),
  '<': (a, b) => truth(a < b), '<=': (a, b) => truth(a <= b), '>': (a, b) => truth(a > b), '>=': (a, b) => truth(a >= b),
  '&&': (a, b) => truth(a !== 0n && b !== 0n), '||': (a, b) => truth(a !== 0n || b !== 0n),
}; // prettier-ignore
const given = [7, -3, 2_000_000_000];
const leaf: fc.Arbitrary<Worked> = fc.oneof(
  fc.integer({ min: 0, max: 2_147_483_647 }).map((n) => ({ text: String(n), value: BigInt(n) })),
  fc.integer({ min: 0, max: 40 }).map((n) => ({ text: String(n), value: BigInt(n) })),
  fc.constantFrom(...['a', 'b', 'c'].map((text, i) => ({ text, value: BigInt(given[i]!) }))),
);
const { worked } = fc.letrec<{ worked: Worked }>((tie) => ({
  worked: fc.oneof(
    { maxDepth: 5, depthSize: 'small' },
    leaf,
    fc
      .tuple(tie('worked'), fc.constantFrom(...Object.keys(binary)), tie('worked'))
      .map(([left, operator, right]) => ({
        text: `(${left.text} ${operator} ${right.text})`,
        value: wrap(binary[operator]!(left.value, right.value)),
      })),
    fc.tuple(fc.constantFrom('-', '!', '~'), tie('worked')).map(([operator, of]) => ({
      text: `${operator}(${of.text})`,
      value: wrap(operator === '-' ? -of.value : operator === '!' ? truth(of.value === 0n) : ~of.value),
    })),
    fc.tuple(tie('worked'), tie('worked'), tie('worked')).map(([test, yes, no]) => ({
      text: `(${test.text} ? ${yes.text} : ${no.text})`,
      value: test.value !== 0n ? yes.value : no.value,
    })),
  ),
}));

describe('expressions', () => {
  it('agree with 32-bit arithmetic worked out in big integers', () => {
    fc.assert(
      fc.property(worked, ({ text, value: expected }) => {
        expect(value(text, given)).toBe(Number(expected));
      }),
      { seed: 9, numRuns: 1_000 },
    );
  });

  it.each([
    ['1 + 2 * 3', 7],
    ['2147483647 + 1', -2_147_483_648],
    ['-7 / 2', -3],
    ['-7 % 2', -1],
    ['1 / 0', 0],
    ['5 % 0', 0],
    ['min(3, -2) + max(1, 4)', 2],
    ['abs(-9)', 9],
    ['clamp(15, 0, 10)', 10],
    ['true && !false', 1],
    ['a > 5 ? b : 1', -3],
  ])('%s is %i', (text, expected) => expect(value(text, given)).toBe(expected));

  it('asks for chance only where it is used, with a positive bound', () => {
    expect(value('random(6)', [], (n) => n - 1)).toBe(5);
    expect(value('random(0) + random(-4)', [], () => 99)).toBe(0);
    expect(value('1 || random(6)', [], () => { throw new Error('asked'); })).toBe(1); // prettier-ignore
  });

  it.each([
    ['', 'got nothing'],
    ['1 +', 'cannot be read'],
    ['1 2', 'operator missing'],
    ['heat', 'expected a variable, got "heat"'],
    ['a = 3', 'cannot be read'],
    ['a === 3', 'got "==="'],
    ['1.5', 'whole number'],
    ['99999999999', 'whole number'],
    ['"text"', 'whole number'],
    ['a.b', 'numbers, variables'],
    ['a[0]', 'numbers, variables'],
    ['this', 'numbers, variables'],
    ['eval(1)', 'expected one of the functions'],
    ['constructor(1)', 'expected one of the functions'],
    ['min(1)', 'expected 2 values in min(), got 1'],
    ['(a)(1)', 'cannot be read|name of a function|expected'],
  ])('refuses %p saying what was expected', (text, message) => {
    expect(() => compileExpression(text, slot)).toThrow(ExpressionError);
    expect(() => compileExpression(text, slot)).toThrow(new RegExp(message.replace(/[()]/g, '\\$&')));
  });

  it('reads garbage without any error but its own', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[ab0-9+\-*/%()<>=!&|?:, {}]{0,30}$/)), (text) => {
        try {
          compileExpression(text, slot);
        } catch (error) {
          expect(error).toBeInstanceOf(ExpressionError);
        }
      }),
      { seed: 10, numRuns: 500 },
    );
  });

  it('knows which are constant', () => {
    expect(constantValue(compileExpression('2 * 3 - 6', slot))).toBe(0);
    expect(constantValue(compileExpression('a - a', slot))).toBeNull();
    expect(constantValue(compileExpression('random(2)', slot))).toBeNull();
  });
});

describe('templates', () => {
  it('fill their gaps', () => {
    expect(renderTemplate(compileTemplate('Heat {a} of {a * 2}!', slot), [21], () => 0)).toBe(
      'Heat 21 of 42!',
    );
    expect(renderTemplate(compileTemplate('plain', slot), [], () => 0)).toBe('plain');
  });
  it('refuse a brace without its partner', () => {
    for (const text of ['Heat {a', 'Heat a}', '{a{b}}'])
      expect(() => compileTemplate(text, slot)).toThrow(ExpressionError);
  });
});

describe('names and ids', () => {
  const variables: Variable[] = [
    { id: 'v1', name: 'heat', initial: 0, min: 0, max: 120 },
    { id: 'v2', name: 'v1', initial: 0, min: -5, max: 9 },
  ];
  it('are each other’s inverse, even where a name looks like an id', () => {
    for (const typed of ['heat + v1', 'min(heat, 3) > v1 && true', 'clamp(v1, 0, heat)'])
      expect(showExpression(readExpression(typed, variables), variables)).toBe(typed);
    expect(readExpression('heat + v1', variables)).toBe('v1 + v2');
    expect(readTemplate('heat {heat}', variables)).toBe('heat {v1}');
    expect(showTemplate('heat {v1}', variables)).toBe('heat {heat}');
  });
  it('refuse an unknown name, naming those there are', () => {
    expect(() => readExpression('wind + 1', variables)).toThrow('expected a variable (heat, v1), got "wind"');
    expect(() => readTemplate('{wind}', variables)).toThrow(ExpressionError);
  });

  it('bound every value an expression can take', () => {
    const bounded: Variable[] = [
      { id: 'a', name: 'a', initial: 0, min: 7, max: 7 },
      { id: 'b', name: 'b', initial: 0, min: -3, max: -3 },
      { id: 'c', name: 'c', initial: 0, min: 2_000_000_000, max: 2_000_000_000 },
    ];
    fc.assert(
      fc.property(worked, ({ text, value: actual }) => {
        const { low, high } = expressionRange(text, bounded);
        expect(Number(actual)).toBeGreaterThanOrEqual(low);
        expect(Number(actual)).toBeLessThanOrEqual(high);
      }),
      { seed: 11, numRuns: 1_000 },
    );
    expect(longestText('Heat {v1}', variables)).toBe('Heat 120'.length);
    expect(longestText('{v1 * 10}{random(100)}', variables)).toBe('1200'.length + 2);
  });
});
