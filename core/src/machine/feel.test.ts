import * as fc from 'fast-check';
import { contactOf, straightenBy, wiperCount } from '../contact/index.ts';
import { readKnob, unreadKnob } from '../gesture/index.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import {
  emptyFlow,
  type Button,
  type Chord,
  type Codes,
  type Control,
  type Gadget,
  type Knob,
  type Trigger,
} from '../gadget/index.ts';
import {
  button,
  frozen,
  gestures,
  ideal,
  part,
  partsFor,
  pressToLight,
  rule,
  setting,
  state,
} from '../test/fixtures.ts';
import {
  Machine,
  replay,
  type EntryOf,
  type Lane,
  type Stimulus,
  type Touch,
  type TraceEntry,
} from './index.ts';

/** A gadget of these controls whose one state counts what they say: a rule for each trigger. */
function listening(controls: Control[], triggers: Trigger[], patch: Partial<Gadget> = {}): Gadget {
  const gadget: Gadget = {
    ...pressToLight(),
    controls,
    flow: {
      ...emptyFlow(),
      initialId: 's1',
      states: [state('s1', { rules: triggers.map((trigger, n) => rule(`r${n + 1}`, { trigger })) })],
    },
    ...patch,
  };
  return { ...gadget, parts: patch.parts ?? partsFor(gadget) };
}
const at = (ms: number, controlId: string, touch: Touch): Stimulus => ({
  atUs: ms * 1_000,
  controlId,
  ...touch,
});
const press = (ms: number, heldMs: number, id = 'b1'): Stimulus[] => [
  at(ms, id, { what: 'down' }),
  at(ms + heldMs, id, { what: 'up' }),
];
const run = (gadget: Gadget, stimuli: Stimulus[], untilMs: number, seed = 1) =>
  replay(
    frozen(gadget),
    [...stimuli].sort((a, b) => a.atUs - b.atUs),
    untilMs * 1_000,
    seed,
  );
const of = <L extends Lane>(trace: readonly TraceEntry[], lane: L, id?: string) =>
  trace.filter(
    (entry): entry is EntryOf<L> =>
      entry.lane === lane && (id === undefined || ('id' in entry && entry.id === id)),
  );
const clean = (trace: readonly TraceEntry[], id = 'b1') =>
  of(trace, 'clean', id).map((entry) => `${entry.level}@${entry.atUs / 1_000}`);

const two = (patch: Partial<Button> = {}): [Button, Button] => [
  button({ contact: ideal, ...patch }),
  button({ id: 'b2', name: 'Fan', key: null, contact: ideal, ...patch }),
];

describe('keys together', () => {
  const chord: Chord = {
    id: 'c1',
    name: 'Both',
    controlIds: ['b1', 'b2'],
    windowUs: 60_000,
    ordered: false,
    holdUs: null,
    waits: true,
  };
  const gadget = listening(
    two(),
    [
      { kind: 'chord', chordId: 'c1' },
      { kind: 'gesture', controlId: 'b1', gesture: 'press' },
    ],
    { chords: [chord] },
  );
  const fired = (trace: readonly TraceEntry[]) =>
    of(trace, 'rule').map(({ id, atUs: us }) => `${id}@${us / 1_000}`);

  it('fire the rule of their chord and not that of the single press', () => {
    const trace = run(gadget, [...press(10, 90), ...press(40, 90, 'b2')], 400);
    expect(of(trace, 'chord')).toEqual([{ atUs: 40_000, lane: 'chord', id: 'c1' }]);
    expect(fired(trace)).toEqual(['r1@40']);
  });
  it('apart, the single press comes when the window has passed', () => {
    expect(fired(run(gadget, press(10, 90), 400))).toEqual(['r2@70']);
  });
});

