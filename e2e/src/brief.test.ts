import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankState, emptyFlow } from '@hum-lever/core';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(120_000);

let bench: Bench;
let id: string;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
  const { body } = await bench.server.ask('POST', '/gadgets', { name: 'Lantern' });
  id = body.id;
});
afterAll(() => bench.close());
beforeEach(async () => {
  await bench.goto(`/g/${id}/brief`);
  await bench.css('main textarea');
});

const column = (fate: string) => bench.text(`[data-fate=${fate}]`);
const inColumn = (word: string, fate: string) =>
  bench.until(`${word} in ${fate}`, async () => (await column(fate)).includes(word));
const document = async () => (await bench.server.ask('GET', `/gadgets/${id}`)).body.document;

describe('the wall of words', () => {
  it('takes words that are selected in the idea, and typed ones', async () => {
    const idea = await bench.css('main textarea');
    await bench.fill(idea, 'A lantern with a bell');
    await bench.driver.executeScript('arguments[0].focus(); arguments[0].setSelectionRange(2, 9)', idea);
    await bench.click('Take the selected words (Alt W)');
    await inColumn('lantern', 'keep');
    await bench.driver.executeScript('arguments[0].focus(); arguments[0].setSelectionRange(17, 21)', idea);
    await idea.sendKeys(Key.chord(Key.ALT, 'w'));
    await inColumn('bell', 'keep');
    for (const word of ['handle', 'smoke']) {
      await bench.fill(await bench.label('New word'), word, Key.ENTER);
      await inColumn(word, 'keep');
    }
    // The same word twice is said, and not put up.
    await bench.fill(await bench.label('New word'), 'Smoke', Key.ENTER);
    await bench.shows('“Smoke” is on the wall already.');
    // Nothing has become of them yet.
    await bench.until('four snags', async () =>
      /4 snags/.test(await bench.text('[aria-label="This gadget"]')),
    );
  });

  it('moves them by mouse, by keys and by list, and undo takes each back', async () => {
    const cut = await bench.css('[data-fate=cut]');
    const grip = await bench.label('Move smoke');
    await bench.driver
      .actions()
      .move({ origin: grip })
      .press()
      .move({ origin: grip, x: 12, y: 4 })
      .move({ origin: cut, y: 30 })
      .pause(200)
      .release()
      .perform();
    await inColumn('smoke', 'cut');
    await bench.clickLabel('Undo the move of a word');
    await inColumn('smoke', 'keep');
    // By keys: lift, to the column beside, put down.
    await bench.driver.executeScript('arguments[0].focus()', await bench.label('Move bell'));
    const keys = async (...list: string[]) => {
      for (const key of list) {
        await bench.driver.actions().sendKeys(key).perform();
        await bench.driver.sleep(300);
      }
    };
    await keys(Key.SPACE, Key.ARROW_RIGHT, Key.SPACE);
    await inColumn('bell', 'later');
    // By its list.
    await (
      await bench.until(
        'handle',
        async () =>
          (await bench.driver.findElements(By.xpath('//button[@aria-expanded][.//strong="handle"]')))[0],
      )
    ).click();
    await bench.segment('Cut');
    await inColumn('handle', 'cut');
    const reason = await bench.field('Reason');
    await bench.fill(reason, 'It hangs from a hook', Key.ENTER);
    await bench.saved();
    const { words } = (await document()).brief;
    expect(words.map(({ text, fate, reason: why }: Record<string, string>) => [text, fate, why])).toEqual(
      expect.arrayContaining([
        ['bell', 'later', ''],
        ['handle', 'cut', 'It hangs from a hook'],
      ]),
    );
  });
});

describe('on paper', () => {
  it('are the words with their fates and reasons, and nothing of the workshop', async () => {
    await bench.driver.executeScript('window.print = () => (window.printed = true)');
    await bench.click('Print');
    expect(await bench.driver.executeScript('return window.printed')).toBe(true);
    const paper = await bench.onPaper();
    for (const said of ['Keep', 'lantern', 'Later', 'bell', 'Cut', 'handle', 'It hangs from a hook'])
      expect(paper).toContain(said);
    expect(paper).not.toContain('In hand');
    expect(paper).not.toContain('Put it on the wall');
  });
});

describe('the drawing', () => {
  it('is kept with the gadget, shown beside the words, and anything else is refused', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-drawing-'));
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg==',
      'base64',
    );
    writeFileSync(join(folder, 'lantern.png'), png);
    writeFileSync(join(folder, 'song.png'), 'no picture at all');
    const input = () => bench.css('main input[type=file]');
    await (await input()).sendKeys(join(folder, 'song.png'));
    await bench.shows('Expected a picture as PNG, JPEG or WebP, got something else.');
    await (await input()).sendKeys(join(folder, 'lantern.png'));
    const image = await bench.css('main img');
    await bench.until('the picture itself', async () =>
      bench.driver.executeScript('return arguments[0].naturalWidth === 1', image),
    );
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.css('main img[alt="Drawing: lantern.png"]');
    rmSync(folder, { recursive: true });
  });
});

describe('tasks and wishes', () => {
  it('say what counts as done, under which circumstances, within what', async () => {
    await bench.server.ask(
      'PUT',
      `/gadgets/${id}`,
      {
        ...(await document()),
        flow: {
          ...emptyFlow(),
          variables: [
            {
              id: 'v1',
              kind: 'number',
              name: 'cue',
              saved: null,
              initial: 1,
              min: 1,
              max: 9,
              overflow: 'hold',
              unit: '',
            },
          ],
          initialId: 's1',
          states: [{ ...blankState(), id: 's1', name: 'Ready' }],
        },
      },
      { 'if-match': `"${(await bench.server.ask('GET', `/gadgets/${id}`)).body.revision}"` },
    );
    await bench.driver.navigate().refresh();
    await bench.click('Add a task');
    const where = await bench.field('and where');
    await bench.fill(where, 'queue > 2', Key.ENTER);
    await bench.shows('expected a variable (cue), got "queue"');
    await bench.fill(where, 'cue > 2', Key.ENTER);
    await bench.segment('in the dark');
    const price = await bench.field('Price at most');
    await bench.fill(price, '12.5', Key.ENTER);
    await bench.until('all saved', async () => {
      const { brief } = await document();
      return (
        brief.wishes.priceCents === 1_250 &&
        brief.tasks[0]?.doneWhen === 'v1 > 2' &&
        brief.tasks[0]?.circumstances[0] === 'dark'
      );
    });
  });
});
