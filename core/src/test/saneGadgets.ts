import { contactOf } from '../contact/index.ts';
import {
  emptyFlow,
  type Action,
  type Button,
  type Gadget,
  type Rule,
  type State,
  type Trigger,
} from '../gadget/index.ts';
import { button, gestures, numberVariable, partsFor, pressToLight, rule, state } from './fixtures.ts';

/* Gadgets as a careful maker would have them: nothing may be found in any. */

const say = (text: string): Action => ({ kind: 'text', outputId: 'o2', row: 0, text });
const lamp = (mode: 'on' | 'off'): Action => ({ kind: 'light', outputId: 'o1', light: { mode } });
const set = (value: string, variableId = 'v1'): Action => ({ kind: 'set', variableId, index: null, value });
const on = (controlId: string, gesture: 'press' | 'tap' | 'hold' = 'press'): Trigger => ({
  kind: 'gesture',
  controlId,
  gesture,
});
const to = (id: string, trigger: Trigger, targetIds: string[], patch: Partial<Rule> = {}): Rule =>
  rule(id, { trigger, targetIds, ...patch });
const after = (ms: number): Trigger => ({ kind: 'after', delay: ms * 1_000 });
const key = (id: string, name: string, patch: Partial<Button> = {}): Button =>
  button({
    id,
    name,
    key: null,
    contact: contactOf('dome'),
    wants: { purpose: null, latestUs: null, wrongPerMillion: null },
    ...patch,
  });

function made(states: State[], controls: Button[], patch: Partial<Gadget['flow']> = {}): Gadget {
  const gadget: Gadget = {
    ...pressToLight(),
    controls,
    flow: { ...emptyFlow(), initialId: states[0]!.id, states, ...patch },
  };
  return { ...gadget, parts: partsFor(gadget) };
}

/** The second key on a lead, plugged in beside the first: on its line, and heard as it. */
const pluggedIn = (gadget: Gadget): Gadget => ({
  ...gadget,
  wiring: {
    ...gadget.wiring,
    sets: [
      { id: 'k1', name: 'Socket', controlIds: ['b1', 'b2'], scheme: 'one-line', params: {}, chords: [] },
    ],
  },
});

