import fc from 'fast-check';
import type { OutputOf } from '../gadget/index.ts';
import { byteUs } from '../midi/index.ts';
import { telling, wired } from '../test/midiCases.ts';
import { toldGadget } from '../test/toldGadget.ts';
import { runs } from '../test/runs.ts';
import { Machine, outputStateOf, wholeGadget } from './index.ts';

/* What comes in by MIDI and goes on: what is chosen, behind what is on its way, and never without its end. */

type Midi = OutputOf<'midi'>;
type In = readonly [atMs: number, ...bytes: number[]];
function played(
  patch: Partial<Midi>,
  comes: readonly In[],
  told: readonly (readonly [atMs: number, text: string])[] = [],
) {
  const machine = new Machine(toldGadget({ ...wired, id: 'o1', transport: 'free', ...patch }, told), 1);
  for (const [atMs, ...bytes] of comes)
    machine.stimulate({ atUs: Math.round(atMs * 1_000), controlId: wholeGadget, what: 'midi', bytes });
  machine.advanceTo(2_000_000);
  const trace = machine.takeTrace();
  return {
    sent: trace.flatMap((entry) => (entry.lane === 'midi' ? [entry.bytes] : [])),
    there: trace.flatMap((entry) => (entry.lane === 'midi' ? [[entry.atUs, entry.bytes[0]]] : [])),
    heard: trace.flatMap((entry) => (entry.lane === 'midiIn' ? [entry.bytes] : [])),
    ...outputStateOf(machine.shown.outputs, 'midi', 'o1')!,
  };
}
const clock = 0xf8;
const exclusive = [0xf0, 125, 1, 2, 0xf7];

describe('what comes in by MIDI', () => {
  const all: In[] = [
    [10, 0x90, 60, 100],
    [20, 0xb2, 1, 5],
    [30, clock],
    [40, ...exclusive],
    [50, 0x80, 60, 0],
  ];
  it('goes nowhere by itself', () => {
    expect(played({}, all).sent).toEqual([]);
  });
  it('goes on as messages of channels, of all or of some, or as everything', () => {
    const messages = all.map(([, ...bytes]) => bytes);
    expect(played({ passes: 'channels' }, all).sent).toEqual([messages[0], messages[1], messages[4]]);
    expect(played({ passes: 'channels', passedChannels: [3] }, all).sent).toEqual([messages[1]]);
    expect(played({ passes: 'everything' }, all).sent).toEqual(messages);
    // Channels are chosen of what has one.
    expect(played({ passes: 'everything', passedChannels: [3] }, all).sent).toEqual([
      messages[1],
      [clock],
      exclusive,
    ]);
  });
  it('goes on whole, however it came in pieces', () => {
    const pieces: In[] = [
      [10, 0x90, 60],
      [20, clock],
      [30, 100, 62],
      [40, 90, 0xf0, 1],
      [50, clock, 2],
      [60, 0xf7],
    ];
    expect(played({ passes: 'everything' }, pieces).sent).toEqual([
      [clock],
      [0x90, 60, 100],
      [0x90, 62, 90],
      [clock],
      [0xf0, 1, 2, 0xf7],
    ]);
  });
  it('hears a system exclusive up to a length, and passes over a longer one and one that is cut off', () => {
    const long = (bytes: number) => [0xf0, ...Array<number>(bytes).fill(7), 0xf7];
    const { heard } = played({}, [
      [10, ...long(256)],
      [20, ...long(257)],
      [30, 0xf0, 5, 0x90, 60, 100],
      [40, ...exclusive],
    ]);
    expect(heard).toEqual([long(256), [0x90, 60, 100], exclusive]);
  });
  it('ends where it began, whatever is chosen meanwhile: notes, pedals, and all notes of a channel', () => {
    const { sent, passed } = played(
      { passes: 'channels' },
      [
        [10, 0x90, 60, 100],
        [11, 0xb0, 64, 127],
        [12, 0x91, 61, 100],
        [13, 0x91, 62, 100],
        [60, 0x90, 72, 100],
        [70, 0x80, 60, 64],
        [80, 0x90, 72, 0],
        [90, 0xb0, 64, 0],
        [95, 0xb0, 64, 0],
        [99, 0xb1, 123, 0],
      ],
      [[50, 'Out pass nothing']],
    );
    expect(sent.slice(4)).toEqual([
      [0x80, 60, 64],
      [0xb0, 64, 0],
      [0xb1, 123, 0],
    ]);
    expect(passed).toEqual([]);
  });
  it('goes on from when a rule says so', () => {
    const { sent } = played(
      {},
      [
        [10, 0x90, 60, 100],
        [60, 0x90, 61, 100],
        [70, 0x80, 60, 0],
        [90, 0x80, 61, 0],
      ],
      [[50, 'Out pass channels']],
    );
    expect(sent).toEqual([
      [0x90, 61, 100],
      [0x80, 60, 0],
      [0x80, 61, 0],
    ]);
  });
  it('waits on the wire for what is on its way; what keeps in step goes first', () => {
    const { there } = played({ passes: 'everything', transport: 'wire' }, [
      [10, 0x90, 60, 100],
      [10, 0x90, 62, 100],
      [10, clock],
    ]);
    expect(there).toEqual([
      [10_000 + 3 * byteUs, 0x90],
      [10_000 + 4 * byteUs, clock],
      [10_000 + 7 * byteUs, 0x90],
    ]);
  });
});

