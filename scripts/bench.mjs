/**
 * Speed and size as ratios and counts; how each is measured stands in docs/bench.md. Prints, and judges nothing: a
 * busy machine is no reason to fail a test.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { deserialize, serialize } from 'node:v8';
import { gzipSync } from 'node:zlib';
import { feelRows, pressRow } from './benchFeel.mjs';
import { dearRows } from './benchDear.mjs';
import { flowRows } from './benchFlow.mjs';
import { firstPressRow, pageRows } from './benchPage.mjs';
import { menuRows } from './benchMenu.mjs';
import { midiRows } from './benchMidi.mjs';
import { screenRows } from './benchScreen.mjs';
import { ensureBrowser } from './browser.mjs';
import { at, build, install } from './common.mjs';

install();
build();
const { Machine, readGadgetText } = await import('../core/dist/index.js');
const { default: ts } = await import('typescript');
const { rolldown } = await import('rolldown');

const read = readGadgetText(readFileSync(at('demo/kettle-keeper/2-at-the-night-market.json'), 'utf8'));
const kettle = read.gadget;
/** The same as it was before its display showed pages. */
const plainKettle = readGadgetText(readFileSync(at('core/src/test/stored/version-7.json'), 'utf8')).gadget;
const median = (values) => values.toSorted((a, b) => a - b)[values.length >> 1];
const spread = (values) => `${Math.min(...values).toFixed(3)} to ${Math.max(...values).toFixed(3)}`;
const rows = [];
const row = (what, measured, asked, note = '') => rows.push({ what, measured, asked, note });

/** Wall milliseconds of a whole hour of the machine, pressing every `everyUs` (0: never). */
function hour(everyUs, gadget = plainKettle) {
  const hourUs = 3_600_000_000;
  const machine = new Machine(gadget, 1);
  let entries = 0;
  const began = performance.now();
  for (let atUs = everyUs; everyUs > 0 && atUs + 110_000 < hourUs; atUs += everyUs) {
    machine.stimulate({ atUs, controlId: 'b1', what: 'down' });
    machine.stimulate({ atUs: atUs + 110_000, controlId: 'b1', what: 'up' });
    machine.advanceTo(atUs + 1_000_000);
    entries += machine.takeTrace().length;
  }
  machine.advanceTo(hourUs);
  entries += machine.takeTrace().length;
  return { ms: performance.now() - began, entries };
}

for (let warm = 0; warm < 3; warm += 1) hour(2_000_000);
const busy = Array.from({ length: 9 }, () => hour(2_000_000));
const idle = Array.from({ length: 9 }, () => hour(0).ms);
const ratios = busy.map(({ ms }) => 3_600_000 / ms);
row(
  'an hour of play, a press every 2 s with bounce: virtual time per wall time',
  `${Math.round(median(ratios))} ×`,
  '≥ 20000 ×',
  `${busy[0].entries} trace entries`,
);
const paged = Array.from({ length: 5 }, () => hour(2_000_000, kettle).ms);
row(
  'the same with three pages on its display, changed tiles sent',
  `${Math.round(3_600_000 / median(paged))} ×`,
  '',
);
row('an idle hour', `${median(idle).toFixed(3)} ms`, '< 5 ms', spread(idle));

// The live machine is the web's, with all that it takes from there.
const folder = at('node_modules/.hum-lever/live');
const bundle = await rolldown({
  input: { live: at('web/src/workers/live.ts'), changes: at('web/src/workers/changes.ts') },
  external: /^@hum-lever\//,
});
await bundle.write({ dir: folder, format: 'esm', entryFileNames: '[name].mjs', cleanDir: true });
await bundle.close();
const { LiveMachine } = await import(`file://${folder}/live.mjs`);
const { withChange } = await import(`file://${folder}/changes.mjs`);

