import { execFileSync, spawnSync } from 'node:child_process';
import Database from 'libsql';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { blankState, emptyFlow, emptyGadget, type Gadget, type Trial } from '@hum-lever/core';
import { superfluous, type Aged } from './gadgets/thinning.ts';
import { ApiServer, serverMain, type Answer } from './test/apiServer.ts';

/* Nothing that a document says can stop the server, and nothing that it acknowledged is lost. */

jest.setTimeout(120_000);

let server: ApiServer;
beforeAll(async () => {
  server = await ApiServer.start({ runSeconds: 5 });
});
afterAll(() => server.stopAndClear());

const save = (id: string, base: number, document: unknown, saveId?: string) =>
  server.ask('PUT', `/gadgets/${id}`, document, {
    'if-match': `"${base}"`,
    ...(saveId !== undefined && { 'save-id': saveId }),
  });
const create = async (document: Gadget) =>
  (await server.ask('POST', '/gadgets', { document })).body.id as string;

/** Eight regions of a hundred rules, each every millisecond. */
function dear(): Gadget {
  const rules = (region: number) =>
    Array.from({ length: 100 }, (_, n) => ({
      id: `r${region * 100 + n}`,
      trigger: { kind: 'every' as const, delay: 1_000 },
      guard: null,
      actions: [],
      targetIds: [],
      internal: false,
    }));
  const states = [
    { ...blankState(), id: 's0', name: 'All', kind: 'parallel' as const },
    ...Array.from({ length: 8 }, (_, n) => {
      return { ...blankState(), id: `q${n}`, name: `Region ${n}`, parentId: 's0', rules: rules(n) };
    }),
  ];
  return { ...emptyGadget('Dear'), flow: { ...emptyFlow(), states, initialId: 's0' } };
}
const hour: Trial = { name: 'An hour', seed: 1, stimuli: [], endUs: 3_600_000_000, expectations: [] };

describe('trials that are dear', () => {
  it('play beside everything else: fifty saves are answered meanwhile, and the run can be cancelled', async () => {
    const id = await create(dear());
    const other = await create(emptyGadget('Calm'));
    const at = `/gadgets/${id}/trials`;
    const { body: trial } = await server.ask('POST', at, hour);
    const ran = await server.ask('POST', `${at}/${trial.id}/runs`, { revision: 1 });
    expect(ran).toMatchObject({ status: 202, body: { job: { state: 'running', endUs: hour.endUs } } });
    const job = `/jobs/${ran.body.job.id}`;
    const saves: Answer[] = [];
    for (let n = 1; n <= 50; n += 1) saves.push(await save(other, n, emptyGadget(`Calm ${n}`)));
    expect(saves.map(({ status }) => status)).toEqual(Array(50).fill(200));
    expect((await server.ask('GET', job)).body.state).toBe('running');
    const comesOn = async (): Promise<boolean> => (await server.ask('GET', job)).body.atUs > 0;
    while (!(await comesOn()));
    // Another one waits behind it.
    const second = await server.ask('POST', `${at}/${trial.id}/runs`, { revision: 1 });
    expect(second.body.job).toMatchObject({ state: 'waiting', ahead: 1 });
    for (const one of [`/jobs/${second.body.job.id}`, job])
      expect((await server.ask('DELETE', one)).body.state).toBe('cancelled');
    expect((await server.ask('GET', at)).body[0].runs).toEqual([]);
    expect((await server.ask('GET', '/jobs/j0')).status).toBe(404);
  });

  it('are stored as stopped, with when and by what, and neither pass nor fail', async () => {
    const id = await create(dear());
    const at = `/gadgets/${id}/trials`;
    const { body: trial } = await server.ask('POST', at, {
      ...hour,
      expectations: [
        { id: 'e1', what: { kind: 'state', stateId: 'q1' }, when: { kind: 'at', atUs: hour.endUs } },
      ],
    });
    const [run] = (await server.runTrial(`${at}/${trial.id}`, 1)).body.runs;
    expect(run.result).toMatchObject({
      passed: null,
      stopped: { by: 'time' },
      expectations: [{ passed: null }],
    });
    expect(run.result.stopped.atUs).toBeGreaterThan(0);
  });

  it('that never come to rest stand still, and are judged as what they are', async () => {
    const gadget = emptyGadget('Endless');
    const rule = {
      id: 'r1',
      trigger: { kind: 'always' as const },
      guard: null,
      actions: [],
      targetIds: [],
      internal: false,
    };
    gadget.flow = {
      ...emptyFlow(),
      states: [{ ...blankState(), id: 's1', name: 'On', rules: [rule] }],
      initialId: 's1',
    };
    const id = await create(gadget);
    const { body: trial } = await server.ask('POST', `/gadgets/${id}/trials`, hour);
    expect(await server.runTrial(`/gadgets/${id}/trials/${trial.id}`, 1)).toMatchObject({
      body: {
        runs: [{ result: { stopped: null, still: { excess: 'rounds', cause: { kind: 'rule', id: 'r1' } } } }],
      },
    });
  });
});

