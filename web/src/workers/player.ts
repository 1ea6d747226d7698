import {
  wholeGadget,
  type Adopted,
  type Gadget,
  type Shown,
  type Standstill,
  type Touch,
  type TraceEntry,
  type Trial,
} from '@hum-lever/core';
import { create } from 'zustand';
import { withChange, type Seen } from './changes.ts';
import { epochMs, type Clock, type Command, type Report, type Slow, type WorkerCommand } from './protocol.ts';
import { cutTrace, emptyTrace, growTrace, needsStretch, putStretch, seenAt } from './keptTrace.ts';

interface Player {
  shown: Shown | null;
  /** Where the controls are, by id; see `Machine.places`. */
  places: Record<string, number>;
  clock: Clock;
  running: boolean;
  factor: number;
  /** Looking at the past: when. */
  pastUs: number | null;
  /** Counts changes of the trace, so that views know when to look again. */
  traceVersion: number;
  /** The rule that fired last, up to the moment that is looked at. */
  lastRuleId: string | null;
  /** Since when a trial is recorded; null: none is. */
  recording: boolean;
  /** What a hand did that nothing can come of: it does not play. */
  idleTouch: boolean;
  /** What became of the last edits, until it is known; null: nothing that must be said. */
  adopted: Adopted | null;
  failure: string | null;
  /** Why the gadget stands still; null: it does not. */
  still: Standstill | null;
  /** It plays slower than real time. */
  slow: Slow | null;
  /** How far playing the past again has come, 0 to 1; null: it is not. */
  replaying: number | null;
}

export const usePlayer = create<Player>(() => ({
  shown: null,
  places: {},
  clock: { nowUs: 0, speed: 0 },
  running: false,
  factor: 1,
  pastUs: null,
  traceVersion: 0,
  lastRuleId: null,
  recording: false,
  idleTouch: false,
  adopted: null,
  failure: null,
  still: null,
  slow: null,
  replaying: null,
}));

let trace = emptyTrace([]);
let clockAtMs = 0;
type Collected = Pick<Extract<Report, { kind: 'collected' }>, 'seed' | 'stimuli' | 'endUs'>;
/** Who waits for what hands have done, in the order they asked. */
const collectors: ((collected: Collected) => void)[] = [];

/** The trace so far, oldest first. Not to be changed. */
export const traceNow = (): readonly TraceEntry[] => seenAt(trace, usePlayer.getState().pastUs);
/** Stretches of it in which more happened than is kept; looked at, they are played again. */
export const thinNow = (): readonly { fromUs: number; toUs: number }[] => trace.thin;

/** Virtual time at this moment. */
export function virtualNowUs(): number {
  const { clock, pastUs } = usePlayer.getState();
  return pastUs ?? clock.nowUs + (performance.now() - clockAtMs) * 1_000 * clock.speed;
}

/** Views look again at most so often: a knob that flickers reports a hundred times a second. */
const leastBetweenMs = 30;
let shownAtMs = -Infinity;
let waiting: Partial<Player> | null = null;
/** When the clock that waits was told. */
let toldAtMs = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

/** What views see changes now, or together with what comes within the next moment. */
function show(change: Partial<Player>): void {
  waiting = { ...waiting, ...change };
  const inMs = shownAtMs + leastBetweenMs - performance.now();
  if (inMs > 0) timer ??= setTimeout(showWaiting, inMs);
  else showWaiting();
}
function showWaiting(): void {
  clearTimeout(timer);
  timer = undefined;
  shownAtMs = performance.now();
  const change = waiting;
  waiting = null;
  if (!change) return;
  if (change.clock) clockAtMs = toldAtMs;
  usePlayer.setState(change);
}

