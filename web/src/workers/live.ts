import { Machine, type Gadget, type MachineState, type Stimulus, type Touch } from '@hum-lever/core';
import type { Command, Report } from './protocol.ts';

/** What the live machine needs of its surroundings; a test gives it a clock of its own. */
export interface Host {
  /** Milliseconds, never going back, on the clock of `epochMs`. */
  nowMs(): number;
  post(report: Report): void;
  /** Calls back once after that time; the previous call back is forgotten. */
  wakeAfter(ms: number, wake: () => void): void;
}

/** A place to scrub back to. */
interface Mark {
  atUs: number;
  gadget: Gadget;
  snapshot: MachineState;
  /** How many stimuli came before it. */
  stimuli: number;
}

/** Virtual time between marks: scrubbing replays at most this much. */
const markEveryUs = 500_000;
/** Marks kept: at least 100 s of steady use; a quiet hour needs one. */
const keptMarks = 400;
/** A finger's move that is told later than this is taken to have happened so long ago. */
const latestMs = 1_000;
/** Longest sleep; also bounds the time between two reports of a machine that does nothing. */
const longestSleepMs = 60_000;

/** Drives a machine by real time, keeps what is needed to go back, and reports. Knows no worker. */
export class LiveMachine {
  private machine: Machine | null = null;
  private seed = 0;
  private stimuli: Stimulus[] = [];
  /** What hands are going to do, in order of time; it becomes a stimulus when its time has come. */
  private planned: Stimulus[] = [];
  private marks: Mark[] = [];
  private pastUs: number | null = null;
  private running = true;
  private factor = 1;
  /** Virtual time `anchorUs` was at real time `anchorMs`. */
  private anchorUs = 0;
  private anchorMs = 0;

  constructor(private readonly host: Host) {}

  obey(command: Command): void {
    try {
      if (command.kind === 'load') this.load(command);
      else if (this.machine) this.obeyLoaded(this.machine, command);
    } catch (error) {
      // Nothing may go on by itself after a failure; the page says what is wrong.
      this.running = false;
      this.host.post({ kind: 'failed', message: (error as Error).message });
    }
  }

  private load({ gadget, seed, script }: Extract<Command, { kind: 'load' }>): void {
    this.machine = new Machine(gadget, seed);
    this.seed = seed;
    this.stimuli = [...script];
    this.planned = [];
    for (const stimulus of script) this.machine.stimulate(stimulus);
    this.marks = [];
    this.pastUs = null;
    this.running = true;
    this.mark(this.machine);
    this.anchor(0);
    this.report(this.machine, { fresh: true });
    this.sleep(this.machine);
  }

  private obeyLoaded(machine: Machine, command: Exclude<Command, { kind: 'load' }>): void {
    switch (command.kind) {
      case 'edit': {
        this.catchUp(machine);
        const { restarted } = machine.adopt(command.gadget);
        this.mark(machine);
        this.report(machine, { restarted });
        // Whoever looks at the past goes on looking at it.
        if (this.pastUs !== null) this.scrub(machine, this.pastUs);
        break;
      }
      case 'touch':
        // The past cannot be played, only watched; paused time stands still for fingers too.
        if (this.pastUs !== null) return;
        this.catchUp(machine, this.believed(command.atMs));
        this.touch(machine, command.controlId, command.touch);
        break;
      case 'plan':
        if (this.pastUs !== null) return;
        this.catchUp(machine);
        for (const { afterUs, controlId, touch } of command.moves)
          this.planned.push({ atUs: machine.nowUs + Math.round(afterUs), controlId, ...touch });
        this.planned.sort((a, b) => a.atUs - b.atUs);
        break;
      case 'run':
        this.anchor(machine.nowUs);
        this.running = true;
        this.pastUs = null;
        this.report(machine);
        break;
      case 'pause':
        this.catchUp(machine);
        this.running = false;
        this.report(machine);
        break;
      case 'step':
        this.catchUp(machine);
        this.running = false;
        this.pastUs = null;
        if (this.dueUs(machine) < Infinity) this.advance(machine, this.dueUs(machine));
        this.report(machine);
        break;
      case 'speed':
        this.catchUp(machine);
        this.factor = command.factor;
        this.anchor(machine.nowUs);
        this.report(machine);
        break;
      case 'scrub':
        this.scrub(machine, command.toUs);
        break;
      case 'goOnFromHere':
        this.goOnFromHere(machine);
        return;
      case 'present':
        this.pastUs = null;
        this.report(machine);
        break;
      case 'collect':
        this.catchUp(machine);
        this.host.post({ kind: 'collected', seed: this.seed, stimuli: this.stimuli, endUs: machine.nowUs });
    }
    this.sleep(machine);
  }

  private touch(machine: Machine, controlId: string, touch: Touch): void {
    this.stimulate(machine, { atUs: machine.nowUs, controlId, ...touch });
    // Whatever answers within this very moment should not wait for a timer.
    machine.advanceTo(machine.nowUs);
    this.report(machine);
  }

