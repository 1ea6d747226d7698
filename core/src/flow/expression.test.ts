import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { emptyFlow, type Gadget, type Variable } from '../gadget/index.ts';
import { button, numberVariable, state } from '../test/fixtures.ts';
import { bare, constantValue, evaluate } from './evaluate.ts';
import { compileExpression, compileTyped } from './expression.ts';
import { ExpressionError, readExpression, readTemplate, showExpression, showTemplate } from './index.ts';
import { nearest } from './nearest.ts';
import { expressionRange, longestText } from './range.ts';
import { scopeOf } from './scope.ts';
import { compileTemplate, renderTemplate } from './template.ts';
import { checkFits } from './types.ts';

const named = (variables: Variable[]): Pick<Gadget, 'flow' | 'controls'> => ({
  controls: [button({ id: 'b1', name: 'Big stir' }), button({ id: 'b2', name: 'Back', key: null })],
  flow: {
    ...emptyFlow(),
    variables,
    initialId: 's1',
    states: [state('s1', { name: 'Ready' }), state('s2', { name: 'Boil over', parentId: null })],
  },
});
const wide = { min: -2_147_483_648, max: 2_147_483_647 };
const three = ['a', 'b', 'c'].map((id) => numberVariable({ id, name: id, ...wide }));
const choice: Variable = {
  id: 'v4', kind: 'choice', name: 'mode', saved: null, initialId: 'q1',
  options: [{ id: 'q1', name: 'Soft' }, { id: 'q2', name: 'Loud' }],
}; // prettier-ignore
const list: Variable = {
  id: 'v5', kind: 'list', name: 'lane', saved: null, initial: 0, min: 0, max: 9, overflow: 'hold', length: 3, columns: 1,
}; // prettier-ignore
const lamp: Variable = { id: 'v6', kind: 'flag', name: 'lit', saved: null, initial: false };
const rich = named([...three, choice, list, lamp]);
const value = (text: string, values: number[] = [], random: (n: number) => number = () => 0) =>
  evaluate(compileExpression(text, scopeOf(rich)), bare(values, random));

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

/** Random expressions without brackets that are not needed: what binds tighter must come out by itself. */
const loose: fc.Arbitrary<string> = fc
  .array(
    fc.tuple(
      fc.constantFrom('', '-', '!', '~'),
      fc.oneof(fc.nat(50).map(String), fc.constantFrom('a', 'b', 'c')),
      fc.constantFrom('+', '-', '*', '&', '|', '^', '==', '!=', '<', '<=', '>', '>=', '&&', '||'),
    ),
    { minLength: 1, maxLength: 9 },
  )
  .map((parts) =>
    parts
      .map(([sign, term, operator], at) => `${sign}${term}${at < parts.length - 1 ? ` ${operator} ` : ''}`)
      .join(''),
  );

