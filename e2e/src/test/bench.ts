import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { Options, ServiceBuilder, type Driver as ChromiumWebDriver } from 'selenium-webdriver/chrome.js';
import { ApiServer } from '../../../server/src/test/apiServer.ts';
import { copyOfShelf } from './shelf.ts';

/** How long anything on the page may take to come about before a test gives up. Not a measure of speed. */
const patienceMs = 30_000;
const pollMs = 50;
/** What a run on the server may take: a machine that is busy with many tests is slow, and a test stops its runs itself. */
const runSeconds = 600;

const { flags } = JSON.parse(readFileSync(join(__dirname, '../../../scripts/chrome.json'), 'utf8')) as {
  flags: string[];
};

/** A browser in front of a server: what a maker has, as a test drives it. */
export class Bench {
  /** Clicks made and fields filled or picked from, as a hand would count them. */
  steps = 0;

  private constructor(
    public server: ApiServer,
    readonly driver: WebDriver,
    private readonly profile: string,
  ) {}

  static async open({ demo = true } = {}): Promise<Bench> {
    const server = await ApiServer.start({ ...(demo && { folder: copyOfShelf() }), web: true, runSeconds });
    server.keep();
    const profile = mkdtempSync(join(tmpdir(), 'hum-lever-chrome-'));
    const options = new Options();
    options.setChromeBinaryPath(process.env['CHROME_BIN'] ?? '/usr/bin/chromium');
    options.addArguments(...flags, `--user-data-dir=${profile}`);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder(process.env['CHROMEDRIVER_BIN'] ?? '/usr/bin/chromedriver'))
      .build();
    return new Bench(server, driver, profile);
  }

  /** The shelf as it was at first, and a browser that remembers nothing of it. */
  async renew(): Promise<void> {
    const [first, ...others] = await this.driver.getAllWindowHandles();
    for (const handle of others) {
      await this.driver.switchTo().window(handle);
      await this.driver.close();
    }
    await this.driver.switchTo().window(first!);
    // Left first: a page that goes would save once more. For another origin, which costs a process of the browser: of
    // some hundred pages that are left at work in one and the same process, the browser gives up one.
    await this.driver.get('about:blank');
    if (!this.server.isUp) await this.restartServer();
    await this.goto('/favicon.svg');
    // What the page sent as it went has come by then.
    await this.driver.sleep(100);
    this.server.putBack();
    // Last: a draft that the page wrote as it went would be found next time.
    await (this.driver as ChromiumWebDriver).sendDevToolsCommand('Storage.clearDataForOrigin', {
      origin: this.server.url,
      // What the checks found in a document stays: it is the same for all.
      storageTypes: 'cookies,local_storage,service_workers,cache_storage',
    });
    await this.driver.executeScript('localStorage.clear(); sessionStorage.clear()');
    // What the last test complained about is its own.
    await this.complaints();
  }

  /**
   * Does it once more, in a tab of its own, where the browser itself gave up the tab: seen twice in some dozen whole
   * runs, after many pages, and nothing of ours was found behind it. A page that brings it down does so again.
   */
  async despiteCrash(what: () => Promise<void>): Promise<void> {
    const first = await this.driver.getWindowHandle();
    // Opened before: a tab that is gone opens no other.
    let spare = (await this.driver.getAllWindowHandles()).find((handle) => handle !== first);
    if (spare === undefined) {
      await this.driver.switchTo().newWindow('tab');
      spare = await this.driver.getWindowHandle();
      await this.turnTo(first);
    }
    try {
      await what();
    } catch (error) {
      if (!/tab crashed/.test(String(error))) throw error;
      await this.turnTo(spare);
      await (this.driver as ChromiumWebDriver).sendDevToolsCommand('Target.closeTarget', { targetId: first });
      await what();
    }
  }

  async close(): Promise<void> {
    await this.driver.quit();
    await this.server.stopAndClear();
    rmSync(this.profile, { recursive: true, force: true });
  }

  /** The same server again after `server.stop()`: same address, same database. */
  async restartServer(): Promise<void> {
    const { folder, url } = this.server;
    this.server = await ApiServer.start({ folder, web: true, port: Number(new URL(url).port) });
  }

  /** Brings a tab to the front: one that is behind another is drawn seldom, and answers late. */
  async turnTo(handle: string): Promise<void> {
    await this.driver.switchTo().window(handle);
    await (this.driver as ChromiumWebDriver).sendDevToolsCommand('Page.bringToFront', {});
  }

  /** Every tab is told that the network is there again, and tries at once instead of when it meant to. */
  async backOnline(): Promise<void> {
    for (const handle of await this.driver.getAllWindowHandles()) {
      await this.turnTo(handle);
      await this.driver.executeScript('dispatchEvent(new Event("online"))');
    }
  }

  async goto(path: string): Promise<void> {
    await this.driver.get(this.server.url + path);
  }

  /** The id of the gadget of that name on the shelf. */
  async idOf(wanted: string): Promise<string> {
    const { body } = await this.server.ask('GET', '/gadgets');
    return (body as { id: string; name: string }[]).find(({ name }) => name === wanted)!.id;
  }

  /** Opens the demo gadget on that sheet; returns its id. */
  async openKettle(sheet = 'flow'): Promise<string> {
    const id = await this.idOf('Kettle Keeper');
    await this.goto(`/g/${id}/${sheet}`);
    await this.css('[role=application]');
    await this.shows('Little screen: Kettle Keeper');
    // The gadget in hand comes first, its sheet a moment later.
    await this.css('main h1');
    return id;
  }

  /** On the shelf: a new gadget, of nothing or of one of the patterns. */
  async startGadget(pattern = 'Nothing'): Promise<void> {
    await this.click('Start a gadget');
    const path = `//*[@role="dialog"]//li//button[normalize-space()=${quoted(pattern)}]`;
    await this.until(`to begin with ${pattern}`, async () => {
      const [found] = await this.driver.findElements(By.xpath(path));
      await found?.click();
      return found;
    });
    this.steps += 1;
  }

  /** Waits until `probe` gives something. Elements that vanish while they are looked at are looked for again. */
  async until<T>(what: string, probe: () => Promise<T | false | null | undefined>): Promise<T> {
    let last: unknown;
    const found = await this.driver
      .wait(
        async () => {
          try {
            return (await probe()) || false;
          } catch (error) {
            last = error;
            return false;
          }
        },
        patienceMs,
        what,
        pollMs,
      )
      .catch(() => false as const);
    if (found !== false) return found as T;
    const page = await this.driver.findElement(By.css('body')).getText();
    throw new Error(`waited in vain for ${what}${last ? ` (${String(last)})` : ''}; the page says:\n${page}`);
  }

  /** Waits until what is seen in hand has such words in it. */
  inHand(pattern: RegExp): Promise<boolean> {
    return this.until(`in hand: ${pattern}`, async () => pattern.test(await this.text('[role=application]')));
  }

  /** The strip, opened where it is shut: what holds its events. */
  async strip(): Promise<WebElement> {
    const [shut] = await this.driver.findElements(By.css('[aria-label="Unfold the strip"]'));
    if (shut) await this.clickLabel('Unfold the strip');
    return this.css('[aria-label^="Events in time"]');
  }

  css(selector: string): Promise<WebElement> {
    return this.until(selector, async () => {
      const [found] = await this.driver.findElements(By.css(selector));
      if (!found) await this.openSlot(selector);
      return found;
    });
  }

  /** What is written in a sentence is opened first: by its word, or, where it says nothing yet, by the sentence. */
  private async openSlot(selector: string): Promise<void> {
    const [, within, slot] = /^(.*?)(?:input|select)?\[aria-label="([^"]+)"\]$/.exec(selector) ?? [];
    if (slot === undefined) return;
    const [word] = await this.driver.findElements(By.css(`${within} [data-word=${JSON.stringify(slot)}]`));
    const [sentence] =
      slot === 'Only if' && !word ? await this.driver.findElements(By.css(`${within} [data-prose]`)) : [];
    const opens = word ?? sentence;
    if (!opens) return;
    await opens.click();
    this.steps += 1;
  }

  /** The element with that accessible name; `within` narrows the search. */
  label(name: string, within = ''): Promise<WebElement> {
    return this.css(`${within} [aria-label=${JSON.stringify(name)}]`);
  }

  button(text: string): Promise<WebElement> {
    const path = `//*[self::button or self::a or @role="menuitem"][normalize-space()=${quoted(text)}]`;
    return this.until(`a button "${text}"`, () =>
      this.driver.executeScript<WebElement | null>(
        `const all = document.evaluate(arguments[0], document, null, 7, null);
         for (let n = 0; n < all.snapshotLength; n += 1) {
           const one = all.snapshotItem(n);
           if (one.checkVisibility({ visibilityProperty: true }) && !one.disabled) return one;
         }
         return null;`,
        path,
      ),
    );
  }

  async click(text: string): Promise<void> {
    await this.until(`a click on "${text}"`, async () => {
      const button = await this.button(text);
      try {
        await button.click();
      } catch (error) {
        // Something that stays in place lies over it: into the middle, and once more.
        await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', button);
        throw error;
      }
      return true;
    });
    this.steps += 1;
  }

  async clickLabel(name: string, within = ''): Promise<void> {
    await this.until(`a click on "${name}"`, async () => {
      await (await this.label(name, within)).click();
      return true;
    });
    this.steps += 1;
  }

  /** Opens a menu and takes an entry. */
  async choose(menu: string, entry: string): Promise<void> {
    await this.clickLabel(menu);
    await this.click(entry);
  }

  /** Replaces what stands in a field, and leaves it. */
  async fill(field: WebElement, text: string, leave: string = Key.TAB): Promise<void> {
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text, leave);
    this.steps += 1;
  }

  /** On Parts: adds parts from the catalogue by the words that find them. */
  async addParts(...words: string[]): Promise<void> {
    await this.click('Add a part');
    for (const word of words) {
      await this.fill(await this.label('Find a part'), word, Key.ENTER);
      await this.until(`${word} added`, async () => / added\./.test(await this.text('[role=dialog]')));
    }
    await (await this.css('body')).sendKeys(Key.ESCAPE);
    this.steps += 1;
    await this.until(
      'the catalogue closed',
      async () => (await this.driver.findElements(By.css('[role=dialog]'))).length === 0,
    );
    // It has the focus a moment later, and would take what is typed elsewhere.
    await this.until('the last one ready to be named', () =>
      this.driver.executeScript(
        'return /^Name of /.test(document.activeElement.getAttribute("aria-label") ?? "")',
      ),
    );
  }

  /** One of several that stand side by side on the sheet, or a box to tick, by its label. */
  async segment(label: string): Promise<void> {
    const path = By.xpath(`//main//label[normalize-space()=${quoted(label)}]`);
    await this.until(label, async () => {
      await (await this.driver.findElements(path))[0]!.click();
      return true;
    });
  }

  /** The field of that label on the sheet. */
  field(label: string): Promise<WebElement> {
    const path = By.xpath(`(//main//label[normalize-space()=${quoted(label)}]/following::input)[1]`);
    return this.until(`the field ${label}`, async () => (await this.driver.findElements(path))[0]);
  }

  /** Unfolds what is folded away under those words. */
  async unfold(words: string): Promise<void> {
    await this.shows(words);
    await this.driver.executeScript(
      `for (const summary of document.querySelectorAll('summary'))
         if (summary.textContent === arguments[0]) summary.click();`,
      words,
    );
  }

  /** States in which a display shows something, as the sheet Screen lists them. */
  shownStates(): Promise<string[]> {
    return this.driver.executeScript(
      `return [...document.querySelectorAll('ul[aria-label$=" shows"] > li')].map((one) => one.textContent)`,
    );
  }

  /** Picks an option of a select by its text. */
  async pick(select: WebElement, option: string): Promise<void> {
    await select.findElement(By.xpath(`.//option[normalize-space()=${quoted(option)}]`)).click();
    this.steps += 1;
  }

  /** On Flow: the slot of a rule. */
  slot(state: string, rule: number, name: string): Promise<WebElement> {
    return this.label(name, `[aria-label="State ${state}"] [aria-label="Rule ${rule}"]`);
  }

  /** On Flow: where a rule leads, by the state's name; one that is not there yet is made. */
  async leads(state: string, rule: number, to: string): Promise<void> {
    await this.fill(await this.slot(state, rule, 'Then'), to, Key.ENTER);
    await this.label(`State ${to}`);
  }

  /** A gadget of its own with these parts, as they are found in the catalogue; Flow is open, with its first state. */
  async fresh(state: string, ...parts: string[]): Promise<void> {
    await this.goto('/');
    await this.startGadget();
    await this.click('Parts');
    await this.addParts(...parts);
    await this.click('Flow');
    await this.fill(await this.label('Name of the first state'), state, Key.ENTER);
  }

  /** On Flow: one more rule of a state, which will be its n-th, as it is typed. */
  async typeRule(state: string, n: number, text: string): Promise<void> {
    await this.clickLabel(`Add a rule to ${state}`);
    await this.clickLabel(`Rule ${n} of ${state} as text`);
    await this.fill(await this.label('The rule as text'), text, Key.ENTER);
  }

  /** Waits for an image of the gadget, or any text of the page. */
  async shows(text: string): Promise<void> {
    await this.until(`"${text}" on the page`, () =>
      this.driver.executeScript<boolean>(
        `const plain = (said) => said.replaceAll('\\u202f', ' ').replaceAll('\\u00a0', ' ');
         const images = [...document.querySelectorAll('[role=img]')];
         const sought = plain(arguments[0]);
         return images.some((one) => plain(one.getAttribute('aria-label') ?? '').startsWith(sought))
           || plain(document.body.innerText).includes(sought);`,
        text,
      ),
    );
  }

  async text(selector: string): Promise<string> {
    const said = await this.driver.executeScript<string>(
      'return arguments[0].innerText ?? arguments[0].textContent',
      await this.css(selector),
    );
    // Numbers and units stand a narrow space apart; a test may write a plain one.
    return said.replaceAll('\u202f', ' ').replaceAll('\u00a0', ' ').trim();
  }

  /** The strip's sentence, once it has these words in it. */
  why(words: string): Promise<string> {
    return this.until(`"${words}" on the strip`, async () => {
      const said = await this.text('[data-testid=why]');
      return said.includes(words) && said;
    });
  }

  saved(): Promise<unknown> {
    return this.until('saved', async () =>
      (await this.text('[aria-label="This gadget"] [role=status]')).startsWith('Saved as'),
    );
  }

  /** Takes the gadget in hand by key and holds a key of it down. */
  async playKey(key: string, heldMs = 90): Promise<void> {
    await (await this.css('[role=application]')).sendKeys('');
    await this.driver.executeScript('document.querySelector("[role=application]").focus()');
    await this.driver.actions().keyDown(key).pause(heldMs).keyUp(key).perform();
  }

  async press(control: string, heldMs = 90): Promise<void> {
    const cap = await this.label(`Press ${control}`);
    await this.driver.actions().move({ origin: cap }).press().pause(heldMs).release().perform();
  }

  /** How fast time goes by: slowly, what lasts a second can be looked at by a machine that is busy. */
  async pace(factor: '8×' | '1×' | '¼' | '1/20'): Promise<void> {
    const path = By.xpath(`//*[@aria-label="Speed of time"]//label[normalize-space()="${factor}"]`);
    await (await this.until(factor, async () => (await this.driver.findElements(path))[0])).click();
  }

  /** Has every page from now on write down what its loudspeaker says that it sounds. */
  async listen(): Promise<void> {
    const source = `
      window.heard = { hz: [], gain: [] };
      const Real = window.AudioWorkletNode;
      window.AudioWorkletNode = class extends Real {
        constructor(...all) {
          super(...all);
          this.port.addEventListener('message', ({ data }) => {
            window.speaker = { moments: data.moments, late: data.late, latestMs: data.latestMs };
            for (const pitches of data.sounding) {
              window.heard.hz.push(...pitches);
              window.heard.gain.push(pitches.length > 0 ? 1 : 0);
            }
          });
        }
      };`;
    await (this.driver as ChromiumWebDriver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source,
    });
  }

  heard(): Promise<{ hz: number[]; gain: number[] }> {
    return this.driver.executeScript('return window.heard');
  }

  /** What the page would show on paper. */
  async onPaper(): Promise<string> {
    const media = (kind: string) =>
      (this.driver as ChromiumWebDriver).sendDevToolsCommand('Emulation.setEmulatedMedia', { media: kind });
    await media('print');
    const text = await this.text('body');
    await media('');
    return text;
  }

  /** Everything the browser complained about. */
  async complaints(): Promise<string[]> {
    const logs = await this.driver.manage().logs().get('browser');
    return logs.filter(({ level }) => level.name === 'SEVERE').map(({ message }) => message);
  }
}

function quoted(text: string): string {
  if (!text.includes('"')) return `"${text}"`;
  return `concat(${text
    .split('"')
    .map((piece) => `"${piece}"`)
    .join(`, '"', `)})`;
}
