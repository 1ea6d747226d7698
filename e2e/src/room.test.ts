import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(120_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const count = async (selector: string) => (await bench.driver.findElements(By.css(selector))).length;
const separator = async (what: string) =>
  Number(await (await bench.label('Height of the strip')).getAttribute(what));

describe('the strip', () => {
  it('is a line that says what the last press did, until it is opened; open it stays for this maker', async () => {
    await bench.openKettle();
    expect(await count('[aria-label="Strip"] canvas')).toBe(0);
    await bench.press('Stir');
    await bench.why('Stir');
    await bench.strip();
    await bench.driver.navigate().refresh();
    await bench.label('Fold the strip');
    await bench.until('its pictures', async () => (await count('[aria-label="Strip"] canvas')) === 2);
  });

  it('is as high as it was made, within what the window allows', async () => {
    const before = await separator('aria-valuenow');
    await (await bench.label('Height of the strip')).sendKeys(Key.ARROW_UP);
    expect(await separator('aria-valuenow')).toBe(before + 24);
    await bench.driver.navigate().refresh();
    await bench.until('as high as before', async () => (await separator('aria-valuenow')) === before + 24);
    for (let n = 0; n < 40; n += 1) await (await bench.label('Height of the strip')).sendKeys(Key.ARROW_UP);
    expect(await separator('aria-valuenow')).toBe(await separator('aria-valuemax'));
  });

  it('comes closer and goes farther by keys and buttons, no closer than a bounce', async () => {
    const lanes = await bench.strip();
    const shown = () => bench.text('[aria-label="Strip"]');
    await lanes.sendKeys('+');
    await bench.until('a second', async () => /\b1 s\b/.test(await shown()));
    await bench.clickLabel('Farther in time');
    await bench.until('two again', async () => /\b2 s\b/.test(await shown()));
    for (let n = 0; n < 12; n += 1) await lanes.sendKeys('+');
    await bench.until('five milliseconds', async () => /\b5 ms\b/.test(await shown()));
    expect(await (await bench.label('Closer in time')).isEnabled()).toBe(false);
    await bench.clickLabel('Fold the strip');
  });

  it('plays on to a moment at once, and stops there; none that was, none that is no time', async () => {
    await bench.openKettle();
    await bench.shows('Press to light');
    await bench.clickLabel('Play on to a moment');
    const field = await bench.label('Moment since power-up');
    await bench.fill(field, 'soon', Key.ENTER);
    await bench.shows('Expected a time with its unit');
    await bench.fill(field, '0.1 s', Key.ENTER);
    await bench.shows('since power-up already');
    await bench.fill(field, '30 min', Key.ENTER);
    await bench.label('Let time run');
    // Half an hour on, the title has made way for the best score.
    await bench.shows('Little screen: Kettle Keeper / Best 0');
    await bench.clickLabel('Let time run');
    await bench.label('Pause time');
  });
});

describe('in hand', () => {
  /** Whether all of the case is inside its place, and how wide it is drawn. */
  const fits = () =>
    bench.driver.executeScript<{ whole: boolean; width: number }>(`
      const place = document.querySelector('[role=application]').getBoundingClientRect();
      const made = [...document.querySelectorAll('[role=application] button, [role=application] figure')];
      const boxes = made.map((one) => one.getBoundingClientRect());
      const whole = boxes.every(({ top, bottom, left, right }) =>
        top >= place.top - 1 && bottom <= place.bottom + 1 && left >= place.left - 1 && right <= place.right + 1);
      return { whole, width: boxes.at(-1).width };
    `);

  it('is whole, whatever the window is, and large when that is wanted', async () => {
    const id = await bench.idOf('Reed Box');
    await bench.goto(`/g/${id}/parts`);
    await bench.label('Press Key C');
    const window = bench.driver.manage().window();
    for (const [width, height] of [
      [1280, 800],
      [1024, 640],
      [1600, 900],
    ] as const) {
      // prettier-ignore
      await window.setRect({ width, height });
      await bench.until(`all of it at ${width} × ${height}`, async () => (await fits()).whole);
    }
    await window.setRect({ width: 1280, height: 800 });
    await bench.driver.sleep(300);
    const beside = (await fits()).width;
    await (await bench.css('body')).sendKeys(Key.chord(Key.SHIFT, 'h'));
    await bench.label('Put it back');
    await bench.until('larger, and whole', async () => {
      const { whole, width } = await fits();
      return whole && width > beside * 1.02;
    });
    await bench.driver.actions().sendKeys(Key.ESCAPE).perform();
    await bench.label('Hold it large');
  });
});

describe('a stretch of the strip', () => {
  const told = () => bench.text('[aria-label="The marked stretch"]');

  it('is marked by a drag, measured, and becomes a trial that passes', async () => {
    await bench.openKettle();
    await bench.press('Stir');
    await bench.shows('Little screen: Heat');
    await bench.clickLabel('Pause time');
    const strip = await bench.strip();
    // However long it took to come here: all since power-up lies in the window.
    for (let n = 0; n < 5; n += 1) await bench.clickLabel('Farther in time');
    await bench.clickLabel('Measure a stretch');
    const canvas = await strip.findElement(By.css('canvas'));
    const { width } = await canvas.getRect();
    // From left of the middle to the newest; the canvas counts from its middle.
    await bench.driver
      .actions()
      .move({ origin: canvas, x: -Math.round(width * 0.35) })
      .press()
      .move({ origin: canvas, x: 0 })
      .move({ origin: canvas, x: Math.round(width * 0.45) })
      .release()
      .perform();
    await bench.until('measured', async () => / m?s from .*state/.test(await told()));
    await bench.click('Make a trial of it');
    await bench.until('its trial', async () => /trials\?trial=/.test(await bench.driver.getCurrentUrl()));
    await bench.shows('passed on');
    await bench.clickLabel('Let time run');
  });

  it('is marked by keys, and forgotten', async () => {
    await bench.openKettle();
    const strip = await bench.strip();
    await bench.clickLabel('Pause time');
    await strip.sendKeys(Key.END, '[', Key.HOME, ']');
    await bench.until('marked', async () => (await told()).includes('from'));
    await bench.click('Forget it');
    await bench.until(
      'forgotten',
      async () => (await bench.driver.findElements(By.css('[aria-label="The marked stretch"]'))).length === 0,
    );
    await bench.clickLabel('Let time run');
  });
});

describe('flow', () => {
  const rule = '[aria-label="State Ready"] [aria-label="Rule 1"]';

  it('is read as sentences, and opens only what is written', async () => {
    await bench.openKettle();
    expect(await count('main select')).toBe(0);
    expect((await bench.text(rule)).replace(/\s+/g, ' ')).toMatch(
      /When Stir is pressed ?: go to Simmering ?; heat becomes 45/,
    );
    const ready = await bench.css('[aria-label="State Ready"]');
    expect((await ready.getRect()).height).toBeLessThan(260);
    const value = await bench.css(`${rule} [data-word="New value"]`);
    await value.click();
    await bench.until('the field that was clicked', async () => {
      const focused = await bench.driver.switchTo().activeElement();
      return (
        (await focused.getAttribute('aria-label')) === 'New value' &&
        (await focused.getAttribute('value')) === '45'
      );
    });
    expect(await count('main select')).toBe(1);
    await bench.clickLabel('Pause time');
    await bench.until('text again', async () => (await count('main select')) === 0);
    await bench.clickLabel('Let time run');
  });

  it('is written by keys alone, and what is refused stays open', async () => {
    const sentence = await bench.css(`${rule} [data-prose]`);
    await sentence.sendKeys(Key.ENTER);
    const guard = await bench.label('Only if', rule);
    await bench.fill(guard, 'heet > 3');
    await bench.shows('expected a variable');
    expect(await count(`${rule} [aria-label="Only if"]`)).toBe(1);
    await bench.fill(guard, 'heat > 3', Key.ENTER);
    await guard.sendKeys(Key.ESCAPE);
    await bench.until('if heat > 3', async () => (await bench.text(rule)).includes('if heat > 3'));
    const focused = await bench.driver.switchTo().activeElement();
    expect(await focused.getAttribute('data-prose')).not.toBeNull();
  });
});

describe('the map', () => {
  it('fills its place, and at first sight its words can be read', async () => {
    for (const wanted of ['Kettle Keeper', 'Cue Lantern', 'Reed Box']) {
      const id = await bench.idOf(wanted);
      await bench.goto(`/g/${id}/flow?view=map`);
      await bench.css('svg[aria-label="Map"] rect');
      // Beside an open strip the map keeps a height of its own.
      const [open] = await bench.driver.findElements(By.css('[aria-label="Fold the strip"]'));
      await open?.click();
      await bench.label('Unfold the strip');
      await bench.driver.sleep(300);
      const { least, share } = await bench.driver.executeScript<{ least: number; share: number }>(`
        const map = document.querySelector('svg[aria-label="Map"]');
        const { a } = map.getScreenCTM();
        const sheet = document.querySelector('main').getBoundingClientRect();
        const frame = map.parentElement.getBoundingClientRect();
        return {
          least: Math.min(...[...map.querySelectorAll('text')].map((text) => a * Number(text.getAttribute('font-size')))),
          share: (sheet.bottom - frame.top) / frame.height,
        };
      `);
      expect(least).toBeGreaterThanOrEqual(11);
      // Down to the lower edge of the sheet, but for a margin.
      expect(share).toBeGreaterThan(1);
      expect(share).toBeLessThan(1.1);
    }
  });

  it('opens a rule by its own words, where several lead the same way', async () => {
    const id = await bench.idOf('Cue Lantern');
    await bench.goto(`/g/${id}/flow?view=map`);
    const words = await bench.until('the words', async () => {
      const all = await bench.driver.findElements(By.css('svg[aria-label="Map"] text'));
      for (const one of all) if ((await one.getText()) === 'BACK press') return one;
      return null;
    });
    await bench.driver.executeScript(
      'arguments[0].dispatchEvent(new MouseEvent("click", { bubbles: true }))',
      words,
    );
    await bench.until('its rule', async () =>
      bench.driver.executeScript(
        'const { id, textContent } = document.activeElement; return id.startsWith("place-") && /BACK/.test(textContent)',
      ),
    );
  });
});

describe('a small window', () => {
  it('scrolls no sheet sideways, from 1024 px down to a page that is magnified twice', async () => {
    const id = await bench.idOf('Cue Lantern');
    const window = bench.driver.manage().window();
    for (const [width, height, sheets] of [
      [1024, 640, ['brief', 'parts', 'wiring', 'feel', 'flow', 'trials']],
      [
        640,
        480,
        ['brief', 'parts', 'wiring', 'feel', 'flow', 'flow?view=compare', 'flow?view=grid', 'trials'],
      ],
    ] as const) {
      for (const sheet of sheets)
        await bench.despiteCrash(async () => {
          await window.setRect({ width, height });
          await bench.goto(`/g/${id}/${sheet}`);
          await bench.css('main h1');
          await bench.label('Press GO');
          const wider = await bench.driver.executeScript(
            'const sheet = document.querySelector("main"); return [sheet.scrollWidth - sheet.clientWidth, document.documentElement.scrollWidth - innerWidth]',
          );
          expect([sheet, width, wider]).toEqual([sheet, width, [0, 0]]);
        });
    }
    await window.setRect({ width: 1280, height: 800 });
  });
});
