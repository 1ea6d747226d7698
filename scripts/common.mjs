import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
export const at = (...path) => join(root, ...path);

/** Runs a command in the open; ends this process with its exit code where it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (error) throw error;
  if (status !== 0) process.exit(status ?? 1);
}

/** A tool of node_modules, by its own script, so that no shell is in between. */
export function tool(name, ...args) {
  run(process.execPath, [at('node_modules', ...name.split('/')), ...args]);
}

/**
 * Commands beside one another, each lane one after the other; what one says comes whole. Ends this process where one
 * fails, once all have said what they have to say.
 * @param {[string, ...string[]][][]} lanes of tools, as `tool` takes them
 */
export async function lanes(...lanes) {
  let failed = 0;
  const one = ([name, ...args]) =>
    new Promise((resolve) => {
      const child = spawn(process.execPath, [at('node_modules', ...name.split('/')), ...args], { cwd: root });
      let said = '';
      child.stdout.on('data', (data) => (said += data));
      child.stderr.on('data', (data) => (said += data));
      child.on('close', (code) => {
        if (code !== 0) failed ||= code ?? 1;
        process.stdout.write(said);
        resolve();
      });
    });
  await Promise.all(
    lanes.map(async (lane) => {
      for (const command of lane) await one(command);
    }),
  );
  if (failed) process.exit(failed);
}

/** What tells whether the types of all sources and tests are right, once core and server are compiled. */
export const checkedTypes = ['core/tsconfig.test.json', 'server/tsconfig.test.json', 'web', 'e2e'].map(
  (project) => ['typescript-native/bin/tsc', '-p', project],
);

const stampFolder = at('node_modules', '.hum-lever');

/** A hash of files and folders: what has been built is stale when it changes. */
function hashOf(paths) {
  const hash = createHash('sha256');
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort())
        if (name !== 'dist' && name !== 'node_modules') add(join(path, name));
    } else hash.update(relative(root, path)).update(readFileSync(path));
  };
  paths.map((path) => at(path)).forEach(add);
  return hash.digest('hex');
}

/** Does the work unless it was done for exactly these files already and its product is still there. */
function whenStale(name, paths, product, work) {
  const stamp = join(stampFolder, name);
  const hash = hashOf(paths);
  if (existsSync(at(product)) && existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  work();
  mkdirSync(stampFolder, { recursive: true });
  writeFileSync(stamp, hash);
}

/** Installs from the lock file, if what is there was not made from it. */
export function install() {
  const manifests = [
    'package-lock.json',
    'package.json',
    'core/package.json',
    'server/package.json',
    'web/package.json',
    'e2e/package.json',
  ];
  whenStale('install', manifests, 'node_modules/typescript-native/package.json', () => {
    console.log('Installing packages from the lock file …');
    run(process.platform === 'win32' ? 'npm.cmd' : 'npm', ['ci', '--no-audit', '--no-fund'], {
      shell: process.platform === 'win32',
    });
  });
}

const bundled = 'server/dist/bundle/main.js';
/** What is started to serve. */
export const serverMain = at(bundled);

/** Builds what is stale: core and server by the compiler, then as few files; the web by the bundler. */
export function build() {
  const shared = [
    'tsconfig.base.json',
    'package-lock.json',
    'core/package.json',
    'core/tsconfig.json',
    'core/src',
  ];
  whenStale(
    'server',
    [...shared, 'server/src', 'server/tsconfig.json', 'server/package.json', 'scripts/bundle.mjs'],
    bundled,
    () => {
      console.log('Building core and server …');
      tool('typescript-native/bin/tsc', '-b', 'core', 'server');
      run(process.execPath, [at('scripts/bundle.mjs')]);
    },
  );
  const web = [
    'web/src',
    'patterns',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'web/package.json',
  ];
  whenStale('web', [...shared, ...web], 'web/dist/index.html', () => {
    console.log('Building the web application …');
    run(process.execPath, [at('node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'], {
      cwd: at('web'),
    });
    run(process.execPath, [at('scripts/compress.mjs')]);
  });
}

/** Starts the built server; resolves to its address once it listens. */
export function startServer(args, { quiet = false } = {}) {
  const child = spawn(process.execPath, [serverMain, ...args], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const address = new Promise((resolve, reject) => {
    let output = '';
    child.stdout.on('data', (data) => {
      output += data;
      if (!quiet) process.stdout.write(String(data).replace(/^listening on .*\n/m, ''));
      const found = /^listening on (\S+)/m.exec(output);
      if (found) resolve(found[1]);
    });
    child.on('exit', (code) => reject(new Error(`the server ended with ${code} before it listened`)));
  });
  return { child, address };
}
