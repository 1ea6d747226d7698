/**
 * Attacks that take longer than a test may: kills during saves, hostile requests, mutated files, legal but dear
 * documents. Each has a seed and ends in one line; the process fails where something was lost, broke, or took over a
 * second. `npm run attack -- [kills|requests|files|dear] [--count N] [--seed N]`; without a name, a little of each.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { at, build, install, serverMain } from './common.mjs';
import { dearDocuments } from './attackDear.mjs';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { count: { type: 'string' }, seed: { type: 'string', default: '1' } },
});
install();
build();
const core = await import('../core/dist/index.js');
const seed = Number(values.seed);

/** Mulberry32: small, seeded, good enough to attack with. */
function chanceFrom(start) {
  let state = start >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  const below = (n) => Math.floor(next() * n);
  return { next, below, pick: (list) => list[below(list.length)] };
}

const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const demoFiles = readdirSync(at('demo')).flatMap((folder) =>
  readdirSync(at('demo', folder))
    .filter((file) => /^\d+-/.test(file))
    .map((file) => readFileSync(at('demo', folder, file), 'utf8')),
);

async function serve(folder) {
  const child = spawn(process.execPath, [serverMain, '--port', '0', '--data', folder]);
  let output = '';
  const url = await new Promise((resolve, reject) => {
    child.stdout.on('data', (data) => {
      output = (output + data).slice(-2_000);
      const found = /listening on (\S+)/.exec(output);
      if (found) resolve(found[1]);
    });
    child.stderr.on('data', (data) => (output = (output + data).slice(-2_000)));
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${output}`)));
  });
  return { child, url };
}
const end = (child, signal) =>
  new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.on('exit', resolve);
    child.kill(signal);
  });

/** One request over a kept connection; resolves to status, body and time, or null where the connection broke. */
function ask(agent, url, { method, path, headers = {}, body }) {
  const began = performance.now();
  return new Promise((resolve) => {
    const one = request(url, { agent, method, path, headers }, (response) => {
      const pieces = [];
      response.on('data', (data) => pieces.push(data));
      response.on('end', () =>
        resolve({
          status: response.statusCode,
          body: Buffer.concat(pieces).toString('utf8'),
          ms: performance.now() - began,
        }),
      );
      response.on('error', () => resolve(null));
    });
    one.on('error', () => resolve(null));
    one.end(body);
  });
}

/** Saves under way while the server is killed, again and again; everything that was acknowledged must be there. */
async function kills(count) {
  const { below } = chanceFrom(seed);
  const folder = mkdtempSync(join(tmpdir(), 'hum-lever-kills-'));
  const document = (name) => ({ ...core.emptyGadget('x'), name });
  const acknowledged = new Map();
  let [writes, lost, strange] = [0, 0, 0];
  let { child, url } = await serve(folder);
  const send = (method, path, body, headers) =>
    ask(undefined, url, {
      method,
      path,
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json', ...headers },
    });
  for (let n = 0; n < 6; n += 1) {
    const made = JSON.parse((await send('POST', '/api/gadgets', { name: `Attacked ${n}` })).body);
    acknowledged.set(made.id, { revision: 1, name: made.name, base: 1 });
  }
  for (let kill = 0; kill < count; kill += 1) {
    let storming = true;
    const writers = [...acknowledged].map(async ([id, one]) => {
      let save = 0;
      while (storming) {
        const name = `Kill ${kill} save ${(save += 1)}`;
        const saveId = `kill-${seed}-${kill}-${id}-${save}`.slice(0, 60);
        const answer = await send('PUT', `/api/gadgets/${id}`, document(name), {
          'if-match': `"${one.base}"`,
          'save-id': saveId,
        });
        if (answer?.status === 200) {
          one.base = one.revision = JSON.parse(answer.body).revision;
          one.name = name;
          writes += 1;
        } else if (answer?.status === 409) one.base = JSON.parse(answer.body).head.revision;
        else if (answer) strange += 1;
        else break;
      }
    });
    await sleep(20 + below(180));
    await end(child, 'SIGKILL');
    storming = false;
    await Promise.all(writers);
    ({ child, url } = await serve(folder));
    for (const [id, one] of acknowledged) {
      const answer = await send('GET', `/api/gadgets/${id}`);
      const now = answer?.status === 200 ? JSON.parse(answer.body) : null;
      // A later save may have been kept without its answer; an earlier one may not be missing.
      const whole = now && now.revision >= one.revision && now.document.name === now.name;
      const kept = whole && (now.revision > one.revision || now.name === one.name);
      if (!kept) lost += 1;
      if (now) Object.assign(one, { base: now.revision, revision: now.revision, name: now.name });
    }
  }
  await end(child, 'SIGTERM');
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `kills: ${count} (seed ${seed}), ${writes} acknowledged writes, ${lost} lost, ${strange} strange answers`,
  );
  return lost === 0 && strange === 0;
}

/** Bytes of a text changed, cut, doubled or turned into something else. */
function mutate({ below, pick, next }, text) {
  let now = text;
  for (let n = 1 + below(4); n > 0; n -= 1) {
    const from = below(now.length + 1);
    const to = Math.min(now.length, from + 1 + below(next() < 0.1 ? 2_000 : 12));
    const piece = pick([
      '', '"', '}', ']', '{', '[', '<', '&', ',', '0', '-1', '1e999', 'null', 'NaN', 'true', '\u0000', '\ud800',
      '\u202e', '999999999999999999999', '[[[[[[[[', '"__proto__":', '../', '%00', '\n', now.slice(from, to).repeat(1 + below(5)),
      String.fromCharCode(below(65_536)),
    ]); // prettier-ignore
    now = now.slice(0, from) + piece + now.slice(next() < 0.3 ? from : to);
  }
  return now.slice(0, 1_200_000);
}

async function requests(count) {
  const chance = chanceFrom(seed);
  const { pick, next } = chance;
  const folder = mkdtempSync(join(tmpdir(), 'hum-lever-requests-'));
  const { child, url } = await serve(folder);
  const agent = new Agent({ keepAlive: true, maxSockets: 8 });
  const json = { 'content-type': 'application/json' };
  const ids = [];
  for (const document of demoFiles) {
    const made = await ask(agent, url, { method: 'POST', path: '/api/gadgets/import', body: document });
    ids.push(JSON.parse(made.body).id);
  }
  const rss = () =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))[1]) / 1_024;
  const small = JSON.stringify(core.emptyGadget('Small'));
  const one = () => {
    const id = pick([
      ...ids,
      'g0',
      '..',
      '%2e%2e',
      'x'.repeat(200),
      "'; DROP TABLE gadget; --",
      '%E0%A4%A',
      '\u00e4',
    ]);
    const path = encodeURI(
      pick([
        `/api/gadgets/${id}`, `/api/gadgets/${id}/revisions`, `/api/gadgets/${id}/revisions/${pick([1, 0, -1, 'x', 1e9])}`,
        `/api/gadgets/${id}/trials`, `/api/gadgets/${id}/trials/t0/runs`, `/api/gadgets/${id}/file?revision=${pick([1, 'x', ''])}`,
        '/api/gadgets', '/api/gadgets?bin=1', '/api/gadgets/import', '/api/pictures', `/api/pictures/${'0'.repeat(64)}`,
        '/api/jobs/j0', '/api/shelf/restore', '/api/health', '/api/openapi.json', '/api', '/', '/..%2f..', '/assets/x.js', `/${'a/'.repeat(50)}`,
      ]),
    ); // prettier-ignore
    const method = pick([
      'GET',
      'GET',
      'GET',
      'POST',
      'PUT',
      'PATCH',
      'DELETE',
      'HEAD',
      'OPTIONS',
      'PROPFIND',
    ]);
    const headers = next() < 0.8 ? { ...json } : {};
    if (next() < 0.4)
      headers['if-match'] = pick(['"1"', '1', 'W/"1"', '"99999999999"', 'x'.repeat(500), '"-1"']);
    if (next() < 0.2)
      headers['save-id'] = pick(['attack-0001', 'x', 'ä'.slice(0, 0) || '!', 'y'.repeat(300)]);
    if (next() < 0.1) headers.origin = pick(['http://evil.test', 'null', url]);
    if (next() < 0.05) headers.host = pick(['evil.test', 'localhost', '']);
    const bodied = method !== 'GET' && method !== 'HEAD';
    const body =
      bodied && next() < 0.85
        ? mutate(
            chance,
            next() < 0.05 ? pick(demoFiles) : pick([small, '{"name":"x"}', '{"revision":1}', '[]', 'null']),
          )
        : undefined;
    return { method, path, headers, ...(body !== undefined && { body }) };
  };
  const statuses = new Map();
  let [bad, slow, broken, worst] = [0, 0, 0, 0];
  // Flat is what it is in the second half: the first fills caches and lets the heap find its size.
  const memory = [rss()];
  let sent = 0;
  const lane = async () => {
    while (sent < count) {
      sent += 1;
      if (sent % Math.ceil(count / 10) === 0) memory.push(rss());
      const what = one();
      const answer = await ask(agent, url, what);
      if (!answer) {
        broken += 1;
        continue;
      }
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      if (answer.status >= 500 && answer.status !== 503) {
        bad += 1;
        if (bad <= 5)
          console.log(
            `  ${answer.status} ${what.method} ${what.path.slice(0, 100)} ${answer.body.slice(0, 200)}`,
          );
      }
      if (answer.ms > 1_000) slow += 1;
      worst = Math.max(worst, answer.ms);
    }
  };
  await Promise.all(Array.from({ length: 8 }, lane));
  const health = await ask(agent, url, { method: 'GET', path: '/api/health' });
  memory.push(rss());
  await end(child, 'SIGTERM');
  rmSync(folder, { recursive: true, force: true });
  const said = [...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, n]) => `${status}: ${n}`)
    .join(', ');
  console.log(
    `requests: ${count} (seed ${seed}), ${bad} answers of 500 and above, ${slow} over 1 s (worst ${worst.toFixed(0)} ms), ${broken} connections broken, memory by tenths ${memory.map((mb) => mb.toFixed(0)).join(' ')} MB, health ${health?.status}; ${said}`,
  );
  return bad === 0 && slow === 0 && health?.status === 200;
}

function files(count) {
  const chance = chanceFrom(seed);
  const kettle = core.readGadgetText(demoFiles[3]).gadget ?? core.readGadgetText(demoFiles[0]).gadget;
  const gadgets = demoFiles.map((text) => core.readGadgetText(text).gadget);
  const kinds = [
    ['gadget', demoFiles, (text) => core.readGadgetText(text)],
    ['scxml', gadgets.map((one) => core.printScxml(one)), (text) => core.readScxml(text, kettle)],
    ['bill', gadgets.map((one) => core.printBillCsv(one)), (text) => core.readBillCsv(kettle, text)],
    ['board', [core.printBoardJson(core.boardChoices(kettle)[0])], (text) => core.readBoardJson(text)],
    ['pins', [core.printPinsCsv(core.boardChoices(kettle)[0])], (text) => core.readPinsCsv(text)],
    ['codes', ['key,code,sent ms,heard ms\nUp,0x1F,0,45\nDown,32,100,140\n'], (text) => core.readCodesCsv(text)],
    ['times', ['Time [s],Key\n0,0\n0.001,1\n0.0012,0\n0.0019,1\n'], (text) => core.readTraceCsv(text)],
    ['vcd', [readFileSync(at('core/src/test/stored/simulated-key.vcd'), 'utf8').slice(0, 4_000)], (text) => core.readVcd(text)],
    ['clipping', gadgets.filter(({ flow }) => flow.states.length > 0).map((one) => JSON.stringify(core.clipStates(one, one.flow.states[0].id))), (text) => core.readClipping(text)],
  ]; // prettier-ignore
  let [thrown, slow, read, worst] = [0, 0, 0, 0];
  for (let n = 0; n < count; n += 1) {
    const [kind, originals, reader] = chance.pick(kinds);
    const text = mutate(chance, chance.pick(originals));
    const began = performance.now();
    try {
      const result = reader(text);
      if (result && (result.outcome === 'read' || result.outcome === 'opened')) read += 1;
    } catch (error) {
      thrown += 1;
      if (thrown <= 5) console.log(`  ${kind}: ${error.stack.split('\n').slice(0, 3).join(' | ')}`);
    }
    const ms = performance.now() - began;
    worst = Math.max(worst, ms);
    if (ms > 1_000) slow += 1;
  }
  const mb = process.memoryUsage().heapUsed / 1_048_576;
  console.log(
    `files: ${count} (seed ${seed}), ${thrown} stray exceptions, ${slow} over 1 s (worst ${worst.toFixed(0)} ms), ${read} could still be read, heap ${mb.toFixed(0)} MB`,
  );
  return thrown === 0 && slow === 0;
}

/** A virtual second of each, in slices as the page plays it, and a whole check. */
function dear(count) {
  const chance = chanceFrom(seed);
  const worst = { slice: ['', 0], second: ['', 0], check: ['', 0] };
  let [refused, stills] = [0, 0];
  const note = (what, name, ms) => {
    if (ms > worst[what][1]) worst[what] = [name, ms];
  };
  for (let n = 0; n < count; n += 1) {
    const { name, document } = dearDocuments(core, chance, n);
    const opened = core.readGadget(document);
    if (opened.outcome !== 'opened') {
      refused += 1;
      if (refused <= 3) console.log(`  ${name}: ${opened.message.slice(0, 200)}`);
      continue;
    }
    const { gadget } = opened;
    const machine = new core.Machine(gadget, seed);
    gadget.controls.slice(0, 8).forEach(({ id, kind }, key) => {
      if (kind === 'button') machine.stimulate({ atUs: 50_000 * (key + 1), controlId: id, what: 'down' });
    });
    const began = performance.now();
    for (let come = false; !come;) {
      const from = performance.now();
      come = machine.advance(1_000_000, 1_000_000);
      machine.takeTrace();
      note('slice', name, performance.now() - from);
    }
    note('second', name, performance.now() - began);
    if (machine.still) stills += 1;
    const checked = performance.now();
    const { failed } = core.checkGadget(gadget);
    note('check', name, performance.now() - checked);
    for (const { rule, message } of failed) {
      console.log(`  ${name}: ${rule} failed: ${message}`);
      refused += 1;
    }
  }
  const said = ([name, ms]) => `${ms.toFixed(0)} ms (${name})`;
  console.log(
    `dear: ${count} (seed ${seed}), ${refused} wrong, ${stills} stand still; worst slice ${said(worst.slice)}, worst virtual second ${said(worst.second)}, worst check ${said(worst.check)}`,
  );
  return refused === 0;
}

const attacks = { kills: [kills, 5], requests: [requests, 2_000], files: [files, 3_000], dear: [dear, 24] };
const wanted = positionals.length > 0 ? positionals : Object.keys(attacks);
let held = true;
for (const name of wanted) {
  const attack = attacks[name];
  if (!attack) throw new Error(`expected one of ${Object.keys(attacks).join(', ')}, got "${name}"`);
  held = (await attack[0](Number(values.count ?? attack[1]))) && held;
}
process.exit(held ? 0 : 1);
