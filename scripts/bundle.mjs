/** The compiled server and all that it takes from packages, as a few files: loaded in a third of the time. */
import { rolldown } from 'rolldown';
import { at } from './common.mjs';

/** What each thread begins with; they find one another by these names. */
const input = {
  main: at('server/dist/main.js'),
  'card.worker': at('server/dist/cards/card.worker.js'),
  'trial.worker': at('server/dist/trials/trial.worker.js'),
};
/** These bring machine code, which lies beside them. */
const native = /^(@libsql\/|libsql$|sharp$)/;

const bundle = await rolldown({
  input,
  cwd: at('server'),
  platform: 'node',
  external: native,
  // Packages try many others that they can do without: databases, transports, validators.
  onLog: (level, log, tell) => log.code !== 'UNRESOLVED_IMPORT' && level === 'error' && tell(level, log),
});
await bundle.write({ dir: at('server/dist/bundle'), format: 'esm', cleanDir: true });
await bundle.close();
