/** Speed of the flow: steps against the common general statechart library, the explorer, and rounds of bots. */
import { execFileSync } from 'node:child_process';
import { performance } from 'node:perf_hooks';

/** In a process of its own, as each worker is: what ran before leaves no traces in it. */
const apart = (script) =>
  JSON.parse(
    execFileSync(process.execPath, [new URL(script, import.meta.url).pathname], { encoding: 'utf8' }),
  );

export async function flowRows(row, kettle) {
  const core = await import('../core/dist/index.js');
  const { quiet, loud, library } = apart('benchStep.mjs');
  const millions = (rate) => `${(rate / 1e6).toFixed(2)} million/s`;
  row('compiled step, 30 states with guards, as explored and as bots play', millions(quiet), '≥ 5 million/s');
  row('the same, with all its effects gathered, as played in hand', millions(loud), 'no figure');
  row(
    'compiled step against the common general statechart library',
    `${Math.round(quiet / library)} ×`,
    '≥ 40 ×',
    `with effects ${Math.round(loud / library)} ×; the library ${millions(library)}`,
  );

  const explored = apart('benchExplorer.mjs');
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
