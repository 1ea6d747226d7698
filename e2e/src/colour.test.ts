import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bitmapPng, type Gadget } from '@hum-lever/core';
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

/** Of the pixels of a display in hand, how many have each colour. */
const inHand = (which = 0) =>
  bench.driver.executeScript<Record<string, number>>(
    `const canvas = document.querySelectorAll('[role=application] canvas')[arguments[0]];
     const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
     const count = {};
     for (let at = 0; at < data.length; at += 4) {
       const colour = [data[at], data[at + 1], data[at + 2]].join(' ');
       count[colour] = (count[colour] ?? 0) + 1;
     }
     return count;`,
    which,
  );
const seen = (what: string, probe: (count: Record<string, number>) => boolean, which = 0) =>
  bench.until(what, async () => probe(await inHand(which)));

/** As a picker of colours does it: the browser's own cannot be opened here. */
const pickColour = async (label: string, colour: string) => {
  const field = await bench.label(label);
  await bench.driver.executeScript(
    `arguments[0].value = arguments[1];
     arguments[0].dispatchEvent(new Event('change', { bubbles: true }));`,
    field,
    colour,
  );
};

describe('a display of colours from nothing', () => {
  it('draws in the inks that are chosen, and in the colours that they are given', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small colour display, SPI');
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.click('Box');
    await slot(1, 'Width');
    await bench.clickLabel('Ink 2', element(1));
    await bench.shows('160 × 128 pixels, of 65,536 colours. A picture takes 20.5 ms');
    // A frame around all of it: 160 and 126 on either side. Its red has 5 bits, its green 6.
    await seen('a red frame', (count) => count['230 85 49'] === 2 * 160 + 2 * 126);
    await pickColour('Colour of ink 2', '#0000ff');
    await seen('a blue frame', (count) => count['0 0 255'] === 2 * 160 + 2 * 126);
    await bench.saved();
  });

  it('has inks by values, and no more of them than it is given', async () => {
    await bench.fill(await slot(1, 'Ink, a number'), '5 + 40', Key.ENTER);
    // Beyond the last it is the last.
    await seen('the last ink', (count) => count['90 101 115'] === 2 * 160 + 2 * 126);
    await bench.click('Without ink 7');
    await seen(
      'the one before',
      (count) => count['90 101 115'] === undefined && (count['140 109 197'] ?? 0) > 500,
    );
    await bench.click('Another ink');
    await seen('the last again', (count) => (count['90 101 115'] ?? 0) > 500);
  });

  it('blinks by itself, and a text runs', async () => {
    await slot(1, 'Width');
    await bench.pick(await bench.label('Blinking', element(1)), 'blinking twice a second');
    await seen('off', (count) => Object.keys(count).length === 1);
    await seen('on', (count) => Object.keys(count).length === 2);
    await bench.pick(await bench.label('Blinking', element(1)), 'without blinking');
    await bench.click('Running text');
    const picture = () =>
      bench.driver.executeScript<string>(
        'return document.querySelector("[role=application] canvas").toDataURL()',
      );
    await seen('letters', (count) => (count['247 243 230'] ?? 0) > 100);
    const before = await picture();
    await bench.until('it moved', async () => (await picture()) !== before);
    // What it says is read as it stands, wherever it has run to.
    await bench.shows('Small colour display: Tonight at the lantern gate');
  });

  it('says where a legend has no room, and none where it has', async () => {
    await bench.shows('No snags');
    await bench.click('Legends');
    await bench.shows('Small colour display: Tonight at the lantern gate / Back / Go');
    await bench.fill(
      await slot(3, 'Words, from 0, with / between them'),
      'Back / Settings of it / Go',
      Key.ENTER,
    );
    await bench.shows('1 snag');
    await bench.fill(await slot(3, 'Words, from 0, with / between them'), 'Back / Count / Go', Key.ENTER);
    await bench.shows('No snags');
  });

  it('plots how a value went, and begins anew with the power', async () => {
    await bench.click('Plot');
    await slot(4, 'Least');
    await bench.clickLabel('Ink 4', element(4));
    const green = async () => (await inHand())['123 178 82'] ?? 0;
    const first = await bench.until('some of it', green);
    await bench.until('more of it', async () => (await green()) > first);
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.until('begun anew', green);
  });

  it('shows pictures in inks of their own', async () => {
    await bench.segment('Pictures');
    await bench.click('Begin a picture');
    await bench.clickLabel('Ink 3');
    const board = await bench.css('[role=group][aria-label^="Frame 1 of"]');
    await board.sendKeys(' ', Key.ARROW_RIGHT, Key.ARROW_RIGHT, ' ');
    await bench.shows('2, 0: ink 3');
    await bench.shows('128 bytes in the chip');
    await bench.segment('Pages');
    await bench.click('Picture');
    await seen('three dots of it', (count) => count['239 178 49'] === 3);
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await seen('none of it', (count) => count['239 178 49'] === undefined);
    await bench.saved();
  });

  it('takes pictures from files in the nearest of its inks', async () => {
    await bench.segment('Pictures');
    const pixels = { widthPx: 2, heightPx: 1, pixels: Uint8Array.from([0, 1]) };
    const path = join(tmpdir(), `lantern-${process.pid}.png`);
    // A lamp and a leaf: inks 3 and 4 come nearest.
    writeFileSync(path, bitmapPng(pixels, [[250, 190, 60], [110, 190, 90]])); // prettier-ignore
    await (await bench.css('main input[type=file][accept*=".png"]')).sendKeys(path);
    await bench.shows('2 × 1 pixels in the file');
    await bench.shows('the 8 inks of the display');
    await bench.click('Keep it as a picture');
    await bench.until('it is kept', async () => {
      await bench.saved();
      const id = /\/g\/([^/]+)/.exec(await bench.driver.getCurrentUrl())![1]!;
      const { document } = (await bench.server.ask('GET', `/gadgets/${id}`)).body as { document: Gadget };
      return document.pictures.at(-1)?.frames[0]?.join() === '34';
    });
  });
});

