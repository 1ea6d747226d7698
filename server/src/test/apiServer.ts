import Database from 'libsql';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(__dirname, '../../..');
/** The server as it is started: see `scripts/bundle.mjs`. */
export const serverMain = join(root, 'server/dist/bundle/main.js');

export interface Answer {
  status: number;
  body: any; // eslint-disable-line @typescript-eslint/no-explicit-any -- what came over the wire is what is tested
  headers: Headers;
}

/** The built server as a process of its own, on a database file and a port of its own. */
export class ApiServer {
  private constructor(
    readonly folder: string,
    readonly url: string,
    private readonly process: ChildProcess,
    private readonly output: () => string,
  ) {}

  static async start(
    options: { folder?: string; demo?: boolean; web?: boolean; port?: number; runSeconds?: number } = {},
  ): Promise<ApiServer> {
    const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'hum-lever-api-'));
    const args: string[] = [];
    if (options.demo) args.push('--demo', join(root, 'demo'));
    if (options.web) args.push('--web', join(root, 'web/dist'));
    if (options.runSeconds !== undefined) args.push('--run-seconds', String(options.runSeconds));
    const child = ApiServer.spawn(folder, args, options.port);
    let output = '';
    child.stdout.on('data', (data: Buffer) => (output += data.toString()));
    child.stderr.on('data', (data: Buffer) => (output += data.toString()));
    const url = await new Promise<string>((resolve, reject) => {
      child.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${output}`)));
      child.stdout.on('data', () => {
        const found = /listening on (\S+)/.exec(output);
        if (found) resolve(found[1]!);
      });
    });
    return new ApiServer(folder, url, child, () => output);
  }

  /** The process alone, from its first moment on. */
  static spawn(folder: string, args: string[], port = 0) {
    const own = [serverMain, '--port', String(port), '--data', folder];
    return spawn(process.execPath, [...own, ...args]);
  }

  private withDatabase(work: (database: Database.Database) => void): void {
    const database = new Database(join(this.folder, 'hum-lever.sqlite'));
    try {
      database.exec('PRAGMA busy_timeout = 10000');
      work(database);
    } finally {
      database.close();
    }
  }
  private get kept(): string {
    return join(this.folder, 'as-it-was.sqlite');
  }
  /** Keeps what the shelf holds now, to be put back by `putBack`. */
  keep(): void {
    this.withDatabase((database) => database.exec(`VACUUM INTO '${this.kept}'`));
  }
  /** Everything on the shelf is as it was kept, while the server goes on: a start takes longer than many a test. */
  putBack(): void {
    this.withDatabase((database) => {
      database.exec(`PRAGMA foreign_keys = OFF; ATTACH '${this.kept}' AS kept; BEGIN IMMEDIATE`);
      const tables = database
        .prepare(`SELECT name FROM kept.sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`)
        .all() as { name: string }[];
      for (const { name } of tables)
        database.exec(`DELETE FROM main."${name}"; INSERT INTO main."${name}" SELECT * FROM kept."${name}"`);
      database.exec('COMMIT; DETACH kept');
    });
  }

  get log(): string {
    return this.output();
  }

  async ask(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer> {
    const text = body === undefined || typeof body === 'string' ? body : JSON.stringify(body);
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      // A connection that is kept and has just been closed by the server would fail the next call.
      headers: { connection: 'close', ...headers },
      ...(text !== undefined && { body: text }),
    });
    const answer = await response.text();
    const isJson = response.headers.get('content-type')?.includes('json');
    return { status: response.status, body: isJson ? JSON.parse(answer) : answer, headers: response.headers };
  }

  /** Runs a trial and waits until it is over; the trial with its runs. */
  async runTrial(at: string, revision: number): Promise<Answer> {
    const ran = await this.ask('POST', `${at}/runs`, { revision });
    if (ran.status !== 202) return ran;
    for (;;) {
      const { body } = await this.ask('GET', `/jobs/${ran.body.job.id}`);
      if (body.state !== 'running' && body.state !== 'waiting') return this.ask('GET', at);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }

  get isUp(): boolean {
    return this.process.exitCode === null && this.process.signalCode === null;
  }

  /** Ends the process and waits for it; returns its exit code. */
  stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<number | null> {
    if (!this.isUp) return Promise.resolve(this.process.exitCode);
    return new Promise((resolve) => {
      this.process.removeAllListeners('exit');
      this.process.on('exit', resolve);
      this.process.kill(signal);
    });
  }

  async stopAndClear(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
