import { Machine, type Gadget, type MachineState, type Stimulus, type TraceEntry } from '@hum-lever/core';

/** What came to the machine from outside, in the order in which it came. */
type Came = { stimulus: Stimulus } | { edit: Gadget; atUs: number; chars: number };

/** A place to go back to. */
interface Mark {
  atUs: number;
  gadget: Gadget;
  snapshot: MachineState;
  /** How much had come before it. */
  came: number;
}

/** So long everything that hands and edits did is kept whole, and any moment can be played again. */
export const keptUs = 1_800_000_000;
/** Documents of kept edits, in characters: about 200 MB of memory. Beyond that the oldest go sooner. */
const keptChars = 50_000_000;
/** A trial holds a fifth of it. */
const mostHands = 50_000;
/** Marks thin with age: from each age on, no nearer to one another than that. */
const spacing = [
  { ageUs: 300_000_000, leastUs: 60_000_000 },
  { ageUs: 60_000_000, leastUs: 10_000_000 },
  { ageUs: 10_000_000, leastUs: 2_000_000 },
  { ageUs: 0, leastUs: 500_000 },
];
/** A mark is made at the latest after so much work, so that going back to one is no dearer; in the kernel's parts. */
const markWork = 50_000_000;

/** A moment of the past on its way: the machine is let go on from the mark before it, piece by piece. */
export class Replay {
  private next: number;
  constructor(
    readonly machine: Machine,
    private readonly came: readonly Came[],
    from: number,
    readonly toUs: number,
  ) {
    this.next = from;
  }

  /** How much had come by that moment. */
  get cameBy(): number {
    return this.next;
  }

  /** @param parts of work at most @returns whether it has come to its moment */
  advance(parts: number): boolean {
    const { machine, came, toUs } = this;
    const until = machine.work + parts;
    for (;;) {
      // Stimuli up to the next edit lie ahead of the machine, as they did when it was played.
      for (
        let one = came[this.next];
        one && 'stimulus' in one && one.stimulus.atUs <= toUs;
        one = came[this.next]
      ) {
        machine.stimulate({ ...one.stimulus, atUs: Math.max(one.stimulus.atUs, machine.nowUs) });
        this.next += 1;
      }
      const edit = came[this.next];
      const editUs = edit && 'edit' in edit ? edit.atUs : Infinity;
      if (!machine.advance(Math.max(machine.nowUs, Math.min(toUs, editUs)), until - machine.work))
        return false;
      if (editUs > toUs) return true;
      machine.adopt((edit as { edit: Gadget }).edit);
      this.next += 1;
    }
  }
}

/** What is needed to go back: all that came for half an hour, and marks that thin with age. */
export class History {
  private came: Came[] = [];
  /** The same of hands alone, from power-up on. */
  private hands: Stimulus[] = [];
  private marks: Mark[] = [];
  private chars = 0;
  private workAtMark = 0;

  /** Begins anew with a machine that has just powered up, and knows already what hands will do. */
  begin(machine: Machine, script: readonly Stimulus[]): void {
    this.came = script.map((stimulus) => ({ stimulus }));
    this.hands = [...script];
    this.marks = [];
    this.chars = 0;
    this.mark(machine);
  }

  get sinceUs(): number {
    return this.marks[0]!.atUs;
  }
  get marksKept(): number {
    return this.marks.length;
  }
  /** All that hands did since power-up; of more than a trial can hold, the latest. */
  get stimuli(): Stimulus[] {
    return this.hands.slice();
  }

  did(stimulus: Stimulus): void {
    this.came.push({ stimulus });
    this.hands.push(stimulus);
    if (this.hands.length > mostHands) this.hands = this.hands.slice(-mostHands / 2);
  }
  edited(machine: Machine, gadget: Gadget): void {
    const chars = JSON.stringify(gadget).length;
    this.chars += chars;
    this.came.push({ edit: gadget, atUs: machine.nowUs, chars });
    this.mark(machine);
  }

