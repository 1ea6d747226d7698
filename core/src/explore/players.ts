import {
  compileExpression,
  compileFlow,
  eventCodes,
  fireTimer,
  freshFlow,
  nextTimerUs,
  outwards,
  powerUp,
  scopeOf,
  standing,
  stepFlow,
  type Around,
  type FlowState,
  type FlowTables,
} from '../flow/index.ts';
import { nestingOf, type Gadget } from '../gadget/index.ts';
import { beginMoment, freshWork, StandsStill, workSoFar } from '../kernel/index.ts';
import { startingAt } from './degrees.ts';
import { Guide } from './guide.ts';
import { Hand, type Player, type Seen, type Skill } from './hand.ts';
import { Controls, type Happening } from './controls.ts';
import { doableMoves, keptDown, type Move } from './moves.ts';

/** What is played: from where, to which ends, for how long at most. */
export interface Contest {
  /** Moves that begin a round, one after the other, after power-up. */
  opening: readonly { controlId: string; what: string }[];
  endStateIds: readonly string[];
  /** Variable that is the score, or null. */
  scoreId: string | null;
  limitUs: number;
  /** How difficult it is: a variable that has this value from power-up, and again when the round begins; or nothing. */
  starting?: { variableId: string; value: number };
}

export interface Round {
  /** null: it never came to an end. */
  endStateId: string | null;
  lengthUs: number;
  score: number;
  presses: number;
  /** Something was still running when time was up. */
  running: boolean;
  /** What it cost, in the kernel's parts. */
  work: number;
}

/**
 * Where a round is over: innermost states from which, by their own rules and those around them, all ways lead to the
 * beginning; and final ones. Not those that others stand beside: what goes on there may lead elsewhere.
 */
export function endsOf(gadget: Gadget): string[] {
  const { initialId } = gadget.flow;
  const nesting = nestingOf(gadget.flow);
  return standing(gadget, nesting)
    .filter((state) => {
      const home = outwards(nesting, state);
      if (home.some(({ id }) => id === initialId)) return false;
      if (home.slice(1).some(({ kind }) => kind === 'parallel')) return false;
      if (state.kind === 'final') return true;
      const targets = home.flatMap(({ rules }) => rules.flatMap(({ targetIds }) => targetIds));
      return targets.length > 0 && targets.every((target) => target === initialId);
    })
    .map(({ id }) => id);
}

/** A round that has this many things happen in it is taken to be without end. */
const mostSteps = 200_000;
/** So is one that costs as much, in the kernel's parts: nearly half a second. */
const mostWork = 100_000_000;
/** Between the moves of an opening. */
const openingUs = 400_000;

/** A contest made ready: rounds cost what happens in them. */
export class Arena {
  readonly gadget: Gadget;
  private readonly tables: FlowTables;
  private readonly moves: readonly Move[];
  private readonly opening: readonly Move[];
  private readonly ends: readonly number[];
  private readonly score: number;
  private readonly skill: Skill;
  private readonly controls: Controls;
  private readonly limitUs: number;
  private readonly starting: { slot: number; value: number } | null = null;

  /** @throws ExpressionError for a condition that cannot be read, RangeError for a move that cannot be made */
  constructor(gadget: Gadget, contest: Contest, player: Player) {
    const { starting } = contest;
    this.gadget = starting ? startingAt(gadget, starting.variableId, starting.value) : gadget;
    this.tables = compileFlow(this.gadget).tables;
    const lines =
      player.kind === 'policy'
        ? player.lines.map((line) => ({
            ...line,
            when: compileExpression(line.when, scopeOf(this.gadget), null),
          }))
        : [];
    this.controls = new Controls(
      this.gadget,
      this.tables,
      eventCodes(this.gadget),
      lines.map(({ when }) => when),
    );
    this.moves = doableMoves(this.gadget, this.controls.whole);
    this.limitUs = contest.limitUs;
    this.opening = contest.opening.map(({ controlId, what }) => this.moveOf(controlId, what));
    this.ends = contest.endStateIds.map((id) => this.tables.stateIds.indexOf(id)).filter((at) => at >= 0);
    const score = contest.scoreId === null ? -1 : this.tables.variableIds.indexOf(contest.scoreId);
    this.score = score < 0 ? -1 : this.tables.slot[score]!;
    if (starting) {
      const slot = this.tables.slot[this.tables.variableIds.indexOf(starting.variableId)]!;
      this.starting = { slot, value: starting.value };
    }
    const policy = lines.map(({ when, controlId, what }) => ({ when, move: this.moveOf(controlId, what) }));
    const guide = player.kind === 'way' ? new Guide(this.gadget, player.stateId) : null;
    this.skill = { player, moves: this.moves, policy, guide };
  }

