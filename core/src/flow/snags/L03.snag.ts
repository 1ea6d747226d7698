import {
  allRules,
  type Chord,
  type Control,
  type Gadget,
  type Rule,
  type SnagRule,
} from '../../gadget/index.ts';

/** Whether the rule listens to this control, alone or with others. */
function listensTo({ trigger }: Rule, control: Control, chords: readonly Chord[]): boolean {
  switch (trigger.kind) {
    case 'gesture':
      return trigger.controlId === control.id;
    case 'chord':
      return chords.some(({ id, controlIds }) => id === trigger.chordId && controlIds.includes(control.id));
    case 'code':
      return control.kind === 'codes' && control.codes.some(({ id }) => id === trigger.codeId);
    case 'after':
      return false;
  }
}

/** Buttons, and whatever else some state listens to: a knob that only sets a value need not be heard. */
function answerable(gadget: Gadget): Control[] {
  const rules = allRules(gadget).map(({ rule }) => rule);
  return gadget.controls.filter(
    (control) => control.kind === 'button' || rules.some((rule) => listensTo(rule, control, gadget.chords)),
  );
}

/** A control that the user can work while nothing in the state answers any of its gestures. */
export const L03: SnagRule = {
  id: 'L03',
  check: (gadget) => {
    const controls = answerable(gadget);
    return gadget.flow.states.flatMap(({ id, name, rules }) => {
      const silent = controls.filter(
        (control) => !rules.some((rule) => listensTo(rule, control, gadget.chords)),
      );
      if (silent.length === 0) return [];
      return [
        {
          rule: 'L03',
          level: 'note',
          place: { kind: 'state', id },
          values: { name, count: silent.length, controls: silent.map((control) => control.name).join(', ') },
        },
      ];
    });
  },
};
