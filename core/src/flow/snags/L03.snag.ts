import type { SnagRule } from '../../gadget/index.ts';

/** A control that the user can work while nothing in the state answers any of its gestures. */
export const L03: SnagRule = {
  id: 'L03',
  check: (gadget) =>
    gadget.flow.states.flatMap(({ id, name, rules }) => {
      const silent = gadget.controls.filter(
        (control) =>
          !rules.some(({ trigger }) => trigger.kind === 'gesture' && trigger.controlId === control.id),
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
    }),
};
