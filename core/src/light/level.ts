import type { LightColour } from '../gadget/index.ts';
import type { LightOrder } from '../flow/index.ts';

/** A light as it was last told to be. Plain JSON: it costs nothing while it blinks. */
export interface LitLight {
  kind: 'light';
  light: LightOrder;
  sinceUs: number;
  /** Level when it was told, where a fade starts. */
  fromPercent: number;
  /** As it was told; without: its own. */
  colour?: LightColour;
}

export const darkLight: LitLight = { kind: 'light', light: { mode: 'off' }, sinceUs: 0, fromPercent: 0 };

/**
 * Level in percent at a moment, 0–100.
 * Whole numbers throughout.
 * @param atUs >= lit.sinceUs
 */
export function lightLevel({ light, sinceUs, fromPercent }: LitLight, atUs: number): number {
  switch (light.mode) {
    case 'on':
      return 100;
    case 'off':
      return 0;
    case 'level':
      return light.levelPercent;
    case 'pattern':
      return light.steps[Math.floor((atUs - sinceUs) / light.stepUs) % light.steps.length] === '#' ? 100 : 0;
    case 'blink':
      // Lit in the first half of each period.
      return ((atUs - sinceUs) % light.periodUs) * 2 < light.periodUs ? 100 : 0;
    case 'fade': {
      const { levelPercent, overUs } = light;
      const goneUs = Math.min(overUs, atUs - sinceUs);
      // The nearest whole percent, halves upwards: one product below 2^49 and one division, as on any processor.
      return fromPercent + Math.floor((2 * (levelPercent - fromPercent) * goneUs + overUs) / (2 * overUs));
    }
  }
}

/** Flashing between 3 and 30 Hz can harm (`reckoning`, sound and cautions); slower than 3 Hz is kept as it is. */
export const slowestSafeBlinkUs = 400_000;

/** The light as it may be shown on a screen: blinking no faster than 2.5 Hz. */
export function safelyShown(lit: LitLight): LitLight {
  const { light } = lit;
  // Two steps of a pattern are its quickest flash.
  if (light.mode === 'pattern' && light.stepUs * 2 < slowestSafeBlinkUs)
    return { ...lit, light: { ...light, stepUs: slowestSafeBlinkUs / 2 } };
  if (light.mode !== 'blink' || light.periodUs >= slowestSafeBlinkUs) return lit;
  return { ...lit, light: { mode: 'blink', periodUs: slowestSafeBlinkUs } };
}
