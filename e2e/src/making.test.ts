import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(120_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

describe('from nothing', () => {
  it('a maker adds a button, a light, two states and a rule, and plays', async () => {
    await bench.goto('/');
    await bench.shows('The shelf is empty');
    await bench.startGadget();
    await bench.shows('A task is something a user wants done');
    await bench.fill(await bench.css('textarea'), 'To light the booth');
    await bench.click('Add a task');
    await bench.fill(await bench.label('Task'), 'Light it', Key.ENTER);

    await bench.click('Parts');
    await bench.addParts('Push button', 'single light-emitting', 'Character display, two-wire', 'Piezo');
    await bench.label('Press Push button');

    await bench.click('Flow');
    await bench.click('Add a state');
    await bench.label('State State 1');
    await bench.click('Add a state');
    await bench.fill(
      await bench.css('[aria-label="State State 2"] input[aria-label="Name of the state"]'),
      'Lit',
      Key.ENTER,
    );
    await bench.choose('On entering Lit: add something that happens', 'Set a light');
    await bench.choose('On entering Lit: add something that happens', 'Show text');
    await bench.choose('On entering Lit: add something that happens', 'Sound a tone');
    await bench.clickLabel('Add a rule to State 1');
    await bench.pick(await bench.css('[aria-label="State State 1"] select[aria-label="Then"]'), 'go to Lit');
    await bench.press('Push button');
    await bench.shows('Light: on');
    await bench.shows('Character display: Hello');
    await bench.css('[aria-label="State Lit"][aria-current]');
    // Nothing leaves Lit: that is a snag already.
    await bench.until('snags', async () => /snag/.test(await bench.text('[aria-label="This gadget"]')));
    await bench.saved();
  });

  it('undoes all the way and redoes all the way', async () => {
    const states = () => bench.driver.findElements(By.css('[aria-label^="State "]'));
    const body = await bench.css('body');
    await bench.until('nothing left', async () => {
      await body.sendKeys(Key.chord(Key.CONTROL, 'z'));
      return (await states()).length === 0;
    });
    await bench.until('all back', async () => {
      await body.sendKeys(Key.chord(Key.CONTROL, Key.SHIFT, 'z'));
      return (
        (
          await bench.driver.findElements(
            By.css('[aria-label="State Lit"] [data-word="Text, with expressions in braces"]'),
          )
        ).length === 1
      );
    });
    await bench.saved();
  });

  it('everything is there after a reload', async () => {
    await bench.until(
      'redo is done',
      async () =>
        (await bench.driver.findElements(By.css('[aria-label="Nothing to redo"]'))).length === 1 ||
        ((await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, Key.SHIFT, 'z')), false),
    );
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.press('Push button');
    await bench.shows('Light: on');
    await bench.click('Brief');
    await bench.until(
      'the purpose',
      async () => (await (await bench.css('textarea')).getAttribute('value')) === 'To light the booth',
    );
  });

  it('commands are found by name', async () => {
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'k'));
    await (await bench.label('Command')).sendKeys('go to feel', Key.ENTER);
    await bench.shows('The last press of Push button');
    await bench.click('Press it for me');
    await bench.shows('The same press, cleaned by each method');
    await bench.until('measures', async () =>
      (await bench.text('main')).includes('Half of them known within'),
    );
    await bench.clickLabel('Use Wait until steady (stable for T)');
    await bench.until('in use', async () =>
      /Wait until steady[^]*in hand/.test(await bench.text('[data-chosen]')),
    );
  });
});

describe('the shelf', () => {
  it('renames, duplicates, bins, takes out and filters', async () => {
    await bench.goto('/');
    await bench.choose('More for New gadget', 'Rename');
    await bench.fill(await bench.label('New name'), 'Booth light', Key.ENTER);
    await bench.shows('Booth light');
    await bench.choose('More for Booth light', 'Duplicate');
    await bench.shows('Booth light (copy)');
    await bench.choose('More for Booth light (copy)', 'Put into the bin');
    await bench.until('gone', async () => !(await bench.text('main')).includes('(copy)'));
    await (await bench.driver.findElement(By.xpath('//label[.="Bin"]'))).click();
    await bench.shows('Booth light (copy)');
    await bench.click('Take out');
    await bench.shows('The bin is empty');
    await (await bench.driver.findElement(By.xpath('//label[.="Shelf"]'))).click();
    await (await bench.label('Filter by name')).sendKeys('(copy)');
    await bench.until(
      'one left',
      async () => (await bench.driver.findElements(By.css('main li'))).length === 1,
    );
  });

  it('takes in a file that is dropped on it', async () => {
    await bench.goto('/');
    await bench.shows('Booth light');
    const { body } = await bench.server.ask('GET', '/gadgets');
    const file = await (await fetch(`${bench.server.url}/api/gadgets/${body[0].id}/file`)).text();
    await bench.driver.executeScript(
      `const data = new DataTransfer();
       data.items.add(new File([arguments[0]], 'dropped.gadget.json', { type: 'application/json' }));
       const send = (type, on) => on.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }));
       send('dragenter', document.body);
       setTimeout(() => send('drop', document.querySelector('.mantine-Dropzone-root')), 300);`,
      file.replace(/"name": "Booth light[^"]*"/, '"name": "Dropped in"'),
    );
    await bench.shows('Dropped in');
  });
});
