import { ladderReads, type LadderFigures } from './ladder.ts';

/** One key between two lines of a scanned array; with a diode it carries current from `sense` to `drive` only. */
export interface CrossKey {
  drive: number;
  sense: number;
  diode: boolean;
}

/** How a set of keys is wired, as far as reading it goes. Plain data. */
export type Circuit =
  /** Every key has a wire, or a bit, of its own. */
  | { kind: 'independent'; keys: number }
  /**
   * Lines that are pulled up; each of `drives` in turn is pulled down while the others are let go and read. `maxDrops`
   * diodes in a row still pull a line below what counts as low.
   */
  | { kind: 'lines'; lines: number; drives: number[]; keys: CrossKey[]; maxDrops: number }
  | { kind: 'ladder'; figures: LadderFigures }
  /** All on one line: whichever is pressed, the first of them is read, and no other ever is. */
  | { kind: 'together'; keys: number };

/** How many keys it has. */
export function keysOf(circuit: Circuit): number {
  if (circuit.kind === 'independent' || circuit.kind === 'together') return circuit.keys;
  return circuit.kind === 'ladder' ? circuit.figures.ohms.length : circuit.keys.length;
}

/**
 * Diodes in a row that a pulled-down line still gets through: 0.6 V each, all below 0.3 of the supply.
 * @param supplyMv supply of the reading pins, mV
 */
export function dropsAt(supplyMv: number): number {
  return Math.floor((0.3 * supplyMv) / 600);
}

/**
 * Which keys read as pressed, for any set that is pressed: computed from what is connected to what, so that ghosts
 * and masked keys come out as they would on the table. Source: `reckoning`, Keypads.
 * @param pressed one flag per key
 */
export function readKeys(circuit: Circuit, pressed: readonly boolean[]): boolean[] {
  if (circuit.kind === 'independent') return [...pressed];
  if (circuit.kind === 'ladder') return ladderReads(circuit.figures, pressed);
  if (circuit.kind === 'together') return pressed.map((_, key) => key === 0 && pressed.includes(true));
  const read = circuit.keys.map(() => false);
  if (!pressed.includes(true)) return read;
  for (const drive of circuit.drives) {
    const low = reached(circuit, pressed, drive);
    circuit.keys.forEach((key, index) => {
      if (key.drive === drive && low[key.sense]! <= circuit.maxDrops) read[index] = true;
    });
  }
  return read;
}

type Lines = Extract<Circuit, { kind: 'lines' }>;

/** Diode drops from the line pulled down to every line, along pressed keys; Infinity: not connected. */
function reached({ lines, keys }: Lines, pressed: readonly boolean[], from: number): number[] {
  const drops = Array.from({ length: lines }, () => Infinity);
  drops[from] = 0;
  // Relaxed until nothing changes: as many rounds as lines at most.
  for (let changed = true; changed;) {
    changed = false;
    keys.forEach(({ drive, sense, diode }, index) => {
      if (!pressed[index]) return;
      const down = drops[drive]! + (diode ? 1 : 0);
      if (down < drops[sense]!) {
        drops[sense] = down;
        changed = true;
      }
      if (!diode && drops[sense]! < drops[drive]!) {
        drops[drive] = drops[sense]!;
        changed = true;
      }
    });
  }
  return drops;
}

/**
 * How many keys may be held at once, whichever they are, so that exactly these are read. A key is read falsely when
 * other pressed keys make a path between its lines; the shortest such path sets the limit.
 */
export function trulyTogether(circuit: Circuit): number {
  const keys = keysOf(circuit);
  if (circuit.kind === 'independent') return keys;
  if (circuit.kind === 'ladder') return ladderTogether(circuit, keys);
  if (circuit.kind === 'together') return keys > 1 ? 0 : keys;
  let shortest = Infinity;
  circuit.keys.forEach((key, index) => {
    shortest = Math.min(shortest, shortestGhost(circuit, key, index));
  });
  return shortest === Infinity ? keys : shortest - 1;
}

function ladderTogether(circuit: Circuit, keys: number): number {
  for (let a = 0; a < keys; a += 1)
    for (let b = a + 1; b < keys; b += 1) {
      const pressed = Array.from({ length: keys }, (_, key) => key === a || key === b);
      if (readKeys(circuit, pressed).some((read, key) => read !== pressed[key])) return 1;
    }
  return keys;
}

/** Fewest other keys that make that one read falsely. */
function shortestGhost({ lines, keys, maxDrops }: Lines, { drive, sense }: CrossKey, not: number): number {
  // Breadth first over (line, drops): one key is one step.
  const seen = new Set([`${drive} 0`]);
  let edge: [line: number, drops: number][] = [[drive, 0]];
  for (let steps = 1; edge.length > 0 && steps <= lines * (maxDrops + 1); steps += 1) {
    const next: [number, number][] = [];
    for (const [line, drops] of edge)
      keys.forEach((key, index) => {
        if (index === not) return;
        const onward: [number, number][] = [];
        if (key.drive === line) onward.push([key.sense, drops + (key.diode ? 1 : 0)]);
        if (key.sense === line && !key.diode) onward.push([key.drive, drops]);
        for (const [to, down] of onward) {
          if (down > maxDrops || seen.has(`${to} ${down}`)) continue;
          seen.add(`${to} ${down}`);
          next.push([to, down]);
        }
      });
    if (next.some(([line]) => line === sense)) return steps;
    edge = next;
  }
  return Infinity;
}
