/**
 * What is installed, and under which licences: writes docs/licences.md, or with --check says what is wrong. Fails on a
 * licence that is not on the list below, on packages that want another Node than the README says, that report home, or
 * that would run something at install and are not known to work without.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { at } from './common.mjs';

/** Licences under which a package may be used here; each was read. */
const allowed = new Set([
  '(AFL-2.1 OR BSD-3-Clause)',
  '(MIT OR CC0-1.0)',
  '0BSD',
  '(MIT AND Zlib)',
  '(MIT OR GPL-3.0-or-later)',
  'Apache-2.0',
  'Apache-2.0 AND MIT',
  'Apache-2.0 AND LGPL-3.0-or-later',
  'Apache-2.0 AND LGPL-3.0-or-later AND MIT',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'BlueOak-1.0.0',
  'CC-BY-4.0',
  'CC0-1.0',
  'EPL-2.0 OR GPL-3.0-or-later',
  'ISC',
  'LGPL-3.0-or-later',
  'MIT',
  'MIT OR Apache-2.0',
  'MIT OR SEE LICENSE IN FEEL-FREE.md',
  'MIT-0',
  'MPL-2.0',
  'OFL-1.1',
  'Python-2.0',
  'Unlicense',
]);
/** They ship their work in packages of their own, and only look after it at install. */
const quietWithout = new Set([
  '@swc/core',
  'unrs-resolver',
  'fsevents',
  'sharp',
  'esbuild',
  'msgpackr-extract',
  '@parcel/watcher',
  'reflect-metadata',
]);
/** They count their users. */
const reporting = new Set(['@scarf/scarf']);
/** As in the README. */
const ourNode = [20, 19];

const lock = JSON.parse(readFileSync(at('package-lock.json'), 'utf8'));
const faults = [];
const rows = new Map();

/** Whether a range of engines takes our oldest Node; enough of the language of ranges for those that there are. */
function takesOurNode(range) {
  const satisfies = (one) => {
    const words = one
      .trim()
      .split(/\s+/)
      .filter(Boolean)
      .join(' ')
      .replace(/(>=|<=|>|<|\^|~|=)\s+/g, '$1')
      .split(' ');
    return words.every((word) => {
      const found = /^(>=|<=|>|<|\^|~|=|v)?v?(\d+|\*|x)(?:\.(\d+|\*|x))?/.exec(word);
      if (!found || word === '*') return true;
      const [, operator = '=', majorText, minorText = '0'] = found;
      const [major, minor] = [Number(majorText), Number(minorText) || 0];
      const ours = ourNode[0] * 1_000 + ourNode[1];
      const theirs = major * 1_000 + minor;
      if (operator === '>=') return ours >= theirs;
      if (operator === '>')
        return ours > theirs || (ours >= theirs && minorText === '0' && ourNode[0] > major);
      if (operator === '<' || operator === '<=')
        return ours < theirs || (operator === '<=' && ours <= theirs);
      return ourNode[0] === major && ours >= theirs;
    });
  };
  return range.split('||').some(satisfies);
}

for (const [path, entry] of Object.entries(lock.packages)) {
  if (!path.includes('node_modules/') || entry.link) continue;
  const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
  const manifest = existsSync(at(path, 'package.json'))
    ? JSON.parse(readFileSync(at(path, 'package.json'), 'utf8'))
    : {};
  const said = entry.license ?? manifest.license ?? manifest.licenses?.map(({ type }) => type).join(' OR ');
  const licence = typeof said === 'string' ? said : (said?.type ?? 'not said');
  if (!allowed.has(licence))
    faults.push(`${name} ${entry.version}: the licence "${licence}" is not on the list`);
  if (reporting.has(name)) faults.push(`${name} ${entry.version} reports home`);
  if (entry.hasInstallScript && !quietWithout.has(name))
    faults.push(`${name} ${entry.version} wants to run something at install`);
  const node = entry.engines?.node;
  if (node !== undefined && !takesOurNode(node)) faults.push(`${name} ${entry.version} wants Node ${node}`);
  rows.set(`${name} ${entry.version}`, { name, version: entry.version, licence, dev: entry.dev === true });
}

const table = (list) => {
  const counts = new Map();
  for (const { licence, name } of list) counts.set(licence, [...(counts.get(licence) ?? []), name]);
  return [...counts]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([licence, names]) => `| ${licence} | ${[...new Set(names)].sort().join(', ')} |`)
    .join('\n');
};
const all = [...rows.values()];
const text = `# Licences

Written by \`npm run licences\` from the lock file; \`npm test\` fails where a package comes in whose licence is not on the list of \`scripts/licences.mjs\`, that reports home, that wants to run something at install, or that wants a newer Node than the README says. Nothing is run at install (\`.npmrc\`).

## Shipped

| licence | packages |
|---|---|
${table(all.filter(({ dev }) => !dev))}

## For building and testing

| licence | packages |
|---|---|
${table(all.filter(({ dev }) => dev))}
`;
const file = at('docs/licences.md');
if (process.argv.includes('--check')) {
  if (!existsSync(file) || readFileSync(file, 'utf8') !== text)
    faults.push('docs/licences.md is not as "npm run licences" writes it');
} else writeFileSync(file, text);
if (faults.length > 0) {
  console.error(faults.join('\n'));
  process.exit(1);
}
