import {
  isOutputAction,
  leftBy,
  nestingOf,
  type Action,
  type Gadget,
  type State,
} from '../../gadget/index.ts';

const byItself: ReadonlySet<string> = new Set(['after', 'every', 'timer']);
const darkens = (action: Action): boolean => isOutputAction(action) && leftBy(action) === 'dark';
const lights = (action: Action): boolean => isOutputAction(action) && leftBy(action) === 'lit';

/** Entered when time has run out, and dark then: so is a gadget that sleeps, where its maker has not said it. */
function looksAsleep({ flow }: Gadget, state: State): boolean {
  const into = flow.states.flatMap(({ rules }) =>
    rules.filter(({ targetIds }) => targetIds.includes(state.id)),
  );
  return (
    into.length > 0 &&
    into.every(({ trigger, actions }) => {
      const done = [...actions, ...state.entry];
      return byItself.has(trigger.kind) && done.some(darkens) && !done.some(lights);
    })
  );
}

/** States in which the gadget sleeps: as marked, with all in them, or as they look. */
export function sleeping(gadget: Gadget): Set<string> {
  const { states, marks } = gadget.flow;
  const nesting = nestingOf(gadget.flow);
  const marked = marks.filter(({ means }) => means === 'asleep').map(({ placeId }) => placeId);
  const asleep =
    marked.length > 0
      ? states.filter(({ id }) => marked.some((one) => one === id || nesting.isInside(id, one)))
      : states.filter((state) => looksAsleep(gadget, state));
  return new Set(asleep.map(({ id }) => id));
}
