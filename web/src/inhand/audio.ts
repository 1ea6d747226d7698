import { create } from 'zustand';

const mutedKey = 'hum-lever.muted';

/** Whether the maker wants silence. A habit of the person, not of the gadget. */
export const useSound = create<{ muted: boolean }>(() => ({ muted: localStorage.getItem(mutedKey) === '1' }));

/** Quiet enough for an evening table; a square wave carries far. */
const loudness = 0.05;
/** Long enough not to click, short enough to sound at once. */
const rampSeconds = 0.004;

let context: AudioContext | null = null;
const voices = new Map<string, { oscillator: OscillatorNode; gain: GainNode }>();
let wanted: Record<string, number> = {};

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

/** Makes each sounder sound at its pitch; 0 is silence. */
export function play(tones: Record<string, number>): void {
  wanted = tones;
  if (!context) return;
  const { currentTime } = context;
  const { muted } = useSound.getState();
  for (const id of new Set([...voices.keys(), ...Object.keys(tones)])) {
    const hz = muted ? 0 : (tones[id] ?? 0);
    let voice = voices.get(id);
    if (!voice) {
      if (hz === 0) continue;
      const oscillator = new OscillatorNode(context, { type: 'square' });
      const gain = new GainNode(context, { gain: 0 });
      oscillator.connect(gain).connect(context.destination);
      oscillator.start();
      voice = { oscillator, gain };
      voices.set(id, voice);
    }
    if (hz > 0) voice.oscillator.frequency.setValueAtTime(hz, currentTime);
    voice.gain.gain.setTargetAtTime(hz > 0 ? loudness : 0, currentTime, rampSeconds);
  }
}
