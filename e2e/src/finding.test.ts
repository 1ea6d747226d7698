import { By, Key } from 'selenium-webdriver';
import { doable } from '../../web/src/app/doable.ts';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const path = () => bench.driver.executeScript<string>('return location.pathname + location.search');
const command = async (words: string) => {
  // The one before may still be closing, and takes keys until it has.
  await bench.until(
    'no palette',
    async () => (await bench.driver.findElements(By.css('[aria-label="Command"]'))).length === 0,
  );
  await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'k'));
  const field = await bench.label('Command');
  await field.sendKeys(words);
  await bench.until(`${words} offered first`, async () => {
    const first = await bench.css('.mantine-Spotlight-action');
    const label = (await first.getText()).toLowerCase();
    return words.split(' ').every((word) => label.includes(word));
  });
  return field;
};

describe('the shelf', () => {
  it('shows each gadget as it is switched on, what it is for, its snags and its trials', async () => {
    await bench.goto('/');
    await bench.shows('A pocket game for the queue at the ticket cart.');
    await bench.until('all are known', async () => {
      const text = await bench.text('main');
      return text.match(/no snags/g)?.length === 4 && /3 trials pass/.test(text);
    });
    await bench.until('their pictures', async () =>
      bench.driver.executeScript(
        `return [...document.querySelectorAll('main li')].every((row) => row.querySelector('[inert] figure'))
          && document.querySelector('main [aria-label*="Press to light"]') !== null`,
      ),
    );
    await (await bench.label('Filter by name')).sendKeys('weather');
    await bench.until(
      'found by what it is for',
      async () => (await bench.driver.findElements(By.css('main li'))).length === 1,
    );
  });

  it('has one button for a first visit, which goes with it', async () => {
    await bench.goto('/');
    await bench.click('Play the demo');
    await bench.label('Press Stir');
    await bench.goto('/');
    await bench.button('Start a gadget');
    expect(await bench.driver.findElements(By.xpath('//button[normalize-space()="Play the demo"]'))).toEqual(
      [],
    );
  });

  it('begins with a small gadget that works, and keeps its trial', async () => {
    await bench.startGadget('Gate counter');
    await bench.shows('Display: Guests 0');
    // A press must not grow into a hold, which begins again.
    await bench.pace('¼');
    await bench.press('Count', 200);
    await bench.shows('Display: Guests 1');
    await bench.click('Trials');
    await bench.click('Run this one');
    await bench.shows('passed on 1');
  });
});

describe('commands by name', () => {
  it('lead to a rule, which has the focus, and back again', async () => {
    await bench.openKettle('parts');
    await (await command('rule 1 of ready')).sendKeys(Key.ENTER);
    await bench.until('the rule has the focus', async () =>
      bench.driver.executeScript(
        'return document.activeElement.textContent.includes("Stir is pressed") && document.activeElement.id.startsWith("place-")',
      ),
    );
    expect(await path()).toMatch(/flow$/);
    await bench.driver.navigate().back();
    await bench.until('back', async () => (await path()).endsWith('/parts'));
  });

  it('go back to where a sheet was left', async () => {
    await bench.openKettle('parts');
    // The sheet is drawn after the gadget in hand.
    await bench.until('scrolled', async () =>
      bench.driver.executeScript(
        'const sheet = document.querySelector("main"); sheet.scrollTo(0, 300); return sheet.scrollTop === 300',
      ),
    );
    await bench.driver.sleep(100);
    await (await command('state simmering')).sendKeys(Key.ENTER);
    await bench.until('at the state', async () => (await path()).endsWith('/flow'));
    await bench.driver.navigate().back();
    await bench.until('where it was', async () =>
      bench.driver.executeScript('return document.querySelector("main").scrollTop === 300'),
    );
  });

  it('reach parts, trials, views, and what can be done on any sheet', async () => {
    await bench.openKettle('flow');
    await (await command('part stove')).sendKeys(Key.ENTER);
    await bench.until('the part', async () => (await path()).endsWith('/parts'));
    await (await command('trial ticket')).sendKeys(Key.ENTER);
    await bench.until('the trial', async () => /trials\?trial=/.test(await path()));
    await (await command('players')).sendKeys(Key.ENTER);
    await bench.until('the view', async () => (await path()).endsWith('?view=players'));
    await (await command('parts: add a part')).sendKeys(Key.ENTER);
    await bench.label('Find a part');
    await (await bench.label('Find a part')).sendKeys(Key.ESCAPE);
  });

  it('name what is really there', async () => {
    const id = await bench.openKettle('flow');
    for (const [sheet, all] of Object.entries(doable)) {
      await bench.goto(`/g/${id}/${sheet}`);
      for (const [first] of all) await bench.button(first);
    }
  });

  it('? tells the keys of the place where one is first', async () => {
    await bench.openKettle('flow');
    const first = async () => {
      await bench.driver.actions().sendKeys('?').perform();
      const title = await bench.until('titles', async () =>
        bench.driver.executeScript<string>('return document.querySelector("[role=dialog] h3")?.textContent'),
      );
      await bench.driver.actions().sendKeys(Key.ESCAPE).perform();
      await bench.until(
        'closed',
        async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
      );
      return title;
    };
    expect(await first()).toBe('In Flow');
    await bench.driver.executeScript('document.querySelector("[role=application]").focus()');
    expect(await first()).toBe('In hand');
  });
});

