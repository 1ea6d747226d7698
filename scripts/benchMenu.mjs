/** A large menu made into states and rules, and what every item costs under every scheme: rows for the bench. */
import { performance } from 'node:perf_hooks';

const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];
const items = 200;

/** Two hundred items: submenus of ten numbers each. */
function largeMenu(core) {
  const variable = (n) => ({
    id: `v${n}`, kind: 'number', name: `value${n}`, saved: null, initial: 5, min: 0, max: 100, overflow: 'hold', unit: '',
  }); // prettier-ignore
  const common = (n, name, parentId) => ({ id: `i${n}`, name, parentId, use: 1 });
  const list = Array.from({ length: items }, (_, n) =>
    n % 10 === 0
      ? { ...common(n + 1, `Group ${n / 10}`, null), kind: 'submenu' }
      : {
          ...common(n + 1, `Value ${n}`, `i${n - (n % 10) + 1}`),
          kind: 'value', variableId: `v${(n % 90) + 1}`, step: 1, low: null, high: null, typical: 40, format: 'plain', wraps: false, live: false,
        },
  ); // prettier-ignore
  let gadget = core.emptyGadget('Bench');
  for (let n = 0; n < 4; n += 1) gadget = core.editGadget(gadget, core.addPartEdit(gadget, 'push-button'));
  gadget = core.editGadget(gadget, core.addPartEdit(gadget, 'graphic-display-two-wire'));
  gadget = core.editGadget(gadget, { name: 'addState', args: ['Settings'] });
  const scheme = core.schemeFor(gadget, 'fourKeys');
  const where = { stateId: 's1', outputId: gadget.outputs[0].id };
  gadget = core.editGadget(gadget, { name: 'addMenu', args: ['Settings', scheme, where] });
  const variables = Array.from({ length: 90 }, (_, n) => variable(n + 1));
  return {
    ...gadget,
    flow: { ...gadget.flow, variables },
    menus: gadget.menus.map((menu) => ({ ...menu, items: list })),
  };
}

/** Milliseconds for all of it, on a document that was not seen before. */
function menuMs(core) {
  const gadget = largeMenu(core);
  const one = () => {
    const fresh = { ...gadget };
    const began = performance.now();
    new core.Machine(fresh, 1);
    core.compareMenuSchemes(fresh, fresh.menus[0]);
    return performance.now() - began;
  };
  for (let warm = 0; warm < 3; warm += 1) one();
  return median(Array.from({ length: 9 }, one));
}

/** @param row takes what was measured */
export async function menuRows(row) {
  const core = await import('../core/dist/index.js');
  row(
    `a menu of ${items} items made ready to play, with presses for every item under all schemes`,
    `${menuMs(core).toFixed(0)} ms`,
    '< 300 ms',
  );
}

if (process.argv[1] === new URL(import.meta.url).pathname)
  await menuRows((what, measured, asked) => console.log(`${what}: ${measured} (asked ${asked})`));
