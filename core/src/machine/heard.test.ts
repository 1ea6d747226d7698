import { emptyFlow, emptyGadget, openGadget, type Gadget, type Rule } from '../gadget/index.ts';
import { checkGadget } from '../snag/index.ts';
import { numberVariable, rule, state } from '../test/fixtures.ts';
import { replay, wholeGadget, type Stimulus } from './index.ts';

/* What an event carries: a rule that hears a note reads which one, how hard, and on which channel. */

const noteOn: Rule['trigger'] = { kind: 'midi', message: 'noteOn', channel: null, number: null };
const set = (variableId: string, value: string) => ({ kind: 'set', variableId, index: null, value }) as const;
const gadget: Gadget = {
  ...emptyGadget('Heard'),
  flow: {
    ...emptyFlow(),
    variables: ['note', 'loud', 'channel', 'later'].map((name, n) =>
      numberVariable({ id: `v${n + 1}`, name, initial: 0, min: 0, max: 200 }),
    ),
    signals: [{ id: 'g1', name: 'echo' }],
    initialId: 's1',
    states: [
      state('s1', {
        name: 'Listening',
        rules: [
          rule('r1', { trigger: noteOn, guard: 'heard(0) == 72 && heard(1) > 100', targetIds: ['s2'] }),
          rule('r2', {
            trigger: noteOn,
            actions: [
              set('v1', 'heard(0)'),
              set('v2', 'heard(1) + heard(7)'),
              set('v3', 'heard(2)'),
              { kind: 'raise', signalId: 'g1', delay: 1_000 },
            ],
          }),
          rule('r3', { trigger: { kind: 'signal', signalId: 'g1' }, actions: [set('v4', '5 + heard(0)')] }),
        ],
      }),
      state('s2', { name: 'High and loud', rules: [rule('r4', { trigger: noteOn, targetIds: ['s1'] })] }),
    ],
  },
};
const play = (...notes: [atMs: number, ...bytes: number[]][]) => {
  const touches = notes.map(([atMs, ...bytes]): Stimulus => ({
    atUs: atMs * 1_000,
    controlId: wholeGadget,
    what: 'midi',
    bytes,
  }));
  const trace = replay(gadget, touches, 200_000, 1);
  return {
    states: trace.flatMap((entry) => (entry.lane === 'state' ? [entry.id] : [])),
    values: trace.flatMap((entry) => (entry.lane === 'variable' ? [[entry.id, entry.value]] : [])),
  };
};

describe('what an event carries', () => {
  it('is read by actions, and gone when something else is answered', () => {
    expect(openGadget(gadget).outcome).toBe('opened');
    expect(play([10, 0x93, 64, 90]).values).toEqual([
      ['v1', 64],
      ['v2', 90],
      ['v3', 4],
      // The echo carries nothing.
      ['v4', 5],
    ]);
  });
  it('is read by guards, anew for every event', () => {
    expect(play([10, 0x90, 72, 90], [30, 0x90, 71, 120]).states).toEqual(['s1']);
    expect(play([10, 0x90, 72, 90], [30, 0x90, 72, 120]).states).toEqual(['s1', 's2']);
  });
  it('is not tried in full by a walk, so that nothing is said never to happen', () => {
    const accused = checkGadget(gadget).snags.filter(({ rule: id }) => ['L01', 'L05'].includes(id));
    expect(accused).toEqual([]);
  });
});
