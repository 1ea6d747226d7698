import type { Hand, Seen } from './hand.ts';
import type { Move } from './moves.ts';

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

/** A gadget that a round is played on, from power-up. */
export interface Played {
  readonly nowUs: number;
  readonly seen: Seen;
  /** When something happens next by itself, or as hands have begun it. */
  nextUs(): number;
  /** Everything up to that moment. */
  advance(untilUs: number): void;
  begin(move: Move, fromUs: number): void;
  set(slot: number, value: number): void;
  /** From now on these states end the round, by number. */
  watch(ends: readonly number[]): void;
  /** The first of them that was come to since, even if it was left at once; null: none yet. */
  readonly end: number | null;
  /** Nothing is under way that hands have begun. */
  readonly idle: boolean;
  /** It is taken to be without end. */
  readonly spent: boolean;
  readonly work: number;
}

export interface RoundPlan {
  starting: { slot: number; value: number } | null;
  opening: readonly Move[];
  /** Numbers of states. */
  ends: readonly number[];
  /** Slot; -1: none. */
  score: number;
  limitUs: number;
  /** One for each who plays. */
  hands: readonly Hand[];
}

/** Between the moves of an opening. */
export const openingUs = 400_000;

/** Plays one round. */
export function playRound(stateIds: readonly string[], played: Played, plan: RoundPlan): Round {
  const { opening, ends, score, limitUs, starting } = plan;
  let presses = 0;
  const hands = plan.hands.map((hand) => ({
    hand,
    lastUs: null as number | null,
    next: null as ReturnType<Hand['decide']>,
  }));
  const begin = (move: Move, fromUs: number) => {
    played.begin(move, fromUs);
    presses += move.presses + move.steps;
  };
  let atUs = openingUs;
  for (const move of opening) {
    begin(move, atUs);
    atUs += move.lengthUs + openingUs;
  }
  while (!played.idle && !played.spent) played.advance(played.nextUs());
  if (starting) played.set(starting.slot, starting.value);
  const startUs = played.nowUs;
  played.watch(ends);
  const decide = (one: (typeof hands)[number]) => {
    one.next = one.hand.decide(played.nowUs, one.lastUs, played.seen);
  };
  hands.forEach(decide);
  for (;;) {
    const { state } = played.seen;
    const { end } = played;
    const over = end !== null || state.ended;
    const first = hands.reduce(
      (a, b) => ((b.next?.atUs ?? Infinity) < (a.next?.atUs ?? Infinity) ? b : a),
      hands[0]!,
    );
    const dueUs = Math.min(played.nextUs(), first.next?.atUs ?? Infinity);
    if (over || dueUs - startUs > limitUs || played.spent)
      return {
        endStateId: end === null ? null : stateIds[end]!,
        lengthUs: over ? played.nowUs - startUs : limitUs,
        score: score < 0 ? 0 : state.values[score]!,
        presses,
        running: !over && state.timers.length > 0,
        work: played.work,
      };
    if (first.next && first.next.atUs <= dueUs) {
      const { move, atUs: fromUs } = first.next;
      first.hand.did();
      begin(move, fromUs);
      first.lastUs = fromUs;
      played.advance(fromUs);
      for (const one of hands) if (one === first || one.next === null || one.hand.watches) decide(one);
    } else {
      played.advance(dueUs);
      for (const one of hands) if (one.next === null || one.hand.watches) decide(one);
    }
  }
}