  private moveOf(controlId: string, what: string): Move {
    const known = [...this.moves, ...keptDown(this.moves, controlId)];
    const found = known.find((move) => move.controlId === controlId && move.what === what);
    if (!found) throw new RangeError(`expected something that can be done to "${controlId}", got "${what}"`);
    return found;
  }

  /** One round. The same seed is the same round. */
  play(seed: number): Round {
    return new RoundRun(
      this.tables,
      this.controls,
      this.gadget.flow.chance === 'same' ? 1 : seed,
      this.gadget.loop.periodUs,
    ).run({
      opening: this.opening,
      ends: this.ends,
      score: this.score,
      limitUs: this.limitUs,
      starting: this.starting,
      hand: new Hand(this.skill, seed, this.gadget.hands),
    });
  }
}

interface RoundPlan {
  starting: { slot: number; value: number } | null;
  opening: readonly Move[];
  ends: readonly number[];
  score: number;
  limitUs: number;
  hand: Hand;
}

/** One run of the flow in its own time, with events from hands. */
class RoundRun {
  nowUs = 0;
  private readonly tables: FlowTables;
  private readonly state: FlowState;
  private readonly controls: Controls;
  /** Where the controls lie that keep their place. */
  private readonly places: number[];
  /** What comes of moves under way, in order of time. */
  private readonly coming: Happening[] = [];
  private presses = 0;
  private steps = 0;

  private readonly around: Around;
  /** What expressions of a policy see. */
  private readonly seen: Seen;

  private readonly periodUs: number;
  /** When a timer was last looked at. */
  private turnUs = -Infinity;
  /** More would have happened than can: nothing does any more. */
  private still = false;

  constructor(tables: FlowTables, controls: Controls, seed: number, periodUs: number) {
    this.tables = tables;
    this.periodUs = periodUs;
    this.controls = controls;
    this.places = controls.atRest();
    const { places } = this;
    const control = (number: number) => controls.valueAt(number, places);
    this.around = { nowUs: 0, work: freshWork(), seed, control, quiet: true };
    this.state = this.unlessTooMuch(() => powerUp(tables, this.around).state) ?? freshFlow(tables, null);
    const { state } = this;
    this.seen = {
      state,
      places,
      values: state.values,
      random: () => 0,
      active: (one) => state.active[one]!,
      elapsed: (one) => Math.floor((this.nowUs - state.enteredUs[one]!) / 1_000),
      control,
      fault: () => undefined,
    };
  }

  private unlessTooMuch<T>(work: () => T): T | null {
    try {
      return work();
    } catch (error) {
      if (!(error instanceof StandsStill)) throw error;
      this.still = true;
      return null;
    }
  }

