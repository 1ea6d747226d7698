import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await bench.listen();
});
afterAll(() => bench.close());

describe('a player of files, from nothing', () => {
  it('plays a file of its card, which is heard until it is over', async () => {
    await bench.fresh('Ready', 'Push button', 'Sound-file player');
    await bench.typeRule('Ready', 1, 'when "Push button" press do "Sound-file player" play 2 again');
    // No such file yet: said before anything is built.
    await bench.shows('1 snag');
    await bench.click('Sound');
    await bench.click('Name a file of its card');
    await bench.fill(await bench.label('Name of file 2'), 'Storm at sea');
    await bench.fill(await bench.label('Length of file 2'), '1200');
    await bench.shows('No snags');
    await bench.saved();
    await bench.inHand(/Sound-file player\s*silent/);
    await bench.press('Push button');
    await bench.inHand(/Sound-file player\s*Storm at sea/);
    await bench.why('Rule 1 of Ready answered');
    expect((await bench.heard()).hz.length).toBeGreaterThan(0);
  });

  it('refuses a number that another file has, and loses nothing', async () => {
    const number = await bench.until('two numbers', async () => {
      const [, second] = await bench.driver.findElements({
        css: '[role=group] input[aria-label=Number]:not([readonly])',
      });
      return second;
    });
    await bench.fill(number, '1');
    await bench.shows('Expected a number that no other file has; 1 is “First sound”.');
    await bench.driver.navigate().refresh();
    expect(await (await bench.label('Name of file 2')).getAttribute('value')).toBe('Storm at sea');
    await bench.click('Save the card’s folder');
    expect(await bench.complaints()).toEqual([]);
  });
});
