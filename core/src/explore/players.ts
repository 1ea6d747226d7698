import {
  compileExpression,
  compileFlow,
  eventCodes,
  outwards,
  scopeOf,
  standing,
  type FlowTables,
} from '../flow/index.ts';
import { nestingOf, type Gadget } from '../gadget/index.ts';
import { withMenus } from '../menu/index.ts';
import { Machine } from '../machine/index.ts';
import { Controls } from './controls.ts';
import { startingAt } from './degrees.ts';
import { FlowRound } from './flowRound.ts';
import { Guide } from './guide.ts';
import { Hand, type Player, type Skill } from './hand.ts';
import { MachineRound } from './machineRound.ts';
import { doableMoves, keptDown, type Move } from './moves.ts';
import { playRound, type Round } from './round.ts';

/** What is played: from where, to which ends, for how long at most. */
export interface Contest {
  /** Moves that begin a round, one after the other, after power-up. */
  opening: readonly { controlId: string; what: string }[];
  endStateIds: readonly string[];
  /** Variable that is the score, or null. */
  scoreId: string | null;
  limitUs: number;
  /** Through contacts, scan and cleaning, with what they swallow and whom they favour; otherwise what is meant comes at once. */
  throughContacts?: boolean;
  /** How difficult it is: a variable that has this value from power-up, and again when the round begins; or nothing. */
  starting?: { variableId: string; value: number };
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

/** A contest made ready: rounds cost what happens in them. */
export class Arena {
  readonly gadget: Gadget;
  private readonly tables: FlowTables;
  private readonly moves: readonly Move[];
  private readonly opening: readonly Move[];
  private readonly ends: readonly number[];
  private readonly score: number;
  /** Of each who plays. */
  private readonly skills: readonly Skill[];
  /** Powered up once; null: rounds are played on the flow alone. */
  private readonly machine: Machine | null;
  private readonly controls: Controls;
  private readonly limitUs: number;
  private readonly starting: { slot: number; value: number } | null = null;

  /** @throws ExpressionError for a condition that cannot be read, RangeError for a move that cannot be made */
  constructor(gadget: Gadget, contest: Contest, player: Player | readonly Player[]) {
    const players = 'kind' in player ? [player] : player;
    const { starting } = contest;
    const whole = withMenus(gadget);
    this.gadget = starting ? startingAt(whole, starting.variableId, starting.value) : whole;
    this.tables = compileFlow(this.gadget).tables;
    const compiled = players.map((one) =>
      one.kind === 'policy'
        ? one.lines.map((line) => ({
            ...line,
            when: compileExpression(line.when, scopeOf(this.gadget), null),
          }))
        : [],
    );
    this.controls = new Controls(
      this.gadget,
      this.tables,
      eventCodes(this.gadget),
      compiled.flat().map(({ when }) => when),
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
    this.skills = players.map((one, n) => ({
      player: one,
      moves: this.moves,
      policy: compiled[n]!.map(({ when, controlId, what }) => ({ when, move: this.moveOf(controlId, what) })),
      guide: one.kind === 'way' ? new Guide(this.gadget, one.stateId) : null,
    }));
    this.machine = contest.throughContacts ? new Machine(this.gadget, 1) : null;
  }

  private moveOf(controlId: string, what: string): Move {
    const known = [...this.moves, ...keptDown(this.moves, controlId)];
    const found = known.find((move) => move.controlId === controlId && move.what === what);
    if (!found) throw new RangeError(`expected something that can be done to "${controlId}", got "${what}"`);
    return found;
  }

  /** One round. The same seed is the same round. */
  play(seed: number): Round {
    const { skills, gadget, tables, controls, machine } = this;
    const chance = gadget.flow.chance === 'same' ? 1 : seed;
    const played = machine
      ? new MachineRound(machine.again(seed), controls, tables.stateIds)
      : new FlowRound(tables, controls, chance, gadget.loop.periodUs);
    return playRound(tables.stateIds, played, {
      opening: this.opening,
      ends: this.ends,
      score: this.score,
      limitUs: this.limitUs,
      starting: this.starting,
      // Hands of one round differ in their chance, and every round in that of all of them.
      hands: skills.map((skill, n) => new Hand(skill, seed + n * handsApart, gadget.hands)),
    });
  }
}

/** Seeds of a round's hands lie so far apart, beyond any number of rounds. */
const handsApart = 0x2000_0000;

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
