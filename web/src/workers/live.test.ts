import {
  emptyFlow,
  Machine,
  readGadgetText,
  replay,
  type Button,
  type Gadget,
  type Rule,
  type TraceEntry,
} from '@hum-lever/core';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ears } from '../outputs/voices.ts';
import { setting } from '../test/gadgets.ts';
import { History } from './history.ts';
import { withChange, type Seen } from './changes.ts';
import { LiveMachine, type SoundingAt } from './live.ts';
import type { Command, Report } from './protocol.ts';

const read = readGadgetText(
  readFileSync(join(__dirname, '../../../core/src/test/stored/kettle.json'), 'utf8'),
);
if (read.outcome !== 'opened') throw new Error(read.message);
const kettle: Gadget = read.gadget;

/** A live machine on a clock that the test moves, with reports copied as a worker would. */
class Rig {
  nowMs = 0;
  reports: Report[] = [];
  private wake: { atMs: number; call: () => void } | null = null;
  /** @param looked what the time is, from how often it was looked at: a computer that is slow */
  readonly live: LiveMachine;
  constructor(
    private readonly looked: () => number = () => 0,
    heard?: (moments: readonly SoundingAt[], fromMs: number) => void,
  ) {
    this.live = new LiveMachine({
      nowMs: () => (this.nowMs += this.lateMs()),
      post: (report) => this.reports.push(structuredClone(report)),
      ...(heard && {
        sound: (moments: readonly SoundingAt[], fromMs: number) => heard(structuredClone(moments), fromMs),
      }),
      wakeAfter: (ms, call) => (this.wake = { atMs: this.nowMs + ms, call }),
    });
  }
  private looks = 0;
  private lateMs(): number {
    const seen = this.looked();
    const late = seen - this.looks;
    this.looks = seen;
    return late;
  }
  send(...commands: Command[]) {
    commands.forEach((command) => this.live.obey(command));
  }
  load(gadget = kettle) {
    this.send({ kind: 'load', gadget, seed: 5, script: [] });
  }
  pass(ms: number) {
    const until = this.nowMs + ms;
    while (this.wake && this.wake.atMs <= until) {
      const { atMs, call } = this.wake;
      this.wake = null;
      this.nowMs = Math.max(this.nowMs, atMs);
      call();
    }
    this.nowMs = Math.max(this.nowMs, until);
  }
  finger(down: boolean, atMs = this.nowMs) {
    this.send({ kind: 'touch', controlId: 'b1', touch: { what: down ? 'down' : 'up' }, atMs });
  }
  press(heldMs = 90) {
    this.finger(true);
    this.pass(heldMs);
    this.finger(false);
    this.pass(30);
  }
  /** The trace as the page has it: without what became void. */
  get seen(): TraceEntry[] {
    return this.reports.reduce<TraceEntry[]>((seen, report) => {
      if (report.kind === 'cut') return seen.filter(({ atUs }) => atUs <= report.atUs);
      return report.kind === 'slice' ? [...(report.fresh ? [] : seen), ...report.entries] : seen;
    }, []);
  }
  get trace(): TraceEntry[] {
    return this.reports.flatMap((report) => (report.kind === 'slice' ? report.entries : []));
  }
  last<K extends Report['kind']>(kind: K) {
    return this.reports.findLast((report) => report.kind === kind) as Extract<Report, { kind: K }>;
  }
  get state() {
    return this.present.shown.stateIds.at(-1);
  }
  /** What the page sees, of all that it was told. */
  get present(): Seen {
    return this.reports.reduce<Seen | null>(
      (seen, report) => (report.kind === 'slice' ? withChange(seen, report.seen) : seen),
      null,
    )!;
  }
  get past(): Seen {
    return withChange(null, this.last('past').seen);
  }
}

let rig: Rig;
beforeEach(() => {
  rig = new Rig();
  rig.load();
});

