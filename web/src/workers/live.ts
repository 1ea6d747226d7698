import {
  countCauses,
  Machine,
  mostFrequent,
  type Adopted,
  type SoundingVoices,
  type Stimulus,
  type TraceEntry,
} from '@hum-lever/core';
import { Ears } from '../outputs/voices.ts';
import { foresee, type Foreseen } from './foresight.ts';
import { changeOf, seenOf, type Seen, type SeenChange } from './changes.ts';
import { History, keepWithin, type Replay } from './history.ts';
import { mostAheadUs, type Command, type Report, type Slow } from './protocol.ts';

/** What the live machine needs of its surroundings; a test gives it a clock of its own. */
export interface Host {
  /** Milliseconds, never going back, on the clock of `epochMs`. */
  nowMs(): number;
  post(report: Report): void;
  /**
   * Told of what sounds from when on, on the clock of `nowMs`, in order; what was told for `fromMs` and later is void.
   * Without: nobody listens.
   */
  sound?(moments: readonly SoundingAt[], fromMs: number): void;
  /** Calls back once after that time; the previous call back is forgotten. */
  wakeAfter(ms: number, wake: () => void): void;
}

/** What sounds from that moment on. */
export interface SoundingAt {
  atMs: number;
  sounding: SoundingVoices;
}

/** A finger's move that is told later than this is taken to have happened so long ago. */
const latestMs = 5_000;
/** Longest sleep; also bounds the time between two reports of a machine that does nothing. */
const longestSleepMs = 60_000;
/** After so long at work the worker listens: to a pause, to a finger, to another edit. */
const sliceMs = 25;
/** The clock is looked at after so much work, about 8 ms. */
const sliceParts = 1_000_000;
/** Going back for a hand's move that came late costs so much at most: marks are nearer to one another. */
const mostBack = 100_000_000;
/** Entries that a report carries at most: what the page can take in without standing still. */
const mostReported = 500;
/** Moments that are heard of one catching up, the last ones: more nobody could tell apart. */
const mostSounded = 500;
/** Entries of a stretch that is played again. */
const mostInStretch = 20_000;
/**
 * What will sound is told so long before, and again once only so much of it is left: a worker that is late by less delays
 * no note. Longer than pages and their browsers keep a busy computer from it; short enough to be cheap.
 */
const aheadMs = 600;
const leastAheadMs = 400;
/** How fast it plays is measured over so long. */
const paceMs = 500;

const unforeseen: Foreseen = { sounds: [], toUs: -Infinity };
const nothingForeseen = { toUs: -Infinity, atMs: [], sinceMs: -Infinity } as const;

/** Whoever asks for one of these wants to be nowhere else. */
const whereItIs: ReadonlySet<Command['kind']> = new Set([
  'run',
  'pause',
  'step',
  'scrub',
  'goOnFromHere',
  'present',
]);

/** A look at the past on its way. */
interface Looking {
  replay: Replay;
  fromUs: number;
  /** What is gathered on the way; null: only where it comes to. */
  entries: TraceEntry[] | null;
  leftOut: number;
  done: (looking: Looking) => void;
}

/** Drives a machine by real time, keeps what is needed to go back, and reports. Knows no worker. */
export class LiveMachine {
  private machine: Machine | null = null;
  private seed = 0;
  private readonly history = new History();
  /** What hands are going to do, in order of time; it becomes a stimulus when its time has come. */
  private planned: Stimulus[] = [];
  private pastUs: number | null = null;
  /** The machine of the moment that is looked at, once it has been come to. */
  private past: Replay | null = null;
  private looking: Looking | null = null;
  private running = true;
  private factor = 1;
  /** Where it plays on to, as fast as that goes; null: it keeps to real time. */
  private goalUs: number | null = null;
  /** Virtual time `anchorUs` was at real time `anchorMs`. */
  private anchorUs = 0;
  private anchorMs = 0;
  /** What the page has been told of what is seen. */
  private told: Seen | null = null;
  /** Not reported yet. */
  private entries: TraceEntry[] = [];
  private leftOut = 0;
  /** Since when the pace is measured, and what happened since; null: it keeps up. */
  private pace: { sinceMs: number; sinceUs: number; tally: Record<string, number> } | null = null;
  private slow: Slow | null = null;
  private ears: Ears | null = null;
  /** What has been told of the time to come, and when. */
  private foreseen: { toUs: number; atMs: readonly number[]; sinceMs: number } = nothingForeseen;