describe('a save', () => {
  it('that is sent again because its answer was lost is one revision', async () => {
    const id = await create(emptyGadget('A'));
    const first = await save(id, 1, emptyGadget('B'), 'save-0001');
    expect(await save(id, 1, emptyGadget('B'), 'save-0001')).toMatchObject({ status: 200, body: first.body });
    expect((await server.ask('GET', `/gadgets/${id}/revisions`)).body).toHaveLength(2);
    // Also after others have saved on top; the same name for another gadget is another save.
    await save(id, 2, emptyGadget('C'), 'save-0002');
    expect(await save(id, 1, emptyGadget('B'), 'save-0001')).toMatchObject({
      status: 200,
      body: { revision: 2 },
    });
    expect(await save(await create(emptyGadget('D')), 1, emptyGadget('E'), 'save-0001')).toMatchObject({
      status: 200,
    });
    expect(await save(id, 1, emptyGadget('F'), 'save-0003')).toMatchObject({ status: 409 });
    expect(await save(id, 3, emptyGadget('F'), 'no spaces')).toMatchObject({ status: 400 });
  });

  it('waits for a foreign lock, and is answered 503 where that stays', async () => {
    const id = await create(emptyGadget('Locked'));
    const foreign = new Database(join(server.folder, 'hum-lever.sqlite'));
    foreign.exec('BEGIN IMMEDIATE');
    setTimeout(() => foreign.exec('ROLLBACK'), 800);
    expect(await save(id, 1, emptyGadget('Waited'))).toMatchObject({ status: 200 });
    foreign.exec('BEGIN IMMEDIATE');
    const refused = await save(id, 2, emptyGadget('In vain'));
    expect(refused).toMatchObject({ status: 503, body: { type: 'urn:hum-lever:problem:busy' } });
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
    foreign.exec('ROLLBACK');
    foreign.close();
    expect(await save(id, 2, emptyGadget('Now'))).toMatchObject({ status: 200 });
  });
});

describe('a folder', () => {
  it('is one server’s: another is told who has it; a killed one leaves it free', async () => {
    const owner = await ApiServer.start();
    const second = spawnSync(process.execPath, [serverMain, '--port', '0', '--data', owner.folder], {
      encoding: 'utf8',
    });
    expect(second.status).toBe(3);
    expect(second.stderr).toContain(`in use by another Hum Lever at ${owner.url}`);
    expect((await owner.ask('POST', '/gadgets', { name: 'Still here' })).status).toBe(201);
    await owner.stop('SIGKILL');
    const third = await ApiServer.start({ folder: owner.folder });
    expect((await third.ask('GET', '/gadgets')).body).toHaveLength(1);
    await third.stopAndClear();
  });

  it('gets the whole demo or none, however its loading is cut off', async () => {
    for (const killMs of [0, 60, 120]) {
      const folder = join(server.folder, `demo-${killMs}`);
      const child = ApiServer.spawn(folder, ['--demo', join(__dirname, '../../demo')]);
      // From the moment that the database is there.
      while (!existsSync(join(folder, 'hum-lever.sqlite')))
        await new Promise((resolve) => setTimeout(resolve, 5));
      await new Promise((resolve) => setTimeout(resolve, killMs));
      const gone = new Promise((resolve) => child.on('exit', resolve));
      child.kill('SIGKILL');
      await gone;
      const again = await ApiServer.start({ folder, demo: true });
      const shelf = (await again.ask('GET', '/gadgets')).body as { revision: number }[];
      expect(shelf.map(({ revision }) => revision)).toEqual([2, 2, 2, 2]);
      await again.stop();
    }
  });
});