describe('the live machine', () => {
  it('plays in real time exactly as the replay of what hands did', () => {
    rig.pass(730);
    rig.press();
    rig.pass(2_345);
    rig.press(130);
    rig.pass(400);
    rig.send({ kind: 'collect' });
    const { seed, stimuli, endUs } = rig.last('collected');
    expect(stimuli).toHaveLength(4);
    expect(replay(kettle, stimuli, endUs, seed)).toEqual(rig.trace);
  });

  it('reports nothing and wakes seldom while nothing happens', () => {
    const before = rig.reports.length;
    rig.pass(3_600_000);
    expect(rig.trace.every(({ atUs: at }) => at === 0)).toBe(true);
    expect(rig.reports.length - before).toBeLessThanOrEqual(60);
  });

  it('stands still while paused, for fingers too, and steps by event', () => {
    rig.press();
    rig.send({ kind: 'pause' });
    const at = rig.last('slice').clock;
    expect(at.speed).toBe(0);
    rig.pass(5_000);
    expect(rig.last('slice').clock.nowUs).toBe(at.nowUs);
    rig.send({ kind: 'step' });
    expect(rig.last('slice').clock.nowUs).toBeGreaterThan(at.nowUs);
    rig.send({ kind: 'run' });
    rig.pass(1_000);
    expect(rig.last('slice').clock.nowUs).toBeGreaterThan(at.nowUs + 400_000);
  });

  it('plays slowly', () => {
    rig.press();
    rig.send({ kind: 'speed', factor: 0.25 });
    const from = rig.last('slice').clock.nowUs;
    rig.pass(4_000);
    rig.send({ kind: 'pause' });
    expect(rig.last('slice').clock.nowUs - from).toBe(1_000_000);
  });

  it('plays on to a moment at once, as it would have come to it, and pauses there', () => {
    rig.press();
    rig.send({ kind: 'playOnTo', atUs: 90_000_000 });
    rig.pass(10);
    expect(rig.last('slice')).toMatchObject({ running: false, clock: { nowUs: 90_000_000, speed: 0 } });
    rig.send({ kind: 'collect' });
    const { seed, stimuli, endUs } = rig.last('collected');
    expect(endUs).toBe(90_000_000);
    const played = replay(kettle, stimuli, endUs, seed);
    expect(rig.seen.slice(-100)).toEqual(played.slice(-100));
    // Time that has come there stays there, and goes on in its own pace.
    rig.pass(5_000);
    expect(rig.last('slice').clock.nowUs).toBe(90_000_000);
    rig.send({ kind: 'run' });
    rig.pass(1_000);
    rig.send({ kind: 'pause' });
    expect(rig.last('slice').clock.nowUs).toBe(91_000_000);
  });

  it('plays on to no moment that was, and to none beyond an hour', () => {
    rig.pass(2_000);
    rig.send({ kind: 'playOnTo', atUs: 500_000 });
    expect(rig.last('slice')).toMatchObject({ running: false, clock: { nowUs: 2_000_000 } });
    rig.send({ kind: 'playOnTo', atUs: Number.MAX_SAFE_INTEGER });
    rig.pass(60_000);
    expect(rig.last('slice')).toMatchObject({ running: false, clock: { nowUs: 3_602_000_000 } });
  });

  it('shows any moment of the past as it was, across marks, edits and presses', () => {
    const seen: { atUs: number; shown: string }[] = [];
    const note = () => {
      rig.send({ kind: 'pause' }, { kind: 'run' });
      seen.push({ atUs: rig.last('slice').clock.nowUs, shown: JSON.stringify(rig.present) });
    };
    for (let i = 0; i < 8; i += 1) {
      note();
      // A press at that very moment would belong to it.
      rig.pass(3);
      rig.press(60 + 7 * i);
      note();
      rig.pass(377);
      if (i === 4) rig.send({ kind: 'edit', gadget: { ...kettle, loop: { periodUs: 2_000 } } });
      note();
    }
    for (const { atUs, shown } of seen.reverse()) {
      rig.send({ kind: 'scrub', toUs: atUs });
      expect({ atUs: rig.last('past').atUs, shown: JSON.stringify(rig.past) }).toEqual({
        atUs,
        shown,
      });
    }
    // Looking changed nothing.
    rig.send({ kind: 'present' });
    expect(JSON.stringify(rig.present)).toBe(seen[0]!.shown);
  });

  it('goes on from the past as a trial of what was done until then', () => {
    rig.pass(500);
    rig.press();
    rig.pass(700);
    rig.send({ kind: 'scrub', toUs: 300_000 }, { kind: 'goOnFromHere' });
    expect(rig.last('cut').atUs).toBe(300_000);
    expect(rig.state).toBe('s1');
    rig.press();
    expect(rig.state).toBe('s2');
    rig.send({ kind: 'collect' });
    const { stimuli, seed, endUs } = rig.last('collected');
    expect(stimuli.map(({ atUs }) => atUs)).toEqual([300_000, 390_000]);
    const states = replay(kettle, stimuli, endUs, seed).filter(({ lane }) => lane === 'state');
    expect(states.map((entry) => 'id' in entry && entry.id)).toEqual(['s1', 's2']);
  });

  it('a press that a busy page tells late is as long as it was', () => {
    rig.pass(500);
    rig.finger(true, 480);
    rig.pass(400);
    rig.finger(false, 590);
    // Stamps that cannot be are not believed: neither from the future nor from long ago.
    rig.pass(4_100);
    rig.finger(true, 99_000);
    rig.pass(90);
    rig.finger(false, -1);
    rig.send({ kind: 'collect' });
    const at = rig.last('collected').stimuli.map(({ atUs }) => atUs);
    expect(at.slice(0, 3)).toEqual([480_000, 590_000, 5_000_000]);
    expect(at[3]).toBeGreaterThanOrEqual(5_000_000);
    expect(at[3]).toBeLessThanOrEqual(5_090_000);
  });

  it('plays what is told late as if it had been told in time, whatever else was done meanwhile', () => {
    const holding: Gadget = {
      ...kettle,
      controls: kettle.controls.flatMap((one): Gadget['controls'] =>
        one.kind === 'button'
          ? [
              { ...one, gestures: { ...one.gestures, holdUs: 500_000 } },
              { ...one, id: 'b9', name: 'Other', key: null },
            ]
          : [one],
      ),
    };
    rig.load(holding);
    const taps = (id: string) =>
      rig.seen
        .filter((entry) => entry.lane === 'gesture' && entry.id === id)
        .map((entry) => 'gesture' in entry && entry.gesture);
    rig.pass(1_000);
    rig.finger(true, 1_000);
    rig.pass(300);
    // Another key is told in time, and then what the page was too busy to tell.
    rig.send({ kind: 'touch', controlId: 'b9', touch: { what: 'down' }, atMs: 1_300 });
    rig.pass(561);
    expect(taps('b1')).toContain('hold');
    rig.finger(false, 1_090);
    rig.pass(400);
    expect(taps('b1')).toEqual(['press', 'release', 'tap']);
    expect(taps('b9')).toEqual(['press', 'hold']);
    rig.send({ kind: 'collect' });
    const { seed, stimuli, endUs } = rig.last('collected');
    expect(stimuli.map(({ atUs }) => atUs)).toEqual([1_000_000, 1_090_000, 1_300_000]);
    expect(rig.seen).toEqual(replay(holding, stimuli, endUs, seed));
    expect(rig.present.places).toMatchObject({ b1: 0, b9: 1 });
  });

  it('an edit does not take anyone out of the past', () => {
    rig.pass(100);
    rig.press();
    rig.pass(700);
    rig.send({ kind: 'scrub', toUs: 0 }, { kind: 'edit', gadget: { ...kettle, loop: { periodUs: 2_000 } } });
    expect(rig.reports.at(-1)).toMatchObject({ kind: 'past', atUs: 0 });
    expect(rig.past.shown.stateIds).toEqual(['s1']);
    expect(rig.last('slice').pastUs).toBe(0);
    rig.send({ kind: 'present' });
    expect(rig.last('slice')).toMatchObject({ pastUs: null });
    expect(rig.state).toBe('s2');
  });

  it('fingers do not reach into the past', () => {
    rig.pass(400);
    rig.send({ kind: 'scrub', toUs: 100_000 });
    const before = rig.reports.length;
    rig.finger(true);
    expect(rig.reports).toHaveLength(before);
  });

  it('takes over an edit while running, and says so where it had to restart', () => {
    rig.press();
    rig.send({
      kind: 'edit',
      gadget: {
        ...kettle,
        controls: [{ ...(kettle.controls[0] as Button), debounce: setting('stable', { settleUs: 200_000 }) }],
      },
    });
    expect(rig.last('slice')).toMatchObject({ adopted: { restarted: null } });
    expect(rig.state).toBe('s2');
    rig.send({ kind: 'edit', gadget: { ...kettle, flow: emptyFlow() } });
    expect(rig.last('slice')).toMatchObject({ adopted: { restarted: 'gone' } });
    expect(rig.present.shown.stateIds).toEqual([]);
  });

  it('plays what hands have planned at its very time, and forgets it with a look at the past', () => {
    rig.send({
      kind: 'plan',
      moves: [
        { afterUs: 340_000, controlId: 'b1', touch: { what: 'up' } },
        { afterUs: 250_000, controlId: 'b1', touch: { what: 'down' } },
      ],
    });
    const beganUs = rig.last('slice').clock.nowUs;
    rig.pass(600);
    rig.send({ kind: 'collect' });
    const made = rig.last('collected').stimuli.slice(-2);
    expect(made.map(({ atUs, what }) => [what, atUs >= beganUs])).toEqual([
      ['down', true],
      ['up', true],
    ]);
    expect(made[1]!.atUs - made[0]!.atUs).toBe(90_000);
    rig.send({ kind: 'plan', moves: [{ afterUs: 100_000, controlId: 'b1', touch: { what: 'down' } }] });
    rig.send({ kind: 'scrub', toUs: 0 });
    rig.send({ kind: 'present' });
    rig.send({ kind: 'run' });
    rig.pass(500);
    rig.send({ kind: 'collect' });
    expect(rig.last('collected').stimuli.slice(-2)).toEqual(made);
  });

  it('plays a script by itself', () => {
    rig.send({
      kind: 'load',
      gadget: kettle,
      seed: 9,
      script: [
        { atUs: 250_000, controlId: 'b1', what: 'down' },
        { atUs: 340_000, controlId: 'b1', what: 'up' },
      ],
    });
    rig.pass(300);
    expect(rig.state).toBe('s2');
    rig.send({ kind: 'collect' });
    expect(rig.last('collected').stimuli).toHaveLength(2);
  });

  it('tells of a failure instead of stopping silently', () => {
    const broken = {
      ...kettle,
      controls: [
        { ...(kettle.controls[0] as Button), debounce: { algorithm: 'magic', params: {}, wholePort: false } },
      ],
    };
    rig.send({ kind: 'edit', gadget: broken });
    expect(rig.last('failed').message).toContain('expected a debounce algorithm');
  });
});