  constructor(private readonly host: Host) {}

  /** What sounds just now is told at once, and whenever it changes by more than time going by. */
  listen(): void {
    const { machine, host } = this;
    if (!machine || !host.sound) return;
    this.ears = new Ears(machine.gadget, machine.shown.outputs);
    this.foreseen = nothingForeseen;
    const first = this.isHeard
      ? { atMs: this.realMs(machine.nowUs), sounding: this.ears.sounding }
      : { atMs: host.nowMs(), sounding: {} };
    host.sound([first], first.atMs);
  }
  /** Time that stands still, or goes by as fast as it can, is silent; so is the past. */
  private get isHeard(): boolean {
    return this.running && this.pastUs === null && this.goalUs === null;
  }

  obey(command: Command): void {
    try {
      if (command.kind === 'load') this.load(command);
      else if (this.machine) this.obeyLoaded(this.machine, command);
    } catch (error) {
      this.fail(error);
    }
  }

  /** Nothing may go on by itself after a failure; the page says what is wrong. */
  private fail(error: unknown): void {
    this.running = false;
    this.goalUs = null;
    this.looking = null;
    this.listen();
    this.host.post({ kind: 'failed', message: (error as Error).message });
  }

  private load({ gadget, seed, script }: Extract<Command, { kind: 'load' }>): void {
    const machine = new Machine(gadget, seed);
    this.machine = machine;
    this.seed = seed;
    this.planned = [];
    for (const stimulus of script) machine.stimulate(stimulus);
    this.pastUs = null;
    this.past = null;
    this.looking = null;
    this.running = true;
    this.goalUs = null;
    this.entries = [];
    this.leftOut = 0;
    this.history.begin(machine, script);
    this.anchor(0);
    this.gather(machine);
    this.listen();
    this.report(machine, { fresh: true });
    this.sleep(machine);
  }

  private obeyLoaded(machine: Machine, command: Exclude<Command, { kind: 'load' }>): void {
    if (whereItIs.has(command.kind)) this.goalUs = null;
    switch (command.kind) {
      case 'edit': {
        this.catchUp(machine);
        const adopted = machine.adopt(command.gadget);
        this.history.edited(machine, command.gadget);
        this.gather(machine);
        this.listen();
        this.report(machine, { adopted });
        // Whoever looks at the past goes on looking at it.
        if (this.pastUs !== null) this.scrub(machine, this.pastUs);
        break;
      }
      case 'touch':
        // The past cannot be played, only watched; paused time stands still for fingers too.
        if (this.pastUs !== null) return;
        this.touch(machine, command);
        return;
      case 'plan':
        if (this.pastUs !== null) return;
        this.catchUp(machine);
        this.plan(
          command.moves.map(({ afterUs, controlId, touch }) => ({
            atUs: machine.nowUs + Math.round(afterUs),
            controlId,
            ...touch,
          })),
        );
        break;
      case 'planAt':
        if (this.pastUs !== null) return;
        this.catchUp(machine);
        this.plan(command.moves.map(({ atUs, controlId, touch }) => ({ atUs, controlId, ...touch })));
        break;
      case 'run':
        this.anchor(machine.nowUs);
        this.running = true;
        this.backToPresent();
        this.listen();
        this.report(machine);
        break;
      case 'pause':
        this.catchUp(machine);
        this.running = false;
        this.listen();
        this.report(machine);
        break;
      case 'step':
        this.catchUp(machine);
        this.running = false;
        this.backToPresent();
        if (this.dueUs(machine) < Infinity) this.advance(machine, this.dueUs(machine), Infinity);
        this.listen();
        this.report(machine);
        break;
      case 'playOnTo':
        this.catchUp(machine);
        this.backToPresent();
        this.running = true;
        this.pace = null;
        this.slow = null;
        this.goalUs = Math.min(Math.max(machine.nowUs, command.atUs), machine.nowUs + mostAheadUs);
        this.listen();
        this.hasten(machine);
        break;
      case 'speed':
        this.catchUp(machine);
        this.factor = command.factor;
        this.anchor(machine.nowUs);
        this.report(machine);
        break;
      case 'scrub':
        this.scrub(machine, command.toUs);
        return;
      case 'stretch':
        this.stretch(command);
        return;
      case 'goOnFromHere':
        this.goOnFromHere(machine);
        return;
      case 'present':
        this.backToPresent();
        this.listen();
        this.report(machine);
        break;
      case 'collect':
        // Answered also by a machine that fails on the way: answers come in the order of the questions.
        try {
          this.catchUp(machine);
        } finally {
          this.report(machine);
          this.host.post({
            kind: 'collected',
            seed: this.seed,
            stimuli: this.history.stimuli,
            endUs: machine.nowUs,
          });
        }
    }
    this.sleep(machine);
  }