  run({ opening, ends, score, limitUs, starting, hand }: RoundPlan): Round {
    let atUs = openingUs;
    for (const move of opening) {
      this.begin(move, atUs, hand);
      atUs += move.lengthUs + openingUs;
    }
    while (this.coming.length > 0 && !this.isSpent()) this.advance(this.nextUs());
    if (starting) this.state.values[starting.slot] = starting.value;
    const startUs = this.nowUs;
    let lastUs: number | null = null;
    let next = hand.decide(startUs, lastUs, this.seen);
    for (;;) {
      const end = ends.find((state) => this.state.active[state] === 1);
      const over = end !== undefined || this.state.ended;
      const dueUs = Math.min(this.nextUs(), next?.atUs ?? Infinity);
      if (over || dueUs - startUs > limitUs || this.isSpent())
        return {
          endStateId: end === undefined ? null : this.tables.stateIds[end]!,
          lengthUs: over ? this.nowUs - startUs : limitUs,
          score: score < 0 ? 0 : this.state.values[score]!,
          presses: this.presses,
          running: !over && this.state.timers.length > 0,
          work: workSoFar(this.around.work),
        };
      if (next && next.atUs <= dueUs) {
        this.begin(next.move, next.atUs, hand);
        lastUs = next.atUs;
        this.advance(next.atUs);
        next = hand.decide(this.nowUs, lastUs, this.seen);
      } else {
        this.advance(dueUs);
        if (next === null || hand.watches) next = hand.decide(this.nowUs, lastUs, this.seen);
      }
    }
  }

  private begin(move: Move, fromUs: number, hand: Hand): void {
    hand.did();
    for (const one of this.controls.timeline(move, this.places))
      this.coming.push({ ...one, atUs: fromUs + one.atUs });
    this.coming.sort((a, b) => a.atUs - b.atUs);
    this.presses += move.presses + move.steps;
  }

  private isSpent(): boolean {
    return this.still || this.steps > mostSteps || workSoFar(this.around.work) > mostWork;
  }

  /** When the turn comes that looks at the next timer: timers of one turn together, a turn no sooner than it can be. */
  private timerUs(): number {
    const dueUs = nextTimerUs(this.state) ?? Infinity;
    return dueUs <= this.turnUs ? dueUs : Math.max(dueUs, this.turnUs + this.periodUs);
  }

  private nextUs(): number {
    return Math.min(this.timerUs(), this.coming[0]?.atUs ?? Infinity);
  }

  /** Everything up to that moment, timers before hands as in a turn of the loop. */
  private advance(untilUs: number): void {
    const { tables, state } = this;
    while (!this.isSpent()) {
      const timerUs = this.timerUs();
      const handUs = this.coming[0]?.atUs ?? Infinity;
      const dueUs = Math.min(timerUs, handUs);
      if (dueUs > untilUs) break;
      this.steps += 1;
      this.nowUs = Math.max(this.nowUs, dueUs);
      this.around.nowUs = this.nowUs;
      beginMoment(this.around.work, this.nowUs);
      if (timerUs <= handUs) {
        this.turnUs = this.nowUs;
        this.nowUs += this.unlessTooMuch(() => fireTimer(tables, state, 0, this.around).blockedUs) ?? 0;
        continue;
      }
      const one = this.coming.shift()!;
      if ('to' in one) this.places[one.at] = one.to;
      // Everything stands still meanwhile, and what hands do waits.
      else
        this.nowUs +=
          this.unlessTooMuch(() => stepFlow(tables, state, one.event, this.around).blockedUs) ?? 0;
    }
    this.nowUs = Math.max(this.nowUs, untilUs);
  }
}

/** What many rounds came to. */
export interface Standing {
  rounds: number;
  /** How often each end was come to; under '' those that never came to one. */
  ends: Record<string, number>;
  scores: number[];
  lengthsUs: number[];
  presses: number[];
}

export function standingOf(rounds: readonly Round[]): Standing {
  const ends: Record<string, number> = {};
  for (const { endStateId } of rounds) ends[endStateId ?? ''] = (ends[endStateId ?? ''] ?? 0) + 1;
  return {
    rounds: rounds.length,
    ends,
    scores: rounds.map(({ score }) => score),
    lengthsUs: rounds.map(({ lengthUs }) => lengthUs),
    presses: rounds.map(({ presses }) => presses),
  };
}
