import { bitsOfDepth, depths } from '../gadget/index.ts';
import {
  count,
  oneOf,
  us,
  type CellBus,
  type DisplayBus,
  type Glow,
  type Pixels,
  type Reading,
} from './kind.ts';

/*
 * How long displays take to be told all that they show, and what that takes of the chip's memory.
 * Source: reckoning, Buses and screens; Displays, more.
 */

/** Bits of a pixel over the bus. */
export const pixelBits = ({ depth }: Pick<Pixels, 'depth'>): number => bitsOfDepth[depths[depth]!];

/** Bytes of so many pixels that stand over one another, each of so many bits, and no byte shared beside them. */
export const columnBytes = (heightPx: number, bits: number): number => Math.ceil((heightPx * bits) / 8);

/** Bytes of a picture as it goes over the bus: of one bit a pixel, eight that stand over one another in a byte. */
export const frameBytes = (pixels: Pick<Pixels, 'widthPx' | 'heightPx' | 'depth'>): number =>
  pixels.widthPx * columnBytes(pixels.heightPx, pixelBits(pixels));

const tilePx = 8;
/** To know a tile again without its pixels: a sum of two bytes. */
const sumBytes = 2;

/**
 * Bytes of the chip's memory in which pictures are made: a whole picture; or one tile of eight by eight pixels, drawn
 * and sent one after the other, and of each a sum that tells whether it is another than the one that was sent last.
 */
export const bufferBytes = (pixels: Pixels): number =>
  pixels.buffer === 0
    ? frameBytes(pixels)
    : tilePx * columnBytes(tilePx, pixelBits(pixels)) + sumsBytes(pixels);

/** Of the sums of all tiles. */
export const sumsBytes = ({ widthPx, heightPx }: Pick<Pixels, 'widthPx' | 'heightPx'>): number =>
  sumBytes * Math.ceil(widthPx / tilePx) * Math.ceil(heightPx / tilePx);

/** Figures of every display of pixels. */
export const pixelFigures = {
  widthPx: count('Width, pixels', 8, 512),
  heightPx: count('Height, pixels', 8, 512),
  /** Its own width lies from left to right, or from top to bottom. */
  turned: oneOf('Fitted', ['as made', 'a quarter turn clockwise', 'upside down', 'a quarter turn back']),
  depth: oneOf('Pixels', ['lit or dark', '4 greys', '16 greys', '65,536 colours']),
  buffer: oneOf('Pictures are made', ['whole in the memory', 'a tile at a time']),
  /** Displays with memory for more rows than they have can show the one while the other is told. */
  holds: oneOf('It keeps', ['one picture', 'two, and changes over at once']),
  startUs: us('From power-up until it can be told'),
  /** Usual controllers are told a page of eight rows and the two halves of a column. */
  moveBytes: count('Bytes to go to a place', 0, 64),
};

/** Pixels that glow by themselves, as bright as the display is told over its bus. */
export const ownLight = ({ darkUa, litUa }: Pick<Glow, 'darkUa' | 'litUa'>): Glow => ({
  from: 'pixels',
  how: 'dimmed',
  darkUa,
  litUa,
});

/** How a display of pixels is told what it shows, over a bus that takes so long. */
export const pixelBus = (
  pixels: Pixels & { moveBytes: number; startUs: number },
  us: DisplayBus['us'],
): DisplayBus => ({
  frameBytes: frameBytes(pixels),
  bufferBytes: bufferBytes(pixels),
  bits: pixelBits(pixels),
  pixels,
  moveBytes: pixels.moveBytes,
  startUs: pixels.startUs,
  us,
});

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

/** A character over four lines. */
export const parallelCells = (startUs: number): CellBus => ({
  moveUs: parallelCharacterUs,
  characterUs: parallelCharacterUs,
  startUs,
});
/** A character behind a bus chip. */
export function chipCells(baud: number, startUs: number): CellBus {
  const us = Math.round((chipBits * 1_000_000) / baud);
  return { moveUs: us, characterUs: us, startUs };
}

/** Two rows of sixteen over four lines, µs. */
export const parallelRowsUs = (): number => (usual.characters + usual.moves) * parallelCharacterUs;
/** Two rows of sixteen behind a bus chip, µs; the two commands apart. */
export const chipRowsUs = (baud: number): number =>
  Math.round((usual.characters * chipBits * 1_000_000) / baud);

/** What follows for a display of pixels that is told whole pictures. */
export const pictureReadings = (bus: DisplayBus): Reading[] => {
  const us = bus.us(bus.frameBytes);
  return [
    { id: 'picture', value: us, unit: 'µs' },
    { id: 'pictures', value: Math.floor(1_000_000 / Math.max(1, us)), unit: 'Hz' },
    { id: 'buffer', value: bus.bufferBytes, unit: 'byte' },
  ];
};
