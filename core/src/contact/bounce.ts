import type { CapturedPress, ContactFigures, Edge, TouchFigures } from '../gadget/index.ts';
import { exactExp, noiseAt, normalAt, unitAt } from '../kernel/index.ts';
import { touchAnswer } from './touch.ts';

/** Extra pairs in one bounce; at 950 in 1000 for one more, fewer than 1 in 100,000 bounces would want more. */
const maxPairs = 200;
/** Addresses of chance per bounce: two gaps of a pair use 12 each, the decision one; 32 leaves room. */
const addressesPerPair = 32;

/**
 * The edges of one closing or opening. The first is the change itself, at 0; then pairs of edges follow while the
 * draw says so (geometric), each gap log-normal, all within the part's maximum; the last leaves the contact at
 * `level`. Source: `reckoning`, bounce model.
 * @param contact the part's figures
 * @param level 1 closing, 0 opening
 * @param seed of the run
 * @param channel which contact
 * @param index how many changes this contact has made before
 * @param captured real presses to play instead of drawing one; which of them is drawn
 */
export function bounceEdges(
  contact: ContactFigures,
  level: 0 | 1,
  seed: number,
  channel: number,
  index: number,
  captured?: readonly CapturedPress[],
): Edge[] {
  if (captured && captured.length > 0)
    return playedEdges(captured[noiseAt(seed, channel, index >> 1) % captured.length]!, level);
  const edges: Edge[] = [{ atUs: 0, level }];
  const endUs = level === 1 ? contact.closeMaxUs : contact.openMaxUs;
  const other = level === 1 ? 0 : 1;
  const sigma = contact.gapSpreadPerMille / 1_000;
  let atUs = 0;
  for (let pair = 0; pair < maxPairs; pair += 1) {
    const address = (index * maxPairs + pair) * addressesPerPair;
    if (unitAt(seed, channel, address) * 1_000 >= contact.againPerMille) break;
    const gap = (half: 1 | 2) => {
      // normalAt reads 12 addresses from 12·n; offset so that they never meet the decision's address.
      const z = normalAt(seed ^ half, channel, index * maxPairs + pair);
      return Math.max(1, Math.round(contact.gapMedianUs * exactExp(sigma * z)));
    };
    const away = atUs + gap(1);
    const back = away + gap(2);
    if (back > endUs) break;
    edges.push({ atUs: away, level: other }, { atUs: back, level });
    atUs = back;
  }
  return edges;
}

/** One end of a captured press. */
function playedEdges({ closeUs, openUs }: CapturedPress, level: 0 | 1): Edge[] {
  const other = level === 1 ? 0 : 1;
  return (level === 1 ? closeUs : openUs).map((atUs, n) => ({ atUs, level: n % 2 === 0 ? level : other }));
}

/**
 * A whole press: closing bounce, held for `heldUs`, opening bounce. A press shorter than its closing bounce is cut
 * by the opening. Press n uses changes 2n and 2n + 1 of the channel.
 */
export function pressEdges(
  contact: ContactFigures,
  heldUs: number,
  seed: number,
  channel: number,
  press: number,
  captured?: readonly CapturedPress[],
): Edge[] {
  if (contact.touch) return padEdges(contact.touch, heldUs);
  const closing = bounceEdges(contact, 1, seed, channel, 2 * press, captured).filter(
    (edge) => edge.atUs < heldUs,
  );
  const opening = bounceEdges(contact, 0, seed, channel, 2 * press + 1, captured);
  // Let go while bounced open: the contact is open already, so the opening starts with its first return.
  return [
    ...closing,
    ...edgesFrom(closing.at(-1)!.level, opening).map(({ atUs, level }) => ({ atUs: atUs + heldUs, level })),
  ];
}

/** A pad that was calibrated just now: late by its rise, deaf to a touch that is shorter. */
function padEdges(touch: TouchFigures, heldUs: number): Edge[] {
  const answer = touchAnswer(touch, 0);
  if (answer.kind !== 'answers' || answer.closeUs >= heldUs) return [];
  return [
    { atUs: answer.closeUs, level: 1 },
    { atUs: heldUs + answer.openUs, level: 0 },
  ];
}

/** Edges as they change a contact that is at `level` already: a first edge that changes nothing is left out. */
export function edgesFrom(level: 0 | 1, edges: Edge[]): Edge[] {
  return edges[0]?.level === level ? edges.slice(1) : edges;
}