describe('many at once', () => {
  it('three more like a button answer as it does, and one undo takes them back', async () => {
    await bench.goto('/');
    await bench.startGadget('Gate counter');
    await bench.shows('Display: Guests 0');
    await bench.click('Parts');
    await bench.clickLabel('Push button: figures of Count');
    await bench.fill(await bench.label('How many more like Count'), '3');
    await bench.click('more like it, with its rules');
    await bench.shows('3 more are there, numbered on');
    await bench.press('Count 4');
    await bench.shows('Display: Guests 1');
    await bench.press('Count 2');
    await bench.shows('Display: Guests 2');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until(
      'one button again',
      async () => (await bench.driver.findElements(By.css('[aria-label^="Press Count"]'))).length === 1,
    );
  });

  it('two more like a light that is wired have pins of their own, and nothing else is moved', async () => {
    const id = await bench.openKettle('parts');
    const wires = async (): Promise<{ ownerId: string; terminal: string; to: { pin?: string } }[]> =>
      (await bench.server.ask('GET', `/gadgets/${id}`)).body.document.wiring.wires;
    const before = await wires();
    await (await bench.css('[aria-label$=": figures of Stove light"]')).click();
    await bench.fill(await bench.label('How many more like Stove light'), '2');
    await bench.click('more like it, with its rules');
    await bench.shows('2 more are there, numbered on, and wired to pins that are free.');
    await bench.saved();
    const after = await bench.until('saved with its wires', async () => {
      const now = await wires();
      return now.length > before.length && now;
    });
    expect(after).toEqual(expect.arrayContaining(before));
    const owners = new Set(before.map(({ ownerId }) => ownerId));
    const fresh = after.filter(({ ownerId, terminal }) => !owners.has(ownerId) && terminal === 'anode');
    const pins = new Set(
      [...before, ...fresh].flatMap(({ terminal, to }) => (terminal === 'anode' ? [to.pin] : [])),
    );
    expect([fresh.length, pins.size]).toEqual([2, 3]);
    // Nor is it on a pin that anything else uses.
    for (const { to } of fresh) expect(before.map((wire) => wire.to.pin)).not.toContain(to.pin);
  });

  it('what is changed of one is offered for those like it, as one step of undo', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('3 push buttons', '2 lights');
    await bench.fill(await bench.label('Price of one Push button 2'), '0.70', Key.ENTER);
    const offered = () => bench.text('[aria-label="Others like it"]');
    await bench.until('what was changed', async () =>
      (await offered()).includes(
        'Only Push button 2 was changed. Push button and Push button 3 are of the same',
      ),
    );
    await bench.click('Change these 2 too');
    const prices = async () =>
      Promise.all(
        ['Push button', 'Push button 2', 'Push button 3'].map(async (name) =>
          (await bench.label(`Price of one ${name}`)).getAttribute('value'),
        ),
      );
    await bench.until('all three', async () => new Set(await prices()).size === 1);
    await bench.until(
      'nothing more to offer',
      async () => (await bench.driver.findElements(By.css('[aria-label="Others like it"]'))).length === 0,
    );
    await bench.clickLabel('Undo the last step');
    await bench.until('one alone', async () => new Set(await prices()).size === 2);
    await bench.saved();
  });
});
