import type { ContactFigures } from '../gadget/index.ts';
import { exactLn, unitAt } from '../kernel/index.ts';

/** Chance of spikes and of chatter is apart from that of bounces, and from each other. */
const apart = { spike: 0x51c0_0000, chatter: 0x3a70_0000 } as const;

export type Disturbance = keyof typeof apart;

/**
 * The n-th disturbance of a contact after the one before it (Poisson: gaps are exponential), or null where its
 * figures know none. Spikes come at any time; chatter only while held, and its time is that of holding.
 * Source: `reckoning`, bounce model.
 * @param n how many there were before, >= 0
 * @returns both in whole µs; the length is at least 1 and at most the figure's maximum
 */
export function nextDisturbance(
  contact: ContactFigures,
  what: Disturbance,
  seed: number,
  channel: number,
  n: number,
): { afterUs: number; lengthUs: number } | null {
  const [perHour, maxUs] =
    what === 'spike'
      ? [contact.glitchPerHour, contact.glitchMaxUs]
      : [contact.chatterPerMinute * 60, contact.chatterMaxUs];
  if (perHour === 0) return null;
  const meanUs = 3_600_000_000 / perHour;
  const share = unitAt(seed ^ apart[what], channel, 2 * n);
  const afterUs = Math.max(1, Math.round(-meanUs * exactLn(1 - share)));
  return { afterUs, lengthUs: 1 + Math.floor(unitAt(seed ^ apart[what], channel, 2 * n + 1) * maxUs) };
}
