import type { OrderOf } from '../flow/index.ts';
import type { ActionKindOf, LightColour } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { defineOutput, noJobs, plansNothing, type Job, type Stage } from '../output/index.ts';
import { lightData } from '../parts/index.ts';
import { asMade, atLevel, hued, mixed, rgbOf, type Rgb } from './colours.ts';
import {
  begun,
  countOf,
  laidOut,
  pictureAt,
  darkLights,
  painted,
  blinksOf,
  restingPicture,
  runsOf,
  sentNow,
  settled,
  type Going,
  type ToldLights,
} from './picture.ts';

export type LightsEntry =
  /** From the first on: how many in which colour, again and again. */
  | { lane: 'lights'; first: number; runs: readonly number[] }
  | { lane: 'lightsGoing'; first: number; last: number; blinkUs: number }
  | { lane: 'lightsGoing'; first: number; last: number; through: readonly Rgb[]; overUs: number }
  /** Told to a light that is not there: nothing was lit. */
  | { lane: 'outside'; first: number; last: number };

type Order = OrderOf<ActionKindOf<'lights'>>;
/** The colour of those that have but one, and what sending a picture to them is to the loop. */
export interface MadeLights {
  readonly colour: LightColour | null;
  readonly sends: readonly Job[];
}
type On = Stage<'lights', LightsEntry, never, MadeLights>;

/** The lights meant, both ends included; null: none, as one of the ends is not there, or they are the wrong way round. */
function meant({ which, first, last }: Order, count: number): [number, number] | null {
  if (which === 'all') return [0, count - 1];
  const end = which === 'one' ? first : last;
  return first >= 0 && first <= end && end < count ? [first, end] : null;
}

/** Shortest period and fade, so that neither divides by nothing. */
const leastUs = 1_000;

/** Colours that stand from now on, for all but what goes on by itself. */
function colours(
  order: Exclude<Order, { kind: 'blinkLights' | 'fadeLights' }>,
  size: number,
  stood: () => readonly Rgb[],
): Rgb[] {
  const all = (colour: Rgb) => Array<Rgb>(size).fill(colour);
  switch (order.kind) {
    case 'paintLights':
      return all(atLevel(rgbOf(order.colour), order.percent));
    case 'mixLights':
      return all(mixed(order.red, order.green, order.blue));
    case 'hueLights':
      return all(atLevel(hued(order.hue), order.percent));
    case 'fillLights': {
      const lit = clamp(order.amount, 0, size);
      return all(atLevel(rgbOf(order.colour), order.percent)).fill(0, lit);
    }
    case 'patternLights':
      return all(atLevel(rgbOf(order.colour), order.percent)).map((colour, n) =>
        order.steps[n % order.steps.length] === '#' ? colour : 0,
      );
    case 'shiftLights': {
      const { by, round } = order;
      const before = stood();
      return before.map((_, n) => {
        const from = n - by;
        return round ? before[((from % size) + size) % size]! : (before[from] ?? 0);
      });
    }
  }
}

function goingOn(
  order: Extract<Order, { kind: 'blinkLights' | 'fadeLights' }>,
  first: number,
  last: number,
  on: On,
): Going {
  const place = { first, last, sinceUs: on.nowUs };
  if (order.kind === 'blinkLights')
    return { ...place, what: 'blink', periodUs: Math.max(leastUs, order.period) };
  const through = order.through.map((paint) => asMade(rgbOf(paint), on.prepared.colour));
  return { ...place, what: 'fade', through, overUs: Math.max(leastUs, order.over) };
}

/** The same going on, since whenever. */
const samePace = (a: Going | undefined, b: Going): boolean =>
  a?.what === 'blink' &&
  b.what === 'blink' &&
  a.first === b.first &&
  a.last === b.last &&
  a.periodUs === b.periodUs;

