/**
 * Writes the registries of the core from the files that belong in them, so that adding an algorithm or a snag
 * rule touches one file. `--check` writes nothing and fails where a registry is stale.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

const core = join(dirname(fileURLToPath(import.meta.url)), '..', 'core', 'src');
const outputOrder = [
  'light',
  'text',
  'screen',
  'tone',
  'servo',
  'motor',
  'midi',
  'typist',
  'lights',
  'line',
  'serial',
  'setting',
  'player',
];
const registries = [
  {
    ending: '.algorithm.ts',
    below: 'debounce',
    file: 'debounce/registry.ts',
    name: 'algorithms',
    type: null,
    order: ['none', 'lockout', 'asymmetric', 'stable', 'blocking', 'integrator', 'history', 'vertical', 'rc'],
  },
  {
    ending: '.scheme.ts',
    below: 'scan',
    file: 'scan/registry.ts',
    name: 'schemeList',
    type: null,
    order: ['direct', 'matrix', 'matrixDiodes', 'charlieplex', 'ladder', 'shiftRegister', 'expander'],
  },
  { ending: '.part.ts', below: 'parts', file: 'parts/registry.ts', name: 'partList', type: null },
  { ending: '.board.ts', below: 'wiring', file: 'wiring/boardRegistry.ts', name: 'boardList', type: null },
  {
    ending: '.document.ts',
    below: '',
    file: 'gadget/outputDocuments.ts',
    name: 'outputDocuments',
    type: null,
    order: outputOrder,
  },
  {
    ending: '.output.ts',
    below: '',
    file: 'machine/outputRegistry.ts',
    name: 'outputList',
    type: null,
    order: outputOrder,
  },
  {
    ending: '.expectation.ts',
    below: '',
    file: 'trial/outputExpectations.ts',
    name: 'outputExpectations',
    type: null,
    order: outputOrder,
  },
  {
    ending: '.line.ts',
    below: '',
    file: 'flow/line/outputLines.ts',
    name: 'outputLines',
    type: null,
    order: outputOrder,
  },
  { ending: '.snag.ts', below: '', file: 'snag/registry.ts', name: 'snagRules', type: 'SnagRule' },
];

/** What the web has of each kind of output: one file in the folder of its room, whose exports are named by the kind. */
const web = join(dirname(fileURLToPath(import.meta.url)), '..', 'web', 'src', 'outputs');
const inHand = [
  'text',
  'screen',
  'serial',
  'lights',
  'light',
  'tone',
  'player',
  'servo',
  'motor',
  'line',
  'setting',
  'midi',
  'typist',
];
const tables = [
  // All that one folder exports, laid together.
  { facet: 'told', name: 'told', together: true },
  { facet: 'slots', name: 'slots', together: true },
  { facet: 'offers', name: 'offers', order: ['light', 'lights', 'text', 'screen', 'tone', 'midi'] },
  { facet: 'expectation', name: 'expectations' },
  { facet: 'ExpectationSlots', name: 'expectationSlots' },
  { facet: 'figures', name: 'figures' },
  { facet: 'picture', name: 'pictures', order: inHand },
  // Only of those that can be heard.
  { facet: 'voices', name: 'voices' },
];

/** Named members come in the order of their naming, the others behind them by name. */
const place = (order, id) => (order.indexOf(id) + order.length + 1) % (order.length + 1);
const inOrder = (order) => (a, b) => place(order, a.id) - place(order, b.id) || (a.id < b.id ? -1 : 1);
const head = '// Written by scripts/registries.mjs from the files beside it; do not edit.';

let stale = false;
/** Writes a list, or says that it is stale. */
function write(target, text) {
  let current = '';
  try {
    current = readFileSync(target, 'utf8');
  } catch {
    // Not written yet.
  }
  if (current === text) return;
  if (process.argv.includes('--check')) {
    console.error(`${relative(process.cwd(), target)} is stale: run "node scripts/registries.mjs".`);
    stale = true;
  } else writeFileSync(target, text);
}
const importOf = ({ id, path }) => `import { ${id} } from '${path.startsWith('.') ? path : `./${path}`}';`;

for (const { ending, below, file, name, type, order = [] } of registries) {
  const members = readdirSync(join(core, below), { recursive: true })
    .map(String)
    .filter((path) => path.endsWith(ending))
    .map((path) => ({
      id: path.split('/').at(-1).slice(0, -ending.length),
      path: relative(dirname(join(core, file)), join(core, below, path)),
    }))
    .sort(inOrder(order));
  const typeImport = type ? [`import type { ${type} } from '../gadget/index.ts';`] : [];
  const list = `[${members.map(({ id }) => id).join(', ')}]`;
  const made = `export const ${name}${type ? `: readonly ${type}[]` : ''} = ${list}${type ? '' : ' as const'};`;
  write(join(core, file), [head, ...typeImport, ...members.map(importOf), '', made, ''].join('\n'));
}
for (const { facet, name, together = false, order = outputOrder } of tables) {
  const members = readdirSync(web, { recursive: true })
    .map(String)
    .filter((path) => new RegExp(`^[^/]+/${facet}\\.tsx?$`).test(path))
    .flatMap((path) => {
      const text = readFileSync(join(web, path), 'utf8');
      return [...text.matchAll(/^export (?:const|function) (\w+)/gm)].map(([, id]) => ({ id, path }));
    })
    .sort(inOrder(order));
  const entries = members.map(({ id }) => `  ${together ? '...' : ''}${id},`);
  const made = [`export const ${name} = {`, ...entries, '};'];
  write(join(web, `${name}.table.ts`), [head, ...members.map(importOf), '', ...made, ''].join('\n'));
}
process.exitCode = stale ? 1 : 0;
