import {
  emptyFlow,
  emptyGadget,
  gadgetSchema,
  type Action,
  type Flow,
  type Gadget,
  type Output,
  type Rule,
  type Trigger,
} from '../gadget/index.ts';
import { freshEncoder } from '../drawer/index.ts';
import { button, part, rule, unwired } from './fixtures.ts';

/* Keys that send notes, as makers of instruments write them: rules for any key of a set. */

export const anyKey = (gesture: 'press' | 'release'): Trigger => ({ kind: 'keys', setId: 'p1', gesture });
export const ofControl = (controlId: string, gesture: 'press' | 'release' | 'up' | 'down'): Trigger => ({
  kind: 'gesture',
  controlId,
  gesture,
});
export const note = (message: 'noteOn' | 'noteOff', first: string, second = '100'): Action => ({
  kind: 'midi',
  outputId: 'o1',
  message,
  channel: 1,
  first,
  second,
});
export const doing = (id: string, trigger: Trigger, actions: Action[], patch: Partial<Rule> = {}): Rule =>
  rule(id, { trigger, actions, ...patch });

const overMidi: Output = { id: 'o1', kind: 'midi', name: 'Out', ...unwired };

/** So many keys in a set, b1 and on, a button `m1` beside them, an encoder `e1`, and an output `o1`; the document is checked. */
export function keyboard(keys: number, flow: Partial<Flow>, output: Output = overMidi): Gadget {
  const ids = Array.from({ length: keys }, (_, n) => `b${n + 1}`);
  const controls = [
    ...ids.map((id) => button({ id, name: id, key: null })),
    button({ id: 'm1', name: 'Mode', key: null }),
    { ...freshEncoder({ kind: 'encoder', figures: {} }, 'Octave', null, null), id: 'e1' },
  ];
  return gadgetSchema.parse({
    ...emptyGadget('Keyboard'),
    controls,
    outputs: [output],
    parts: [
      part('p1', 'key-matrix', ids),
      part('p2', 'push-button', ['m1']),
      part('p3', 'encoder', ['e1']),
      part('p4', output.kind === 'tone' ? 'piezo' : 'midi-out', ['o1']),
    ],
    flow: { ...emptyFlow(), ...flow },
  });
}
