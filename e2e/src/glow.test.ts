import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

/** How bright a display in hand is, 1: as usual. */
const bright = async () => {
  const [glass] = await bench.driver.findElements(By.css('[role=application] figure > div'));
  const filter = await glass!.getCssValue('filter');
  return filter === 'none' ? 1 : Number(/brightness\(([\d.]+)\)/.exec(filter)![1]);
};
const shines = (what: string, probe: (bright: number) => boolean) =>
  bench.until(what, async () => probe(await bright()));

describe('a display on a cell, from nothing', () => {
  it('is told of for staying bright, and dims by itself once that is mended', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small graphic display, two-wire', 'Push button');
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.click('Text');
    // Without a cell there is nothing to spare.
    await bench.shows('while it shows this, with');
    await bench.click('Parts');
    await bench.addParts('Lithium cell');
    await bench.click('1 snag');
    await bench.shows('Bright while nobody looks');
    await bench.shows('By itself that would empty Lithium cell in 35 hours');
    await bench.click('Dim it to 20 % after 30 s untouched');
    await bench.shows('No snags');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.click('Screen');
    expect(await (await bench.label('Dims after')).getAttribute('value')).toMatch(/^30\s/);
  });

  it('is bright again at a touch', async () => {
    await bench.fill(await bench.label('Dims after'), '2');
    await bench.clickLabel('Switch off and on');
    await shines('it dims', (is) => is > 0.4 && is < 0.7);
    await bench.press('Push button');
    await shines('it is bright', (is) => is === 1);
    await shines('it dims again', (is) => is < 0.7);
    // As it was: nothing dims.
    await bench.pick(await bench.label('Where nobody touches anything'), 'stays as bright as it is');
    await shines('it stays bright', (is) => is === 1);
    await bench.shows('1 snag');
    await bench.pick(await bench.label('Where nobody touches anything'), 'dims by itself');
    await bench.shows('No snags');
  });

  it('is as high as it was wide where it is fitted a quarter turned', async () => {
    await bench.click('Parts');
    await (await bench.css('[aria-label^="Small graphic display, two-wire: figures of"]')).click();
    const fitted = await bench.driver.findElement(
      By.xpath('//main//label[normalize-space()="Fitted"]/following::select[1]'),
    );
    await bench.pick(fitted, 'a quarter turn clockwise');
    await bench.click('Screen');
    await bench.shows('64 × 128 pixels');
    await bench.shows('A picture takes 26.2 ms over its bus');
  });

  it('is seen state by state, and its pages with the values that they have there', async () => {
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'Cold', Key.ENTER);
    await bench.clickLabel('Add a rule to Cold');
    await bench.leads('Cold', 1, 'Warm');
    await bench.choose('On entering Warm: add something that happens', 'Show text');
    await bench.fill(await bench.label('Text, with expressions in braces'), 'Steam', Key.ENTER);
    await bench.click('Screen');
    await bench.shows('What it shows, state by state');
    await bench.unfold('What it shows, state by state');
    const names = () => bench.shownStates();
    await bench.until('both pictures', async () => (await names()).join() === 'Cold,Warm');
    // As it is in that state, though the gadget in hand is in another.
    await bench.pick(await bench.label('Values as in'), 'Warm');
    const rows = () =>
      bench.driver.executeScript<number>(
        `const canvas = document.querySelector('main [role=group] canvas');
         const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
         let lit = 0;
         for (let at = 0; at < data.length; at += 4) if (data[at] > 128) lit += 1;
         return lit;`,
      );
    const warm = await rows();
    await bench.segment('at first');
    await bench.until('the text is not there', async () => (await rows()) < warm);
  });
});

describe('a number that a press changes', () => {
  it('is told of while nobody notices it, and while it is shown faster than it can be read', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Push button', 'Character display, two-wire');
    await bench.click('Flow');
    await bench.shows('No variables');
    await bench.driver.findElement(By.xpath('//summary[contains(., "No variables")]')).click();
    await bench.click('Add a variable');
    await bench.fill(await bench.label('Name of number1'), 'laps');
    await bench.fill(await bench.label('Name of the first state'), 'On', Key.ENTER);
    const typed = async (rule: number, line: string) => {
      await bench.clickLabel(`Rule ${rule} of On as text`);
      await bench.fill(await bench.label('The rule as text'), line, Key.ENTER);
    };
    await bench.clickLabel('Add a rule to On');
    await typed(1, 'when "Push button" press do laps = laps + 1');
    await bench.click('1 snag');
    await bench.shows('Hands make laps more or less, but nothing shows it');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.clickLabel('Add a rule to On');
    await typed(2, 'when every 100 ms do laps = 1 - laps; "Character display" row 1 "{laps} of 8"');
    await bench.click('1 snag');
    await bench.shows('“0 of 8” and “1 of 8” change places 10 times a second in On');
    // Once a second is read.
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await typed(2, 'when every 1 s do laps = 1 - laps; "Character display" row 1 "{laps} of 8"');
    await bench.shows('No snags');
  });
});

describe('a picture that a small memory has no room for', () => {
  it('is told of, and made a tile at a time by a click', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small colour display, SPI');
    const board = await bench.driver.findElement(
      By.xpath('//select[./option[contains(., "11 pins, native USB")]]'),
    );
    await bench.pick(board, '32-bit board, 11 pins, native USB, 3.3 V');
    await (await bench.css('[aria-label^="Small colour display, SPI: figures of"]')).click();
    const made = await bench.until('how pictures are made', async () => {
      const path = By.xpath('//main//label[normalize-space()="Pictures are made"]/following::select[1]');
      return (await bench.driver.findElements(path))[0];
    });
    await bench.pick(made, 'whole in the memory');
    // 160 × 128 pixels of two bytes.
    await bench.shows('A picture that is kept takes 40 KiB of the chip’s memory.');
    const snags = By.xpath('//button[contains(., " snag")]');
    await (await bench.until('a snag', async () => (await bench.driver.findElements(snags))[0])).click();
    await bench.shows('Small colour display is drawn in 40 KiB of memory');
    const mend = await bench.until(
      'the mend',
      async () =>
        (await bench.driver.findElements(By.xpath('//button[contains(., "Draw it a tile at a time")]')))[0],
    );
    await mend.click();
    await bench.until(
      'it is gone',
      async () => !(await bench.text('body')).includes('is drawn in 40 KiB of memory'),
    );
  });
});
