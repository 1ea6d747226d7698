import { biquadOf, type Biquad, type Response } from './response.ts';
import { bandLimited, turnBits, type Wave } from './waves.ts';

/** Something that sounds. */
export interface Voice {
  hz: number;
  wave: Wave;
  /** 1: as loud as a sounder. */
  loudness: number;
  /** Of a pulse: the share of its turn in which it is up; without: half. */
  duty?: number | undefined;
  /** What it sounds through; without: as it is. */
  through?: Response | undefined;
  /** Something that is struck: each so many seconds it has 1/e of what it had. Without: it sounds as long as it is held. */
  fadeSeconds?: number | undefined;
}
/** All that sounds at a moment, by a key of each voice: what goes on has the same key. */
export type Sounding = Readonly<Record<string, Voice>>;

/** From such a moment on that sounds. */
export interface Moment {
  atUs: number;
  sounding: Sounding;
}

interface Playing {
  turn: Float32Array;
  /** Of a turn, in 2^32 parts: per sample, and how far it is. */
  step: number;
  at: number;
  gain: number;
  wanted: number;
  through: Through | null;
  /** Of what is struck: what is left of it, and what of that after each sample. */
  left: number;
  fade: number;
}

/** A filter with what came before: the last two samples that went in, and that came out. */
interface Through {
  response: Response;
  filter: Biquad;
  came: [number, number, number, number];
}
/** Of what is struck, less than this is not heard. */
const leastLeft = 0.0005;
const isOver = ({ left }: Playing): boolean => left < leastLeft;

/** Long enough not to click, short enough to sound at once. */
const rampSeconds = 0.004;
/** More voices than this are not told apart, and would cost too much: those that came last are left out. */
const mostVoices = 64;

/** Makes samples of what sounds. What changes keeps its phase, and fades in and out over a few milliseconds. */
export class Synth {
  private readonly sampleRate: number;
  private readonly voices = new Map<string, Playing>();

  constructor(sampleRate: number) {
    this.sampleRate = sampleRate;
  }

  /** From the next sample on this sounds, and nothing else. */
  sound(sounding: Sounding): void {
    for (const [key, voice] of this.voices) if (!sounding[key]) voice.wanted = 0;
    for (const [key, { hz, wave, loudness, duty, through, fadeSeconds }] of Object.entries(sounding)) {
      if (!(hz > 0) || !(hz < this.sampleRate / 2)) continue;
      const voice = this.voices.get(key) ?? this.begun(key);
      if (!voice) continue;
      voice.turn = bandLimited(wave, hz, this.sampleRate, duty);
      voice.step = Math.round((hz / this.sampleRate) * 2 ** 32) | 0;
      if (voice.wanted === 0) voice.left = 1;
      voice.wanted = loudness;
      voice.fade = fadeSeconds === undefined ? 1 : Math.max(0, 1 - 1 / (fadeSeconds * this.sampleRate));
      voice.through = this.throughOf(through, voice.through);
    }
  }

  /** What sounds through the same goes on in it as it was. */
  private throughOf(response: Response | undefined, was: Through | null): Through | null {
    if (!response) return null;
    const { kind, hz, q } = response;
    if (was?.response.kind === kind && was.response.hz === hz && was.response.q === q) return was;
    return { response, filter: biquadOf(response, this.sampleRate), came: [0, 0, 0, 0] };
  }

  private begun(key: string): Playing | null {
    if (this.voices.size >= mostVoices) return null;
    const voice: Playing = {
      turn: bandLimited('sine', 440, 48_000),
      step: 0,
      at: 0,
      gain: 0,
      wanted: 0,
      through: null,
      left: 1,
      fade: 1,
    };
    this.voices.set(key, voice);
    return voice;
  }

  /** Whether anything is still to be heard. */
  get silent(): boolean {
    for (const voice of this.voices.values()) if (!isOver(voice)) return false;
    return true;
  }

  /** Adds what sounds to samples `from` (in) to `to` (out). */
  render(out: Float32Array, from: number, to: number): void {
    const ramp = 1 / (rampSeconds * this.sampleRate);
    for (const [key, voice] of this.voices) {
      const { gain, wanted } = voice;
      // What was struck and has faded is kept as long as it is told, so that it does not begin anew.
      if (isOver(voice) && wanted > 0) continue;
      // As long as it fades; what goes on is the rest.
      const fading = Math.min(to, from + Math.ceil(Math.abs(wanted - gain) / ramp));
      const toward = gain < wanted ? ramp : -ramp;
      if (fading > from) add(voice, out, from, fading, toward);
      if (fading < to || voice.gain === wanted) {
        voice.gain = wanted;
        if (wanted > 0) add(voice, out, fading, to, 0);
        else this.voices.delete(key);
      }
    }
  }
}

/** Where a voice is in its turn: 32 bits, which begin again by themselves; the lower ones lie between two points. */
const partBits = 32 - turnBits;
const partMask = 2 ** partBits - 1;
const part = 2 ** -partBits;

/** @param ramp what its loudness changes by with each sample, until it is what is wanted */
function add(voice: Playing, out: Float32Array, from: number, to: number, ramp: number): void {
  const { turn, step, wanted, through, fade } = voice;
  let { at, gain, left } = voice;
  for (let n = from; n < to; n += 1) {
    if (ramp !== 0) gain = ramp > 0 ? Math.min(wanted, gain + ramp) : Math.max(wanted, gain + ramp);
    const point = at >>> partBits;
    const low = turn[point]!;
    let sample = gain * (low + (turn[point + 1]! - low) * ((at & partMask) * part));
    if (through) sample = filtered(through, sample);
    if (fade < 1) {
      sample *= left;
      left *= fade;
    }
    out[n]! += sample;
    at = (at + step) | 0;
  }
  voice.at = at;
  voice.gain = gain;
  voice.left = left;
}

function filtered({ filter: { a, b }, came }: Through, sample: number): number {
  const out = b[0] * sample + b[1] * came[0] + b[2] * came[1] - a[0] * came[2] - a[1] * came[3];
  came[1] = came[0];
  came[0] = sample;
  came[3] = came[2];
  came[2] = out;
  return out;
}

/**
 * Samples of everything that sounds, one channel.
 * @param moments in order of time
 * @param lengthUs of the whole
 * @param share how loud a sounder is, 1: as loud as it can be; what is louder together is cut off at 1
 * @returns −1 to 1
 */
export function renderMoments(
  moments: readonly Moment[],
  lengthUs: number,
  sampleRate: number,
  share = 0.2,
): Float32Array {
  const samples = new Float32Array(Math.ceil((lengthUs * sampleRate) / 1_000_000));
  const synth = new Synth(sampleRate);
  let at = 0;
  for (const { atUs, sounding } of moments) {
    const next = Math.min(samples.length, Math.round((atUs * sampleRate) / 1_000_000));
    synth.render(samples, at, next);
    synth.sound(sounding);
    at = next;
  }
  synth.render(samples, at, samples.length);
  for (let n = 0; n < samples.length; n += 1) samples[n] = Math.max(-1, Math.min(1, samples[n]! * share));
  return samples;
}
