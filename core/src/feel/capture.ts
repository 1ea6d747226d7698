import { bounceEdges, undisturbed } from '../contact/index.ts';
import { limits, type CapturedPress, type ContactFigures, type Edge } from '../gadget/index.ts';
import { exactExp, exactLn } from '../kernel/index.ts';

/** A record of one wire: its level at the beginning, and every change after that. Whole µs, ascending. */
export interface WireTrace {
  name: string;
  first: 0 | 1;
  edges: readonly Edge[];
  endUs: number;
}

/** What a record is made of, cut at its quiet stretches. */
export interface CutTrace {
  presses: CapturedPress[];
  /** Lengths of spikes while open, and of breaks while held; µs. */
  spikesUs: number[];
  breaksUs: number[];
  /** Level of the wire while nobody presses. */
  idle: 0 | 1;
  /** How long nobody pressed, and how long someone did. */
  openUs: number;
  heldUs: number;
  /** Presses at the record's ends that are not whole, and such as have more edges than can be kept. */
  left: number;
}

/** Between two changes of a switch it is quiet for longer than this; within a bounce never. */
export const usualQuietUs = 12_000;

/** The level of the wire while nobody presses: at both ends of a record; where they differ, for most of it. */
function idleOf({ first, edges, endUs }: WireTrace): 0 | 1 {
  if ((edges.at(-1)?.level ?? first) === first) return first;
  let level = first;
  let atUs = 0;
  let highUs = 0;
  for (const edge of [...edges, { atUs: endUs, level: first }]) {
    if (level === 1) highUs += edge.atUs - atUs;
    level = edge.level;
    atUs = edge.atUs;
  }
  return highUs * 2 > endUs ? 1 : 0;
}

/**
 * Cuts a record into presses: edges that are closer than the quiet belong to one bounce. A bounce that ends where it
 * began is a spike, or a break of a contact that is held.
 * @param quietUs longer than any bounce, shorter than any press
 */
export function cutTrace(trace: WireTrace, quietUs = usualQuietUs): CutTrace {
  const idle = idleOf(trace);
  const bursts: { edges: Edge[]; before: 0 | 1 }[] = [];
  let level: 0 | 1 = trace.first === idle ? 0 : 1;
  let lastUs = -Infinity;
  for (const { atUs, level: wire } of trace.edges) {
    const closed: 0 | 1 = wire === idle ? 0 : 1;
    if (closed === level) continue;
    if (atUs - lastUs > quietUs) bursts.push({ edges: [], before: level });
    bursts.at(-1)!.edges.push({ atUs, level: closed });
    level = closed;
    lastUs = atUs;
  }
  const cut: CutTrace = { presses: [], spikesUs: [], breaksUs: [], idle, openUs: 0, heldUs: 0, left: 0 };
  let closing: Edge[] | null = null;
  for (const { edges, before } of bursts) {
    const after = edges.at(-1)!.level;
    const lengthUs = edges.at(-1)!.atUs - edges[0]!.atUs;
    if (after === before) (before === 0 ? cut.spikesUs : cut.breaksUs).push(lengthUs);
    else if (after === 1) closing = edges;
    else if (closing === null) cut.left += 1;
    else {
      const press = pressOf(closing, edges);
      if (press) cut.presses.push(press);
      else cut.left += 1;
      cut.heldUs += edges[0]!.atUs - closing[0]!.atUs;
      closing = null;
    }
  }
  if (closing !== null) cut.left += 1;
  cut.openUs = Math.max(0, trace.endUs - cut.heldUs);
  if (cut.presses.length > limits.capturePresses) {
    cut.left += cut.presses.length - limits.capturePresses;
    cut.presses.length = limits.capturePresses;
  }
  return cut;
}

function pressOf(closing: Edge[], opening: Edge[]): CapturedPress | null {
  if (closing.length > limits.captureEdges || opening.length > limits.captureEdges) return null;
  const from = (edges: Edge[]) => edges.map(({ atUs }) => Math.round(atUs - edges[0]!.atUs));
  const heldUs = Math.round(opening[0]!.atUs - closing[0]!.atUs);
  return heldUs < 1 ? null : { heldUs, closeUs: from(closing), openUs: from(opening) };
}

