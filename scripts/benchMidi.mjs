/** Speed of MIDI: a stream read byte by byte. */
import { performance } from 'node:perf_hooks';

/** Notes with running status, controllers, bends and a clock in between: the same bytes every time. */
function stream(bytes) {
  const wire = new Uint8Array(bytes);
  let seed = 1;
  const next = (below) => {
    seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648;
    return Math.floor((seed / 2_147_483_648) * below);
  };
  let at = 0;
  const put = (...all) => {
    wire.set(all, at);
    at += all.length;
  };
  while (at < bytes - 8) {
    const kind = next(8);
    if (kind === 0) put(0xf8);
    else if (kind === 1) put(0xb0 + next(16), next(128), next(128));
    else if (kind === 2) put(0xe0 + next(16), next(128), next(128));
    else if (kind === 3) put(0xf0, next(128), next(128), 0xf7);
    else put(0x90 + next(16), next(128), next(128), next(128), next(128));
  }
  return wire;
}

/** A piece for eight instruments with 4,000 notes, the same every time. */
function piece() {
  const track = (channel) => {
    const events = [];
    for (let n = 0; n < 500; n += 1) {
      const note = 36 + ((n * 7 + channel * 5) % 48);
      events.push({
        delta: (n * 13) % 240,
        kind: 'channel',
        status: 0x90 + channel,
        first: note,
        second: 60 + (n % 60),
      });
      events.push({ delta: 60 + (n % 300), kind: 'channel', status: 0x80 + channel, first: note, second: 0 });
    }
    return [...events, { delta: 0, kind: 'meta', type: 0x2f, data: [] }];
  };
  return { format: 1, division: 480, tracks: Array.from({ length: 8 }, (_, channel) => track(channel)) };
}

/** The median of what each of several runs takes, ms, the two in turn. */
function inTurn(one, other, runs = 15) {
  const times = [[], []];
  for (let n = 0; n < runs; n += 1)
    for (const [at, run] of [one, other].entries()) {
      const began = performance.now();
      run();
      times[at].push(performance.now() - began);
    }
  return times.map((all) => all.sort((a, b) => a - b)[runs >> 1]);
}

/** Eight voices, one of each wave twice, for so many seconds at 48 kHz. */
function eightVoices(seconds) {
  const waves = ['square', 'sawtooth', 'triangle', 'sine'];
  const moments = Array.from({ length: seconds * 10 }, (_, n) => ({
    atUs: n * 100_000,
    sounding: Object.fromEntries(
      Array.from({ length: 8 }, (_unused, v) => [
        String(v),
        { hz: 110 * 2 ** ((v * 5 + (n % 12)) / 12), wave: waves[v % 4], loudness: 0.5 },
      ]),
    ),
  }));
  return { moments, lengthUs: seconds * 1_000_000 };
}

export async function midiRows(row) {
  const { readMidiFile, readStream, streamAtRest, writeMidiFile } =
    await import('../core/dist/midi/index.js');
  const common = await import('midi-file');
  const wire = stream(20_000_000);
  let messages = 0;
  const sink = {
    message: () => (messages += 1),
    realTime: () => (messages += 1),
    exclusive: () => undefined,
  };
  readStream(wire.subarray(0, 1_000_000), streamAtRest(), sink);
  const began = performance.now();
  readStream(wire, streamAtRest(), sink);
  const seconds = (performance.now() - began) / 1_000;
  row(
    'a stream of MIDI, running status, clock and system exclusive in it',
    `${Math.round(20 / seconds)} MB/s`,
    '> 20 MB/s',
  );

  const file = writeMidiFile(piece());
  const read = readMidiFile(file).file;
  const parsed = common.parseMidi(file);
  const [oursIn, theirsIn] = inTurn(
    () => readMidiFile(file),
    () => common.parseMidi(file),
  );
  const [oursOut, theirsOut] = inTurn(
    () => writeMidiFile(read),
    () => common.writeMidi(parsed, { running: true }),
  );
  row(
    'MIDI file of 4,000 notes read, against the common npm parser',
    `${(theirsIn / oursIn).toFixed(1)} ×`,
    '≥ 1 ×',
    `${oursIn.toFixed(1)} ms against ${theirsIn.toFixed(1)} ms`,
  );
  row(
    '… written',
    `${(theirsOut / oursOut).toFixed(1)} ×`,
    '≥ 1 ×',
    `${oursOut.toFixed(1)} ms against ${theirsOut.toFixed(1)} ms`,
  );

  const { renderMoments } = await import('../core/dist/sound/index.js');
  const { moments, lengthUs } = eightVoices(20);
  renderMoments(moments.slice(0, 10), 1_000_000, 48_000);
  const [rendering] = inTurn(
    () => renderMoments(moments, lengthUs, 48_000),
    () => undefined,
    5,
  );
  row(
    '20 s of eight voices rendered at 48 kHz',
    `${Math.round(lengthUs / 1_000 / rendering)} × real time`,
    '≥ 100 ×',
    `${Math.round(rendering)} ms`,
  );

  await tuneRow(row);
}

/** An hour of a tune that comes again, three voices in turns with all that notes do, on one sounder. */
async function tuneRow(row) {
  const { emptyGadget, freshOutput, blankState } = await import('../core/dist/gadget/index.js');
  const { Machine } = await import('../core/dist/machine/index.js');
  const ornaments = [
    null,
    { kind: 'vibrato', cents: 40 },
    { kind: 'slide', steps: 1 },
    { kind: 'arpeggio', above: [4, 7] },
  ];
  const voices = [0, 1, 2].map((v) => ({
    id: `h${v + 1}`,
    name: `Voice ${v + 1}`,
    notes: Array.from({ length: 64 }, (_, n) => ({
      at: 4 * n + v,
      steps: 3,
      note: 48 + 12 * v + ((n * 5) % 12),
      percent: 100,
      ornament: ornaments[(n + v) % 4],
    })),
  }));
  const tune = {
    id: 'a1',
    name: 'Storm',
    beatsPerMinute: 120,
    stepsPerBeat: 4,
    swingPercent: 58,
    heldPercent: 90,
    sections: [{ name: 'All', steps: 260, times: 1 }],
    againFrom: 0,
    voices,
  };
  const empty = emptyGadget('Tune');
  const told = { kind: 'perform', outputId: 'o1', tuneId: 'a1', voiceId: null, by: '0', bpm: '0' };
  const gadget = {
    ...empty,
    outputs: [{ ...freshOutput('tone', {}), id: 'o1', name: 'Piezo', takes: 'turns' }],
    parts: [],
    tunes: [tune],
    flow: {
      ...empty.flow,
      initialId: 's1',
      states: [{ ...blankState(), id: 's1', name: 'Playing', entry: [told] }],
    },
  };
  const hourUs = 3_600_000_000;
  const [playing] = inTurn(
    () => {
      const machine = new Machine(gadget, 1);
      for (let minute = 1; minute <= 60; minute += 1) {
        machine.advanceTo((hourUs / 60) * minute);
        machine.takeTrace();
      }
    },
    () => undefined,
    3,
  );
  row(
    'an hour of a tune: three voices in turns, slides, vibrato and broken chords, fifty pitches a second',
    `${Math.round(hourUs / 1_000 / playing).toLocaleString('en')} × real time`,
    '',
    `${Math.round(playing)} ms`,
  );
}
