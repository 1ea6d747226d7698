import { create } from 'zustand';
import type { Voice } from '../outputs/voice.ts';

const mutedKey = 'hum-lever.muted';

/** Whether the maker wants silence. A habit of the person, not of the gadget. */
export const useSound = create<{ muted: boolean }>(() => ({ muted: localStorage.getItem(mutedKey) === '1' }));

/** Quiet enough for an evening table; a square wave carries far. */
const loudness = 0.05;
/** Long enough not to click, short enough to sound at once. */
const rampSeconds = 0.004;

let context: AudioContext | null = null;
const voices = new Map<string, { oscillator: OscillatorNode; gain: GainNode }>();
let wanted: Readonly<Record<string, Voice>> = {};
/** More oscillators than this are not kept at rest: a voice that is no longer wanted goes, the oldest first. */
const mostKept = 32;

/**
 * Opens the way to the loudspeaker, silent until `unlockSound`. Opening blocks the page, for long where the machine's
 * sound has to be started first: done at the first press, it would make a hold of it.
 */
export function prepareSound(): void {
  context ??= new AudioContext();
}

/** Sound is allowed from the first gesture on; call this in its handler. */
export function unlockSound(): void {
  prepareSound();
  if (context!.state === 'running') return;
  void context!.resume();
  play(wanted);
}

export function setMuted(muted: boolean): void {
  localStorage.setItem(mutedKey, muted ? '1' : '0');
  useSound.setState({ muted });
  play(wanted);
}

/** Makes sound what is wanted, and silences all else. */
export function play(sounding: Readonly<Record<string, Voice>>): void {
  wanted = sounding;
  if (!context) return;
  const { currentTime } = context;
  const { muted } = useSound.getState();
  const now = muted ? {} : sounding;
  for (const [key, { oscillator, gain }] of voices) {
    if (now[key]) continue;
    gain.gain.setTargetAtTime(0, currentTime, rampSeconds);
    if (voices.size <= mostKept) continue;
    oscillator.stop(currentTime + 20 * rampSeconds);
    voices.delete(key);
  }
  for (const [key, { hz, wave, loudness: share }] of Object.entries(now)) {
    const voice = voices.get(key) ?? begun(context, key);
    if (voice.oscillator.type !== wave) voice.oscillator.type = wave;
    voice.oscillator.frequency.setValueAtTime(hz, currentTime);
    voice.gain.gain.setTargetAtTime(loudness * share, currentTime, rampSeconds);
  }
}

function begun(context: AudioContext, key: string) {
  const voice = { oscillator: new OscillatorNode(context), gain: new GainNode(context, { gain: 0 }) };
  voice.oscillator.connect(voice.gain).connect(context.destination);
  voice.oscillator.start();
  voices.set(key, voice);
  return voice;
}