describe('what sounds', () => {
  const piezo = kettle.outputs.find(({ kind }) => kind === 'tone')!;
  const [other] = kettle.controls;
  /** Sounds for 60 ms every 100 ms, and a press begins a higher tone. */
  const ticking: Gadget = {
    ...kettle,
    menus: [],
    flow: {
      ...emptyFlow(),
      initialId: 's1',
      states: [
        {
          ...kettle.flow.states[0]!,
          id: 's1',
          parentId: null,
          kind: 'plain',
          initial: null,
          entry: [],
          exit: [],
          rules: [
            ticks('r1', { kind: 'every', delay: 100_000 }, 440, 60_000),
            ticks('r2', { kind: 'gesture', controlId: other!.id, gesture: 'press' }, 880, 30_000),
          ],
        },
      ],
    },
    brief: { ...kettle.brief, tasks: [] },
  };
  function ticks(id: string, trigger: Rule['trigger'], hz: number, lengthUs: number): Rule {
    const tone = { kind: 'tone', outputId: piezo.id, hz: String(hz), lengthUs } as const;
    return { id, trigger, guard: null, actions: [tone], targetIds: [], internal: false };
  }
  const pitches = (moments: readonly SoundingAt[]) =>
    moments.map(({ atMs, sounding }) => [
      Math.round(atMs),
      Object.values(sounding).map(({ hz }) => hz)[0] ?? 0,
    ]);
  /** As a loudspeaker has it that knows since when: what was told to come later is void where it is told anew. */
  let told: (SoundingAt & { sinceMs: number })[];
  beforeEach(() => {
    told = [];
    rig = new Rig(undefined, (moments, fromMs) => {
      expect(moments.every(({ atMs }, n) => atMs >= (moments[n - 1]?.atMs ?? fromMs))).toBe(true);
      const known = new Map(told.map((one) => [one.atMs, one.sinceMs]));
      const more = moments.map((one) => ({ ...one, sinceMs: known.get(one.atMs) ?? rig.nowMs }));
      told = [...told.filter(({ atMs }) => atMs < fromMs), ...more];
    });
    rig.pass(1_000);
    rig.load(ticking);
  });
  const heard = () => told.filter(({ atMs }) => atMs <= rig.nowMs);
  const after = (ms: number) => pitches(heard()).filter(([atMs]) => atMs! >= ms);

  it('is told with the real time of its moment, and nothing while nothing changes', () => {
    rig.pass(250);
    expect(pitches(heard())).toEqual([
      [1_000, 0],
      [1_100, 440],
      [1_160, 0],
      [1_200, 440],
    ]);
  });
  it('is told long before, so that a worker that stands still delays nothing', () => {
    rig.pass(50);
    // A third of a second in which nobody wakes it.
    rig.nowMs += 330;
    expect(after(1_050)).toEqual([[1_100, 440], [1_160, 0], [1_200, 440], [1_260, 0], [1_300, 440], [1_360, 0]]); // prettier-ignore
    rig.pass(2_000);
    const all = heard().filter(({ atMs }) => atMs > 1_000);
    expect(all.length).toBeGreaterThan(40);
    expect(all.every(({ atMs, sinceMs }) => atMs - sinceMs > 50)).toBe(true);
  });
  it('is told before after a long rest, too', () => {
    const [state] = ticking.flow.states;
    const rules = [{ ...state!.rules[0]!, trigger: { kind: 'every' as const, delay: 3_000_000 } }];
    rig.load({ ...ticking, flow: { ...ticking.flow, states: [{ ...state!, rules }] } });
    rig.pass(10_000);
    const tones = told.filter(({ sounding }) => Object.keys(sounding).length > 0);
    expect(tones.length).toBeGreaterThanOrEqual(3);
    expect(tones.every(({ atMs, sinceMs }) => atMs - sinceMs > 350)).toBe(true);
  });
  it('of which a press was not foreseen is told anew', () => {
    rig.pass(110);
    expect(told.some(({ atMs, sounding }) => Math.round(atMs) === 1_160 && !Object.keys(sounding).length)).toBe(true); // prettier-ignore
    rig.finger(true);
    rig.pass(190);
    // 880 Hz for 30 ms in place of the rest of 440 Hz.
    const [[pressedMs], ...rest] = after(1_105).filter(([, hz]) => hz !== 440) as [number[], ...number[][]];
    expect(pressedMs! - 1_110).toBeLessThan(25);
    expect(rest.map(([atMs]) => atMs)).toEqual([pressedMs! + 30, 1_260]);
  });
  it('is in the end what happened, whatever came between', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.record({ what: fc.constant('pass' as const), ms: fc.integer({ min: 1, max: 300 }) }),
            fc.record({ what: fc.constant('late' as const), ms: fc.integer({ min: 1, max: 300 }) }),
            fc.record({ what: fc.constantFrom('down' as const, 'up' as const, 'edit' as const) }),
            fc.record({ what: fc.constant('plan' as const), ms: fc.integer({ min: 1, max: 300 }) }),
          ),
          { maxLength: 30 },
        ),
        (deeds) => {
          told = [];
          rig.nowMs = 1_000;
          rig.reports = [];
          rig.load(ticking);
          for (const deed of deeds) {
            // What a hand does late takes back what has sounded already: that is another test.
            if (deed.what === 'pass') rig.pass(deed.ms);
            else if (deed.what === 'late') rig.nowMs += deed.ms;
            else if (deed.what === 'edit') rig.send({ kind: 'edit', gadget: { ...ticking } });
            else if (deed.what === 'plan') {
              const moves = [true, false].map((down, n) => ({ afterUs: (deed.ms + n * 70) * 1_000, controlId: other!.id, touch: { what: down ? 'down' : 'up' } as const })); // prettier-ignore
              rig.send({ kind: 'plan', moves });
            } else rig.finger(deed.what === 'down');
          }
          rig.pass(400);
          const ears = new Ears(ticking, {});
          let was = JSON.stringify({});
          const played: [number, string][] = [];
          for (const entry of rig.seen) {
            if (!ears.hear(entry)) continue;
            const atMs = 1_000 + entry.atUs / 1_000;
            if (played.at(-1)?.[0] === atMs) played.pop();
            played.push([atMs, JSON.stringify(ears.sounding)]);
          }
          const changes = (all: [number, string][]) => {
            was = JSON.stringify({});
            return all.filter(([, is]) => is !== was && ((was = is), true)).map(([atMs, is]) => [Math.round(atMs * 1_000), is]); // prettier-ignore
          };
          const sounded = heard().map(({ atMs, sounding }): [number, string] => [atMs, JSON.stringify(sounding)]); // prettier-ignore
          expect(changes(sounded)).toEqual(changes(played));
        },
      ),
      { numRuns: 150 },
    );
  });
  it('comes at its moment however late the worker is', () => {
    rig.pass(50);
    rig.nowMs += 300;
    rig.pass(10);
    expect(after(1_050)).toEqual([[1_100, 440], [1_160, 0], [1_200, 440], [1_260, 0], [1_300, 440], [1_360, 0]]); // prettier-ignore
  });
  it('goes as slowly as time does', () => {
    rig.send({ kind: 'speed', factor: 0.25 });
    rig.pass(700);
    expect(after(1_001)).toEqual([
      [1_400, 440],
      [1_640, 0],
    ]);
  });
  it('falls silent with a pause and with a look at the past, and is there again afterwards', () => {
    rig.pass(120);
    rig.send({ kind: 'pause' });
    rig.pass(500);
    rig.send({ kind: 'run' });
    rig.pass(10);
    expect(after(1_110)).toEqual([
      [1_120, 0],
      [1_620, 440],
    ]);
    rig.send({ kind: 'scrub', toUs: 10_000 });
    rig.pass(300);
    rig.send({ kind: 'present' });
    expect(after(1_621)).toEqual([
      [1_630, 0],
      [1_930, 0],
    ]);
  });
  it('is not heard on the way to a moment that is gone to at once', () => {
    rig.pass(10);
    rig.send({ kind: 'playOnTo', atUs: 20_000_000 });
    rig.pass(1_000);
    expect(after(1_001).every(([, hz]) => hz === 0)).toBe(true);
  });
  it('of a press that is told late is told at its time, in place of what was told since', () => {
    // It was told already that the tone ends at 1,160 ms.
    rig.pass(170);
    const pressedMs = rig.nowMs - 30;
    rig.finger(true, pressedMs);
    rig.pass(30);
    const pressed = after(pressedMs).find(([, hz]) => hz !== 440);
    expect(pressed![1]).toBe(880);
    expect(pressed![0]! - pressedMs).toBeLessThan(25);
  });
  it('is what it was after an edit, and nothing after the power went', () => {
    rig.pass(120);
    rig.send({ kind: 'edit', gadget: { ...ticking, name: 'Another name' } });
    expect(pitches(heard()).at(-1)).toEqual([1_120, 440]);
    rig.send({
      kind: 'touch',
      controlId: 'gadget',
      touch: { what: 'power', event: 'cycle' },
      atMs: rig.nowMs,
    });
    rig.pass(5);
    expect(pitches(heard()).at(-1)![1]).toBe(0);
  });
});

