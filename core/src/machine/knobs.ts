import { noiseReach, trackShare, wiperCount } from '../contact/index.ts';
import { heldStep, readKnob, unreadKnob, valueOf } from '../gesture/index.ts';
import { spend, worth } from '../kernel/index.ts';
import type { CompiledKnob } from './compiled.ts';
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
  { control }: CompiledKnob,
  perMille: number,
  overUs: number,
  trace: TraceEntry[],
): void {
  const knob = state.knobs[control.id]!;
  trace.push({ at: state.nowUs, lane: 'moved', id: control.id, perMille, overUs });
  knob.fromPerMille = placeOf(knob, state.nowUs);
  knob.toPerMille = perMille;
  knob.sinceUs = state.nowUs;
  knob.overUs = overUs;
  wakeKnob(state, control.id, control.reading.everyUs);
}

/** It is read again, at the next time that is due. */
export function wakeKnob(state: MachineState, id: string, everyUs: number): void {
  const knob = state.knobs[id]!;
  knob.dueUs ??= Math.ceil(state.nowUs / everyUs) * everyUs;
}

const isLoaded = ({ shown }: MachineState) =>
  Object.values(shown.tones).some(({ hz }) => hz > 0) ||
  Object.values(shown.lights).some(({ light }) => light.mode !== 'off');

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

/** Filters need so many readings to settle at a rest. */
const settleReadings = { none: 0, mean: 1, median: 1, exponential: 12 } as const;

/**
 * Reads the knob if it is due. Returns how many steps its value moved. The number of a reading is that of its time,
 * so that it reads the same however long nothing was read before.
 */
export function readWiper(state: MachineState, compiled: CompiledKnob, trace: TraceEntry[]): number {
  const { control, number, taper, straighten } = compiled;
  const knob = state.knobs[control.id]!;
  const { nowUs } = state;
  if (knob.dueUs === null || knob.dueUs > nowUs) return 0;
  spend(state.work, worth.reading);
  const { everyUs, filter, readings } = control.reading;
  const perMille = placeOf(knob, nowUs);
  const moving = isMoving(knob, nowUs);
  // What does not give way under load need not know of it.
  const loaded = control.wiper.sagPpm > 0 && isLoaded(state);
  const count = wiperCount(
    control.wiper,
    taper,
    { way: perMille / 1_000, moving, loaded },
    state.seed,
    0x3000 + number,
    Math.floor(nowUs / everyUs),
  );
  const { state: reading, moved } = readKnob(knob.reading, count, control.reading, straighten);
  knob.reading = reading;
  if (moved !== 0)
    trace.push({
      at: nowUs,
      lane: 'value',
      id: control.id,
      step: reading.step!,
      value: valueOf(reading.step!, control.reading),
      count,
    });
  const settledUs = knob.sinceUs + knob.overUs + settleReadings[filter] * readings * everyUs;
  // From rest on the whole way is quiet or it is not: bands, curve and filter only narrow what noise can do.
  const quiet = nowUs > settledUs && !isRestless(compiled, knob, perMille, loaded);
  knob.dueUs = quiet ? null : (Math.floor(nowUs / everyUs) + 1) * everyUs;
  return moved;
}