describe('between contact and pin', () => {
  it('a resistor and a capacitor make the pin late, and swallow what is shorter', () => {
    const gadget = pressToLight({ contact: ideal, debounce: setting('rc', {}) });
    const trace = run(gadget, [...press(10, 90), ...press(300, 3)], 600);
    expect(of(trace, 'pin').map((entry) => [entry.atUs, entry.level])).toEqual([
      [15_659, 1],
      [105_659, 0],
    ]);
    expect(clean(trace)).toEqual(['1@16', '0@106']);
    expect(of(trace, 'swallowed')).toMatchObject([{ press: 2, reason: 'too-short' }]);
  });

  it('a blocking delay stands everything still, other keys too', () => {
    const [first, second] = two();
    const gadget = listening([{ ...first, debounce: setting('blocking', { waitUs: 30_000 }) }, second], []);
    const trace = run(gadget, [...press(10, 90), ...press(15, 8, 'b2')], 400);
    expect(of(trace, 'blocked')[0]).toMatchObject({ atUs: 10_000, untilUs: 40_000 });
    expect(clean(trace)).toEqual(['1@40', '0@130']);
    expect(of(trace, 'swallowed')).toMatchObject([{ id: 'b2', reason: 'blocked' }]);
  });

  it('one timer for a port waits until the whole port is steady, one for each does not', () => {
    const debounce = setting('stable', { settleUs: 10_000 });
    const shared = listening(two({ debounce: { ...debounce, wholePort: true } }), []);
    const own = listening(two({ debounce }), []);
    const hands = [...press(10, 90), ...press(16, 90, 'b2')];
    expect(clean(run(own, hands, 400))[0]).toBe('1@20');
    expect(clean(run(shared, hands, 400))[0]).toBe('1@26');
  });

  it('a lockout of a port is deaf to every key of it', () => {
    const debounce = { ...setting('lockout', { lockUs: 40_000 }), wholePort: true };
    const trace = run(listening(two({ debounce }), []), [...press(10, 90), ...press(30, 90, 'b2')], 400);
    expect(clean(trace, 'b2')[0]).toBe('1@50');
  });
});

describe('a restless contact', () => {
  it('spikes while nobody presses, and a method that waits does not hear them', () => {
    const contact = { ...ideal, glitchPerHour: 36_000, glitchMaxUs: 2_000 };
    const spiky = (debounce: Button['debounce']) => run(pressToLight({ contact, debounce }), [], 5_000);
    const heard = spiky(setting('none', {}));
    expect(of(heard, 'contact').length).toBeGreaterThan(40);
    expect(of(heard, 'clean').length).toBeGreaterThan(10);
    expect(of(heard, 'finger')).toEqual([]);
    expect(of(spiky(setting('stable', { settleUs: 5_000 })), 'clean')).toEqual([]);
  });

  it('breaks off while held, as often as its figures say, and never otherwise', () => {
    const contact = { ...ideal, chatterPerMinute: 600, chatterMaxUs: 2_000 };
    const trace = run(pressToLight({ contact, debounce: setting('none', {}) }), press(100, 4_000), 6_000);
    const breaks = of(trace, 'contact').filter((entry) => entry.level === 0);
    expect(breaks.length).toBeGreaterThan(20);
    expect(breaks.length).toBeLessThan(80);
    expect(breaks.every((entry) => entry.atUs >= 100_000 && entry.atUs <= 4_100_000)).toBe(true);
    expect(of(trace, 'contact').at(-1)).toMatchObject({ level: 0 });
  });

  it('plays the presses of a capture instead of drawing any', () => {
    const capture = {
      id: 'x1',
      name: 'Spare',
      presses: [{ heldUs: 50_000, closeUs: [0, 700, 1_900], openUs: [0, 250, 400] }],
    };
    const gadget = {
      ...pressToLight({ contact: { ...contactOf('leaf'), captureId: 'x1' } }),
      captures: [capture],
    };
    const edges = of(run(gadget, press(10, 90), 300), 'contact').map((entry) => [
      entry.atUs / 1_000,
      entry.level,
    ]);
    expect(edges).toEqual([
      [10, 1],
      [10.7, 0],
      [11.9, 1],
      [100, 0],
      [100.25, 1],
      [100.4, 0],
    ]);
  });

  it('a pad is late by its rise, and sticks once it has drifted over its threshold', () => {
    const pad = contactOf('touch');
    const at1 = run(pressToLight({ contact: pad }), press(10, 200), 500);
    expect(of(at1, 'contact')[0]!.atUs).toBeGreaterThan(15_000);
    const drifting = { ...pad, touch: { ...pad.touch!, driftPerMillePerMinute: 1_000, recalibrateUs: null } };
    const stuck = run(pressToLight({ contact: drifting }), [], 40_000);
    expect(of(stuck, 'contact')).toEqual([{ atUs: 30_000_000, lane: 'contact', id: 'b1', level: 1 }]);
    expect(of(stuck, 'gesture').map(({ gesture }) => gesture)).toEqual(['press']);
    const sinking = { ...pad, touch: { ...pad.touch!, driftPerMillePerMinute: -1_000, recalibrateUs: null } };
    const deaf = run(pressToLight({ contact: sinking }), press(40_000, 200), 41_000);
    expect(of(deaf, 'swallowed')).toMatchObject([{ reason: 'deaf' }]);
  });
});

