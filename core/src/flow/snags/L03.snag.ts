import {
  allRules,
  controlsHeard,
  heardAs,
  type Control,
  type Gadget,
  type Snag,
  type SnagRule,
  type Trigger,
} from '../../gadget/index.ts';
import { griddedOnce } from '../grid.ts';
import { nested, standing, unfinished } from '../reach.ts';

/** Whether the trigger listens to this control, alone or with others. */
function listensTo(trigger: Trigger, control: Control, gadget: Gadget): boolean {
  const { chords } = gadget;
  switch (trigger.kind) {
    case 'gesture':
    case 'keys':
      return controlsHeard(gadget, trigger).includes(control.id);
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
  const others = heardAs(gadget);
  return gadget.controls.filter(
    (control) =>
      (control.kind === 'button' && !others.has(control.id)) ||
      rules.some(({ trigger }) => listensTo(trigger, control, gadget)),
  );
}

/** A control that the user can work while nothing in the state answers any of its gestures, and not on purpose. */
export const L03: SnagRule = {
  id: 'L03',
  check: (gadget, derived) => {
    const nesting = nested(gadget, derived);
    const blank = unfinished(gadget, derived);
    const stands = new Set(standing(gadget, nesting));
    const { events, rows } = griddedOnce(gadget, derived);
    const columns = answerable(gadget).map((control) => ({
      control,
      at: events.flatMap((event, at) => (listensTo(event, control, gadget) ? [at] : [])),
    }));
    return rows.flatMap(({ state, cells }): Snag[] => {
      if (!stands.has(state) || blank.has(state.id)) return [];
      // What the grid calls open, all of it: the two agree by construction.
      const silent = columns.filter(({ at }) => at.length > 0 && at.every((column) => cells[column]!.open));
      if (silent.length === 0) return [];
      return [
        {
          rule: 'L03',
          level: 'note',
          place: { kind: 'state', id: state.id },
          values: {
            name: state.name,
            count: silent.length,
            controls: silent.map(({ control }) => control.name).join(', '),
          },
        },
      ];
    });
  },
};
