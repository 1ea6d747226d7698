import { assign, forbidden } from './assignment.ts';
import { compileProblem, type Compiled, type CompiledRow } from './compiled.ts';
import type { Problem, Solution } from './problem.ts';
import { propagate, type Allowed } from './propagate.ts';

export interface SolveOptions {
  /** Nodes of the search at most; then the best so far is given with the bound that is proven. */
  maxNodes?: number;
  /** Any solution will do. */
  anyWillDo?: boolean;
}

/** Enough for every board of the catalogue many times over, and still a few seconds at most. */
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
export function solve(problem: Problem, options: SolveOptions = {}): Solution {
  return solveCompiled(compileProblem(problem), options);
}

/** As `solve`, for a problem that is compiled already. */
export function solveCompiled(
  compiled: Compiled,
  { maxNodes = usualMaxNodes, anyWillDo = false }: SolveOptions = {},
): Solution {
  const open: Node[] = [];
  const push = (allowed: Allowed | null, floor: number) => {
    if (allowed) open.push({ allowed, bound: floor });
  };
  const all = compiled.rows.map(({ places }) => new Uint8Array(places.length).fill(1));
  // Most of what is impossible fails for want of places alone, which is quickly seen.
  if (!relax(compiled, all)) return { outcome: 'impossible', nodes: 0 };
  push(propagate(compiled, all), 0);
  let nodes = 0;
  let cut = false;
  let best: { choice: number[]; cost: number } | null = null;
  let bound = Infinity;
  while (open.length > 0) {
    const node = anyWillDo ? open.pop()! : takeLeast(open);
    if (best && node.bound >= best.cost) continue;
    if (nodes >= maxNodes) {
      cut = true;
      bound = Math.min(node.bound, ...open.map((one) => one.bound));
      break;
    }
    nodes += 1;
    const relaxed = relax(compiled, node.allowed);
    if (!relaxed || (best && relaxed.cost >= best.cost)) continue;
    const broken = firstBroken(compiled, relaxed.choice);
    if (!broken) {
      best = relaxed;
      if (anyWillDo) break;
      continue;
    }
    const floor = Math.max(node.bound, relaxed.cost);
    for (const child of branch(compiled, node.allowed, broken).reverse())
      push(propagate(compiled, child), floor);
  }
  if (best) return { outcome: 'solved', ...best, bound: cut ? Math.min(bound, best.cost) : best.cost, nodes };
  return { outcome: cut ? 'unknown' : 'impossible', nodes };
}

function takeLeast(open: Node[]): Node {
  let at = open.length - 1;
  for (let i = at - 1; i >= 0; i -= 1) if (open[i]!.bound < open[at]!.bound) at = i;
  const [node] = open.splice(at, 1);
  return node!;
}

/** The cheapest assignment that minds places only; null where there is none. */
function relax({ rows, places }: Compiled, allowed: Allowed): { choice: number[]; cost: number } | null {
  const matrix = new Float64Array(rows.length * places).fill(forbidden);
  const which = new Int32Array(rows.length * places);
  rows.forEach(({ places: columns, costs }, row) => {
    const may = allowed[row]!;
    for (let i = 0; i < may.length; i += 1) {
      const at = row * places + columns[i]!;
      if (!may[i] || costs[i]! >= matrix[at]!) continue;
      matrix[at] = costs[i]!;
      which[at] = i;
    }
  });
  const found = assign(rows.length, places, matrix);
  if ('stuck' in found) return null;
  return {
    choice: Array.from(found.columns, (place, row) => which[row * places + place]!),
    cost: found.cost,
  };
}

interface Broken {
  resource: number;
  rows: number[];
  /** The modes that clash; none: it is the capacity that is exceeded. */
  modes: number[];
}

/** The first resource whose rule the choice breaks, with the demands that claim it. */
export function firstBroken({ rows, capacity }: Compiled, choice: readonly number[]): Broken | null {
  const mode = new Int32Array(capacity.length).fill(-1);
  const load = new Float64Array(capacity.length);
  let broken = -1;
  rows.forEach(({ claimFrom, claimResource, claimMode, claimAmount }, row) => {
    const chosen = choice[row]!;
    for (let claim = claimFrom[chosen]!; claim < claimFrom[chosen + 1]! && broken < 0; claim += 1) {
      const resource = claimResource[claim]!;
      const wanted = claimMode[claim]!;
      load[resource] = load[resource]! + claimAmount[claim]!;
      if (load[resource]! > capacity[resource]!) broken = resource;
      if (wanted < 0) continue;
      if (mode[resource]! >= 0 && mode[resource] !== wanted) broken = resource;
      mode[resource] = wanted;
    }
  });
  if (broken < 0) return null;
  const claimants: number[] = [];
  const modes = new Set<number>();
  rows.forEach((compiledRow, row) => {
    const claim = claimOn(compiledRow, choice[row]!, broken);
    if (claim < 0) return;
    claimants.push(row);
    if (compiledRow.claimMode[claim]! >= 0) modes.add(compiledRow.claimMode[claim]!);
  });
  return { resource: broken, rows: claimants, modes: modes.size > 1 ? [...modes] : [] };
}

/** Which claim of the candidate is on that resource; -1: none. */
function claimOn({ claimFrom, claimResource }: CompiledRow, candidate: number, resource: number): number {
  for (let claim = claimFrom[candidate]!; claim < claimFrom[candidate + 1]!; claim += 1)
    if (claimResource[claim] === resource) return claim;
  return -1;
}

/** Ways of keeping the rule, which together leave nothing out and of which no two have a solution in common. */
function branch({ rows }: Compiled, allowed: Allowed, broken: Broken): Allowed[] {
  const { resource, rows: claimants, modes } = broken;
  const without = (refused: (row: number, candidate: number) => boolean): Allowed =>
    allowed.map((may, row) => may.map((one, candidate) => (one && !refused(row, candidate) ? 1 : 0)));
  const modeOf = (row: number, candidate: number) => {
    const claim = claimOn(rows[row]!, candidate, resource);
    return claim < 0 ? -1 : rows[row]!.claimMode[claim]!;
  };
  if (modes.length > 0) {
    const only = modes.map((mode) =>
      without((row, candidate) => modeOf(row, candidate) >= 0 && modeOf(row, candidate) !== mode),
    );
    return [...only, without((row, candidate) => modes.includes(modeOf(row, candidate)))];
  }
  // Over capacity: one of these demands must keep off the resource; those tried before stay on it.
  return claimants.map((row, n) =>
    without((other, candidate) => {
      const on = claimOn(rows[other]!, candidate, resource) >= 0;
      if (other === row) return on;
      const place = claimants.indexOf(other);
      return place >= 0 && place < n && !on;
    }),
  );
}
