/** One exploration in a process of its own; prints what it took. */
import { performance } from 'node:perf_hooks';
const { Explorer, emptyGadget, emptyFlow, blankState } = await import('../core/dist/index.js');
const { usualLimits } = await import('../core/dist/explore/explorer.js');

const states = 30;
const number = (id, max) => ({
  id, kind: 'number', name: id, saved: null, initial: 0, min: 0, max, overflow: 'hold', unit: '',
}); // prettier-ignore
const add = (variableId) => [{ kind: 'set', variableId, index: null, value: `${variableId} + 1` }];

/** Two counters that make every state of thirty many. @param trigger of the rule that counts the second */
function chart(trigger, guard) {
  return {
    ...emptyGadget('Bench'),
    flow: {
      ...emptyFlow(),
      variables: [number('v1', 2_000), number('v2', 2_000)],
      initialId: 's1',
      states: Array.from({ length: states }, (_, i) => ({
        ...blankState(),
        id: `s${i + 1}`,
        name: `S${i + 1}`,
        rules: [
          {
            id: `r${i * 2 + 1}`, trigger: { kind: 'after', delay: 1_000 }, guard, actions: add('v1'),
            targetIds: [`s${((i + 1) % states) + 1}`], internal: false,
          },
          ...(trigger
            ? [{
                id: `r${i * 2 + 2}`, trigger, guard: 'v2 < 1500', actions: add('v2'),
                targetIds: [`s${((i + 7) % states) + 1}`], internal: false,
              }]
            : []),
        ],
      })),
    },
  }; // prettier-ignore
}

function walk(gadget, limit) {
  const explorer = new Explorer(gadget, { ...usualLimits, states: limit, edges: limit * 4, work: Infinity });
  const began = performance.now();
  explorer.advance(Infinity);
  const seconds = (performance.now() - began) / 1_000;
  return { explorer, perSecond: explorer.count / seconds };
}

const wide = (max) => {
  const gadget = chart(null, 'v1 < 1000000');
  gadget.flow.variables[0].max = max;
  return gadget;
};
for (let warm = 0; warm < 3; warm += 1) walk(wide(100_000_000), 100_000);
const flat = Array.from({ length: 5 }, () => walk(wide(100_000_000), 300_000)).map(
  ({ perSecond }) => perSecond,
);
const timed = chart({ kind: 'after', delay: 2_000 }, 'v1 < 1500');
const { explorer, perSecond } = walk(timed, 1_000_000);
console.log(
  JSON.stringify({
    perSecond: flat.toSorted((a, b) => a - b)[2],
    timedPerSecond: perSecond,
    states: explorer.count,
    edges: explorer.edgeFrom.length,
    megabytes: Math.round(process.memoryUsage().rss / 1e6),
  }),
);