describe('expressions', () => {
  it('give the same for a variable and a number, however the number is written', () => {
    const operators = ['<', '<=', '>', '>=', '==', '!=', '+', '-', '*', '/', '%', '&', '<<'];
    const edge = fc.oneof(fc.integer(), fc.constantFrom(0, 1, 2_147_483_647, -2_147_483_648));
    fc.assert(
      fc.property(edge, fc.nat(), fc.constantFrom(...operators), (a, b, operator) => {
        expect(value(`a ${operator} ${b}`, [a])).toBe(value(`(a + 0) ${operator} (${b} + 0)`, [a]));
      }),
      { seed: 19, numRuns: 400 },
    );
    expect(value('a + 1', [2_147_483_647])).toBe(-2_147_483_648);
    expect(value('a - 2', [-2_147_483_648])).toBe(2_147_483_646);
  });
  it('agree with 32-bit arithmetic worked out in big integers', () => {
    fc.assert(
      fc.property(worked, ({ text, value: expected }) => {
        expect(value(text, given)).toBe(Number(expected));
      }),
      { seed: 9, numRuns: 1_000 },
    );
  });

  it('agree with compiled C, precedence and all', () => {
    const texts = [
      ...fc.sample(loose, { seed: 31, numRuns: 400 }),
      ...fc.sample(worked, { seed: 32, numRuns: 200 }).map(({ text }) => text),
    ];
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-expressions-'));
    // Division and shifts by their defined rules; sums and products wrap, as -fwrapv has it.
    const safe = texts.map((text) => text.replace(/\s(\/|%|<<|>>)\s/g, ' + '));
    const lines = safe.map((text) => `  printf("%d\\n", (int)(${text}));`);
    writeFileSync(
      join(folder, 'all.c'),
      `#include <stdio.h>\n#include <stdint.h>\nint main(void) {\n  volatile int32_t a = 7, b = -3, c = 2000000000;\n${lines.join('\n')}\n  return 0;\n}\n`,
    );
    execFileSync('gcc', ['-std=c99', '-fwrapv', '-w', '-o', join(folder, 'all'), join(folder, 'all.c')]);
    const printed = execFileSync(join(folder, 'all'), { encoding: 'utf8' }).trim().split('\n').map(Number);
    expect(safe.map((text) => value(text, given))).toEqual(printed);
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
    ['1 ? 2 : 0 ? 3 : 4', 2],
    ['overlap(0, 2, 1, 3)', 1],
    ['overlap(0, 2, 2, 3)', 0],
    ['overlap(5, 1, 4, 2)', 1],
    ['v5[1] * 10 + count(v5, 8)', 82],
    ['v5[3] + v5[-1]', 0],
    ['v4 == v4.q2', 1],
    ['v6 ? v4 : v4.q1', 1],
  ])('%s is %i', (text, expected) => expect(value(text, [...given, 1, 8, 8, 4, 1])).toBe(expected));

  it('tells of a division by zero and of a place outside a list, and goes on', () => {
    const mishaps: string[] = [];
    const around = { ...bare([...given, 1, 8, 8, 4, 1]), mishap: (kind: string) => void mishaps.push(kind) };
    expect(evaluate(compileExpression('1 / (a - 7) + v5[9] + 3', scopeOf(rich)), around)).toBe(3);
    expect(mishaps).toEqual(['divide', 'place']);
  });

  it('asks for chance only where it is used, with a positive bound', () => {
    expect(value('random(6)', [], (n) => n - 1)).toBe(5);
    expect(value('random(0) + random(-4)', [], () => 99)).toBe(0);
    expect(value('1 || random(6)', [], () => { throw new Error('asked'); })).toBe(1); // prettier-ignore
  });

  it('asks for states, times and controls by their numbers', () => {
    const around = {
      ...bare([]),
      active: (of: number) => (of === 1 ? 1 : 0),
      elapsed: (of: number) => 100 + of,
      control: (of: number) => 10 + of,
    };
    const ask = (text: string) => evaluate(compileExpression(text, scopeOf(rich), 1), around);
    expect(ask('in(s2) * 10 + in(s1)')).toBe(10);
    expect(ask('elapsed')).toBe(101);
    expect(ask('elapsed(s1)')).toBe(100);
    expect(ask('value(b2)')).toBe(11);
  });

  it.each<[string, string, number]>([
    ['', 'got nothing', 0],
    ['1 +', 'expected a number, a variable or "(", got nothing more', 3],
    ['1 2', 'expected an operator', 2],
    ['heat', 'expected a variable, got "heat"', 0],
    ['a = 3', 'expected ==', 2],
    ['a === 3', 'got "="', 4],
    ['1 + 1.5', 'whole number', 4],
    ['99999999999', 'whole number', 0],
    ['"text"', 'a number, a variable', 0],
    ['a.b', 'expected a choice before the dot', 0],
    ['1 + a[0]', 'expected a list here', 4],
    ['b + v5', 'expected a place in the list', 6],
    ['eval(1)', 'expected one of the functions', 0],
    ['2 * constructor(1)', 'expected one of the functions', 4],
    ['min(1)', 'expected 2 values in min(), got 1', 0],
    ['min + 1', 'expected "(" after min', 3],
    ['(a)(1)', 'expected an operator', 3],
    ['a + (b', 'expected ")"', 6],
    ['a ? b', 'expected ":"', 5],
    ['a § b', 'got "§"', 2],
    ['in("Ready', 'expected a closing "', 3],
    ['1 + v4', 'a choice can only be compared', 4],
    ['v4 == 1', 'one of the options of the same choice', 6],
    ['v4.q9', 'expected one of its options', 3],
    ['in(s9)', 'expected a state', 3],
    ['value(zz)', 'expected a control', 6],
    ['count(a, 1)', 'expected a list here', 6],
    ['('.repeat(70), 'brackets in one another', 60],
  ])('refuses %p saying what was expected, and where', (text, message, index) => {
    let caught: unknown;
    try {
      compileExpression(text, scopeOf(rich), 0);
    } catch (error) {
      caught = error;
    }
    expect(caught).toBeInstanceOf(ExpressionError);
    expect((caught as ExpressionError).message).toContain(message);
    expect((caught as ExpressionError).index).toBe(index);
  });

  it('reads garbage without any error but its own', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.stringMatching(/^[ab0-9+\-*/%()<>=!&|?:,. {}"[\]]{0,30}$/)),
        (text) => {
          try {
            compileExpression(text, scopeOf(rich));
          } catch (error) {
            expect(error).toBeInstanceOf(ExpressionError);
          }
        },
      ),
      { seed: 10, numRuns: 500 },
    );
  });

  it('knows which are constant', () => {
    expect(constantValue(compileExpression('2 * 3 - 6', scopeOf(rich)))).toBe(0);
    for (const text of ['a - a', 'random(2)', 'v5[0]', 'in(s1)', 'value(b1)', 'elapsed(s1)', 'count(v5, 1)'])
      expect(constantValue(compileExpression(text, scopeOf(rich)))).toBeNull();
  });

  it.each<[string, Variable, string | null]>([
    ['a > 3', lamp, null],
    ['1', lamp, null],
    ['a', lamp, 'expected yes or no'],
    ['v4.q2', choice, null],
    ['1', choice, 'expected one of its options'],
    ['v4', three[0]!, 'a choice can only be compared'],
    ['v6', three[0]!, null],
  ])('%s into %o', (text, variable, message) => {
    const { node, type } = compileTyped(text, scopeOf(rich), null);
    if (message === null) expect(() => checkFits(node, type, variable)).not.toThrow();
    else expect(() => checkFits(node, type, variable)).toThrow(message);
  });
});

