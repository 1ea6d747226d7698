/** Takes the pictures of docs/screenshots from the demo, at 1280 × 800. */
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { at, build, install, startServer } from './common.mjs';
import { ensureBrowser } from './browser.mjs';

install();
ensureBrowser();
build();
const { Builder, By, Key } = await import('selenium-webdriver');
const { Options, ServiceBuilder } = await import('selenium-webdriver/chrome.js');
const { flags } = JSON.parse(readFileSync(at('scripts/chrome.json'), 'utf8'));

const data = mkdtempSync(join(tmpdir(), 'hum-lever-shots-'));
const folder = at('docs/screenshots');
mkdirSync(folder, { recursive: true });
const { child, address } = startServer(
  ['--port', '0', '--data', data, '--demo', at('demo'), '--web', at('web/dist')],
  { quiet: true },
);
const url = await address;
const options = new Options();
options.setChromeBinaryPath(process.env.CHROME_BIN ?? '/usr/bin/chromium');
options.addArguments(...flags, `--user-data-dir=${join(data, 'profile')}`);
const driver = await new Builder()
  .forBrowser('chrome')
  .setChromeOptions(options)
  .setChromeService(new ServiceBuilder(process.env.CHROMEDRIVER_BIN ?? '/usr/bin/chromedriver'))
  .build();

const sleep = (ms) => driver.sleep(ms);
const find = (selector) =>
  driver.wait(async () => (await driver.findElements(By.css(selector)))[0] ?? false, 10_000);
const labelled = (name) => find(`[aria-label=${JSON.stringify(name)}]`);
const named = (text) =>
  driver.wait(
    async () =>
      (await driver.findElements(By.xpath(`//*[self::button or self::a][normalize-space()="${text}"]`)))[0] ??
      false,
    10_000,
  );
const shot = async (name) => {
  await sleep(500);
  writeFileSync(join(folder, `${name}.png`), await driver.takeScreenshot(), 'base64');
  console.log(`docs/screenshots/${name}.png`);
};
const press = async (heldMs = 100) => {
  const cap = await labelled('Press Stir');
  await driver.actions().move({ origin: cap }).press().pause(heldMs).release().perform();
};
const theme = async (scheme) => {
  await driver.executeScript('localStorage.setItem("mantine-color-scheme-value", arguments[0])', scheme);
  await driver.navigate().refresh();
  await labelled('Press Stir');
  await sleep(600);
};

try {
  const [{ id }] = await (await fetch(`${url}/api/gadgets`)).json();
  await driver.get(url);
  await named('Kettle Keeper');
  await shot('shelf');
  const open = async (sheet) => {
    await driver.get(`${url}/g/${id}/${sheet}`);
    await labelled('Press Stir');
    await sleep(800);
  };
  await open('brief');
  await shot('brief');
  await open('parts');
  await shot('parts');
  await open('flow');
  await theme('light');
  await press();
  await sleep(5_200);
  await press();
  await sleep(900);
  await shot('flow');
  await open('feel');
  await press();
  await sleep(700);
  await press(130);
  await shot('feel');
  await (await labelled('Pause time')).click();
  await (
    await find('[aria-label^="Events in time"]')
  ).sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT);
  await shot('strip-past');
  await open('trials');
  await sleep(500);
  await shot('trials');
  // The faulty evening, brought back.
  await fetch(`${url}/api/gadgets/${id}/revisions/1/restore`, { method: 'POST' });
  await open('trials');
  await sleep(800);
  await shot('trials-faulty');
  await open('feel');
  await theme('dark');
  await press();
  await sleep(700);
  await press(120);
  await sleep(400);
  await shot('feel-faulty-dark');
  await open('flow');
  await press();
  await sleep(1_000);
  await shot('flow-dark');
  await theme('light');
  await (await named('10 snags')).click();
  await sleep(600);
  await shot('snags');
} finally {
  await driver.quit();
  child.removeAllListeners('exit');
  child.kill();
  rmSync(data, { recursive: true, force: true });
}