describe('old revisions', () => {
  const dayMs = 86_400_000;
  const nowMs = Date.parse('2026-11-28T12:00:00Z');
  const saved = (number: number, agoMs: number, named = false): Aged => {
    return { number, named, savedAt: new Date(nowMs - agoMs).toISOString() };
  };

  it('thin with age: all of an hour, one of ten minutes for a day, of a day for two weeks, of a week, of a month', () => {
    const minutes = Array.from({ length: 60 * 24 }, (_, n) => saved(n + 1, dayMs - n * 60_000 - 30_000));
    const left = minutes.length - superfluous(minutes, new Set(), nowMs).length;
    expect(left).toBeGreaterThan(60 + 6 * 22);
    expect(left).toBeLessThan(60 + 6 * 24 + 3);
    const days = Array.from({ length: 400 }, (_, n) => saved(n + 1, (400 - n) * dayMs));
    const kept = days.length - superfluous(days, new Set(), nowMs).length;
    expect(kept).toBeGreaterThan(14 + 10);
    expect(kept).toBeLessThan(14 + 12 + 13);
  });

  it('never go where they are named, needed, or the newest', () => {
    const all = [
      saved(1, 300 * dayMs),
      saved(2, 299.9 * dayMs, true),
      saved(3, 299.8 * dayMs),
      saved(4, 299.7 * dayMs),
    ];
    expect(superfluous(all, new Set(), nowMs)).toEqual([1, 3]);
    expect(superfluous(all, new Set([3]), nowMs)).toEqual([1]);
  });

  it('go as new ones are saved, but not those that a trial ran on, and the space is told', async () => {
    const id = await create(emptyGadget('Old'));
    const { body: trial } = await server.ask('POST', `/gadgets/${id}/trials`, { ...hour, endUs: 1_000 });
    for (let n = 1; n < 15; n += 1) await save(id, n, emptyGadget(`Old ${n}`));
    await server.runTrial(`/gadgets/${id}/trials/${trial.id}`, 5);
    await server.ask('PATCH', `/gadgets/${id}/revisions/7`, { name: 'First that works' });
    const database = new Database(join(server.folder, 'hum-lever.sqlite'));
    database.prepare("UPDATE revision SET savedAt = '2026-01-05T10:00:00.000Z' WHERE gadgetId = ?").run(id);
    database.close();
    const before = (await server.ask('GET', `/gadgets/${id}/kept`)).body;
    expect(before).toMatchObject({ revisions: 15, saved: 15 });
    await save(id, 15, emptyGadget('Old 15'));
    const numbers = (await server.ask('GET', `/gadgets/${id}/revisions`)).body as { revision: number }[];
    expect(numbers.map(({ revision }) => revision)).toEqual([16, 15, 7, 5]);
    const after = (await server.ask('GET', `/gadgets/${id}/kept`)).body;
    expect(after).toMatchObject({ revisions: 4, saved: 16 });
    expect(after.bytes).toBeLessThan(before.bytes);
  });
});

const relay = {
  title: 'Relay', doc: '', priceCents: 180, lines: [{ name: 'in', need: 'out', maxUa: 5_000 }], plays: ['light'],
  supply: { minMv: 4_500, maxMv: 5_500, typicalUa: 10_000, worstUa: 72_000 },
  address: null, busBaud: 0, busPullOhms: 0,
}; // prettier-ignore

describe('the drawer', () => {
  it('keeps parts that were described, one of a name, and refuses what is none', async () => {
    const server = await ApiServer.start();
    const first = await server.ask('POST', '/drawer', relay);
    expect(first).toMatchObject({ status: 201, body: { own: relay } });
    const again = await server.ask('POST', '/drawer', { ...relay, doc: 'Clicks.' });
    expect(again.body.id).toBe(first.body.id);
    const listed = (await server.ask('GET', '/drawer')).body as unknown[];
    expect(listed).toMatchObject([{ own: { title: 'Relay', doc: 'Clicks.' } }]);
    expect(listed).toHaveLength(1);
    const twice = [relay.lines[0], relay.lines[0]];
    const refused = await server.ask('POST', '/drawer', { ...relay, title: 'Other', lines: twice });
    expect(refused).toMatchObject({ status: 422, body: { detail: expect.stringContaining('lines.1.name') } });
    expect((await server.ask('DELETE', `/drawer/${first.body.id}`)).status).toBe(204);
    expect((await server.ask('DELETE', `/drawer/${first.body.id}`)).status).toBe(404);
    expect((await server.ask('GET', '/drawer')).body).toEqual([]);
    await server.stopAndClear();
  });
});

