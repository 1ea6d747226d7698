import { resolve } from 'node:path';
import { parseArgs } from 'node:util';

export interface Settings {
  port: number;
  host: string;
  /** Folder of the database. */
  data: string;
  /** Folder of the web build, or null: API only. */
  web: string | null;
  /** Folder of demo gadgets to load into a new database, or null. */
  demo: string | null;
  /** A run of a trial that takes longer is stopped. */
  runSeconds: number;
  /** File to write the whole shelf to, or to take one in from, instead of serving; or null. */
  backup: string | null;
  restore: string | null;
}

/** Settings from the command line. @throws Error saying what was expected */
export function readSettings(args: string[]): Settings {
  const { values } = parseArgs({
    args,
    options: {
      port: { type: 'string', default: '4620' },
      host: { type: 'string', default: '127.0.0.1' },
      data: { type: 'string', default: 'data' },
      web: { type: 'string' },
      demo: { type: 'string' },
      'run-seconds': { type: 'string', default: '30' },
      backup: { type: 'string' },
      restore: { type: 'string' },
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`expected --port to be a whole number from 0 to 65535, got "${values.port}"`);
  const runSeconds = Number(values['run-seconds']);
  if (!(runSeconds > 0 && runSeconds <= 3_600))
    throw new Error(`expected --run-seconds to be above 0 and at most 3600, got "${values['run-seconds']}"`);
  return {
    port,
    runSeconds,
    host: values.host,
    data: resolve(values.data),
    web: values.web === undefined ? null : resolve(values.web),
    demo: values.demo === undefined ? null : resolve(values.demo),
    backup: values.backup === undefined ? null : resolve(values.backup),
    restore: values.restore === undefined ? null : resolve(values.restore),
  };
}
