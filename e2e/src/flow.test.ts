import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
let id = '';

/** A button, a light and a line of text, and nothing that happens yet. */
async function makeGadget(name: string): Promise<string> {
  const { body } = await bench.server.ask('POST', '/gadgets', { name });
  return (body as { id: string }).id;
}

beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

const current = (state: string) => bench.css(`[aria-label="State ${state}"][aria-current]`);
const nameField = (state: string) =>
  bench.css(`[aria-label="State ${state}"] input[aria-label="Name of the state"]`);
const rename = async (from: string, to: string) => {
  await bench.fill(await nameField(from), to, Key.ENTER);
  await bench.label(`State ${to}`);
};
const openSnags = async () => {
  const button = By.xpath(
    '//*[@aria-label="This gadget"]//button[contains(., "snag") and not(contains(., "No"))]',
  );
  await (await bench.until('snags', async () => (await bench.driver.findElements(button))[0])).click();
};

describe('a game of three states', () => {
  it('is made from nothing by mouse, and plays', async () => {
    id = await makeGadget('Quick hands');
    await bench.goto(`/g/${id}/parts`);
    await bench.addParts('Push button', 'single light-emitting');
    await bench.click('Flow');
    await bench.click('Add a state');
    await rename('State 1', 'Waiting');
    await bench.click('Add a state');
    await rename('State 2', 'Now');
    await bench.click('Add a state');
    await rename('State 3', 'Done');
    // Before anything leads there: a second is soon over.
    await bench.choose('On entering Now: add something that happens', 'Set a light');
    await bench.choose('On entering Done: add something that happens', 'Set a light');
    await bench.clickLabel('Add a rule to Waiting');
    await bench.pick(await bench.slot('Waiting', 1, 'When'), 'after');
    await bench.leads('Waiting', 1, 'Now');
    await bench.clickLabel('Add a rule to Now');
    await bench.leads('Now', 1, 'Done');
    await current('Now');
    await bench.shows('Light: on');
    await bench.press('Push button');
    await current('Done');
    await bench.saved();
  });

  it('has a dead end, which is found and mended', async () => {
    await openSnags();
    await bench.shows('Once in Done, no rule leaves it');
    const way = By.xpath('//li[contains(., "Once in Done")]//button[contains(., "Play the way there")]');
    await bench.driver.findElement(way).click();
    // It begins at power-up, and comes there by itself.
    await current('Waiting');
    await current('Done');
    await openSnags();
    await bench.click('Let a tap of Push button lead to Waiting');
    await bench.until('mended', async () => !(await bench.text('[role=dialog]')).includes('Once in Done'));
    await bench.clickLabel('Close snags');
    await bench.slot('Done', 1, 'Then');
  });

  it('stands in the grid, where what is open is filled or meant so', async () => {
    await bench.segment('Grid');
    await bench.shows('are open: nothing answers there');
    await bench.choose('Waiting, Push button is pressed: open', 'Ignored on purpose');
    await bench.label('Waiting, Push button is pressed: ignored on purpose');
    await bench.choose('Now, Push button is tapped: open', 'Add a rule to Now for it');
    await bench.leads('Now', 2, 'Waiting');
    await bench.segment('Grid');
    await bench.label('Now, Push button is tapped: → Waiting');
  });

  it('is drawn as a map that leads back to the cards', async () => {
    await bench.segment('Map');
    const box = await bench.until(
      'the box',
      async () =>
        (
          await bench.driver.findElements(
            By.xpath('//*[name()="svg"]//*[name()="g"][*[name()="title" and .="Done"]]'),
          )
        )[0],
    );
    await bench.driver.executeScript(
      'arguments[0].dispatchEvent(new MouseEvent("click", { bubbles: true }))',
      box,
    );
    await bench.css('[aria-label="State Done"].found');
  });

  it('answers a question with a way that plays', async () => {
    await bench.segment('Ask');
    await bench.until('all is looked at', async () =>
      /All \d+ states were looked at/.test(await bench.text('main')),
    );
    await bench.pick(await bench.label('What is asked'), 'Is it never so that');
    await bench.fill(await bench.label('A condition, such as in(Ready) && heat > 3'), 'in(Dnoe)', Key.ENTER);
    await bench.shows('Did you mean Done?');
    const condition = await bench.label('A condition, such as in(Ready) && heat > 3');
    await bench.fill(condition, 'in(D', '');
    await bench.css('[role=option]');
    await condition.sendKeys(Key.ARROW_DOWN, Key.ENTER);
    expect(await condition.getAttribute('value')).toBe('in(Done) ');
    await condition.sendKeys(Key.ENTER);
    await bench.click('Ask');
    await bench.shows('No: it can be. This is the shortest way:');
    await bench.shows('Push button is pressed and kept down');
    await bench.click('Play it in hand');
    await bench.segment('Rules');
    await current('Done');
  });

  it('is played a thousand times by somebody who does nothing', async () => {
    await bench.segment('Players');
    await bench.click('Play them');
    await bench.until('a thousand', async () => (await bench.text('main')).includes('1,000 rounds'));
    await bench.until('outcomes', async () =>
      /100\.0\s%/.test(await bench.text('[aria-label="What came of it"]')),
    );
  });

  it('has its rules as text, with what could be typed next, and errors at their place', async () => {
    await bench.segment('Rules');
    await bench.clickLabel('Rule 1 of Now as text');
    const line = await bench.label('The rule as text');
    expect(await line.getAttribute('value')).toBe('when "Push button" press then Done');
    await bench.fill(line, 'when "Push button" press do Light onn then Done', Key.ESCAPE);
    await bench.clickLabel('Rule 1 of Now as text');
    const again = await bench.label('The rule as text');
    await bench.fill(again, 'when "Push button" press do Light bl', '');
    await bench.until(
      'an offer',
      async () => (await bench.driver.findElements(By.css('[role=option]'))).length > 0,
    );
    await again.sendKeys('onk', Key.ENTER);
    await bench.until('the error', async () =>
      /expected .*blink/.test(await bench.text('[aria-label="State Now"] [role=alert]')),
    );
    await bench.fill(again, 'when "Push button" press do Light blink 500 ms then Done', Key.ENTER);
    await bench.slot('Now', 1, 'Blinking period');
    await bench.saved();
  });

  it('leaves out what nothing depends on, until it is asked for', async () => {
    await bench.driver.findElement(By.xpath('//summary[contains(., "No variables")]')).click();
    await bench.click('Add a variable');
    const field = await bench.css('input[aria-label^="Name of "].number');
    const name = await field.getAttribute('value');
    await bench.clickLabel('Rule 1 of Now as text');
    const line = `when "Push button" press do ${name} = ${name} + 1; Light blink 500 ms then Done`;
    await bench.fill(await bench.label('The rule as text'), line, Key.ENTER);
    await bench.slot('Now', 1, 'New value');
    await bench.segment('Ask');
    await bench.shows(`Nothing depends on ${name}: followed only when asked for.`);
    await bench.pick(await bench.label('What is asked'), 'Does it stay in range:');
    await bench.fill(await bench.label('At most'), '1', Key.ENTER);
    await bench.click('Ask');
    await bench.shows('No: this takes it outside:');
    await bench.until(
      'it is followed now',
      async () => !(await bench.text('main')).includes('Nothing depends on'),
    );
    await bench.saved();
  });

  it('opens the shut panel that holds what a snag is about', async () => {
    await bench.goto(`/g/${id}/flow`);
    await bench.clickLabel('Rule 1 of Now as text');
    const line = await bench.label('The rule as text');
    const typed = (await line.getAttribute('value')) ?? '';
    await bench.fill(line, typed.replace('+ 1;', '+ 90;'), Key.ENTER);
    await bench.until('the snag', async () => /snag/.test(await bench.text('[aria-label="This gadget"]')));
    await bench.driver.findElement(By.xpath('//button[contains(., "snag")]')).click();
    const where = By.xpath('//li[contains(., "L09")]//button[contains(., "Show where")]');
    await (await bench.until('L09', async () => (await bench.driver.findElements(where))[0])).click();
    await bench.css('details[open] [id^="place-v"]');
    await bench.saved();
  });

  it('is played by one who knows the way, at several degrees of difficulty', async () => {
    await bench.segment('Players');
    await bench.pick(await bench.label('Player'), 'takes the shortest way to');
    await bench.pick(await bench.label('Where it wants to go'), 'Done');
    await bench.pick(await bench.label('How a round begins'), 'the power comes on');
    await (await bench.css('main details summary')).click();
    await bench.driver.findElement(By.xpath('//fieldset//label[contains(., "Done")]/input')).click();
    const [variable] = await bench.driver.findElements(
      By.css('[aria-label="Difficulty"] option:nth-child(2)'),
    );
    await bench.pick(await bench.label('Difficulty'), await variable!.getText());
    await bench.fill(await bench.label('Rounds'), '200', Key.ENTER);
    await bench.click('Play them');
    await bench.label('By difficulty');
    await bench.until('five degrees to the end', async () => {
      const rows = (await bench.text('[aria-label="By difficulty"] tbody')).split('\n');
      return rows.filter((row) => /100\.0\s%/.test(row)).length === 5;
    });
    await bench.segment('Rules');
  });

  it('says why a rule did not fire, at the moment that the strip stands at', async () => {
    await bench.segment('Rules');
    await bench.choose('More for rule 1 of Now', 'Why does it not fire?');
    await bench.until('an answer', async () =>
      /It did fire|was not active|came last at|has not come/.test(
        await bench.text('[aria-label="Why it did not fire"]'),
      ),
    );
    await bench.click('Close');
  });

  it('copies a state with all in it, and takes a flow from a file with what was left out', async () => {
    await bench.choose('More for Now', 'Copy, to paste here or in another gadget');
    await bench.click('Paste Now');
    await bench.until(
      'two of them',
      async () => (await bench.driver.findElements(By.css('[aria-label="State Now"]'))).length === 2,
    );
    await bench.segment('Map');
    const file = join(tmpdir(), 'hum-lever-e2e.scxml');
    writeFileSync(
      file,
      '<scxml xmlns="http://www.w3.org/2005/07/scxml" version="1.0"><state id="calm"><onentry><log/></onentry><transition event="gust" target="wild"/></state><state id="wild"/></scxml>',
    );
    await (await bench.css('main input[type=file]')).sendKeys(file);
    await bench.shows('<log> cannot be carried over');
    await bench.segment('Rules');
    await bench.label('State calm');
    await bench.label('State wild');
    await bench.saved();
  });

  it('is compared with what it was before', async () => {
    await bench.segment('Compare');
    await bench.until('the difference', async () =>
      /Waiting|calm/.test(await bench.text('[aria-label="What changed"]')),
    );
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.segment('Rules');
    await bench.label('State Waiting');
    await bench.saved();
  });
});

