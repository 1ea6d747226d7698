import type { CompiledGadget, CompiledInput } from './compiled.ts';
import { pinLevel } from './input.ts';
import type { MachineState } from './state.ts';

/** Inputs that share one timer with others, those of one algorithm together. */
function ports({ inputs }: CompiledGadget): CompiledInput[][] {
  const sharing = [...inputs.values()].filter(({ control }) => control.debounce.wholePort);
  const groups = new Map<string, CompiledInput[]>();
  for (const input of sharing) {
    const { id } = input.algorithm;
    groups.set(id, [...(groups.get(id) ?? []), input]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

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
  for (const group of ports(compiled))
    if (group[0]!.algorithm.port?.stirredBy === 'reading')
      stir(state, group, ({ control }) => {
        const input = state.inputs[control.id]!;
        return input.moved && pinLevel(input) !== input.debounce.sample;
      });
}

/** After it: inputs whose clean level has changed. */
export function stirByChange(
  state: MachineState,
  compiled: CompiledGadget,
  changed: ReadonlySet<string>,
): void {
  if (changed.size === 0) return;
  for (const group of ports(compiled))
    if (group[0]!.algorithm.port?.stirredBy === 'change')
      stir(state, group, ({ control }) => changed.has(control.id));
}
