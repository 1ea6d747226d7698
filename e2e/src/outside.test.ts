import { By } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await bench.listen();
});
afterAll(() => bench.close());

const wires = () => bench.text('table[aria-label="What went over the wires"]');
const seen = (pattern: RegExp) =>
  bench.until(`over the wires: ${pattern}`, async () => pattern.test((await wires()).replace(/\s+/g, ' ')));
const key = async (note: string) => (await bench.label(note)).click();

describe('a gadget that is played from outside', () => {
  it('passes on what comes in, which is heard, and its rules answer it', async () => {
    await bench.fresh('Ready', 'Push button', 'MIDI out', 'Light');
    await bench.typeRule('Ready', 1, 'when midi noteOn number 62 do Light on');
    await bench.typeRule('Ready', 2, 'when midi stop do Light off; "MIDI out" sync stop');
    await bench.click('Parts');
    await bench.clickLabel('MIDI out: figures of MIDI out');
    await bench.pick(await bench.label('What MIDI out passes on'), 'the messages of channels that come in');
    await bench.fill(await bench.label('Channels that MIDI out passes on'), '1, 3');
    await bench.saved();
    await bench.click('Sound');
    await bench.click('Play it from outside');
    await bench.shows('Nothing has gone over a wire yet');
    await key('D4');
    await seen(/MIDI out 80 3e 40 D4 ends, channel 1/);
    await seen(/in 90 3e 64 D4 begins at 100, channel 1/);
    await bench.why('MIDI');
    await bench.shows('Light: on');
  });

  it('shows what a cable with a fault makes of it', async () => {
    await bench.pick(await bench.label('What is wrong with the cable'), 'on the next channel');
    await key('E4');
    // Channel 2 is not passed on.
    await seen(/^At Way Bytes Says \S+ s in 81 40 40 E4 ends, channel 2/);
    await bench.pick(await bench.label('What is wrong with the cable'), 'the wrong way round, or pulled out');
    const before = await wires();
    await key('F4');
    await bench.driver.sleep(300);
    expect(await wires()).toBe(before);
    await bench.pick(await bench.label('What is wrong with the cable'), 'with nothing wrong');
  });

  it('is kept in step by a clock, whose tempo is seen, and answers its end', async () => {
    await bench.fill(await bench.label('Tempo of the clock'), '150');
    await bench.click('Start the clock');
    await seen(/in f8 × \d+ the clock ticks, 1(49|50)\.\d beats a minute/);
    await bench.click('Stop the clock');
    await seen(/MIDI out fc what follows the clock stops/);
    await bench.until('the light to be off', async () => !(await bench.text('body')).includes('Light: on'));
    const [chosen] = await bench.driver.findElements(By.css('[aria-pressed=true]'));
    expect(chosen).toBeUndefined();
    expect(await bench.complaints()).toEqual([]);
  });

  it('is kept in step just so where time goes faster', async () => {
    await bench.pace('8×');
    await bench.click('Start the clock');
    // Many ticks and one start: none came too late and began anew.
    await seen(/in f8 × [2-9]\d\d the clock ticks, 150\.\d beats a minute \S+ s in fa what/);
    await bench.click('Stop the clock');
    await seen(/MIDI out fc what follows the clock stops/);
    await bench.pace('1×');
  });

  it('is played by keys of the computer, too: a key is down as long as the space bar is', async () => {
    const drum = await bench.label('C4');
    await bench.fill(await bench.label('Channel of the keyboard'), '3');
    await bench.driver.actions().move({ origin: drum }).perform();
    await bench.driver.executeScript('arguments[0].focus()', drum);
    await bench.driver.actions().keyDown(' ').perform();
    await seen(/MIDI out 92 3c 64 C4 begins at 100, channel 3/);
    expect((await bench.heard()).hz.some((hz) => Math.abs(hz - 261.63) < 0.01)).toBe(true);
    await bench.driver.actions().keyUp(' ').perform();
    await seen(/MIDI out 82 3c 40 C4 ends, channel 3/);
  });

  it('ends what it passed on where the cable of a keyboard that says it is there is pulled', async () => {
    await bench.pick(await bench.label('What it says by itself'), 'says again and again that it is there');
    await seen(/in fe(?: × \d+)? still there/);
    const drum = await bench.label('D4');
    await bench.driver.executeScript('arguments[0].focus()', drum);
    await bench.driver.actions().keyDown(' ').perform();
    await seen(/MIDI out 92 3e 64 D4 begins at 100, channel 3/);
    await bench.pick(await bench.label('What is wrong with the cable'), 'the wrong way round, or pulled out');
    await seen(/MIDI out 82 3e 40 D4 ends, channel 3/);
    await bench.driver.actions().keyUp(' ').perform();
    await bench.pick(await bench.label('What is wrong with the cable'), 'with nothing wrong');
    await bench.pick(await bench.label('What it says by itself'), 'says nothing by itself');
  });
});
