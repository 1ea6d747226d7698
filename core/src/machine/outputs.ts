import type { Effect, LightOrder } from '../flow/index.ts';
import { variableSize, variableStart, type Gadget } from '../gadget/index.ts';
import { schedule } from '../kernel/index.ts';
import { darkLight, lightLevel } from '../light/index.ts';
import { blankRows } from '../screen/index.ts';
import { soundedHz } from '../sound/index.ts';
import type { CompiledGadget } from './compiled.ts';
import type { MachineState, Shown } from './state.ts';
import type { TraceEntry } from './trace.ts';

/** So much of what was sent or typed stays to be looked at. */
const sentLines = 8;

/** Everything dark, blank and silent. */
export function darkShown(gadget: Gadget): Shown {
  const of = <T>(kinds: readonly string[], make: (output: Gadget['outputs'][number]) => T) =>
    Object.fromEntries(
      gadget.outputs.filter(({ kind }) => kinds.includes(kind)).map((output) => [output.id, make(output)]),
    );
  return {
    stateIds: [],
    variables: Object.fromEntries(
      gadget.flow.variables.map((variable) => [
        variable.id,
        variable.kind === 'list'
          ? Array<number>(variableSize(variable)).fill(variable.initial)
          : variableStart(variable),
      ]),
    ),
    lights: of(['light'], () => darkLight),
    texts: of(['text'], (output) => (output.kind === 'text' ? blankRows(output) : [])),
    tones: of(['tone'], () => ({ hz: 0, order: 0 })),
    moves: of(['servo', 'motor'], () => 0),
    sent: of(['midi', 'typist'], () => []),
  };
}

/** Being told again changes nothing; a blink, a fade or a pattern begins anew. */
const steady = (was: LightOrder, now: LightOrder) =>
  was.mode === now.mode &&
  (was.mode === 'on' ||
    was.mode === 'off' ||
    (was.mode === 'level' && now.mode === 'level' && was.levelPercent === now.levelPercent));

/** Carries out one effect of the flow, now. What names an output that an edit took away is dropped. */
export function carryOut(
  state: MachineState,
  compiled: CompiledGadget,
  effect: Effect,
  trace: TraceEntry[],
): void {
  const { shown, nowUs: at } = state;
  switch (effect.kind) {
    case 'rule':
      trace.push({ at, lane: 'rule', id: effect.ruleId, stateId: effect.stateId });
      return;
    case 'state':
      shown.stateIds = compiled.nowActive(shown.stateIds, effect.stateId);
      trace.push({ at, lane: 'state', id: effect.stateId });
      return;
    case 'ended':
    case 'saved':
      trace.push({ at, lane: effect.kind });
      return;
    case 'signal':
      trace.push({ at, lane: 'signal', id: effect.signalId });
      return;
    case 'fault':
      trace.push({ at, lane: 'fault', id: effect.stateId, fault: effect.fault });
      return;
    case 'variable':
      return remember(shown, effect, at, trace);
    case 'light': {
      const was = shown.lights[effect.outputId];
      if (!was || steady(was.light, effect.light)) return;
      const fromPercent = lightLevel(was, at);
      shown.lights[effect.outputId] = { ...was, light: effect.light, sinceUs: at, fromPercent };
      trace.push({ at, lane: 'light', id: effect.outputId, light: effect.light, fromPercent });
      return;
    }
    case 'colour': {
      const was = shown.lights[effect.outputId];
      const own = compiled.colours.get(effect.outputId);
      if (!was || own === undefined || (was.colour ?? own) === effect.colour) return;
      shown.lights[effect.outputId] = { ...was, colour: effect.colour };
      trace.push({ at, lane: 'colour', id: effect.outputId, colour: effect.colour });
      return;
    }
    case 'text':
      return writeRow(shown, effect.outputId, effect.row, effect.text, at, trace);
    case 'sprite': {
      const row = shown.texts[effect.outputId]?.[effect.row];
      const output = compiled.gadget.outputs.find(({ id }) => id === effect.outputId);
      if (row === undefined || output?.kind !== 'text') return;
      const text = overlaid(row, effect.column, effect.text, output.columns);
      return writeRow(shown, effect.outputId, effect.row, text, at, trace);
    }
    case 'tone': {
      const sounder = compiled.tones.get(effect.outputId);
      if (!sounder) return;
      const order = sound(state, effect.outputId, soundedHz(sounder, effect.hz), trace);
      if (effect.lengthUs > 0)
        schedule(state.queue, at + effect.lengthUs, { kind: 'hush', outputId: effect.outputId, order });
      return;
    }
    case 'tune':
      return playNote(state, compiled, effect, trace);
    case 'silence':
      sound(state, effect.outputId, 0, trace);
      return;
    case 'midi':
      sent(shown, effect.outputId, effect.bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' '));
      trace.push({ at, lane: 'midi', id: effect.outputId, bytes: effect.bytes });
      return;
    case 'typed':
      sent(shown, effect.outputId, effect.text);
      trace.push({ at, lane: 'typed', id: effect.outputId, text: effect.text });
      return;
    case 'move': {
      const output = compiled.gadget.outputs.find(({ id }) => id === effect.outputId);
      if (output?.kind !== 'servo' && output?.kind !== 'motor') return;
      const most = output.kind === 'servo' ? output.reachDeg : 100;
      const value = Math.min(most, Math.max(0, effect.value));
      if (shown.moves[effect.outputId] === value) return;
      shown.moves[effect.outputId] = value;
      trace.push({ at, lane: 'move', id: effect.outputId, value });
    }
  }
}

