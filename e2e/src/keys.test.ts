import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  await bench.listen();
});
afterAll(() => bench.close());

/** A sheet whose link says how many snags it has. */
const sheet = async (id: string) => (await bench.css(`nav a[href$="/${id}"]`)).click();

describe('keys that play, from nothing', () => {
  it('are laid out from a scale, play it, and no note of theirs can stick', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Key matrix', 'MIDI out', 'Push button');
    await bench.click('Sound');
    await bench.pick(await bench.label('Scale'), 'Dorian');
    await bench.pick(await bench.label('Each key plays'), 'three stacked in thirds');
    await bench.fill(await bench.label('First note'), 'D4', Key.ENTER);
    await bench.driver.findElement(By.xpath('//button[starts-with(normalize-space(.), "Lay out")]')).click();
    await bench.shows('3 notes in each at most, played on “MIDI out”');
    await bench.shows('Dm');
    await bench.shows('No note of its 12 keys sticks');
    await bench.saved();
  });

  it('sound together while they are held, under the name of their chord', async () => {
    await bench.inHand(/MIDI out\s*nothing yet/);
    const key = await bench.label('Press Key matrix (keypad) 1');
    await bench.driver.actions().move({ origin: key }).press().perform();
    await bench.inHand(/MIDI out\s*D4 F4 A4: Dm/);
    await bench.driver.actions().release().perform();
    await bench.inHand(/MIDI out\s*A4 ends, channel 1/);
  });

  it('take notes as they are typed, and say what is no note', async () => {
    await bench.clickLabel('Notes of Key matrix (keypad) 2: E4 G4 B4');
    await bench.fill(await bench.label('Notes of Key matrix (keypad) 2'), 'E4 H4', Key.ENTER);
    await bench.shows('Expected notes from C-1 to G9');
    await bench.fill(await bench.label('Notes of Key matrix (keypad) 2'), 'C4 Eb4 G4 Bb4', Key.ENTER);
    await bench.shows('Cm7');
    await bench.shows('4 notes in each at most');
  });

  it('can stick where a mode does not hear them, which is found, and mended', async () => {
    await sheet('flow');
    await bench.typeRule('Playing', 3, 'when "Push button" press');
    await bench.leads('Playing', 3, 'Menu');
    await sheet('sound');
    await bench.shows('A note can stick: the snags say how.');
    await sheet('flow');
    await bench.clickLabel('Rule 3 of Playing as text');
    await bench.fill(
      await bench.label('The rule as text'),
      'when "Push button" press do "MIDI out" letAllGo then Menu',
      Key.ENTER,
    );
    await sheet('sound');
    await bench.shows('No note of its 12 keys sticks');
    expect(await bench.complaints()).toEqual([]);
  });
});
