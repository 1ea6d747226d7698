import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await bench.listen();
});
afterAll(() => bench.close());

/** Twelve notes from middle C up. */
const chord = Array.from({ length: 12 }, (_, n) => `"MIDI out" noteOn 1, ${60 + n}, 100`).join('; ');

describe('MIDI, from nothing', () => {
  it('is told by a key, goes over the wire, and is heard at its other end', async () => {
    await bench.fresh('Playing', 'Push button', 'MIDI out');
    await bench.typeRule('Playing', 1, `when "Push button" press do ${chord}`);
    await bench.inHand(/MIDI out\s*nothing yet/);
    await bench.press('Push button');
    await bench.inHand(/MIDI out\s*C4 C♯4 D4 D♯4 E4 F4 F♯4 G4 G♯4 A4 A♯4 B4/);
    const { hz } = await bench.heard();
    // The table of equal temperament: C4 and A4.
    for (const pitch of [261.63, 440]) expect(hz.some((one) => Math.abs(one - pitch) < 0.01)).toBe(true);
    await bench.why('Rule 1 of Playing answered');
  });

  it('smears a chord of twelve over the wire, which is found, and mended by a click', async () => {
    await bench.driver.findElement(By.xpath('//button[contains(., "snag")]')).click();
    await bench.shows('over the wire the last comes 10.6\u202fms behind the first');
    await bench.click('Leave out status bytes that stay the same: 7.04\u202fms');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.until(
      'no chord that smears',
      async () => !(await bench.text('body')).includes('over the wire the last comes'),
    );
    await bench.click('Parts');
    await bench.clickLabel('MIDI out: figures of MIDI out');
    await bench.shows('a status byte only where it changes');
    await bench.saved();
  });

  it('loses what a small queue has no room for where its maker wants that, and says so', async () => {
    await bench.pick(await bench.label('When the queue of MIDI out is full'), 'what has no room is lost');
    await bench.fill(await bench.label('Queue'), '6', Key.ENTER);
    await bench.clickLabel('Switch off and on');
    await bench.inHand(/MIDI out\s*nothing yet/);
    await bench.press('Push button');
    // One on its way, two wait; the others are lost.
    await bench.inHand(/MIDI out\s*C4 C♯4 D4\s*; 9 messages lost/);
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.clickLabel('MIDI out: figures of MIDI out');
    await bench.shows('what has no room is lost');
    expect(await bench.complaints()).toEqual([]);
  });

  it('takes so long from the finger, part by part, as it was played', async () => {
    await bench.click('Sound');
    await bench.shows('From finger to sound');
    const way = await bench.text('[aria-label="From finger to sound"]');
    expect(way).toMatch(/To “MIDI out” from 1 key: \d+(\.\d+)? ms as a rule, \d+(\.\d+)? ms at worst\./);
    // Three bytes at first, and two where the status byte stays the same.
    expect(way).toMatch(/its bytes on the wire\s+640 µs\s+960 µs/);
    expect(way).toContain('Played: 24 presses');
  });

  it('is judged by what stands at its other end, which is not heard where channels differ', async () => {
    await bench.click('Name what stands there');
    await bench.fill(await bench.label('Name of the equipment'), 'Storm box', Key.ENTER);
    await bench.fill(await bench.label('Its channels'), '17', Key.ENTER);
    await bench.shows('Expected “all”, or channels from 1 to 16 such as 1, 2, 10.');
    await bench.fill(await bench.label('Its channels'), '2 10', Key.ENTER);
    await bench.driver.findElement(By.xpath('//button[contains(., "snag")]')).click();
    await bench.shows(
      'In Playing, MIDI out is told something on channel 1; Storm box, which stands there, hears 2, 10: nobody takes it.',
    );
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.until(
      'the snags closed',
      async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await bench.clickLabel('Switch off and on');
    await bench.driver.executeScript('window.heard.hz.length = 0');
    await bench.press('Push button');
    await bench.inHand(/MIDI out\s*C4/);
    expect((await bench.heard()).hz).toEqual([]);
    await bench.fill(await bench.label('Its channels'), '1 10', Key.ENTER);
    await bench.clickLabel('Switch off and on');
    await bench.press('Push button');
    await bench.until('heard', async () =>
      (await bench.heard()).hz.some((one) => Math.abs(one - 261.63) < 0.01),
    );
    await bench.until('no snags', async () => (await bench.text('body')).includes('No snags'));
    await bench.saved();
  });
});

describe('a sounder on a board of eight bits', () => {
  it('shows how far each pitch is off, and is told where one is heard as out of tune', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Sound');
    await bench.shows('Nothing sounds yet');
    await bench.click('Parts');
    await bench.addParts('Piezo sounder, passive', 'Push button');
    await bench.pick(await bench.label('Board', 'main'), '8-bit board, 20 pins, 5 V');
    await bench.click('Flow');
    await bench.fill(await bench.label('Name of the first state'), 'Playing', Key.ENTER);
    await bench.typeRule(
      'Playing',
      1,
      'when "Push button" press do "Piezo sounder" tune 440 300 ms, 3400 300 ms',
    );
    await bench.click('Sound');
    await bench.shows('Timer T2, 8 bits, counts 16\u202fMHz divided by 1 to 1024');
    const rows = async () =>
      (await bench.text('[aria-label="Pitches of Piezo sounder"] tbody')).replaceAll(/\s+/g, ' ');
    // reckoning, Sound: A4 with N 128, OCR 141; 14 dB below the resonance of its disc.
    await bench.until('both pitches', async () =>
      (await rows()).startsWith('440 Hz A4 ÷ 128, to 141 440.14 Hz 14 +0.6 3400 Hz'),
    );
    await bench.css('[role=img][aria-label^="A4 300"]');
    // The file that the tune is saved as: a head, one track, A4 for 300 ticks of a millisecond.
    await bench.driver.executeScript(
      `const make = URL.createObjectURL.bind(URL);
       URL.createObjectURL = (blob) => {
         void blob.arrayBuffer().then((bytes) => (window.kept = [...new Uint8Array(bytes)]));
         return make(blob);
       };`,
    );
    await bench.clickLabel('Save the tune in Playing as a MIDI file');
    const file = await bench.until('the file', () =>
      bench.driver.executeScript<number[] | null>('return window.kept ?? null'),
    );
    expect(String.fromCharCode(...file.slice(0, 4))).toBe('MThd');
    expect(file.slice(8, 14)).toEqual([0, 0, 0, 1, 500 >> 8, 500 & 255]);
    expect(file.join()).toContain([0x90, 69, 100, 0x82, 0x2c, 0x80, 69, 0].join());
    await bench.driver.executeScript('window.kept = null');
    await bench.clickLabel('Save the tune in Playing as a WAV file');
    const wav = await bench.until('the other file', () =>
      bench.driver.executeScript<number[] | null>('return window.kept'),
    );
    expect(String.fromCharCode(...wav.slice(0, 4))).toBe('RIFF');
    // 0.6 s and its end at 48 kHz, two bytes each.
    expect(wav).toHaveLength(44 + 2 * 48_000 * 0.62);
    await bench.driver.findElement(By.xpath('//button[contains(., "snag")]')).click();
    await bench.shows('Timer T2 of 8 bits makes 3378.38\u202fHz of the 3400\u202fHz');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.until(
      'the list gone',
      async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await bench.press('Push button');
    await bench.until('what the timer makes', async () =>
      (await bench.heard()).hz.some((one) => Math.abs(one - 440.14) < 0.01),
    );
    expect(await bench.complaints()).toEqual([]);
  });
});

describe('Reed Box', () => {
  it('is played by keys, heard, and let go', async () => {
    const { body } = await bench.server.ask('GET', '/gadgets');
    const { id } = (body as { id: string; name: string }[]).find(({ name }) => name === 'Reed Box')!;
    await bench.goto(`/g/${id}/flow`);
    await bench.css('[role=application]');
    await bench.shows('nothing yet');
    await bench.playKey('w', 400);
    await bench.inHand(
      /To the sound module\s*A\d? ends, channel 1|To the sound module\s*[A-G]♯?\d ends, channel 1/,
    );
  });
});