describe('an encoder', () => {
  const dial = (reading = {}, figures: Record<string, number> = {}, periodUs = 500): Gadget => {
    const fresh = freshEncoder({ kind: 'encoder', figures: { countsPerDetent: 4 } }, 'Dial', null, null);
    const control: Control = {
      ...fresh,
      id: 'b1',
      contact: { ...ideal, model: 'encoder' },
      reading: { ...fresh.reading, ...reading },
    };
    const triggers: Trigger[] = [
      { kind: 'gesture', controlId: 'b1', gesture: 'up' },
      { kind: 'gesture', controlId: 'b1', gesture: 'down' },
    ];
    return listening([control], triggers, {
      outputs: [],
      loop: { periodUs },
      parts: [part('p1', 'encoder', ['b1'], { figures })],
    });
  };
  const turn = (ms: number, detents: number, overMs: number) =>
    at(ms, 'b1', { what: 'turn', detents, overUs: overMs * 1_000 });
  const fired = (trace: readonly TraceEntry[]) => of(trace, 'rule').map(({ id }) => id);

  it('turned by three clicks fires its rule three times, and back the other rule', () => {
    expect(fired(run(dial(), [turn(10, 3, 300)], 600))).toEqual(['r1', 'r1', 'r1']);
    expect(fired(run(dial(), [turn(10, -2, 300)], 600))).toEqual(['r2', 'r2']);
    expect(fired(run(dial({ reversed: true }), [turn(10, 2, 300)], 600))).toEqual(['r2', 'r2']);
  });
  it('read too seldom misses counts and says which', () => {
    const trace = run(dial({}, {}, 20_000), [turn(10, 10, 200)], 600);
    expect(of(trace, 'counted').some(({ skipped }) => skipped)).toBe(true);
    expect(fired(trace).length).toBeLessThan(10);
  });
  it('by interrupt misses none on the same loop', () => {
    expect(fired(run(dial({}, { interrupts: 1 }, 20_000), [turn(10, 10, 200)], 600))).toHaveLength(10);
  });
  it('counts quick steps more often where it accelerates', () => {
    const faster = { fromUs: 40_000, most: 4 };
    expect(fired(run(dial({ faster }), [turn(10, 4, 40)], 600)).length).toBeGreaterThan(8);
    expect(fired(run(dial({ faster }), [turn(10, 4, 800)], 1_200))).toHaveLength(4);
  });
  it('bounces on both channels like any contact', () => {
    const fresh = dial();
    const bouncing = {
      ...fresh,
      controls: [{ ...(fresh.controls[0] as Button), contact: contactOf('encoder') }] as Control[],
    };
    const trace = run(bouncing, [turn(10, 5, 1_000)], 1_500);
    expect(of(trace, 'channel').length).toBeGreaterThan(20);
    expect(fired(trace)).toHaveLength(5);
  });
});

