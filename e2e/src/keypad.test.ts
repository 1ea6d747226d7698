import { Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const inHand = () => bench.text('[role=application]');

describe('a keypad that spells, and a module of the maker’s own', () => {
  it('twelve keys are one rule: their letters, a word of them, and a display', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.click('Parts');
    await bench.addParts('Key matrix (keypad)', 'Character display');
    await bench.click('Flow');
    await bench.click('Add a state');
    await bench.label('State State 1');

    // A text that grows, and what each key puts behind it.
    await bench.driver.executeScript(
      `[...document.querySelectorAll('summary')].find((one) => /variable/.test(one.textContent)).click()`,
    );
    for (const [name, kind] of [
      ['word', 'text'],
      ['letters', 'texts'],
    ] as const) {
      await bench.click('Add a variable');
      await bench.fill(await bench.label('Name of number1'), name);
      await bench.pick(await bench.label(`Kind of ${name}`), kind);
    }
    await bench.fill(await bench.label('Text 0 of letters'), 'ba');
    await bench.fill(await bench.label('Text 1 of letters'), 'na');

    await bench.clickLabel('Add a rule to State 1');
    await bench.pick(await bench.css('[aria-label="State State 1"] select[aria-label="When"]'), 'any key of Key matrix (keypad) is pressed');
    const rule = '[aria-label="Rule 1 of State 1"]';
    const add = 'Rule 1 of State 1: add something that happens';
    await bench.choose(add, 'Put characters behind a text');
    await bench.fill(await bench.label('Text, numbers in braces', rule), '{letters[heard(0)]}');
    await bench.choose(add, 'Show text');
    await bench.fill(await bench.label('Text, with expressions in braces', rule), '{word}_');
    await bench.saved();
    for (const key of [1, 2, 2]) await bench.press(`Key matrix (keypad) ${key}`);
    await bench.shows('Character display: banana_');
  }); // prettier-ignore

  it('in a layer the whole keypad is one row', async () => {
    await bench.driver.executeScript(
      `[...document.querySelectorAll('summary')].find((one) => /layers/.test(one.textContent)).click()`,
    );
    await bench.click('Add a layer');
    await bench.clickLabel('Any key of Key matrix (keypad) in Always: ·');
    await bench.choose('Any key of Key matrix (keypad) pressed in Always: add something that happens', 'Change a text');
    const editor = '[aria-label="Any key of Key matrix (keypad) in Always"]';
    await bench.fill(await bench.label('Text, numbers in braces', editor), 'k{heard(0)}');
    await bench.saved();
    await bench.press('Key matrix (keypad) 12');
    // The layer is done first, then the rule hears the press: place 11 has no letters, which is told.
    await bench.shows('Character display: k11_');
  }); // prettier-ignore

  it('a tuner is described, told a value, and asked for one', async () => {
    await bench.click('Parts');
    await bench.click('Add a part');
    await bench.click('Describe a part that is not here…');
    await bench.pick(await bench.css('[role=dialog] select'), 'a radio tuner');
    await bench.click('Add this part');
    await bench.until('added', async () => (await bench.text('[role=dialog]')).includes('Radio tuner added.'));
    await (await bench.css('body')).sendKeys(Key.ESCAPE);
    await bench.click('Flow');
    await bench.clickLabel('Add a rule to State 1');
    const rule = '[aria-label="Rule 2 of State 1"]';
    await bench.pick(await bench.css('[aria-label="Rule 2"] select[aria-label="When"]'), 'Radio tuner signal comes to');
    await bench.fill(await bench.label('Value', '[aria-label="Rule 2"]'), '60');
    await bench.choose('Rule 2 of State 1: add something that happens', 'Tell a module a value');
    await bench.fill(await bench.label('Value for the module', rule), '900 + value("Radio tuner signal")');
    await bench.saved();
    await bench.until('how it begins', async () => (await inHand()).includes('875'));
    await bench.driver.executeScript(
      `const [slider] = arguments;
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(slider, '900');
       slider.dispatchEvent(new Event('input', { bubbles: true }));`,
      await bench.label('Move Radio tuner signal'),
    );
    await bench.until('what it was told', async () => /9[5-9]\d/.test(await inHand()));
  }); // prettier-ignore
});