  mark(machine: Machine): void {
    const { nowUs, gadget, work } = machine;
    this.workAtMark = work;
    this.marks.push({ atUs: nowUs, gadget, snapshot: machine.snapshot(), came: this.came.length });
    this.thin(nowUs);
  }
  /** Marks where that has become due. */
  markIfDue(machine: Machine): void {
    const sinceUs = machine.nowUs - this.marks.at(-1)!.atUs;
    const work = machine.work - this.workAtMark;
    if (sinceUs >= spacing.at(-1)!.leastUs || (sinceUs > 0 && work >= markWork)) this.mark(machine);
  }

  private thin(nowUs: number): void {
    const kept: Mark[] = [];
    for (const mark of this.marks) {
      const ageUs = nowUs - mark.atUs;
      const { leastUs } = spacing.find((one) => ageUs >= one.ageUs)!;
      const last = kept.at(-1);
      // Near ones are told apart by work; the newest always stays.
      if (!last || mark.atUs - last.atUs >= leastUs || ageUs < spacing.at(-2)!.ageUs) kept.push(mark);
    }
    // The first mark within what is kept is where history begins.
    let first = kept.findLastIndex(({ atUs }) => nowUs - atUs >= keptUs);
    first = Math.max(0, first);
    while (this.charsFrom(kept[first]!.came) > keptChars && first < kept.length - 1) first += 1;
    const gone = first > 0 ? kept[first]!.came : 0;
    this.forget(this.came.splice(0, gone));
    this.marks = kept.slice(first).map((mark) => (gone > 0 ? { ...mark, came: mark.came - gone } : mark));
  }
  private forget(came: readonly Came[]): void {
    for (const one of came) if ('edit' in one) this.chars -= one.chars;
  }
  private charsFrom(index: number): number {
    if (this.chars <= keptChars) return this.chars;
    return this.came.slice(index).reduce((sum, one) => sum + ('edit' in one ? one.chars : 0), 0);
  }

  /** The last edit: what came before it cannot be played anew with another document. */
  get editedUs(): number {
    const edit = this.came.findLast((one) => 'edit' in one);
    return edit && 'edit' in edit ? edit.atUs : -Infinity;
  }

  /** When a control was last moved. */
  lastOf(controlId: string): number {
    return this.hands.findLast((one) => one.controlId === controlId)?.atUs ?? -Infinity;
  }

  /** What hands did after a moment. */
  didAfter(atUs: number): Stimulus[] {
    const first = this.came.findLastIndex((one) => !('stimulus' in one) || one.stimulus.atUs <= atUs) + 1;
    return this.came.slice(first).flatMap((one) => ('stimulus' in one ? [one.stimulus] : []));
  }

  /** The way back to a moment. @param like a machine that may have the same document */
  to(toUs: number, like?: Machine): Replay {
    const mark = this.marks.findLast(({ atUs }) => atUs <= toUs) ?? this.marks[0]!;
    const machine =
      like?.gadget === mark.gadget
        ? like.restoredTo(mark.snapshot)
        : Machine.restore(mark.gadget, mark.snapshot);
    return new Replay(machine, this.came, mark.came, Math.max(mark.atUs, toUs));
  }

  /** Forgets what came after a replayed moment, which is the present from now on. */
  cutTo({ machine, cameBy }: Replay): void {
    this.marks = this.marks.filter(({ atUs, came }) => atUs <= machine.nowUs && came <= cameBy);
    this.workAtMark = machine.work;
    const gone = this.came.splice(cameBy);
    this.forget(gone);
    this.hands.length -= gone.filter((one) => 'stimulus' in one).length;
  }
}

/** Entries of a stretch of the past, as it comes; no more than `most`, the last ones. */
export function keepWithin(
  entries: TraceEntry[],
  come: readonly TraceEntry[],
  fromUs: number,
  most: number,
): TraceEntry[] {
  for (const entry of come) if (entry.atUs >= fromUs) entries.push(entry);
  return entries.length > 2 * most ? entries.slice(-most) : entries;
}
