import { Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const openDemo = async (name: string, sheet: string) => {
  const { body } = await bench.server.ask('GET', '/gadgets');
  const { id } = (body as { id: string; name: string }[]).find((one) => one.name === name)!;
  await bench.goto(`/g/${id}/${sheet}`);
  await bench.css('[role=application]');
  return id;
};

describe('outputs that makers miss most', () => {
  it('a chain, a line and serial text are added, told by slots and by text, and played', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Push button', 'Light chain', 'Relay module', 'Serial line for text');
    await bench.shows('Light chain: 0 of 12 lit');

    await bench.click('Flow');
    await bench.click('Add a state');
    await bench.label('State State 1');
    for (const offer of ['Fill lights up to a number', 'Blink lights by number', 'Switch a line'])
      await bench.choose('On entering State 1: add something that happens', offer);
    // What is done on entering is done when it is entered: once more from power-up.
    await bench.clickLabel('Switch off and on');
    await bench.shows('Light chain: 3 of 12 lit, green');
    await bench.until('the relay on', async () =>
      /Relay module\s*on/.test(await bench.text('[role=application]')),
    );
    // What comes in is heard, with its number.
    await bench.clickLabel('Add a rule to State 1');
    const when = '[aria-label="State State 1"] select[aria-label="When"]';
    await bench.pick(await bench.css(when), 'a line comes in over Serial line for text');
    await bench.fill(await bench.label('Word in the line; nothing: any line'), 'lights');
    await bench.choose('Rule 1 of State 1: add something that happens', 'Fill lights up to a number');
    const rule = '[aria-label="Rule 1 of State 1"]';
    await bench.fill(await bench.label('How many are lit', rule), 'heard(0)');
    await bench.saved();
    await bench.fill(await bench.label('Line to send to Serial line for text'), 'lights 7', Key.ENTER);
    await bench.shows('Light chain: 7 of 12 lit, green');
    await bench.why('came in over Serial line for text');
  });

  it('a number of lights is changed where they are bought, and the ring follows', async () => {
    await bench.click('Parts');
    await bench.click('Light chain, told by number');
    await bench.fill(await bench.field('Lights'), '24');
    await bench.shows('24 lights, 0 to 23,');
    await bench.shows('All of them are told in 720 µs');
    await bench.until(
      'the ring in hand',
      async () =>
        (await bench.text('body')).length > 0 &&
        (await bench.driver.executeScript(
          'return document.querySelectorAll("[role=application] svg[role=img] circle").length',
        )) === 24,
    );
    await bench.saved();
  });

  it('a pad types into a computer, holds arrows under a held key, and lets go', async () => {
    await openDemo('Prompt Pad', 'flow');
    await bench.shows('Keys in 2 layers');
    await bench.playKey('q');
    await bench.until('typed', async () =>
      (await bench.text('[aria-label="Typed into Box office"]')).includes('Paper Comet.'),
    );
    const held = () => bench.text('[aria-label="Keys held on Box office"]');
    const actions = () => bench.driver.actions();
    await actions().keyDown('c').pause(150).keyDown('d').pause(200).perform();
    await bench.until('an arrow held', async () => (await held()) === 'arrow right');
    await actions().keyUp('d').pause(100).keyUp('c').perform();
    await bench.until('let go', async () => (await held()) === 'no key held');
    await bench.shows('Figure at 10, 4');
  });

  it('a display says how long a picture takes on its bus, in the pieces that it is sent in', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Small graphic display, two-wire');
    await (await bench.css('[aria-label^="Small graphic display, two-wire: figures of"]')).click();
    await bench.shows('A whole picture takes 26.2 ms over its bus.');
    await bench.shows('A picture that is kept takes 1 KiB of the chip’s memory.');
    await bench.fill(await bench.field('Bytes sent in one piece'), '128');
    await bench.shows('A whole picture takes 23.4 ms over its bus.');
    await bench.fill(await bench.field('Bus speed'), '100000');
    await bench.shows('A whole picture takes 93.8 ms over its bus.');
  });

  it('a receiver that is set to a wrong speed reads something else', async () => {
    await openDemo('Cue Lantern', 'trials');
    await bench.shows('Cue list: Cue 1 of 24');
    // The first press after power-up only wakes what waits: until a cue is called.
    await bench.until('a cue', async () => {
      await bench.press('GO');
      await bench.driver.sleep(300);
      return (await bench.text('[aria-label="Received over Lamp dimmer"]')).includes('cue 1');
    });
    // A byte of the next cue is lost: what stands there is no cue.
    await bench.click('lose a byte');
    await bench.until('a cue that lost a byte', async () => {
      await bench.press('GO');
      await bench.driver.sleep(300);
      return /^cu \d+$/m.test(await bench.text('[aria-label="Received over Lamp dimmer"]'));
    });
    await bench.pick(await bench.label('Speed that Lamp dimmer is read at'), 'reads 4800\u202fBd');
    await bench.until(
      'something else',
      async () => !(await bench.text('[aria-label="Received over Lamp dimmer"]')).includes('cue 1'),
    );
  });
});
