import * as fc from 'fast-check';
import { gadgetSchema, type Action, type Gadget, type Output, type Variable } from '../gadget/index.ts';
import { noteHz } from '../notes/index.ts';
import { state } from '../test/fixtures.ts';
import { anyKey, doing, keyboard, ofControl } from '../test/keyboard.ts';
import { runs } from '../test/runs.ts';
import { Machine, outputStateOf, type Stimulus } from './index.ts';

/* Notes that keys hold: what each began is what it ends. */

const chords: Variable = {
  id: 'v1', kind: 'table', name: 'Chords', saved: null, columns: 3,
  numbers: [60, 64, 67, 62, 65, 69, 60, 255, 255, 125, 126, 255],
}; // prettier-ignore
const rows = { key: 'heard(0)', variableId: 'v1', row: 'heard(0)' };
const play = (patch: Partial<Extract<Action, { kind: 'play' }>> = {}): Action => ({
  kind: 'play', outputId: 'o1', channel: 2, ...rows, by: 'v2', velocity: '90', again: 'strike', ...patch,
}); // prettier-ignore
const letGo: Action = { kind: 'letGo', outputId: 'o1', key: 'heard(0)' };
const up: Variable = {
  id: 'v2', kind: 'number', name: 'up', saved: null, initial: 0, min: -24, max: 24, overflow: 'hold', unit: '',
}; // prettier-ignore
const turning = [
  doing('r8', ofControl('e1', 'up'), [{ kind: 'set', variableId: 'v2', index: null, value: 'v2 + 12' }]),
];

function instrument(press: Action[], release: Action[], mode: Action[] = [], output?: Output): Gadget {
  const rules = [
    doing('r1', anyKey('press'), press),
    doing('r2', anyKey('release'), release),
    doing('r3', ofControl('m1', 'press'), mode),
    ...turning,
  ];
  const states = [state('s1', { rules })];
  return keyboard(4, { initialId: 's1', variables: [chords, up], states }, output);
}
const withOutput = (gadget: Gadget, patch: Partial<Output>): Gadget =>
  gadgetSchema.parse({ ...gadget, outputs: gadget.outputs.map((one) => ({ ...one, ...patch })) });

type Hand = readonly [atMs: number, controlId: string, what: 'down' | 'up' | 'turn'];
const stimulus = ([atMs, controlId, what]: Hand): Stimulus =>
  what === 'turn'
    ? { atUs: atMs * 1_000, controlId, what, detents: 1, overUs: 50_000 }
    : { atUs: atMs * 1_000, controlId, what };
function played(gadget: Gadget, hands: readonly Hand[], untilMs = 2_000) {
  const machine = new Machine(gadget, 1);
  for (const hand of hands) machine.stimulate(stimulus(hand));
  machine.advanceTo(untilMs * 1_000);
  const trace = machine.takeTrace();
  return {
    sent: trace.flatMap((entry) => (entry.lane === 'midi' ? [entry.bytes] : [])),
    tones: trace.flatMap((entry) =>
      entry.lane === 'tone' ? [[Math.round(entry.atUs / 1_000), entry.hz]] : [],
    ),
    machine,
  };
}
const on = (note: number, velocity = 90) => [0x91, note, velocity];
const off = (note: number) => [0x81, note, 64];

