import { freshWork } from '../kernel/index.ts';
import { emptyFlow, type Gadget, type Layer } from '../gadget/index.ts';
import { button, frozen, numberVariable, partsFor, pressToLight, rule, state } from '../test/fixtures.ts';
import { compileFlow, eventCodes, powerUp, stepFlow, type Effect } from './index.ts';

const typed = (text: string) => ({ kind: 'type' as const, outputId: 'o9', text });
const layer = (id: string, when: Layer['when'], keys: Layer['keys']): Layer => ({ id, name: id, when, keys });
const bare: Gadget = {
  ...pressToLight(),
  controls: ['b1', 'b2', 'b3'].map((id) => button({ id, name: id, key: null })),
  outputs: [...pressToLight().outputs, { id: 'o9', kind: 'typist', name: 'Typist' }],
  flow: {
    ...emptyFlow(),
    variables: [numberVariable({})],
    initialId: 's1',
    states: [
      state('s1', {
        rules: [
          rule('r1', {
            trigger: { kind: 'gesture', controlId: 'b2', gesture: 'press' },
            actions: [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }],
          }),
        ],
      }),
    ],
    layers: [
      layer('y1', null, [
        { controlId: 'b1', press: [typed('a')], release: [typed('A')] },
        { controlId: 'b2', press: [typed('b')], release: [] },
      ]),
      layer('y2', { kind: 'held', controlId: 'b3' }, [
        { controlId: 'b1', press: [typed('x')], release: [typed('X')] },
      ]),
      layer('y3', { kind: 'on', condition: 'v1 > 1' }, [
        { controlId: 'b2', press: [typed('z')], release: [] },
      ]),
    ],
  },
};
const gadget = frozen({ ...bare, parts: partsFor(bare) });

/** Plays presses and releases, as b1+ and b1-; returns what was typed. */
function play(...keys: string[]): string {
  const { tables } = compileFlow(gadget);
  const codes = eventCodes(gadget);
  const held = new Set<string>();
  const around = {
    nowUs: 0,
    seed: 1,
    work: freshWork(),
    control: (number: number) => (held.has(gadget.controls[number]!.id) ? 1 : 0),
  };
  const { state: now } = powerUp(tables, around);
  const text = (effects: readonly Effect[]) =>
    effects.flatMap((effect) =>
      effect.kind === 'output' && effect.order.kind === 'type' ? [effect.order.text] : [],
    );
  return keys
    .flatMap((key) => {
      const id = key.slice(0, -1);
      if (key.endsWith('+')) held.add(id);
      else held.delete(id);
      const gesture = key.endsWith('+') ? 'press' : 'release';
      return text(stepFlow(tables, now, codes.gesture(id, gesture), around).effects);
    })
    .join('');
}

describe('layers', () => {
  it('give the same keys another meaning while a key is held, and let the rest through', () => {
    expect(play('b1+', 'b1-', 'b2+', 'b2-')).toBe('aAb');
    expect(play('b3+', 'b1+', 'b1-', 'b2+', 'b2-', 'b3-', 'b1+', 'b1-')).toBe('xXbaA');
  });
  it('let a key go in the layer that it was pressed in: nothing sticks', () => {
    expect(play('b3+', 'b1+', 'b3-', 'b1-')).toBe('xX');
    expect(play('b1+', 'b3+', 'b1-', 'b1+', 'b1-')).toBe('aAxX');
  });
  it('are on while a condition holds, and rules hear the press after them', () => {
    expect(play('b2+', 'b2-', 'b2+', 'b2-', 'b2+', 'b2-')).toBe('bbz');
  });
});
