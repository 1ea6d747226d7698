import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open({ demo: false });
});
afterAll(() => bench.close());

const add = async (kind: string, name: string) => {
  await bench.click(kind);
  await bench.fill(await bench.css('tr[data-chosen] [aria-label="Name of the item"]'), name, Key.ENTER);
  await bench.label(`Take ${name} out`);
  await bench.driver.actions().sendKeys(Key.ESCAPE).perform();
};
/** The costs beside an item: to open it, to set it as usual and as far as it goes. */
const costs = (name: string) =>
  bench.until(`costs of ${name}`, async () => {
    const row = (await bench.driver.findElements(By.xpath(`//main//tr[contains(., "${name}")]`)))[0];
    const cells = (await row?.findElements(By.css('td.number'))) ?? [];
    return Promise.all(cells.map((cell) => cell.getAttribute('aria-label')));
  });
const inHand = (text: string) => bench.shows(`Small graphic display: ${text}`);
/** The wheel, by its key. */
const turn = async (times: number) => {
  for (let n = 0; n < times; n += 1) await bench.playKey('a');
};
const push = () => bench.playKey(' ');

describe('a menu from nothing', () => {
  it('is an outline that plays at once, with what every row costs', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.shows('A task is something a user wants done');
    await bench.click('Parts');
    await bench.addParts('Rotary encoder with push');
    await bench.click('Screen');
    await bench.click('Add a display of 128 × 64 pixels');
    await bench.shows('Small graphic display has no page yet');
    bench.steps = 0;
    await bench.segment('Menus');
    await bench.click('Begin a menu');
    await bench.shows('Nothing stands in this menu yet');
    await add('number', 'Loudness');
    await add('on or off', 'Hush');
    await add('submenu', 'Deep');
    await add('number', 'Tempo');
    // Down three times to the submenu, the first in it: turn 2, push, push; one step and done.
    expect(await costs('Tempo')).toEqual([
      '4 presses, 3.6\u202fs',
      '6 presses, 6.7\u202fs, to 6',
      '10 presses, 7.3\u202fs, to 0',
    ]);
    expect(bench.steps).toBeLessThan(20);
    await inHand('Settings / Loudness / 5 / Off');
    await bench.saved();
  });

  it('sets a value in hand, and tells what happened by the names of the outline', async () => {
    await push();
    await bench.why('Settings');
    await inHand('Loudness / 5');
    await turn(2);
    await inHand('Loudness / 7');
    await push();
    await inHand('Settings / Loudness / 7');
    await turn(1);
    await push();
    await inHand('Settings / Hush / 7 / On');
  });

  it('is worked by another scheme at once, compared with all others', async () => {
    expect(await bench.text('[aria-label="What it costs"]')).toContain('a wheel that is pushed quickest');
    await bench.clickLabel('Work it by one button, tapped and held');
    await bench.shows('It is worked by one button, tapped and held');
    // Down two more, into the submenu; a hold chooses.
    await bench.until('other costs', async () => (await costs('Tempo'))[0] === '4 presses, 4.7\u202fs');
    await bench.clickLabel('Switch off and on');
    await inHand('Settings / Loudness / 5 / Off');
    await push();
    await bench.playKey(' ', 900);
    await inHand('Settings / Hush / 5 / On');
    await bench.saved();
    await bench.driver.navigate().refresh();
    await bench.shows('It is worked by one button, tapped and held');
    await inHand('Settings / Loudness / 5 / Off');
  });

  it('finds the setting that is too deep for its task, and is mended', async () => {
    await bench.click('Brief');
    await bench.click('Add a task');
    await bench.fill(await bench.label('Task'), 'Slower', Key.ENTER);
    await bench.fill(await bench.field('and where'), 'level2 < 5', Key.ENTER);
    await bench.fill(await bench.field('At most presses'), '4', Key.TAB);
    await bench.click('Screen');
    await bench.segment('Menus');
    await bench.shows('over the budget of Slower');
    await bench.click('2 snags');
    await bench.shows('Too deep for its task');
    await bench.driver.actions().sendKeys(Key.ESCAPE).perform();
    await bench.clickLabel('Work it by a wheel that is pushed');
    await (await bench.driver.findElement(By.xpath('//main//tr[contains(., "Tempo sets")]/td[2]'))).click();
    await bench.clickLabel('Tempo: out of Deep');
    for (let n = 0; n < 3; n += 1) await bench.clickLabel('Tempo: earlier');
    await bench.shows('within the budget of Slower');
  });

  it('is opened out into states and rules, tells what differs, and is worked out again', async () => {
    await bench.choose('More for Settings', 'Open it out into states and rules');
    await bench.shows('Nothing differs from what the outline would make.');
    await bench.fill(await bench.label('Name of the item'), 'Pace', Key.ENTER);
    await bench.shows('would be made otherwise');
    await bench.click('Go back to the outline');
    await bench.until('no word of differences', async () => !(await bench.text('main')).includes('differ'));
  });

  it('has nothing that the accessibility rules complain about, and no complaint in the browser', async () => {
    expect(await bench.complaints()).toEqual([]);
  });
});

describe('an interval', () => {
  it('follows what is set of it in hand, and is told with its rounding', async () => {
    await bench.goto('/');
    await bench.startGadget();
    await bench.shows('A task is something a user wants done');
    await bench.click('Parts');
    await bench.addParts('Rotary encoder with push', 'Small graphic display, two-wire');
    await bench.click('Screen');
    await bench.segment('Menus');
    await bench.click('Begin a menu');
    await bench.clickLabel('More for Settings');
    await bench.click('An interval from span, length and rate');
    await bench.shows('192 pictures, one every 30.0 s, which comes out even');
    await inHand('Settings / Span / 96:00 / 8 s / 24 /s / =30.0 s');
    // Length: two seconds more.
    await turn(1);
    await push();
    await inHand('Length / 8 s');
    await turn(2);
    await push();
    await inHand('Settings / Length / 96:00 / 10 s / 24 /s / =24.0 s');
    // The interval itself: half a second more, and the length gives way.
    await turn(2);
    await push();
    await turn(1);
    await push();
    await inHand('Settings / Interval / 96:00 / =10 s / 24 /s / 24.5 s');
    await bench.pick(await bench.label('Parts of the interval'), 'milliseconds');
    await bench.shows('It begins with 0.300 s until one of them is set');
  });
});
