/** Steps of one chart, and the same by the common general statechart library; prints the rates. */
import { performance } from 'node:perf_hooks';
import { createMachine, getNextSnapshot, initialTransition } from 'xstate';
const core = await import('../core/dist/index.js');
const { freshWork } = await import('../core/dist/kernel/index.js');
const { compileFlow, powerUp, stepFlow, eventCodes } = await import('../core/dist/flow/index.js');

const states = 30;
const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];

/** Thirty states; on `go` one of two guarded rules, on `turn` another, on `noise` nothing. */
function gadgetOf({ emptyGadget, emptyFlow, blankState }) {
  const rule = (id, signalId, target, guard, value) => ({
    id,
    trigger: { kind: 'signal', signalId },
    guard,
    actions: value ? [{ kind: 'set', variableId: 'v1', index: null, value }] : [],
    targetIds: target === null ? [] : [`s${(target % states) + 1}`],
    internal: false,
  });
  return {
    ...emptyGadget('Bench'),
    flow: {
      ...emptyFlow(),
      signals: ['go', 'turn', 'noise'].map((name, n) => ({ id: `g${n + 1}`, name })),
      variables: [
        {
          id: 'v1',
          kind: 'number',
          name: 'n',
          saved: null,
          initial: 0,
          min: 0,
          max: 100,
          overflow: 'hold',
          unit: '',
        },
      ],
      initialId: 's1',
      states: Array.from({ length: states }, (_, i) => ({
        ...blankState(),
        id: `s${i + 1}`,
        name: `S${i + 1}`,
        rules: [
          rule(`r${i * 4 + 1}`, 'g1', i + 1, 'v1 < 50', 'v1 + 1'),
          rule(`r${i * 4 + 2}`, 'g1', i + 7, 'v1 >= 50', '0'),
          rule(`r${i * 4 + 3}`, 'g2', i + 11, 'v1 % 2 == 0', null),
          rule(`r${i * 4 + 4}`, 'g2', null, 'v1 % 2 == 1', null),
        ],
      })),
    },
  };
}

/** The same chart as the library wants it. */
function libraryChart() {
  const set =
    (of) =>
    ({ context }) =>
      void (context.n = of(context.n));
  return createMachine({
    context: { n: 0 },
    initial: 'S0',
    states: Object.fromEntries(
      Array.from({ length: states }, (_, i) => [
        `S${i}`,
        {
          on: {
            go: [
              {
                guard: ({ context }) => context.n < 50,
                target: `S${(i + 1) % states}`,
                actions: set((n) => n + 1),
              },
              {
                guard: ({ context }) => context.n >= 50,
                target: `S${(i + 7) % states}`,
                actions: set(() => 0),
              },
            ],
            turn: [
              { guard: ({ context }) => context.n % 2 === 0, target: `S${(i + 11) % states}` },
              { guard: ({ context }) => context.n % 2 === 1 },
            ],
          },
        },
      ]),
    ),
  });
}

/** Pseudo-random events, the same for both. */
function* picks(count) {
  let x = 1;
  for (let n = 0; n < count; n += 1) {
    x = (Math.imul(x, 1_103_515_245) + 12_345) & 0x7fffffff;
    yield (x >> 16) % 3;
  }
}
const rateOf = (count, run) => {
  const began = performance.now();
  run();
  return count / ((performance.now() - began) / 1_000);
};

const gadget = gadgetOf(core);
const { tables } = compileFlow(gadget);
const codes = eventCodes(gadget);
const events = ['g1', 'g2', 'g3'].map((id) => codes.signal(id));
const sequence = Uint8Array.from(picks(1_000_000));
const ours = (quiet) => {
  const around = { nowUs: 0, seed: 1, work: freshWork(), control: () => 0, quiet };
  const { state } = powerUp(tables, around);
  return rateOf(sequence.length, () => {
    // All of it in one moment, which a gadget would not be given.
    around.work.left = 1_000_000_000;
    for (const pick of sequence) stepFlow(tables, state, events[pick], around);
  });
};
const machine = libraryChart();
const told = [{ type: 'go' }, { type: 'turn' }, { type: 'noise' }];
const theirs = () => {
  const some = sequence.subarray(0, 60_000);
  let [snapshot] = initialTransition(machine);
  return rateOf(some.length, () => {
    for (const pick of some) snapshot = getNextSnapshot(machine, snapshot, told[pick]);
  });
};
for (let warm = 0; warm < 3; warm += 1) {
  ours(true);
  ours(false);
  theirs();
}
const quiet = median(Array.from({ length: 7 }, () => ours(true)));
const loud = median(Array.from({ length: 7 }, () => ours(false)));
const library = median(Array.from({ length: 7 }, theirs));
console.log(JSON.stringify({ quiet, loud, library }));