describe('a gadget that is dear, or never comes to rest', () => {
  const rules = (count: number) =>
    Array.from({ length: count }, (_, n) => ({
      id: `r${n + 1}`,
      trigger: { kind: 'every' as const, delay: 1_000 },
      guard: null,
      actions: [],
      targetIds: [],
      internal: false,
    }));
  const dear: Gadget = {
    ...kettle,
    flow: {
      ...emptyFlow(),
      initialId: 's1',
      states: [
        { ...kettle.flow.states[0]!, id: 's1', parentId: null, entry: [], exit: [], rules: rules(100) },
      ],
    },
    brief: { ...kettle.brief, tasks: [] },
  };
  const endless: Gadget = {
    ...dear,
    flow: {
      ...dear.flow,
      states: [
        {
          ...dear.flow.states[0]!,
          rules: [
            {
              ...rules(1)[0]!,
              trigger: { kind: 'gesture', controlId: 'b1', gesture: 'press' },
              targetIds: ['s2'],
            },
          ],
        },
        {
          ...dear.flow.states[0]!,
          id: 's2',
          rules: [{ ...rules(1)[0]!, id: 'r2', trigger: { kind: 'always' } }],
        },
      ],
    },
  };

  /** A slow computer: its clock goes on by so much with every look. */
  const slowClock = (perLookMs: number) => {
    let looks = 0;
    rig = new Rig(() => (looks += perLookMs));
    return rig;
  };

  it('stands still with a reason, which the past knows of, and time can be walked back', () => {
    rig.load(endless);
    rig.pass(1_000);
    rig.press();
    rig.pass(2_000);
    expect(rig.last('slice').still).toMatchObject({ excess: 'rounds', cause: { kind: 'rule', id: 'r2' } });
    expect(rig.trace.filter(({ lane }) => lane === 'still')).toHaveLength(1);
    rig.send({ kind: 'scrub', toUs: 500_000 });
    expect(rig.last('past').still).toBeNull();
    rig.send({ kind: 'scrub', toUs: 2_000_000 });
    expect(rig.last('past').still).not.toBeNull();
    rig.send({ kind: 'scrub', toUs: 500_000 }, { kind: 'goOnFromHere' });
    expect(rig.last('slice')).toMatchObject({ still: null, running: true });
  });

  it('plays slower where it cannot keep up, says so, and can be paused', () => {
    slowClock(20);
    rig.load(dear);
    rig.pass(3_000);
    const { slow, clock } = rig.last('slice');
    expect(slow).toMatchObject({ cause: { kind: 'rule' } });
    expect(slow!.share).toBeLessThan(0.9);
    expect(clock.speed).toBe(slow!.share);
    rig.send({ kind: 'pause' });
    expect(rig.last('slice').running).toBe(false);
  });

  it.each([
    ['a pause', { kind: 'pause' }, false],
    ['letting time run', { kind: 'run' }, true],
    ['a look at the past', { kind: 'scrub', toUs: 1_000 }, false],
  ] as const)('on its way to a moment it listens: %s ends it', (_what, command, running) => {
    slowClock(20);
    rig.load(dear);
    rig.send({ kind: 'playOnTo', atUs: 600_000_000 });
    rig.pass(200);
    const { clock, running: onItsWay } = rig.last('slice');
    expect(onItsWay).toBe(true);
    expect(clock.nowUs).toBeLessThan(300_000_000);
    rig.send(command);
    expect(rig.last('slice').running).toBe(running);
    rig.pass(400);
    expect(rig.last('slice').clock.nowUs).toBeLessThan(clock.nowUs + 2_000_000);
  });

  it('tells no more at once than a page can take in, and plays any stretch again in full', () => {
    slowClock(20);
    rig.load(dear);
    rig.pass(4_000);
    const slices = rig.reports.flatMap((report) => (report.kind === 'slice' ? [report] : []));
    for (const { entries } of slices) expect(entries.length).toBeLessThanOrEqual(500);
    expect(slices.some(({ leftOut }) => leftOut > 0)).toBe(true);
    rig.send({ kind: 'pause' });
    const { nowUs } = rig.last('slice').clock;
    for (const fromUs of [100_000, 434_000, nowUs - 60_000]) {
      const toUs = fromUs + 50_000;
      rig.send({ kind: 'stretch', fromUs, toUs });
      rig.pass(2_000);
      const { entries, leftOut } = rig.last('stretch');
      expect({ leftOut, entries }).toEqual({
        leftOut: 0,
        entries: replay(dear, [], toUs, 5).filter(({ atUs: at }) => at >= fromUs),
      });
    }
  });

  it('keeps half an hour, with marks that thin out', () => {
    const history = new History();
    const machine = new Machine(kettle, 5);
    history.begin(machine, []);
    for (let atUs = 500_000; atUs <= 3_600_000_000; atUs += 500_000) {
      if (atUs % 60_000_000 === 0) {
        const stimulus = { atUs, controlId: 'b1', what: 'down' as const };
        machine.stimulate(stimulus);
        history.did(stimulus);
      }
      machine.advanceTo(atUs);
      history.markIfDue(machine);
    }
    expect(history.marksKept).toBeLessThan(120);
    expect(history.stimuli).toHaveLength(60);
    const { nowUs } = machine;
    expect(nowUs - history.sinceUs).toBeGreaterThanOrEqual(1_800_000_000);
    expect(nowUs - history.sinceUs).toBeLessThan(2_000_000_000);
    const early = history.to(nowUs - 1_700_000_000);
    while (!early.advance(1_000_000));
    expect(early.machine.nowUs).toBe(nowUs - 1_700_000_000);
  });
});
