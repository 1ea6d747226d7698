import type { Gadget, SingleEdit, Snag, SnagRule } from '../../gadget/index.ts';
import { explored, innermost, nameOfState, wayBy } from './explored.ts';

/** Stops the timer wherever a state that listens to it is left. */
function stopOnLeaving({ flow }: Gadget, timerId: string): SingleEdit[] {
  return flow.states
    .filter(({ rules }) =>
      rules.some(({ trigger }) => trigger.kind === 'timer' && trigger.timerId === timerId),
    )
    .map(({ id, exit }) => ({
      name: 'changeState',
      args: [id, { exit: [...exit, { kind: 'stop', timerId }] }],
    }));
}

/** A timer that runs on where nothing listens to it: it outlives its purpose, and may surprise a later visit. */
export const L10: SnagRule = {
  id: 'L10',
  check(gadget, derived) {
    if (gadget.flow.timers.length === 0) return [];
    const explorer = explored(gadget, derived);
    const { timerIds, timerEvent, ruleEvent, ruleOwner } = explorer.tables;
    const told = new Set<number>();
    const snags: Snag[] = [];
    for (let id = 0; id < explorer.count && told.size < timerIds.length; id += 1) {
      const { timers, active } = explorer.load(id);
      for (const { what, number } of [...timers]) {
        if (what !== 'timer' || told.has(number)) continue;
        const event = timerEvent[number]!;
        if (ruleEvent.some((wants, rule) => wants === event && active[ruleOwner[rule]!] === 1)) continue;
        told.add(number);
        const timerId = timerIds[number]!;
        const edits = stopOnLeaving(gadget, timerId);
        snags.push({
          rule: 'L10',
          level: 'likely',
          place: { kind: 'state', id: innermost(explorer, id) },
          values: {
            timer: gadget.flow.timers[number]!.name,
            state: nameOfState(gadget, innermost(explorer, id)),
          },
          ...(edits.length > 0 && {
            mend: { key: 'stopOnLeaving', edit: { name: 'several', args: [edits] } },
          }),
          ...wayBy(explorer, derived, explorer.pathTo(id), id),
        });
        explorer.load(id);
      }
    }
    return snags;
  },
};
