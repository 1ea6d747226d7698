import { limits } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import type { Drawing } from './render.ts';
import type { Stock } from './stock.ts';
import { runPx } from './glyphs.ts';

/** How long something that blinks is there, and how long it is not, µs: once and twice a second. */
const blinkUs = { slow: 500_000, fast: 250_000 } as const;

/** A value that is plotted: when the newest was taken, and all that are in view, the newest last; null: none was known. */
export interface Track {
  atUs: number;
  values: readonly (number | null)[];
}

/** How things stand that go on by themselves. */
export interface Moments {
  readonly drawings: readonly Drawing[];
  /** By the place of the element. */
  readonly tracks: Readonly<Record<string, Track>>;
  /** When one of them is next another; null: none will be. */
  readonly nextUs: number | null;
}

function tracked(
  before: Track | undefined,
  plot: Extract<Drawing, { kind: 'drawPlot' }>,
  nowUs: number,
): Track {
  const value = plot.unknownIf === 0 ? plot.value : null;
  if (!before) return { atUs: nowUs, values: [value] };
  const everyUs = plot.everyMs * 1_000;
  const steps = Math.floor((nowUs - before.atUs) / everyUs);
  if (steps < 1) return before;
  // More than a display is wide are never in view. Whoever came by late takes the value that he finds for all that he missed.
  const room = clamp(plot.width, 1, limits.displayPx);
  const taken = Array<number | null>(Math.min(steps, room)).fill(value);
  return { atUs: before.atUs + steps * everyUs, values: [...before.values, ...taken].slice(-room) };
}

/** Where a bar was filled to at most, until it is longer ago than its mark stays. */
function peaked(
  before: Track | undefined,
  { value, unknownIf, peakMs }: Extract<Drawing, { kind: 'drawBar' }>,
  nowUs: number,
): Track {
  const [was = null] = before?.values ?? [];
  const now = unknownIf === 0 ? value : null;
  const over = !before || was === null || nowUs - before.atUs >= peakMs * 1_000;
  return over || (now !== null && now >= was) ? { atUs: nowUs, values: [now] } : before;
}

const none: Moments['tracks'] = {};

/**
 * What is drawn as it stands at a moment: what blinks is there or not, a text has run so far, plots have their values,
 * waves what sounds.
 * @param keys of the drawings, one each: which element of which page
 * @param sinceUs when the page was shown
 * @param sounds what sounders do: of each its pitch and its loudness
 */
export function atMoment(
  drawings: readonly Drawing[],
  keys: readonly string[],
  before: Moments['tracks'],
  sinceUs: number,
  nowUs: number,
  stock: Stock,
  sounds: () => readonly number[],
): Moments {
  if (!drawings.some(goesOn)) return { drawings, tracks: none, nextUs: null };
  const tracks: Record<string, Track> = {};
  let nextUs = Infinity;
  const stood = (everyUs: number): number => {
    const step = Math.floor((nowUs - sinceUs) / everyUs);
    nextUs = Math.min(nextUs, sinceUs + (step + 1) * everyUs);
    return step;
  };
  const now = drawings.map((drawing, n): Drawing => {
    // What is not drawn does not go on: whatever brings it back wakes the loop.
    if (drawing.onlyIf === 0 || !goesOn(drawing)) return drawing;
    const off = drawing.blinks === 'steady' ? {} : { off: stood(blinkUs[drawing.blinks]) % 2 === 1 };
    if (drawing.kind === 'drawRunning') {
      const whole = runPx(drawing, stock.font(drawing.font));
      return { ...drawing, ...off, ranPx: whole === 0 ? 0 : stood(drawing.stepMs * 1_000) % whole };
    }
    if (drawing.kind === 'drawWave') return { ...drawing, ...off, sounds: sounds() };
    if (drawing.kind === 'drawPlot') {
      const track = tracked(before[keys[n]!], drawing, nowUs);
      tracks[keys[n]!] = track;
      nextUs = Math.min(nextUs, track.atUs + drawing.everyMs * 1_000);
      return { ...drawing, ...off, values: track.values };
    }
    if (drawing.kind === 'drawBar' && drawing.peakMs > 0) {
      const track = peaked(before[keys[n]!], drawing, nowUs);
      tracks[keys[n]!] = track;
      // Where the mark lies at the end of the bar, nothing changes by itself.
      if (track.values[0] !== drawing.value) nextUs = Math.min(nextUs, track.atUs + drawing.peakMs * 1_000);
      return { ...drawing, ...off, values: track.values };
    }
    return { ...drawing, ...off };
  });
  return { drawings: now, tracks, nextUs: nextUs === Infinity ? null : nextUs };
}

/** The same whenever one looks: how far something has gone by itself tells nothing apart. */
export const atRest = (drawings: readonly Drawing[]): readonly Drawing[] =>
  drawings.some(goesOn)
    ? drawings.map((drawing) => {
        const { off: _off, ranPx: _ranPx, values: _values, sounds: _sounds, ...rest } = drawing;
        return rest as Drawing;
      })
    : drawings;

/** So high that its pin goes up and down within each pixel, whatever lies across. */
const fullest = [1_000_000_000, 100] as const;

/** A value that goes from its least to its most and back with every step: no plot of it can change more. */
const swinging = (width: number, from: number): readonly (0 | 1)[] =>
  Array.from({ length: clamp(width, 1, limits.displayPx) }, (_, n) => ((n + from) % 2) as 0 | 1);

/**
 * How a page changes most from one step to the next by itself: what blinks comes and goes, a text runs a pixel on, a plot
 * swings between its ends, a wave goes from silence to what fills it. null: nothing of it goes on by itself.
 */
export function stepOf(
  drawings: readonly Drawing[],
  stock: Stock,
): { was: readonly Drawing[]; is: readonly Drawing[] } | null {
  if (!drawings.some((drawing) => drawing.onlyIf !== 0 && goesOn(drawing))) return null;
  const at = (step: 0 | 1) =>
    drawings.map((drawing): Drawing => {
      const off = drawing.blinks === 'steady' ? {} : { off: step === 1 };
      if (drawing.kind === 'drawRunning') {
        const ranPx = runPx(drawing, stock.font(drawing.font)) === 0 ? 0 : step;
        return { ...drawing, ...off, ranPx };
      }
      if (drawing.kind === 'drawWave') return { ...drawing, ...off, sounds: step === 0 ? [0, 100] : fullest };
      if (drawing.kind !== 'drawPlot') return { ...drawing, ...off };
      const values = swinging(drawing.width, step).map((end) => (end === 0 ? drawing.low : drawing.high));
      return { ...drawing, ...off, values };
    });
  return { was: at(0), is: at(1) };
}

const goesOn = (drawing: Drawing): boolean =>
  drawing.blinks !== 'steady' ||
  drawing.kind === 'drawRunning' ||
  drawing.kind === 'drawPlot' ||
  drawing.kind === 'drawWave' ||
  (drawing.kind === 'drawBar' && drawing.peakMs > 0);
