import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

const board = () => bench.css('[aria-label^="Page Page 1, drawn"]');
/** What is said of each element, in their order. */
const said = () =>
  bench.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('ol[aria-label="What stands on Page 1"] > li')].map((one) => one.innerText.replace(/\\s+/g, ' '))`,
  );
const says = (what: string, probe: (lines: string[]) => boolean) =>
  bench.until(what, async () => probe(await said()));

describe('what stands on a page, from nothing', () => {
  it('is a sign that no keyboard has, picked from those that the font has', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small graphic display, two-wire');
    await bench.click('Screen');
    await bench.click('Add a page');
    // As long as such displays take to start.
    await bench.shows('Its first picture comes 100 ms after power-up at the earliest');
    await bench.click('Icon');
    await bench.click('signs');
    await bench.clickLabel('Sign 🔋');
    await bench.shows('Small graphic display shows “🔋”');
    await bench.click('Text');
    await says('both', ([icon, text]) => icon!.includes('🔋') && text !== undefined);
  });

  it('is put together, moved together by keys, drawn on one condition, and once more', async () => {
    await (await board()).sendKeys('[');
    await (await board()).sendKeys('}');
    await bench.clickLabel('Put together');
    await says(
      'a group of two',
      (lines) => lines.length === 2 && lines.every((line) => line.includes('group 1')),
    );
    await (await board()).sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_DOWN);
    await says(
      'both moved',
      ([icon, text]) => icon!.includes('at 2 across, 1 down') && text!.includes('at 2 across, 17 down'),
    );
    // Whichever of them is taken, all are.
    await (await board()).sendKeys('[');
    expect(
      await bench.driver.findElements(By.css('ol[aria-label^="What stands"] > li[data-chosen]')),
    ).toHaveLength(2);
    await bench.fill(await bench.label('All of them only if'), '0', Key.ENTER);
    await says('neither is drawn', (lines) => lines.every((line) => line.includes('only if 0')));
    await bench.fill(await bench.label('All of them only if'), '1', Key.ENTER);
    await says('both are', (lines) => lines.every((line) => !line.includes('only if')));
    await bench.clickLabel('Others like these');
    await says('a second group', (lines) => lines.filter((line) => line.includes('group 2')).length === 2);
    await bench.clickLabel('Take apart');
    await says('no second group', (lines) => lines.every((line) => !line.includes('group 2')));
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
    await says('it again', (lines) => lines.filter((line) => line.includes('group 2')).length === 2);
    await bench.driver.navigate().refresh();
    await says('kept', (lines) => lines.length === 4 && lines[0]!.includes('group 1'));
  });
});

describe('how pictures come to a display', () => {
  it('is into a second picture, where the display keeps two', async () => {
    /** The sheet is drawn anew as its figures come: what was found before that is gone. */
    const keeps = async (what: string) => {
      await bench.click('Parts');
      await (await bench.css('[aria-label^="Small graphic display, two-wire: figures of"]')).click();
      await bench.until(what, async () => {
        const path = '//main//label[normalize-space()="It keeps"]/following::select[1]';
        await bench.pick(await bench.driver.findElement(By.xpath(path)), what);
        return true;
      });
    };
    await keeps('two, and changes over at once');
    await bench.click('Screen');
    await bench.shows('What displays show');
    await bench.pick(
      await bench.label('What is sent of a picture'),
      'all of it is sent, then changed over to',
    );
    await bench.shows('No snags');
    await bench.unfold('Ways to send it, compared');
    await bench.shows('All of it, changed over to at once, the loop waits');
    // With one picture only, it cannot: that is said, and mended by a click.
    await keeps('one picture');
    await bench.click('1 snag');
    await bench.shows('More than it can do');
    await bench.shows('but it keeps only one');
    await bench.click('Send Small graphic display its pictures as they are seen');
    await bench.shows('No snags');
  });
});

describe('rows of light blocks', () => {
  it('are a display of their own pixels, drawn on like any other', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Row of light blocks, eight by eight');
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.shows('32 × 8 pixels');
    // Eight bits and eight of their number for each of 32 bytes, at 8 MHz.
    await bench.shows('A picture takes 64 µs over its bus');
    await bench.click('Text');
    await bench.shows('Row of light blocks shows “Hello”');
  });
});

describe('lights by number', () => {
  it('stand on the sheet of displays, with what they show and draw', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Light chain, told by number');
    await bench.click('Screen');
    await bench.shows('12 lights, as they come to rest in hand');
    await bench.shows('Draws about 12 mA while it shows this');
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'On', Key.ENTER);
    await bench.typeRule('On', 1, 'when after 100 ms do "Light chain" paint 0 to 2 red');
    await bench.click('Screen');
    await bench.shows('Draws about 72 mA while it shows this');
  });
});
