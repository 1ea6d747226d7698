import {
  compileExpression,
  compileFlow,
  evaluate,
  fireTimer,
  nextTimerUs,
  powerUp,
  scopeOf,
  stepFlow,
  type Around,
  type Code,
  type FlowState,
  type FlowTables,
  type Surroundings,
} from '../flow/index.ts';
import type { Gadget, Hands } from '../gadget/index.ts';
import { exactLn, noiseAt, normalAt, unitAt } from '../kernel/index.ts';
import { keptDown, movesOf, type Move } from './moves.ts';

/** Somebody who plays without being told how. */
export type Player =
  /** Does nothing. */
  | { kind: 'idle' }
  /** One key, as fast as that. */
  | { kind: 'mash'; controlId: string; perSecond: number }
  /** Anything at all, so often on the whole. */
  | { kind: 'random'; perSecond: number }
  /** Does each thing when its condition holds, after the time that a person needs to react. */
  | { kind: 'policy'; lines: readonly PolicyLine[] };
export interface PolicyLine {
  /** Over ids. */
  when: string;
  controlId: string;
  what: string;
}

/** What is played: from where, to which ends, for how long at most. */
export interface Contest {
  /** Moves that begin a round, one after the other, after power-up. */
  opening: readonly { controlId: string; what: string }[];
  endStateIds: readonly string[];
  /** Variable that is the score, or null. */
  scoreId: string | null;
  limitUs: number;
}

export interface Round {
  /** null: it never came to an end. */
  endStateId: string | null;
  lengthUs: number;
  score: number;
  presses: number;
  /** Something was still running when time was up. */
  running: boolean;
}

/** States that only lead back to the beginning, and final ones: where a round is over. */
export function endsOf({ flow }: Gadget): string[] {
  return flow.states
    .filter(({ id, kind, rules }) => {
      if (id === flow.initialId) return false;
      const targets = rules.flatMap(({ targetIds }) => targetIds);
      return kind === 'final' || (targets.length > 0 && targets.every((target) => target === flow.initialId));
    })
    .map(({ id }) => id);
}

/**
 * Simple reaction time: ex-Gaussian, never below what is anticipation. Source: reckoning, Contact, debounce, gesture:
 * μ 210, σ 25, τ 55 ms, floor 120 ms.
 */
export function reactionUs(seed: number, index: number): number {
  const late = -55_000 * exactLn(Math.max(1e-9, unitAt(seed, channels.late, index)));
  return Math.max(120_000, Math.round(210_000 + 25_000 * normalAt(seed, channels.normal, index) + late));
}

/** Chance of players is apart from that of the gadget. */
const channels = { normal: 0x7a10, late: 0x7a20, pause: 0x7a30, pick: 0x7a40 } as const;
/** A round that has this many things happen in it is taken to be without end. */
const mostSteps = 200_000;
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
  private readonly player: Player;
  private readonly policy: readonly { when: Code; move: Move }[];
  private readonly limitUs: number;

  /** @throws ExpressionError for a condition that cannot be read, RangeError for a move that cannot be made */
  constructor(gadget: Gadget, contest: Contest, player: Player) {
    this.gadget = gadget;
    this.tables = compileFlow(gadget).tables;
    this.moves = movesOf(gadget).filter(({ events }) => events.length > 0);
    this.player = player;
    this.limitUs = contest.limitUs;
    this.opening = contest.opening.map(({ controlId, what }) => this.moveOf(controlId, what));
    this.ends = contest.endStateIds.map((id) => this.tables.stateIds.indexOf(id)).filter((at) => at >= 0);
    const score = contest.scoreId === null ? -1 : this.tables.variableIds.indexOf(contest.scoreId);
    this.score = score < 0 ? -1 : this.tables.slot[score]!;
    this.policy =
      player.kind === 'policy'
        ? player.lines.map(({ when, controlId, what }) => ({
            when: compileExpression(when, scopeOf(gadget), null),
            move: this.moveOf(controlId, what),
          }))
        : [];
  }

  private moveOf(controlId: string, what: string): Move {
    const known = [...this.moves, ...keptDown(this.moves, controlId)];
    const found = known.find((move) => move.controlId === controlId && move.what === what);
    if (!found) throw new RangeError(`expected something that can be done to "${controlId}", got "${what}"`);
    return found;
  }

  /** One round. The same seed is the same round. */
  play(seed: number): Round {
    return new RoundRun(this.tables, this.gadget.flow.chance === 'same' ? 1 : seed).run({
      opening: this.opening,
      ends: this.ends,
      score: this.score,
      limitUs: this.limitUs,
      hand: new Hand(this.player, this.moves, this.policy, seed, this.gadget.hands),
    });
  }
}

/** What a player does next, and when. */
class Hand {
  private readonly player: Player;
  private readonly moves: readonly Move[];
  private readonly policy: readonly { when: Code; move: Move }[];
  private readonly seed: number;
  private readonly hands: Hands;
  private drawn = 0;
  /** Of each line of a policy: when it will be done; null: its condition does not hold. */
  private readonly due: (number | null)[];

  constructor(
    player: Player,
    moves: readonly Move[],
    policy: readonly { when: Code; move: Move }[],
    seed: number,
    hands: Hands,
  ) {
    this.player = player;
    this.moves = moves;
    this.policy = policy;
    this.seed = seed;
    this.hands = hands;
    this.due = policy.map(() => null);
  }