describe('a font of one’s own', () => {
  const glyph = (name: string, code: number, ...rows: string[]) =>
    [
      `STARTCHAR ${name}`,
      `ENCODING ${code}`,
      'DWIDTH 6 0',
      `BBX 5 ${rows.length} 0 0`,
      'BITMAP',
      ...rows,
      'ENDCHAR',
    ].join('\n');
  const file = [
    'STARTFONT 2.1',
    'FONT Lantern',
    'FONTBOUNDINGBOX 6 8 0 -2',
    'CHARS 2',
    glyph('A', 65, 'F8', 'F8'),
    glyph('B', 66, '80'),
    'ENDFONT',
  ].join('\n');
  const bring = async (text: string) => {
    const path = join(tmpdir(), `lantern-${process.pid}.bdf`);
    writeFileSync(path, text);
    await (await bench.css('input[type=file][accept=".bdf"]')).sendKeys(path);
  };

  it('is brought in from a file, refused with what was expected where it is none', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small graphic display, SPI');
    await bench.click('Screen');
    await bench.segment('Fonts');
    await bring('hello');
    await bench.shows('Expected a BDF file, which begins with STARTFONT');
    await (await bench.css('body')).sendKeys(Key.ESCAPE);
    await bench.until(
      'shut',
      async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await bring(file);
    await bench.shows('2 characters in the file, 2 of them wanted, 6 × 8 pixels each');
    await bench.click('Keep it as a font');
    await bench.label('Name of font Lantern');
  });

  it('is written in on a page, which says what it lacks', async () => {
    await bench.segment('Pages');
    await bench.click('Add a page');
    await bench.click('Text');
    await bench.fill(await slot(1, 'Text, with expressions in braces'), 'A');
    await slot(1, 'Text, with expressions in braces');
    await bench.pick(await bench.label('Font', element(1)), 'Lantern');
    // Two rows of five pixels.
    await seen('its letter', (count) => count['233 242 201'] === 10);
    await bench.shows('No snags');
    await bench.fill(await slot(1, 'Text, with expressions in braces'), 'AZ', Key.ENTER);
    await bench.shows('1 snag');
    await bench.segment('Fonts');
    await bench.shows('up to 2 characters');
    await bench.clickLabel('Take font Lantern out; what is written in it stands in 6 × 8');
    await bench.shows('No snags');
    await bench.segment('Pages');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.shows('1 snag');
  });
});

