import type { Note, Tune } from '../gadget/index.ts';
import { exactLn } from '../kernel/index.ts';
import { notesIn, playedTune, stepParts } from '../notes/index.ts';
import { isKeyOrNote } from '../output/index.ts';
import type { FileEvent, MidiFile } from './file.ts';
import { drumChannel, messageBytes } from './message.ts';
import { freshChannel } from './receiver.ts';

/** A tick is a millisecond: five hundred to a quarter note of half a second, 120 a minute. */
const ticksInQuarter = 500;
const quarterUs = 500_000;
const velocity = 100;
/** How loud a note is goes into its velocity: all that its sounder can is that. */
const velocityOf = (percent: number): number => Math.max(1, Math.round((percent * velocity) / 100));
/** A bend of all it can is two semitones, where nobody said otherwise. */
const bendsInSemitone = 4_096;

/** The nearest note to a pitch, and the bend that makes it that pitch; null: no note of MIDI is near. */
function noteAt(hz: number): { note: number; bend: number } | null {
  const exact = 69 + (12 * exactLn(hz / 440)) / exactLn(2);
  const note = Math.round(exact);
  if (note < 0 || note > 127) return null;
  return { note, bend: freshChannel.bend + Math.round((exact - note) * bendsInSemitone) };
}

const tempoEvent = (us: number): FileEvent => ({
  delta: 0,
  kind: 'meta',
  type: 0x51,
  data: [us >> 16, (us >> 8) & 255, us & 255],
});
const endEvent = (delta: number): FileEvent => ({ delta, kind: 'meta', type: 0x2f, data: [] });

/** Notes in hertz as a file of one track on channel 1: pitches between notes are bent, rests are times. */
export function tuneFile(notes: readonly Note[]): MidiFile {
  const track: FileEvent[] = [tempoEvent(quarterUs)];
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
  track.push(endEvent(Math.round(atUs / 1_000) - saidTicks));
  return { format: 0, division: ticksInQuarter, tracks: [track] };
}

/** Ticks of a beat: what musicians' programs divide it into as well, fine enough for any swing. */
const ticksInBeat = 960;

/**
 * A tune on its grid, once through, as a file of format 1: its tempo, and a track for each voice on a channel of its
 * own. A broken chord is written as a chord; slides and vibrato are not written.
 */
export function performedFile(tune: Tune): MidiFile {
  const played = playedTune(tune);
  const ticks = (parts: number) => Math.round((parts * ticksInBeat) / (stepParts * tune.stepsPerBeat));
  const end = ticks(played.length);
  const tracks = played.voices.map(({ name, notes }, voice): FileEvent[] => {
    // Drums have a channel that no voice of a tune is on.
    const channel = voice + 1 < drumChannel ? voice + 1 : voice + 2;
    const said = notes
      .flatMap(({ from, to, ...one }) =>
        [...new Set(notesIn(one))].filter(isKeyOrNote).flatMap((note) => [
          { tick: ticks(from), bytes: messageBytes('noteOn', channel, note, velocityOf(one.percent)) },
          { tick: Math.max(ticks(from) + 1, ticks(to)), bytes: messageBytes('noteOff', channel, note, 0) },
        ]),
      )
      // What ends goes before what begins in the same moment.
      .sort((a, b) => a.tick - b.tick || a.bytes[0]! - b.bytes[0]!);
    let saidTicks = 0;
    const events = said.map(({ tick, bytes: [status = 0, first = 0, second = 0] }): FileEvent => {
      const delta = tick - saidTicks;
      saidTicks = tick;
      return { delta, kind: 'channel', status, first, second };
    });
    return [nameEvent(name), ...events, endEvent(Math.max(0, end - saidTicks))];
  });
  const head = [nameEvent(tune.name), tempoEvent(Math.round(60_000_000 / tune.beatsPerMinute)), endEvent(0)];
  return { format: 1, division: ticksInBeat, tracks: [head, ...tracks] };
}

/** Bytes of a text. */
const utf8 = (text: string): number[] =>
  (encodeURIComponent(text).match(/%[0-9A-F]{2}|[^%]/g) ?? []).map((one) =>
    one.length > 1 ? parseInt(one.slice(1), 16) : one.charCodeAt(0),
  );

const nameEvent = (name: string): FileEvent => ({
  delta: 0,
  kind: 'meta',
  type: 0x03,
  data: utf8(name),
});
