import type { Driver } from 'selenium-webdriver/chrome.js';
import { Bench } from './test/bench.ts';

jest.setTimeout(120_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await command('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 5 });
  const id = await bench.idOf('Reed Box');
  await bench.goto(`/g/${id}/flow`);
  await bench.css('main h1');
});
afterAll(() => bench.close());

const command = (name: string, params: object) =>
  (bench.driver as Driver).sendDevToolsCommand(name, params as never);

interface Point {
  x: number;
  y: number;
}
const middleOf = async (selector: string): Promise<Point> =>
  bench.driver.executeScript(
    `const { left, top, width, height } = arguments[0].getBoundingClientRect();
     return { x: left + width / 2, y: top + height / 2 };`,
    await bench.css(selector),
  );
/** All fingers that are on the glass now. */
const fingers = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...at: Point[]) =>
  command('Input.dispatchTouchEvent', { type, touchPoints: at.map((point, id) => ({ ...point, id })) });
/** Two fingers that come down around a point and draw apart, or together. */
async function pinch({ x, y }: Point, from: number, to: number): Promise<void> {
  const at = (apart: number) => [
    { x: x - apart / 2, y },
    { x: x + apart / 2, y },
  ];
  await fingers('touchStart', ...at(from));
  for (let step = 1; step <= 8; step += 1) await fingers('touchMove', ...at(from + ((to - from) * step) / 8));
  await fingers('touchEnd');
}
const isDown = async (name: string) => (await (await bench.label(name)).getAttribute('data-down')) !== null;

describe('by touch', () => {
  it('two keys are held at once, and let go', async () => {
    const [c, e] = [
      await middleOf('[aria-label="Press Key C"]'),
      await middleOf('[aria-label="Press Key E"]'),
    ];
    await fingers('touchStart', c);
    await fingers('touchStart', c, e);
    await bench.until('both', async () => (await isDown('Press Key C')) && (await isDown('Press Key E')));
    await fingers('touchEnd');
    await bench.until('none', async () => !(await isDown('Press Key C')) && !(await isDown('Press Key E')));
  });

  it('two fingers bring the strip closer, and one goes back in time', async () => {
    await bench.strip();
    const strip = () => bench.text('[aria-label="Strip"]');
    const hand = () => bench.text('[aria-label="In hand"]');
    const at = await middleOf('[aria-label^="Events in time"] canvas');
    await pinch(at, 60, 240);
    await bench.until('a quarter of two seconds', async () => /\b5\d\d ms\b/.test(await strip()));
    // That was no going back.
    expect(await hand()).not.toContain('This is the past');
    await pinch(at, 240, 60);
    await bench.until('two seconds', async () => /\b2(\.0\d)? s\b/.test(await strip()));
    await fingers('touchStart', at);
    for (let step = 1; step <= 6; step += 1) await fingers('touchMove', { ...at, x: at.x - 20 * step });
    await fingers('touchEnd');
    await bench.until('the past', async () => (await hand()).includes('This is the past'));
    await bench.clickLabel('Fold the strip');
  });

  it('two fingers bring the map closer, and one moves it', async () => {
    await bench.segment('Map');
    await bench.css('svg[aria-label="Map"] rect');
    const look = () =>
      bench.driver.executeScript<number[]>(
        `return document.querySelector('svg[aria-label="Map"]').getAttribute('viewBox').split(' ').map(Number);`,
      );
    const before = await look();
    const at = await middleOf('svg[aria-label="Map"]');
    await pinch(at, 100, 200);
    const closer = await bench.until('half as wide', async () => {
      const now = await look();
      return now[2]! < before[2]! * 0.55 && now;
    });
    expect(closer[2]).toBeGreaterThan(before[2]! * 0.45);
    await fingers('touchStart', at);
    for (let step = 1; step <= 6; step += 1) await fingers('touchMove', { ...at, y: at.y - 10 * step });
    await fingers('touchEnd');
    await bench.until('moved', async () => (await look())[1]! > closer[1]! + 10);
  });
});
