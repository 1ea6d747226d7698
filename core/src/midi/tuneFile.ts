import type { Note } from '../gadget/index.ts';
import { exactLn } from '../kernel/index.ts';
import type { FileEvent, MidiFile } from './file.ts';
import { messageBytes } from './message.ts';
import { freshChannel } from './receiver.ts';

/** A tick is a millisecond: five hundred to a quarter note of half a second, 120 a minute. */
const ticksInQuarter = 500;
const quarterUs = 500_000;
const velocity = 100;
/** A bend of all it can is two semitones, where nobody said otherwise. */
const bendsInSemitone = 4_096;

/** The nearest note to a pitch, and the bend that makes it that pitch; null: no note of MIDI is near. */
function noteAt(hz: number): { note: number; bend: number } | null {
  const exact = 69 + (12 * exactLn(hz / 440)) / exactLn(2);
  const note = Math.round(exact);
  if (note < 0 || note > 127) return null;
  return { note, bend: freshChannel.bend + Math.round((exact - note) * bendsInSemitone) };
}

/** A tune as a file of one track on channel 1: pitches between notes are bent, rests are times. */
export function tuneFile(notes: readonly Note[]): MidiFile {
  const track: FileEvent[] = [
    { delta: 0, kind: 'meta', type: 0x51, data: [quarterUs >> 16, (quarterUs >> 8) & 255, quarterUs & 255] },
  ];
  let [bent, atUs, saidTicks] = [freshChannel.bend, 0, 0];
  const say = (ticks: number, [status = 0, first = 0, second = -1]: number[]) => {
    track.push({ delta: ticks - saidTicks, kind: 'channel', status, first, second });
    saidTicks = ticks;
  };
  for (const { hz, lengthUs } of notes) {
    // Each from the beginning, so that no rounding adds up.
    const from = Math.round(atUs / 1_000);
    atUs += lengthUs;
    const found = hz > 0 ? noteAt(hz) : null;
    if (!found) continue;
    if (found.bend !== bent) say(from, messageBytes('bend', 1, found.bend, 0));
    bent = found.bend;
    say(from, messageBytes('noteOn', 1, found.note, velocity));
    say(Math.round(atUs / 1_000), messageBytes('noteOff', 1, found.note, 0));
  }
  track.push({ delta: Math.round(atUs / 1_000) - saidTicks, kind: 'meta', type: 0x2f, data: [] });
  return { format: 0, division: ticksInQuarter, tracks: [track] };
}
