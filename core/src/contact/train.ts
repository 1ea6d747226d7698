import type { CapturedPress, ContactFigures, Hands } from '../gadget/index.ts';
import { exactExp, exactLn, normalAt } from '../kernel/index.ts';
import { pressEdges } from './bounce.ts';
import { nextDisturbance } from './disturbance.ts';

/** Many presses of one contact in a row, as a hand makes them, with everything the contact does beside. */
export interface Train {
  presses: number;
  /** When each finger came and went. */
  downUs: Float64Array;
  upUs: Float64Array;
  /** Raw edges, alternating, the first to 1; ascending. */
  edgeUs: Float64Array;
}

/** Channels of chance of a train's lengths and pauses, apart from its contact's. */
const lengthChannel = 0x1e46;
const pauseChannel = 0x9a05;

/** 99 of 100 draws lie above the median divided by e^(2.326 σ). */
const lowestOfHundred = 2.326;

/**
 * Presses as hands make them: lengths log-normal about an ordinary press, the shortest deliberate one being the
 * lowest of a hundred; pauses likewise about the comfortable repeat, never closer than the fastest. Bounce, chatter
 * while held and spikes at any time are the contact's own. The first press comes after one comfortable pause.
 * @param presses how many, >= 1 @param seed any 32-bit integer
 */
export function pressTrain(
  contact: ContactFigures,
  hands: Hands,
  presses: number,
  seed: number,
  captured?: readonly CapturedPress[],
): Train {
  const spread = (typical: number, least: number) => exactLn(typical / least) / lowestOfHundred;
  const { shortestPressUs, ordinaryPressUs, longTapUs, fastestRepeatUs, comfortableRepeatUs } = hands;
  const lengthSigma = spread(ordinaryPressUs, shortestPressUs);
  const repeatSigma = spread(Math.max(comfortableRepeatUs, fastestRepeatUs), fastestRepeatUs);
  const downUs = new Float64Array(presses);
  const upUs = new Float64Array(presses);
  const toggles: number[] = [];
  let atUs = comfortableRepeatUs;
  for (let press = 0; press < presses; press += 1) {
    const drawnUs = ordinaryPressUs * exactExp(lengthSigma * normalAt(seed, lengthChannel, press));
    const heldUs = Math.round(Math.max(shortestPressUs, Math.min(longTapUs, drawnUs)));
    downUs[press] = atUs;
    upUs[press] = atUs + heldUs;
    for (const edge of pressEdges(contact, heldUs, seed, 0, press, captured)) toggles.push(atUs + edge.atUs);
    const repeatUs = comfortableRepeatUs * exactExp(repeatSigma * normalAt(seed, pauseChannel, press));
    const leastPauseUs = Math.max(1, fastestRepeatUs - shortestPressUs);
    atUs += heldUs + Math.round(Math.max(leastPauseUs, repeatUs - heldUs));
  }
  const disturbed = [...toggles, ...chatterOf(contact, seed, downUs, upUs), ...spikesOf(contact, seed, atUs)];
  return { presses, downUs, upUs, edgeUs: edgesOfToggles(Float64Array.from(disturbed)) };
}

/** Chatter runs on the time of holding: where that time falls inside a press, the contact opens for a moment. */
function chatterOf(
  contact: ContactFigures,
  seed: number,
  downUs: Float64Array,
  upUs: Float64Array,
): number[] {
  const toggles: number[] = [];
  let heldBeforeUs = 0;
  let n = 0;
  let next = nextDisturbance(contact, 'chatter', seed, 0, n);
  let dueUs = next?.afterUs ?? Infinity;
  for (let press = 0; press < downUs.length && next; press += 1) {
    const lengthUs = upUs[press]! - downUs[press]!;
    while (next && dueUs < heldBeforeUs + lengthUs) {
      const fromUs = downUs[press]! + (dueUs - heldBeforeUs);
      toggles.push(fromUs, Math.min(upUs[press]!, fromUs + next.lengthUs));
      n += 1;
      dueUs += next.lengthUs;
      next = nextDisturbance(contact, 'chatter', seed, 0, n);
      dueUs += next?.afterUs ?? Infinity;
    }
    heldBeforeUs += lengthUs;
  }
  return toggles;
}

function spikesOf(contact: ContactFigures, seed: number, endUs: number): number[] {
  const toggles: number[] = [];
  let atUs = 0;
  for (let n = 0; ; n += 1) {
    const next = nextDisturbance(contact, 'spike', seed, 0, n);
    if (!next || atUs + next.afterUs > endUs) return toggles;
    toggles.push(atUs + next.afterUs, atUs + next.afterUs + next.lengthUs);
    atUs += next.afterUs + next.lengthUs;
  }
}

/** A level flips with every toggle; two at the same moment leave it. */
function edgesOfToggles(toggles: Float64Array): Float64Array {
  toggles.sort();
  let kept = 0;
  for (let n = 0; n < toggles.length; n += 1) {
    if (toggles[n] === toggles[n + 1]) n += 1;
    else {
      toggles[kept] = toggles[n]!;
      kept += 1;
    }
  }
  return toggles.slice(0, kept);
}
