import { emptyGadget, type Gadget } from '@hum-lever/core';
import type * as Client from './index.ts';

// Every test loads the client anew; a busy machine takes its time for that.
jest.setTimeout(60_000);

/* The rules by which an edit is never lost, against a server that can be away, ahead or refusing. */

class Memory {
  private readonly kept = new Map<string, string>();
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem(key: string, value: string) {
    this.kept.set(key, value);
    Object.defineProperty(this, key, { value, configurable: true, enumerable: true });
  }
  removeItem(key: string) {
    this.kept.delete(key);
    delete (this as Record<string, unknown>)[key];
  }
}

/** A server that keeps revisions, as the real one does; `away` makes it silent. */
class FakeServer {
  revisions: Gadget[] = [emptyGadget('First')];
  others: Gadget[] = [];
  away = false;
  refuse: string | null = null;
  /** The next save is kept, and its answer lost. */
  losesAnswer = false;
  /** The next save is answered that it cannot be done now. */
  busyFor = 0;
  saveIds: (string | null)[] = [null];
  readonly answer = async (
    url: string,
    { method, headers, body }: { method: string; headers: Record<string, string>; body: string | null },
  ) => {
    if (this.away) throw new TypeError('fetch failed');
    const head = this.revisions.length;
    const view = {
      id: 'g1',
      name: 'x',
      revision: head,
      savedAt: '2026-11-24T20:00:00Z',
      saveId: this.saveIds[head - 1] ?? null,
      document: this.revisions[head - 1],
    };
    const json = (status: number, value: unknown) => new Response(JSON.stringify(value), { status });
    if (method === 'GET') return json(200, view);
    if (method === 'POST') {
      this.others.push((JSON.parse(body!) as { document: Gadget }).document);
      return json(201, { ...view, id: 'g2' });
    }
    if (this.refuse !== null)
      return json(422, { type: 'urn:hum-lever:problem:invalid', detail: this.refuse });
    if (headers['if-match'] !== `"${head}"`)
      return json(409, {
        type: 'urn:hum-lever:problem:stale',
        head: { revision: head, savedAt: view.savedAt, saveId: view.saveId, document: view.document },
      });
    if (this.busyFor > 0) {
      this.busyFor -= 1;
      const words = { type: 'urn:hum-lever:problem:busy', detail: 'Another program holds the database.' };
      return new Response(JSON.stringify(words), { status: 503, headers: { 'retry-after': '5' } });
    }
    this.revisions.push(JSON.parse(body!) as Gadget);
    this.saveIds.push(headers['save-id'] ?? null);
    if (this.losesAnswer) {
      this.losesAnswer = false;
      throw new TypeError('fetch failed');
    }
    return json(200, { ...view, revision: head + 1 });
  };
}

let server: FakeServer;
let storage: Memory;
let tab: Memory;
let alive: string[];

/** The client as a page loads it anew. */
function load() {
  jest.resetModules();
  class Channel {
    addEventListener() {}
    postMessage() {}
  }
  Object.assign(globalThis, {
    fetch: server.answer,
    localStorage: storage,
    sessionStorage: tab,
    BroadcastChannel: Channel,
    window: { addEventListener() {} },
  });
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: {
      locks: {
        // Whoever lives has its lock; a copy of its tab waits in vain.
        request: (name: string, { signal }: { signal: AbortSignal }, granted: () => Promise<void>) =>
          alive.includes(name)
            ? new Promise((_resolve, reject) =>
                signal.addEventListener('abort', () => reject(new Error('late'))),
              )
            : granted(),
        query: async () => ({ held: alive.map((name) => ({ name })) }),
      },
    },
  });
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- loaded anew for every page
  return require('./index.ts') as typeof Client;
}

beforeEach(() => {
  jest.useFakeTimers();
  server = new FakeServer();
  storage = new Memory();
  tab = new Memory();
  alive = [];
});
afterEach(() => jest.useRealTimers());

const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);
const rename = (client: typeof Client, name: string) => client.edit({ name: 'renameGadget', args: [name] });
const head = () => server.revisions.at(-1)!.name;
const kind = (client: typeof Client) => client.useSync.getState().status.kind;

async function opened() {
  const client = load();
  await client.openGadget('g1');
  return client;
}