/** Home and back for whatever is pressed in a state, where nothing else is said. */
export const saneGadgets: Readonly<Record<string, Gadget>> = {
  'a lamp that goes out as what holds two states is left': made(
    [
      state('s1', { name: 'Dark', rules: [to('r1', on('b1'), ['s2'])] }),
      state('s2', {
        name: 'Lit',
        entry: [lamp('on')],
        exit: [lamp('off')],
        initial: { targetIds: ['s3'], actions: [] },
      }),
      state('s3', { name: 'First', parentId: 's2', entry: [say('One')], rules: [to('r2', on('b1'), ['s4'])] }),
      state('s4', { name: 'Second', parentId: 's2', entry: [say('Two')], rules: [to('r3', on('b1'), ['s1'])] }),
    ],
    [key('b1', 'Key')],
  ),
  'a lamp with one key': made(
    [
      state('s1', { name: 'Dark', entry: [lamp('off'), say('Off')], rules: [to('r1', on('b1'), ['s2'])] }),
      state('s2', { name: 'Lit', entry: [lamp('on'), say('On')], rules: [to('r2', on('b1'), ['s1'])] }),
    ],
    [key('b1', 'Switch')],
  ),
  'a lamp with a second key on a lead, plugged in beside its own': pluggedIn(
    made(
      [
        state('s1', { name: 'Dark', entry: [lamp('off'), say('Off')], rules: [to('r1', on('b1'), ['s2'])] }),
        state('s2', { name: 'Lit', entry: [lamp('on'), say('On')], rules: [to('r2', on('b1'), ['s1'])] }),
      ],
      [key('b1', 'Switch'), key('b2', 'Pedal')],
    ),
  ),
  'a duel that punishes an early press and ignores a late one': made(
    [
      state('s1', {
        name: 'Ready', entry: [lamp('off'), say('Ready')],
        rules: [
          to('r1', on('b1'), ['s2']),
          to('r2', on('b2'), [], { actions: [say('Red?')] }),
        ],
      }),
      state('s2', {
        name: 'Wait', entry: [say('Wait')],
        rules: [
          to('r3', { kind: 'after', delay: { ms: '1500 + random(2500)' } }, ['s3']),
          to('r4', on('b1'), ['s5'], { guard: 'elapsed >= 400' }), to('r5', on('b2'), ['s4'], { guard: 'elapsed >= 400' }),
        ],
      }),
      state('s3', {
        name: 'Now', entry: [lamp('on'), say('Now')],
        rules: [to('r6', on('b1'), ['s4']), to('r7', on('b2'), ['s5'])],
      }),
      ...(['s4', 's5'] as const).map((id, n) =>
        state(id, {
          name: `${['Red', 'Blue'][n]!} wins`, entry: [lamp('off'), say(['Red', 'Blue'][n]!)],
          rules: (['b1', 'b2'] as const).map((by, m) =>
            to(`r${8 + 2 * n + m}`, on(by), ['s1'], { guard: 'elapsed >= 500' }),
          ),
        }),
      ),
    ],
    [key('b1', 'Red', { wants: { purpose: 'game', latestUs: null, wrongPerMillion: null } }),
     key('b2', 'Blue', { wants: { purpose: 'game', latestUs: null, wrongPerMillion: null } })],
  ),
  'a panel that sleeps, and wakes without acting': made(
    [
      state('s1', {
        name: 'Awake', entry: [lamp('on'), say('Page {v1}')],
        rules: [
          to('r1', on('b1', 'tap'), [], { actions: [set('v1 + 1'), say('Page {v1}')] }),
          to('r2', after(20_000), ['s2']),
        ],
      }),
      state('s2', { name: 'Asleep', entry: [lamp('off'), say('')], rules: [to('r3', on('b1', 'tap'), ['s1'])] }),
    ],
    [key('b1', 'Page')],
    {
      variables: [numberVariable({ initial: 1, min: 1, max: 9, overflow: 'wrap', saved: null })],
      marks: [{ placeId: 's2', means: 'asleep' }],
    },
  ),
  'a box that asks before it erases': made(
    [
      state('s1', { name: 'Home', entry: [say('Home')], rules: [to('r1', on('b2'), ['s2']), to('r7', on('b1'), [], { actions: [say('Hello')] })] }),
      state('s2', {
        name: 'Erase?', entry: [say('Erase?')],
        rules: [to('r2', on('b1'), ['s3']), to('r3', on('b2'), ['s1'])],
      }),
      state('s3', {
        name: 'Erased', entry: [lamp('on'), say('Gone')], exit: [lamp('off')],
        rules: [to('r4', on('b1'), ['s1']), to('r5', on('b2'), ['s1'])],
      }),
    ],
    [key('b1', 'OK'), key('b2', 'Menu')],
    { marks: [{ placeId: 's3', means: 'lasting' }] },
  ),
  'a button that must be held for what is for good': made(
    [
      state('s1', {
        name: 'Armed', entry: [lamp('off'), say('Hold')],
        rules: [to('r1', on('b1', 'hold'), ['s2']), to('r3', on('b1', 'tap'), [], { actions: [say('Hold it')] })],
      }),
      state('s2', { name: 'Sent', entry: [lamp('on'), say('Sent')], rules: [to('r2', on('b1', 'tap'), ['s1'])] }),
    ],
    [key('b1', 'Send', { gestures: gestures({ holdUs: 1_000_000 }), wants: { purpose: 'destructive', latestUs: null, wrongPerMillion: null } })],
    { marks: [{ placeId: 's2', means: 'lasting' }] },
  ),
  'two regions of which each answers its own key': made(
    [
      state('s1', { name: 'Box', kind: 'parallel', entry: [say('Ready')] }),
      state('s2', { name: 'Lamp', parentId: 's1' }),
      state('s3', { name: 'Lamp off', parentId: 's2', entry: [lamp('off')], rules: [to('r1', on('b1'), ['s4'])] }),
      state('s4', { name: 'Lamp on', parentId: 's2', entry: [lamp('on')], rules: [to('r2', on('b1'), ['s3'])] }),
      state('s5', { name: 'Text', parentId: 's1' }),
      state('s6', { name: 'Plain', parentId: 's5', entry: [say('Plain')], rules: [to('r3', on('b2'), ['s7'])] }),
      state('s7', { name: 'Fancy', parentId: 's5', entry: [say('Fancy')], rules: [to('r4', on('b2'), ['s6'])] }),
    ],
    [key('b1', 'Lamp'), key('b2', 'Text')],
  ),
  'a light that blinks slowly, and a counter that fits': made(
    [
      state('s1', {
        name: 'Idle',
        entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'blink', periodUs: 1_000_000 } }, say('{v1 / 10}.{v1 % 10} s')],
        rules: [to('r1', on('b1'), [], { guard: 'v1 < 990', actions: [set('v1 + 5'), say('{v1 / 10}.{v1 % 10} s')] }),
                to('r2', on('b1'), [], { actions: [set('0'), say('{v1 / 10}.{v1 % 10} s')] })],
      }),
    ],
    [key('b1', 'More')],
    { variables: [numberVariable({ min: 0, max: 1_000_000, overflow: 'hold' })] },
  ),
}; // prettier-ignore
