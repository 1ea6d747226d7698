/** Speed of the flow: steps against the common general statechart library, the explorer, and rounds of bots. */
import { execFileSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';
import { createMachine, getNextSnapshot, initialTransition } from 'xstate';

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

export async function flowRows(row, kettle) {
  const core = await import('../core/dist/index.js');
  const { compileFlow, powerUp, stepFlow, eventCodes } = await import('../core/dist/flow/index.js');
  const gadget = gadgetOf(core);
  const { tables } = compileFlow(gadget);
  const codes = eventCodes(gadget);
  const events = ['g1', 'g2', 'g3'].map((id) => codes.signal(id));
  const sequence = Uint8Array.from(picks(1_000_000));
  const ours = (quiet) => {
    const around = { nowUs: 0, seed: 1, control: () => 0, quiet };
    const { state } = powerUp(tables, around);
    return rateOf(sequence.length, () => {
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
  const millions = (rate) => `${(rate / 1e6).toFixed(2)} million/s`;
  row('compiled step, 30 states with guards, as explored and as bots play', millions(quiet), '≥ 5 million/s');
  row('the same, with all its effects gathered, as played in hand', millions(loud), 'no figure');
  row(
    'compiled step against the common general statechart library',
    `${Math.round(quiet / library)} ×`,
    '≥ 40 ×',
    `with effects ${Math.round(loud / library)} ×; the library ${millions(library)}`,
  );

  // In a process of its own, so that its memory is its own.
  const explored = JSON.parse(
    execFileSync(process.execPath, [new URL('benchExplorer.mjs', import.meta.url).pathname], {
      encoding: 'utf8',
    }),
  );
  row(
    'explorer, flat chart of 30 states with two counters, one move each: states walked per second',
    `${Math.round(explored.perSecond / 1_000)} thousand/s`,
    '≥ 500 thousand/s',
    `${explored.edges} edges; with two timers in each state ${Math.round(explored.timedPerSecond / 1_000)} thousand/s`,
  );
  row(
    'a million states: memory of the whole process',
    `${explored.megabytes} MB`,
    '≤ 512 MB',
    `${explored.states} states`,
  );

  const named = (name) => kettle.flow.states.find((state) => state.name === name).id;
  const heat = kettle.flow.variables.find(({ name }) => name === 'heat').id;
  const stir = kettle.controls.find(({ kind }) => kind === 'button').id;
  const contest = {
    opening: [{ controlId: stir, what: 'tap' }],
    endStateIds: ['Boiled over', 'Gone cold', 'Well kept'].map(named),
    scoreId: null,
    limitUs: 120_000_000,
  };
  const bot = { kind: 'policy', lines: [{ when: `${heat} > 80`, controlId: stir, what: 'tap' }] };
  const arena = new core.Arena(kettle, contest, bot);
  for (let seed = 1; seed <= 500; seed += 1) arena.play(seed);
  const began = performance.now();
  for (let seed = 1; seed <= 10_000; seed += 1) arena.play(seed);
  row(
    '10,000 rounds of the Kettle Keeper bot',
    `${((performance.now() - began) / 1_000).toFixed(2)} s`,
    '< 10 s',
  );
}
