import * as fc from 'fast-check';
import {
  emptyFlow,
  openGadget,
  type Action,
  type Gadget,
  type Trigger,
  type Variable,
} from '../../gadget/index.ts';
import { freshEncoder, freshKnob } from '../../drawer/index.ts';
import { button, numberVariable, partsFor, pressToLight, rule, state, unwired } from '../../test/fixtures.ts';
import {
  completeExpression,
  completeRule,
  completeTemplate,
  ExpressionError,
  readExpression,
  readRule,
  showRule,
} from '../index.ts';

/** A gadget with one of everything that a rule can name, some with awkward names. */
const variables: Variable[] = [
  numberVariable({ id: 'v1', name: 'heat' }),
  {
    id: 'v2',
    kind: 'list',
    name: 'track',
    saved: null,
    initial: 0,
    min: 0,
    max: 3,
    overflow: 'hold',
    length: 8,
    columns: 1,
  },
  { id: 'v3', kind: 'flag', name: 'windy', saved: null, initial: false },
  {
    id: 'v4',
    kind: 'choice',
    name: 'mood',
    saved: null,
    initialId: 'q1',
    options: [
      { id: 'q1', name: 'Calm' },
      { id: 'q2', name: 'Wild' },
    ],
  },
];
const bare: Gadget = {
  ...pressToLight(),
  controls: [
    button({ id: 'b1', name: 'Stir' }),
    button({ id: 'b2', name: 'after "dark"', key: null }),
    { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Flame', null, null), id: 'b3' },
    { ...freshKnob({ kind: 'potentiometer', figures: {} }, 'Draught knob', null, null), id: 'b4' },
    {
      id: 'b5', kind: 'codes', name: 'Remote', key: null, repeatsEveryUs: 110_000, heldGapUs: 250_000,
      codes: [{ id: 'd1', name: 'Power', code: 1, wrongPerMille: 0, latencyUs: 0 }],
    },
  ],
  chords: [{ id: 'c1', name: 'Both', controlIds: ['b1', 'b2'], windowUs: 40_000, ordered: false, holdUs: null, waits: false }],
  outputs: [
    ...pressToLight().outputs,
    { id: 'o4', kind: 'servo', name: 'Lid', reachDeg: 90 },
    { id: 'o5', kind: 'motor', name: 'Shaker' },
    { id: 'o6', kind: 'midi', name: 'MIDI out', ...unwired },
    { id: 'o7', kind: 'typist', name: 'wait' },
    { id: 'o8', kind: 'lights', name: 'Ring', count: 12, shape: 'ring', columns: 4, colour: null },
    { id: 'o9', kind: 'line', name: 'Bell', switches: '', inverted: true, powerUp: 'open' },
    { id: 'o10', kind: 'serial', name: 'Panel', baud: 9_600, longest: 80, queueBytes: 64, ends: 'lf' },
  ],
  flow: {
    ...emptyFlow(),
    variables,
    signals: [{ id: 'g1', name: 'Boil over' }],
    timers: [{ id: 'm1', name: 'gust' }],
    initialId: 's1',
    states: [
      state('s1', { name: 'Ready' }),
      state('s2', { name: 'Über Hitze', parentId: 's1' }),
      state('s3', { name: 'within' }),
    ],
  },
}; // prettier-ignore
const gadget: Gadget = { ...bare, parts: partsFor(bare) };

const triggers: Trigger[] = [
  { kind: 'gesture', controlId: 'b1', gesture: 'press' },
  { kind: 'gesture', controlId: 'b2', gesture: 'heldRelease' },
  { kind: 'turn', controlId: 'b3', by: -4 },
  { kind: 'crossing', controlId: 'b4', at: 50, rising: false },
  { kind: 'chord', chordId: 'c1' },
  { kind: 'code', codeId: 'd1', gesture: 'repeat' },
  { kind: 'after', delay: 1_500_000 },
  { kind: 'after', delay: 1_500 },
  { kind: 'every', delay: { ms: '500 - v1 * 4' } },
  { kind: 'timer', timerId: 'm1' },
  { kind: 'signal', signalId: 'g1' },
  { kind: 'done', stateId: 's2' },
  { kind: 'midi', message: 'noteOn', channel: 2, number: null },
  { kind: 'midi', message: 'program', channel: null, number: 7 },
  { kind: 'line', outputId: 'o10', word: null },
  { kind: 'line', outputId: 'o10', word: 'volume' },
  { kind: 'power', what: 'wake' },
  { kind: 'always' },
  { kind: 'any' },
];
const actions: Action[] = [
  { kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' },
  { kind: 'set', variableId: 'v2', index: 'v1 - 1', value: '(v1 + 2) * 3' },
  { kind: 'set', variableId: 'v3', index: null, value: 'in(s2) && value(b4) > 3' },
  { kind: 'set', variableId: 'v2', index: null, value: 'v1' },
  { kind: 'shift', variableId: 'v2', value: 'random(4)' },
  { kind: 'light', outputId: 'o1', light: { mode: 'on' } },
  { kind: 'light', outputId: 'o1', light: { mode: 'blink', periodUs: 500_000 } },
  { kind: 'light', outputId: 'o1', light: { mode: 'fade', levelPercent: 30, overUs: 250_000 } },
  { kind: 'light', outputId: 'o1', light: { mode: 'pattern', steps: '##..#', stepUs: 100_000 } },
  { kind: 'level', outputId: 'o1', percent: 'v1 * 2' },
  { kind: 'colour', outputId: 'o1', colour: 'violet' },
  { kind: 'text', outputId: 'o2', row: 0, text: 'Heat {v1} of "100"' },
  { kind: 'sprite', outputId: 'o2', row: '0', column: '7 - v1', text: 'O' },
  { kind: 'listRow', outputId: 'o2', row: 0, variableId: 'v2', glyphs: ' .#' },
  { kind: 'tone', outputId: 'o3', hz: '440 + v1', lengthUs: 200_000 },
  { kind: 'tone', outputId: 'o3', hz: '440', lengthUs: 0 },
  { kind: 'tune', outputId: 'o3', notes: [{ hz: 440, lengthUs: 100_000 }, { hz: 0, lengthUs: 50_000 }] },
  { kind: 'silence', outputId: 'o3' },
  { kind: 'midi', outputId: 'o6', message: 'noteOn', channel: 1, first: '60 + v1', second: '100' },
  { kind: 'midi', outputId: 'o6', message: 'program', channel: 16, first: '5', second: '0' },
  { kind: 'type', outputId: 'o7', text: 'hello; then "{v1}"' },
  { kind: 'key', outputId: 'o7', key: 'enter', how: 'tap' },
  { kind: 'key', outputId: 'o7', key: "'é", how: 'down' },
  { kind: 'key', outputId: 'o7', key: 'shift', how: 'up' },
  { kind: 'keysUp', outputId: 'o7' },
  { kind: 'move', outputId: 'o4', to: 'v1' },
  { kind: 'paintLights', outputId: 'o8', which: 'all', first: '0', last: '0', colour: 'red', percent: '100' },
  { kind: 'paintLights', outputId: 'o8', which: 'range', first: 'v1', last: 'v1 + 2', colour: 'off', percent: '100' },
  { kind: 'mixLights', outputId: 'o8', which: 'one', first: 'v1 % 12', last: '0', red: '1', green: 'v1', blue: '3' },
  { kind: 'hueLights', outputId: 'o8', which: 'one', first: '3', last: '0', hue: 'v1 * 30', percent: '50' },
  { kind: 'fillLights', outputId: 'o8', which: 'all', first: '0', last: '0', amount: 'v1', colour: 'amber', percent: 'v1' },
  { kind: 'shiftLights', outputId: 'o8', which: 'all', first: '0', last: '0', by: '1', round: true },
  { kind: 'shiftLights', outputId: 'o8', which: 'range', first: '0', last: '5', by: '0 - v1', round: false },
  { kind: 'patternLights', outputId: 'o8', which: 'all', first: '0', last: '0', steps: '#..', colour: 'cyan', percent: '100' },
  { kind: 'blinkLights', outputId: 'o8', which: 'one', first: '0', last: '0', period: 250_000 },
  { kind: 'fadeLights', outputId: 'o8', which: 'all', first: '0', last: '0', through: ['red', 'off'], over: { ms: 'v1 * 9' } },
  { kind: 'switch', outputId: 'o9', to: 'open' },
  { kind: 'pulse', outputId: 'o9', to: 'on', length: 200_000 },
  { kind: 'pulse', outputId: 'o9', to: 'off', length: { ms: 'v1' } },
  { kind: 'burst', outputId: 'o9', carrierHz: '38000 + v1', length: 9_000 },
  { kind: 'say', outputId: 'o10', text: 'heat {v1}', ended: true },
  { kind: 'say', outputId: 'o10', text: 'and', ended: false },
  { kind: 'save' },
  { kind: 'recall' },
  { kind: 'start', timerId: 'm1', length: { ms: '(v1) * (2)' }, every: true },
  { kind: 'stop', timerId: 'm1' },
  { kind: 'raise', signalId: 'g1', delay: null },
  { kind: 'raise', signalId: 'g1', delay: 2_000_000 },
  { kind: 'cancel', signalId: 'g1' },
  { kind: 'wait', lengthUs: 120_000 },
]; // prettier-ignore

const ruleArbitrary = fc.record({
  trigger: fc.constantFrom(...triggers),
  guard: fc.constantFrom(null, 'v1 > 3', 'in(s2) || !v3', '(v1 + 1) * 2 == 4'),
  actions: fc.array(fc.constantFrom(...actions), { maxLength: 4 }),
  targetIds: fc.constantFrom<string[]>([], ['s1'], ['s2'], ['s3'], ['s1', 's3']),
  internal: fc.constant(false),
});

describe('a rule as a line of text', () => {
  it('reads as a sentence', () => {
    const line = 'when Stir press if heat > 50 do heat = heat - 10; Lamp on then Ready';
    expect(readRule(line, gadget)).toEqual({
      trigger: triggers[0],
      guard: 'v1 > 50',
      actions: [{ ...actions[0], value: 'v1 - 10' }, actions[5]],
      targetIds: ['s1'],
      internal: false,
    });
    expect(showRule(rule('r1', { trigger: triggers[1]! }), gadget)).toBe(
      'when "after \\"dark\\"" heldRelease',
    );
  });
  it('names of several words need no quotes, the longest that fits is meant', () => {
    const worded = structuredClone(gadget);
    const [first, second] = worded.controls;
    [first!.name, second!.name] = ['Push button', 'Push button 2'];
    worded.outputs[0]!.name = 'Stove light';
    worded.flow.states[0]!.name = 'Round over';
    const same = (bare: string, inQuotes: string) =>
      expect(readRule(bare, worded)).toEqual(readRule(inQuotes, worded));
    same('when Push button press', 'when "Push button" press');
    same('when Push button 2 press', 'when "Push button 2" press');
    same(
      'when after 1 s do Stove light on then Round over',
      'when after 1 s do "Stove light" on then "Round over"',
    );
    // What begins like another is written so that it is not taken for it.
    const alike = structuredClone(worded);
    [alike.controls[0]!.name, alike.controls[1]!.name] = ['Push', 'Push button'];
    const [shorter, longer] = ['when "Push" press', 'when Push button press'].map((line) =>
      readRule(line, alike),
    );
    expect([shorter!.trigger, longer!.trigger]).toMatchObject([
      { controlId: first!.id },
      { controlId: second!.id },
    ]);
    expect(showRule(shorter!, alike)).toBe('when "Push" press');
    // A word within a name ends nothing.
    expect(() => readRule('when Push buttons press', worded)).toThrow(/expected after/);
    expect(() => readRule('when after 1 s then Round', worded)).toThrow(/expected a state/);
    expect(completeRule('when Push button pre', 20, worded)).toMatchObject([
      { text: 'press', start: 17, end: 20 },
    ]);
  });
  it('is what the document allows', () => {
    const all = structuredClone(gadget);
    all.flow.states[0]!.rules = triggers.map((trigger, n) =>
      rule(`r${n + 1}`, { trigger, actions: actions.slice(n, n + 5) }),
    );
    const opened = openGadget(all);
    expect(opened.outcome === 'invalid' ? opened.faults : opened.outcome).toBe('opened');
  });
  it.each(triggers.map((trigger) => [trigger.kind, trigger] as const))('reads back %s', (_kind, trigger) => {
    const said = { trigger, guard: null, actions: [], targetIds: ['s2'], internal: true };
    expect(readRule(showRule(said, gadget), gadget)).toEqual(said);
  });
  it.each(actions.map((action) => [action.kind, action] as const))('reads back %s', (_kind, action) => {
    const said = { trigger: triggers[0]!, guard: null, actions: [action], targetIds: [], internal: false };
    expect(readRule(showRule(said, gadget), gadget)).toEqual(said);
  });
  it('and typed again is the same rule, whatever it says', () => {
    fc.assert(
      fc.property(ruleArbitrary, (said) => {
        const line = showRule(said, gadget);
        expect(readRule(line, gadget)).toEqual(said);
        expect(showRule(readRule(line, gadget), gadget)).toBe(line);
      }),
      { seed: 51, numRuns: 400 },
    );
  });
  it.each<[string, string, number, string | null]>([
    ['', 'expected when', 0, null],
    ['when', 'expected after', 4, null],
    ['when Stit press', 'expected after', 5, null],
    ['when Stir prss', 'expected press', 10, 'press'],
    ['when Stir press if haet > 3', 'expected a variable', 19, 'heat'],
    ['when Stir press do Lamp onn', 'expected on, off', 24, 'on'],
    ['when Stir press do heat = ', 'expected a number', 26, null],
    ['when Stir press do Lamp colour grean', 'expected red, amber', 31, 'green'],
    ['when Stir press do Screen row 0 "x"', 'expected a row from 1 on, got "0"', 30, null],
    ['when Stir press do Screen row -1 "x"', 'expected a row from 1 on, got "-1"', 30, null],
    ['when Stir press do Lamp fade 140 1 s', 'expected a level in percent, 0 to 100', 29, null],
    ['when Stir press then Redy', 'expected a state', 21, 'Ready'],
    ['when Stir press do Lamp on Lamp off', 'expected ";" and more', 27, null],
    ['when Flame turn 1', 'at least two steps', 16, null],
    ['when after soon', 'expected a time', 11, null],
    ['when Stir press do Screen row 1 "{haet}"', 'expected a variable', 34, 'heat'],
    ['when Stir press do wait (heat) ms', 'expected a fixed time', 24, null],
  ])('%p is refused at its place', (line, message, index, suggestion) => {
    let caught: unknown;
    try {
      readRule(line, gadget);
    } catch (error) {
      caught = error;
    }
    expect(caught).toBeInstanceOf(ExpressionError);
    expect((caught as ExpressionError).message).toContain(message);
    expect(caught).toMatchObject({ index, suggestion });
  });
  it('garbage is refused without any error but its own', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            'when',
            'Stir',
            'press',
            'if',
            'do',
            ';',
            'then',
            'Ready',
            '(',
            ')',
            '"',
            'heat',
            '=',
            '3',
            'ms',
            '-',
          ),
          { maxLength: 12 },
        ),
        (words) => {
          try {
            readRule(words.join(' '), gadget);
          } catch (error) {
            expect(error).toBeInstanceOf(ExpressionError);
          }
        },
      ),
      { seed: 52, numRuns: 500 },
    );
  });
});

