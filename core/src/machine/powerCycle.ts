import { idleButton, nothingTogether, unreadKnob, decodeRest } from '../gesture/index.ts';
import { streamAtRest } from '../midi/index.ts';
import type { CompiledGadget } from './compiled.ts';
import { freshReceiver } from './receivers.ts';
import type { MachineState } from './state.ts';

/**
 * What the firmware forgets with the power: all that it has read and made of it. Fingers, contacts, shafts and wipers
 * stay where they are, and are read anew; a wait that was under way is over, and chance begins anew.
 */
export function forgetWithPower(state: MachineState, compiled: CompiledGadget): void {
  const { nowUs } = state;
  for (const [id, { algorithm, control }] of compiled.inputs) {
    const input = state.inputs[id]!;
    Object.assign(input, {
      debounce: algorithm.settled(0, control.debounce.params),
      gesture: idleButton,
      wakeUs: null,
      deafUntilUs: null,
      hidden: false,
      // A key that is held as it comes on is a press to it.
      answered: !input.fingerDown,
      moved: true,
    });
  }
  for (const id of compiled.encoders.keys()) {
    const encoder = state.encoders[id]!;
    Object.assign(encoder, {
      decoder: decodeRest(encoder.a.level, encoder.b.level),
      moved: false,
      pending: 0,
      steps: 0,
      oneWay: 0,
    });
  }
  for (const [id, { control }] of compiled.knobs) {
    const { everyUs } = control.reading;
    Object.assign(state.knobs[id]!, {
      reading: unreadKnob,
      oneWay: 0,
      dueUs: Math.ceil(nowUs / everyUs) * everyUs,
    });
  }
  for (const id of compiled.receivers.keys())
    state.receivers[id] = { ...freshReceiver(), sent: state.receivers[id]!.sent };
  state.together = nothingTogether;
  state.outside = [];
  state.comingIn = {};
  state.midiIn = streamAtRest();
  state.exclusiveIn = [];
  state.blockedFromUs = 0;
  state.blockedUntilUs = 0;
  state.lostTurns = 0;
  state.deafUntilUs = 0;
  state.firstPressUs = null;
  state.poweredUs = nowUs;
  state.powerUps += 1;
}