describe('what a gadget sends besides', () => {
  it('keeps others in step, moves controllers finely, and speaks to one maker’s equipment', () => {
    const { sent } = played(
      {},
      [],
      [
        [10, 'Out sync start; Out sync clock; Out sync continue; Out sync stop'],
        [20, 'Out fine 2, 7, 8193; Out fine 1, 40, 20000; Out exclusive 125, 1, 2'],
      ],
    );
    expect(sent).toEqual([
      [0xfa],
      [clock],
      [0xfb],
      [0xfc],
      [0xb1, 7, 64],
      [0xb1, 39, 1],
      [0xb0, 31, 127],
      [0xb0, 63, 127],
      exclusive,
    ]);
  });
  it('leaves the running status as it is for clocks, and ends it with a system exclusive', () => {
    const note = (number: number) => `Out noteOn 1, ${number}, 100`;
    const { there } = played(
      { transport: 'wire', runningStatus: true },
      [],
      [
        [10, `${note(60)}; Out sync clock`],
        [30, `${note(61)}; Out exclusive 1; ${note(62)}`],
      ],
    );
    expect(there.map(([us]) => us)).toEqual([
      10_000 + 3 * byteUs,
      10_000 + 4 * byteUs,
      30_000 + 2 * byteUs,
      30_000 + 5 * byteUs,
      30_000 + 8 * byteUs,
    ]);
  });
  it('takes over USB as many packets as it has bytes for', () => {
    const bytes = Array.from({ length: 60 }, (_, n) => n).join(', ');
    // 62 bytes are 21 packets: a frame has 16 of them.
    const { there } = played({ transport: 'usb' }, [], [[10.5, `Out exclusive ${bytes}; Out sync clock`]]);
    expect(there).toEqual([
      [12_000, clock],
      [14_000, 0xf0],
    ]);
  });
});

