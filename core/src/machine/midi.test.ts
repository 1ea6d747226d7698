import fc from 'fast-check';
import { midiOverloads, type OutputOf } from '../gadget/index.ts';
import { toldGadget } from '../test/toldGadget.ts';
import { numberVariable, part } from '../test/fixtures.ts';
import { telling, wired as wiredOut } from '../test/midiCases.ts';
import { Machine, outputStateOf, replay, wholeGadget, type Stimulus } from './index.ts';

/* MIDI on its way: bytes take their time, messages wait behind one another, and what has no room meets its policy. */

type Midi = OutputOf<'midi'>;
type Told = readonly (readonly [atMs: number, text: string])[];
const wired: Midi = { ...wiredOut, id: 'o1' };
const gadgetWith = (told: Told, patch: Partial<Midi>) => toldGadget({ ...wired, ...patch }, told);

function played(told: Told, patch: Partial<Midi> = {}, stimuli: Stimulus[] = []) {
  const machine = new Machine(gadgetWith(told, patch), 1);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(500_000);
  const trace = machine.takeTrace();
  const course = trace.flatMap((entry) => {
    if (entry.lane === 'midi') return [[entry.atUs, 'there', entry.bytes[1]]];
    return entry.lane === 'midiWire' ? [[entry.atUs, entry.what, entry.bytes[1]]] : [];
  });
  const busy = trace.flatMap((entry) => (entry.lane === 'busy' ? [[entry.atUs, entry.forUs]] : []));
  return { course, busy, trace, ...outputStateOf(machine.shown.outputs, 'midi', 'o1')! };
}
const there = ({ course }: ReturnType<typeof played>) => course.filter(([, what]) => what === 'there');
const notes = (...numbers: number[]) => numbers.map((number) => `Out noteOn 1, ${number}, 100`).join('; ');

describe('a wire', () => {
  it('carries a byte in 320 µs, one message behind the other', () => {
    const run = played([[10, notes(60, 64, 67)]]);
    expect(run.course).toEqual([
      [10_000, 'begins', 60],
      [10_960, 'there', 60],
      [10_960, 'begins', 64],
      [11_920, 'there', 64],
      [11_920, 'begins', 67],
      [12_880, 'there', 67],
    ]);
    expect(run).toMatchObject({
      receiver: { sounding: [60, 64, 67].map((note) => ({ channel: 1, note, velocity: 100 })) },
      queue: [],
      lost: 0,
    });
    expect(run.busy).toEqual([]);
  });

  it('leaves out a status byte that is the same as the one before, also over a pause', () => {
    const run = played(
      [
        [10, notes(60, 64)],
        [50, `${notes(67)}; Out control 1, 7, 90`],
        [60, notes(69)],
      ],
      { runningStatus: true },
    );
    expect(there(run)).toEqual([
      [10_960, 'there', 60],
      [11_600, 'there', 64],
      [50_640, 'there', 67],
      [51_600, 'there', 7],
      [60_960, 'there', 69],
    ]);
    const lengths = run.trace.flatMap((entry) => (entry.lane === 'midiWire' ? [entry.wireBytes] : []));
    expect(lengths).toEqual([3, 2, 2, 3, 3]);
  });

  it('never carries what was on its way when the power went', () => {
    const off = { atUs: 10_500, controlId: wholeGadget, what: 'power', event: 'cycle' } as const;
    const run = played([[10, notes(60, 64)]], { runningStatus: true }, [off]);
    // Power-up tells the same again, and begins with a whole message.
    expect(run.course.slice(0, 3)).toEqual([
      [10_000, 'begins', 60],
      [10_500, 'lost', 60],
      [10_500, 'lost', 64],
    ]);
    expect(run.course.filter(([at]) => Number(at) < 20_000)).toHaveLength(3);
  });
});

describe('a queue of six bytes that four notes are too many for', () => {
  const told: Told = [[10, notes(60, 64, 67, 69)]];
  const six = { queueBytes: 6 };

  it('lets the loop wait until there is room', () => {
    // The first is on its way, two wait; when the second begins there is room for the last.
    const run = played(told, six);
    expect(there(run).map(([, , note]) => note)).toEqual([60, 64, 67, 69]);
    expect(run.busy).toEqual([[10_000, 960]]);
    expect(run.lost).toBe(0);
  });

  it('loses the newest, or what waited longest', () => {
    const newest = played(told, { ...six, overload: 'newest' });
    expect(there(newest).map(([, , note]) => note)).toEqual([60, 64, 67]);
    expect(newest.course).toContainEqual([10_000, 'lost', 69]);
    const oldest = played(told, { ...six, overload: 'oldest' });
    expect(there(oldest).map(([, , note]) => note)).toEqual([60, 67, 69]);
    expect(oldest.course).toContainEqual([10_000, 'lost', 64]);
    for (const { busy, lost } of [newest, oldest]) expect([busy, lost]).toEqual([[], 1]);
  });

  it('takes the newest value of a controller for an older one, and never a note', () => {
    const sweep = [1, 2, 3, 4, 5].map((value) => `Out control 1, 7, ${value}`).join('; ');
    const run = played([[10, `${sweep}; Out control 1, 8, 9`]], { ...six, overload: 'merge' });
    // 1 is on its way; each that came waited in the place of the one before.
    const arrived = run.trace.flatMap((entry) => (entry.lane === 'midi' ? [entry.bytes.slice(1)] : []));
    expect(arrived).toEqual([
      [7, 1],
      [7, 5],
      [8, 9],
    ]);
    expect([run.busy, run.lost]).toEqual([[], 0]);
    const chord = played(told, { ...six, overload: 'merge' });
    expect(there(chord).map(([, , note]) => note)).toEqual([60, 64, 67, 69]);
    expect(chord.busy).toEqual([[10_000, 960]]);
  });
});