describe('the whole shelf', () => {
  it('goes into one file and comes back from it, by the page and by the command line', async () => {
    const from = await ApiServer.start({ demo: true });
    await from.ask('POST', '/drawer', relay);
    const file = Buffer.from(await (await fetch(`${from.url}/api/shelf/backup`)).arrayBuffer());
    const put = async (to: ApiServer, bytes: Buffer) => {
      const response = await fetch(`${to.url}/api/shelf/restore`, {
        method: 'POST',
        body: new Uint8Array(bytes),
      });
      return { status: response.status, body: await response.json() };
    };
    const to = await ApiServer.start();
    expect(await put(to, file)).toEqual({ status: 200, body: { added: 4, same: 0, beside: 0 } });
    const everything = async (of: ApiServer) => {
      const shelf = (await of.ask('GET', '/gadgets')).body as { id: string }[];
      return Promise.all(
        shelf.map(async ({ id }) => [
          (await of.ask('GET', `/gadgets/${id}`)).body,
          (await of.ask('GET', `/gadgets/${id}/revisions`)).body,
          (await of.ask('GET', `/gadgets/${id}/revisions/1`)).body,
          (await of.ask('GET', `/gadgets/${id}/trials`)).body,
        ]),
      );
    };
    expect(await everything(to)).toEqual(await everything(from));
    const drawer = async (of: ApiServer) =>
      ((await of.ask('GET', '/drawer')).body as { own: unknown }[]).map(({ own }) => own);
    expect(await drawer(to)).toEqual([relay]);
    // What lies in this drawer by that name is somebody's work, too.
    const ours = { ...relay, priceCents: 99 };
    await to.ask('POST', '/drawer', ours);
    expect(await put(to, file)).toMatchObject({ body: { added: 0, same: 4, beside: 0 } });
    expect(await drawer(to)).toEqual([ours]);
    // Nor where an older release stored what is here: it is the same, as it opens.
    const old = readFileSync(join(__dirname, '../../core/src/test/stored/version-1.json'), 'utf8');
    const aged = await ApiServer.start();
    const { id: agedId } = (await aged.ask('POST', '/gadgets', { name: 'Old' })).body;
    const database = new Database(join(aged.folder, 'hum-lever.sqlite'));
    database.prepare('UPDATE revision SET document = ? WHERE gadgetId = ?').run(old, agedId);
    database.close();
    const agedFile = Buffer.from(await (await fetch(`${aged.url}/api/shelf/backup`)).arrayBuffer());
    expect(await put(aged, agedFile)).toMatchObject({ body: { added: 0, same: 1, beside: 0 } });
    await aged.stopAndClear();
    // What was worked on meanwhile stays, and the kept one comes beside it, once.
    const [{ id, revision }] = (await to.ask('GET', '/gadgets')).body;
    await to.ask('PATCH', `/gadgets/${id}`, { name: 'Worked on' });
    expect(await put(to, file)).toMatchObject({ body: { added: 0, same: 3, beside: 1 } });
    expect(await put(to, file)).toMatchObject({ body: { added: 0, same: 4, beside: 0 } });
    expect((await to.ask('GET', `/gadgets/${id}`)).body).toMatchObject({
      name: 'Worked on',
      revision: revision + 1,
    });
    // What is no such file changes nothing, and is said.
    const lines = gunzipSync(file).toString('utf8').trimEnd().split('\n');
    const broken = (text: string) => gzipSync(Buffer.from(text));
    const before = lines.filter((line) => !line.includes('"kind":"drawer"')).join('\n');
    expect(await put(to, broken(before.replace('"version":2', '"version":1')))).toMatchObject({
      status: 200,
    });
    for (const [bytes, words] of [
      [Buffer.from('no gzip at all'), 'gzipped file of a shelf'],
      [file.subarray(0, file.length / 2), ''],
      [broken(lines.slice(0, -1).join('\n')), 'cut off'],
      [broken(lines.slice(1).join('\n')), 'Line 1'],
      [broken([lines[0], '{"kind":"gadget"}'].join('\n')), 'Line 2'],
      [
        broken([...lines.slice(0, 2), lines[2]!.replace('"flow"', '"flood"'), ...lines.slice(3)].join('\n')),
        'revision 1',
      ],
    ] as const)
      expect(await put(to, bytes)).toMatchObject({
        status: 422,
        body: { detail: expect.stringContaining(words) },
      });
    await Promise.all([from.stop(), to.stopAndClear()]);
    const path = join(from.folder, 'shelf.gz');
    const line = (...args: string[]) =>
      execFileSync(process.execPath, [serverMain, ...args], { encoding: 'utf8' });
    expect(line('--data', from.folder, '--backup', path)).toContain(path);
    const third = join(from.folder, 'third');
    expect(line('--data', third, '--restore', path)).toContain('4 gadgets added');
    writeFileSync(path, 'nonsense');
    const failed = spawnSync(process.execPath, [serverMain, '--data', third, '--restore', path], {
      encoding: 'utf8',
    });
    expect(failed).toMatchObject({ status: 3, stderr: expect.stringContaining('Expected the gzipped file') });
    await from.stopAndClear();
  });
});

