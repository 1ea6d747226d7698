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
    // Unnamed, it has a number.
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
    await bench.leads('State 1', 1, 'Lit');
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

describe('made by slots alone', () => {
  /** A new gadget of nothing, on Parts. */
  const begin = async () => {
    await bench.goto('/');
    bench.steps = 0;
    await bench.startGadget();
    await bench.click('Parts');
  };
  const current = (state: string) => bench.css(`[aria-label="State ${state}"][aria-current]`);
  /** Adds a rule, by what is offered for that state. */
  const rule = (state: string, when = '') => bench.clickLabel(`Add a rule to ${state}${when}`);
  const time = ' for when time has passed';

  it('a duel of two players takes fewer than 40 clicks and fields, and plays', async () => {
    await begin();
    await bench.addParts('2 push buttons', '3 lights', 'piezo');
    await bench.fill(await bench.label('Name of Push button'), 'Left', Key.ENTER);
    await bench.fill(await bench.label('Name of Push button 2'), 'Right', Key.ENTER);
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'Ready', Key.ENTER);
    await rule('Ready');
    await bench.leads('Ready', 1, 'Waiting');
    await rule('Waiting', time);
    await bench.fill(await bench.slot('Waiting', 1, 'Time since entering'), '1000 + random(1500)', Key.ENTER);
    await bench.leads('Waiting', 1, 'Now');
    // Too early loses: each rule waits for the next button that the state makes nothing of.
    await rule('Waiting');
    await bench.leads('Waiting', 2, 'Right wins');
    await rule('Waiting');
    await bench.leads('Waiting', 3, 'Left wins');
    await rule('Now');
    await bench.leads('Now', 1, 'Left wins');
    await rule('Now');
    await bench.leads('Now', 2, 'Right wins');
    for (const winner of ['Left wins', 'Right wins']) {
      await rule(winner, time);
      await bench.leads(winner, 1, 'Ready');
    }
    for (const [state, lit] of [
      ['Now', 'Light on'],
      ['Left wins', 'Light 2 on'],
      ['Right wins', 'Light 3 on'],
    ])
      await bench.choose(`On entering ${state}: add something that happens`, lit!);
    await bench.choose('On entering Now: add something that happens', 'Sound a tone');
    expect(bench.steps).toBeLessThan(40);

    await bench.press('Left');
    await current('Now');
    await bench.shows('Light: on');
    // The winner is shown for a second.
    await bench.pace('¼');
    await bench.press('Right', 200);
    await current('Right wins');
    await bench.shows('Light 3: on');
    await bench.shows('Light: off');
    await bench.pace('1×');
    await current('Ready');
    await bench.shows('Light 3: off');
    // Too early.
    await bench.pace('¼');
    await bench.press('Left', 200);
    await current('Waiting');
    await bench.press('Left', 200);
    await current('Right wins');
    await bench.pace('1×');
    await bench.saved();
  });

  it('regions, an end and a way back are added where states are', async () => {
    const more = 'Add a state of another kind';
    await bench.choose(more, '∥ Add one with regions, all at once (parallel)');
    await bench.label('State State 6');
    await bench.choose(more, '◉ Add an end (final)');
    await bench.label('State End');
    await bench.choose(more, '↺ Add a way back to where State 6 was left (history)');
    await bench.until('history at the end of the list', async () =>
      /↺ Back to State 6/.test(await bench.text('[aria-label="States"]')),
    );
    await bench.choose('More for State 7', 'Add a state inside');
    await bench.label('State State 11');
    expect(await bench.text('[aria-label="States"]')).toMatch(/∥ State 6[^]*State 7[^]*State 11[^]*State 8/);
    await bench.saved();
  });

  it('a timer of one button and sixteen lights takes fewer than 30, and runs down', async () => {
    await begin();
    await bench.addParts('push button', 'light chain', 'piezo');
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'Idle', Key.ENTER);
    await rule('Idle');
    await bench.leads('Idle', 1, 'Running');
    await bench.choose('On entering Running: add something that happens', 'Light chain lit');
    // One light less, sixteen times.
    await rule('Running', time);
    await bench.pick(await bench.slot('Running', 1, 'When'), 'every');
    await bench.fill(await bench.slot('Running', 1, 'Time since entering'), '100 ms', Key.ENTER);
    await bench.choose('Rule 1 of Running: add something that happens', 'Move lights on');
    await bench.pick(await bench.label('Round, or leaving dark'), 'move on by');
    await rule('Running', time);
    await bench.fill(await bench.slot('Running', 2, 'Time since entering'), '1650 ms', Key.ENTER);
    await bench.leads('Running', 2, 'Over');
    await bench.choose('On entering Over: add something that happens', 'Sound a tone');
    await rule('Over');
    await bench.leads('Over', 1, 'Idle');
    expect(bench.steps).toBeLessThan(30);

    await bench.press('Push button');
    await current('Running');
    await current('Over');
    await bench.saved();
  });
});
