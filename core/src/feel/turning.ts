import { bounceEdges, changingChannel, channelsAt, countTimesUs, edgesFrom } from '../contact/index.ts';
import { Clock } from '../debounce/index.ts';
import type { Encoder, Gadget } from '../gadget/index.ts';
import { decodeRest, feedChannels, stepsPerTurn } from '../gesture/index.ts';
import { encoderPart, type EncoderPart } from '../parts/index.ts';
import { labSeed } from './presses.ts';

/** One change of one of the two channels. */
interface ChannelEdge {
  atUs: number;
  channel: 'a' | 'b';
  level: 0 | 1;
}

/** Both channels through one even turn, bounce and all; a channel that changes again has done with its bounce. */
function turnEdges({ contact }: Encoder, counts: number, overUs: number, seed: number): ChannelEdge[] {
  const by = counts < 0 ? -1 : 1;
  const own: Record<'a' | 'b', ChannelEdge[]> = { a: [], b: [] };
  const changes = { a: 0, b: 0 };
  countTimesUs(Math.abs(counts), overUs).forEach((us, n) => {
    const channel = changingChannel(n * by, (n + 1) * by);
    const edges = own[channel];
    while (edges.length > 0 && edges.at(-1)!.atUs >= us) edges.pop();
    const level = channelsAt((n + 1) * by)[channel];
    const bounce = bounceEdges(contact, level, seed, channel === 'a' ? 0 : 1, changes[channel]);
    for (const edge of edgesFrom(edges.at(-1)?.level ?? 0, bounce))
      edges.push({ atUs: us + edge.atUs, channel, level: edge.level });
    changes[channel] += 1;
  });
  return [...own.a, ...own.b].sort((a, b) => a.atUs - b.atUs);
}

export interface Turned {
  /** Steps that a perfect reading would have made, and those that were made; backwards negative. */
  expected: number;
  steps: number;
  /** Readings that found both channels changed, and so counted nothing. */
  skipped: number;
  /** Steps against the way of turning. */
  wrongWay: number;
}

/**
 * One whole turn of an encoder at a speed, as the loop reads it, without acceleration. Cost follows edges.
 * @param turnUs for the whole turn @param back anticlockwise
 */
export function tryTurn(
  encoder: Encoder,
  { detents, countsPerDetent, interrupts }: EncoderPart,
  periodUs: number,
  turnUs: number,
  { back = false, seed = labSeed }: { back?: boolean; seed?: number } = {},
): Turned {
  const reading = { ...encoder.reading, faster: null };
  const sign = back ? -1 : 1;
  const counts = detents * countsPerDetent;
  const edges = turnEdges(encoder, sign * counts, turnUs, seed);
  const clock = new Clock(periodUs);
  const levels: { a: 0 | 1; b: 0 | 1 } = { a: 0, b: 0 };
  let state = decodeRest(0, 0);
  const turned = { steps: 0, skipped: 0, wrongWay: 0 };
  const towards = reading.reversed ? -sign : sign;
  const read = (atUs: number) => {
    const { state: next, steps, skipped } = feedChannels(state, levels.a, levels.b, atUs, reading);
    state = next;
    turned.steps += steps;
    if (skipped) turned.skipped += 1;
    if (steps * towards < 0) turned.wrongWay += Math.abs(steps);
  };
  edges.forEach(({ atUs, channel, level }, n) => {
    levels[channel] = level;
    const seenUs = interrupts ? atUs : clock.atUs(clock.turnFrom(atUs));
    const next = edges[n + 1];
    if (interrupts || next === undefined || next.atUs > seenUs) read(seenUs);
  });
  return { expected: towards * Math.trunc(counts / reading.countsPerStep), ...turned };
}

/** How a speed fares: steps lost of those expected, over several turns both ways. */
export interface SpeedRow {
  turnUs: number;
  countsPerSecond: number;
  /** Readings must come at least so often; with bounce oftener. */
  neededPeriodUs: number;
  expected: number;
  lost: number;
  extra: number;
  wrongWay: number;
  /** Steps of one turn with what acceleration makes of them. */
  stepsPerTurn: number;
}

const turnsTried = 8;

/** Each count has to be seen: `reckoning`, encoder. @returns whole µs, rounded down */
export function neededPeriodUs({ detents, countsPerDetent }: EncoderPart, turnUs: number): number {
  return Math.floor(turnUs / (detents * countsPerDetent));
}

export function speedRow(encoder: Encoder, part: EncoderPart, periodUs: number, turnUs: number): SpeedRow {
  const counts = part.detents * part.countsPerDetent;
  const sums = { expected: 0, lost: 0, extra: 0, wrongWay: 0 };
  for (let turn = 0; turn < turnsTried; turn += 1) {
    const { expected, steps, wrongWay } = tryTurn(encoder, part, periodUs, turnUs, {
      back: turn % 2 === 1,
      seed: labSeed + turn,
    });
    const towards = Math.sign(expected) * steps;
    sums.expected += Math.abs(expected);
    sums.lost += Math.max(0, Math.abs(expected) - towards);
    sums.extra += Math.max(0, towards - Math.abs(expected));
    sums.wrongWay += wrongWay;
  }
  return {
    turnUs,
    countsPerSecond: (counts * 1_000_000) / turnUs,
    neededPeriodUs: neededPeriodUs(part, turnUs),
    ...sums,
    stepsPerTurn: stepsPerTurn(encoder.reading, part.detents, part.countsPerDetent, turnUs),
  };
}

/** Speeds from leisurely to twice the quickest of these hands. */
export function speedsOf(quickTurnUs: number): number[] {
  return [16, 8, 4, 2, 1, 0.5].map((share) => Math.round(quickTurnUs * share));
}

/** Readings twice as often as counts come leave room for bounce. */
const room = 2;
export const shortestPeriodUs = 50;

/** A period of the loop at which a turn of that speed is read in time. */
export function periodInTimeUs(part: EncoderPart, turnUs: number): number {
  return Math.max(shortestPeriodUs, Math.floor(neededPeriodUs(part, turnUs) / room));
}

/** By the table, each click one step; a part of three counts a click has no step that fits it. */
export function stepPerClick(
  reading: Encoder['reading'],
  { countsPerDetent }: EncoderPart,
): Encoder['reading'] {
  const countsPerStep =
    ([1, 2, 4] as const).find((counts) => counts === countsPerDetent) ?? reading.countsPerStep;
  return { ...reading, method: 'table', countsPerStep };
}

export interface EncoderAdvice {
  part: EncoderPart;
  reading: Encoder['reading'];
  /** The loop reads in time with this, and does already where it turns no slower. */
  periodUs: number;
  /** A count comes so often in the quickest turn. */
  countUs: number;
  fits: boolean;
  inTime: boolean;
}

/** What to set for an encoder, for these hands and this loop. */
export function adviseEncoder(
  gadget: Pick<Gadget, 'parts' | 'hands' | 'loop'>,
  { id, reading }: Pick<Encoder, 'id' | 'reading'>,
): EncoderAdvice {
  const part = encoderPart(gadget, id);
  const { quickTurnUs } = gadget.hands;
  const wanted = stepPerClick(reading, part);
  const countUs = neededPeriodUs(part, quickTurnUs);
  return {
    part,
    reading: wanted,
    periodUs: periodInTimeUs(part, quickTurnUs),
    countUs,
    fits: reading.method === wanted.method && reading.countsPerStep === wanted.countsPerStep,
    inTime: part.interrupts || gadget.loop.periodUs * room <= countUs,
  };
}