describe('templates', () => {
  const template = (text: string) => compileTemplate(text, scopeOf(rich));
  it('fill their gaps', () => {
    expect(renderTemplate(template('Heat {a} of {a * 2}!'), bare([21]))).toBe('Heat 21 of 42!');
    expect(renderTemplate(template('plain'), bare([]))).toBe('plain');
  });
  it('refuse a brace without its partner', () => {
    for (const text of ['Heat {a', 'Heat a}', '{a{b}}'])
      expect(() => template(text)).toThrow(ExpressionError);
  });
});

describe('names and ids', () => {
  const variables: Variable[] = [
    numberVariable({ id: 'v1', name: 'heat', max: 120 }),
    numberVariable({ id: 'v2', name: 'v1', min: -5, max: 9 }),
  ];
  const two = named([...variables, choice, list]);
  it('are each other’s inverse, even where a name looks like an id', () => {
    for (const typed of [
      'heat + v1',
      'min(heat, 3) > v1 && true',
      'clamp(v1, 0, heat)',
      'in("Boil over") || in(Ready)',
      'value("Big stir") && elapsed > 200',
      'mode == mode.Loud ? lane[heat] : 0',
    ])
      expect(showExpression(readExpression(typed, two), two)).toBe(typed);
    expect(readExpression('heat + v1', two)).toBe('v1 + v2');
    expect(readExpression('in("Boil over") && mode == mode.Soft', two)).toBe('in(s2) && v4 == v4.q1');
    expect(readTemplate('heat {heat}', two)).toBe('heat {v1}');
    expect(showTemplate('heat {v1}', two)).toBe('heat {heat}');
  });
  it('refuse an unknown name at its place, naming those there are and the one that was meant', () => {
    const refused = (typed: string) => {
      try {
        readExpression(typed, two);
      } catch (error) {
        return error as ExpressionError;
      }
      throw new Error('was read');
    };
    expect(refused('wind + 1').message).toBe('expected a variable (heat, v1, mode, lane), got "wind"');
    expect(refused('1 + haet')).toMatchObject({ index: 4, suggestion: 'heat' });
    expect(refused('mode == mode.Lound')).toMatchObject({ index: 13, suggestion: 'Loud' });
    expect(refused('in(Redy)')).toMatchObject({ index: 3, suggestion: 'Ready' });
    expect(refused('v1 + heat + mode')).toMatchObject({ index: 12 });
    expect(refused('heat > 3 && mode == 1').suggestion).toBe('mode.Soft');
    expect(() => readTemplate('{wind}', two)).toThrow(ExpressionError);
  });
  it('tell states of the same name apart by where they lie', () => {
    const twins = named([]);
    twins.flow.states.push(
      state('s3', { name: 'Idle', parentId: 's1' }),
      state('s4', { name: 'Idle', parentId: 's2' }),
    );
    expect(showExpression('in(s3) || in(s4)', twins)).toBe('in("Ready / Idle") || in("Boil over / Idle")');
    expect(readExpression('in("Boil over / Idle")', twins)).toBe('in(s4)');
  });
  it('suggest what is near, and nothing else', () => {
    expect(nearest('haet', ['heat', 'wind'])).toBe('heat');
    expect(nearest('windd', ['heat', 'wind'])).toBe('wind');
    expect(nearest('xyz', ['heat', 'wind'])).toBeNull();
  });

  it('bound every value an expression can take', () => {
    const bounded = (less: number, more: number) =>
      named(
        ['a', 'b', 'c'].map((id, n) =>
          numberVariable({ id, name: id, initial: given[n]!, min: given[n]! - less, max: given[n]! + more }),
        ),
      );
    fc.assert(
      fc.property(worked, fc.nat(9), fc.nat(9), ({ text, value: actual }, less, more) => {
        const { low, high } = expressionRange(text, scopeOf(bounded(less, more)));
        expect(Number(actual)).toBeGreaterThanOrEqual(low);
        expect(Number(actual)).toBeLessThanOrEqual(high);
      }),
      { seed: 11, numRuns: 1_000 },
    );
    expect(longestText('Heat {v1}', two)).toBe('Heat 120'.length);
    expect(longestText('{v1 * 10}{random(100)}', two)).toBe('1200'.length + 2);
  });
});