/** Without what has come about since: states that were entered, and all of it with the power. */
function stillWaiting(adopted: Adopted | null, entries: readonly TraceEntry[]): Adopted | null {
  if (!adopted || adopted.waits.length === 0) return adopted;
  if (entries.some((entry) => entry.lane === 'power' && entry.event === 'cycle')) return null;
  const entered = new Set(entries.flatMap((entry) => (entry.lane === 'state' ? [entry.id] : [])));
  const waits = adopted.waits.filter((one) => one.kind !== 'entry' || !entered.has(one.stateId));
  if (waits.length === adopted.waits.length) return adopted;
  return waits.length > 0 ? { ...adopted, waits } : null;
}

/** What must be said of an edit; what waited before goes on waiting. */
function toSay(adopted: Adopted): Adopted | null {
  const { adopted: before } = usePlayer.getState();
  if (adopted.restarted === 'begun') return null;
  if (adopted.restarted) return adopted;
  const all = [...(before?.waits ?? []), ...adopted.waits];
  const waits = [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
  return waits.length > 0 ? { restarted: null, waits } : null;
}

/** Around a moment whose entries were left out, so much is played again. */
const stretchBeforeUs = 2_000_000;
const stretchAfterUs = 500_000;

/** Versions of the trace that were given out: views may see fewer. */
let versions = 0;

type Hearer = (entries: readonly TraceEntry[], nowUs: number, speed: number, fresh: boolean) => void;
const hearers = new Set<Hearer>();
/** Whoever hears this is told what has come about, at once, and how time goes on from there; never of the past. */
export const onEntries = (hearer: Hearer): void => void hearers.add(hearer);

/** What is seen of the machine in the present, as told bit by bit. */
let present: Seen | null = null;

function receive(report: Report): void {
  switch (report.kind) {
    case 'slice': {
      const { entries, leftOut, seen, clock, running, fresh, adopted, pastUs, still, slow } = report;
      toldAtMs = performance.now();
      if (pastUs === null) for (const hear of hearers) hear(entries, clock.nowUs, clock.speed, fresh);
      present = withChange(present, seen);
      trace = fresh ? emptyTrace(entries) : growTrace(trace, entries, leftOut);
      const grown = fresh || entries.length > 0;
      if (grown) versions += 1;
      show({
        ...present,
        clock,
        running,
        pastUs,
        still,
        slow,
        ...(pastUs === null && { replaying: null }),
        traceVersion: versions,
        ...lastRuleAt(pastUs, fresh ? null : entries),
        adopted: stillWaiting(adopted ? toSay(adopted) : usePlayer.getState().adopted, entries),
        ...(running && { idleTouch: false }),
        ...(fresh && { adopted: null }),
        ...(fresh && { failure: null }),
      });
      return;
    }
    case 'past':
      show({
        pastUs: report.atUs,
        ...withChange(null, report.seen),
        ...lastRuleAt(report.atUs, null),
        still: report.still,
        replaying: null,
      });
      showWaiting();
      if (needsStretch(trace, report.atUs))
        send({
          kind: 'stretch',
          fromUs: Math.max(0, report.atUs - stretchBeforeUs),
          toUs: report.atUs + stretchAfterUs,
        });
      return;
    case 'replaying': {
      const { atUs, fromUs, toUs } = report;
      show({ replaying: toUs > fromUs ? (atUs - fromUs) / (toUs - fromUs) : 1 });
      return;
    }
    case 'stretch':
      trace = putStretch(trace, report);
      versions += 1;
      show({ traceVersion: versions, ...lastRuleAt(usePlayer.getState().pastUs, null), replaying: null });
      return;
    case 'cut':
      trace = cutTrace(trace, report.atUs);
      versions += 1;
      show({ traceVersion: versions, ...lastRuleAt(usePlayer.getState().pastUs, null) });
      return;
    case 'collected':
      collectors.shift()?.(report);
      return;
    case 'failed':
      show({ failure: report.message, running: false });
  }
}

/** The rule that fired last, up to the moment that was last told of. */
let lastRule: { id: string | null; pastUs: number | null } = { id: null, pastUs: null };

/** @param come what came about since; null: all that is kept is looked through anew */
function lastRuleAt(
  pastUs: number | null,
  come: readonly TraceEntry[] | null,
): { lastRuleId: string | null } {
  const anew = come === null || pastUs !== lastRule.pastUs;
  const fired = (anew ? seenAt(trace, pastUs) : come).findLast(
    ({ lane, atUs }) => lane === 'rule' && (pastUs === null || atUs <= pastUs),
  );
  lastRule = { id: fired?.lane === 'rule' ? fired.id : anew ? null : lastRule.id, pastUs };
  return { lastRuleId: lastRule.id };
}

let worker: Worker | undefined;
function started(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./machine.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<Report>) => receive(data));
  }
  return worker;
}
const send = (command: Command): void => started().postMessage(command);

