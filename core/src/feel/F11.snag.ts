import { controlsOf, partOf, type GestureKind, type Snag, type SnagRule } from '../gadget/index.ts';
import { figuresOf } from '../parts/index.ts';

/** What the rest of the same press can still say after its beginning. */
const later: ReadonlySet<GestureKind> = new Set(['release', 'tap', 'hold', 'heldRelease', 'repeat']);

/** The press that wakes also acts: it leads to a state that answers the rest of the same press. */
export const F11: SnagRule = {
  id: 'F11',
  check: (gadget) =>
    controlsOf(gadget, 'button').flatMap((control) => {
      const part = partOf(gadget, control.id);
      const wakes = control.wants.purpose === 'wake' || (part !== undefined && figuresOf(part).wakes === 1);
      if (!wakes) return [];
      return gadget.flow.states.flatMap(({ rules }) =>
        rules.flatMap(({ id, trigger, targetIds }): Snag[] => {
          if (trigger.kind !== 'gesture' || trigger.controlId !== control.id || trigger.gesture !== 'press')
            return [];
          const target = gadget.flow.states.find((state) => targetIds.includes(state.id));
          const acts = target?.rules.find(
            ({ trigger: next }) =>
              next.kind === 'gesture' && next.controlId === control.id && later.has(next.gesture),
          );
          if (!target || !acts || acts.trigger.kind !== 'gesture') return [];
          return [
            {
              rule: 'F11',
              level: 'likely',
              place: { kind: 'rule', id },
              values: { name: control.name, state: target.name, gesture: acts.trigger.gesture },
              mend: {
                key: 'wakeByTap',
                edit: { name: 'changeRule', args: [id, { trigger: { ...trigger, gesture: 'tap' } }] },
              },
            },
          ];
        }),
      );
    }),
};
