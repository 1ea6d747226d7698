import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, gzipSync } from 'node:zlib';

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
  whenStale('install', manifests, 'node_modules/typescript/package.json', () => {
    console.log('Installing packages from the lock file …');
    run(process.platform === 'win32' ? 'npm.cmd' : 'npm', ['ci', '--no-audit', '--no-fund'], {
      shell: process.platform === 'win32',
    });
  });
}

/** Below that, compressing saves no packet. */
const leastBytes = 1_024;

/** Once at its best, beside each file: what crosses the wire is not compressed anew with every request. */
function compressAll(folder) {
  for (const name of readdirSync(folder, { recursive: true })) {
    const path = join(folder, String(name));
    if (!/\.(js|css|html|svg|json)$/.test(path) || !statSync(path).isFile()) continue;
    const bytes = readFileSync(path);
    if (bytes.length < leastBytes) continue;
    writeFileSync(`${path}.br`, brotliCompressSync(bytes));
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
  }
}

/** Builds what is stale: core and server by the compiler, the web by the bundler. */
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
    [...shared, 'server/src', 'server/tsconfig.json', 'server/package.json'],
    'server/dist/main.js',
    () => {
      console.log('Building core and server …');
      tool('typescript/bin/tsc', '-b', 'core', 'server');
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
    compressAll(at('web/dist'));
  });
}

/** Starts the built server; resolves to its address once it listens. */
export function startServer(args, { quiet = false } = {}) {
  const child = spawn(process.execPath, [at('server/dist/main.js'), ...args], {
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
