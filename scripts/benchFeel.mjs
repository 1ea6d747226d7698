/** How fast the lab of Feel is: see docs/bench.md. */
import { performance } from 'node:perf_hooks';

const presses = 2_000;
const periodUs = 1_000;
const models = ['dome', 'leaf', 'toggle', 'worn'];
const steps = 40;

/** Forty settings of each algorithm, alike or not: an algorithm with fewer is swept as often. */
function settings360({ algorithms, gridUs }) {
  return algorithms.flatMap(({ id, protecting, defaults }) =>
    gridUs(steps).map((us) => ({
      algorithm: id,
      params: protecting(us, us, periodUs) ?? defaults,
      wholePort: false,
    })),
  );
}

/** @param plainClean the tests' own sample-by-sample reference */
export async function feelRows(row, median, plainClean) {
  const { algorithms, Bench, Clock } = await import('../core/dist/debounce/index.js');
  const { gridUs } = await import('../core/dist/debounce/lab/sweep.js');
  const { tallyOf } = await import('../core/dist/debounce/lab/tally.js');
  const { contactOf, pressTrain } = await import('../core/dist/contact/index.js');
  const { human } = await import('../core/dist/gadget/index.js');
  const settings = settings360({ algorithms, gridUs });
  const clock = new Clock(periodUs);

  const whole = () => {
    const began = performance.now();
    for (const model of models) {
      const bench = new Bench(pressTrain(contactOf(model), human, presses, 1), clock);
      for (const setting of settings) bench.tally(setting);
    }
    return performance.now() - began;
  };
  whole();
  const runs = Array.from({ length: 5 }, whole);
  row(
    `${algorithms.length} algorithms × ${steps} settings × ${models.length} switches × ${presses} presses at 1 ms`,
    `${(median(runs) / 1_000).toFixed(2)} s`,
    '< 1.5 s',
    `presses drawn in it; worst of five ${(Math.max(...runs) / 1_000).toFixed(2)} s`,
  );

  // The plain reference on a tenth of the presses and every fifth setting: reading every turn takes minutes otherwise.
  const fewer = settings.filter((_, n) => n % 5 === 0);
  let [quickMs, plainMs, alike, tried] = [0, 0, 0, 0];
  for (const model of models) {
    const train = pressTrain(contactOf(model), human, presses / 10, 1);
    const endUs = train.upUs.at(-1) + 300_000;
    const bench = new Bench(train, clock);
    for (const setting of fewer) {
      let began = performance.now();
      const quick = bench.tally(setting);
      quickMs += performance.now() - began;
      began = performance.now();
      const clean = plainClean(setting, clock, train.edgeUs, endUs);
      plainMs += performance.now() - began;
      const atUs = Float64Array.from(clean, (edge) => edge.atUs);
      const slow = tallyOf(train, { count: clean.length, atUs }, new Float64Array(train.presses));
      tried += 1;
      if (JSON.stringify(slow) === JSON.stringify(quick)) alike += 1;
    }
  }
  row(
    'the same, reading every turn: time as a multiple of ours',
    `${Math.round(plainMs / quickMs)} ×`,
    '≥ 20 ×',
    `${alike} of ${tried} with identical counts`,
  );
}

/** Computing of one press from finger to meaning, in the machine alone. */
export function pressRow(row, median, Machine, gadget) {
  const machine = new Machine(gadget, 1);
  const times = [];
  for (let press = 0; press < 1_200; press += 1) {
    const atUs = machine.nowUs + 500_000;
    machine.stimulate({ atUs, controlId: 'b1', what: 'down' });
    machine.stimulate({ atUs: atUs + 110_000, controlId: 'b1', what: 'up' });
    machine.advanceTo(atUs - 1);
    machine.takeTrace();
    const began = performance.now();
    machine.advanceTo(atUs + 30_000);
    const meant = machine.takeTrace().some(({ lane }) => lane === 'gesture');
    if (press >= 200 && meant) times.push(performance.now() - began);
    machine.advanceTo(atUs + 400_000);
  }
  row(
    'a press from finger to meaning, computing in the machine',
    `${median(times).toFixed(4)} ms`,
    '< 1 ms',
    `99 %: ${times.toSorted((a, b) => a - b)[Math.floor(times.length * 0.99)].toFixed(3)} ms of ${times.length}`,
  );
}