describe('what stands on a page', () => {
  const at = (number: number, across: number, down: number) =>
    bench.until(`element ${number} at ${across}, ${down}`, async () =>
      new RegExp(`at\\s+${across}\\s+across,\\s+${down}\\s+down`).test(await bench.text(element(number))),
    );

  it('is chosen by keys, several at a time, moved together and put in line, each as one step', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.click('Add a page');
    await bench.click('Text');
    await bench.click('Number');
    const board = await bench.css('[role=group][aria-label^="Page "]');
    // The number alone, then the text with it.
    await board.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await at(2, 8, 8);
    await board.sendKeys('{', Key.ARROW_DOWN);
    await at(1, 0, 1);
    await at(2, 8, 9);
    await bench.clickLabel('Left ends in line');
    await at(2, 0, 9);
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await at(2, 8, 9);
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await at(1, 0, 0);
    await at(2, 8, 8);
    // One alone goes to an edge of the display: five letters of six pixels.
    await board.sendKeys(']');
    await bench.clickLabel('To the right edge');
    await bench.until('at the right edge', async () =>
      /at\s+(98|122)\s+across/.test((await bench.text(element(1))) + (await bench.text(element(2)))),
    );
    await board.sendKeys('}', Key.DELETE);
    await bench.shows('Nothing stands on this page yet');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.css(element(2));
  });
});

describe('a value that is none', () => {
  it('is shown as what is said to stand there then', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.click('Add a page');
    await bench.click('Number');
    await bench.shows('Small graphic display: 0');
    await slot(1, 'Value');
    await bench.fill(await slot(1, 'Not known if'), '1', Key.ENTER);
    await bench.shows('Small graphic display: --');
    await slot(1, 'Value');
    await bench.fill(await slot(1, 'What stands there then'), 'wait', Key.ENTER);
    await bench.shows('Small graphic display: wait');
    // Seven pixels of 51 mm in 128: 2.8 mm, read from up to 56 cm.
    await bench.shows('Capitals of its smallest letters are 2.8 mm high, read from up to about 56 cm');
  });
});

describe('a slow bus', () => {
  it('is seen: what has come of a picture is there, the rest is as it was', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small colour display, SPI');
    await bench.click('Screen');
    await bench.click('Add a page');
    await bench.click('Box');
    await slot(1, 'Width');
    await bench.pick(await bench.label('Box', element(1)), 'a filled box');
    await bench.pick(await bench.label('Blinking', element(1)), 'blinking twice a second');
    const all = 160 * 128;
    await seen('all of it', (count) => count['247 243 230'] === all);
    await bench.pace('1/20');
    await seen('some of it', (count) => (count['247 243 230'] ?? 0) > 0 && (count['16 20 25'] ?? 0) > 0);
    await bench.pace('1×');
  });

  it('is compared with other ways to send, of which the cheapest that keeps up is told and taken', async () => {
    await bench.driver.executeScript(
      `for (const summary of document.querySelectorAll('summary'))
         if (summary.textContent.startsWith('Ways to send it')) summary.click();`,
    );
    // 20.5 ms: 48 of them have room in a second.
    await bench.shows('All of it, the loop waits asks least of chip and program, and keeps up');
    await bench.clickLabel('Send so: Changed tiles, beside the loop');
    await bench.shows('the loop goes on meanwhile');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.shows('the loop waits for it');
  });
});

describe('a display of characters', () => {
  const rows = 'Character display, two-wire';

  it('looks dead while its trim is at its end, which is told, and mended', async () => {
    await bench.fresh('On', rows);
    await bench.clickLabel('Add a rule to On');
    await bench.click('Screen');
    await bench.shows('16 × 2 characters');
    await seen('cells', (count) => Object.keys(count).length === 2);
    await bench.fill(await bench.label('Contrast trim'), '0');
    await seen('nothing', (count) => Object.keys(count).length === 1);
    await bench.click('1 snag');
    await bench.shows('it looks dead');
    await bench.click('Turn the trim to 50 %');
    await seen('cells again', (count) => Object.keys(count).length === 2);
    await bench.shows('No snags');
  });

  it('is given a character of its own, drawn by keys, and shows it where it is written', async () => {
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.click('A character of its own');
    const first = await bench.label('Dot 1, 1');
    await first.sendKeys(' ');
    await bench.css('[aria-label="Dot 1, 1"][aria-pressed=true]');
    await (await bench.label('Dot 1, 1')).sendKeys(Key.ARROW_RIGHT, Key.ARROW_DOWN);
    await (await bench.driver.switchTo().activeElement()).sendKeys(' ');
    await bench.css('[aria-label="Dot 2, 2"][aria-pressed=true]');
    await bench.click('Flow');
    await bench.choose('On entering On: add something that happens', 'Show text');
    await bench.fill(await bench.label('Text, with expressions in braces'), '♥', Key.ENTER);
    await bench.clickLabel('Switch off and on');
    // The two dots of it, and no others.
    await seen('a heart of two dots', (count) => count['28 42 18'] === 2);
    await bench.shows('No snags');
  });
});
