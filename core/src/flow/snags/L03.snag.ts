import {
  allRules,
  type Chord,
  type Control,
  type Gadget,
  type Snag,
  type SnagRule,
  type Trigger,
} from '../../gadget/index.ts';
import { beside, nested, outwards, standing } from '../reach.ts';

/** Whether the trigger listens to this control, alone or with others. */
function listensTo(trigger: Trigger, control: Control, chords: readonly Chord[]): boolean {
  switch (trigger.kind) {
    case 'gesture':
    case 'turn':
    case 'crossing':
      return trigger.controlId === control.id;
    case 'chord':
      return chords.some(({ id, controlIds }) => id === trigger.chordId && controlIds.includes(control.id));
    case 'code':
      return control.kind === 'codes' && control.codes.some(({ id }) => id === trigger.codeId);
    case 'any':
      return true;
    default:
      return false;
  }
}

/** Buttons, and whatever else some state listens to: a knob that only sets a value need not be heard. */
function answerable(gadget: Gadget): Control[] {
  const rules = allRules(gadget).map(({ rule }) => rule);
  return gadget.controls.filter(
    (control) =>
      control.kind === 'button' || rules.some(({ trigger }) => listensTo(trigger, control, gadget.chords)),
  );
}

/** A control that the user can work while nothing in the state answers any of its gestures, and not on purpose. */
export const L03: SnagRule = {
  id: 'L03',
  check: (gadget, derived) => {
    const { layers, ignored } = gadget.flow;
    const nesting = nested(gadget, derived);
    const inLayers = new Set(layers.flatMap(({ keys }) => keys.map(({ controlId }) => controlId)));
    const controls = answerable(gadget).filter(({ id }) => !inLayers.has(id));
    return standing(gadget, nesting).flatMap((state): Snag[] => {
      if (state.kind === 'final') return [];
      const around = outwards(nesting, state);
      const heard = [...around, ...beside(gadget, nesting, state)].flatMap(({ rules }) =>
        rules.map(({ trigger }) => trigger),
      );
      const meant = ignored.filter(({ stateId }) => around.some(({ id }) => id === stateId));
      const silent = controls.filter(
        (control) =>
          ![...heard, ...meant.map(({ trigger }) => trigger)].some((trigger) =>
            listensTo(trigger, control, gadget.chords),
          ),
      );
      if (silent.length === 0) return [];
      return [
        {
          rule: 'L03',
          level: 'note',
          place: { kind: 'state', id: state.id },
          values: {
            name: state.name,
            count: silent.length,
            controls: silent.map((control) => control.name).join(', '),
          },
        },
      ];
    });
  },
};