describe('a knob of a thousand steps', () => {
  const does = [
    'when Breath up do Out control 1, 2, value(Breath) / 8',
    'when Key press do Out noteOn 1, 60, 100',
  ];
  // From the middle, where it powers up, to its end, in half of a quick sweep; a key is pressed then.
  const hands: Stimulus[] = [
    { atUs: 100_000, controlId: 'b2', what: 'move', perMille: 1_000, overUs: 150_000 },
    { atUs: 260_000, controlId: 'b1', what: 'down' },
  ];
  const lateUs = (patch: Partial<Midi>) => {
    const trace = replay(telling(does, patch, { steps: 1_001 }), hands, 2_000_000, 1);
    const note = trace.find((entry) => entry.lane === 'midi' && entry.bytes[0] === 0x90)!;
    return note.atUs - 260_000;
  };

  it('keeps a note waiting behind what it told, and not where newer values take the places of older ones', () => {
    // 500 steps of 960 µs are 480 ms, of which 160 are over when the key is pressed.
    expect(lateUs({})).toBeGreaterThan(250_000);
    expect(lateUs({ overload: 'merge' })).toBeLessThan(15_000);
  });
});

describe('what comes in', () => {
  const come = (...pieces: number[][]) => {
    const stimuli = pieces.map((bytes, n) => ({
      atUs: 100_000 + n * 10_000,
      controlId: wholeGadget,
      what: 'midi' as const,
      bytes,
    }));
    const heard = [
      'when midi noteOn do Out noteOn 2, heard(0), heard(1)',
      'when midi bend do Out bend 2, heard(0)',
    ];
    return replay(telling(heard, { transport: 'free' }), stimuli, 300_000, 1).flatMap((entry) =>
      entry.lane === 'midi' ? [entry.bytes] : [],
    );
  };

  it('is heard in whatever pieces it comes, without status bytes that stay the same', () => {
    expect(come([0x90, 60], [100, 64], [90])).toEqual([
      [0x91, 60, 100],
      [0x91, 64, 90],
    ]);
    expect(come([0xe0, 0, 64, 1, 64])).toEqual([
      [0xe1, 0, 64],
      [0xe1, 1, 64],
    ]);
  });

  it('may have a clock, or anything of the system, in the middle', () => {
    expect(come([0x90, 0xf8, 60, 0xfe, 100, 0xf0, 1, 2], [3, 0xf7, 0x90, 62, 80])).toEqual([
      [0x91, 60, 100],
      [0x91, 62, 80],
    ]);
  });

  it('begins anew after the power was off', () => {
    const cycle = { atUs: 105_000, controlId: wholeGadget, what: 'power', event: 'cycle' } as const;
    const midi = (atUs: number, bytes: number[]) => ({
      atUs,
      controlId: wholeGadget,
      what: 'midi' as const,
      bytes,
    });
    const trace = replay(
      telling(['when midi noteOn do Out noteOn 2, heard(0), heard(1)'], { transport: 'free' }),
      [midi(100_000, [0x90, 60]), cycle, midi(110_000, [100, 62, 100])],
      300_000,
      1,
    );
    expect(trace.filter(({ lane }) => lane === 'midi')).toEqual([]);
  });
});

describe('a document that tells without end', () => {
  it('costs no moment without end: what no wire could carry in seconds is lost', () => {
    // A hundred messages in each of hundreds of rounds of one moment.
    const many = Array.from({ length: 100 }, (_, n) => `Out control 1, ${n}, 1`).join('; ');
    const rounds = numberVariable({ id: 'v1', name: 'rounds', initial: 0, min: 0, max: 500 });
    const gadget = telling(
      [`when always if rounds < 200 do rounds = rounds + 1; ${many.slice(0, many.lastIndexOf(';'))}`],
      {},
      {},
      [rounds],
    );
    const machine = new Machine(gadget, 1);
    machine.advanceTo(5_000);
    const { queue, lost } = outputStateOf(machine.shown.outputs, 'midi', 'o4')!;
    expect(queue.length).toBeLessThanOrEqual(4_096);
    expect(queue.length + lost).toBeGreaterThan(4_096);
  });
});

