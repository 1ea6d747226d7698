import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { contactOf, pressEdges } from '../contact/index.ts';
import type { DebounceSetting } from '../gadget/index.ts';
import { noiseAt } from '../kernel/index.ts';
import { algorithmOf, algorithms, defaultSetting } from './index.ts';

const periodUs = 1_000;
const turns = 6_000;

/** Feeds the text line by line of samples, prints the turn and the clean level after each call. */
const harness = `
#include <stdio.h>
#include <string.h>
static char samples[${turns + 2}];
static uint32_t turn;
void wait_us(uint32_t us);
uint32_t read_pins(void);
void wait_us(uint32_t us) { turn += us / ${periodUs}u; }
uint32_t read_pins(void) { return samples[turn] == '1' ? 1u : 0u; }
int main(void) {
  debounce_t d;
  memset(&d, 0, sizeof d);
  if (!fgets(samples, sizeof samples, stdin)) return 1;
  uint32_t n = (uint32_t)strcspn(samples, "\\n");
  printf("%u\\n", (unsigned)sizeof d);
  for (turn = 0; turn + 200 < n; turn++) {
    uint32_t level = debounce_step(&d, read_pins(), turn * ${periodUs}u);
    printf("%u %u\\n", (unsigned)turn, (unsigned)(level & 1u));
  }
  return 0;
}
`;

/** A contact as the loop reads it: presses that bounce, spikes, and stretches of plain chance. */
function sampled(): (0 | 1)[] {
  const samples = Array.from({ length: turns }, (): 0 | 1 => 0);
  let at = 50;
  for (let press = 0; at < turns - 600; press += 1) {
    for (const [n, edge] of pressEdges(contactOf('worn'), 90_000, 5, 0, press).entries())
      for (let turn = at + Math.ceil(edge.atUs / periodUs); turn < at + 200; turn += 1)
        samples[turn] = n % 2 === 0 ? 1 : 0;
    at += 200 + (noiseAt(5, 1, press) % 60);
    if (press % 3 === 0)
      for (let turn = at; turn < at + 60; turn += 1) samples[turn] = (noiseAt(5, 2, turn) & 3) === 0 ? 1 : 0;
    at += 80;
  }
  return samples;
}

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'hum-lever-c-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Sizes and levels of the text, compiled by the system's compiler and run on these samples. */
function runC({ algorithm, params }: DebounceSetting, samples: readonly number[]) {
  const source = join(folder, `${algorithm}.c`);
  const program = join(folder, algorithm);
  writeFileSync(source, algorithmOf(algorithm).c99(params) + harness);
  const strict = ['-std=c99', '-Wall', '-Wextra', '-Werror', '-fpack-struct'];
  execFileSync('gcc', [...strict, '-O1', '-o', program, source], { stdio: 'pipe' });
  const [size, ...lines] = execFileSync(program, { input: `${samples.join('')}\n`, encoding: 'utf8' })
    .trim()
    .split('\n');
  return {
    bytes: Number(size),
    levels: lines.map((line) => line.split(' ').map(Number) as [number, number]),
  };
}

const tried: DebounceSetting[] = algorithms.flatMap(({ id, protecting }) => {
  const other = protecting(15_000, 4_000, periodUs);
  return [defaultSetting(id), ...(other ? [{ algorithm: id, params: other, wholePort: false }] : [])];
});

it.each(tried.map((setting) => [`${setting.algorithm} ${JSON.stringify(setting.params)}`, setting] as const))(
  'the C text of %s compiles without a warning and gives the same levels',
  (_name, setting) => {
    const samples = sampled();
    const { settled, step, cost } = algorithmOf(setting.algorithm);
    const { bytes, levels } = runC(setting, samples);
    expect(levels.length).toBeGreaterThan(1_000);
    let state = settled(0, setting.params);
    const ours = samples.map((level, turn) => {
      state = step(state, { level, atUs: turn * periodUs, turn: turn + 1 }, setting.params);
      return state.level;
    });
    expect(levels.filter(([turn, level]) => ours[turn] !== level)).toEqual([]);
    expect(new Set(levels.map(([, level]) => level)).size).toBe(2);
    expect(bytes).toBeLessThanOrEqual(cost(setting.params).bytes);
  },
);
