import type { CompiledGadget, CompiledInput } from './compiled.ts';
import { pinLevel } from './input.ts';
import type { MachineState } from './state.ts';

/** The timer that these share is stirred by some of them: the others feel it. */
function stir(
  state: MachineState,
  group: readonly CompiledInput[],
  stirs: (input: CompiledInput) => boolean,
): void {
  const stirring = group.filter(stirs);
  for (const { control, algorithm } of group) {
    if (!stirring.some((other) => other.control.id !== control.id)) continue;
    const input = state.inputs[control.id]!;
    input.debounce = algorithm.port!.disturbed(input.debounce, state.nowUs, control.debounce.params);
    input.moved = true;
  }
}

/** Before a turn reads: pins that read otherwise than the last turn did. */
export function stirByReading(state: MachineState, compiled: CompiledGadget): void {
  for (const group of compiled.ports)
    if (group[0]!.algorithm.port?.stirredBy === 'reading')
      stir(state, group, ({ control }) => {
        const input = state.inputs[control.id]!;
        return input.moved && pinLevel(input) !== input.debounce.sample;
      });
}

/** After it: inputs whose clean level has changed, by id. */
export function stirByChange(
  state: MachineState,
  compiled: CompiledGadget,
  changed: readonly string[],
): void {
  for (const group of compiled.ports)
    if (group[0]!.algorithm.port?.stirredBy === 'change')
      stir(state, group, ({ control }) => changed.includes(control.id));
}