describe('packets over USB', () => {
  const usb = { transport: 'usb', queueBytes: 4_096 } as const;

  it('are taken when the computer asks: sixteen in a millisecond', () => {
    const many = Array.from({ length: 20 }, (_, n) => 40 + n);
    const run = played([[10, notes(...many)]], usb);
    const turnsUs = [...new Set(there(run).map(([at]) => at))];
    expect(turnsUs).toEqual([11_000, 12_000]);
    expect(there(run).filter(([at]) => at === 11_000)).toHaveLength(16);
    expect(there(run).map(([, , note]) => note)).toEqual(many);
  });

  it('are asked for as often as the part says', () => {
    const gadget = gadgetWith([[10, notes(60)]], usb);
    const parts = [part('p1', 'usb-midi', ['o1'], { figures: { frameUs: 4_000 } })];
    const machine = new Machine({ ...gadget, parts }, 1);
    machine.advanceTo(50_000);
    const at = machine.takeTrace().flatMap((entry) => (entry.lane === 'midi' ? [entry.atUs] : []));
    expect(at).toEqual([12_000]);
  });
});

describe('whatever is told', () => {
  const message = fc.oneof(
    fc.integer({ min: 60, max: 63 }).map((note) => `Out noteOn 1, ${note}, 100`),
    fc.integer({ min: 60, max: 63 }).map((note) => `Out noteOff 2, ${note}, 0`),
    fc.integer({ min: 0, max: 127 }).map((value) => `Out control 1, 7, ${value}`),
    fc.integer({ min: 0, max: 127 }).map((program) => `Out program 1, ${program}`),
    fc.integer({ min: 0, max: 16_383 }).map((bend) => `Out bend 1, ${bend}`),
  );
  const course = fc.array(
    fc.tuple(
      fc.integer({ min: 1, max: 8 }),
      fc.array(message, { minLength: 1, maxLength: 8 }).map((all) => all.join('; ')),
    ),
    { minLength: 1, maxLength: 8 },
  );

  it('goes out one after the other at the wire’s own speed, in order, whole, or is lost', () => {
    fc.assert(
      fc.property(
        course,
        fc.record({
          runningStatus: fc.boolean(),
          queueBytes: fc.integer({ min: 3, max: 20 }),
          overload: fc.constantFrom(...midiOverloads),
        }),
        (steps, patch) => {
          let atMs = 0;
          const told = steps.map(([after, text]): [number, string] => [(atMs += after), text]);
          const run = played(told, patch);
          let [freeUs, began, status] = [0, '', 0];
          for (const entry of run.trace) {
            if (entry.lane === 'midi') {
              expect([entry.atUs, entry.bytes.join()]).toEqual([freeUs, began]);
              began = '';
            }
            if (entry.lane !== 'midiWire' || entry.what === 'lost') continue;
            expect(began).toBe('');
            expect(entry.atUs).toBeGreaterThanOrEqual(freeUs);
            const spared = patch.runningStatus && entry.bytes[0] === status ? 1 : 0;
            expect(entry.wireBytes).toBe(entry.bytes.length - spared);
            status = entry.bytes[0]!;
            freeUs = entry.atUs + entry.wireBytes * 320;
            began = entry.bytes.join();
          }
          expect(run.queue).toEqual([]);
          if (patch.overload === 'wait' || patch.overload === 'merge') expect(run.lost).toBe(0);
          const lost = run.course.filter(([, what]) => what === 'lost').length;
          expect(run.lost).toBe(lost);
          const all = told.reduce((sum, [, text]) => sum + text.split('; ').length, 0);
          if (patch.overload !== 'merge') expect(there(run).length + lost).toBe(all);
        },
      ),
      { seed: 11, numRuns: 150 },
    );
  });

  it('can be cut anywhere and goes on from JSON the same', () => {
    fc.assert(
      fc.property(course, fc.integer({ min: 0, max: 60_000 }), (steps, cutUs) => {
        let atMs = 0;
        const told = steps.map(([after, text]): [number, string] => [(atMs += after), text]);
        const gadget = gadgetWith(told, { runningStatus: true, queueBytes: 12 });
        const whole = new Machine(gadget, 1);
        whole.advanceTo(200_000);
        const first = new Machine(gadget, 1);
        first.advanceTo(cutUs);
        const before = first.takeTrace();
        const second = Machine.restore(gadget, JSON.parse(JSON.stringify(first.snapshot())) as never);
        second.advanceTo(200_000);
        expect([...before, ...second.takeTrace()]).toEqual(whole.takeTrace());
      }),
      { seed: 12, numRuns: 60 },
    );
  });
});
