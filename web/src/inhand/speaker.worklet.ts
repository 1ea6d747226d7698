import { Synth, type SoundingVoices } from '@hum-lever/core';
import type { SpeakerCommand, SpeakerReport } from './speaker.ts';

/*
 * The loudspeaker's own thread: it is told what sounds from when on, and makes samples of it at those very times. The
 * page has no part in it, so that a busy page delays no note.
 */

/** What the browser has here. */
declare const sampleRate: number;
declare const currentFrame: number;
declare const currentTime: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

interface Due {
  atMs: number;
  sounding: SoundingVoices;
}

/** What sounds from when on; what was told for `fromMs` and later is void. */
interface Told {
  moments: readonly Due[];
  fromMs: number;
}

/** Everything sounds so much later than it comes about: what is told within that time sounds at its moment. */
const aheadMs = 20;
/** Quiet enough for an evening table; a square wave carries far. */
const loudness = 0.05;
/** Two clocks drift apart by less than that each second. */
const driftMs = 0.2;
/** They are that far apart only where one of them stood still. */
const stoodStillMs = 200;
/** More moments than this are not kept: the oldest are over. */
const mostDue = 2_000;
const reportMs = 100;
/** Nobody hears less, and less may come of setting one clock by the other. */
const leastLateMs = 1;

class Speaker extends AudioWorkletProcessor {
  private readonly synth = new Synth(sampleRate);
  private due: Due[] = [];
  private muted = false;
  private wanted: SoundingVoices = {};
  /** Whether it is not silent. */
  private sounds = false;
  /** What the clock of the page shows when this one shows 0. */
  private offsetMs = Infinity;
  private heard: SpeakerReport = { moments: 0, late: 0, latestMs: 0, sounding: [] };
  private news = false;
  private toldAt = 0;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<SpeakerCommand>) => {
      if ('from' in data) data.from.onmessage = ({ data: told }: MessageEvent<Told>) => this.take(told);
      else {
        this.muted = data.muted;
        this.begin(this.wanted);
      }
    };
  }

  /** From the next sample on. @param lateMs behind its moment; 0: at it */
  private begin(sounding: SoundingVoices, lateMs = 0): void {
    this.wanted = sounding;
    const now = this.muted ? {} : sounding;
    const hz = Object.values(now).map((voice) => voice.hz);
    // Silence after silence is nothing that anybody hears.
    if (hz.length === 0 && !this.sounds) return;
    this.sounds = hz.length > 0;
    this.synth.sound(now);
    this.heard.moments += 1;
    if (lateMs >= leastLateMs) {
      this.heard.late += 1;
      this.heard.latestMs = Math.max(this.heard.latestMs, lateMs);
    }
    this.heard.sounding.push(hz);
    this.news = true;
  }

  private take({ moments, fromMs }: Told): void {
    this.due = this.due.filter(({ atMs }) => atMs < fromMs);
    this.due.push(...moments);
    if (this.due.length > mostDue) this.due = this.due.slice(-mostDue);
  }

  /** The least that was seen is nearest: nothing is ever called too early. */
  private keepTime(): void {
    const seenMs = Date.now() - currentTime * 1_000;
    const drifted = this.offsetMs + (driftMs * 128) / sampleRate;
    this.offsetMs = seenMs - drifted > stoodStillMs ? seenMs : Math.min(drifted, seenMs);
  }

  process(_inputs: unknown, [output]: Float32Array[][]): boolean {
    const samples = output?.[0];
    if (!samples) return true;
    this.keepTime();
    let at = 0;
    for (let next = this.due[0]; next; next = this.due[0]) {
      const dueMs = next.atMs + aheadMs - this.offsetMs;
      const frame = Math.round((dueMs / 1_000) * sampleRate) - currentFrame;
      if (frame >= samples.length) break;
      this.due.shift();
      const from = Math.max(at, frame);
      this.synth.render(samples, at, from);
      at = from;
      this.begin(next.sounding, Math.max(0, (-frame / sampleRate) * 1_000));
    }
    this.synth.render(samples, at, samples.length);
    for (let n = 0; n < samples.length; n += 1) samples[n]! *= loudness;
    this.tell();
    return true;
  }

  private tell(): void {
    if (!this.news || (currentTime - this.toldAt) * 1_000 < reportMs) return;
    this.toldAt = currentTime;
    this.news = false;
    this.port.postMessage(this.heard);
    this.heard.sounding = [];
  }
}

registerProcessor('speaker', Speaker);