describe('notes over MIDI that keys hold', () => {
  it('are those of the row, and end as they began, whatever has changed since', () => {
    const { sent, machine } = played(instrument([play()], [letGo]), [
      [100, 'b1', 'down'],
      [300, 'e1', 'turn'],
      [500, 'b1', 'up'],
      [700, 'b1', 'down'],
    ]);
    expect(sent).toEqual([
      ...[60, 64, 67].map((note) => on(note)),
      ...[60, 64, 67].map(off),
      ...[72, 76, 79].map((note) => on(note)),
    ]);
    expect(outputStateOf(machine.shown.outputs, 'midi', 'o1')!.held).toEqual([
      { key: 0, notes: [72, 76, 79], channel: 2 },
    ]);
  });

  it('that two keys share end with the last of them, or with the first, as it is set', () => {
    const hands: Hand[] = [
      [100, 'b1', 'down'],
      [300, 'b3', 'down'],
      [500, 'b1', 'up'],
      [700, 'b3', 'up'],
    ];
    const gadget = instrument([play()], [letGo]);
    expect(played(gadget, hands).sent.slice(3)).toEqual([on(60), off(64), off(67), off(60)]);
    const first = withOutput(gadget, { shared: 'first' } as Partial<Output>);
    expect(played(first, hands).sent.slice(3)).toEqual([on(60), off(60), off(64), off(67), off(60)]);
  });

  it('leave out empty cells and what moving brings beyond 127; velocity 0 would end a note, and is 1', () => {
    const gadget = instrument([play({ by: '2', velocity: '0' })], [letGo]);
    expect(played(gadget, [[100, 'b4', 'down']]).sent).toEqual([on(127, 1)]);
    expect(played(instrument([play({ velocity: '900' })], []), [[100, 'b3', 'down']]).sent).toEqual([
      on(60, 127),
    ]);
    for (const patch of [{ row: '99' }, { row: '-1' }, { key: '128' }, { key: '-1' }])
      expect(played(instrument([play(patch)], [letGo]), [[100, 'b1', 'down']]).sent).toEqual([]);
  });

  it('are struck anew by a press while they sound, or let go by it (latch)', () => {
    const again: Hand[] = [
      [100, 'b3', 'down'],
      [200, 'b3', 'up'],
      [400, 'b3', 'down'],
      [500, 'b3', 'up'],
      [700, 'b3', 'down'],
    ];
    expect(played(instrument([play()], []), again).sent).toEqual([on(60), off(60), on(60), off(60), on(60)]);
    expect(played(instrument([play({ again: 'letGo' })], []), again).sent).toEqual([on(60), off(60), on(60)]);
  });

  it('all end at once where that is told, each once', () => {
    const { sent } = played(instrument([play()], [letGo], [{ kind: 'letAllGo', outputId: 'o1' }]), [
      [100, 'b1', 'down'],
      [200, 'b3', 'down'],
      [400, 'm1', 'down'],
      [600, 'b1', 'up'],
    ]);
    expect(sent.slice(4)).toEqual([64, 67, 60].map(off));
  });

  it('leave nothing on once all is let go, whatever was pressed, turned and pressed again', () => {
    const hand = fc.tuple(
      fc.integer({ min: 1, max: 150 }),
      fc.constantFrom('b1', 'b2', 'b3', 'b4', 'e1', 'm1'),
    );
    fc.assert(
      fc.property(fc.array(hand, { maxLength: 30 }), fc.constantFrom('first', 'last'), (moves, shared) => {
        const gadget = withOutput(instrument([play()], [letGo]), { shared } as Partial<Output>);
        const down = new Set<string>();
        let atMs = 0;
        const hands = moves.map(([gap, id]): Hand => {
          atMs += gap + 20;
          if (id === 'e1') return [atMs, id, 'turn'];
          const what = down.has(id) ? 'up' : 'down';
          if (what === 'up') down.delete(id);
          else down.add(id);
          return [atMs, id, what];
        });
        const rest = [...down].map((id, n): Hand => [atMs + 100 + n * 60, id, 'up']);
        const { machine, sent } = played(gadget, [...hands, ...rest], atMs + 2_000);
        const { held, receiver } = outputStateOf(machine.shown.outputs, 'midi', 'o1')!;
        expect({ held, sounding: receiver.sounding }).toEqual({ held: [], sounding: [] });
        // The plain way to know: each note-on has a note-off behind it.
        const open = new Set<number>();
        for (const [status, note] of sent)
          if (status === 0x91) open.add(note!);
          else open.delete(note!);
        expect([...open]).toEqual([]);
      }),
      { seed: 4, numRuns: runs(40) },
    );
  });
});

describe('notes on a sounder that keys hold', () => {
  const sing: Action = { kind: 'sing', outputId: 'o1', ...rows, by: 'v2' };
  const hush: Action = { kind: 'hush', outputId: 'o1', key: 'heard(0)' };
  const piezo = (takes: string, patch: object = {}): Output =>
    ({ id: 'o1', kind: 'tone', name: 'Piezo', lowHz: 50, highHz: 5_000, pitched: 'exact', takes, turnUs: 20_000, perOctave: 12, blocking: false, nearCm: 40, ...patch }) as Output; // prettier-ignore
  const sounding = (takes: string, mode: Action[] = [], patch: object = {}): Gadget =>
    instrument([sing], [hush], mode, piezo(takes, patch));
  const hz = (note: number, perOctave = 12) => Math.round(noteHz(note, perOctave));
  const two: Hand[] = [
    [100, 'b3', 'down'],
    [300, 'b2', 'down'],
    [500, 'b2', 'up'],
    [700, 'b3', 'up'],
  ];
  it.each([
    ['last', [60, 69, 60]],
    ['first', [60]],
    ['lowest', [60]],
    ['highest', [60, 69, 60]],
  ])('one at a time, the %s: what waits is heard again', (takes, notes) => {
    const { tones } = played(sounding(takes), two);
    expect(tones.map(([, pitch]) => pitch)).toEqual([...notes.map((note) => hz(note)), 0]);
  });

  it('all in turns, each as long as is set, low ones first', () => {
    const { tones } = played(sounding('turns'), [
      [100, 'b1', 'down'],
      [200, 'b1', 'up'],
    ]);
    const turns = tones.slice(0, 5);
    expect(turns.map(([, pitch]) => pitch)).toEqual([60, 64, 67, 60, 64].map((note) => hz(note)));
    expect(turns.map(([atMs], n) => (n === 0 ? 20 : atMs! - turns[n - 1]![0]!))).toEqual([
      20, 20, 20, 20, 20,
    ]);
    expect(tones.at(-1)![1]).toBe(0);
  });

  it('wait while something sounds that has an end, and are heard again behind it; silence lets them go', () => {
    const effect: Action = { kind: 'tone', outputId: 'o1', hz: '2000', lengthUs: 150_000 };
    const hands: Hand[] = [
      [100, 'b3', 'down'],
      [300, 'm1', 'down'],
      [350, 'b2', 'down'],
      [800, 'b2', 'up'],
    ];
    const { tones } = played(sounding('last', [effect]), hands);
    expect(tones.map(([, pitch]) => pitch)).toEqual([hz(60), 2_000, hz(69), hz(60)]);
    const quiet = played(sounding('last', [{ kind: 'silence', outputId: 'o1' }]), hands.slice(0, 2));
    expect(quiet.tones.map(([, pitch]) => pitch)).toEqual([hz(60), 0]);
    expect(outputStateOf(quiet.machine.shown.outputs, 'tone', 'o1')!.held).toEqual([]);
  });

  it('follow another temperament', () => {
    const { tones } = played(sounding('last', [], { perOctave: 19 }), two);
    expect(tones.map(([, pitch]) => pitch)).toEqual([hz(60, 19), hz(69, 19), hz(60, 19), 0]);
  });
});
