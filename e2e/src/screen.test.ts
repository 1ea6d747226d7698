import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

const element = (number: number) => `[aria-label="Element ${number}"]`;
const slot = (number: number, name: string) => bench.label(name, element(number));
const board = () => bench.css('[role=group][aria-label^="Page "]');

/** Pixels that are lit in what the display in hand shows. */
const litInHand = () =>
  bench.driver.executeScript<number>(
    `const canvas = document.querySelector('[role=application] canvas');
     const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
     let lit = 0;
     for (let at = 0; at < data.length; at += 4) if (data[at] > 128) lit += 1;
     return lit;`,
  );

const unfold = (words: string) =>
  bench.until(`${words} unfolded`, async () => {
    const [summary] = await bench.driver.findElements(By.xpath(`//summary[contains(., "${words}")]`));
    await summary?.click();
    return summary;
  });

describe('a screen from nothing', () => {
  it('is drawn, bound to values and played in under 40 clicks and fields', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.shows('A task is something a user wants done');
    bench.steps = 0;
    await bench.click('Parts');
    await bench.addParts('Push button');
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.shows('Small graphic display has no page yet');
    await bench.click('Flow');
    await unfold('No variables');
    await bench.click('Add a variable');
    await bench.fill(await bench.label('Name of number1'), 'laps');
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.shows('Nothing stands on this page yet');
    await bench.click('Text');
    await bench.fill(await slot(1, 'Text, with expressions in braces'), 'Laps {laps}', Key.ENTER);
    // Seen at once, when it has gone over the bus.
    await bench.shows('Small graphic display: Laps 0');
    await bench.click('Bar');
    await bench.until(
      'two elements',
      async () => (await bench.driver.findElements(By.css('li[aria-label^="Element "]'))).length === 2,
    );
    expect(await bench.text('main')).toContain('26.2 ms');

    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'State 1', Key.ENTER);
    await bench.clickLabel('Add a rule to State 1');
    await bench.choose('Rule 1 of State 1: add something that happens', 'Change a variable');
    await bench.press('Push button');
    await bench.shows('Small graphic display: Laps 1');
    expect(bench.steps).toBeLessThan(40);
    await bench.saved();
  });

  it('is looked at with other values, and with those in hand', async () => {
    await bench.click('Screen');
    await bench.segment('most');
    const big = () =>
      bench.driver.executeScript<string>('return document.querySelector("main canvas").toDataURL()');
    const before = await bench.driver.executeScript<string>(
      'return document.querySelectorAll("main canvas")[1].toDataURL()',
    );
    expect(await big()).not.toBe(before);
    await bench.segment('at first');
    await bench.until(
      'the same as the small one',
      async () =>
        (await big()) ===
        (await bench.driver.executeScript('return document.querySelectorAll("main canvas")[1].toDataURL()')),
    );
    await bench.segment('in hand');
  });

  it('is drawn on by mouse: what is taken is moved', async () => {
    const text = await board();
    const { width } = await text.getRect();
    const scale = width / 128;
    // The text begins in the upper left corner; a place is counted from the middle.
    const at = (x: number, y: number) => ({
      origin: text,
      x: Math.round((x - 64) * scale),
      y: Math.round((y - 32) * scale),
    });
    await bench.driver.actions().move(at(8, 4)).press().move(at(38, 24)).release().perform();
    await bench.until('the text moved', async () =>
      /at\s+30\s+across,\s+20\s+down/.test(await bench.text(element(1))),
    );
  });

  it('is drawn on by keys alone', async () => {
    await (
      await board()
    ).sendKeys(']', Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.chord(Key.SHIFT, Key.ARROW_DOWN));
    await bench.until('the bar moved', async () =>
      /at\s+2\s+across,\s+16\s+down/.test(await bench.text(element(2))),
    );
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('one step back', async () =>
      /at\s+2\s+across,\s+8\s+down/.test(await bench.text(element(2))),
    );
    await (await board()).sendKeys(Key.DELETE);
    await bench.until('the bar gone', async () => !(await bench.text('main')).includes('a bar of'));
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.shows('a bar of');
  });

  it('shows another page where a rule says so, goes dark with the power and comes back as it began', async () => {
    await bench.click('Add a page');
    await bench.fill(await bench.label('Name of page 2'), 'Finish', Key.ENTER);
    await bench.shows('nothing shows it');
    await bench.shows('1 snag');
    await bench.click('Flow');
    await bench.choose('Rule 1 of State 1: add something that happens', 'Show page Finish');
    await bench.press('Push button');
    await bench.until('an empty page', async () => (await litInHand()) === 0);
    await bench.clickLabel('Switch off and on');
    await bench.shows('Small graphic display: Laps 0');
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.shows('Small graphic display: Laps 0');
    await bench.until('drawn', async () => (await litInHand()) > 20);
  });

  it('has a notice over whatever is shown, while something holds', async () => {
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.click('Text');
    await bench.fill(await slot(1, 'Text, with expressions in braces'), 'Stop!', Key.ENTER);
    await bench.choose('More for page Page 3', 'Lay it over the others: a notice, a sign');
    await bench.shows('Small graphic display: Laps 0 / Stop!');
    await bench.fill(await bench.label('When Page 3 lies over the others'), 'laps > 1', Key.ENTER);
    await bench.shows('Small graphic display: Laps 0');
    await bench.press('Push button');
    await bench.until('an empty page', async () => (await litInHand()) === 0);
    await bench.press('Push button');
    await bench.shows('Small graphic display: Stop!');
  });

  it('is found from the value that it shows', async () => {
    await bench.click('Flow');
    await unfold('1 variable');
    await bench.choose('Where laps is used', 'page Page 1');
    await bench.until('its page', async () => (await bench.driver.getCurrentUrl()).includes('/screen'));
    await bench.css('[aria-label="Page Page 1"][aria-pressed="true"]');
  });

  it('says what does not fit, and leads there', async () => {
    await bench.click('Screen');
    await bench.clickLabel('Page Page 1');
    await bench.fill(
      await slot(1, 'Text, with expressions in braces'),
      'Laps that were walked {laps}',
      Key.ENTER,
    );
    await bench.click('1 snag');
    await bench.shows('reaches from pixel 30 to');
  });
});

describe('a wave of what sounds', () => {
  it('is a line while nothing does, and goes up and down with the pitch that a press gives', async () => {
    await bench.fresh('Ready', 'Piezo sounder, passive', 'Push button');
    await bench.typeRule('Ready', 1, 'when "Push button" press do "Piezo sounder" tone 400');
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.click('Add a page');
    await bench.click('Wave of what sounds');
    await bench.until('a line', async () => (await litInHand()) === 64);
    await bench.press('Push button');
    // Four turns in 10 ms, 16 pixels each: a line broken by seven edges, 16 pixels high.
    await bench.until('four turns', async () => (await litInHand()) === 64 + 7 * 15);
    await bench.fill(await slot(1, 'From one end to the other'), '5');
    await bench.until('two turns', async () => (await litInHand()) === 64 + 3 * 15);
    await bench.clickLabel('Switch off and on');
    await bench.until('a line again', async () => (await litInHand()) === 64);
  });
});