/** Computing time of one press, from the page's message to the page's having the outputs; waiting is not counted. */
function livePresses(count) {
  let nowMs = 0;
  let wake = null;
  let spent = 0;
  let seen = null;
  let trace = [];
  const cross = (message) => deserialize(serialize(message));
  const live = new LiveMachine({
    nowMs: () => nowMs,
    post(report) {
      const arrived = cross(report);
      if (arrived.kind === 'slice') {
        trace.push(...arrived.entries);
        seen = withChange(seen, arrived.seen);
      }
    },
    wakeAfter: (ms, call) => (wake = { atMs: nowMs + ms, call }),
  });
  const timed = (work) => {
    const began = performance.now();
    work();
    spent += performance.now() - began;
  };
  const pass = (ms) => {
    const until = nowMs + ms;
    while (wake && wake.atMs <= until) {
      const { atMs, call } = wake;
      wake = null;
      nowMs = atMs;
      timed(call);
    }
    nowMs = until;
  };
  live.obey({ kind: 'load', gadget: kettle, seed: 1, script: [] });
  const times = [];
  for (let press = 0; press < count; press += 1) {
    const light = JSON.stringify(seen?.shown);
    spent = 0;
    timed(() => live.obey(cross({ kind: 'touch', controlId: 'b1', touch: { what: 'down' }, atMs: nowMs })));
    // Until the outputs of this press have been posted: they come with the clean press, at the next turn.
    for (let turn = 0; turn < 20 && JSON.stringify(seen?.shown) === light; turn += 1) pass(1);
    times.push(spent);
    pass(110);
    live.obey({ kind: 'touch', controlId: 'b1', touch: { what: 'up' }, atMs: nowMs });
    pass(400);
    trace = trace.slice(-1_000);
  }
  return times;
}
livePresses(200);
const live = livePresses(500);
row(
  'live press to posted outputs, page and worker computing together',
  `${median(live).toFixed(3)} ms`,
  '< 2 ms median',
  `99 %: ${live.toSorted((a, b) => a - b)[495].toFixed(3)} ms`,
);

// Boards of 48 pins and gadgets of 40 lines, drawn from a seed; the plain reference is the one that the tests keep.
const transpiled = (from, to) => {
  const { outputText } = ts.transpileModule(readFileSync(at(from), 'utf8'), {
    compilerOptions: {
      module: ts.ModuleKind.ESNext,
      target: ts.ScriptTarget.ES2022,
      verbatimModuleSyntax: true,
    },
  });
  // What stands beside it in the source stands compiled in dist.
  const beside = outputText.replace(
    /'\.\.\/([a-z]+)\/index\.ts'/g,
    `'file://${at('core/dist')}/$1/index.js'`,
  );
  writeFileSync(`${folder}/${to}`, beside);
  return import(`file://${folder}/${to}`);
};
const { backtrack } = await transpiled('core/src/test/backtracking.ts', 'backtracking.mjs');
const { plainClean } = await transpiled('core/src/test/plainDebounce.ts', 'plainDebounce.mjs');
pressRow(row, median, Machine, kettle);
await feelRows(row, median, plainClean);
await flowRows(row, kettle);
await screenRows(row);
await menuRows(row);
await midiRows(row);
const { solve, explain } = await import('../core/dist/wiring/solver/index.js');
const { wiringProblem } = await import('../core/dist/wiring/demands.js');
const { emptyGadget } = await import('../core/dist/gadget/index.js');

/** A small linear congruential generator: the same boards on every machine. */
function dice(seed) {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 4_294_967_296) * below);
  };
}

/** 24 pins to either side: a third analog, half dimming on six timers, three buses, a few traps. */
function board48(seed) {
  const roll = dice(seed);
  const pins = Array.from({ length: 48 }, (_, n) => {
    const can = ['in', 'out', 'pull-up'];
    if (roll(3) === 0) can.push('analog');
    if (roll(2) === 0) can.push(`pwm@T${roll(6)}`);
    if (roll(3) === 0) can.push('edge', 'wake');
    return { name: `Q${n}`, edge: n < 24 ? 'left' : 'right', port: 'ABCDEF'[n >> 3], can };
  });
  const lead = (line, unit) => pins[roll(48)].can.push(`${line}@${unit}`);
  for (const unit of ['W0', 'W1'])
    for (const line of ['sda', 'scl']) for (let n = 0; n < 3; n += 1) lead(line, unit);
  for (const unit of ['S0', 'S1'])
    for (const line of ['mosi', 'miso', 'sck']) for (let n = 0; n < 2; n += 1) lead(line, unit);
  for (const unit of ['U0', 'U1', 'U2'])
    for (const line of ['tx', 'rx']) for (let n = 0; n < 2; n += 1) lead(line, unit);
  pins[0].can.push('upload');
  pins[1].can.push('upload', 'console');
  return {
    id: 'bench-48',
    name: 'Bench',
    note: '',
    logicMv: 5_000,
    pinMaxUa: 20_000,
    portMaxUa: 60_000,
    allPinsMaxUa: 200_000,
    railMaxUa: 1_000_000,
    ownUa: 10_000,
    adcBits: 10,
    clockHz: 16_000_000,
    flashBytes: 1,
    ramBytes: 1,
    settingsBytes: 1,
    usb: 'serial',
    toneTimers: ['T0', 'T1'],
    servoTimers: ['T2', 'T3'],
    priceCents: 0,
    pins,
  };
}

