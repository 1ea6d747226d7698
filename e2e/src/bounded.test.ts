import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { blankState, emptyFlow, type Gadget, type Rule } from '@hum-lever/core';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

/* Nothing that a document says can stop the page or the gadget, and nothing is lost. */

// Leaving a page whose server was killed can take a minute and a half here; why is not known yet.
jest.setTimeout(300_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.renew());
afterAll(() => bench.close());

const rule = (id: string, trigger: Rule['trigger'], patch: Partial<Rule> = {}): Rule => {
  return { id, trigger, guard: null, actions: [], targetIds: [], internal: false, ...patch };
};
/** The kettle with another flow. */
async function kettleWith(
  states: Gadget['flow']['states'],
  flow: Partial<Gadget['flow']> = {},
): Promise<string> {
  const id = await bench.idOf('Kettle Keeper');
  const { document } = (await bench.server.ask('GET', `/gadgets/${id}`)).body as { document: Gadget };
  const changed: Gadget = {
    ...document,
    brief: { ...document.brief, tasks: [], words: [] },
    flow: { ...emptyFlow(), states, initialId: states[0]!.id, ...flow },
  };
  const made = await bench.server.ask('POST', '/gadgets', { document: changed });
  expect(made.status).toBe(201);
  return made.body.id as string;
}
const state = (
  id: string,
  name: string,
  rules: Rule[],
  patch: Partial<Gadget['flow']['states'][number]> = {},
) => {
  return { ...blankState(), id, name, rules, ...patch };
};
/** Eight regions of so many rules each millisecond. */
const dear = (rules: number) => [
  state('s0', 'All', [], { kind: 'parallel' }),
  ...Array.from({ length: 8 }, (_, r) =>
    state(
      `q${r}`,
      `Region ${r}`,
      Array.from({ length: rules }, (_n, i) => rule(`r${r * rules + i}`, { kind: 'every', delay: 1_000 })),
      { parentId: 's0' },
    ),
  ),
];
/** Opens the list of snags, looks for one, and closes it again. */
async function snagged(title: string): Promise<void> {
  const path = By.xpath('//button[contains(normalize-space(), " snag")]');
  await (await bench.until('snags', async () => (await bench.driver.findElements(path))[0])).click();
  await bench.shows(title);
  await bench.clickLabel('Close snags');
}
const hint = () => bench.text('#hand-hint');

describe('a gadget that never comes to rest', () => {
  it('stands still with a reason in hand, on the strip and among the snags; time can be walked back; mended, it plays', async () => {
    const press: Rule['trigger'] = { kind: 'gesture', controlId: 'b1', gesture: 'press' };
    const id = await kettleWith([
      state('s1', 'Calm', [rule('r1', press, { targetIds: ['s2'] })]),
      state('s2', 'Boiling', [rule('r2', { kind: 'always' })]),
    ]);
    await bench.goto(`/g/${id}/flow`);
    await bench.css('[role=application]');
    await snagged('It never comes to rest');
    // What has just been closed may still lie over it: then once more.
    await bench.until('it stands still', async () => {
      await bench.press('Stir');
      await bench.driver.sleep(300);
      return (await bench.text('body')).includes('It stands still.');
    });
    await bench.shows('rule 1 of Boiling');
    expect(await bench.text('[data-testid=why]')).toContain('It stands still.');
    // Back to before the press: there it does not.
    const lanes = await bench.strip();
    await lanes.sendKeys(Key.HOME);
    await bench.until('the past', async () => (await hint()).includes('This is the past'));
    expect(
      await bench.driver.findElements(By.xpath('//p[@role="alert"][contains(., "stands still")]')),
    ).toHaveLength(0);
    await bench.click('Go on from here');
    await bench.until('it goes on', async () => !(await hint()).includes('past'));
    await bench.fill(await bench.label('Only if', '[aria-label="State Boiling"]'), '1 > 2', Key.ENTER);
    await bench.until('Boiling in hand', async () => {
      await bench.press('Stir');
      await bench.driver.sleep(300);
      return (await bench.text('[aria-label="State Boiling"]')).includes('in hand now');
    });
  });

  it('a wait of no time is a turn of the loop, and no trouble at all', async () => {
    const id = await kettleWith([
      state('s1', 'Tick', [rule('r1', { kind: 'after', delay: { ms: '0' } }, { targetIds: ['s2'] })]),
      state('s2', 'Tock', [rule('r2', { kind: 'after', delay: 0 }, { targetIds: ['s1'] })]),
    ]);
    await bench.goto(`/g/${id}/parts`);
    await bench.css('[role=application]');
    await bench.clickLabel('Pause time');
    await bench.label('Let time run');
    expect(await bench.text('[data-testid=why]')).toMatch(/Now in T[io]ck|Rule 1 of T[io]ck/);
  });
});

describe('a dear gadget', () => {
  it('leaves the page to its maker: pause answers, the trace has an end, and a stretch can be seen in full', async () => {
    const id = await kettleWith(dear(100));
    await bench.goto(`/g/${id}/parts`);
    await bench.css('[role=application]');
    await bench.clickLabel('Pause time');
    await bench.label('Let time run');
    const lanes = await bench.strip();
    await lanes.sendKeys(Key.HOME);
    await bench.until('the past', async () => (await hint()).includes('This is the past'));
  });
});

