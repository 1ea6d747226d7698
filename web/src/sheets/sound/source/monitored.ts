import { heardMessage, sensingByte, syncByte, type TraceEntry } from '@hum-lever/core';

/** A message that went over a wire, or several clocks one after the other. */
export interface Monitored {
  atUs: number;
  /** The output that it went out by; null: it came in. */
  outputId: string | null;
  bytes: readonly number[];
  /** So many of the same. */
  times: number;
  /** From the first of them to the last. */
  overUs: number;
  lost: boolean;
}

/** So far back is looked, which bounds what a look costs. */
const mostEntries = 4_000;

/** What is said again and again, and tells nothing new: that the clock ticks, and that somebody is there. */
const saysAgain = ({ bytes: [byte] }: Pick<Monitored, 'bytes'>): boolean =>
  byte === syncByte('clock') || byte === sensingByte;

/** The same way and the same message, with nothing between them but what is said again and again; undefined: none. */
function sameOf(seen: readonly Monitored[], outputId: string | null, byte: number): Monitored | undefined {
  const others = seen.findLastIndex((one) => !saysAgain(one));
  return seen.slice(others + 1).find((one) => one.outputId === outputId && one.bytes[0] === byte);
}

/**
 * The last messages over any wire, the newest first. What is said again and again is one while nothing else comes
 * between.
 */
export function monitored(trace: readonly TraceEntry[], most: number): Monitored[] {
  const seen: Monitored[] = [];
  const until = Math.max(0, trace.length - mostEntries);
  for (let n = trace.length - 1; n >= until && seen.length <= most; n -= 1) {
    const entry = trace[n]!;
    const isLost = entry.lane === 'midiWire' && entry.what === 'lost';
    if (entry.lane !== 'midi' && entry.lane !== 'midiIn' && !isLost) continue;
    const outputId = entry.lane === 'midiIn' ? null : entry.id;
    const same = isLost || !saysAgain(entry) ? undefined : sameOf(seen, outputId, entry.bytes[0]!);
    if (same) {
      same.times += 1;
      same.overUs += same.atUs - entry.atUs;
      same.atUs = entry.atUs;
    } else seen.push({ atUs: entry.atUs, outputId, bytes: entry.bytes, times: 1, overUs: 0, lost: isLost });
  }
  return seen.slice(0, most);
}

/** Beats a minute of a clock; null: it is none, or has ticked but once. */
export function tempoOf({ bytes, times, overUs }: Monitored): number | null {
  if (times < 2 || overUs <= 0 || heardMessage(bytes)?.message !== 'clock') return null;
  return (60_000_000 * (times - 1)) / (24 * overUs);
}