describe('saving', () => {
  it('puts edits made in one go into one revision', async () => {
    const client = await opened();
    rename(client, 'A');
    rename(client, 'B');
    expect(kind(client)).toBe('unsaved');
    await pass(2_000);
    expect(server.revisions.map(({ name }) => name)).toEqual(['First', 'B']);
    expect(client.useSync.getState()).toMatchObject({ base: 2, status: { kind: 'saved' } });
  });

  it('sends what was edited while a save was under way', async () => {
    const client = await opened();
    rename(client, 'A');
    await pass(700);
    rename(client, 'B');
    await pass(2_000);
    expect(head()).toBe('B');
    expect(kind(client)).toBe('saved');
  });

  it('needs no revision for an edit that was undone in time', async () => {
    const client = await opened();
    rename(client, 'A');
    client.useGadget.temporal.getState().undo();
    await pass(2_000);
    expect(server.revisions).toHaveLength(1);
    expect(kind(client)).toBe('saved');
  });

  it('waits for a server that is away, and keeps at it', async () => {
    const client = await opened();
    server.away = true;
    rename(client, 'A');
    await pass(5_000);
    expect(kind(client)).toBe('away');
    rename(client, 'B');
    server.away = false;
    await pass(5_000);
    expect(head()).toBe('B');
    expect(kind(client)).toBe('saved');
  });

  it('says why the server would not take it, and keeps the edit', async () => {
    const client = await opened();
    server.refuse = 'name: expected something else.';
    rename(client, 'A');
    await pass(2_000);
    expect(client.useSync.getState().status).toEqual({
      kind: 'refused',
      message: 'name: expected something else.',
    });
    expect(client.useGadget.getState().document!.name).toBe('A');
  });

  it('an edit that is no edit is refused before it gets anywhere', async () => {
    const client = await opened();
    expect(rename(client, '')).toContain('name');
    await pass(2_000);
    expect(server.revisions).toHaveLength(1);
  });
});

describe('someone else saved meanwhile', () => {
  async function conflicted() {
    const client = await opened();
    server.revisions.push(emptyGadget('Theirs'));
    rename(client, 'Mine');
    await pass(2_000);
    expect(kind(client)).toBe('conflict');
    expect(head()).toBe('Theirs');
    return client;
  }

  it('nothing is sent until the maker has chosen, whatever is edited', async () => {
    const client = await conflicted();
    rename(client, 'Mine, more');
    await pass(60_000);
    expect(head()).toBe('Theirs');
    expect(kind(client)).toBe('conflict');
  });

  it('mine goes on top of theirs', async () => {
    const client = await conflicted();
    await client.resolveConflict('mine');
    expect(server.revisions.map(({ name }) => name)).toEqual(['First', 'Theirs', 'Mine']);
    expect(kind(client)).toBe('saved');
  });

  it('theirs replaces mine here, and undo brings mine back', async () => {
    const client = await conflicted();
    await client.resolveConflict('theirs');
    expect(client.useGadget.getState().document!.name).toBe('Theirs');
    client.useGadget.temporal.getState().undo();
    await pass(2_000);
    expect(head()).toBe('Mine');
  });

  it('both are kept', async () => {
    const client = await conflicted();
    await client.resolveConflict('both');
    expect(server.others.map(({ name }) => name)).toEqual(['Mine (mine)']);
    expect(client.useGadget.getState().document!.name).toBe('Theirs');
  });

  it('where keeping both fails, the conflict stays', async () => {
    const client = await conflicted();
    server.away = true;
    await expect(client.resolveConflict('both')).rejects.toThrow('does not answer');
    expect(kind(client)).toBe('conflict');
    expect(client.useGadget.getState().document!.name).toBe('Mine');
  });
});

describe('an answer that was lost', () => {
  it('after the save was kept: the same save again is one revision', async () => {
    const client = await opened();
    rename(client, 'A');
    server.losesAnswer = true;
    await pass(700);
    expect(kind(client)).toBe('away');
    await pass(10_000);
    expect(server.revisions.map(({ name }) => name)).toEqual(['First', 'A']);
    expect(client.useSync.getState()).toMatchObject({ base: 2, status: { kind: 'saved' } });
  });

  it('and more was edited since: that goes on top of it, without a conflict with oneself', async () => {
    const client = await opened();
    rename(client, 'A');
    server.losesAnswer = true;
    await pass(700);
    rename(client, 'B');
    await pass(10_000);
    expect(server.revisions.map(({ name }) => name)).toEqual(['First', 'A', 'B']);
    expect(kind(client)).toBe('saved');
  });

  it('and the page was loaded anew: what it had sent is its own there, too', async () => {
    const client = await opened();
    rename(client, 'A');
    server.losesAnswer = true;
    await pass(700);
    server.away = true;
    rename(client, 'B');
    await pass(1_000);
    server.away = false;
    const again = await opened();
    expect(kind(again)).not.toBe('conflict');
    await pass(2_000);
    expect(server.revisions.map(({ name }) => name)).toEqual(['First', 'A', 'B']);
  });

  it('is no excuse for going over what others saved', async () => {
    const client = await opened();
    rename(client, 'A');
    server.losesAnswer = true;
    await pass(700);
    server.revisions.push(emptyGadget('Theirs'));
    server.saveIds.push('another-page');
    rename(client, 'B');
    await pass(10_000);
    expect(kind(client)).toBe('conflict');
  });
});

