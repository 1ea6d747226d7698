import type { OrderOf } from '../flow/index.ts';
import type { LightColour } from '../gadget/index.ts';
import type { IdleDim } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import type { Glow } from '../parts/index.ts';
import type { Bitmap } from '../picture/index.ts';
import type { Colour } from './palette.ts';

/** How a display gives light. Plain JSON. */
export interface Shining {
  /** As it was told, as far as it can be; 0: none. */
  told: number;
  /** null: its own. */
  colour: LightColour | null;
  /** Nobody has touched anything for a while. */
  dimmed: boolean;
  /** When it dims unless somebody does; null: it has not looked yet, or is dim already. */
  dimsUs: number | null;
}

/** As it comes on: nobody has told it otherwise. */
export const shiningFully: Shining = { told: 100, colour: null, dimmed: false, dimsUs: null };

/** What of the document says how its light behaves. */
export interface MadeShining {
  readonly glow: Glow | null;
  readonly dims: IdleDim | null;
}

/** Its light is another: how bright it is now. */
export interface ShiningEntry {
  lane: 'shining';
  percent: number;
  colour: LightColour | null;
}

export type ShiningOrder = OrderOf<'level' | 'colour'>;

/** What is told of its light, of all that it is told. */
export const isOfLight = (order: { kind: string }): order is ShiningOrder =>
  order.kind === 'level' || order.kind === 'colour';

/** As bright as it can be; where its light is not known, as it is told. */
function percentOf(glow: Glow | null, told: number): number {
  switch (glow?.how) {
    case 'always':
      return 100;
    case 'switched':
      return told > 0 ? 100 : 0;
    default:
      return told;
  }
}

/** How bright it is, percent. */
export const shinesAt = ({ told, dimmed }: Shining, { glow, dims }: MadeShining): number =>
  dimmed && dims ? percentOf(glow, Math.min(told, dims.percent)) : told;

/** How it shines when it is told something; the same where nothing changes. */
export function shiningAfter(was: Shining, order: ShiningOrder, { glow }: MadeShining): Shining {
  if (order.kind === 'colour')
    return glow?.how !== 'mixed' || was.colour === order.colour ? was : { ...was, colour: order.colour };
  const told = percentOf(glow, clamp(order.percent, 0, 100));
  return told === was.told ? was : { ...was, told };
}

/** When the loop has to see to it, µs; null: not before somebody touches something. */
export const shiningDueUs = ({ dimmed, dimsUs }: Shining, dims: IdleDim | null): number | null =>
  dims === null || dimmed ? null : (dimsUs ?? 0);

/** The loop comes by: it dims where it is time, and begins to wait where it has not yet. */
export function shiningKept(was: Shining, { dims }: MadeShining, nowUs: number): Shining {
  if (dims === null || was.dimmed) return was;
  if (was.dimsUs === null) return { ...was, dimsUs: nowUs + dims.afterUs };
  return was.dimsUs <= nowUs ? { ...was, dimmed: true, dimsUs: null } : was;
}

/** Somebody has touched something. */
export const shiningTouched = (was: Shining, { dims }: MadeShining, nowUs: number): Shining =>
  dims === null ? was : { ...was, dimmed: false, dimsUs: nowUs + dims.afterUs };

/** All of it comes so much later. */
export const shiningLater = (was: Shining, byUs: number): Shining =>
  was.dimsUs === null ? was : { ...was, dimsUs: was.dimsUs + byUs };

/** What it can be told by; as it comes on, that adds nothing. That nobody was there for a while tells no two states apart. */
export const shiningLook = ({ told, colour }: Shining): readonly unknown[] =>
  told === shiningFully.told && colour === null ? [] : [told, colour];

interface Stage {
  readonly id: string;
  readonly nowUs: number;
  readonly prepared: MadeShining;
  trace(entry: ShiningEntry & { atUs: number; id: string }): void;
}

/** It shines so from now on: told where it can be seen. */
export function shinesNow<S extends { shining: Shining }>(was: S, shining: Shining, on: Stage): S {
  if (shining === was.shining) return was;
  const percent = shinesAt(shining, on.prepared);
  const { colour } = shining;
  if (percent !== shinesAt(was.shining, on.prepared) || colour !== was.shining.colour)
    on.trace({ atUs: on.nowUs, lane: 'shining', id: on.id, percent, colour });
  return { ...was, shining };
}

/** The power goes: told where it was told otherwise than it comes on. */
export function shiningEnds(shining: Shining, on: Stage): void {
  if (shinesAt(shining, on.prepared) !== shiningFully.told || shining.colour !== null)
    on.trace({ atUs: on.nowUs, lane: 'shining', id: on.id, percent: 0, colour: null });
}

/** How much of its light a pixel of each ink takes, from 0 to 1: one of two is lit or not; others by their channels. */
const sharesOf = (inks: readonly Colour[]): number[] =>
  inks.length === 2 ? [0, 1] : inks.map(([red, green, blue]) => (red + green + blue) / (3 * 255));

/** How much of the light of a picture's pixels is on, from 0 to 1. */
export function litShare({ pixels }: Bitmap, inks: readonly Colour[]): number {
  const shares = sharesOf(inks);
  const lit = pixels.reduce((sum, ink) => sum + shares[Math.min(ink, shares.length - 1)]!, 0);
  return lit / Math.max(1, pixels.length);
}

/**
 * What a display draws, µA: pixels that glow take their share of its light, a light behind them all of it.
 * @param share of its pixels' light, from 0 to 1
 * @param percent how bright it is
 */
export function displayUa({ from, darkUa, litUa }: Glow, share: number, percent: number): number {
  return Math.round(darkUa + (litUa * (from === 'pixels' ? share : 1) * percent) / 100);
}
