/** The one command: installs, builds, loads the demo into a new database, serves on one port, says where. */
import { existsSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { at, build, install, run, serverMain, startServer } from './common.mjs';

const usage = `npm start -- [--port N] [--data DIR] [--fresh] [--empty]
  --port N    port on loopback (4620)
  --data DIR  folder of the database (data)
  --fresh     throws the existing database away and begins anew
  --empty     begins without the demo
  --backup F  writes everything that is kept into one file, and ends
  --restore F takes such a file in, and ends; nothing that is there is changed`;

let values;
try {
  ({ values } = parseArgs({
    options: {
      port: { type: 'string', default: '4620' },
      data: { type: 'string', default: at('data') },
      fresh: { type: 'boolean', default: false },
      empty: { type: 'boolean', default: false },
      backup: { type: 'string' },
      restore: { type: 'string' },
      help: { type: 'boolean', default: false },
    },
  }));
} catch (error) {
  console.error(`${error.message}\n${usage}`);
  process.exit(2);
}
if (values.help) {
  console.log(usage);
  process.exit(0);
}
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Hum Lever needs Node 20.19 or newer; this is ${process.version}.`);
  process.exit(2);
}

install();
build();
const data = resolve(values.data);
if (values.fresh) {
  // Only the database's own files: the folder may be anyone's.
  for (const end of ['', '-wal', '-shm']) {
    const file = `${data}/hum-lever.sqlite${end}`;
    if (existsSync(file)) rmSync(file);
  }
}
const file = ['backup', 'restore'].flatMap((what) =>
  values[what] === undefined ? [] : [`--${what}`, resolve(values[what])],
);
if (file.length > 0) {
  run(process.execPath, [serverMain, '--data', data, ...file]);
  process.exit(0);
}
const demo = values.empty ? [] : ['--demo', at('demo')];
const { child, address } = startServer([
  '--port',
  values.port,
  '--data',
  data,
  '--web',
  at('web/dist'),
  ...demo,
]);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
address.then(
  (url) => {
    console.log(`\nHum Lever is at ${url}\n`);
    child.on('exit', (code) => process.exit(code ?? 0));
  },
  (error) => {
    console.error(error.message);
    process.exit(1);
  },
);