  /** After something has happened: when the next move begins, if the player has decided on one. */
  decide(nowUs: number, lastUs: number | null, around: Surroundings): { atUs: number; move: Move } | null {
    const { player } = this;
    switch (player.kind) {
      case 'idle':
        return null;
      case 'mash': {
        const move = this.moves.find(
          ({ controlId, what }) => controlId === player.controlId && what === 'tap',
        );
        if (!move) return null;
        // People are not clocks: a tenth up or down.
        const everyUs =
          (1_000_000 / player.perSecond) * (1 + 0.1 * normalAt(this.seed, channels.pause, this.drawn));
        this.drawn += 1;
        return { atUs: (lastUs ?? nowUs) + Math.max(20_000, Math.round(everyUs)), move };
      }
      case 'random': {
        const pause =
          -exactLn(Math.max(1e-9, unitAt(this.seed, channels.pause, this.drawn))) / player.perSecond;
        const move =
          this.moves[noiseAt(this.seed, channels.pick, this.drawn) % Math.max(1, this.moves.length)];
        this.drawn += 1;
        return move ? { atUs: (lastUs ?? nowUs) + Math.round(pause * 1_000_000), move } : null;
      }
      case 'policy':
        return this.decideByPolicy(nowUs, lastUs, around);
    }
  }

  private decideByPolicy(nowUs: number, lastUs: number | null, around: Surroundings) {
    let first: { atUs: number; move: Move; line: number } | null = null;
    for (const [line, { when, move }] of this.policy.entries()) {
      if (evaluate(when, around) === 0) {
        this.due[line] = null;
        continue;
      }
      if (this.due[line] === null) {
        this.due[line] = nowUs + reactionUs(this.seed, this.drawn);
        this.drawn += 1;
      }
      // One who is at it goes on at a comfortable rate.
      const atUs = Math.max(this.due[line]!, lastUs === null ? 0 : lastUs + this.hands.comfortableRepeatUs);
      if (!first || atUs < first.atUs) first = { atUs, move, line };
    }
    return first;
  }
}

interface RoundPlan {
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
  /** Events of moves under way, in order of time. */
  private readonly coming: { atUs: number; event: number }[] = [];
  private presses = 0;
  private steps = 0;

  private readonly around: Around;
  /** What expressions of a policy see. */
  private readonly seen: Surroundings;

  constructor(tables: FlowTables, seed: number) {
    this.tables = tables;
    this.around = { nowUs: 0, seed, control: () => 0, quiet: true };
    this.state = powerUp(tables, this.around).state;
    const { state } = this;
    this.seen = {
      values: state.values,
      random: () => 0,
      active: (one) => state.active[one]!,
      elapsed: (one) => Math.floor((this.nowUs - state.enteredUs[one]!) / 1_000),
      control: () => 0,
      fault: () => undefined,
    };
  }

  run({ opening, ends, score, limitUs, hand }: RoundPlan): Round {
    let atUs = openingUs;
    for (const move of opening) {
      this.begin(move, atUs);
      atUs += move.lengthUs + openingUs;
    }
    while (this.coming.length > 0) this.advance(this.nextUs());
    const startUs = this.nowUs;
    let lastUs: number | null = null;
    let next = hand.decide(startUs, lastUs, this.seen);
    for (;;) {
      const end = ends.find((state) => this.state.active[state] === 1);
      const over = end !== undefined || this.state.ended;
      const dueUs = Math.min(this.nextUs(), next?.atUs ?? Infinity);
      if (over || dueUs - startUs > limitUs || this.steps > mostSteps)
        return {
          endStateId: end === undefined ? null : this.tables.stateIds[end]!,
          lengthUs: over ? this.nowUs - startUs : limitUs,
          score: score < 0 ? 0 : this.state.values[score]!,
          presses: this.presses,
          running: !over && this.state.timers.length > 0,
        };
      if (next && next.atUs <= dueUs) {
        this.begin(next.move, next.atUs);
        lastUs = next.atUs;
        this.advance(next.atUs);
        next = hand.decide(this.nowUs, lastUs, this.seen);
      } else {
        this.advance(dueUs);
        // What has happened may change the mind of one who watches; others keep their beat.
        if (next === null || 'line' in next) next = hand.decide(this.nowUs, lastUs, this.seen);
      }
    }
  }

  private begin({ events, atUs, presses, steps }: Move, fromUs: number): void {
    events.forEach((event, n) => this.coming.push({ atUs: fromUs + atUs[n]!, event }));
    this.coming.sort((a, b) => a.atUs - b.atUs);
    this.presses += presses + steps;
  }

  private nextUs(): number {
    return Math.min(nextTimerUs(this.state) ?? Infinity, this.coming[0]?.atUs ?? Infinity);
  }

  /** Everything up to that moment, timers before hands as in a turn of the loop. */
  private advance(untilUs: number): void {
    const { tables, state } = this;
    while (this.steps <= mostSteps) {
      const timerUs = nextTimerUs(state) ?? Infinity;
      const handUs = this.coming[0]?.atUs ?? Infinity;
      const dueUs = Math.min(timerUs, handUs);
      if (dueUs > untilUs) break;
      this.steps += 1;
      this.nowUs = Math.max(this.nowUs, dueUs);
      this.around.nowUs = this.nowUs;
      const { blockedUs } =
        timerUs <= handUs
          ? fireTimer(
              tables,
              state,
              state.timers.findIndex((timer) => timer.dueUs === timerUs),
              this.around,
            )
          : stepFlow(tables, state, this.coming.shift()!.event, this.around);
      // Everything stands still meanwhile, and what hands do waits.
      this.nowUs += blockedUs;
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
