import { between, type Rgb } from './colours.ts';

/** What goes on by itself over some of the lights, from one to another, both included. */
export type Going = { first: number; last: number; sinceUs: number } & (
  | { what: 'blink'; periodUs: number }
  /** From the colours that they have. */
  | { what: 'fade'; through: readonly Rgb[]; overUs: number }
);

/**
 * Lights by number as they were last told to be. Plain JSON, and short: six digits a light, and what goes on by range.
 * It costs nothing while it moves; a picture is drawn from it on demand.
 */
export interface ToldLights {
  kind: 'lights';
  /** Red, green and blue of each in six hexadecimal digits: what stands, or what a fade begins with. */
  steady: string;
  /** The oldest first; no light is in two of them. */
  going: readonly Going[];
  /** When another picture of what goes on is to be sent, µs; null: nothing goes on. */
  renewUs: number | null;
}

/** So much can go on at once: the chip keeps a table of it. Doubled, a chain's state would grow by about a kilobyte. */
export const mostGoing = 12;

const digits = 6;
export const hexOf = (colours: readonly Rgb[]): string =>
  colours.map((colour) => colour.toString(16).padStart(digits, '0')).join('');
export const darkLights = (count: number): ToldLights => {
  return { kind: 'lights', steady: '0'.repeat(count * digits), going: [], renewUs: null };
};
export const countOf = ({ steady }: ToldLights): number => steady.length / digits;
const steadyAt = (steady: string, n: number): Rgb => parseInt(steady.slice(n * digits, (n + 1) * digits), 16);

/** Where a fade is: between which of its colours. */
function faded(from: Rgb, through: readonly Rgb[], overUs: number, goneUs: number): Rgb {
  const stages = through.length;
  if (goneUs >= overUs) return through[stages - 1]!;
  // In whole microseconds of a stage; the last one takes what division leaves over.
  const stageUs = Math.max(1, Math.floor(overUs / stages));
  const stage = Math.min(stages - 1, Math.floor(goneUs / stageUs));
  const began = stage === 0 ? from : through[stage - 1]!;
  const lengthUs = stage === stages - 1 ? overUs - stage * stageUs : stageUs;
  return between(began, through[stage]!, goneUs - stage * stageUs, lengthUs);
}

/** What one light shows of what goes on. @param from its steady colour */
function goingAt(going: Going, from: Rgb, atUs: number): Rgb {
  const goneUs = Math.max(0, atUs - going.sinceUs);
  if (going.what === 'fade') return faded(from, going.through, going.overUs, goneUs);
  // Lit in the first half of each period.
  return (goneUs % going.periodUs) * 2 < going.periodUs ? from : 0;
}

/** Every light's colour at a moment. @param atUs not before anything that goes on began */
export function pictureAt({ steady, going }: ToldLights, atUs: number): Rgb[] {
  const picture = Array.from({ length: steady.length / digits }, (_, n) => steadyAt(steady, n));
  for (const one of going)
    for (let n = one.first; n <= one.last; n += 1) picture[n] = goingAt(one, picture[n]!, atUs);
  return picture;
}

/** Which of them blink, from one to another, and how fast. */
export const blinksOf = ({ going }: ToldLights): [first: number, last: number, periodUs: number][] =>
  going.flatMap((one) => (one.what === 'blink' ? [[one.first, one.last, one.periodUs]] : []));

/** Colours in which they come to rest: what blinks is lit, a fade is over. */
export const restingPicture = (told: ToldLights): Rgb[] =>
  pictureAt({ ...told, going: told.going.filter(({ what }) => what === 'fade') }, Infinity);

/** Whether any of it still moves at a moment. */
export const movesAt = ({ going }: ToldLights, atUs: number): boolean =>
  going.some((one) => one.what === 'blink' || atUs < one.sinceUs + one.overUs);