  private stimulate(machine: Machine, stimulus: Stimulus): void {
    this.stimuli.push(stimulus);
    machine.stimulate(stimulus);
  }

  /** When something will next happen by itself, or as hands have planned. */
  private dueUs(machine: Machine): number {
    return Math.min(machine.nextUs ?? Infinity, this.planned[0]?.atUs ?? Infinity);
  }

  /** Lets time pass; planned moves come at their own time. */
  private advance(machine: Machine, toUs: number): void {
    while (this.planned[0] && this.planned[0].atUs <= toUs) {
      const next = this.planned.shift()!;
      machine.advanceTo(Math.max(next.atUs, machine.nowUs));
      this.stimulate(machine, { ...next, atUs: machine.nowUs });
    }
    machine.advanceTo(toUs);
  }

  /** When a hand moved: a page that was busy tells it late, and the press must not grow by that. */
  private believed(atMs: number): number {
    const nowMs = this.host.nowMs();
    return Math.min(nowMs, Math.max(nowMs - latestMs, atMs));
  }

  /** Lets the machine catch up with real time; it has no way back from where it is already. */
  private catchUp(machine: Machine, toMs = this.host.nowMs()): void {
    if (!this.running) return;
    // Rounded: cut down, a timer that ends a hair early would find its event still ahead, again and again.
    const dueUs = Math.round(this.anchorUs + (toMs - this.anchorMs) * 1_000 * this.factor);
    // An edit may have left something due at this very moment.
    this.advance(machine, Math.max(dueUs, machine.nowUs));
  }

  private anchor(atUs: number): void {
    this.anchorUs = atUs;
    this.anchorMs = this.host.nowMs();
  }

  private mark(machine: Machine): void {
    const { nowUs, gadget } = machine;
    this.marks.push({ atUs: nowUs, gadget, snapshot: machine.snapshot(), stimuli: this.stimuli.length });
    if (this.marks.length > keptMarks) this.marks.shift();
  }

  private report(machine: Machine, { fresh = false, restarted = false } = {}): void {
    const entries = machine.takeTrace();
    if (entries.length > 0 && machine.nowUs - this.marks.at(-1)!.atUs >= markEveryUs) this.mark(machine);
    const speed = this.running && this.pastUs === null ? this.factor : 0;
    const clock = { nowUs: machine.nowUs, speed };
    this.host.post({
      kind: 'slice',
      entries,
      shown: machine.shown,
      clock,
      running: this.running,
      fresh,
      restarted,
      pastUs: this.pastUs,
    });
  }

  private sleep(machine: Machine): void {
    if (!this.running) return;
    const dueUs = this.dueUs(machine);
    const inMs = (dueUs - this.anchorUs) / 1_000 / this.factor - (this.host.nowMs() - this.anchorMs);
    this.host.wakeAfter(Math.max(0, Math.min(inMs, longestSleepMs)), () => this.wake());
  }

  private wake(): void {
    const { machine } = this;
    if (!machine || !this.running) return;
    try {
      this.catchUp(machine);
    } catch (error) {
      this.running = false;
      this.host.post({ kind: 'failed', message: (error as Error).message });
      return;
    }
    if (this.pastUs === null) this.report(machine);
    this.sleep(machine);
  }

  /** The machine as it was at a moment, made anew from the mark before it. */
  private machineAt(toUs: number): { past: Machine; mark: Mark; stimuli: number } {
    const mark = this.marks.findLast(({ atUs }) => atUs <= toUs) ?? this.marks[0]!;
    const past = Machine.restore(mark.gadget, mark.snapshot);
    let { stimuli } = mark;
    while (stimuli < this.stimuli.length && this.stimuli[stimuli]!.atUs <= toUs) {
      past.stimulate(this.stimuli[stimuli]!);
      stimuli += 1;
    }
    past.advanceTo(Math.max(mark.atUs, toUs));
    return { past, mark, stimuli };
  }

  private scrub(machine: Machine, toUs: number): void {
    this.catchUp(machine);
    this.planned = [];
    this.running = false;
    const atUs = Math.round(Math.min(machine.nowUs, Math.max(this.marks[0]!.atUs, toUs)));
    this.pastUs = atUs;
    this.report(machine);
    this.host.post({ kind: 'past', atUs, shown: this.machineAt(atUs).past.shown });
  }

  private goOnFromHere(machine: Machine): void {
    if (this.pastUs === null) return;
    const { past, mark, stimuli } = this.machineAt(this.pastUs);
    const { gadget } = machine;
    this.marks = this.marks.slice(0, this.marks.indexOf(mark) + 1);
    this.stimuli = this.stimuli.slice(0, stimuli);
    this.host.post({ kind: 'cut', atUs: this.pastUs });
    past.takeTrace();
    // Edits made since then hold: only time goes back, not the design.
    const restarted = gadget !== mark.gadget && past.adopt(gadget).restarted;
    this.machine = past;
    this.pastUs = null;
    this.running = true;
    this.mark(past);
    this.anchor(past.nowUs);
    this.report(past, { restarted });
    this.sleep(past);
  }
}