function sent(shown: Shown, outputId: string, line: string): void {
  const lines = shown.sent[outputId];
  if (lines) shown.sent[outputId] = [...lines, line].slice(-sentLines);
}

function remember(
  shown: Shown,
  { variableId: id, value, index }: Extract<Effect, { kind: 'variable' }>,
  at: number,
  trace: TraceEntry[],
): void {
  const was = shown.variables[id];
  if (Array.isArray(was)) {
    const place = index ?? 0;
    if (was[place] === value) return;
    shown.variables[id] = was.with(place, value);
    trace.push({ at, lane: 'variable', id, value, index: place });
    return;
  }
  if (was === value) return;
  shown.variables[id] = value;
  trace.push({ at, lane: 'variable', id, value });
}

function writeRow(
  shown: Shown,
  outputId: string,
  row: number,
  text: string,
  at: number,
  trace: TraceEntry[],
): void {
  const rows = shown.texts[outputId];
  if (!rows || row >= rows.length || rows[row] === text) return;
  rows[row] = text;
  trace.push({ at, lane: 'text', id: outputId, row, text });
}

/** A row with characters put over it from a column on; what falls outside is not seen. */
function overlaid(row: string, column: number, text: string, columns: number): string {
  const cells = [...row.padEnd(columns, ' ')];
  [...text].forEach((character, n) => {
    if (column + n >= 0 && column + n < columns) cells[column + n] = character;
  });
  return cells.join('');
}

/** The first note sounds, and the rest is planned behind it; another order to the sounder ends the tune. */
export function playNote(
  state: MachineState,
  compiled: CompiledGadget,
  { outputId, notes }: { outputId: string; notes: readonly { hz: number; lengthUs: number }[] },
  trace: TraceEntry[],
): void {
  const sounder = compiled.tones.get(outputId);
  const [first, ...rest] = notes;
  if (!sounder || !first) return;
  const order = sound(state, outputId, soundedHz(sounder, first.hz), trace);
  const dueUs = state.nowUs + first.lengthUs;
  if (rest.length === 0) schedule(state.queue, dueUs, { kind: 'hush', outputId, order });
  else schedule(state.queue, dueUs, { kind: 'note', outputId, order, notes: rest });
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

/** Whether the sounder has had no other order since. */
export const stillPlays = ({ shown }: MachineState, outputId: string, order: number): boolean =>
  shown.tones[outputId]?.order === order;

/** A tone has lasted its time; nothing happens if another order came since. */
export function hush(state: MachineState, outputId: string, order: number, trace: TraceEntry[]): void {
  if (stillPlays(state, outputId, order)) sound(state, outputId, 0, trace);
}