  private backToPresent(): void {
    this.pastUs = null;
    this.past = null;
    this.looking = null;
  }

  private touch(ahead: Machine, { controlId, touch, atMs }: Extract<Command, { kind: 'touch' }>): void {
    const believedMs = this.believed(atMs);
    const atUs = this.running ? this.virtualUs(believedMs) : ahead.nowUs;
    const late = atUs < ahead.nowUs ? this.backTo(ahead, controlId, atUs) : null;
    const machine = late?.machine ?? ahead;
    if (!late) this.catchUp(machine, believedMs);
    this.overtaken();
    this.stimulate(machine, { atUs: machine.nowUs, controlId, ...touch });
    // Whatever answers within this very moment should not wait for a timer.
    this.advance(machine, machine.nowUs, Infinity);
    if (late) this.playOn(late);
    this.report(machine);
    this.sleep(machine);
  }

  /**
   * A hand's move came late: the machine goes back to when it was made, so that a press is as long as it was, whatever
   * page and worker were doing. What has sounded stays sounded. Not beyond the last edit, nor
   * the last move of the same control.
   */
  private backTo(
    ahead: Machine,
    controlId: string,
    atUs: number,
  ): { machine: Machine; toUs: number; did: Stimulus[] } | null {
    const { history } = this;
    const toUs = Math.max(atUs, history.sinceUs, history.editedUs, history.lastOf(controlId));
    if (toUs >= ahead.nowUs) return null;
    const replay = history.to(toUs, ahead);
    // No dearer than from one mark to the next.
    if (!replay.advance(mostBack)) return null;
    const did = history.didAfter(toUs);
    history.cutTo(replay);
    replay.machine.takeTrace();
    this.entries = this.entries.filter(({ atUs: at }) => at <= toUs);
    this.host.post({ kind: 'cut', atUs: toUs });
    this.machine = replay.machine;
    this.listen();
    return { machine: replay.machine, toUs: ahead.nowUs, did };
  }

  /** From a late move on to where the machine was, with what other hands did since. */
  private playOn({ machine, toUs, did }: { machine: Machine; toUs: number; did: Stimulus[] }): void {
    this.planned = [...did, ...this.planned].sort((a, b) => a.atUs - b.atUs);
    this.advance(machine, toUs, this.host.nowMs() + sliceMs);
  }

  /** What moment it is, or was, in the gadget. */
  private virtualUs(atMs: number): number {
    // Rounded: cut down, a timer that ends a hair early would find its event still ahead, again and again.
    return Math.round(this.anchorUs + (atMs - this.anchorMs) * 1_000 * this.factor);
  }

