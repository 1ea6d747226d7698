import {
  bringPicture,
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
  type Gadget,
  type Pasted,
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