describe('a server that cannot now', () => {
  it('is asked again when it wants to be, then less often, and the page says so', async () => {
    const client = await opened();
    server.busyFor = 2;
    rename(client, 'A');
    await pass(700);
    expect(client.useSync.getState().status).toMatchObject({
      kind: 'away',
      message: 'Another program holds the database.',
      retryMs: 5_000,
    });
    await pass(4_900);
    expect(server.busyFor).toBe(1);
    await pass(200);
    expect(server.busyFor).toBe(0);
    await pass(6_000);
    expect(head()).toBe('A');
    expect(kind(client)).toBe('saved');
  });
});

describe('a tab that was duplicated', () => {
  it('is another one: neither takes the other’s unsent work, and both are kept', async () => {
    const original = await opened();
    server.away = true;
    rename(original, 'From the original');
    await pass(1_000);
    const owner = tab.getItem('hum-lever.tab')!;
    alive = [`hum-lever.tab.${owner}`];
    // The copy begins with the same storage of the session.
    server.away = false;
    const client = load();
    const opening = client.openGadget('g1');
    await pass(1_000);
    await opening;
    expect(tab.getItem('hum-lever.tab')).not.toBe(owner);
    expect(client.useGadget.getState().document!.name).toBe('First');
    server.away = true;
    rename(client, 'From the copy');
    await pass(1_000);
    const drafts = Object.keys(storage).filter((key) => key.includes('.draft.'));
    expect(
      drafts.map((key) => (JSON.parse(storage.getItem(key)!) as { document: Gadget }).document.name).sort(),
    ).toEqual(['From the copy', 'From the original']);
  });
});

describe('after a reload', () => {
  async function leftUnsaved() {
    const client = await opened();
    server.away = true;
    rename(client, 'Unsent');
    await pass(2_000);
    server.away = false;
  }

  it('what was not sent is there, and is sent', async () => {
    await leftUnsaved();
    const again = await opened();
    expect(again.useGadget.getState().document!.name).toBe('Unsent');
    await pass(2_000);
    expect(head()).toBe('Unsent');
  });

  it('what was not sent meets the conflict if the gadget has moved on', async () => {
    await leftUnsaved();
    server.revisions.push(emptyGadget('Theirs'));
    const again = await opened();
    expect(kind(again)).toBe('conflict');
    expect(again.useGadget.getState().document!.name).toBe('Unsent');
  });

  it('another tab takes over what a closed one left, but not what an open one is working on', async () => {
    await leftUnsaved();
    const owner = tab.getItem('hum-lever.tab')!;
    tab = new Memory();
    alive = [`hum-lever.tab.${owner}`];
    const beside = await opened();
    expect(beside.useGadget.getState().document!.name).toBe('First');
    tab = new Memory();
    alive = [];
    const after = await opened();
    expect(after.useGadget.getState().document!.name).toBe('Unsent');
  });

  it('what is no draft at all does not keep the gadget from opening', async () => {
    await leftUnsaved();
    storage.setItem(
      Object.keys(storage).find((one) => one.includes('.draft.'))!,
      '{"base": 1, "docum',
    );
    const again = await opened();
    expect(again.useGadget.getState().document!.name).toBe('First');
    expect(kind(again)).toBe('saved');
  });

  it('what cannot be read is said to be, and the saved gadget opens', async () => {
    await leftUnsaved();
    const key = Object.keys(storage).find((one) => one.includes('.draft.'))!;
    storage.setItem(key, JSON.stringify({ base: 1, document: { kind: 'song' } }));
    const again = await opened();
    expect(again.useGadget.getState().document!.name).toBe('First');
    expect(kind(again)).toBe('refused');
  });
});