describe('by keyboard alone', () => {
  /** Tab by tab, until what has the focus is called that. */
  async function tabTo(name: RegExp): Promise<void> {
    const { driver } = bench;
    for (let n = 0; n < 150; n += 1) {
      const focused = await driver.executeScript<string>(
        `const e = document.activeElement;
         return e.getAttribute('aria-label') ?? (e.labels && e.labels[0] ? e.labels[0].textContent : '') ?? '';`,
      );
      const text = await driver.executeScript<string>('return document.activeElement.textContent');
      if (name.test(focused || text)) return;
      await driver.actions().sendKeys(Key.TAB).perform();
    }
    throw new Error(`tabbed in vain for ${name}`);
  }
  const keys = (...typed: string[]) =>
    bench.driver
      .actions()
      .sendKeys(...typed)
      .perform();
  const focus = () => bench.driver.switchTo().activeElement();

  it('three states and their rules are made, and played', async () => {
    const other = await makeGadget('Quick keys');
    await bench.goto(`/g/${other}/parts`);
    await bench.addParts('Push button', 'single light-emitting');
    await bench.goto(`/g/${other}/flow`);
    await bench.click('Add a state');
    for (const [n, name] of [
      ['1', 'One'],
      ['2', 'Two'],
      ['3', 'Three'],
    ] as const) {
      if (n !== '1') {
        await tabTo(/^Add a state$/);
        await keys(Key.ENTER);
      }
      await bench.label(`State State ${n}`);
      await bench.driver.executeScript(
        `document.querySelector('[aria-label="State State ${n}"]').scrollIntoView()`,
      );
      await bench.until('the name', async () => {
        await tabTo(/^Name of the state$/);
        if ((await focus().getAttribute('value')) === `State ${n}`) return true;
        await keys(Key.TAB);
        return false;
      });
      await focus().sendKeys(Key.chord(Key.CONTROL, 'a'), name, Key.ENTER);
      await bench.label(`State ${name}`);
    }
    for (const [from, to] of [
      ['One', 'Two'],
      ['Two', 'Three'],
      ['Three', 'One'],
    ] as const) {
      await tabTo(new RegExp(`^Add a rule to ${from}$`));
      await keys(Key.ENTER);
      await bench.until('the rule', async () => {
        await tabTo(/^Then$/);
        const owner = await bench.driver.executeScript<string>(
          'return document.activeElement.closest("[aria-label^=State]").getAttribute("aria-label")',
        );
        if (owner === `State ${from}`) return true;
        await keys(Key.TAB);
        return false;
      });
      await keys(`go to ${to}`, Key.ENTER);
      await bench.until('chosen', async () => (await focus().getAttribute('value')) === `go to ${to}`);
    }
    await keys(Key.ESCAPE);
    await bench.playKey(Key.SPACE);
    await current('Two');
    await bench.playKey(Key.SPACE);
    await current('Three');
  });
});