/** How far two samples of a length lie apart, and how far they may by chance (5 in 100). */
export interface Fit {
  /** Largest distance between the two shares of values up to any length (Kolmogorov–Smirnov). */
  distance: number;
  critical: number;
}

export interface Fitted {
  contact: ContactFigures;
  closing: Fit;
  opening: Fit;
}

/** Bounces drawn from the fitted model, to hold against the captured ones. */
const drawn = 2_000;
const fitSeed = 0xf17;

/**
 * The figures of the bounce model that made these presses most likely: again as the share of changes after which one
 * more pair came, gaps by the mean and spread of their logarithms, maxima a little beyond the longest seen.
 * With 100 presses, the chance of one more pair comes out within 0.06, the median gap within 15 %, its spread within
 * 20 %; maxima are never below the longest bounce seen.
 * @throws RangeError without a press
 */
export function fitContact(cut: CutTrace): Fitted {
  const { presses } = cut;
  if (presses.length === 0) throw new RangeError('expected at least one whole press in the record, got none');
  const changes = presses.flatMap(({ closeUs, openUs }) => [closeUs, openUs]);
  const pairs = changes.reduce((sum, edges) => sum + (edges.length - 1) / 2, 0);
  const gaps = changes.flatMap((edges) => edges.slice(1).map((us, n) => Math.max(1, us - edges[n]!)));
  const logs = gaps.map((us) => exactLn(us));
  const mean = logs.reduce((sum, log) => sum + log, 0) / Math.max(1, logs.length);
  const variance = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / Math.max(1, logs.length - 1);
  const longest = (all: readonly (readonly number[])[]) => Math.max(0, ...all.map((edges) => edges.at(-1)!));
  const held = (value: number, least: number, most: number) =>
    Math.max(least, Math.min(most, Math.round(value)));
  const closes = presses.map(({ closeUs }) => closeUs);
  const opens = presses.map(({ openUs }) => openUs);
  const contact: ContactFigures = {
    model: 'captured',
    ...undisturbed,
    closeMaxUs: held(longest(closes) * 1.05, 0, 100_000),
    openMaxUs: held(longest(opens) * 1.05, 0, 100_000),
    againPerMille: held((1_000 * pairs) / (pairs + changes.length), 0, 950),
    gapMedianUs: held(gaps.length === 0 ? 1 : exactExp(mean), 1, 20_000),
    gapSpreadPerMille: held(1_000 * Math.sqrt(variance), 0, 1_500),
    ...(cut.spikesUs.length > 0 && {
      glitchPerHour: held((cut.spikesUs.length * 3_600_000_000) / Math.max(1, cut.openUs), 0, 360_000),
      glitchMaxUs: held(Math.max(...cut.spikesUs), 1, 10_000),
    }),
    ...(cut.breaksUs.length > 0 && {
      chatterPerMinute: held((cut.breaksUs.length * 60_000_000) / Math.max(1, cut.heldUs), 0, 6_000),
      chatterMaxUs: held(Math.max(...cut.breaksUs), 1, 50_000),
    }),
  };
  const fit = (captured: readonly (readonly number[])[], level: 0 | 1) =>
    distanceOf(
      captured.map((edges) => edges.at(-1)!),
      Array.from({ length: drawn }, (_, n) => bounceEdges(contact, level, fitSeed, level, n).at(-1)!.atUs),
    );
  return { contact, closing: fit(closes, 1), opening: fit(opens, 0) };
}

/** Two-sample Kolmogorov–Smirnov distance. Critical value 1.358·√((n+m)/(n·m)). */
export function distanceOf(one: readonly number[], other: readonly number[]): Fit {
  const a = [...one].sort((x, y) => x - y);
  const b = [...other].sort((x, y) => x - y);
  let distance = 0;
  let i = 0;
  let j = 0;
  while (i < a.length && j < b.length) {
    const at = Math.min(a[i]!, b[j]!);
    while (i < a.length && a[i] === at) i += 1;
    while (j < b.length && b[j] === at) j += 1;
    distance = Math.max(distance, Math.abs(i / a.length - j / b.length));
  }
  return { distance, critical: 1.358 * Math.sqrt((a.length + b.length) / (a.length * b.length)) };
}
