import type { Around } from '../flow/index.ts';
import { valueOf } from '../gesture/index.ts';
import type { CompiledGadget } from './compiled.ts';
import type { MachineState } from './state.ts';

/** Where chance begins: the document says whether alike each time, by the first press, or anew with every run. */
function seedOf(state: Pick<MachineState, 'seed' | 'firstPressUs'>, { gadget }: CompiledGadget): number {
  if (gadget.flow.chance === 'noise') return state.seed;
  return gadget.flow.chance === 'press' && state.firstPressUs !== null ? state.firstPressUs | 0 : 1;
}

/** What the flow can ask of the machine. @param nowUs when it acts */
export function aroundFlow(state: MachineState, compiled: CompiledGadget, nowUs: number): Around {
  return {
    nowUs,
    work: state.work,
    seed: seedOf(state, compiled),
    control: (number) => {
      const control = compiled.gadget.controls[number]!;
      switch (control.kind) {
        case 'button':
          return state.inputs[control.id]!.debounce.level;
        case 'encoder':
          return state.encoders[control.id]!.steps;
        case 'knob': {
          const { step } = state.knobs[control.id]!.reading;
          return step === null ? 0 : valueOf(step, control.reading);
        }
        case 'codes':
          return control.codes.findIndex(({ id }) => id === state.receivers[control.id]!.heard.codeId) + 1;
      }
    },
  };
}