describe('a knob', () => {
  const knob = (patch: object = {}, reading: object = {}): Gadget => {
    const fresh = freshKnob({ kind: 'potentiometer', figures: {} }, 'Level', null, null);
    const control: Control = { ...fresh, id: 'b1', ...patch, reading: { ...fresh.reading, ...reading } };
    return listening([control], [{ kind: 'gesture', controlId: 'b1', gesture: 'up' }], {
      outputs: [],
      parts: [part('p1', 'potentiometer', ['b1'])],
    });
  };
  const move = (ms: number, perMille: number, overMs: number) =>
    at(ms, 'b1', { what: 'move', perMille, overUs: overMs * 1_000 });

  it('moved up fires a rule for each step, and its value says where it got to', () => {
    const trace = run(knob(), [move(50, 700, 300)], 1_000);
    expect(of(trace, 'value').at(-1)).toMatchObject({ value: 70 });
    expect(of(trace, 'rule')).toHaveLength(of(trace, 'value').at(-1)!.step - 50);
  });
  it('at rest is not read where no noise could move it, and flickers where one could', () => {
    const machine = new Machine(knob(), 1);
    machine.advanceTo(1_000_000);
    expect(machine.nextUs).toBeNull();
    const noisy = { wiper: { bits: 10, noisePpm: 4_000, cracklePerMille: 0, cracklePpm: 0, sagPpm: 0 } };
    expect(of(run(knob(noisy, { hysteresisCounts: 0 }), [], 5_000), 'value').length).toBeGreaterThan(20);
  });
  it('reads as if it had been read every time, whatever was left out while it rested', () => {
    let skipped = 0;
    fc.assert(
      fc.property(
        fc.constantFrom('none' as const, 'mean' as const, 'median' as const, 'exponential' as const),
        fc.integer({ min: 1, max: 24 }),
        fc.constantFrom(0, 300, 900),
        fc.integer({ min: 0, max: 5 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 1_000 }), fc.integer({ min: 0, max: 3_000 })), {
          maxLength: 4,
        }),
        fc.nat(1_000_000),
        (filter, readings, noisePpm, hysteresisCounts, hands, seed) => {
          const wiper = { bits: 10, noisePpm, cracklePerMille: 0, cracklePpm: 0, sagPpm: 0 };
          const gadget = knob({ wiper }, { filter, readings, hysteresisCounts, everyUs: 10_000 });
          const control = gadget.controls[0] as Knob;
          let atUs = 0;
          const moves = hands.map(([perMille, afterMs]) => {
            atUs += afterMs * 1_000 + 1;
            return { atUs, controlId: 'b1', what: 'move' as const, perMille, overUs: 120_000 };
          });
          const endUs = atUs + 2_000_000;
          const machine = new Machine(gadget, seed);
          for (const one of moves) machine.stimulate(one);
          machine.advanceTo(endUs);
          if (machine.nextUs === null) skipped += 1;
          const got = of(machine.takeTrace(), 'value').map(({ atUs, step }) => [atUs, step]);
          // The plainest reading there is: every ten milliseconds, from power-up on.
          const straighten = straightenBy('linear');
          let state = unreadKnob;
          const wanted: number[][] = [];
          for (let n = 0; n * 10_000 <= endUs; n += 1) {
            const nowUs = n * 10_000;
            let [from, to, sinceUs, overUs] = [500, 500, 0, 0];
            const place = (at: number) =>
              from + (to - from) * (overUs === 0 ? 1 : Math.min(1, (at - sinceUs) / overUs));
            for (const one of moves)
              if (one.atUs <= nowUs)
                [from, to, sinceUs, overUs] = [place(one.atUs), one.perMille, one.atUs, one.overUs];
            const moment = { way: place(nowUs) / 1_000, moving: nowUs < sinceUs + overUs, loaded: false };
            const count = wiperCount(wiper, 'linear', moment, seed, 0x3000, n);
            const read = readKnob(state, count, control.reading, straighten);
            state = read.state;
            if (read.moved !== 0) wanted.push([nowUs, state.step!]);
          }
          expect(got).toEqual(wanted);
        },
      ),
      { seed: 82, numRuns: 200 },
    );
    expect(skipped).toBeGreaterThan(60);
  });
  it('hears the supply sag while a light is on', () => {
    const sagging = pressToLight({ contact: ideal });
    const fresh = freshKnob({ kind: 'potentiometer', figures: {} }, 'Level', null, null);
    const control: Control = {
      ...fresh,
      id: 'b2',
      wiper: { bits: 10, noisePpm: 0, cracklePerMille: 0, cracklePpm: 0, sagPpm: 100_000 },
    };
    const gadget = {
      ...sagging,
      controls: [...sagging.controls, control],
      parts: [...sagging.parts, part('p9', 'potentiometer', ['b2'])],
    };
    const values = of(run(gadget, press(500, 90), 2_000), 'value');
    expect(values.length).toBeGreaterThan(0);
    expect(values[0]!.value).toBeLessThan(50);
    expect(values[0]!.atUs).toBeGreaterThanOrEqual(500_000);
  });
});