export const lights = defineOutput<'lights', ToldLights, LightsEntry, never, MadeLights>({
  kind: 'lights',
  prepare({ id, colour }, gadget) {
    const data = lightData(gadget, id);
    if (!data) return { colour, sends: noJobs };
    // What has help from its hardware goes out by itself.
    const { us, interruptsOff: deaf } = data;
    return { colour, sends: [{ us, how: deaf ? 'blocking' : 'background', cuttable: false, deaf }] };
  },
  dark: ({ count }) => darkLights(count),
  apply(was, order, on) {
    const count = countOf(was);
    const range = meant(order, count);
    if (!range) {
      on.trace({
        atUs: on.nowUs,
        lane: 'outside',
        id: on.id,
        first: order.first,
        last: order.which === 'one' ? order.first : order.last,
      });
      return was;
    }
    const [first, last] = range;
    if (order.kind === 'blinkLights' || order.kind === 'fadeLights') {
      const one = goingOn(order, first, last, on);
      // Told again, a blink goes on as it does; a fade begins anew.
      if (was.going.some((other) => samePace(other, one))) return was;
      const going = { atUs: on.nowUs, lane: 'lightsGoing', id: on.id } as const;
      on.trace(
        one.what === 'blink'
          ? { ...going, first, last, blinkUs: one.periodUs }
          : { ...going, first, last, through: one.through, overUs: one.overUs },
      );
      return sentNow(begun(was, one), on.nowUs);
    }
    const size = last - first + 1;
    const stood = () => restingPicture(was).slice(first, last + 1);
    const now = colours(order, size, stood).map((colour) => asMade(colour, on.prepared.colour));
    const next = painted(was, first, now, on.nowUs);
    if (next.steady === was.steady && next.going.length === was.going.length) return was;
    on.trace({ atUs: on.nowUs, lane: 'lights', id: on.id, first, runs: runsOf(now) });
    return sentNow(next, on.nowUs);
  },
  jobs: (_was, _is, { prepared }) => prepared.sends,
  ...plansNothing,
  /** The chip draws what goes on by itself, picture after picture, and sends the whole chain each time. */
  upkeep: {
    wanted: ({ sends }) => sends.some(({ how }) => how === 'blocking'),
    dueUs: ({ renewUs }) => renewUs,
    done: (was, { nowUs }) => sentNow(settled(was, nowUs), nowUs),
  },
  powerOff(was, on) {
    const count = countOf(was);
    if (lights.loads(was))
      on.trace({ atUs: on.nowUs, lane: 'lights', id: on.id, first: 0, runs: [count, 0] });
  },
  /** Another number of them: those that stay are as they were. */
  adopt(was, dark) {
    const count = countOf(dark);
    if (countOf(was) === count) return was;
    const steady = (was.steady + dark.steady).slice(0, dark.steady.length);
    const going = was.going.flatMap((one) =>
      one.first < count ? [{ ...one, last: Math.min(one.last, count - 1) }] : [],
    );
    return { ...was, steady: steady.length < dark.steady.length ? dark.steady : steady, going };
  },
  later: (was, byUs) =>
    was.going.length === 0
      ? was
      : {
          ...was,
          going: was.going.map((one) => ({ ...one, sinceUs: one.sinceUs + byUs })),
          renewUs: was.renewUs === null ? null : was.renewUs + byUs,
        },
  loads: (was) => was.going.length > 0 || /[^0]/.test(was.steady),
  lit: {
    now: (was, nowUs) => pictureAt(was, nowUs).map((colour) => colour !== 0),
    by(entry) {
      if (entry.lane === 'outside') return [];
      if (entry.lane === 'lights')
        return laidOut(entry.runs).map((colour, n) => [entry.first + n, colour !== 0]);
      const lit = !('through' in entry) || entry.through.some((colour) => colour !== 0);
      return Array.from({ length: entry.last - entry.first + 1 }, (_, n) => [entry.first + n, lit]);
    },
  },
  held: null,
  look: (was) => [runsOf(restingPicture(was)), blinksOf(was)],
});
