import { assign, forbidden } from './assignment.ts';
import { propagate, type Allowed } from './propagate.ts';
import type { Candidate, Problem, Solution } from './problem.ts';

export interface SolveOptions {
  /** Nodes of the search at most; then the best so far is given with the bound that is proven. */
  maxNodes?: number;
  /** Any solution will do. */
  anyWillDo?: boolean;
}

/** Enough for every board of the catalogue many times over, and still under a second. */
const usualMaxNodes = 4_000;

interface Node {
  allowed: Allowed;
  bound: number;
}

/**
 * Branch and bound over the assignment problem: the cheapest assignment that ignores shared resources is a bound;
 * where it breaks a rule about a resource, the ways of keeping that rule are tried, cheapest bound first. So the
 * first assignment that breaks none is the optimum.
 */
export function solve(
  problem: Problem,
  { maxNodes = usualMaxNodes, anyWillDo = false }: SolveOptions = {},
): Solution {
  const open: Node[] = [];
  let nodes = 0;
  const push = (allowed: Allowed | null, floor: number) => {
    if (allowed) open.push({ allowed, bound: floor });
  };
  push(
    propagate(
      problem,
      problem.demands.map(({ candidates }) => new Uint8Array(candidates.length).fill(1)),
    ),
    0,
  );
  let unproven = false;
  let best: { choice: number[]; cost: number } | null = null;
  let bound = Infinity;
  while (open.length > 0) {
    const node = anyWillDo ? open.pop()! : takeLeast(open);
    if (best && node.bound >= best.cost) continue;
    if (nodes >= maxNodes) {
      unproven = true;
      bound = Math.min(bound, node.bound, ...open.map((one) => one.bound));
      break;
    }
    nodes += 1;
    const relaxed = relax(problem, node.allowed);
    if (!relaxed || (best && relaxed.cost >= best.cost)) continue;
    const broken = firstBroken(problem, relaxed.choice);
    if (!broken) {
      best = relaxed;
      if (anyWillDo) break;
      continue;
    }
    const floor = Math.max(node.bound, relaxed.cost);
    for (const child of branch(problem, node.allowed, relaxed.choice, broken).reverse())
      push(propagate(problem, child), floor);
  }
  if (best)
    return { outcome: 'solved', ...best, bound: unproven ? Math.min(bound, best.cost) : best.cost, nodes };
  return { outcome: unproven ? 'unknown' : 'impossible', nodes };
}

function takeLeast(open: Node[]): Node {
  let at = open.length - 1;
  for (let i = at - 1; i >= 0; i -= 1) if (open[i]!.bound < open[at]!.bound) at = i;
  const [node] = open.splice(at, 1);
  return node!;
}

/** The cheapest assignment that minds places only; null where there is none. */
function relax({ demands, places }: Problem, allowed: Allowed): { choice: number[]; cost: number } | null {
  const matrix = new Float64Array(demands.length * places).fill(forbidden);
  const which = new Int32Array(demands.length * places);
  demands.forEach(({ candidates }, row) =>
    candidates.forEach(({ place, cost }, index) => {
      const at = row * places + place;
      if (!allowed[row]![index] || cost >= matrix[at]!) return;
      matrix[at] = cost;
      which[at] = index;
    }),
  );
  const found = assign(demands.length, places, matrix);
  if ('stuck' in found) return null;
  return {
    choice: Array.from(found.columns, (place, row) => which[row * places + place]!),
    cost: found.cost,
  };
}

type Broken = { resource: string; rows: number[]; modes: string[] };

/** The first resource whose rule the choice breaks, with the demands that claim it. */
export function firstBroken({ demands, capacity }: Problem, choice: readonly number[]): Broken | null {
  const used = new Map<string, { rows: number[]; modes: Set<string>; amount: number }>();
  demands.forEach(({ candidates }, row) => {
    for (const { resource, mode, amount } of candidates[choice[row]!]!.claims) {
      const use = used.get(resource) ?? { rows: [], modes: new Set(), amount: 0 };
      use.rows.push(row);
      if (mode !== '') use.modes.add(mode);
      use.amount += amount;
      used.set(resource, use);
    }
  });
  for (const [resource, { rows, modes, amount }] of used)
    if (modes.size > 1 || amount > (capacity[resource] ?? Infinity))
      return { resource, rows, modes: modes.size > 1 ? [...modes] : [] };
  return null;
}

const claims = ({ claims: all }: Candidate, resource: string) => all.find((one) => one.resource === resource);

/** Ways of keeping the rule, which together leave nothing out and of which no two have a solution in common. */
function branch(problem: Problem, allowed: Allowed, choice: readonly number[], broken: Broken): Allowed[] {
  const { resource, rows, modes } = broken;
  const without = (refused: (candidate: Candidate, row: number) => boolean): Allowed =>
    problem.demands.map(({ candidates }, row) =>
      allowed[row]!.map((may, index) => (may && !refused(candidates[index]!, row) ? 1 : 0)),
    );
  if (modes.length > 0) {
    const modeOf = (candidate: Candidate) => claims(candidate, resource)?.mode ?? '';
    const only = modes.map((mode) => without((one) => modeOf(one) !== '' && modeOf(one) !== mode));
    return [...only, without((one) => modes.includes(modeOf(one)))];
  }
  // Over capacity: one of these demands must keep off the resource; those tried before stay on it.
  return rows.map((row, n) =>
    without((candidate, other) => {
      const on = claims(candidate, resource) !== undefined;
      return other === row ? on : rows.indexOf(other) >= 0 && rows.indexOf(other) < n && !on;
    }),
  );
}