describe('notes that come in, of any player', () => {
  const note = fc.constantFrom(60, 61, 62);
  const move = fc.oneof(
    fc.tuple(fc.constant('down' as const), note),
    fc.tuple(fc.constant('up' as const), note),
    fc.tuple(fc.constant('pedal' as const), fc.constantFrom(0, 127)),
  );
  const orders = fc.constantFrom(
    'Out pass nothing',
    'Out pass channels',
    'Out pass everything',
    'Out noteOn 1, 60, 90; Out noteOff 1, 60, 64',
  );
  it('never stick: once all are let go, nothing sounds that went on', () => {
    fc.assert(
      fc.property(
        fc.array(move, { maxLength: 14 }),
        fc.array(orders, { maxLength: 5 }),
        fc.constantFrom('first' as const, 'last' as const),
        fc.constantFrom('free' as const, 'wire' as const, 'usb' as const),
        (moves, told, shared, transport) => {
          const bytesOf = ([what, number]: readonly ['down' | 'up' | 'pedal', number]) =>
            what === 'pedal'
              ? [0xb0, 64, number]
              : [what === 'down' ? 0x90 : 0x80, number, what === 'down' ? 100 : 0];
          const letGo = [60, 61, 62].map((number) => ['up', number] as const);
          const comes = [...moves, ['pedal', 0] as const, ...letGo].map((one, n): In => [
            20 + n * 17,
            ...bytesOf(one),
          ]);
          const orders = told.map((text, n) => [30 + n * 41, text] as const);
          const { receiver, passed } = played({ passes: 'channels', shared, transport }, comes, orders);
          expect(passed).toEqual([]);
          expect(receiver.sounding).toEqual([]);
        },
      ),
      { numRuns: runs(150) },
    );
  });
});

describe('a message that keeps in step', () => {
  it('is a trigger like any other', () => {
    const machine = new Machine(telling(['when midi clock do Out sync stop'], { transport: 'free' }), 1);
    machine.stimulate({ atUs: 100_000, controlId: wholeGadget, what: 'midi', bytes: [0xfa, clock] });
    machine.advanceTo(200_000);
    const sent = machine.takeTrace().flatMap((entry) => (entry.lane === 'midi' ? [entry.bytes] : []));
    expect(sent).toEqual([[0xfc]]);
  });
});

describe('a line on which somebody says that he is there', () => {
  const there = 0xfe;
  const on: In = [20, 0x90, 60, 100];
  const ends = [0x80, 60, 64];
  it('is gone where nothing comes for a third of a second: what went on ends, and there nothing sounds', () => {
    const { there: came, receiver, passed } = played({ passes: 'everything' }, [[10, there], on]);
    // A turn hears it at most a millisecond later; the other end waits as long as this one.
    expect(came.map(([us, status]) => [Math.round(Number(us) / 1_000), status])).toEqual([
      [10, there],
      [20, 0x90],
      [350, 0x80],
      [680, undefined],
    ]);
    expect([receiver.sounding, passed]).toEqual([[], []]);
  });
  it('ends a pedal that went on as well, and is nothing to who never said so', () => {
    const pedal: In = [30, 0xb1, 64, 127];
    expect(played({ passes: 'everything' }, [[10, there], on, pedal]).sent.slice(2)).toEqual([
      [0xb1, 64, 127],
      ends,
      [0xb1, 64, 0],
      [],
    ]);
    expect(played({ passes: 'everything' }, [on, pedal]).sent).toHaveLength(2);
  });
  it('holds as long as anything comes in time', () => {
    const often = Array.from({ length: 6 }, (_, n): In => [310 + n * 300, n % 2 ? clock : there]);
    const { sent, passed } = played({ passes: 'channels' }, [[10, there], on, ...often]);
    expect(sent).toEqual([[0x90, 60, 100]]);
    expect(passed).toHaveLength(1);
  });
  it('is gone at the other end where a bypass keeps it from there, whatever the gadget holds itself', () => {
    const often = Array.from({ length: 7 }, (_, n): In => [10 + n * 300, there]);
    const { sent, receiver } = played({ passes: 'everything' }, often, [
      [400, 'Out noteOn 1, 64, 100'],
      [500, 'Out pass nothing'],
    ]);
    expect(sent).toEqual([[there], [there], [0x90, 64, 100], []]);
    expect(receiver.sounding).toEqual([]);
  });
});
