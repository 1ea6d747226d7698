import { readRule, showRule } from '../flow/index.ts';
import { applyEdit, emptyGadget, type Gadget } from '../gadget/index.ts';
import { rule, state } from '../test/fixtures.ts';
import { addPartEdit, moreLikeEdit } from './index.ts';

/** A key with a light, told what to do when it is pressed, before a rule that takes whatever else happens. */
function keyed(): Gadget {
  let gadget = emptyGadget('Bench');
  gadget = applyEdit(gadget, addPartEdit(gadget, 'lit-key', { name: 'Lane', figures: {} }));
  const [key] = gadget.controls;
  gadget = applyEdit(gadget, {
    name: 'changeControl',
    args: [key!.id, { debounce: { algorithm: 'stable', params: { settleUs: 7_000 }, wholePort: false } }],
  });
  gadget = { ...gadget, flow: { ...gadget.flow, initialId: 's1', states: [state('s1', { name: 'All' })] } };
  const light = gadget.outputs[0]!.name;
  const lines = [`when "${key!.name}" press do "${light}" on`, `when any do "${light}" off`];
  const rules = lines.map((line, n) => rule(`r${n + 1}`, readRule(line, gadget)));
  return { ...gadget, flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules }] } };
}

describe('more like a part', () => {
  const gadget = keyed();
  const more = applyEdit(gadget, moreLikeEdit(gadget, gadget.parts[0]!, 3));

  it('are of its class, numbered, with free keys and set as it is', () => {
    expect(more.parts.map(({ name, kind }) => [name, kind])).toEqual([
      ['Lane', 'lit-key'],
      ['Lane 2', 'lit-key'],
      ['Lane 3', 'lit-key'],
      ['Lane 4', 'lit-key'],
    ]);
    const keys = more.controls.map(({ key }) => key);
    expect(new Set(keys).size).toBe(4);
    for (const one of more.controls) expect(one).toMatchObject({ debounce: { algorithm: 'stable' } });
  });

  it('have its rules for their own ends, in front of what came behind it', () => {
    const said = more.flow.states[0]!.rules.map((one) => showRule(one, more));
    const of = (n: number) => [more.controls[n]!.name, more.outputs[n]!.name];
    expect(said.slice(0, 4)).toEqual(
      [0, 1, 2, 3].map((n) => `when "${of(n)[0]!}" press do "${of(n)[1]!}" on`),
    );
    expect(said[4]).toMatch(/^when any /);
  });

  it('are numbered on from those that are there, and join its sets of keys and layers', () => {
    const key = gadget.controls[0]!;
    const press = readRule(`when any do "${gadget.outputs[0]!.name}" on`, gadget).actions;
    const inSet: Gadget = {
      ...gadget,
      wiring: {
        ...gadget.wiring,
        sets: [{ id: 'k1', name: 'Keys', controlIds: [key.id], scheme: 'direct', params: {}, chords: [] }],
      },
      flow: {
        ...gadget.flow,
        layers: [{ id: 'y1', name: 'Usual', when: null, keys: [{ controlId: key.id, press, release: [] }] }],
      },
    };
    const two = applyEdit(inSet, moreLikeEdit(inSet, inSet.parts[0]!, 1));
    const three = applyEdit(two, moreLikeEdit(two, two.parts[1]!, 1));
    expect(three.parts.map(({ name }) => name)).toEqual(['Lane', 'Lane 2', 'Lane 3']);
    expect(three.wiring.sets[0]!.controlIds).toEqual(three.controls.map(({ id }) => id));
    const [layer] = three.flow.layers;
    expect(layer!.keys.map((one) => ('controlId' in one ? one.controlId : ''))).toEqual(
      three.controls.map(({ id }) => id),
    );
    expect(layer!.keys[2]!.press).toMatchObject([{ outputId: three.outputs[2]!.id }]);
  });

  it('are one step, which is refused as a whole where there is no room', () => {
    expect(() => applyEdit(gadget, moreLikeEdit(gadget, gadget.parts[0]!, 500))).toThrow(
      /at most|too big|expected/i,
    );
  });
});