const freshSeed = () => crypto.getRandomValues(new Int32Array(1))[0]!;

export const player = {
  /** It comes up while the gadget is still on its way. */
  start: () => void started(),
  /** Powers the gadget up anew. */
  load(gadget: Gadget): void {
    usePlayer.setState({ recording: false, idleTouch: false, adopted: null });
    send({ kind: 'load', gadget, seed: freshSeed(), script: [] });
  },
  /** Powers up anew and plays a script by itself, in real time. */
  watch(gadget: Gadget, { seed, stimuli }: Pick<Trial, 'seed' | 'stimuli'>): void {
    usePlayer.setState({ recording: false, idleTouch: false, adopted: null });
    send({ kind: 'load', gadget, seed, script: stimuli });
  },
  edit: (gadget: Gadget) => send({ kind: 'edit', gadget }),
  /** @param stampMs when the hand moved, as events are stamped: since the page was started */
  touch(controlId: string, touch: Touch, stampMs = performance.now()): void {
    const { running, pastUs, adopted } = usePlayer.getState();
    if (!running && pastUs === null) usePlayer.setState({ idleTouch: true });
    // Whoever plays on knows by now that it began anew; what waits goes on waiting.
    if (adopted?.restarted) usePlayer.setState({ adopted: null });
    send({ kind: 'touch', controlId, touch, atMs: epochMs(stampMs) });
  },
  finger(controlId: string, down: boolean, stampMs = performance.now()): void {
    player.touch(controlId, { what: down ? 'down' : 'up' }, stampMs);
  },
  /** Presses that come at their very times, however busy the page is. */
  plan: (moves: Extract<Command, { kind: 'plan' }>['moves']) => send({ kind: 'plan', moves }),
  planAt: (moves: Extract<Command, { kind: 'planAt' }>['moves']) => send({ kind: 'planAt', moves }),
  /** Off and on again: what waits for the power comes about. */
  restart(): void {
    usePlayer.setState({ adopted: null });
    player.touch(wholeGadget, { what: 'power', event: 'cycle' });
  },
  run: () => send({ kind: 'run' }),
  pause: () => send({ kind: 'pause' }),
  step: () => send({ kind: 'step' }),
  /** On to a moment since power-up, as fast as that goes; time pauses there. */
  playOnTo: (atUs: number) => send({ kind: 'playOnTo', atUs }),
  setSpeed(factor: number): void {
    usePlayer.setState({ factor });
    send({ kind: 'speed', factor });
  },
  scrub(toUs: number): void {
    const pastUs = Math.round(toUs);
    // At once, so that keys pressed in quick succession walk on from here.
    usePlayer.setState({ pastUs });
    send({ kind: 'scrub', toUs: pastUs });
  },
  goOnFromHere: () => send({ kind: 'goOnFromHere' }),
  present: () => send({ kind: 'present' }),
  /** Powers up anew and records from there. */
  record(gadget: Gadget): void {
    player.load(gadget);
    usePlayer.setState({ recording: true });
  },
  /** What sounds is told there, as it comes about. */
  soundTo: (port: MessagePort) =>
    started().postMessage({ kind: 'soundTo', port } satisfies WorkerCommand, [port]),
  /** Hands over what hands have done since power-up, and how far the machine itself has come; its trace is there by then. */
  collect(): Promise<Collected> {
    return new Promise((resolve) => {
      collectors.push(resolve);
      send({ kind: 'collect' });
    });
  },
};