describe('the doors', () => {
  let web: ApiServer;
  beforeAll(async () => {
    web = await ApiServer.start({ web: true });
  });
  afterAll(() => web.stopAndClear());
  const get = (path: string, init: RequestInit = {}) => fetch(web.url + path, init);

  it('let nothing be framed, kept or fetched from elsewhere', async () => {
    const { headers } = await get('/api/gadgets');
    expect(headers.get('x-frame-options')).toBe('DENY');
    expect(headers.get('cache-control')).toBe('no-store');
    const policy = headers.get('content-security-policy')!;
    expect(policy).not.toContain('https:');
    expect(policy).toContain("font-src 'self'");
  });

  it('give the page where a page can be, and say otherwise that nothing is there', async () => {
    expect(await get('/', { method: 'HEAD' })).toMatchObject({ status: 200 });
    expect((await get('/g/abc/flow')).headers.get('content-type')).toContain('text/html');
    const absent = [
      '/nothing.txt',
      '/assets/nothing.js',
      '/.env',
      '/api',
      '/api/nothing',
      '/api/gadgets/..%2f..%2fetc',
    ];
    for (const path of [...absent, '/api/%E0%A4%A', '/assets/..%2f..%2fpackage.json']) {
      const answer = await get(path);
      expect([path, answer.status, answer.headers.get('content-type')?.split(';')[0]]).toEqual([
        path,
        404,
        'application/problem+json',
      ]);
    }
  });

  it('serve the build as it was compressed', async () => {
    const html = await (await get('/')).text();
    const script = /src="(\/assets\/[^"]+\.js)"/.exec(html)![1]!;
    const plain = readFileSync(join(__dirname, '../../web/dist', script));
    for (const [encoding, end] of [
      ['br', '.br'],
      ['gzip', '.gz'],
    ] as const) {
      const answer = await get(script, { headers: { 'accept-encoding': encoding } });
      expect(answer.headers.get('content-encoding')).toBe(encoding);
      expect(Number(answer.headers.get('content-length'))).toBe(
        readFileSync(join(__dirname, '../../web/dist', script + end)).length,
      );
      expect(Buffer.from(await answer.arrayBuffer()).equals(plain)).toBe(true);
    }
  });
});

describe('pictures', () => {
  it('are read to their last row, not known by their first bytes', async () => {
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAgAAAAICAIAAABLbSncAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAD0lEQVQImWP4jwMwDC0JALoev0GybL49AAAAAElFTkSuQmCC',
      'base64',
    );
    const add = async (bytes: Buffer) =>
      (await fetch(`${server.url}/api/pictures`, { method: 'POST', body: new Uint8Array(bytes) })).status;
    expect(await add(png)).toBe(201);
    const spoiled = Buffer.from(png);
    spoiled.fill(0, 60, 75);
    const bomb = Buffer.from(png);
    bomb.writeUInt32BE(60_000, 16);
    bomb.writeUInt32BE(60_000, 20);
    const heads = [
      Buffer.alloc(0),
      Buffer.from('ffd8ffe000104a464946', 'hex'),
      png.subarray(0, 12),
      png.subarray(0, 70),
      spoiled,
      bomb,
    ];
    for (const bytes of heads) expect(await add(bytes)).toBe(422);
  });
});
