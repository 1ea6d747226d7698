import { count, type DisplayBus, type Reading } from './kind.ts';

/*
 * How long displays take to be told all that they show, and what that takes of the chip's memory.
 * Source: reckoning, Buses and screens; Displays, more.
 */

interface Pixels {
  widthPx: number;
  heightPx: number;
}

/** Bytes of a picture of one bit a pixel, eight that stand over one another in a byte. */
export const frameBytes = ({ widthPx, heightPx }: Pixels): number => widthPx * Math.ceil(heightPx / 8);

/**
 * Time on a two-wire bus, µs: nine bits a byte. Each piece has its address and a byte of control in front, and a bit
 * each to begin and to end.
 * @param pieceBytes how much goes in one piece, at least 1: what buffers of common libraries hold
 */
export function twoWireUs(bytes: number, pieceBytes: number, baud: number): number {
  const pieces = Math.ceil(bytes / pieceBytes);
  return Math.round(((9 * (bytes + 2 * pieces) + 2 * pieces) * 1_000_000) / baud);
}

/** Time on a fast serial bus, µs: eight bits a byte, one after the other. */
export const serialUs = (bytes: number, baud: number): number => Math.round((8 * bytes * 1_000_000) / baud);

/** A character on a display that is told over four lines: 40 µs until it has it, and some for its two halves. */
const parallelCharacterUs = 44;
/** Behind a small bus chip every half of a byte is told three times over: six bytes, of nine bits, a character. */
const chipBits = 6 * 9;
/** Two rows of sixteen, which are gone to with a command each. */
const usual = { characters: 32, moves: 2 };

/** Two rows of sixteen over four lines, µs. */
export const parallelRowsUs = (): number => (usual.characters + usual.moves) * parallelCharacterUs;
/** Two rows of sixteen behind a bus chip, µs; the two commands apart. */
export const chipRowsUs = (baud: number): number =>
  Math.round((usual.characters * chipBits * 1_000_000) / baud);

/** What follows for a display of pixels that is told whole pictures. */
export const pictureReadings = (pixels: Pixels, bus: DisplayBus): Reading[] => {
  const us = bus.us(bus.frameBytes);
  return [
    { id: 'picture', value: us, unit: 'µs' },
    { id: 'pictures', value: Math.floor(1_000_000 / Math.max(1, us)), unit: 'Hz' },
    { id: 'buffer', value: frameBytes(pixels), unit: 'byte' },
  ];
};

/** Usual controllers are told a page of eight rows and the two halves of a column. */
export const moveFigure = count('Bytes to go to a place', 0, 64);
