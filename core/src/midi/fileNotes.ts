import type { MidiFile } from './file.ts';

/** A note of a file, in time. */
export interface FileNote {
  startUs: number;
  lengthUs: number;
  note: number;
  velocity: number;
  /** From 1. */
  channel: number;
}

interface Tempo {
  tick: number;
  atUs: number;
  quarterUs: number;
}

/** Until a file says otherwise: 120 quarters a minute. Source: Standard MIDI Files 1.0. */
const usualQuarterUs = 500_000;
/** A file that says 0 is held at this, and one of a million a minute as well. */
const leastQuarterUs = 60;
const tempoMeta = 0x51;

/** Each event with the tick that it stands at, of tracks side by side; of format 2, one after the other. */
function placed({ format, tracks }: MidiFile) {
  let from = 0;
  return tracks.flatMap((track) => {
    let tick = from;
    const events = track.map((event) => ({ tick: (tick += event.delta), event }));
    if (format === 2) from = tick;
    return events;
  });
}

/** µs at each tick: in quarters by the tempo map, in frames by their rate. */
function clockOf({ division }: MidiFile, tempos: readonly Tempo[]): (tick: number) => number {
  if (division >= 0x8000) {
    const framesPerSecond = 256 - (division >> 8);
    // 29 is written for 29.97. Source: Standard MIDI Files 1.0.
    const rate = framesPerSecond === 29 ? 30_000 / 1_001 : framesPerSecond;
    return (tick) => (tick * 1_000_000) / (rate * (division & 0xff));
  }
  let at = 0;
  return (tick) => {
    if (tempos[at]!.tick > tick) at = 0;
    while (at + 1 < tempos.length && tempos[at + 1]!.tick <= tick) at += 1;
    const { tick: from, atUs, quarterUs } = tempos[at]!;
    return atUs + ((tick - from) * quarterUs) / division;
  };
}

/** Tempos in the order in which they come; none of them in a file that goes by frames. */
function temposOf(file: MidiFile, events: ReturnType<typeof placed>): Tempo[] {
  const tempos: Tempo[] = [{ tick: 0, atUs: 0, quarterUs: usualQuarterUs }];
  if (file.division >= 0x8000) return tempos;
  for (const { tick, event } of events) {
    if (event.kind !== 'meta' || event.type !== tempoMeta || event.data.length < 3) continue;
    const last = tempos.at(-1)!;
    const [a, b, c] = event.data as [number, number, number];
    const atUs = last.atUs + ((tick - last.tick) * last.quarterUs) / file.division;
    tempos.push({ tick, atUs, quarterUs: Math.max(leastQuarterUs, a * 65_536 + b * 256 + c) });
  }
  return tempos;
}

/** Millionths of a beat at each tick; where a file goes by frames, half a second is a beat. */
function beatsOf(file: MidiFile): (tick: number) => number {
  if (file.division < 0x8000) return (tick) => (tick * 1_000_000) / file.division;
  const us = clockOf(file, []);
  return (tick) => (us(tick) * 1_000_000) / usualQuarterUs;
}

/** Tempos that a piece has while it sounds, in beats a minute, the one of its first note first; each change counts. */
export function temposIn(file: MidiFile): number[] {
  const events = placed(file).sort((a, b) => a.tick - b.tick);
  const sounds = events.filter(({ event }) => event.kind === 'channel' && event.status >> 4 === 9);
  const [first, last] = [sounds[0]?.tick ?? 0, sounds.at(-1)?.tick ?? 0];
  const tempos = temposOf(file, events);
  return tempos
    .filter(({ tick }, n) => tick <= last && (tempos[n + 1]?.tick ?? Infinity) > first)
    .map(({ quarterUs }) => 60_000_000 / quarterUs)
    .filter((tempo, n, all) => n === 0 || tempo !== all[n - 1]);
}

/**
 * All notes of a file, by when they begin; each time is worked out from the beginning, so that nothing adds up. A note
 * that begins again while it sounds ends there; one that is never ended ends with the file. A velocity of 0 ends.
 * @param by time: in µs; beat: in millionths of a beat, whatever the tempo
 */
export function notesOf(file: MidiFile, by: 'time' | 'beat' = 'time'): FileNote[] {
  const events = placed(file).sort((a, b) => a.tick - b.tick);
  const us = by === 'time' ? clockOf(file, temposOf(file, events)) : beatsOf(file);
  const open = new Map<number, { startUs: number; velocity: number }>();
  const notes: FileNote[] = [];
  const end = (key: number, atUs: number) => {
    const begun = open.get(key);
    if (!begun) return;
    open.delete(key);
    const [startUs, endUs] = [Math.round(begun.startUs), Math.round(atUs)];
    const { velocity } = begun;
    // One of no length is none.
    if (endUs > startUs)
      notes.push({ startUs, lengthUs: endUs - startUs, note: key & 127, velocity, channel: (key >> 7) + 1 });
  };
  let lastUs = 0;
  for (const { tick, event } of events) {
    lastUs = us(tick);
    if (event.kind !== 'channel') continue;
    const { status, first, second } = event;
    const kind = status >> 4;
    if (kind !== 8 && kind !== 9) continue;
    const key = ((status & 15) << 7) | first;
    end(key, lastUs);
    if (kind === 9 && second > 0) open.set(key, { startUs: lastUs, velocity: second });
  }
  for (const key of [...open.keys()]) end(key, lastUs);
  return notes.sort((a, b) => a.startUs - b.startUs || b.note - a.note || a.channel - b.channel);
}