describe('two ways of duplicating a tab', () => {
  const names = async (id: string) =>
    Promise.all(
      ((await bench.server.ask('GET', `/gadgets/${id}/revisions`)).body as { revision: number }[]).map(
        async ({ revision }) =>
          (await bench.server.ask('GET', `/gadgets/${id}/revisions/${revision}`)).body.document
            .name as string,
      ),
    );
  const rename = async (name: string) => bench.fill(await bench.label('Name of the gadget'), name, Key.ENTER);
  const status = (words: string) =>
    bench.until(words, async () =>
      (await bench.text('[aria-label="This gadget"] [role=status]')).includes(words),
    );

  it.each([
    ['the page opens itself', 'window.open(location.href)'],
    [
      'the storage of the session is copied',
      'const all = { ...sessionStorage }; const other = window.open("/favicon.svg"); other.addEventListener("load", () => { Object.assign(other.sessionStorage, all); other.location.href = location.href; })',
    ],
  ])('%s: after an outage both tabs’ work is there', async (_what, script) => {
    const id = await bench.openKettle();
    const [first] = await bench.driver.getAllWindowHandles();
    await bench.driver.executeScript(script);
    const second = await bench.until('the second tab', async () =>
      (await bench.driver.getAllWindowHandles()).find((handle) => handle !== first),
    );
    await bench.turnTo(second);
    await bench.shows('Little screen: Kettle Keeper');
    const tabs = [];
    for (const handle of [first!, second]) {
      await bench.turnTo(handle);
      tabs.push(await bench.driver.executeScript('return sessionStorage.getItem("hum-lever.tab")'));
    }
    expect(new Set(tabs).size).toBe(2);
    await bench.server.stop('SIGKILL');
    for (const [handle, name] of [
      [first!, 'From the first'],
      [second, 'From the second'],
    ] as const) {
      await bench.turnTo(handle);
      await rename(name);
      await status('Server away');
    }
    await bench.restartServer();
    await bench.backOnline();
    const asked = async () => {
      for (const handle of [first!, second]) {
        await bench.turnTo(handle);
        if ((await bench.driver.findElement(By.css('body')).getText()).includes('changed elsewhere'))
          return true;
      }
      return false;
    };
    await bench.until('one tab asks', asked);
    await bench.click('Keep mine on top');
    await status('Saved as 4');
    expect((await names(id)).slice(0, 2).sort()).toEqual(['From the first', 'From the second']);
  });
});

describe('the shelf', () => {
  it('is kept in a file and brought back from it', async () => {
    const file = Buffer.from(await (await fetch(`${bench.server.url}/api/shelf/backup`)).arrayBuffer());
    const path = join(bench.server.folder, 'kept.shelf.gz');
    writeFileSync(path, file);
    const { body } = await bench.server.ask('GET', '/gadgets');
    const { id } = (body as { id: string }[])[0]!;
    await bench.server.ask('PATCH', `/gadgets/${id}`, { name: 'Worked on since' });
    await bench.goto('/');
    await bench.shows('Worked on since');
    await bench.click('The whole shelf');
    expect(await (await bench.button('Keep everything in a file')).getAttribute('href')).toContain(
      '/api/shelf/backup',
    );
    await (await bench.css('[aria-label="File of a whole shelf"]')).sendKeys(path);
    await bench.shows('1 beside what was worked on since; 3 gadgets were here already.');
    writeFileSync(path, 'no shelf');
    await (await bench.css('[aria-label="File of a whole shelf"]')).sendKeys(path);
    await bench.shows('Expected the gzipped file of a shelf');
    expect(((await bench.server.ask('GET', '/gadgets')).body as unknown[]).length).toBe(5);
  });
});

describe('a trial that takes its time', () => {
  it('says how far it is, and can be stopped', async () => {
    // An hour of its first revision takes the server minutes; what is in hand is light, so that the page can answer.
    const id = await kettleWith(dear(100));
    const { document } = (await bench.server.ask('GET', `/gadgets/${id}`)).body as { document: Gadget };
    const light = {
      ...document,
      flow: { ...emptyFlow(), states: [state('s1', 'Calm', [])], initialId: 's1' },
    };
    expect((await bench.server.ask('PUT', `/gadgets/${id}`, light, { 'if-match': '"1"' })).status).toBe(200);
    const trial = { name: 'An hour', seed: 1, stimuli: [], endUs: 3_600_000_000, expectations: [] };
    expect((await bench.server.ask('POST', `/gadgets/${id}/trials`, trial)).status).toBe(201);
    await bench.goto(`/g/${id}/trials`);
    await bench.shows('An hour');
    await bench.pick(await bench.label('Run on'), 'On revision 1');
    await bench.click('Run this one');
    await bench.shows('It takes its time');
    await bench.click('Stop');
    await bench.until(
      'it has stopped',
      async () => !(await bench.text('main')).includes('It takes its time'),
    );
    expect((await bench.server.ask('GET', `/gadgets/${id}/trials`)).body[0].runs).toEqual([]);
  });
});
