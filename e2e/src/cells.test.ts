import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

/** What the display in hand says, row by row. */
const inHand = () =>
  bench.driver.executeScript<string>(
    `return document.querySelector('[role=application] canvas[role=img]')?.getAttribute('aria-label') ?? ''`,
  );
const reads = (words: string) =>
  bench.until(`in hand: ${words}`, async () => (await inHand()).endsWith(words));

describe('a display of characters, from nothing', () => {
  it('has pages with values, and is told them over its bus', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Character display, two-wire', 'Push button');
    await bench.click('Flow');
    await bench.shows('No variables');
    await bench.driver.findElement(By.xpath('//summary[contains(., "No variables")]')).click();
    await bench.click('Add a variable');
    await bench.fill(await bench.label('Name of number1'), 'laps');
    await bench.fill(await bench.label('Name of the first state'), 'On', Key.ENTER);
    await bench.typeRule('On', 1, 'when "Push button" press do laps = laps + 1');
    await bench.click('Screen');
    // Two commands and 32 characters of six bytes each, of nine bits, at 100 kHz.
    await bench.shows('All of them take 18.4 ms over its bus, one 540 µs; the loop waits for it');
    await bench.shows('The first come 50 ms after power-up');
    await bench.click('Add a page');
    await bench.click('Text');
    await bench.fill(await bench.label('Text, with expressions in braces'), 'Laps {laps}', Key.ENTER);
    await reads('Laps 0 / ');
    await bench.press('Push button');
    await reads('Laps 1 / ');
    // In places, not in pixels: what needs those is not offered.
    const offered = await bench.text('[role=group][aria-label=Draw]');
    expect(offered).toContain('Bar');
    expect(offered).not.toContain('Dial');
    expect(offered).not.toContain('Picture');
  });

  it('is moved place by place, and told of where it does not fit', async () => {
    const board = () => bench.css('[aria-label^="Page Page 1, drawn"]');
    await (await board()).sendKeys('[', Key.ARROW_DOWN, Key.ARROW_RIGHT);
    await reads(' / Laps 1');
    await bench.shows('at 1 across, 1 down');
    await bench.fill(await bench.label('From the left'), '9', Key.ENTER);
    await bench.click('1 snag');
    await bench.shows(
      'takes up to 8 characters and reaches from place 9 to 16; Character display has 0 to 15',
    );
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await bench.shows('No snags');
  });

  it('has rows that rules write over its pages, and what it shows is seen state by state', async () => {
    await bench.click('Flow');
    await bench.clickLabel('Add a rule to On');
    await bench.leads('On', 2, 'Rest');
    await bench.choose('On entering Rest: add something that happens', 'Show text');
    await bench.fill(await bench.label('Text, with expressions in braces'), 'Resting', Key.ENTER);
    await bench.click('Screen');
    await bench.shows('What it shows, state by state');
    await bench.unfold('What it shows, state by state');
    const names = () => bench.shownStates();
    await bench.until('both', async () => (await names()).includes('Rest'));
    expect(await bench.complaints()).toEqual([]);
  });
});
