import { noiseReach, trackShare, wiperCount } from '../contact/index.ts';
import { heldStep, readKnob, refill, unreadKnob, valueOf } from '../gesture/index.ts';
import { spend, worth } from '../kernel/index.ts';
import type { CompiledKnob } from './compiled.ts';
import { loadSupply } from './outputKinds.ts';
import type { KnobInput, MachineState } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** Knobs power up in the middle. */
const restPerMille = 500;

export const freshKnob = (): KnobInput => ({
  fromPerMille: restPerMille,
  toPerMille: restPerMille,
  sinceUs: 0,
  overUs: 0,
  dueUs: 0,
  restedUs: 0,
  reading: unreadKnob,
  oneWay: 0,
});

/** Where it is, in thousandths of the way. */
export function placeOf({ fromPerMille, toPerMille, sinceUs, overUs }: KnobInput, nowUs: number): number {
  const share = overUs === 0 ? 1 : Math.min(1, (nowUs - sinceUs) / overUs);
  return fromPerMille + (toPerMille - fromPerMille) * share;
}

const isMoving = ({ sinceUs, overUs }: KnobInput, nowUs: number) => nowUs < sinceUs + overUs;

/** The hand moves it; an axis that returns is let go by moving it back. */
export function moveKnob(
  state: MachineState,
  compiled: CompiledKnob,
  perMille: number,
  overUs: number,
  trace: TraceEntry[],
): void {
  const { control } = compiled;
  const knob = state.knobs[control.id]!;
  wakeKnob(state, compiled);
  trace.push({ atUs: state.nowUs, lane: 'moved', id: control.id, perMille, overUs });
  knob.fromPerMille = placeOf(knob, state.nowUs);
  knob.toPerMille = perMille;
  knob.sinceUs = state.nowUs;
  knob.overUs = overUs;
}

/**
 * It is read again, at the next time that is due. Called before anything changes for it: what was not read since it came
 * to rest is told to its filter as it was then, so that it reads just as if it had been read all along.
 */
export function wakeKnob(state: MachineState, compiled: CompiledKnob): void {
  const { control } = compiled;
  const { everyUs, readings } = control.reading;
  const knob = state.knobs[control.id]!;
  if (knob.dueUs !== null) return;
  knob.dueUs = Math.ceil(state.nowUs / everyUs) * everyUs;
  const next = knob.dueUs / everyUs;
  const first = Math.max(next - readings, Math.floor(knob.restedUs / everyUs) + 1);
  const counts = Array.from({ length: Math.max(0, next - first) }, (_, n) =>
    countAt(state, compiled, (first + n) * everyUs),
  );
  knob.reading = refill(knob.reading, counts, control.reading);
}

/** Before something is switched that pulls at the supply: knobs are read against it. @returns whether any was woken */
export function wakeForLoad(state: MachineState, knobs: Iterable<CompiledKnob>): boolean {
  let woken = false;
  for (const knob of knobs) {
    if (knob.control.wiper.sagPpm === 0 || state.knobs[knob.control.id]!.dueUs !== null) continue;
    wakeKnob(state, knob);
    woken = true;
  }
  return woken;
}

/** Before the loop stands still: nothing is read meanwhile, and filters must not think so. */
export function wakeForWait(state: MachineState, knobs: Iterable<CompiledKnob>): void {
  for (const knob of knobs) if (knob.control.reading.filter !== 'none') wakeKnob(state, knob);
}

/** What the converter reads then; the number of a reading is that of its time. */
function countAt(state: MachineState, { control, number, taper }: CompiledKnob, atUs: number): number {
  const knob = state.knobs[control.id]!;
  return wiperCount(
    control.wiper,
    taper,
    {
      way: placeOf(knob, atUs) / 1_000,
      moving: isMoving(knob, atUs),
      // What does not give way under load need not know of it.
      loaded: control.wiper.sagPpm > 0 && isLoaded(state),
    },
    state.seed,
    0x3000 + number,
    Math.floor(atUs / control.reading.everyUs),
  );
}

const isLoaded = ({ shown }: MachineState) => loadSupply(shown.outputs);

/**
 * Whether noise alone could ever move the value from where the knob rests: if not, it need not be read until it is
 * moved or something is switched. Noise has an end here, so this is exact.
 */
function couldFlicker(
  { control, taper, straighten }: CompiledKnob,
  knob: KnobInput,
  perMille: number,
  loaded: boolean,
) {
  const { wiper, reading } = control;
  const full = 2 ** wiper.bits;
  const noise = (noiseReach * wiper.noisePpm) / 1_000_000;
  const sag = loaded ? 1 - wiper.sagPpm / 1_000_000 : 1;
  const share = trackShare(taper, perMille / 1_000) * sag;
  const { step } = knob.reading;
  // The value follows the count one way, so that what neither end of the noise moves, nothing between moves either.
  return [share - noise, share + noise].some((at) => {
    const count = Math.max(0, Math.min(full - 1, Math.floor(at * full)));
    return heldStep(step, count, reading, straighten) !== step;
  });
}

/** The same, worked out once for each place and step. */
function isRestless(compiled: CompiledKnob, knob: KnobInput, perMille: number, loaded: boolean): boolean {
  const { restless } = compiled;
  if (restless.perMille !== perMille) {
    restless.perMille = perMille;
    restless.fromStep.clear();
  }
  const key = 2 * knob.reading.step! + (loaded ? 1 : 0);
  const known = restless.fromStep.get(key);
  if (known !== undefined) return known;
  const could = couldFlicker(compiled, knob, perMille, loaded);
  restless.fromStep.set(key, could);
  return could;
}

/**
 * Reads the knob if it is due. Returns how many steps its value moved. The number of a reading is that of its time,
 * so that it reads the same however long nothing was read before.
 */
export function readWiper(state: MachineState, compiled: CompiledKnob, trace: TraceEntry[]): number {
  const { control, straighten } = compiled;
  const knob = state.knobs[control.id]!;
  const { nowUs } = state;
  if (knob.dueUs === null || knob.dueUs > nowUs) return 0;
  spend(state.work, worth.reading);
  const { everyUs, filter, readings } = control.reading;
  const count = countAt(state, compiled, nowUs);
  const { state: reading, moved } = readKnob(knob.reading, count, control.reading, straighten);
  knob.reading = reading;
  if (moved !== 0)
    trace.push({
      atUs: nowUs,
      lane: 'value',
      id: control.id,
      step: reading.step!,
      value: valueOf(reading.step!, control.reading),
      count,
    });
  // A mean or a median knows nothing older than its readings; one that forgets slowly never quite forgets.
  const settledUs = knob.sinceUs + knob.overUs + (filter === 'none' ? 0 : readings * everyUs);
  const forgets = filter !== 'exponential' || control.wiper.noisePpm === 0;
  const loaded = control.wiper.sagPpm > 0 && isLoaded(state);
  const quiet =
    nowUs > settledUs &&
    forgets &&
    !(filter === 'exponential' && isUnderWay(reading, count, readings)) &&
    !isRestless(compiled, knob, placeOf(knob, nowUs), loaded);
  knob.dueUs = quiet ? null : (Math.floor(nowUs / everyUs) + 1) * everyUs;
  if (quiet) knob.restedUs = nowUs;
  return moved;
}

/** Whether one more reading of the same would still change what the filter says. */
const isUnderWay = ({ filtered }: KnobInput['reading'], count: number, readings: number): boolean =>
  Math.trunc((count * 256 - filtered!) / readings) !== 0;