/** 40 lines: keys, encoders, lights that fade and that do not, knobs, a tone, a servo, buses. */
function gadget40(extra = []) {
  const kinds = [
    ...Array(10).fill(['push-button', {}]),
    ...Array(2).fill(['encoder', { interrupts: 1 }]),
    ...Array(6).fill(['light', {}]),
    ...Array(3).fill(['light', { fades: 1 }]),
    ...Array(5).fill(['potentiometer', {}]),
    ['piezo', {}],
    ['servo', {}],
    ['graphic-display-spi', {}],
    ['settings-memory', {}],
    ['midi-out', {}],
    ['midi-in', {}],
    ['push-button', { wakes: 1 }],
    ['push-button', { wakes: 1 }],
    ...extra,
  ];
  const parts = kinds.map(([kind, figures], n) => ({
    id: `p${n + 1}`,
    kind,
    own: null,
    name: kind,
    figures,
    priceCents: null,
    quantity: 1,
    have: 0,
    plays: [],
  }));
  return { ...emptyGadget('Bench'), parts };
}
const timedMs = (work) => {
  const began = performance.now();
  const result = work();
  return { ms: performance.now() - began, result };
};
const capMs = 3_000;
const capped = () => {
  const end = performance.now() + capMs;
  let steps = 0;
  return () => (++steps & 1_023) === 0 && performance.now() > end;
};
const solved = [];
const impossible = [];
for (let seed = 1; seed <= 60; seed += 1) {
  const problem = wiringProblem(gadget40(), board48(seed));
  const { ms, result } = timedMs(() => solve(problem));
  if (result.outcome === 'solved') solved.push({ seed, ms, result, problem });
  // Eighteen knobs more than there are converters, among everything else.
  const over = wiringProblem(gadget40(Array(18).fill(['potentiometer', {}])), board48(seed));
  const why = timedMs(() => (solve(over).outcome === 'impossible' ? explain(over) : null));
  if (why.result) impossible.push({ ms: why.ms, result: why.result });
}
const lines = solved[0].problem.demands.length;
const gaps = solved.map(({ result }) => 1 - result.bound / result.cost);
row(
  `${lines} lines on 48 pins, ${solved.length} boards: time to the optimum`,
  `${median(solved.map(({ ms }) => ms)).toFixed(1)} ms`,
  '< 100 ms median',
  `worst ${Math.max(...solved.map(({ ms }) => ms)).toFixed(1)} ms; ${gaps.filter((gap) => gap === 0).length} proven, widest gap ${(100 * Math.max(...gaps)).toFixed(2)} %`,
);
row(
  `impossible, ${impossible.length} boards: time to a smallest set`,
  `${median(impossible.map(({ ms }) => ms)).toFixed(1)} ms`,
  '< 500 ms',
  `worst ${Math.max(...impossible.map(({ ms }) => ms)).toFixed(1)} ms; ${impossible.filter(({ result }) => result.minimal).length} proven minimal`,
);
const rivals = solved.slice(0, 4).map(({ ms, result, problem }) => {
  const plain = timedMs(() => backtrack(problem, capped()));
  return {
    ratio: plain.ms / ms,
    finished: plain.result.finished,
    cost: plain.result.cost,
    ours: result.cost,
  };
});
row(
  'plain backtracking on four of them, time as a multiple of ours',
  `≥ ${Math.round(median(rivals.map(({ ratio }) => ratio)))} ×`,
  '≥ 50 ×',
  `stopped after ${capMs / 1_000} s; ${rivals.filter(({ finished }) => finished).length} finished; its best so far costs ${rivals.map(({ cost, ours }) => (cost === null ? 'nothing found' : `${(cost / ours).toFixed(2)} ×`)).join(', ')}`,
);
let [same, small] = [0, 0];
for (let seed = 1; seed <= 200; seed += 1) {
  const board = board48(seed);
  const problem = wiringProblem(
    { ...gadget40(), parts: gadget40().parts.slice(9, 15) },
    { ...board, id: `s${seed}`, pins: board.pins.slice(0, 9) },
  );
  const [ours, plain] = [solve(problem), backtrack(problem)];
  small += 1;
  if (ours.outcome === 'solved' ? ours.cost === plain.cost : plain.cost === null) same += 1;
}
row(`small cases where both agree on the cost`, `${same} of ${small}`, 'all');

