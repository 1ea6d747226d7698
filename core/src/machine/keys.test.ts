import { addPartEdit, figuresEdit } from '../drawer/index.ts';
import { Explorer } from '../explore/explorer.ts';
import { completeRule, gridOf, readRule, showRule } from '../flow/index.ts';
import { printScxml, readScxml } from '../formats/index.ts';
import { applyEdit, emptyFlow, emptyGadget, noWiring, openGadget, type Gadget } from '../gadget/index.ts';
import { checkGadget } from '../snag/index.ts';
import { button, numberVariable, partsFor, rule, state, unwired } from '../test/fixtures.ts';
import { replay, type Stimulus } from './index.ts';

/* Keys by number: a set of keys is heard as one, and each tells its number. */

const ids = Array.from({ length: 12 }, (_, n) => `b${n + 1}`);
const bare: Gadget = {
  ...emptyGadget('Twelve keys'),
  controls: [...ids, 'b13'].map((id) => button({ id, name: `Key ${id.slice(1)}`, key: null })),
  wiring: {
    ...noWiring,
    sets: [{ id: 'k1', name: 'Pad', controlIds: ids, scheme: 'direct', params: {}, chords: [] }],
  },
  outputs: [{ id: 'o1', kind: 'midi', name: 'Out', ...unwired }],
  flow: {
    ...emptyFlow(),
    variables: [numberVariable({ id: 'v1', name: 'last', initial: 50, min: 0, max: 99 })],
    initialId: 's1',
    states: [state('s1', { name: 'Playing' })],
  },
};
const withRules = (...lines: string[]): Gadget => ({
  ...bare,
  parts: partsFor(bare),
  flow: {
    ...bare.flow,
    states: [
      { ...bare.flow.states[0]!, rules: lines.map((line, n) => rule(`r${n + 1}`, readRule(line, bare))) },
    ],
  },
});
const press = (id: string, atMs: number): Stimulus[] => [
  { atUs: atMs * 1_000, controlId: id, what: 'down' },
  { atUs: (atMs + 80) * 1_000, controlId: id, what: 'up' },
];
const play = (gadget: Gadget, ...keys: string[]) =>
  replay(
    gadget,
    keys.flatMap((id, n) => press(id, 50 + 200 * n)),
    200_000 * (keys.length + 1),
    1,
  );
const values = (gadget: Gadget, ...keys: string[]) =>
  play(gadget, ...keys).flatMap((entry) => (entry.lane === 'variable' ? [entry.value] : []));

