import { emptyGadget } from '@hum-lever/core';
import { askAhead } from './ahead.ts';
import { addPicture, api, ApiProblem, runTrial, ServerAway } from './api.ts';

interface Asked {
  url: string;
  init: RequestInit;
}

/** A server that answers what it is told to, one answer after the other. */
function answering(...answers: (Response | Error)[]): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = (url, init = {}) => {
    asked.push({ url: String(url), init });
    const answer = answers.shift();
    if (!answer) throw new Error(`one question too many: ${String(url)}`);
    return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
  };
  return asked;
}
const json = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), { status, headers });
const failure = (asking: Promise<unknown>) =>
  asking.then(
    () => null,
    (error: unknown) => error,
  );
const kept = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = kept;
  jest.useRealTimers();
});

describe('what is asked ahead', () => {
  it('is taken by who opens that gadget, once', async () => {
    const asked = answering(json(200, { id: 'g1' }), json(200, { id: 'g1', again: true }));
    askAhead('g1');
    expect(await api.open('g1')).toEqual({ id: 'g1' });
    expect(asked).toHaveLength(1);
    expect(await api.open('g1')).toEqual({ id: 'g1', again: true });
  });

  it('is let lie for another gadget, and where it fails who takes it hears of it', async () => {
    const asked = answering(json(200, { id: 'g1' }), json(200, { id: 'g2' }), new TypeError('away'));
    askAhead('g1');
    expect(await api.open('g2')).toEqual({ id: 'g2' });
    expect(asked.map(({ url }) => url)).toEqual(['/api/gadgets/g1', '/api/gadgets/g2']);
    askAhead('g3');
    expect(await failure(api.open('g3'))).toBeInstanceOf(ServerAway);
  });
});

describe('what is asked of the server', () => {
  it('names what a save was based on, and which save it is', async () => {
    const asked = answering(json(200, { revision: 8 }));
    const document = emptyGadget('Lantern');
    expect(await api.save('g1', 7, document, 'save-1')).toEqual({ revision: 8 });
    expect(asked).toHaveLength(1);
    expect(asked[0]!.url).toBe('/api/gadgets/g1');
    expect(asked[0]!.init.method).toBe('PUT');
    expect(asked[0]!.init.headers).toEqual({
      'content-type': 'application/json',
      'if-match': '"7"',
      'save-id': 'save-1',
    });
    expect(JSON.parse(asked[0]!.init.body as string)).toEqual(document);
  });

  it('sends the text of a file as it is, and a body only where there is one', async () => {
    const asked = answering(json(201, {}), json(200, []), new Response(null, { status: 204 }));
    await api.importText('{"not":"read here"}');
    await api.shelf(true);
    expect(await api.removeTrial('g1', 't2')).toBeUndefined();
    expect(asked.map(({ url, init }) => [init.method, url, init.body])).toEqual([
      ['POST', '/api/gadgets/import', '{"not":"read here"}'],
      ['GET', '/api/gadgets?cards=1&bin=1', null],
      ['DELETE', '/api/gadgets/g1/trials/t2', null],
    ]);
  });
});

describe('what the server does not do', () => {
  it('is told with its own words, the fields and what it has instead', async () => {
    const errors = [{ path: 'flow.initialId', message: 'expected the id of a state' }];
    answering(
      json(409, { type: 'urn:hum-lever:problem:stale', detail: 'Saved by another.', head: { revision: 9 } }),
    );
    const stale = (await failure(api.save('g1', 7, emptyGadget('Lantern'), 's'))) as ApiProblem;
    expect(stale).toBeInstanceOf(ApiProblem);
    expect([stale.status, stale.kind, stale.message, stale.head]).toEqual([
      409,
      'stale',
      'Saved by another.',
      { revision: 9 },
    ]);
    expect(stale.errors).toEqual([]);
    answering(json(422, { type: 'urn:hum-lever:problem:invalid', detail: 'Not valid.', errors }));
    expect(await failure(api.create(''))).toMatchObject({ status: 422, kind: 'invalid', errors });
  });

  it('has words even where the answer is no problem document', async () => {
    answering(new Response('<html>gone</html>', { status: 404 }));
    expect(await failure(api.open('g1'))).toMatchObject({
      status: 404,
      kind: 'unexpected',
      message: 'The server answered 404.',
    });
  });

  it('may be asked again where it is away, or says that it cannot now', async () => {
    answering(new TypeError('fetch failed'));
    expect(await failure(api.shelf(false))).toMatchObject({
      constructor: ServerAway,
      retryMs: 0,
      message: 'The server does not answer.',
    });
    answering(json(503, { detail: 'The disk is full.' }, { 'retry-after': '12' }));
    expect(await failure(api.shelf(false))).toMatchObject({
      constructor: ServerAway,
      retryMs: 12_000,
      message: 'The disk is full.',
    });
    // A proxy's own page, without a word on when.
    answering(new Response('Bad gateway', { status: 502, headers: { 'retry-after': 'soon' } }));
    expect(await failure(addPicture(new Blob(['x'])))).toMatchObject({ constructor: ServerAway, retryMs: 0 });
  });
});

describe('a trial on the server', () => {
  const trial = { id: 't1', version: 1, runs: [] };
  const job = (state: string, atUs = 0, message: string | null = null) => ({
    id: 'j1',
    state,
    atUs,
    endUs: 10,
    ahead: 0,
    message,
  });

  it('that is short is there at once', async () => {
    const asked = answering(json(200, trial));
    expect(await runTrial('g1', 't1', 3)).toEqual(trial);
    expect(JSON.parse(asked[0]!.init.body as string)).toEqual({ revision: 3 });
  });

  it('that is long is looked at until it is over, and told of meanwhile', async () => {
    jest.useFakeTimers();
    const asked = answering(
      json(202, { job: job('waiting') }),
      json(200, job('running', 4)),
      json(200, job('running', 9)),
      json(200, job('done', 10)),
      json(200, trial),
    );
    const told: [string, number][] = [];
    const run = runTrial('g1', 't1', 3, ({ state, atUs }) => told.push([state, atUs]));
    await jest.advanceTimersByTimeAsync(2_000);
    expect(await run).toEqual(trial);
    expect(told).toEqual([
      ['waiting', 0],
      ['running', 4],
      ['running', 9],
    ]);
    expect(asked.map(({ url }) => url)).toEqual([
      '/api/gadgets/g1/trials/t1/runs',
      '/api/jobs/j1',
      '/api/jobs/j1',
      '/api/jobs/j1',
      '/api/gadgets/g1/trials/t1',
    ]);
  });

  it('that breaks off says so, and one that was stopped has no new run', async () => {
    answering(json(202, { job: job('failed', 0, 'out of room') }));
    expect(String(await failure(runTrial('g1', 't1', 3)))).toContain('The run broke off: out of room');
    answering(json(202, { job: job('cancelled') }), json(200, trial));
    expect(await runTrial('g1', 't1', 3)).toEqual(trial);
  });
});
