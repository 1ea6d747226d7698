import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
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
    await bench.until('a sound', async () => (await bench.heard()).hz.length > 0);
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

/** A sound file: a wave of 440 Hz, 16 bits, 44,100 samples a second, left loud and right silent. */
function soundFile(seconds: number): Buffer {
  const rate = 44_100;
  const frames = Math.round(seconds * rate);
  const data = Buffer.alloc(44 + 4 * frames);
  data.write('RIFF', 0);
  data.writeUInt32LE(36 + 4 * frames, 4);
  data.write('WAVEfmt ', 8);
  data.writeUInt32LE(16, 16);
  data.writeUInt16LE(1, 20);
  data.writeUInt16LE(2, 22);
  data.writeUInt32LE(rate, 24);
  data.writeUInt32LE(4 * rate, 28);
  data.writeUInt16LE(4, 32);
  data.writeUInt16LE(16, 34);
  data.write('data', 36);
  data.writeUInt32LE(4 * frames, 40);
  for (let n = 0; n < frames; n += 1)
    data.writeInt16LE(Math.round(32_000 * Math.sin((2 * Math.PI * 440 * n) / rate)), 44 + 4 * n);
  return data;
}

describe('sounds in the program, from nothing', () => {
  const folder = mkdtempSync(join(tmpdir(), 'hum-lever-sounds-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const give = async (file: string) => {
    const picker = await bench.driver.findElement(By.css('main tbody input[type=file]'));
    await picker.sendKeys(file);
  };

  it('are played at once, and are too large until they are told shorter or coarser', async () => {
    await bench.fresh('Ready', 'Push button', 'Speaker for samples');
    await bench.typeRule('Ready', 1, 'when "Push button" press do "Speaker for samples" play 1 again');
    await bench.click('Parts');
    await bench.pick(await bench.label('Board', 'main'), '8-bit board, 20 pins, 5 V');
    await bench.click('Wiring');
    await bench.click('Lay the wires');
    await bench.until('wired', async () => /P\d/.test(await bench.text('main')));
    await bench.click('Sound');
    await bench.shows('there are 62.5 kHz of pulses and 7812.5 samples a second, a new one every 8 pulses');
    await bench.shows('Together 3.8 KiB of 32 KiB');
    await bench.shows('No snags');
    await bench.fill(await bench.label('Length of file 1'), '5000');
    // Found, and led back to from elsewhere.
    await bench.shows('1 snag');
    await bench.click('Parts');
    await bench.click('1 snag');
    await bench.click('Show where');
    await bench.css('section.found[aria-label="Speaker for samples"]');
    await bench.pick(await bench.label('Bits of each sample of Speaker for samples'), 'of 4 bits');
    await bench.shows('No snags');
    await bench.press('Push button');
    await bench.inHand(/Speaker for samples\s*First sound/);
    // Nothing is told over a line: what is left is the contact and the loop.
    await bench.shows('To “Speaker for samples” from 1 key');
    await bench.shows('That is within the 10 ms');
  });

  it('are made of a sound file, whose length they take', async () => {
    await bench.pick(await bench.label('Bits of each sample of Speaker for samples'), 'of 8 bits');
    const file = join(folder, 'hum.wav');
    writeFileSync(file, soundFile(0.25));
    await bench.driver.executeScript(
      `URL.createObjectURL = (blob) => { void blob.text().then((text) => (window.saved = text)); return 'data:,'; };`,
    );
    await give(file);
    const text = await bench.until('its table', () =>
      bench.driver.executeScript<string>('return window.saved'),
    );
    const values = /= \{([^}]*)\}/
      .exec(text)![1]!
      .split(',')
      .filter((one) => one.trim())
      .map(Number);
    // 7,812.5 samples a second; half as loud as the one channel that has it.
    expect(values.length).toBeGreaterThan(1_950);
    expect(values.length).toBeLessThan(1_957);
    expect(Math.max(...values.slice(100, -100))).toBeCloseTo(128 + 62, -1);
    const turns = values.filter((value, n) => n > 0 && value >= 128 && values[n - 1]! < 128).length;
    expect(Math.abs(turns - 110)).toBeLessThanOrEqual(1);
    await bench.until('its length', async () =>
      /^(249|250)/.test((await (await bench.label('Length of file 1')).getAttribute('value')) ?? ''),
    );
  });

  it('refuses what is none, and loses nothing', async () => {
    const file = join(folder, 'none.wav');
    writeFileSync(file, 'nonsense');
    await give(file);
    await bench.shows('Expected a sound file of at most 60 s; “none.wav” is none that this browser reads.');
    writeFileSync(join(folder, 'long.wav'), soundFile(61));
    await give(join(folder, 'long.wav'));
    await bench.shows('“long.wav” lasts 61 s.');
    expect((await (await bench.label('Length of file 1')).getAttribute('value')) ?? '').toMatch(/^(249|250)/);
    expect(await bench.complaints()).toEqual([]);
  });
});