describe('a set of keys', () => {
  it('is heard by one rule, which reads the number of the key', () => {
    const gadget = withRules('when keys Pad press do last = heard(0)');
    expect(openGadget(gadget).outcome).toBe('opened');
    // The thirteenth key is in no set.
    expect(values(gadget, 'b1', 'b12', 'b13', 'b5')).toEqual([0, 11, 4]);
  });
  it('answers a press once: the first rule in the document, whether for the key or for any', () => {
    const anyFirst = withRules(
      'when keys Pad press if heard(0) < 4 do last = heard(0)',
      'when "Key 2" press do last = 90',
      'when "Key 6" press do last = 91',
    );
    expect(values(anyFirst, 'b2', 'b6')).toEqual([1, 91]);
    const oneFirst = withRules('when "Key 2" press do last = 90', 'when keys Pad press do last = heard(0)');
    expect(values(oneFirst, 'b2', 'b6')).toEqual([90, 5]);
  });
  it('also tells the number to a rule for a single key', () =>
    expect(values(withRules('when "Key 3" press do last = heard(0)'), 'b3')).toEqual([2]));

  it('is one row of a layer; what a key has of its own there comes first, and each lets go as it was pressed', () => {
    const note = (key: number, velocity: number) => ({
      kind: 'midi' as const, outputId: 'o1', message: 'noteOn' as const, channel: 1,
      first: `${key} + heard(0)`, second: String(velocity),
    }); // prettier-ignore
    const gadget: Gadget = {
      ...withRules(),
      flow: {
        ...bare.flow,
        layers: [
          {
            id: 'y1',
            name: 'Low',
            when: null,
            keys: [
              { controlId: 'b2', press: [note(100, 7)], release: [] },
              { setId: 'k1', press: [note(36, 100)], release: [note(36, 0)] },
            ],
          },
          {
            id: 'y2',
            name: 'High',
            when: { kind: 'held', controlId: 'b13' },
            keys: [{ setId: 'k1', press: [note(60, 100)], release: [note(60, 0)] }],
          },
        ],
      },
    };
    expect(openGadget(gadget).outcome).toBe('opened');
    const down = (controlId: string, atMs: number): Stimulus => ({
      atUs: atMs * 1_000,
      controlId,
      what: 'down',
    });
    const up = (controlId: string, atMs: number): Stimulus => ({ atUs: atMs * 1_000, controlId, what: 'up' });
    const script = [
      ...press('b1', 50), ...press('b2', 200),
      down('b13', 400), down('b1', 500), up('b13', 600), up('b1', 700), ...press('b12', 800),
    ]; // prettier-ignore
    const sent = replay(gadget, script, 1_000_000, 1).flatMap((entry) =>
      entry.lane === 'midi' ? [[entry.bytes[1], entry.bytes[2]]] : [],
    );
    expect(sent).toEqual([
      [36, 100],
      [36, 0],
      [101, 7],
      [60, 100],
      [60, 0],
      [47, 100],
      [47, 0],
    ]);
    // Every key is answered by the layer, whatever the state says.
    expect(gridOf(gadget).open).toBe(0);
    const open = gridOf({ ...gadget, flow: { ...gadget.flow, layers: [gadget.flow.layers[1]!] } });
    // Held, the last key holds a layer; the others do something in it.
    expect(open.open).toBe(0);
  });

  it('is a keypad as it is bought, and goes with it', () => {
    const bench = emptyGadget('Bench');
    const pad = applyEdit(bench, addPartEdit(bench, 'key-matrix', { name: 'Pad' }));
    const partId = pad.parts[0]!.id;
    const heard = applyEdit(
      applyEdit(pad, { name: 'addState', args: ['Playing', null] }),
      { name: 'addRule', args: ['s1', { trigger: { kind: 'keys', setId: partId, gesture: 'press' }, guard: null, actions: [], targetIds: [], internal: false }] },
    ); // prettier-ignore
    expect([openGadget(heard).outcome, gridOf(heard).events.length, gridOf(heard).open]).toEqual([
      'opened',
      1,
      0,
    ]);
    const fired = replay(heard, press(heard.controls[7]!.id, 50), 300_000, 1);
    expect(fired.filter(({ lane }) => lane === 'rule')).toHaveLength(1);
    const one = applyEdit(heard, figuresEdit(heard, heard.parts[0]!, { rows: 1, columns: 1 }));
    expect([openGadget(one).outcome, one.flow.states[0]!.rules]).toEqual(['opened', []]);
    expect(applyEdit(heard, { name: 'removePart', args: [partId] }).flow.states[0]!.rules).toEqual([]);
  });

  it('is a column of the grid, which rules for single keys fill only together', () => {
    const none = gridOf(withRules());
    expect(none.events).toHaveLength(13);
    const any = gridOf(withRules('when keys Pad press do last = heard(0)'));
    expect(any.events.map(({ kind }) => kind)).toEqual(['keys', 'gesture']);
    expect(any.open).toBe(1);
    const both = withRules('when "Key 2" press do last = 1');
    const other = state('s2', { name: 'Other', rules: [rule('r9', readRule('when keys Pad press', bare))] });
    const grid = gridOf({ ...both, flow: { ...both.flow, states: [...both.flow.states, other] } });
    const [first, second] = grid.rows;
    const column = grid.events.findIndex(({ kind }) => kind === 'keys');
    const single = grid.events.findIndex((event) => event.kind === 'gesture' && event.controlId === 'b2');
    expect([first!.cells[column]!.open, first!.cells[single]!.open]).toEqual([true, false]);
    expect(first!.cells[column]!.answers.map(({ surely }) => surely)).toEqual([false]);
    expect([second!.cells[column]!.open, second!.cells[single]!.open]).toEqual([false, false]);
  });

  it('is walked key by key: which numbers come is known', () => {
    const gadget = withRules(
      'when keys Pad press if heard(0) == 11 do last = 1',
      'when keys Pad press if heard(0) == 12 do last = 2',
    );
    const walked = new Explorer(gadget);
    walked.advance(Infinity);
    expect([walked.complete, [...walked.caveats], walked.fired]).toEqual([true, [], [true, false]]);
    const found = checkGadget(gadget).snags.filter(({ rule: id }) => id === 'L05');
    expect(found.map(({ place }) => place.id)).toEqual(['r2']);
  });
  it('leaves nothing to a rule for one of its keys that comes after it', () => {
    const gadget = withRules('when keys Pad press do last = heard(0)', 'when "Key 2" press do last = 90');
    const [snag] = checkGadget(gadget).snags.filter(({ rule: id }) => id === 'L05');
    expect(snag).toMatchObject({ place: { id: 'r2' }, values: { reason: 'shadowed', by: 1 } });
    expect(values(applyEdit(gadget, snag!.mend!.edit), 'b2', 'b3')).toEqual([90, 2]);
  });

  it('is typed, offered and carried by files, and goes with what hears it', () => {
    const gadget = withRules('when keys Pad hold do last = heard(0)');
    expect(showRule(gadget.flow.states[0]!.rules[0]!, gadget)).toBe('when keys Pad hold do last = heard(0)');
    expect(completeRule('when keys ', 10, gadget).map(({ text }) => text)).toEqual(['Pad']);
    const back = readScxml(printScxml(gadget), gadget);
    const trigger = { kind: 'keys', setId: 'k1', gesture: 'hold' };
    expect(back).toMatchObject({ notes: [], gadget: { flow: { states: [{ rules: [{ trigger }] }] } } });
    const without = applyEdit(gadget, { name: 'removeKeySet', args: ['k1'] });
    expect([without.flow.states[0]!.rules, openGadget(without).outcome]).toEqual([[], 'opened']);
  });
});
