import type { Around } from '../flow/index.ts';
import { valueOf } from '../gesture/index.ts';
import type { CompiledGadget } from './compiled.ts';
import type { MachineState } from './state.ts';

/** Seeds of one run lie so far apart from power-up to power-up. */
const powerUpsApart = 0x9e37_79b1;

/** Where chance begins: the document says whether alike each time, by the first press, or anew with every power-up. */
function seedOf(
  {
    seed,
    firstPressUs,
    poweredUs,
    powerUps,
  }: Pick<MachineState, 'seed' | 'firstPressUs' | 'poweredUs' | 'powerUps'>,
  { gadget }: CompiledGadget,
): number {
  if (gadget.flow.chance === 'noise') return (seed + Math.imul(powerUps, powerUpsApart)) | 0;
  return gadget.flow.chance === 'press' && firstPressUs !== null ? (firstPressUs - poweredUs) | 0 : 1;
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