/**
 * The loop sends no more than 50 pictures a second of what goes on by itself: a fade looks smooth, and the longest
 * chain (256 lights, 8 ms of data) leaves the loop more than half of its time. Halved, such a chain would leave a fifth.
 */
export const leastBetweenPicturesUs = 20_000;

/** The same with a picture sent now: another one follows when that has changed, or while it fades. */
export function sentNow(told: ToldLights, nowUs: number): ToldLights {
  let renewUs = Infinity;
  for (const one of told.going) {
    // The picture after its end is the last one.
    const goneUs = nowUs - one.sinceUs;
    const afterUs =
      one.what === 'blink'
        ? halfOf(one.periodUs, goneUs)
        : goneUs < one.overUs
          ? leastBetweenPicturesUs
          : Infinity;
    renewUs = Math.min(renewUs, nowUs + Math.max(leastBetweenPicturesUs, afterUs));
  }
  return { ...told, renewUs: renewUs === Infinity ? null : renewUs };
}

/** How long until a blink lights or goes dark, whole µs. */
function halfOf(periodUs: number, goneUs: number): number {
  const intoUs = goneUs % periodUs;
  return (intoUs * 2 < periodUs ? Math.ceil(periodUs / 2) : periodUs) - intoUs;
}

/** Colours one after another as how many times which: `[3, red, 9, dark]`. */
export function runsOf(colours: readonly Rgb[]): number[] {
  const runs: number[] = [];
  for (const colour of colours)
    if (runs.length > 0 && runs.at(-1) === colour) runs[runs.length - 2]! += 1;
    else runs.push(1, colour);
  return runs;
}
/** The same, laid out again. */
export const laidOut = (runs: readonly number[]): Rgb[] => {
  const colours: Rgb[] = [];
  for (let n = 0; n < runs.length; n += 2) for (let k = 0; k < runs[n]!; k += 1) colours.push(runs[n + 1]!);
  return colours;
};

/** What goes on outside of a range; what reached into it is cut. */
const outside = (going: readonly Going[], first: number, last: number): Going[] =>
  going.flatMap((one) => {
    if (one.last < first || one.first > last) return [one];
    const parts: Going[] = [];
    if (one.first < first) parts.push({ ...one, last: first - 1 });
    if (one.last > last) parts.push({ ...one, first: last + 1 });
    return parts;
  });

/** What is over stands; where too much goes on, the oldest stands as it is now. */
export function settled(told: ToldLights, atUs: number): ToldLights {
  const over = told.going.filter((one) => one.what === 'fade' && atUs >= one.sinceUs + one.overUs);
  const late = told.going.filter((one) => !over.includes(one));
  const dropped = [...over, ...late.slice(0, Math.max(0, late.length - mostGoing))];
  if (dropped.length === 0) return told;
  const picture = pictureAt(told, atUs);
  const colours = pictureAt({ ...told, going: [] }, atUs);
  for (const { first, last } of dropped) for (let n = first; n <= last; n += 1) colours[n] = picture[n]!;
  return { ...told, steady: hexOf(colours), going: told.going.filter((one) => !dropped.includes(one)) };
}

/** These lights stand in these colours from now on. */
export function painted(told: ToldLights, first: number, colours: readonly Rgb[], atUs: number): ToldLights {
  const last = first + colours.length - 1;
  const { steady, going } = told;
  const put = steady.slice(0, first * digits) + hexOf(colours) + steady.slice((last + 1) * digits);
  return settled({ ...told, steady: put, going: outside(going, first, last) }, atUs);
}

/** Something goes on from now on, beginning with the colours that they rest in. */
export function begun(told: ToldLights, one: Going): ToldLights {
  const { first, last, sinceUs } = one;
  const now = one.what === 'blink' ? restingPicture(told) : pictureAt(told, sinceUs);
  const still = painted(told, first, now.slice(first, last + 1), sinceUs);
  return settled({ ...still, going: [...still.going, one] }, sinceUs);
}
