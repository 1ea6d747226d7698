import type { Lights } from '@hum-lever/core';

interface Places {
  /** mm of the drawing. */
  width: number;
  height: number;
  places: { x: number; y: number }[];
  radius: number;
}

/** Most of a hand's width; more lights stand closer. */
const widestMm = 60;

function ring(count: number): Places {
  // Lights of 2.5 mm, a third of one between two.
  const around = Math.max(12, (count * 3.4) / Math.PI);
  const size = Math.min(widestMm, around + 3.4);
  const middle = size / 2;
  const reach = middle - 1.7;
  const radius = Math.min(1.25, (Math.PI * reach) / Math.max(2, count) / 1.3);
  // The first is at the top, the others follow clockwise.
  const places = Array.from({ length: count }, (_, n) => {
    const turn = (2 * Math.PI * n) / count;
    return { x: middle + reach * Math.sin(turn), y: middle - reach * Math.cos(turn) };
  });
  return { width: size, height: size, places, radius };
}

function grid(count: number, columns: number): Places {
  const across = Math.min(columns, count);
  const rows = Math.ceil(count / across);
  const pitch = Math.min(4.5, widestMm / across);
  const at = (n: number) => (n + 0.5) * pitch;
  const places = Array.from({ length: count }, (_, n) => {
    return { x: at(n % across), y: at(Math.floor(n / across)) };
  });
  return { width: across * pitch, height: rows * pitch, places, radius: pitch * 0.36 };
}

/** Where each light lies: a ring clockwise from the top, a row in one line, a strip as it folds, a grid row by row. */
export function placesOf({ shape, count, columns }: Pick<Lights, 'shape' | 'count' | 'columns'>): Places {
  switch (shape) {
    case 'ring':
      return ring(count);
    case 'grid':
      return grid(count, columns);
    case 'row':
      return grid(count, Math.min(count, 16));
    case 'strip': {
      // A strip that is longer than a hand is wide lies to and fro.
      const across = Math.min(count, 16);
      const { places, ...rest } = grid(count, across);
      const folded = places.map(({ x, y }, n) =>
        Math.floor(n / across) % 2 === 0 ? { x, y } : { x: rest.width - x, y },
      );
      return { ...rest, places: folded };
    }
  }
}
