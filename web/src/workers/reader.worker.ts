import {
  bringPicture,
  FontFileError,
  readBdf,
  pasteStates,
  readBillCsv,
  readBoardJson,
  readClipping,
  readCodesCsv,
  readPinsCsv,
  readSamples,
  readScxml,
  readTraceCsv,
  readVcd,
  traceKindOf,
  type FontWish,
  type Gadget,
  type Pasted,
  type ReadFont,
  type TimeUnit,
  type TraceRead,
} from '@hum-lever/core';
import { expose } from 'comlink';

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
