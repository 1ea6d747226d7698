import { readFileSync } from 'node:fs';
import type { Result } from 'axe-core';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

/** Changes the colours of the page as it stands, as another tab of the same browser would. */
const theme = (scheme: 'light' | 'dark') =>
  bench.driver.executeScript(
    `const key = 'mantine-color-scheme-value';
     localStorage.setItem(key, arguments[0]);
     dispatchEvent(new StorageEvent('storage', { storageArea: localStorage, key, newValue: arguments[0] }));`,
    scheme,
  );

const axeSource = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

/** What axe finds on the page as it stands. */
async function violations(within: string, rules: string[] | null): Promise<Result[]> {
  const { driver } = bench;
  if (!(await driver.executeScript('return "axe" in window'))) await driver.executeScript(axeSource);
  return driver.executeAsyncScript(
    `const [within, rules, done] = arguments;
     axe.run(within, { resultTypes: ['violations'], preload: false, ...(rules && { runOnly: rules }) })
       .then(({ violations }) => done(violations), (error) => done([{ id: String(error), nodes: [{}] }]));`,
    within,
    rules,
  );
}

/**
 * Everything by day; by night what differs, the contrast.
 * @param within what of the page was not looked at before
 */
async function faults(within = 'html'): Promise<string[]> {
  const found: string[] = [];
  for (const scheme of ['light', 'dark'] as const) {
    await theme(scheme);
    // Whatever fades in must be there before its contrast is looked at.
    await bench.until('nothing that moves', () =>
      bench.driver.executeScript(
        `return document.getAnimations().every(({ playState, effect }) =>
           playState !== 'running' || effect.getComputedTiming().endTime === Infinity);`,
      ),
    );
    const shown = await bench.driver.executeScript<string>(
      'return document.documentElement.getAttribute("data-mantine-color-scheme")',
    );
    if (shown !== scheme) found.push(`the page is ${shown}, not ${scheme}`);
    for (const { id, nodes } of await violations(within, scheme === 'dark' ? ['color-contrast'] : null))
      for (const { html = '', failureSummary } of nodes)
        found.push(`${scheme}, ${id}: ${html.slice(0, 160)} ${failureSummary}`);
  }
  await theme('light');
  return found;
}

