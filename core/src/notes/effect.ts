import type { SoundEffect } from '../gadget/index.ts';
import { exactExp, exactLn } from '../kernel/index.ts';

/** A pitch that is on its way is set anew so often. */
export const effectFrameUs = 10_000;

const ln2 = 0.6931471805599453;
/** Up and down, a step a frame: twelve and a half times a second. */
const trembles = [0, 71, 100, 71, 0, -71, -100, -71] as const;
/** Progress is counted in so many parts. */
const whole = 1_024;

/** Pitches are set so often while it lasts. */
export const framesOf = ({ lengthUs }: Pick<SoundEffect, 'lengthUs'>): number =>
  Math.ceil(lengthUs / effectFrameUs);

/** How far it has come, of 1,024. */
function progress({ curve, stairs }: SoundEffect, frame: number, frames: number): number {
  const steps = stairs === 0 ? frames : Math.min(stairs, frames);
  const step = Math.floor((frame * steps) / frames);
  const even = steps === 1 ? 0 : Math.floor((step * whole) / (steps - 1));
  if (curve === 'late') return (even * even) >> 10;
  return curve === 'early' ? whole - (((whole - even) * (whole - even)) >> 10) : even;
}

/**
 * A shift register of 16 bits with the taps 16, 14, 13, 11: every number but 0 once, then again. The same noise each
 * time. Source: maximal-length linear feedback.
 */
function shifted(register: number): number {
  const bit = (register ^ (register >> 2) ^ (register >> 3) ^ (register >> 5)) & 1;
  return (register >> 1) | (bit << 15);
}
const seed = 0xace1;
/** Shifts between two frames, so that neighbours have nothing to do with one another. */
const shiftsPerFrame = 8;

/** −128 to 127, by chance that is the same each time. */
function noiseAt(frame: number): number {
  let register = seed;
  for (let n = 0; n < frame * shiftsPerFrame; n += 1) register = shifted(register);
  return (register & 0xff) - 128;
}

/**
 * Pitch of an effect at a frame, between its two ends by ratio, as pitch is heard.
 * @param byCents all of it moved
 * @param frame from 0; below `framesOf`
 * @returns Hz
 */
export function effectPitch(effect: SoundEffect, byCents: number, frame: number): number {
  const { fromHz, toHz, tremblesCents, noiseCents } = effect;
  const spanCents = (1_200 * exactLn(toHz / fromHz)) / ln2;
  const along = (spanCents * progress(effect, frame, framesOf(effect))) / whole;
  const trembling = Math.trunc((trembles[frame % trembles.length]! * tremblesCents) / 100);
  const beside = noiseCents === 0 ? 0 : Math.trunc((noiseAt(frame) * noiseCents) / 128);
  return fromHz * exactExp((ln2 * (along + trembling + beside + byCents)) / 1_200);
}

/** The same of all its frames. */
export const effectPitches = (effect: SoundEffect, byCents: number): number[] =>
  Array.from({ length: framesOf(effect) }, (_, frame) => effectPitch(effect, byCents, frame));

/** Effects as games have them, to begin with. */
export const effectKinds = {
  coin: { fromHz: 990, toHz: 1_320, lengthUs: 320_000, curve: 'early', stairs: 2, tremblesCents: 0, noiseCents: 0 },
  hit: { fromHz: 600, toHz: 220, lengthUs: 160_000, curve: 'early', stairs: 0, tremblesCents: 0, noiseCents: 1_400 },
  win: { fromHz: 523, toHz: 1_568, lengthUs: 640_000, curve: 'even', stairs: 4, tremblesCents: 20, noiseCents: 0 },
  lose: { fromHz: 440, toHz: 220, lengthUs: 900_000, curve: 'late', stairs: 0, tremblesCents: 60, noiseCents: 0 },
  leap: { fromHz: 300, toHz: 900, lengthUs: 180_000, curve: 'even', stairs: 0, tremblesCents: 0, noiseCents: 0 },
} as const satisfies Record<string, Omit<SoundEffect, 'id' | 'name'>>; // prettier-ignore
export type EffectKind = keyof typeof effectKinds;
