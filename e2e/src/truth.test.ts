import { By, Key } from 'selenium-webdriver';
import { Bench } from './test/bench.ts';

jest.setTimeout(120_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const question = '[aria-label="A question"]';
const inQuestion = () => bench.text(question);
const hint = () => bench.text('#hand-hint');

/** The gadget that can be looked at as a whole within a few seconds. */
async function openLantern(): Promise<void> {
  const id = await bench.idOf('Cue Lantern');
  await bench.goto(`/g/${id}/flow?view=ask`);
  await bench.until('everything was looked at', async () =>
    / were looked at\./.test(await bench.text('main [role=status]')),
  );
}

describe('what is asked, and what is answered', () => {
  it('has no answer without a question, and says its unit', async () => {
    await openLantern();
    await bench.click('Ask');
    await bench.until('an answer with its unit', async () =>
      /\d press(es)? at most/.test(await inQuestion()),
    );
    const kinds = await bench.label('What is asked');
    await bench.pick(kinds, 'Can it ever be that');
    const slot = await bench.label('A condition, such as in(Ready) && heat > 3');
    await bench.fill(slot, 'in(Opne) && slot');
    await bench.click('Ask');
    await bench.until('a refusal', async () => (await inQuestion()).includes('cannot be read yet'));
    expect(await inQuestion()).not.toMatch(/Yes|No,|No:/);
    await bench.fill(await bench.label('A condition, such as in(Ready) && heat > 3'), 'in(Settings)');
    await bench.click('Ask');
    await bench.until('an answer', async () => (await inQuestion()).includes('Yes, it can'));
    // What is typed over takes its answer away at once.
    await (await bench.label('A condition, such as in(Ready) && heat > 3')).sendKeys(' ');
    await bench.until('no answer', async () => !(await inQuestion()).includes('Yes, it can'));
  });

  it('keeps a way as a trial that expects what was asked, and has run', async () => {
    await (await bench.label('A condition, such as in(Ready) && heat > 3')).sendKeys(Key.ESCAPE);
    await bench.click('Ask');
    await bench.until('an answer', async () => (await inQuestion()).includes('Yes, it can'));
    const keep = By.xpath('//section[@aria-label="A question"]//button[.="Keep as a trial"]');
    await (await bench.until('to keep it', async () => (await bench.driver.findElements(keep))[0])).click();
    await bench.shows('Kept on the Trials sheet as');
    await bench.click('Trials');
    const list = 'ul[aria-label="Trials"]';
    await bench.until('its run', async () =>
      /Comes to in\(Settings\)\s+passed on \d/.test(await bench.text(list)),
    );
  });

  it('counts the ways through, and asks for ways round', async () => {
    await openLantern();
    await bench.pick(await bench.label('What is asked'), 'In how many ways can it be that');
    await bench.fill(await bench.label('What it should come to'), 'in(Holding)');
    await bench.fill(await bench.label('Presses', question), '1');
    await bench.click('Ask');
    await bench.until('a count', async () =>
      /1 way among 3: 3 keys, 1 press\. Trying them all takes/.test(await inQuestion()),
    );
    // More of them take a while, tell how far they have come, and can be stopped.
    await bench.fill(await bench.label('Presses', question), '8');
    await bench.click('Ask');
    await bench.until(
      'how far it has come',
      async () =>
        (await bench.driver.findElements(By.css('[aria-label="Ways tried, of those that will be"]'))).length >
        0,
    );
    await bench.click('Enough');
    await bench.until('what was tried until then', async () =>
      /among the first of 6,561; not all were tried\./.test(await inQuestion()),
    );
    await bench.pick(await bench.label('What is asked'), 'Can it be, without this, that');
    await bench.fill(await bench.label('What it should come to'), 'in(Settings)');
    await bench.fill(await bench.label('What it should not pass'), 'in(Ready)');
    await bench.click('Ask');
    await bench.until('a no', async () => (await inQuestion()).includes('there is no other way'));
  });

  it('plays a contest of two, tells how sure it is, and forgets it with another question', async () => {
    await bench.openKettle('flow?view=players');
    await bench.click('Let another one play, too');
    await bench.fill(await bench.label('Rounds'), '40');
    await bench.click('Play them');
    const results = '[aria-label="What came of it"]';
    await bench.until('shares', async () => /% \(\d+\.\d to \d+\.\d\)/.test(await bench.text(results)));
    // A look at another view keeps what was asked.
    await bench.segment('Grid');
    await bench.css('main table');
    await bench.segment('Players');
    await bench.label('Player 2');
    await bench.click('Play them');
    await bench.css(results);
    await bench.clickLabel('Without player 2');
    await bench.until(
      'nothing of the other',
      async () => (await bench.driver.findElements(By.css(results))).length === 0,
    );
  });
});

describe('in hand', () => {
  it('says what an edit waits for, with the restart beside it', async () => {
    await bench.openKettle('flow');
    await bench.choose('On entering Ready: add something that happens', 'Sound a tone');
    await bench.shows('It is in Ready already');
    await bench.click('Switch it off and on');
    await bench.until(
      'said and done',
      async () => !(await bench.text('body')).includes('It is in Ready already'),
    );
    await bench.css('[aria-label="State Ready"][aria-current]');
    await (await bench.css('body')).sendKeys(Key.chord(Key.CONTROL, 'z'));
    await bench.saved();
  });

  it('says why nothing happens while time stands still', async () => {
    await bench.openKettle('flow');
    await bench.clickLabel('Pause time');
    await bench.press('Stir');
    await bench.until('a reason', async () => (await hint()).includes('Time stands still'));
    await bench.clickLabel('Let time run');
    await bench.until('it goes on', async () => !(await hint()).includes('Time stands still'));
  });

  it('leaves a switch where it is put', async () => {
    await bench.openKettle('parts');
    await bench.click('Add a part');
    await bench.fill(await bench.label('Find a part'), 'toggle', Key.ENTER);
    await bench.shows('Toggle switch added.');
    await (await bench.css('body')).sendKeys(Key.ESCAPE);
    // What was made is shown, and its name can be typed.
    await bench.until('its name', async () => {
      const focused = await bench.driver.switchTo().activeElement();
      return /Name of Toggle switch/.test((await focused.getAttribute('aria-label')) ?? '');
    });
    const lever = () => bench.label('Switch Toggle switch');
    const click = async () =>
      bench.driver
        .actions()
        .move({ origin: await lever() })
        .click()
        .perform();
    const isOn = async () => (await (await lever()).getAttribute('aria-pressed')) === 'true';
    await click();
    await bench.until('on', isOn);
    await bench.driver.sleep(300);
    expect(await isOn()).toBe(true);
    await click();
    await bench.until('off', async () => !(await isOn()));
  });

  it('says what goes with a part, and brings it back', async () => {
    await bench.openKettle('parts');
    const stir = await bench.css('[aria-label^="Remove Stir"]');
    await stir.click();
    await bench.until('what went', async () =>
      /Stir is gone, and with it \d+ rules/.test(await bench.text('main')),
    );
    await bench.click('Undo');
    await bench.css('[aria-label^="Remove Stir"]');
  });

  it('lets a rule that was typed in vain go, and hands the focus back', async () => {
    await bench.openKettle('flow');
    const rules = async () =>
      (await bench.driver.findElements(By.css('[aria-label="State Ready"] li[aria-label^="Rule "]'))).length;
    await bench.css('[aria-label="State Ready"]');
    const before = await rules();
    await bench.clickLabel('Add a rule to Ready');
    await bench.until('one more', async () => (await rules()) === before + 1);
    const asText = `Rule ${before + 1} of Ready as text`;
    await bench.clickLabel(asText);
    const line = await bench.label('The rule as text');
    await bench.fill(line, 'when nonsense', Key.ENTER);
    await line.sendKeys(Key.ESCAPE, Key.ESCAPE);
    await bench.until('gone', async () => (await rules()) === before);
    await bench.clickLabel('Rule 1 of Ready as text');
    await (await bench.label('The rule as text')).sendKeys(Key.ESCAPE);
    await bench.until('the focus', async () => {
      const focused = await bench.driver.switchTo().activeElement();
      return (await focused.getAttribute('aria-label')) === 'Rule 1 of Ready as text';
    });
  });
});
