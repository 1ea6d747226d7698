import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hum-lever-piece-'));
  bench = await Bench.open();
  await bench.listen();
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await bench.close();
});

/** A file of one track as the standard writes it: C5 E4 C3 for a quarter, then D5 over C3, and a drum. */
function pieceFile(): Buffer {
  const events = [
    [0, 0x90, 72, 90], [0, 0x90, 64, 90], [0, 0x90, 48, 90], [0, 0x99, 36, 90],
    [96, 0x80, 72, 0], [0, 0x80, 64, 0], [0, 0x89, 36, 0], [0, 0x90, 74, 90],
    [96, 0x80, 74, 0], [0, 0x80, 48, 0], [0, 0xff, 0x2f, 0],
  ].flat(); // prettier-ignore
  const head = [...Buffer.from('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, 0, 96];
  return Buffer.from([...head, ...Buffer.from('MTrk'), 0, 0, 0, events.length, ...events]);
}
const give = async (path: string) => {
  const input = await bench.css(
    '[aria-label="A piece from a file"] input[type=file], input[type=file][accept*=".mid"]',
  );
  await input.sendKeys(path);
};

describe('a piece from a MIDI file', () => {
  it('is brought down to two voices, says what is left out, and is played', async () => {
    await bench.fresh('Playing', 'Piezo sounder, passive', 'Piezo sounder, passive', 'Push button');
    await bench.click('Sound');
    writeFileSync(join(folder, 'storm.mid'), pieceFile());
    await bench.shows('Bring in a MIDI file');
    await give(join(folder, 'storm.mid'));
    await bench.shows(
      'Melody 2 notes, Bass 1 note; left out: 1 note in between, 1 note of drums; every note is where it was.',
    );
    await bench.click('Play it there');
    await bench.shows('3 notes, 1 s once through');
    await bench.css('svg[aria-label="Notes of Melody, 2"]');
    await bench.css('svg[aria-label="Notes of Bass, 1"]');
    await bench.shows('Played Melody on');
    await bench.press('Push button');
    await bench.clickLabel('Switch off and on');
    await bench.until('melody and bass', async () => {
      const { hz } = await bench.heard();
      // C3 is lower than such a sounder goes.
      return [523, 587, 200].every((pitch) => hz.some((one) => Math.abs(one - pitch) < 1));
    });
    await bench.saved();
  });

  it('that is broken says at which byte, and changes nothing', async () => {
    writeFileSync(join(folder, 'torn.mid'), pieceFile().subarray(0, 30));
    await give(join(folder, 'torn.mid'));
    const said = await bench.css('[aria-label="A piece from a file"] [role=alert]');
    expect(await said.getText()).toMatch(/^Expected .* byte \d+/);
    expect((await bench.driver.findElements(By.css('svg[aria-label^="Notes of Melody"]'))).length).toBe(1);
    expect(await bench.complaints()).toEqual([]);
  });
});
