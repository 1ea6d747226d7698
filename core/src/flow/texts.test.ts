import * as fc from 'fast-check';
import { printScxml, readScxml } from '../formats/index.ts';
import { openGadget, type Gadget, type Variable } from '../gadget/index.ts';
import { Machine, replay } from '../machine/index.ts';
import { numberVariable } from '../test/fixtures.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { expressionRange, longestText } from './range.ts';
import {
  compileExpression,
  evaluate,
  ExpressionError,
  readExpression,
  scopeOf,
  bare,
  textAt,
} from './index.ts';

/* Short texts and tables: what is typed with keys, spelled, stored and looked up. */

const variables: Variable[] = [
  { id: 'v1', kind: 'text', name: 'word', saved: null, length: 6, initial: '' },
  {
    id: 'v2',
    kind: 'texts',
    name: 'cues',
    saved: { when: 'change' },
    length: 8,
    initials: ['Curtain', 'Lamps', ''],
  },
  { id: 'v3', kind: 'table', name: 'notes', saved: null, numbers: [60, 62, 64, 65, 67], columns: 1 },
  numberVariable({ id: 'v4', name: 'n', initial: 1, min: -9, max: 99 }),
];
const typist = outputOf('typist', 'Desk');
const gadget = (...told: string[]): Gadget =>
  toldGadget(
    typist,
    told.map((line, n) => [10 * (n + 1), line] as const),
    variables,
  );
const play = (of: Gadget) => replay(of, [], 1_000_000, 1);
const became = (...told: string[]) =>
  play(gadget(...told)).flatMap((entry) =>
    entry.lane === 'variable' ? [entry.index === undefined ? entry.value : [entry.index, entry.value]] : [],
  );
const typed = (...told: string[]) =>
  play(gadget(...told)).flatMap((entry) => (entry.lane === 'typed' ? [entry.text] : []));

describe('a short text', () => {
  it('becomes, grows, loses its last characters and is cleared', () => {
    expect(became('word = "ab"', 'append word "c{n}"', 'shorten word 2', 'shorten word 9')).toEqual([
      'ab',
      'abc1',
      'ab',
      '',
    ]);
    // Nothing changed: nothing is told.
    expect(became('word = ""', 'shorten word 0', 'shorten word -1')).toEqual([]);
  });
  it('counts characters, not halves of them, and loses what is too much with a word', () => {
    const trace = play(gadget('word = "añ🙂e"', 'append word "12345"', 'shorten word 3'));
    expect(trace.flatMap((entry) => (entry.lane === 'variable' ? [entry.value] : []))).toEqual([
      'añ🙂e',
      'añ🙂e12',
      'añ🙂',
    ]);
    expect(trace.filter((entry) => entry.lane === 'mishap')).toMatchObject([
      { atUs: 20_000, mishap: 'full' },
    ]);
  });
  it('is filled in, one of several by its place; a place outside is told, and empty', () => {
    expect(typed('word = "x"', 'Desk type "{word}_"', 'Desk type "{cues[n]}!"')).toEqual(['x_', 'Lamps!']);
    const trace = play(gadget('Desk type "<{cues[7]}>"', 'cues[3] = "no"'));
    expect(trace.filter(({ lane }) => lane === 'typed')).toMatchObject([{ text: '<>' }]);
    expect(trace.filter(({ lane }) => lane === 'mishap')).toHaveLength(2);
  });
  it('of several is stored at a place, and kept as it says', () => {
    expect(became('cues[2] = "Bow"', 'append cues[2] "s{n + 1}"')).toEqual([
      [2, 'Bow'],
      [2, 'Bows2'],
    ]);
    expect(play(gadget('cues[2] = "Bow"')).filter(({ lane }) => lane === 'saved')).toHaveLength(1);
  });
  it('that was not touched follows the document while it runs; one that was stays, and a table always follows', () => {
    const of = gadget('append word "z"', 'Desk type "{cues[0]}{cues[1]}{word}{notes[0]}"');
    const machine = new Machine(of, 1);
    machine.advanceTo(15_000);
    const changed = of.flow.variables.map((one) => {
      if (one.kind === 'texts') return { ...one, initials: ['Bow', ...one.initials.slice(1)] };
      if (one.kind === 'table') return { ...one, numbers: [48, ...one.numbers.slice(1)] };
      return one.kind === 'text' ? { ...one, initial: 'new' } : one;
    });
    const adopted = machine.adopt({ ...of, flow: { ...of.flow, variables: changed } });
    expect(adopted).toEqual({ restarted: null, waits: [] });
    expect(machine.shown.variables).toMatchObject({
      v1: 'z',
      v2: ['Bow', 'Lamps', ''],
      v3: [48, 62, 64, 65, 67],
    });
    machine.advanceTo(30_000);
    expect(machine.takeTrace()).toContainEqual({
      atUs: 20_000,
      lane: 'typed',
      id: 'o1',
      text: 'BowLampsz48',
    });
  });
  it('comes back with the power as it was kept, and the others as they begin', () => {
    const of = gadget('cues[2] = "Bow"', 'word = "gone"');
    const trace = replay(
      of,
      [{ atUs: 500_000, controlId: 'gadget', what: 'power', event: 'cycle' }],
      505_000,
      1,
    );
    const after = trace.filter(({ atUs, lane }) => atUs >= 500_000 && lane === 'variable');
    expect(after).toEqual([{ atUs: 500_000, lane: 'variable', id: 'v1', value: '' }]);
  });
});

