import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
let folder = '';
beforeAll(async () => {
  bench = await Bench.open();
  folder = mkdtempSync(join(tmpdir(), 'hum-lever-traces-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await bench.close();
});

const says = (words: string | RegExp) =>
  bench.until(String(words), async () => {
    const text = await bench.text('main');
    return typeof words === 'string' ? text.includes(words) : words.test(text);
  });
/** Chooses in the field of that label by what is written there. */
const choose = (label: string, text: string) =>
  bench.until(`${text} of ${label}`, async () => {
    const path = `(//main//label[normalize-space()="${label}"]/following::select)[1] | //main//select[@aria-label="${label}"]`;
    const field = (await bench.driver.findElements(By.xpath(path)))[0]!;
    const options = await field.findElements(By.css('option'));
    for (const option of options)
      if ((await option.getText()) === text) {
        await option.click();
        return true;
      }
    return false;
  });
/** Types into the field of that label. */
const fillField = async (label: string, text: string) => bench.fill(await bench.field(label), text);
/** Opens a copy of a demo gadget, so that each test has its own; returns its id. */
async function openGadget(name: string): Promise<string> {
  const { body } = await bench.server.ask('GET', '/gadgets');
  const demo = (body as { id: string; name: string }[]).find((one) => one.name === name)!;
  const copy = await bench.server.ask('POST', `/gadgets/${demo.id}/duplicate`);
  const { id } = copy.body as { id: string };
  await bench.goto(`/g/${id}/feel`);
  await bench.shows('Now in');
  return id;
}
const documentOf = async (id: string) => {
  await bench.saved();
  const { body } = await bench.server.ask('GET', `/gadgets/${id}`);
  return (
    body as { document: { controls: Record<string, unknown>[]; captures: unknown[]; chords: unknown[] } }
  ).document;
};

describe('one press', () => {
  it('is magnified from bare contact to meaning, with its time, and every method answers it', async () => {
    await openGadget('Kettle Keeper');
    await bench.press('Stir');
    await says('The last press of Stir');
    await says(/Finger to meaning\s(0\s|[\d.]+\s(ms|µs))/);
    await says('The same press, cleaned by each method');
    const cards = await bench.driver.findElements(
      By.xpath('//main//li[.//button[normalize-space()="Use it"] or contains(., "in hand")]'),
    );
    expect(cards).toHaveLength(9);
    await says('with 95 % confidence');
  });

  it('that is swallowed says why on the strip', async () => {
    await openGadget('Kettle Keeper');
    await choose('Method', 'Wait until steady (stable for T)');
    await fillField('Steady for, pressing', '400');
    await bench.click('Press it for me');
    expect(await bench.why('This press of Stir was swallowed')).toMatch(
      /it lasted [\d.]+ ms, and the debouncing wants \d+ ms to be sure/,
    );
    await says(/1 press: 0 came through, 1 lost, and the strip says why/);
  });

  it('as hands really make them: a burst, and a storm of spikes that only some methods survive', async () => {
    await openGadget('Kettle Keeper');
    await bench.click('A burst');
    await says(/8 presses: 8 came through\./);
    await bench.click('A storm of spikes');
    await says(/Nobody pressed, and \d+ press(es)? came through\./);
    await choose('Method', 'Wait until steady (stable for T)');
    await bench.click('A storm of spikes');
    await says('Nobody pressed, and nothing came through.');
  });

  it('two settings are tried by hand, and the one that is kept goes into the document', async () => {
    const id = await openGadget('Kettle Keeper');
    await choose('What B is', 'B is Count up and down (integrator)');
    await bench.segment('B: Count up and down, 6\u202f/\u202f6\u202f/\u202f0 samples');
    await bench.press('Stir');
    await says(/B: 1 press, 0 counted again, 0 lost/);
    expect((await documentOf(id)).controls[0]).toMatchObject({ debounce: { algorithm: 'lockout' } });
    await bench.click('Keep B');
    await bench.until('the method in use', async () =>
      /Count up and down[^]*in hand/.test(await bench.text('[data-chosen]')),
    );
    expect((await documentOf(id)).controls[0]).toMatchObject({ debounce: { algorithm: 'integrator' } });
  });
});

it('the sheet follows the control that the hand takes up', async () => {
  await openGadget('Cue Lantern');
  await says('Press GO in hand, once');
  await bench.press('BACK');
  await says('The last press of BACK');
  await bench.clickLabel('Turn Knob on');
  await says('The last turn of Knob');
});

describe('thousands of presses', () => {
  it('are swept, shown against latency and in numbers, and a setting is taken from the table', async () => {
    const id = await openGadget('Kettle Keeper');
    await bench.segment('Thousands');
    await bench.click('Try them all');
    await says(/\d+ settings, 2000 presses each\./);
    await bench.css('[aria-label="False or missed presses against latency"] svg');
    await bench.segment('All');
    await bench.until(
      'a table of all',
      async () => (await bench.driver.findElements(By.css('main tbody tr'))).length > 100,
    );
    await bench.clickLabel('Use Look back at the last readings, 11 samples');
    expect((await documentOf(id)).controls[0]).toMatchObject({ debounce: { algorithm: 'history' } });
  });

  it('can be cancelled, and what was found so far stays', async () => {
    await openGadget('Kettle Keeper');
    await bench.segment('Thousands');
    for (const name of ['Dome (tactile)', 'Leaf', 'Toggle', 'Worn contact', 'Membrane', 'Snap-action'])
      await bench.segment(name);
    await fillField('Presses', '20000');
    await fillField('Settings of each', '60');
    await bench.click('Try them all');
    await bench.click('Cancel');
    await says(/Cancelled after \d+ of \d+ settings\./);
    await bench.button('Try them all');
    const [, done, total] = /Cancelled after (\d+) of (\d+)/.exec(await bench.text('main'))!;
    expect(Number(done)).toBeLessThan(Number(total));
  });

  it('want at least one method', async () => {
    await openGadget('Kettle Keeper');
    await bench.segment('Thousands');
    for (const name of [
      'As it comes',
      'Fire, then ignore',
      'Press at once, let go when steady',
      'Wait until steady',
      'Stop, wait, look again',
      'Count up and down',
      'Look back at the last readings',
      'Count a whole port at once',
      'Resistor, capacitor and Schmitt input',
    ])
      await bench.segment(name);
    await bench.click('Try them all');
    await says('expected at least one method to try');
  });
});

describe('a recommendation', () => {
  it('follows from what the button is for, shows both schools, and is applied in one action', async () => {
    const id = await openGadget('Kettle Keeper');
    await choose('It is for', 'something that cannot be undone');
    await says('It waits until it is sure');
    await says('Fire at once, then ignore');
    await says('Wait until sure, then fire');
    await bench.click('Set what is recommended');
    await says('This is what is set.');
    const [control] = (await documentOf(id)).controls;
    expect(control).toMatchObject({ wants: { purpose: 'destructive' } });
    const { algorithm } = control!['debounce'] as { algorithm: string };
    expect(['stable', 'integrator', 'history', 'vertical']).toContain(algorithm);
  });
});

describe('captures', () => {
  it('from the practice device are cut, fitted with their goodness, and played', async () => {
    const id = await openGadget('Kettle Keeper');
    await bench.segment('Captures');
    await bench.click('Take one from the practice device');
    await says(/\d+ whole presses, each pulling the wire down/);
    await says(/closing 0\.\d\d apart, where 0\.\d\d can be chance/);
    await bench.click('Play these very presses');
    await says('Kept');
    const { controls, captures } = await documentOf(id);
    expect(captures).toHaveLength(2);
    expect(controls[0]).toMatchObject({ contact: { model: 'captured', captureId: 'x2' } });
    await bench.segment('One press');
    await bench.press('Stir');
    await says('The last press of Stir');
  });

  it('from a file have their unit confirmed, and a file of nonsense is refused with a reason', async () => {
    const id = await openGadget('Kettle Keeper');
    await bench.segment('Captures');
    const open = async (name: string, text: string) => {
      writeFileSync(join(folder, name), text);
      await (await bench.css('main input[type=file]')).sendKeys(join(folder, name));
    };
    await open('nonsense.csv', 'this is,not a trace\nat all,ever');
    await says(/“nonsense.csv” cannot be read: expected rows of a time and a level/);
    const presses = [0, 1, 2].flatMap((n) => [
      1_000_000 + n * 300_000,
      1_000_400 + n * 300_000,
      1_000_900 + n * 300_000,
      1_100_000 + n * 300_000,
    ]);
    await open(
      'bench.csv',
      ['0,0', ...presses.map((us, n) => `${us},${[1, 0, 1, 0][n % 4]}`), '2500000,0'].join('\n'),
    );
    await says('The table does not name its unit.');
    await bench.click('That is right');
    await says(/3 whole presses, each pulling the wire up/);
    await bench.click('Use the fitted figures');
    expect((await documentOf(id)).controls[0]).toMatchObject({
      contact: { model: 'captured', captureId: null },
    });
  });
});

describe('what turns', () => {
  it('an encoder is played, drawn from both channels to steps, and mended where a click is no step', async () => {
    const id = await openGadget('Reed Box');
    await choose('Control', 'Octave');
    await bench.clickLabel('Turn Octave on');
    await says('1 of 1 clicks');
    await choose('A step is', '2 counts (half a cycle)');
    await bench.click('One click on');
    await says('2 of 1 clicks');
    await bench.click('Set what is recommended');
    await says('This is what is set.');
    const { controls } = await documentOf(id);
    expect(controls.find(({ name }) => name === 'Octave')).toMatchObject({
      reading: { countsPerStep: 4 },
    });
  });

  it('a knob tells its value, flickers where its steps are too narrow, and is quietened', async () => {
    await openGadget('Reed Box');
    await choose('Control', 'Breath');
    await fillField('A step holds on for', '0');
    await fillField('In steps', '400');
    await says(/As it is now, it changes by itself, [1-9]\d* times a minute/);
    await bench.click('Set what is recommended');
    await says('This is what is set.');
    await (await bench.label('Move Breath')).sendKeys(Key.ARROW_UP);
    await says(/Now \d+\./);
  });

  it('keys of a keypad are read as they will be', async () => {
    await openGadget('Reed Box');
    await choose('Control', 'Keys: all keys');
    await says('Any keys together are read truly (n-key rollover).');
    await bench.click('Key C');
    await says('1 key held. All of it is read truly.');
  });
});

describe('meaning', () => {
  it('of two keys together is made, tried on hands, and offered to the flow', async () => {
    const id = await openGadget('Cue Lantern');
    await bench.segment('Meaning');
    await says('What listening costs');
    await bench.click('Add keys together');
    await says(/Meant together by these hands and read as single presses: \d/);
    expect((await documentOf(id)).chords).toHaveLength(2);
    await bench.click('Flow');
    const when = await bench.css(
      '[aria-label="State Ready"] [aria-label="Rule 1"] select[aria-label="When"]',
    );
    expect(await when.getText()).toContain('GO with BACK: together');
  });

  it('is written as C by the method in use', async () => {
    await openGadget('Kettle Keeper');
    await bench.segment('Code');
    await says('uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us)');
  });
});