describe('completion', () => {
  const offered = (text: string) =>
    completeRule(text.replace('|', ''), text.indexOf('|'), gadget).map((one) => one.text);
  it('offers what could stand at the cursor', () => {
    expect(offered('|')).toEqual(['when']);
    expect(offered('when St|')).toEqual(['Stir']);
    expect(offered('when Stir pr|')).toEqual(['press']);
    expect(offered('when Stir press |')).toEqual(['if', 'do', 'then']);
    expect(offered('when Stir press if h|')).toEqual(['heat', 'heard(']);
    expect(offered('when Stir press do L|')).toEqual(['Lamp', 'Lid']);
    expect(offered('when Stir press do Lamp f|')).toEqual(['fade']);
    expect(offered('when Stir press then |')).toEqual(['within', 'Ready', '"Über Hitze"']);
    expect(offered('when Stir press then R|')).toEqual(['Ready']);
  });
  const within = (text: string) =>
    completeExpression(text.replace('|', ''), text.indexOf('|'), gadget).map((one) => one.text);
  it('offers in an expression what is of the kind that belongs there', () => {
    expect(within('|').slice(0, 6)).toEqual(['heat', 'track[', 'track', 'windy', 'mood', 'mood.Calm']);
    expect(within('heat > m|')).toEqual(['mood', 'mood.Calm', 'mood.Wild', 'min(', 'max(']);
    expect(within('heat|')).toEqual(['heat']);
    expect(within('heat |')).toEqual([]);
    expect(within('in(|')).toEqual(['Ready)', '"Über Hitze")', 'within)']);
    expect(within('!windy && in(R|')).toEqual(['Ready)']);
    expect(within('value(F|')).toEqual(['Flame)']);
    expect(within('mood == mood.W|')).toEqual(['Wild']);
    expect(within('heat.|')).toEqual([]);
    expect(offered('when Stir press if windy && h|')).toEqual(['heat', 'heard(']);
    expect(offered('when Stir press do heat = max(h|')).toEqual(['heat', 'heard(']);
  });
  it('whatever is offered can be read on', () => {
    for (const text of within('|')) {
      const rest = text.endsWith('(') ? null : text.endsWith('[') ? '0]' : '';
      if (rest === null || text === 'track') continue;
      expect(() => readExpression(text + rest, gadget)).not.toThrow();
    }
  });
  it('offers in a text only between braces', () => {
    const inText = (text: string) => completeTemplate(text.replace('|', ''), text.indexOf('|'), gadget);
    expect(inText('Heat he|')).toEqual([]);
    expect(inText('Heat {heat|')).toEqual([{ text: 'heat', start: 6, end: 10 }]);
    expect(inText('{heat} {heat|} x')).toEqual([{ text: 'heat', start: 8, end: 12 }]);
    expect(inText('{heat} |')).toEqual([]);
  });
  it('puts what it offers in the place of the word begun', () => {
    expect(completeRule('when Sti press', 8, gadget)).toEqual([{ text: 'Stir', start: 5, end: 8 }]);
  });
});