  private plan(moves: readonly Stimulus[]): void {
    this.overtaken();
    this.planned = [...this.planned, ...moves].sort((a, b) => a.atUs - b.atUs);
  }

  private stimulate(machine: Machine, stimulus: Stimulus): void {
    this.history.did(stimulus);
    machine.stimulate(stimulus);
  }

  /** When something will next happen by itself, or as hands have planned. */
  private dueUs(machine: Machine): number {
    return Math.min(machine.nextUs ?? Infinity, this.planned[0]?.atUs ?? Infinity);
  }

  /**
   * Lets time pass; planned moves come at their own time.
   * @param untilMs the clock of the host at which it stops on the way, between two moments
   * @returns whether it came to `toUs`
   */
  private advance(machine: Machine, toUs: number, untilMs: number): boolean {
    for (;;) {
      const next = this.planned[0];
      const nextUs = next && next.atUs <= toUs ? Math.max(next.atUs, machine.nowUs) : null;
      const come = machine.advance(nextUs ?? toUs, sliceParts);
      this.gather(machine);
      this.history.markIfDue(machine);
      if (come && nextUs === null) return true;
      if (come) {
        this.planned.shift();
        this.stimulate(machine, { ...next!, atUs: machine.nowUs });
      }
      if (this.host.nowMs() >= untilMs) return false;
    }
  }

  /** Takes over what has happened; the last of it stays, where it is more than can be looked at. */
  private gather(machine: Machine): void {
    const come = machine.takeTrace();
    this.sound(come);
    if (this.pace) countCauses(come, this.pace.tally);
    const before = this.entries.length + come.length;
    this.entries = keepWithin(this.entries, come, -Infinity, mostReported);
    this.leftOut += before - this.entries.length;
  }

  private sound(come: readonly TraceEntry[]): void {
    const { ears, host } = this;
    if (!ears || !host.sound) return;
    // What was foreseen has been told.
    const moments = this.onHost(ears.follow(come, this.isHeard ? this.foreseen.toUs : Infinity));
    if (moments.length > 0) host.sound(moments.slice(-mostSounded), moments[0]!.atMs);
  }
  /** Tells what will sound soon, where that is not told yet; while it cannot keep up, nothing of it holds. */
  private soundAhead(machine: Machine): void {
    const { ears, host, foreseen, pace } = this;
    if (!ears?.any || !host.sound || !this.isHeard) return;
    const inUs = (ms: number) => machine.nowUs + Math.round(ms * 1_000 * this.factor);
    const told = foreseen.toUs >= inUs(leastAheadMs);
    if (!pace && (told || host.nowMs() < foreseen.sinceMs + aheadMs - leastAheadMs)) return;
    const { sounds, toUs } = pace ? unforeseen : foresee(machine, this.planned, inUs(aheadMs));
    const moments = this.onHost(sounds);
    // Also what was told by another measure of time is void.
    const stale = foreseen.atMs.find((atMs) => atMs > this.realMs(machine.nowUs));
    this.foreseen = { toUs, atMs: moments.map(({ atMs }) => atMs), sinceMs: host.nowMs() };
    if (moments.length > 0 || stale !== undefined)
      host.sound(moments, Math.min(stale ?? Infinity, moments[0]?.atMs ?? Infinity));
  }
  /** A hand does what was not foreseen. */
  private overtaken(): void {
    this.foreseen = { ...nothingForeseen, atMs: this.foreseen.atMs };
  }
  private onHost(sounds: Foreseen['sounds']): SoundingAt[] {
    return sounds.map(({ atUs, sounding }) => ({ atMs: this.realMs(atUs), sounding }));
  }
  /** When a moment of the gadget is, or was, on the clock of the host. */
  private realMs(atUs: number): number {
    return this.anchorMs + (atUs - this.anchorUs) / 1_000 / this.factor;
  }

  /** When a hand moved: a page that was busy tells it late, and the press must not grow by that. */
  private believed(atMs: number): number {
    const nowMs = this.host.nowMs();
    return Math.min(nowMs, Math.max(nowMs - latestMs, atMs));
  }

