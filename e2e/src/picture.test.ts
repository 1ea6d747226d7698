import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bitmapPng, frameBitmap, type Gadget } from '@hum-lever/core';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
let id: string;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

const stored = async (): Promise<Gadget> => {
  await bench.saved();
  return ((await bench.server.ask('GET', `/gadgets/${id}`)).body as { document: Gadget }).document;
};
const frames = async () => (await stored()).pictures[0]!.frames;
const board = () => bench.css('[role=group][aria-label^="Frame "]');
const side = async (name: string, value: string) => bench.fill(await bench.label(name), value, Key.ENTER);

/** A stroke from the middle of one pixel to the middle of another. */
async function stroke(from: readonly [number, number], to: readonly [number, number], side: number) {
  const origin = await board();
  const { width } = await origin.getRect();
  const scale = width / side;
  const at = ([x, y]: readonly [number, number]) => ({
    origin,
    x: Math.round((x + 0.5 - side / 2) * scale),
    y: Math.round((y + 0.5 - side / 2) * scale),
  });
  await bench.driver.actions().move(at(from)).press().move(at(to)).release().perform();
}

/** Lit pixels of the display in hand, as far as the first so many columns and rows go. */
const inHand = (side: number) =>
  bench.driver.executeScript<string[]>(
    `const canvas = document.querySelector('[role=application] canvas');
     const { data } = canvas.getContext('2d').getImageData(0, 0, ${side}, ${side});
     return Array.from({ length: ${side} }, (_, y) =>
       Array.from({ length: ${side} }, (_, x) => (data[(y * ${side} + x) * 4] > 128 ? '#' : '.')).join(''));`,
  );

describe('a picture from nothing', () => {
  it('is drawn by hand and by keys, mirrored, and undone stroke by stroke', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.shows('A task is something a user wants done');
    id = (await bench.driver.getCurrentUrl()).split('/g/')[1]!.split('/')[0]!;
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.shows('has no page yet');
    await bench.segment('Pictures');
    await bench.click('Begin a picture');
    await side('Width in pixels', '8');
    await side('Height in pixels', '8');
    await bench.shows('8 bytes in the chip');
    await bench.clickLabel('Box');
    await stroke([0, 0], [7, 7], 8);
    const edge = ['########', ...Array<string>(6).fill('#......#'), '########'];
    await bench.until('a box', async () => (await frames())[0]!.join() === edge.join());
    // By keys alone: a mark that moves, a stroke that begins and ends.
    await bench.clickLabel('Line');
    await (await board()).sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ARROW_RIGHT, Key.ARROW_RIGHT, ' ', Key.ARROW_RIGHT, Key.ARROW_DOWN, ' '); // prettier-ignore
    await bench.until('a line', async () => {
      const [rows] = await frames();
      return rows![2] === '#.#....#' && rows![3] === '#..#...#';
    });
    await (await bench.driver.findElement(By.xpath('//label[.="Left and right alike"]'))).click();
    await bench.clickLabel('Freehand');
    await stroke([2, 5], [2, 5], 8);
    await bench.until('both eyes', async () => (await frames())[0]![5] === '#.#..#.#');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('no eyes', async () => (await frames())[0]![5] === '#......#');
    await bench.driver.navigate().refresh();
    await bench.shows('8 bytes in the chip');
    expect((await frames())[0]![2]).toBe('#.#....#');
  });

  it('moves on a page, by a number of the gadget’s own', async () => {
    await bench.click('Add one like this');
    await bench.clickLabel('Lit becomes dark');
    await bench.until('two frames', async () => {
      const [first, second] = await frames();
      return second?.[0] === '........' && first![0] === '########';
    });
    const [first, second] = await frames();
    // Time is counted from where a state begins.
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'Glow', Key.ENTER);
    await bench.click('Screen');
    await bench.segment('Pages');
    await bench.click('Add a page');
    await bench.click('Picture');
    await bench.until('the first frame in hand', async () => (await inHand(8)).join() === first!.join());
    await bench.fill(
      await bench.label('Frame, from 0; beyond the last it begins again', '[aria-label="Element 1"]'),
      'elapsed(Glow) / 600',
      Key.ENTER,
    );
    await bench.until('the second frame', async () => (await inHand(8)).join() === second!.join());
    await bench.until('the first again', async () => (await inHand(8)).join() === first!.join());
    await bench.segment('Pictures');
    await bench.shows('shown on Page 1');
  });

  it('comes in from a file at the size that is wished, and says what was expected where it cannot', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-picture-'));
    const file = join(folder, 'Half lit.png');
    const rows = Array.from({ length: 20 }, () => '#'.repeat(20) + '.'.repeat(20));
    writeFileSync(file, bitmapPng(frameBitmap(rows)));
    const broken = join(folder, 'broken.png');
    writeFileSync(broken, 'no picture at all');
    const input = () => bench.driver.findElement(By.css('main input[type=file]'));
    await (await input()).sendKeys(broken);
    await bench.shows('expected a picture as PNG, PBM or XBM');
    await (await bench.css('[role=dialog] button')).click();
    await bench.until(
      'no dialog',
      async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await (await input()).sendKeys(file);
    await bench.shows('40 × 20 pixels in the file');
    await bench.fill(await bench.label('Width in pixels', '[role=dialog]'), '4', Key.ENTER);
    await bench.fill(await bench.label('Height in pixels', '[role=dialog]'), '2', Key.ENTER);
    await bench.click('Keep it as a picture');
    await bench.until('both pictures', async () => (await stored()).pictures.length === 2);
    expect((await stored()).pictures[1]).toMatchObject({ name: 'Half lit', frames: [['##..', '##..']] });
  });

  it('is saved as a table in C under a name that C can have', async () => {
    await bench.driver.executeScript(
      `window.kept = []; const make = URL.createObjectURL.bind(URL);
       URL.createObjectURL = (blob) => { void blob.text().then((text) => window.kept.push(text)); return make(blob); };`,
    );
    await bench.css('[aria-label="Picture Half lit"][aria-pressed=true]');
    await bench.click('Save as a file');
    await bench.click('All frames as a C table, row by row');
    const text = await bench.until('the file', () =>
      bench.driver.executeScript<string | undefined>('return window.kept[0]'),
    );
    expect(text).toContain('static const uint8_t half_lit[1][2] = {');
    expect(text).toContain('0xc0, 0xc0');
  });

  it('takes along what shows it, and undo brings both back', async () => {
    await bench.choose('More for picture Picture 1', 'Remove, with what shows it on pages');
    await bench.until('it is gone', async () => (await stored()).pages[0]!.elements.length === 0);
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('it is back', async () => (await stored()).pages[0]!.elements.length === 1);
  });
});
