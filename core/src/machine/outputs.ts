import type { Effect } from '../flow/index.ts';
import type { Gadget, LightMode } from '../gadget/index.ts';
import { schedule } from '../kernel/index.ts';
import { darkLight, lightLevel } from '../light/index.ts';
import { blankRows } from '../screen/index.ts';
import { soundedHz } from '../sound/index.ts';
import type { CompiledGadget } from './compiled.ts';
import type { MachineState, Shown } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** Everything dark, blank and silent. */
export function darkShown(gadget: Gadget): Shown {
  const of = <T>(kind: string, make: (output: Gadget['outputs'][number]) => T) =>
    Object.fromEntries(
      gadget.outputs.filter((output) => output.kind === kind).map((output) => [output.id, make(output)]),
    );
  return {
    stateId: null,
    variables: Object.fromEntries(gadget.flow.variables.map(({ id, initial }) => [id, initial])),
    lights: of('light', () => darkLight),
    texts: of('text', (output) => (output.kind === 'text' ? blankRows(output) : [])),
    tones: of('tone', () => ({ hz: 0, order: 0 })),
  };
}

/** Being told again changes nothing; a blink or a fade begins anew. */
const steady = ({ mode }: LightMode) => mode === 'on' || mode === 'off';

/** Carries out one effect of the flow, now. What names an output that an edit took away is dropped. */
export function carryOut(
  state: MachineState,
  { tones }: CompiledGadget,
  effect: Effect,
  trace: TraceEntry[],
): void {
  const { shown, nowUs: at } = state;
  switch (effect.kind) {
    case 'rule':
      trace.push({ at, lane: 'rule', id: effect.ruleId, stateId: effect.stateId });
      return;
    case 'state':
      shown.stateId = effect.stateId;
      trace.push({ at, lane: 'state', id: effect.stateId });
      return;
    case 'variable':
      if (shown.variables[effect.variableId] === effect.value) return;
      shown.variables[effect.variableId] = effect.value;
      trace.push({ at, lane: 'variable', id: effect.variableId, value: effect.value });
      return;
    case 'light': {
      const was = shown.lights[effect.outputId];
      if (!was || (was.light.mode === effect.light.mode && steady(was.light))) return;
      const fromPercent = lightLevel(was, at);
      shown.lights[effect.outputId] = { light: effect.light, sinceUs: at, fromPercent };
      trace.push({ at, lane: 'light', id: effect.outputId, light: effect.light, fromPercent });
      return;
    }
    case 'text': {
      const rows = shown.texts[effect.outputId];
      if (!rows || effect.row >= rows.length || rows[effect.row] === effect.text) return;
      rows[effect.row] = effect.text;
      trace.push({ at, lane: 'text', id: effect.outputId, row: effect.row, text: effect.text });
      return;
    }
    case 'tone': {
      const sounder = tones.get(effect.outputId);
      if (!sounder) return;
      const order = sound(state, effect.outputId, soundedHz(sounder, effect.hz), trace);
      if (effect.lengthUs > 0)
        schedule(state.queue, at + effect.lengthUs, { kind: 'hush', outputId: effect.outputId, order });
      return;
    }
    case 'silence':
      sound(state, effect.outputId, 0, trace);
  }
}

/** Changes a sounder's pitch; returns the number of this order. */
function sound(state: MachineState, outputId: string, hz: number, trace: TraceEntry[]): number {
  const tone = state.shown.tones[outputId];
  if (!tone) return -1;
  tone.order += 1;
  if (tone.hz !== hz) {
    tone.hz = hz;
    trace.push({ at: state.nowUs, lane: 'tone', id: outputId, hz });
  }
  return tone.order;
}

/** A tone has lasted its time; nothing happens if another order came since. */
export function hush(state: MachineState, outputId: string, order: number, trace: TraceEntry[]): void {
  if (state.shown.tones[outputId]?.order === order) sound(state, outputId, 0, trace);
}