describe('by day and by night', () => {
  it.each(['brief', 'parts', 'wiring', 'feel', 'flow', 'screen', 'sound', 'trials'])(
    '%s has no fault',
    async (sheet) => {
      await bench.openKettle(sheet);
      if (sheet === 'feel') {
        await bench.click('Press it for me');
        await bench.until('measures', async () =>
          (await bench.text('main')).includes('Half of them known within'),
        );
      }
      if (sheet === 'trials') await bench.shows('Passes on');
      expect(await faults()).toEqual([]);
    },
  );

  it('a menu has no fault, with an item being written', async () => {
    // In a gadget of its own: a menu that stays is a snag, and the others are looked at without any.
    await bench.goto(`/g/${await bench.idOf('Reed Box')}/screen`);
    await bench.segment('Menus');
    await bench.click('Begin a menu');
    await bench.click('number');
    await bench.label('Step');
    await bench.until('its costs', async () => (await bench.text('main')).includes('Worked by'));
    expect(await faults('main')).toEqual([]);
  });

  it('what stands beside an instrument has no fault, while it plays', async () => {
    await bench.goto(`/g/${await bench.idOf('Reed Box')}/sound`);
    await bench.click('Play it from outside');
    await bench.click('Start the clock');
    await bench.until('its ticks', async () =>
      (await bench.text('table[aria-label="What went over the wires"]')).includes('the clock ticks'),
    );
    await bench.click('Stop the clock');
    expect(await faults('main')).toEqual([]);
  });

  it('a picture being drawn and the codes of lights have no fault', async () => {
    await bench.openKettle('screen');
    await bench.segment('Pictures');
    await bench.shows('shown on Stove, Simmering');
    await bench.clickLabel('Picture Steam');
    await bench.label('A frame every');
    expect(await faults('main')).toEqual([]);
    await bench.segment('Light codes');
    const told = By.xpath('//table[@aria-label="What Stove light tells"]//tr[contains(., "Cold")]');
    const row = await bench.until('what it tells', async () => (await bench.driver.findElements(told))[0]);
    expect(await row.getText()).toMatch(/amber blinking every 400\sms/);
    expect(await faults('main')).toEqual([]);
  });

  it('fonts, a display of characters and several elements in line have no fault', async () => {
    await bench.openKettle('screen');
    await bench.css('[role=group][aria-label^="Page "]');
    await (await bench.css('[role=group][aria-label^="Page "]')).sendKeys(']', '}');
    await bench.label('Left ends in line');
    await bench.driver.executeScript(
      `for (const summary of document.querySelectorAll('main summary')) summary.click();`,
    );
    await bench.label('Send so: All of it, the loop waits');
    expect(await faults('main')).toEqual([]);
    await bench.segment('Fonts');
    await bench.shows('On Simmering');
    expect(await faults('main')).toEqual([]);
    await bench.goto(`/g/${await bench.idOf('Cue Lantern')}/screen`);
    await bench.click('A character of its own');
    await bench.label('Dot 1, 1');
    expect(await faults('main')).toEqual([]);
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('undone', async () => !(await bench.text('main')).includes('Drawn dot by dot'));
  });

  it('the views of flow have no fault', async () => {
    await bench.openKettle('flow');
    await bench.shows('Little screen');
    const summaries = await bench.until('the panels', async () => {
      const found = await bench.driver.findElements(By.css('main summary'));
      return found.length === 3 && found;
    });
    // What one opens may still move the next.
    for (const summary of summaries)
      await bench.until('a panel open', async () => {
        const open = () =>
          bench.driver.executeScript<boolean>('return arguments[0].parentElement.open', summary);
        if (!(await open())) await summary.click();
        return open();
      });
    await bench.click('Add a layer');
    await bench.clickLabel('Stir in Always: ·');
    await bench.choose('More for rule 1 of Simmering', 'Why does it not fire?');
    await bench.clickLabel('Rule 2 of Simmering as text');
    await bench.label('The rule as text');
    expect(await faults('main')).toEqual([]);
    const waits: Record<string, string> = {
      Map: 'Blue: in hand',
      Grid: 'are open',
      Ask: 'Shortest ways for the tasks',
      Players: 'A round begins when',
      Compare: 'differences in what it does',
    };
    for (const [view, words] of Object.entries(waits)) {
      await bench.segment(view);
      await bench.until(words, async () => (await bench.text('main')).includes(words));
      if (view === 'Map') await bench.css('svg[aria-label="Map"] rect');
      if (view === 'Players') {
        await bench.click('Play them');
        await bench.until('rounds', async () => (await bench.text('main')).includes('1,000 rounds'));
      }
      expect(await faults('main')).toEqual([]);
    }
  });

  it('the views of feel have no fault', async () => {
    await bench.openKettle('feel');
    await bench.segment('Thousands');
    await bench.click('Try them all');
    await bench.shows('2000 presses each.');
    await bench.css('[aria-label="False or missed presses against latency"] svg');
    expect(await faults('main')).toEqual([]);
    await bench.segment('Captures');
    await bench.click('Take one from the practice device');
    await bench.shows('whole presses');
    expect(await faults('main')).toEqual([]);
    for (const label of ['Meaning', 'Code']) {
      await bench.segment(label);
      expect(await faults('main')).toEqual([]);
    }
    const id = await bench.idOf('Reed Box');
    await bench.goto(`/g/${id}/feel`);
    for (const control of ['Octave', 'Breath', 'Keys: all keys']) {
      const choice = By.xpath(`//main//option[.="${control}"]`);
      await (await bench.until(control, async () => (await bench.driver.findElements(choice))[0])).click();
      if (control === 'Octave') await bench.clickLabel('Turn Octave on');
      if (control === 'Breath') await bench.shows('What it comes to');
      expect(await faults('main')).toEqual([]);
    }
  });

  it('the views of the wiring have no fault', async () => {
    const id = await bench.idOf('Reed Box');
    await bench.goto(`/g/${id}/wiring`);
    for (const view of ['List', 'In this order', 'Sets of keys']) {
      await bench.segment(view);
      if (view === 'Sets of keys') await bench.shows('Resistor ladder on one analog pin');
      expect(await faults('main')).toEqual([]);
    }
    await bench.goto(`/g/${id}/parts`);
    await bench.click('Compare all boards');
    await bench.shows('Take it');
    await bench.click('Add a part');
    await bench.shows('Two contacts that tell steps and direction');
    expect(await faults()).toEqual([]);
  });

  it('a strip that is open, a sentence that is written and a gadget held large have no fault', async () => {
    await bench.openKettle();
    await bench.strip();
    await bench.clickLabel('Play on to a moment');
    await bench.label('Moment since power-up');
    await bench.press('Stir');
    await bench.label('Only if', '[aria-label="State Ready"] [aria-label="Rule 1"]');
    expect(await faults()).toEqual([]);
    await bench.clickLabel('Hold it large');
    await bench.label('Put it back');
    // What the button says of itself goes with the pointer.
    await bench.driver.actions().move({ x: 500, y: 20 }).perform();
    await bench.until(
      'the hint gone',
      async () => (await bench.driver.findElements(By.css('[role=tooltip]'))).length === 0,
    );
    expect(await faults()).toEqual([]);
  });

  it('the shelf with its pictures, and what one can begin with, have no fault', async () => {
    await bench.goto('/');
    await bench.until('all are known', async () =>
      bench.driver.executeScript('return document.querySelectorAll("main li [inert] figure").length > 3'),
    );
    expect(await faults()).toEqual([]);
    await bench.click('Start a gadget');
    await bench.shows('Booth panel');
    expect(await faults()).toEqual([]);
  });

  it('the drawers and dialogs have no fault', async () => {
    await bench.openKettle();
    await bench.shows('Little screen');
    await bench.clickLabel('Revisions');
    await bench.shows('on the bench now');
    expect(await faults()).toEqual([]);
    await bench.clickLabel('Close revisions');
    await bench.click('No snags');
    await bench.shows('The checks look again');
    expect(await faults()).toEqual([]);
    await bench.clickLabel('Close snags');
    await bench.clickLabel('Keys');
    await bench.shows('Commands, and all of the gadget');
    expect(await faults()).toEqual([]);
  });
});
