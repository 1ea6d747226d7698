import { dataBytes, exclusiveBegins, exclusiveEnds, isRealTime } from './message.ts';

/** Where a reader of a wire is: plain JSON. */
export interface StreamState {
  /** The status byte that data belong to; 0: none, they are passed over. */
  status: number;
  /** The first of two data bytes; -1: it has not come yet. */
  first: number;
  /** Bytes of a system exclusive so far; -1: none is under way. */
  exclusive: number;
}

export const streamAtRest = (): StreamState => ({ status: 0, first: -1, exclusive: -1 });

/** What stands on a wire, as it is read. Numbers, so that reading makes nothing that would have to be cleared away. */
export interface StreamSink {
  /** A whole message of a channel, or a common one of the system; a number that it does not have is -1. */
  message(status: number, first: number, second: number): void;
  /** Clock, start, continue, stop, active sensing or reset: anywhere, also inside another message. */
  realTime(status: number): void;
  /** A system exclusive has ended, or was cut off by another status, with so many bytes between its ends. */
  exclusive(bytes: number, whole: boolean): void;
  /** The next byte of a system exclusive; without: they are passed over. */
  exclusiveByte?(byte: number): void;
}

/** Song position has two; quarter frame and song select one; tune request and what is not defined, none. */
const commonBytes = (status: number): number =>
  status === 0xf2 ? 2 : status === 0xf1 || status === 0xf3 ? 1 : 0;
/** How many data bytes follow each status byte: looked up, as it is asked for every byte of a wire. */
const wanted = Uint8Array.from({ length: 256 }, (_, status) =>
  status >= 0xf0 ? commonBytes(status) : dataBytes(status),
);

/**
 * Reads bytes of a wire, in pieces of any size: running status, real-time bytes inside of other messages, and system
 * exclusive. Data without a status, an unfinished message behind which another begins, and what the standard has no
 * meaning for are passed over. Source: MIDI 1.0, data format.
 * @param bytes each 0 to 255
 * @param state where the piece before ended; it is written to
 */
export function readStream(bytes: ArrayLike<number>, state: StreamState, sink: StreamSink): void {
  let { status, first, exclusive } = state;
  for (let at = 0; at < bytes.length; at += 1) {
    const byte = bytes[at]!;
    if (byte < 0x80) {
      if (exclusive >= 0) {
        exclusive += 1;
        sink.exclusiveByte?.(byte);
      } else if (status === 0) continue;
      else if (wanted[status] === 1 || first >= 0) {
        if (first < 0) sink.message(status, byte, -1);
        else sink.message(status, first, byte);
        first = -1;
        // What is common to the system is never running.
        if (status >= 0xf0) status = 0;
      } else first = byte;
      continue;
    }
    if (isRealTime(byte)) {
      // 0xf9 and 0xfd mean nothing.
      if (byte !== 0xf9 && byte !== 0xfd) sink.realTime(byte);
      continue;
    }
    if (exclusive >= 0) {
      sink.exclusive(exclusive, byte === exclusiveEnds);
      exclusive = -1;
    }
    first = -1;
    if (byte < 0xf0) status = byte;
    else {
      status = commonBytes(byte) > 0 ? byte : 0;
      if (byte === exclusiveBegins) exclusive = 0;
      else if (byte === 0xf6) sink.message(byte, -1, -1);
    }
  }
  state.status = status;
  state.first = first;
  state.exclusive = exclusive;
}

/** A system exclusive longer than this is passed over: what waits for a turn of the loop has a bound. */
const longestExclusive = 256;

/**
 * Whole messages in a piece of a wire, as bytes, real-time ones and system exclusives too; of those, one that is cut off
 * by another status is none.
 * @param state it is written to
 * @param begun what came of a system exclusive so far, where one is under way; it is written to
 */
export function messagesIn(bytes: ArrayLike<number>, state: StreamState, begun: number[]): number[][] {
  const found: number[][] = [];
  readStream(bytes, state, {
    message: (...bytes) => found.push(bytes.filter((byte) => byte >= 0)),
    realTime: (status) => found.push([status]),
    exclusiveByte: (byte) => begun.length <= longestExclusive && begun.push(byte),
    exclusive: (_bytes, whole) => {
      const between = begun.splice(0);
      if (whole && between.length <= longestExclusive)
        found.push([exclusiveBegins, ...between, exclusiveEnds]);
    },
  });
  return found;
}