const scope = scopeOf(gadget());
const given = (text: string, values: number[]) =>
  evaluate(compileExpression(readExpression(text, gadget()), scope), bare(values));
const points = (text: string, length: number) =>
  Array.from({ length }, (_, n) => [...text][n]?.codePointAt(0) ?? 0);
const valuesOf = (word: string, ...cues: string[]) => [
  ...points(word, 6),
  ...cues.flatMap((one) => points(one, 8)),
  ...[60, 62, 64, 65, 67],
  1,
];

describe('expressions', () => {
  it('compare texts and measure them, as strings do (seeds 1 to 200)', () => {
    const short = fc.string({ unit: fc.constantFrom('a', 'b', 'é', '🙂'), maxLength: 5 });
    fc.assert(
      fc.property(short, short, short, (word, one, other) => {
        const values = valuesOf(word, one, other, '');
        const quoted = JSON.stringify(one);
        expect(given('word == cues[0]', values)).toBe(word === one ? 1 : 0);
        expect(given('cues[n] != word', values)).toBe(other === word ? 0 : 1);
        expect(given(`word == ${quoted}`, values)).toBe(word === one ? 1 : 0);
        expect(given(`${quoted} != cues[1] || n > 5`, values)).toBe(one === other ? 0 : 1);
        expect(given('length(word) + length(cues[0])', values)).toBe([...word].length + [...one].length);
        expect(given('word[0]', values)).toBe(word.codePointAt(0) ?? 0);
        expect(textAt(values, 0, 6)).toBe(word);
      }),
      { seed: 1, numRuns: 200 },
    );
  });
  it('look up what a table says', () => {
    const values = valuesOf('', '', '', '');
    expect([
      given('notes[n + 1]', values),
      given('notes[9]', values),
      given('count(notes, 64)', values),
    ]).toEqual([64, 0, 1]);
    expect(expressionRange('v3[v4]', scope)).toEqual({ low: 0, high: 67 });
  });
  it('know how long a text can become', () => {
    expect(longestText('{v1}: {v2[0]} {v4}', gadget())).toBe(6 + 2 + 8 + 1 + 2);
    expect(expressionRange('length(v1)', scope)).toEqual({ low: 0, high: 6 });
    expect(expressionRange('v1 == "ab"', scope)).toEqual({ low: 0, high: 1 });
  });
  it.each([
    ['word + 1', 'expected a number for +; a text can only be compared, or measured with length()', 0],
    ['word == 3', 'expected a text to compare it with, such as "abc"', 8],
    ['"abc"', 'expected a number, a variable or "(", got a text', 0],
    ['word', 'expected a number; a text can be compared, as in text == "abc"', 0],
    ['n > "abc"', 'expected a number or a variable for >; names of states and controls stand in in("…") or value("…")', 4],
    ['length(n)', 'expected a text here, to measure its length', 7],
    ['cues == "a"', 'expected a place in the list, such as [0]', 4],
    ['n ? word : word', 'expected a number for both sides of :; a text can only be compared, or measured with length()', 4],
  ])('refuse %s', (text, message, index) => {
    const refused = () => readExpression(text, gadget());
    expect(refused).toThrow(ExpressionError);
    expect(refused).toThrow(message);
    try {
      refused();
    } catch (error) {
      expect((error as ExpressionError).index).toBe(index);
    }
  }); // prettier-ignore
});

describe('documents', () => {
  const opened = (patch: object) => openGadget({ ...gadget(), flow: { ...gadget().flow, ...patch } });
  const changed = (at: number, patch: object) =>
    opened({ variables: variables.map((one, n) => (n === at ? { ...one, ...patch } : one)) });
  it('hold no text that is longer than it may be, and no table that is set', () => {
    expect(opened({}).outcome).toBe('opened');
    expect(changed(0, { initial: '1234567' })).toMatchObject({ outcome: 'invalid' });
    expect(changed(1, { initials: ['123456789'] })).toMatchObject({ outcome: 'invalid' });
    const rules = (action: object) => ({
      states: [{ ...gadget().flow.states[0]!, entry: [action] }],
    });
    expect(opened(rules({ kind: 'set', variableId: 'v3', index: '0', value: '1' }))).toMatchObject({ outcome: 'invalid' });
    expect(opened(rules({ kind: 'set', variableId: 'v1', index: null, value: '1' }))).toMatchObject({ outcome: 'invalid' });
    expect(opened(rules({ kind: 'append', variableId: 'v4', index: null, text: 'x' }))).toMatchObject({ outcome: 'invalid' });
    expect(opened(rules({ kind: 'append', variableId: 'v2', index: null, text: 'x' }))).toMatchObject({ outcome: 'invalid' });
  }); // prettier-ignore
  it('are carried by files of the statechart standard', () => {
    const of = gadget('append word "a{notes[1]}"', 'cues[n] = "\\"x\\""', 'shorten cues[0] length(word)');
    const back = readScxml(printScxml(of), of);
    expect(back).toMatchObject({ outcome: 'read', notes: [] });
    if (back.outcome !== 'read') return;
    const flow = back.gadget.flow;
    expect(flow.variables).toEqual(variables);
    expect(flow.states[0]!.rules.map(({ actions }) => actions)).toEqual(
      of.flow.states[0]!.rules.map(({ actions }) => actions),
    );
  });
});
