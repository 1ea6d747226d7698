import { exclusiveBegins, isRealTime } from './message.ts';

/** A start bit, eight bits and a stop bit at 31,250 baud, µs. Source: reckoning, MIDI. */
export const byteUs = 320;

/** In each frame of its bus a computer takes so many packets of four bytes, one message each: 64 bytes of one transfer. */
export const packetsInFrame = 16;
/** Full speed: one frame a millisecond. */
export const usualFrameUs = 1_000;
export const packetBytes = 4;
/** Of each packet three are of the message. Source: USB MIDI class, event packets. */
export const packetsOf = ({ length }: readonly number[]): number => Math.ceil(length / 3);

/**
 * Bytes that go over the wire for a message of a channel.
 * @param status the last one that went over it, 0: none; with running status the same is not sent again
 */
export const bytesOnWire = (message: readonly number[], status: number, runningStatus: boolean): number =>
  message.length - (runningStatus && message[0] === status ? 1 : 0);

/** The status byte that running status goes on from; 0: none. What keeps in step leaves it as it is. Source: MIDI 1.0. */
export const statusAfter = (status: number, [first = 0]: readonly number[]): number =>
  isRealTime(first) ? status : first >= exclusiveBegins ? 0 : first;

/** How long messages take from the first bit to the last when nothing else is on the wire, µs. */
export function wireUs(messages: Iterable<readonly number[]>, runningStatus: boolean): number {
  let [bytes, status] = [0, 0];
  for (const message of messages) {
    bytes += bytesOnWire(message, status, runningStatus);
    status = statusAfter(status, message);
  }
  return bytes * byteUs;
}

/** Bytes that messages take up where they wait: whole ones for a wire, packets for USB. */
export const queuedBytes = (messages: readonly (readonly number[])[], usb: boolean): number =>
  messages.reduce((sum, message) => sum + (usb ? packetBytes * packetsOf(message) : message.length), 0);
