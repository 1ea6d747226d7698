/** Server and web with reload: the compiler watches core and server, the bundler serves the web. */
import { spawn } from 'node:child_process';
import { at, build, install } from './common.mjs';

install();
build();
const node = (args, options = {}) =>
  spawn(process.execPath, args, { cwd: at('.'), stdio: 'inherit', ...options });
const children = [
  node([
    at('node_modules/typescript-native/bin/tsc'),
    '-b',
    'core',
    'server',
    '--watch',
    '--preserveWatchOutput',
  ]),
  node([
    '--watch-path',
    at('server/dist'),
    '--watch-path',
    at('core/dist'),
    at('server/dist/main.js'),
    '--demo',
    at('demo'),
    '--data',
    at('data'),
  ]),
  node([at('node_modules/vite/bin/vite.js')], { cwd: at('web') }),
];
const stop = () => children.forEach((child) => child.kill());
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
