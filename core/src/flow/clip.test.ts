import { emptyGadget, openGadget, type Gadget } from '../gadget/index.ts';
import { chart, lead } from '../test/charts.ts';
import { frozen, pressToLight, rule, state } from '../test/fixtures.ts';
import { clipStates, pasteStates, readClipping } from './clip.ts';
import { showRule } from './index.ts';

const source: Gadget = frozen({
  ...pressToLight(),
  flow: {
    ...pressToLight().flow,
    signals: [{ id: 'g1', name: 'Boil' }],
    states: [
      state('s1', { name: 'Ready' }),
      state('s2', {
        name: 'Playing',
        initial: { targetIds: ['s4'], actions: [] },
        rules: [lead('r1', 'g1', ['s1']), rule('r2', { guard: 'v1 > 3', targetIds: ['s4'] })],
      }),
      state('s3', { name: 'Calm', parentId: 's2', entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }] }),
      state('s4', { name: 'Wild', parentId: 's2', rules: [rule('r3', { trigger: { kind: 'after', delay: 500_000 }, targetIds: ['s3'] })] }),
    ],
  },
}); // prettier-ignore
const clipping = clipStates(source, 's2');
const named = (gadget: Gadget, name: string) => gadget.flow.states.filter((one) => one.name === name);

describe('states that are copied', () => {
  it('come with all in them, and with their rules, into the same gadget', () => {
    const { gadget, notes } = pasteStates(source, clipping, null);
    expect(notes).toEqual([]);
    expect(openGadget(gadget)).toMatchObject({ outcome: 'opened' });
    const [, copy] = named(gadget, 'Playing');
    const [, wild] = named(gadget, 'Wild');
    expect(wild).toMatchObject({ parentId: copy!.id });
    expect(copy!.initial).toEqual({ targetIds: [wild!.id], actions: [] });
    expect(copy!.rules.map(({ guard }) => guard)).toEqual([null, 'v1 > 3']);
    expect(new Set(gadget.flow.states.flatMap(({ rules }) => rules.map(({ id }) => id))).size).toBe(6);
  });
  it('come into another gadget by name, bring variables and signals along, and say what is missing', () => {
    const other: Gadget = {
      ...pressToLight(),
      outputs: [],
      parts: pressToLight().parts.slice(0, 1),
      flow: chart([state('s1', { name: 'Ready' })]).flow,
    };
    const { gadget, notes } = pasteStates(
      { ...other, flow: { ...other.flow, variables: [], signals: [] } },
      clipping,
      's1',
    );
    expect(gadget.flow.variables.map(({ name }) => name)).toEqual(['count']);
    expect(gadget.flow.signals.map(({ name }) => name)).toEqual(['Boil']);
    expect(named(gadget, 'Playing')[0]!.parentId).toBe('s1');
    expect(named(gadget, 'Playing')[0]!.rules.map((one) => showRule(one, gadget))).toEqual([
      'when signal Boil then Ready',
      'when Stir press if count > 3 then Wild',
    ]);
    expect(notes).toHaveLength(1);
    expect(notes[0]).toContain('Calm: “Lamp on” was left out');
  });
  it('are told from anything else', () => {
    expect(readClipping(JSON.stringify(clipping))).toEqual(clipping);
    for (const text of [
      '',
      '{',
      '[]',
      '{"kind":"hum-lever-states"}',
      JSON.stringify({ ...clipping, states: [{ ...clipping.states[0], in: 0 }] }),
    ])
      expect(readClipping(text)).toBeNull();
  });
  it('change nothing where the document cannot hold them', () => {
    const deep = chart(
      Array.from({ length: 12 }, (_, n) => state(`s${n + 1}`, { parentId: n === 0 ? null : `s${n}` })),
    );
    const { gadget, notes } = pasteStates(deep, clipping, 's12');
    expect(gadget).toBe(deep);
    expect(notes[0]).toContain('in one another');
    expect(
      pasteStates(emptyGadget('New'), { ...clipping, states: clipping.states.slice(0, 1) }, null).gadget.flow
        .initialId,
    ).toBe('s1');
  });
});
