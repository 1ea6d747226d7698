import type { Board, Edge4 } from '../gadget/index.ts';
import type { Owner } from './owners.ts';

/*
 * Where things lie, in pitches: one rule for the drawing and for what a thread costs, so that what is made short is
 * what is seen to be short.
 */

export interface Spot {
  x: number;
  y: number;
  edge: Edge4;
}

export interface BoardLayout {
  width: number;
  height: number;
  pins: ReadonlyMap<string, Spot>;
}

/** How far from the board's edge the parts stand. */
export const standOff = 7;

const known = new WeakMap<Board, BoardLayout>();

/** The board as it lies, its pins in their real order along its edges. Pins that are not brought out have no place. */
export function layBoard(board: Board): BoardLayout {
  const before = known.get(board);
  if (before) return before;
  const drawn = board.pins.filter(({ can }) => !can.includes('hidden'));
  const along = (edge: Edge4) => drawn.filter((pin) => pin.edge === edge);
  // Where two edges with pins meet, the corner stays free, so that names do not meet there.
  const sides = along('left').length + along('right').length > 0;
  const ends = along('top').length + along('bottom').length > 0;
  const corner = sides && ends ? 2.5 : 0;
  const height = Math.max(6, along('left').length, along('right').length) + 1 + 2 * corner;
  const width = Math.max(8, along('top').length, along('bottom').length) + 1 + 2 * corner;
  const pins = new Map<string, Spot>();
  for (const edge of ['left', 'right', 'top', 'bottom'] as const) {
    const row = along(edge);
    const upright = edge === 'left' || edge === 'right';
    const room = (upright ? height : width) - 2 * corner;
    row.forEach(({ name }, index) => {
      const at = corner + ((index + 0.5) * room) / row.length;
      const x = upright ? (edge === 'left' ? 0 : width) : at;
      const y = upright ? at : edge === 'top' ? 0 : height;
      pins.set(name, { x, y, edge });
    });
  }
  const layout = { width, height, pins };
  known.set(board, layout);
  return layout;
}

/** A terminal as it stands beside the board. */
export interface Seat {
  ownerId: string;
  terminal: string;
  side: 'left' | 'right';
  y: number;
}

/**
 * Where the signal terminals stand: in the order of the bill, down the left side until half of them are placed, then
 * down the right.
 */
export function seatsOf(owners: readonly Owner[], { height }: BoardLayout): Seat[] {
  const blocks = owners
    .map(({ id, terminals }) => ({
      id,
      names: terminals.filter(({ role }) => role === 'signal').map(({ name }) => name),
    }))
    .filter(({ names }) => names.length > 0);
  const total = blocks.reduce((sum, { names }) => sum + names.length, 0);
  const sides: Record<'left' | 'right', typeof blocks> = { left: [], right: [] };
  let placed = 0;
  for (const block of blocks) {
    // The block that straddles the middle goes where most of it lies.
    sides[placed + block.names.length / 2 <= total / 2 ? 'left' : 'right'].push(block);
    placed += block.names.length;
  }
  return (['left', 'right'] as const).flatMap((side) => {
    // Half a place of air between two parts.
    const rows = sides[side].reduce((sum, { names }) => sum + names.length + 0.5, 0);
    const pitch = rows === 0 ? 0 : Math.max(1, height / rows);
    let at = 0;
    return sides[side].flatMap(({ id, names }) => {
      const seats = names.map((terminal, n) => ({ ownerId: id, terminal, side, y: (at + n + 0.5) * pitch }));
      at += names.length + 0.5;
      return seats;
    });
  });
}

/** The same by `owner.terminal`. */
export const seatsByEnd = (owners: readonly Owner[], layout: BoardLayout): ReadonlyMap<string, Seat> =>
  new Map(seatsOf(owners, layout).map((seat) => [`${seat.ownerId}.${seat.terminal}`, seat]));

/** Length of the thread from a seat to a pin, along the squares of the paper, in pitches. */
export function threadLength({ side, y }: Seat, spot: Spot, { width }: BoardLayout): number {
  const x = side === 'left' ? -standOff : width + standOff;
  return Math.abs(spot.x - x) + Math.abs(spot.y - y);
}

/** How many pairs of threads cross: on one side of the board, one begins above the other and ends below it. */
export function crossings(threads: readonly { seat: Seat; spot: Spot }[]): number {
  let count = 0;
  threads.forEach((a, n) => {
    for (const b of threads.slice(n + 1))
      if (a.seat.side === b.seat.side && (a.seat.y - b.seat.y) * (a.spot.y - b.spot.y) < 0) count += 1;
  });
  return count;
}
