import type { LineEnd, Serial } from '../gadget/index.ts';

const endBytes: Readonly<Record<LineEnd, number>> = { crlf: 2, lf: 1, cr: 1, none: 0 };

/** Bytes of a text as UTF-8. */
function utf8Bytes(text: string): number {
  let bytes = 0;
  for (const character of text) {
    const code = character.codePointAt(0)!;
    bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
  }
  return bytes;
}

/** A line as it goes out: cut to the longest, with what ends it. @param ended false: more of it comes later */
export function lineOut(
  { longest, ends }: Pick<Serial, 'longest' | 'ends'>,
  text: string,
  ended: boolean,
): { text: string; bytes: number } {
  const characters = [...text];
  const cut = characters.length > longest ? characters.slice(0, longest).join('') : text;
  return { text: cut, bytes: utf8Bytes(cut) + (ended ? endBytes[ends] : 0) };
}

/**
 * How long bytes take: a start bit, eight bits and a stop bit each. Rounded up to whole µs. Source: reckoning, Buses
 * and screens.
 */
export const bytesUs = (bytes: number, baud: number): number => Math.ceil((bytes * 10 * 1_000_000) / baud);
