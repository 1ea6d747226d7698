/** Where arrow keys lead on a drawing: so far to the right, so far down. */
export const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A pixel at a time; with Shift a tile. */
export const arrowStep = (withShift: boolean): number => (withShift ? 8 : 1);
