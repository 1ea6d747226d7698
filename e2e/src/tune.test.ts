import { By, Key, type WebElement } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await bench.listen();
});
afterAll(() => bench.close());

const sheet = async (id: string) => (await bench.css(`nav a[href$="/${id}"]`)).click();
const lane = (voice: string): Promise<WebElement> =>
  bench.until(`the lane of ${voice}`, async () => {
    const found = await bench.driver.findElements(By.css(`svg[aria-label^="Notes of ${voice},"]`));
    return found[0];
  });
const laneSays = (voice: string, words: string) =>
  bench.until(`${voice}: ${words}`, async () =>
    ((await (await lane(voice)).getAttribute('aria-label')) ?? '').includes(words),
  );
const written = async (voice: string) =>
  (await bench.label(`Notes of ${voice} as text`)).getAttribute('value');
const writes = async (voice: string, notes: string) =>
  bench.fill(await bench.label(`Notes of ${voice} as text`), notes, Key.ENTER);
const sounds = (pitches: readonly number[]) =>
  bench.until(`${pitches.join(', ')} Hz`, async () => {
    const { hz } = await bench.heard();
    return pitches.every((pitch) => hz.some((one) => Math.abs(one - pitch) < 2));
  });

describe('a tune, from nothing', () => {
  it('is typed, set to its tempo, and heard as the gadget plays it', async () => {
    await bench.fresh('Playing', 'Piezo sounder, passive', 'Push button');
    await bench.click('Sound');
    await bench.click('Write a tune');
    await bench.clickLabel('Write Melody');
    await writes('Melody', 'C4:2 E4:2 H4');
    await bench.shows('Expected a note from C-1 to G9 or a rest; got word 3, “H4”.');
    await writes('Melody', 'C4:2 E4:2 -:2 G4:2');
    await laneSays('Melody', '3');
    await bench.fill(await bench.label('Beats a minute', '[aria-label="Tune Tune 1"]'), '1000000', Key.ENTER);
    await bench.shows('expected at most 600 beats a minute');
    await bench.fill(await bench.label('Beats a minute', '[aria-label="Tune Tune 1"]'), '240', Key.ENTER);
    // What does not fit is said once, where it is typed.
    await bench.fill(await bench.label('Steps of section 1'), '4', Key.ENTER);
    await bench.shows('expected a note that ends within 4 steps, got one to step 8');
    const said = (await bench.text('[aria-label="Tune Tune 1"]')).split('ends within 4 steps').length - 1;
    expect(said).toBe(1);
    await bench.fill(await bench.label('Steps of section 1'), '32', Key.ENTER);
    await bench.shows('3 notes, 2 s once through; 22 bytes of the program');
    await bench.click('Play it there');
    await bench.shows('Played on “Piezo sounder” in');
    await bench.press('Push button');
    await bench.clickLabel('Switch off and on');
    await sounds([261.63, 329.63, 392]);
    await bench.saved();
  });

  it('is changed on its grid by keys and by hand, and taken back', async () => {
    const notes = await lane('Melody');
    // The third note: an octave up, a step longer; and one more behind it.
    await notes.sendKeys(']', ']', ']');
    await laneSays('Melody', 'G4, beat 2.3, 2 steps');
    await notes.sendKeys(Key.chord(Key.SHIFT, Key.ARROW_UP), Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await laneSays('Melody', 'G5, beat 2.3, 3 steps');
    await notes.sendKeys(Key.ENTER, Key.ARROW_DOWN, Key.ARROW_DOWN);
    await laneSays('Melody', 'F5, beat 3.2, 3 steps');
    expect(await written('Melody')).toBe('C4:2 E4:2 -:2 G5:3 F5:3');
    await bench.pick(await bench.label('What it does'), 'trembles, to each side');
    await bench.until('vibrato', async () => (await written('Melody')) === 'C4:2 E4:2 -:2 G5:3 F5:3~30');
    await bench.fill(await bench.label('Loudness of the note'), '60');
    await laneSays('Melody', 'F5, beat 3.2, 3 steps, 60\u202f% loud');
    await bench.click('So loud for the whole voice');
    await bench.until(
      'all as loud',
      async () => (await written('Melody')) === 'C4:2!60 E4:2!60 -:2 G5:3!60 F5:3~30!60',
    );
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('one', async () => (await written('Melody')) === 'C4:2 E4:2 -:2 G5:3 F5:3~30!60');
    // Into the gap: a click on the free steps puts a note there.
    const stepPx = await bench.driver.executeScript<number>(
      'return arguments[0].getBoundingClientRect().width / 32',
      notes,
    );
    const { width, height } = await notes.getRect();
    const toX = Math.round(4.5 * stepPx - width / 2);
    await bench.driver
      .actions()
      .move({ origin: notes, x: toX, y: Math.round(-height / 4) })
      .press()
      .release()
      .perform();
    await laneSays('Melody', 'beat 2.1, 2 steps');
    await notes.sendKeys(Key.DELETE);
    await bench.until('taken out', async () => (await written('Melody')) === 'C4:2 E4:2 -:2 G5:3 F5:3~30!60');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('taken back', async () => !(await written('Melody'))!.includes('-:2'));
    await bench.driver.findElement(By.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.until('and the click', async () => (await written('Melody'))!.includes('-:2'));
  });

  it('goes on beneath an effect, whose time it is not heard in', async () => {
    await sheet('flow');
    await bench.typeRule(
      'Playing',
      1,
      'when "Push button" press do "Piezo sounder" tone 990 for 700 ms; "Piezo sounder" perform "Tune 1" at 60',
    );
    await bench.press('Push button');
    await sounds([990, 329.63]);
    // Walked back to on the strip.
    const strip = await bench.strip();
    await bench.until('what was not heard', async () => {
      await strip.sendKeys(Key.ARROW_LEFT);
      return (await bench.text('[data-testid=why]')).includes(
        'C4 of a tune of Piezo sounder begins and is not heard',
      );
    });
  });

  it('of two voices is more than one sounder has: found, mended by a click', async () => {
    await sheet('sound');
    await bench.choose('More of Tune 1', 'Add a voice');
    await bench.clickLabel('Write Voice 2');
    await writes('Voice 2', 'C3:4 G3:2');
    await bench.driver.findElement(By.xpath('//button[contains(., "snag")]')).click();
    await bench.shows('Tune 1 has 2 voices, and Piezo sounder plays one at a time: 1 of its 6 notes');
    await bench.click('Let voices take turns on it');
    await bench.driver.findElement(By.css('body')).sendKeys(Key.ESCAPE);
    await bench.until(
      'the snags closed',
      async () => (await bench.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    await bench.until(
      'nothing unheard',
      async () => !(await bench.text('body')).includes('plays one at a time'),
    );
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.shows('6 notes, 2 s once through');
    await laneSays('Voice 2', '2');
  });

  it('is heard by itself, and taken out with all that plays it', async () => {
    await bench.click('Hear it');
    await bench.shows('Stop it');
    await bench.shows('Hear it');
    await bench.choose('More of Tune 1', 'Take the tune out');
    await bench.until('no tune', async () => !(await bench.text('main')).includes('once through'));
    await sheet('flow');
    await bench.until('nothing plays it', async () => !(await bench.text('main')).includes('Tune 1'));
    expect(await bench.complaints()).toEqual([]);
  });
});

describe('an effect', () => {
  const card = '[aria-label="Effect Won"]';
  it('is made of a kind, changed by its numbers, and heard by itself', async () => {
    await sheet('sound');
    await bench.click('Make an effect');
    await bench.click('Won');
    await bench.shows('Nothing sounds it yet.');
    // The menu hands back the focus as it closes.
    await bench.until(
      'the menu closed',
      async () => (await bench.driver.findElements(By.css('[role=menu]'))).length === 0,
    );
    await bench.label('From', card);
    // What edits numbers is fetched when it is first wanted.
    await bench.fill(await bench.css(`${card} input[aria-label="From"]:not([readonly])`), '90000', Key.ENTER);
    await bench.shows('expected at most 20000 Hz');
    await bench.fill(await bench.label('From', card), '700', Key.ENTER);
    await bench.css(`${card} [role=img][aria-label="From 700 to 1568 Hz"]`);
    await bench.clickLabel('Hear Won');
    await bench.label('Stop Won');
    await bench.label('Hear Won');
  });

  it('sounds where a rule tells it, moved as it says, and goes with all that tells it', async () => {
    await sheet('flow');
    await bench.typeRule('Playing', 2, 'when "Push button" release do "Piezo sounder" effect Won by 100');
    await bench.press('Push button');
    // 700 and 1568 Hz, a semitone higher.
    await sounds([741.62, 1661.2]);
    await sheet('sound');
    await bench.shows('Told in 1 place, first in');
    await bench.clickLabel('Take Won out');
    await bench.until('no effect', async () => !(await bench.text('main')).includes('Told in 1 place'));
    await sheet('flow');
    await bench.until('nothing tells it', async () => !(await bench.text('main')).includes('sounds Won'));
    await bench.saved();
    expect(await bench.complaints()).toEqual([]);
  });
});
