import {
  bringPicture,
  FontFileError,
  pieceTune,
  readBdf,
  pasteStates,
  readBillCsv,
  readBoardJson,
  readClipping,
  readCodesCsv,
  readMidiFile,
  readPinsCsv,
  readSamples,
  readScxml,
  readTraceCsv,
  readVcd,
  traceKindOf,
  type FontWish,
  type Gadget,
  type Pasted,
  type PieceTune,
  type ReadFont,
  type TimeUnit,
  type TraceRead,
} from '@hum-lever/core';
import { expose } from 'comlink';

interface MidiFault {
  outcome: 'faulty';
  message: string;
}

/** What comes in from files and from the clipboard: read here, so that no file keeps the page from answering. */
const reader = {
  bill: readBillCsv,
  pins: readPinsCsv,
  board: readBoardJson,
  codes: readCodesCsv,
  scxml: readScxml,
  clipping: readClipping,
  picture: bringPicture,
  /** A font, or why it cannot be used. */
  font(text: string, wish: FontWish): ReadFont | { refused: string } {
    try {
      return readBdf(text, wish);
    } catch (error) {
      if (error instanceof FontFileError) return { refused: error.message };
      throw error;
    }
  },
  /** A piece as a tune of so many voices, or what is wrong with its file. */
  piece(bytes: Uint8Array, voices: number, name: string): { outcome: 'read'; piece: PieceTune } | MidiFault {
    const read = readMidiFile(bytes);
    if (read.outcome === 'faulty') return read;
    const piece = pieceTune(read.file, voices, name);
    if (piece.tune.voices.every(({ notes }) => notes.length === 0))
      return {
        outcome: 'faulty',
        message: 'Expected at least one note that is no drum; this file has none.',
      };
    return { outcome: 'read', piece };
  },
  /** null: the text holds no states. */
  paste(gadget: Gadget, text: string): Pasted | null {
    const clipping = readClipping(text);
    return clipping && pasteStates(gadget, clipping, null);
  },
  /** A record of wires, whichever kind it is. */
  trace(text: string, unit: TimeUnit | null, sampleUs: number): TraceRead {
    switch (traceKindOf(text)) {
      case 'vcd':
        return readVcd(text);
      case 'csv':
        return readTraceCsv(text, unit);
      case 'samples':
        return readSamples(text, sampleUs);
    }
  },
};

export type FileReading = typeof reader;
expose(reader);
