import {
  allActions,
  controlsHeard,
  controlsOf,
  allRules,
  type Action,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';

/** Long enough for a hand to have come to rest. */
const quietUs = 2_000_000;

/** A setting that a hand has made and that is forgotten with the power. What a rule puts to a fixed value is none. */
export const L15: SnagRule = {
  id: 'L15',
  check(gadget) {
    const menu = new Set(
      controlsOf(gadget, 'button').flatMap(({ id, wants }) => (wants.purpose === 'menu' ? [id] : [])),
    );
    const sets = (variableId: string) => (action: Action) =>
      action.kind === 'set' && action.variableId === variableId;
    return gadget.flow.variables.flatMap((variable): Snag[] => {
      if (variable.saved !== null) return [];
      const { id, name } = variable;
      const byHand = allRules(gadget).some(
        ({ rule: { trigger, actions } }) =>
          (('gesture' in trigger &&
            (controlsHeard(gadget, trigger).some((one) => menu.has(one)) || turned(trigger.gesture))) ||
            trigger.kind === 'turn') &&
          actions.some((action) => sets(id)(action) && action.kind === 'set' && mentions(action.value, id)),
      );
      const begunAnew = allActions(gadget).some(
        (action) => action.kind === 'set' && action.variableId === id && !mentions(action.value, id),
      );
      if (!byHand || begunAnew) return [];
      return [
        {
          rule: 'L15',
          level: 'likely',
          place: { kind: 'variable', id },
          values: { name },
          mend: {
            key: 'keepQuiet',
            edit: { name: 'changeVariable', args: [id, { saved: { when: 'quiet', quietUs } }] },
            values: { quietUs },
          },
        },
      ];
    });
  },
};

const turned = (gesture: string) => gesture === 'up' || gesture === 'down';
const mentions = (text: string, id: string) => new RegExp(`\\b${id}\\b`).test(text);
