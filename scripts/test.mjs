/** Everything that must hold: registries, types, lint and plan of the house, units, API, browser. */
import { at, build, checkedTypes, install, lanes, run, tool } from './common.mjs';

install();
const { ensureBrowser, ensureCompiler } = await import('./browser.mjs');
ensureBrowser();
ensureCompiler();

const step = (name) => console.log(`\n── ${name}`);
step('registries');
run(process.execPath, [at('scripts/registries.mjs'), '--check']);
step('licences');
run(process.execPath, [at('scripts/licences.mjs'), '--check']);
step('build');
build();
step('types, lint, format, plan of the house');
await lanes(
  checkedTypes,
  [['prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']],
  [
    ['eslint/bin/eslint.js', '.', '--max-warnings', '0'],
    [
      'dependency-cruiser/bin/dependency-cruise.mjs',
      '--config',
      '.dependency-cruiser.cjs',
      'core/src',
      'server/src',
      'web/src',
    ],
  ],
);
const given = process.argv.slice(2);
if (given.length > 0) {
  step('what was asked for');
  tool('jest/bin/jest.js', ...given);
} else {
  step('units and API');
  tool('jest/bin/jest.js', '--selectProjects', 'core', 'server', 'web');
  // By itself: what computes would starve a browser on two cores, and real presses would grow into holds.
  step('browser');
  tool('jest/bin/jest.js', '--selectProjects', 'e2e');
}