describe('a receiver', () => {
  const remote = (wrongPerMille: number): Gadget => {
    const code = (id: string, number: number) => ({
      id,
      name: id,
      code: number,
      wrongPerMille,
      latencyUs: 40_000,
    });
    const control: Codes = {
      id: 'b1',
      kind: 'codes',
      name: 'Remote',
      key: null,
      codes: [code('d1', 16), code('d2', 17)],
      repeatsEveryUs: 110_000,
      heldGapUs: 250_000,
    };
    const triggers: Trigger[] = (['press', 'repeat', 'release'] as const).map((gesture) => ({
      kind: 'code',
      codeId: 'd1',
      gesture,
    }));
    return listening([control], triggers, { outputs: [], parts: [part('p1', 'code-receiver', ['b1'])] });
  };
  const send = (ms: number, codeId: string, heldMs: number) =>
    at(ms, 'b1', { what: 'send', codeId, heldUs: heldMs * 1_000 });

  it('hears a held key as one press that repeats, late by its latency, and lets go after the gap', () => {
    const trace = run(remote(0), [send(100, 'd1', 250)], 2_000);
    expect(of(trace, 'rule').map(({ id, atUs: us }) => `${id}@${us / 1_000}`)).toEqual([
      'r1@140',
      'r2@250',
      'r2@360',
      'r3@611',
    ]);
  });
  it('takes one for another as often as its figures say', () => {
    const keys = Array.from({ length: 200 }, (_, n) => send(n * 1_000, 'd1', 0));
    const heard = of(run(remote(300), keys, 201_000), 'heard');
    const wrong = heard.filter(({ codeId, sentId }) => codeId !== sentId).length;
    expect(heard).toHaveLength(200);
    expect(wrong).toBeGreaterThan(35);
    expect(wrong).toBeLessThan(85);
  });
});

it('an edit while running keeps dial, knob and keys that are held together', () => {
  const fresh = freshKnob({ kind: 'potentiometer', figures: {} }, 'Level', null, null);
  const knob: Control = { ...fresh, id: 'b3' };
  const gadget = listening([...two({ gestures: gestures() }), knob], []);
  const machine = new Machine(gadget, 1);
  machine.stimulate(at(10, 'b3', { what: 'move', perMille: 900, overUs: 0 }));
  machine.stimulate(at(20, 'b1', { what: 'down' }));
  machine.advanceTo(200_000);
  const before = machine.takeTrace();
  expect(of(before, 'value').at(-1)).toMatchObject({ value: 91 });
  const edited = {
    ...gadget,
    controls: gadget.controls.map((one) =>
      one.id === 'b3' ? { ...knob, reading: { ...knob.reading, steps: 11 } } : one,
    ),
  };
  expect(machine.adopt(edited)).toEqual({ restarted: null, waits: [] });
  machine.stimulate(at(300, 'b1', { what: 'up' }));
  machine.stimulate(at(310, 'b3', { what: 'move', perMille: 1_000, overUs: 0 }));
  machine.advanceTo(600_000);
  const trace = machine.takeTrace();
  expect(of(trace, 'gesture', 'b1').map(({ gesture }) => gesture)).toEqual(['release', 'tap']);
  expect(of(trace, 'value')).toMatchObject([{ value: 100 }]);
});
