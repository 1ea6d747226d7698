import { evaluate, type Code, type FlowState, type Surroundings } from '../flow/index.ts';
import type { Hands } from '../gadget/index.ts';
import { reaction } from '../gesture/index.ts';
import { exactLn, noiseAt, normalAt, unitAt } from '../kernel/index.ts';
import type { Guide } from './guide.ts';
import type { Move } from './moves.ts';

/** Somebody who plays without being told how. */
export type Player =
  /** Does nothing. */
  | { kind: 'idle' }
  /** One key, as fast as that. */
  | { kind: 'mash'; controlId: string; perSecond: number }
  /** Anything at all, so often on the whole. */
  | { kind: 'random'; perSecond: number }
  /** Does each thing when its condition holds, after the time that a person needs to react. */
  | { kind: 'policy'; lines: readonly PolicyLine[] }
  /** Takes the way with the fewest presses to a state, thinking anew after everything that happens. */
  | { kind: 'way'; stateId: string };
export interface PolicyLine {
  /** Over ids. */
  when: string;
  controlId: string;
  what: string;
}

/** One reaction of a person, drawn; see `reaction`. */
export function reactionUs(seed: number, index: number): number {
  const { meanUs, spreadUs, tailUs, floorUs } = reaction;
  const late = -tailUs * exactLn(Math.max(1e-9, unitAt(seed, channels.late, index)));
  const us = meanUs + spreadUs * normalAt(seed, channels.normal, index) + late;
  return Math.max(floorUs, Math.round(us));
}

/** Chance of players is apart from that of the gadget. */
const channels = { normal: 0x7a10, late: 0x7a20, pause: 0x7a30, pick: 0x7a40 } as const;
/** What a player can do and knows, the same in every round. */
export interface Skill {
  player: Player;
  moves: readonly Move[];
  policy: readonly { when: Code; move: Move }[];
  /** Of one who takes the shortest way. */
  guide: Guide | null;
}
/** What a player sees of a round. */
export interface Seen extends Surroundings {
  readonly state: FlowState;
  /** Where the controls lie that keep their place. */
  readonly places: readonly number[];
}
interface Decision {
  atUs: number;
  move: Move;
}

/** What a player does next, and when. */
export class Hand {
  private readonly skill: Skill;
  private readonly seed: number;
  private readonly hands: Hands;
  private drawn = 0;
  /** Of each line of a policy: when it will be done; null: its condition does not hold. */
  private readonly due: (number | null)[];
  private aim: { move: Move; dueUs: number } | null = null;

  constructor(skill: Skill, seed: number, hands: Hands) {
    this.skill = skill;
    this.seed = seed;
    this.hands = hands;
    this.due = skill.policy.map(() => null);
  }

  /** Whether what happens may change what it is about to do; others keep their beat. */
  get watches(): boolean {
    return this.skill.player.kind === 'policy' || this.skill.player.kind === 'way';
  }

  /** A move was begun. */
  did(): void {
    this.aim = null;
  }

  /** After something has happened: when the next move begins, if the player has decided on one. */
  decide(nowUs: number, lastUs: number | null, seen: Seen): Decision | null {
    const { player, moves } = this.skill;
    switch (player.kind) {
      case 'idle':
        return null;
      case 'mash': {
        const move = moves.find(({ controlId, what }) => controlId === player.controlId && what === 'tap');
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
        const move = moves[noiseAt(this.seed, channels.pick, this.drawn) % Math.max(1, moves.length)];
        this.drawn += 1;
        return move ? { atUs: (lastUs ?? nowUs) + Math.round(pause * 1_000_000), move } : null;
      }
      case 'policy':
        return this.decideByPolicy(nowUs, lastUs, seen);
      case 'way':
        return this.decideByWay(nowUs, lastUs, seen);
    }
  }

  private decideByPolicy(nowUs: number, lastUs: number | null, seen: Seen): Decision | null {
    let first: Decision | null = null;
    for (const [line, { when, move }] of this.skill.policy.entries()) {
      if (evaluate(when, seen) === 0) {
        this.due[line] = null;
        continue;
      }
      if (this.due[line] === null) {
        this.due[line] = nowUs + reactionUs(this.seed, this.drawn);
        this.drawn += 1;
      }
      const atUs = this.comfortably(this.due[line]!, lastUs);
      if (!first || atUs < first.atUs) first = { atUs, move };
    }
    return first;
  }

  /** One who is at it goes on at a comfortable rate. */
  private comfortably(dueUs: number, lastUs: number | null): number {
    return Math.max(dueUs, lastUs === null ? 0 : lastUs + this.hands.comfortableRepeatUs);
  }

  private decideByWay(nowUs: number, lastUs: number | null, { state, places }: Seen): Decision | null {
    const move = this.skill.guide!.next(state, places);
    if (!move) this.aim = null;
    else if (this.aim?.move !== move) {
      this.aim = { move, dueUs: nowUs + reactionUs(this.seed, this.drawn) };
      this.drawn += 1;
    }
    return this.aim && { atUs: this.comfortably(this.aim.dueUs, lastUs), move: this.aim.move };
  }
}