  /**
   * Lets the machine catch up with real time, as far as a slice goes; it has no way back from where it is already. What
   * it falls behind it never makes up for: it plays slower, and says so.
   */
  private catchUp(machine: Machine, toMs = this.host.nowMs()): void {
    if (!this.running) return;
    const dueUs = this.virtualUs(toMs);
    // An edit may have left something due at this very moment.
    const come = this.advance(machine, Math.max(dueUs, machine.nowUs), this.host.nowMs() + sliceMs);
    if (!come) {
      this.pace ??= { sinceMs: this.anchorMs, sinceUs: this.anchorUs, tally: {} };
      this.anchor(machine.nowUs);
    }
    this.measure(machine);
  }

  /** A slice of the way to a moment; there, it pauses. */
  private hasten(machine: Machine): void {
    const come = this.advance(machine, this.goalUs!, this.host.nowMs() + sliceMs);
    this.anchor(machine.nowUs);
    if (come) {
      this.goalUs = null;
      this.running = false;
    }
    this.report(machine);
  }

  private measure(machine: Machine): void {
    const { pace } = this;
    const nowMs = this.host.nowMs();
    if (!pace || nowMs - pace.sinceMs < paceMs) return;
    const share = (machine.nowUs - pace.sinceUs) / ((nowMs - pace.sinceMs) * 1_000 * this.factor);
    const { cause } = mostFrequent(pace.tally, { kind: 'loop', id: '' });
    // Near enough is as fast as it should be; the next delay measures anew.
    this.slow = share < 0.95 ? { share, cause } : null;
    this.pace = this.slow ? { sinceMs: nowMs, sinceUs: machine.nowUs, tally: {} } : null;
  }

  private anchor(atUs: number): void {
    this.overtaken();
    this.anchorUs = atUs;
    this.anchorMs = this.host.nowMs();
  }

  private report(
    machine: Machine,
    { fresh = false, adopted = null }: { fresh?: boolean; adopted?: Adopted | null } = {},
  ): void {
    const entries = this.entries.slice(-mostReported);
    const leftOut = this.leftOut + this.entries.length - entries.length;
    this.entries = [];
    this.leftOut = 0;
    const slow = this.running && this.pastUs === null ? this.slow : null;
    const speed = this.running && this.pastUs === null ? this.factor * (slow?.share ?? 1) : 0;
    this.host.post({
      kind: 'slice',
      entries,
      leftOut,
      seen: this.seenSince(machine),
      clock: { nowUs: machine.nowUs, speed },
      running: this.running,
      fresh,
      adopted,
      pastUs: this.pastUs,
      still: machine.still,
      slow,
    });
  }

  /** What is seen now and was not told yet. */
  private seenSince(machine: Machine): SeenChange {
    const before = this.told;
    this.told = seenOf(machine);
    return changeOf(before, this.told);
  }

  private sleep(machine: Machine): void {
    if (this.looking) return this.host.wakeAfter(0, () => this.look());
    if (!this.running) return;
    if (this.goalUs !== null) return this.host.wakeAfter(0, () => this.wake());
    this.soundAhead(machine);
    const dueUs = this.dueUs(machine);
    const inMs = (dueUs - this.anchorUs) / 1_000 / this.factor - (this.host.nowMs() - this.anchorMs);
    // What may sound after a long rest is looked at before it comes, too.
    const lookMs = this.ears?.any && this.foreseen.toUs < dueUs ? inMs - leastAheadMs : inMs;
    this.host.wakeAfter(Math.max(0, Math.min(lookMs > 0 ? lookMs : inMs, longestSleepMs)), () => this.wake());
  }

  private wake(): void {
    const { machine } = this;
    if (!machine || !this.running) return;
    try {
      if (this.goalUs !== null) this.hasten(machine);
      else {
        this.catchUp(machine);
        if (this.pastUs === null) this.report(machine);
      }
    } catch (error) {
      this.fail(error);
      return;
    }
    this.sleep(machine);
  }