/** Everything that the address of the first sheet needs, without fonts, as the server would send it compressed. */
const dist = at('web/dist');
const manifest = JSON.parse(readFileSync(`${dist}/.vite/manifest.json`, 'utf8'));
const gz = (file) => gzipSync(readFileSync(`${dist}/${file}`)).length;
/** As it crosses the wire to a browser: the file beside it that was compressed at the build. */
const wire = (file) => readFileSync(`${dist}/${file}${existsSync(`${dist}/${file}.br`) ? '.br' : ''}`).length;
function filesOf(entries) {
  const files = new Set();
  const add = (key) => {
    const chunk = manifest[key];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    (chunk.css ?? []).forEach((file) => files.add(file));
    (chunk.imports ?? []).forEach(add);
  };
  entries.forEach(add);
  return files;
}
const assets = Object.values(manifest).flatMap(({ file, assets = [] }) => [file, ...assets]);
const code = readFileSync(`${dist}/index.html`, 'utf8');
const worker = (name) =>
  [...new Set([...assets, ...listAssets()])].find((file) => file.includes(`${name}.worker`));
function listAssets() {
  return [...filesOf(Object.keys(manifest))].flatMap((file) =>
    existsSync(`${dist}/${file}`)
      ? [...readFileSync(`${dist}/${file}`, 'utf8').matchAll(/assets\/[\w.-]+\.js/g)].map(([name]) => name)
      : [],
  );
}
const shell = ['index.html', 'src/app/Workshop.tsx', 'src/app/SheetPage.tsx'];
const first = filesOf([...shell, 'src/sheets/flow/index.ts']);
const kb = (bytes) => `${(bytes / 1_000).toFixed(1)} kB`;
const sum = (files) => [...files].reduce((total, file) => total + gz(file), gzipSync(code).length);
const machineWorker = worker('machine');
row('first load: shell and first sheet, gzipped, fonts aside', kb(sum(first)), '< 300 kB');
row(
  '… as it crosses the wire',
  kb([...first].reduce((total, file) => total + wire(file), wire('index.html'))),
  '',
  'compressed at the build',
);
row('… with the machine’s worker', kb(sum(first) + gz(machineWorker)), '', 'loaded beside it');
for (const sheet of ['brief', 'parts', 'wiring', 'feel', 'flow', 'trials']) {
  const own = [...filesOf([...shell, `src/sheets/${sheet}/index.ts`])].filter(
    (file) => !filesOf(shell).has(file),
  );
  row(`sheet ${sheet} on its own`, kb(own.reduce((total, file) => total + gz(file), 0)), '');
}

for (const [what, measured, note] of await dearRows()) row(what, measured, '', note);

ensureBrowser();
for (const one of await pageRows({ seconds: 30 })) rows.push(one);
rows.push(await firstPressRow());

const wide = Math.max(...rows.map(({ what }) => what.length));
for (const { what, measured, asked, note } of rows)
  console.log(`${what.padEnd(wide)}  ${measured.padStart(12)}  ${asked.padEnd(14)}  ${note}`);
