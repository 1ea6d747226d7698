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
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`expected --port to be a whole number from 0 to 65535, got "${values.port}"`);
  return {
    port,
    host: values.host,
    data: resolve(values.data),
    web: values.web === undefined ? null : resolve(values.web),
    demo: values.demo === undefined ? null : resolve(values.demo),
  };
}
