/** What a forbidden pair costs: more than any sum of real costs, and exact in a double. */
export const forbidden = 2 ** 40;

export interface Assignment {
  /** Column of each row. */
  columns: Int32Array;
  cost: number;
}

/** The rows that cannot all be placed: each has only columns that the others of the set take. */
export interface Stuck {
  stuck: number[];
}

/**
 * The cheapest way of giving every row a column of its own: shortest augmenting paths with potentials (the Hungarian
 * method as improved by Jonker and Volgenant), exact for whole costs. O(rows² × columns).
 * @param cost row-major, rows × columns; `forbidden` where a pair may not be
 * @returns the assignment, or the rows of a Hall violator where there is none
 */
export function assign(rows: number, columns: number, cost: Float64Array): Assignment | Stuck {
  // 1-based with a row and column 0 that stand for "not yet", as in the classical formulation.
  const u = new Float64Array(rows + 1);
  const v = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const from = new Int32Array(columns + 1);
  const least = new Float64Array(columns + 1);
  const done = new Uint8Array(columns + 1);
  for (let row = 1; row <= rows; row += 1) {
    rowOf[0] = row;
    let column = 0;
    least.fill(Infinity);
    done.fill(0);
    do {
      done[column] = 1;
      const current = rowOf[column]!;
      const base = (current - 1) * columns - 1;
      let delta = Infinity;
      let next = -1;
      for (let j = 1; j <= columns; j += 1) {
        if (done[j]) continue;
        const pair = cost[base + j]!;
        if (pair < forbidden) {
          const reduced = pair - u[current]! - v[j]!;
          if (reduced < least[j]!) {
            least[j] = reduced;
            from[j] = column;
          }
        }
        if (least[j]! < delta) {
          delta = least[j]!;
          next = j;
        }
      }
      if (next < 0) return { stuck: stuckRows(columns, done, rowOf) };
      for (let j = 0; j <= columns; j += 1)
        if (done[j]) {
          const owner = rowOf[j]!;
          u[owner] = u[owner]! + delta;
          v[j] = v[j]! - delta;
        } else least[j] = least[j]! - delta;
      column = next;
    } while (rowOf[column] !== 0);
    while (column !== 0) {
      const before = from[column]!;
      rowOf[column] = rowOf[before]!;
      column = before;
    }
  }
  const found = new Int32Array(rows);
  let sum = 0;
  for (let j = 1; j <= columns; j += 1) {
    const row = rowOf[j]!;
    if (row === 0) continue;
    found[row - 1] = j - 1;
    sum += cost[(row - 1) * columns + j - 1]!;
  }
  return { columns: found, cost: sum };
}

function stuckRows(columns: number, done: Uint8Array, rowOf: Int32Array): number[] {
  const rows: number[] = [];
  for (let j = 0; j <= columns; j += 1) if (done[j]) rows.push(rowOf[j]! - 1);
  return rows;
}