  /** Begins to look at the past; what can be come to within a slice is there at once. */
  private lookAt(toUs: number, fromUs: number | null, done: (looking: Looking) => void): void {
    const replay = this.history.to(toUs);
    const entries = fromUs === null ? null : [];
    this.looking = { replay, fromUs: fromUs ?? 0, entries, leftOut: 0, done };
    this.look();
  }

  private look(): void {
    const { looking, machine } = this;
    if (!looking || !machine) return;
    const { replay, fromUs, entries } = looking;
    const fromMs = this.host.nowMs();
    const startUs = replay.machine.nowUs;
    try {
      for (;;) {
        const come = replay.advance(sliceParts);
        const trace = replay.machine.takeTrace();
        if (entries) {
          const before = looking.entries!.length;
          const within = trace.reduce((sum, { atUs: at }) => sum + (at >= fromUs ? 1 : 0), 0);
          looking.entries = keepWithin(looking.entries!, trace, fromUs, mostInStretch);
          looking.leftOut += before + within - looking.entries.length;
        }
        if (come) {
          this.looking = null;
          looking.done(looking);
          break;
        }
        if (this.host.nowMs() - fromMs < sliceMs) continue;
        this.host.post({ kind: 'replaying', fromUs: startUs, atUs: replay.machine.nowUs, toUs: replay.toUs });
        break;
      }
    } catch (error) {
      this.fail(error);
      return;
    }
    this.sleep(machine);
  }

  private scrub(machine: Machine, toUs: number): void {
    this.catchUp(machine);
    this.planned = [];
    this.running = false;
    const atUs = Math.round(Math.min(machine.nowUs, Math.max(this.history.sinceUs, toUs)));
    this.pastUs = atUs;
    this.past = null;
    this.listen();
    this.report(machine);
    this.lookAt(atUs, null, ({ replay }) => {
      this.past = replay;
      const seen = changeOf(null, seenOf(replay.machine));
      this.host.post({ kind: 'past', atUs, seen, still: replay.machine.still });
    });
  }

  private stretch({ fromUs, toUs }: Extract<Command, { kind: 'stretch' }>): void {
    const { machine } = this;
    if (!machine || this.running) return;
    // Whoever wants to see a stretch is looking at a moment of it: that comes first.
    const waiting = this.looking?.entries === null ? this.looking : null;
    const begin = () =>
      this.lookAt(Math.min(machine.nowUs, toUs), fromUs, ({ entries, leftOut }) => {
        const last = entries!.slice(-mostInStretch);
        const left = leftOut + entries!.length - last.length;
        this.host.post({ kind: 'stretch', fromUs, toUs, entries: last, leftOut: left });
      });
    if (!waiting) return begin();
    const { done } = waiting;
    waiting.done = (looking) => {
      done(looking);
      begin();
    };
  }

  private goOnFromHere(machine: Machine): void {
    if (this.pastUs === null) return;
    // Not come to yet: as soon as it is.
    if (!this.past) {
      const { looking } = this;
      if (!looking || looking.entries) return;
      const { done } = looking;
      looking.done = (one) => {
        done(one);
        this.goOnFromHere(machine);
      };
      return;
    }
    const { past } = this;
    const { gadget } = machine;
    this.host.post({ kind: 'cut', atUs: this.pastUs });
    this.history.cutTo(past);
    const next = past.machine;
    next.takeTrace();
    // Edits made since then hold: only time goes back, not the design.
    const edited = gadget !== next.gadget;
    const adopted = edited ? next.adopt(gadget) : null;
    this.machine = next;
    this.backToPresent();
    this.running = true;
    if (edited) this.history.edited(next, gadget);
    else this.history.mark(next);
    this.entries = [];
    this.leftOut = 0;
    this.anchor(next.nowUs);
    this.gather(next);
    this.listen();
    this.report(next, { adopted });
    this.sleep(next);
  }
}
