import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { printWav } from '../formats/wav.ts';
import { noteHz } from '../notes/index.ts';
import { renderMoments, Synth, type Voice } from './synth.ts';
import type { Wave } from './waves.ts';

const rate = 48_000;
const voice = (hz: number, wave: Wave = 'square'): Voice => ({ hz, wave, loudness: 1 });
/** Half as loud as can be: a square with few harmonics overshoots. */
const steady = (hz: number, wave: Wave, seconds = 0.25) =>
  renderMoments([{ atUs: 0, sounding: { a: voice(hz, wave) } }], seconds * 1_000_000, rate, 0.5);

/** How much of one frequency is in samples, by a plain sum under a Hann window; 1: a sine of height 1. */
function amount(samples: Float32Array, hz: number): number {
  let [re, im] = [0, 0];
  const { length } = samples;
  for (let n = 0; n < length; n += 1) {
    const window = 1 - Math.cos((2 * Math.PI * n) / length);
    re += window * samples[n]! * Math.cos((2 * Math.PI * hz * n) / rate);
    im += window * samples[n]! * Math.sin((2 * Math.PI * hz * n) / rate);
  }
  return (2 * Math.hypot(re, im)) / length;
}
const decibels = (share: number) => 20 * Math.log10(share);

/** The strongest frequency near one, by halving. */
function pitchOf(samples: Float32Array, near: number): number {
  let [low, high] = [near * 0.998, near * 1.002];
  for (let n = 0; n < 22; n += 1) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3];
    if (amount(samples, a) < amount(samples, b)) low = a;
    else high = b;
  }
  return (low + high) / 2;
}

describe('samples', () => {
  it.each([
    ['square', 1 / 3],
    ['sawtooth', 1 / 2],
    ['triangle', 1 / 9],
    ['sine', 0],
  ] as const)('of a %s have its pitch and its harmonics', (wave, share) => {
    const samples = steady(441.3, wave);
    expect(pitchOf(samples, 441.3)).toBeCloseTo(441.3, 2);
    const next = wave === 'sawtooth' ? 2 : 3;
    expect(amount(samples, 441.3 * next) / amount(samples, 441.3)).toBeCloseTo(share, 2);
  });

  it.each(['square', 'sawtooth', 'triangle'] as const)(
    'of a %s have nothing that folds back from beyond half of the rate',
    (wave) => {
      // The seventh harmonic of 3,729 Hz would be at 26,105 Hz, and be heard at 21,895.
      const hz = noteHz(106);
      const samples = steady(hz, wave);
      const whole = amount(samples, hz);
      for (const k of [7, 8, 9, 11, 13, 15, 17]) {
        const folded = Math.abs(((k * hz + rate / 2) % rate) - rate / 2);
        expect(decibels(amount(samples, folded) / whole)).toBeLessThan(-65);
      }
    },
  );

  it('begin and end where they are told to, and fade instead of clicking', () => {
    const samples = renderMoments(
      [
        { atUs: 100_000, sounding: { a: voice(1_000, 'sine') } },
        { atUs: 200_000, sounding: {} },
      ],
      300_000,
      rate,
      1,
    );
    const at = (ms: number) => (ms * rate) / 1_000;
    const loudest = (from: number, to: number) =>
      samples.slice(at(from), at(to)).reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
    expect(loudest(0, 100)).toBe(0);
    expect(loudest(100, 101)).toBeLessThan(0.3);
    expect(loudest(105, 200)).toBeGreaterThan(0.99);
    expect(loudest(205, 300)).toBe(0);
  });

  it('go on without a jump where a pitch changes', () => {
    const samples = renderMoments(
      [
        { atUs: 0, sounding: { a: voice(500, 'sine') } },
        { atUs: 50_300, sounding: { a: voice(700, 'sine') } },
      ],
      100_000,
      rate,
      1,
    );
    const steepest = samples.reduce(
      (most, sample, n) => Math.max(most, Math.abs(sample - (samples[n - 1] ?? 0))),
      0,
    );
    expect(steepest).toBeLessThan((2 * Math.PI * 710) / rate);
  });

  it('of eight together are the sum of each, and never beyond what can be played', () => {
    const notes = [48, 52, 55, 60, 64, 67, 72, 76];
    const together = Object.fromEntries(notes.map((note) => [String(note), voice(noteHz(note), 'sine')]));
    const samples = renderMoments([{ atUs: 0, sounding: together }], 500_000, rate, 0.1);
    for (const note of notes) expect(amount(samples, noteHz(note))).toBeCloseTo(0.1, 3);
    const loud = renderMoments([{ atUs: 0, sounding: together }], 100_000, rate, 1);
    expect(loud.every((sample) => Math.abs(sample) <= 1)).toBe(true);
  });

  it('of ten thousand at once, of none, and of pitches that no rate can carry, end', () => {
    const many = Object.fromEntries(Array.from({ length: 10_000 }, (_, n) => [String(n), voice(100 + n)]));
    expect(renderMoments([{ atUs: 0, sounding: many }], 20_000, rate)).toHaveLength(960);
    const synth = new Synth(rate);
    for (const hz of [0, -5, NaN, Infinity, rate / 2, 1e9]) synth.sound({ a: voice(hz) });
    expect(synth.silent).toBe(true);
  });
});

describe('a WAV file', () => {
  const samples = steady(440, 'sine', 0.1);
  const bytes = printWav(samples, rate);
  it('says what it is, and holds each sample in 16 bits', () => {
    const view = new DataView(bytes.buffer);
    const text = (at: number) => String.fromCharCode(...bytes.slice(at, at + 4));
    expect([text(0), text(8), text(12), text(36)]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data']);
    expect(view.getUint32(4, true)).toBe(bytes.length - 8);
    expect([view.getUint16(20, true), view.getUint16(22, true), view.getUint32(24, true)]).toEqual([
      1,
      1,
      rate,
    ]);
    expect(view.getUint32(40, true)).toBe(9_600);
    samples
      .slice(0, 500)
      .forEach((sample, n) => expect(view.getInt16(44 + 2 * n, true) / 32_767).toBeCloseTo(sample, 4));
  });
  it('is read by an independent reader, where the machine has one', () => {
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-wav-'));
    try {
      writeFileSync(join(folder, 'a.wav'), bytes);
      const program =
        'import sys, wave\nw = wave.open(sys.argv[1])\nprint(w.getnchannels(), w.getsampwidth(), w.getframerate(), w.getnframes())';
      let said: string;
      try {
        said = execFileSync('python3', ['-c', program, join(folder, 'a.wav')], { encoding: 'utf8' });
      } catch {
        return;
      }
      expect(said.trim()).toBe('1 2 48000 4800');
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
});
