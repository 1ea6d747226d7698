import type { Board, Gadget, Wire } from '../gadget/index.ts';
import { wiringProblem, type LineDemand, type WiringProblem } from './demands.ts';
import { asksUa } from './drivers.ts';
import { crossings, layBoard, seatsByEnd } from './layout.ts';
import { ownersOf } from './owners.ts';
import { explain, solve, untangle, type Choice } from './solver/index.ts';
import { pinsOf } from './boards.ts';
import { supplyWires } from './supplies.ts';

/** A demand that belongs to a set that cannot be met, in terms of the document. */
export interface Clash {
  ownerId: string;
  ownerName: string;
  terminal: string;
  /** What it asks of a pin: a need, or the line of a bus. */
  needs: string;
  lockedTo: string | null;
  /** It is soldered to a pin that this board does not have. */
  lockedMissing: boolean;
  /** Pins that could do it, taken by itself. */
  pins: string[];
  /** It takes more current than any pin gives: how much, µA; otherwise null. */
  tooMuchUa: number | null;
}

interface Impossible {
  outcome: 'impossible';
  clashes: Clash[];
  minimal: boolean;
}

export type Laid =
  | {
      outcome: 'laid';
      wires: Wire[];
      cost: number;
      /** No wiring costs less; equal to `cost` where that is proven. */
      bound: number;
      nodes: number;
      crossings: number;
    }
  | Impossible
  | { outcome: 'unknown' };

/**
 * A pin for every line that is not soldered, rails and grounds included; or the smallest set of demands that cannot be
 * met together.
 */
export function layWiring(gadget: Gadget, board: Board): Laid {
  const problem = wiringProblem(gadget, board);
  const solution = solve(problem);
  if (solution.outcome === 'unknown') return { outcome: 'unknown' };
  if (solution.outcome === 'impossible') return explained(problem);
  const layout = layBoard(board);
  const seats = seatsByEnd(ownersOf(gadget), layout);
  const pinOf = (choice: Choice, row: number) =>
    problem.pins[problem.demands[row]!.candidates[choice[row]!]!.place]!;
  const threads = (choice: Choice) =>
    problem.demands.flatMap(({ terminals }, row) =>
      terminals.flatMap(({ owner, terminal }) => {
        const seat = seats.get(`${owner.id}.${terminal.name}`);
        const spot = layout.pins.get(pinOf(choice, row).name);
        return seat && spot ? [{ seat, spot }] : [];
      }),
    );
  const choice = untangle(problem, solution.choice, (one) => crossings(threads(one)));
  const signals = problem.demands.flatMap(({ terminals }, row) =>
    terminals.map(({ owner, terminal }): Wire => {
      const to = { kind: 'pin', pin: pinOf(choice, row).name } as const;
      return { ownerId: owner.id, terminal: terminal.name, to, locked: false };
    }),
  );
  return {
    outcome: 'laid',
    wires: [...signals, ...supplyWires(gadget, board)],
    cost: solution.cost,
    bound: solution.bound,
    nodes: solution.nodes,
    crossings: crossings(threads(choice)),
  };
}

/** Why not every line can have a pin; null: they can, or nothing is proven. Cheaper than laying them at their best. */
export function clashesOn(gadget: Gadget, board: Board): Impossible | null {
  const problem = wiringProblem(gadget, board);
  return solve(problem, { anyWillDo: true }).outcome === 'impossible' ? explained(problem) : null;
}

function explained(problem: WiringProblem): Impossible {
  const { rows, minimal } = explain(problem);
  return {
    outcome: 'impossible',
    minimal,
    clashes: rows.map((row) => clashOf(problem.demands[row]!, problem)),
  };
}

/** Whether every line can have a pin; the cheaper question. */
export function canLay(gadget: Gadget, board: Board): boolean {
  return solve(wiringProblem(gadget, board), { anyWillDo: true }).outcome === 'solved';
}

function clashOf(
  { terminals, need, lockedTo, candidates }: LineDemand,
  { pins, board }: WiringProblem,
): Clash {
  const { owner, terminal } = terminals[0]!;
  const askedUa = asksUa(owner, terminal, board.logicMv);
  return {
    ownerId: owner.id,
    ownerName: owner.name,
    terminal: terminal.name,
    needs: typeof need === 'string' ? need : need.line,
    lockedTo,
    lockedMissing: lockedTo !== null && !pinsOf(board).has(lockedTo),
    pins: [...new Set(candidates.map(({ place }) => pins[place]!.name))],
    tooMuchUa: askedUa > board.pinMaxUa ? askedUa : null,
  };
}
