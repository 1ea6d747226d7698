/** Takes the pictures of docs/screenshots from the demo, at 1280 × 800. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { at, build, install } from './common.mjs';
import { ensureBrowser } from './browser.mjs';
import { openStage } from './stage.mjs';

install();
ensureBrowser();
build();
const { By, Key } = await import('selenium-webdriver');

const folder = at('docs/screenshots');
mkdirSync(folder, { recursive: true });
const { driver, url, close } = await openStage();

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
  const shelf = await (await fetch(`${url}/api/gadgets`)).json();
  const idOf = (name) => shelf.find((gadget) => gadget.name === name).id;
  const id = idOf('Kettle Keeper');
  await driver.get(url);
  await named('Kettle Keeper');
  // Until everything about them is known, and drawn.
  await driver.wait(
    () =>
      driver.executeScript(
        `const rows = [...document.querySelectorAll('main li')];
         return rows.length > 0 && rows.every((row) => /no snags|stop|likely|note/.test(row.textContent) && row.querySelector('[inert] figure'))`,
      ),
    60_000,
  );
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
  const reed = async (sheet) => {
    await driver.get(`${url}/g/${idOf('Reed Box')}/${sheet}`);
    await labelled('Press Key C');
    await sleep(800);
  };
  const view = async (name) => {
    await (await driver.findElement(By.xpath(`//main//label[normalize-space()="${name}"]`))).click();
    await sleep(1_200);
  };
  await reed('wiring');
  await driver
    .actions()
    .move({ origin: await find('g[aria-label^="Octave push"]') })
    .perform();
  await shot('wiring');
  await open('flow');
  await theme('light');
  await press();
  await sleep(5_200);
  await press();
  await sleep(900);
  await shot('flow');
  await open('screen?page=n2');
  // Its pages are first seen where they are shown.
  await driver.wait(
    async () => (await driver.findElements(By.css('[aria-label="Values as in"]'))).length > 0,
    30_000,
  );
  await press();
  await sleep(3_200);
  await shot('screen');
  await open('screen?view=pictures');
  await labelled('Picture Kettle');
  await shot('pictures');
  await driver.get(`${url}/g/${idOf('Cue Lantern')}/screen`);
  await labelled('Press GO');
  await sleep(1_500);
  // Every place, menus too, as it is first seen.
  await driver.executeScript(
    `for (const summary of document.querySelectorAll('summary'))
       if (summary.textContent === 'What it shows, state by state') summary.click();`,
  );
  await driver.wait(
    async () => (await driver.findElements(By.css('ul[aria-label$=" shows"] > li'))).length > 5,
    20_000,
  );
  await sleep(1_500);
  await shot('characters');
  await driver.get(`${url}/g/${idOf('Cue Lantern')}/screen?view=menus`);
  await labelled('Press GO');
  await sleep(2_500);
  await shot('menus');
  await open('flow');
  await view('Map');
  await sleep(1_500);
  await shot('flow-map');
  await driver.get(`${url}/g/${idOf('Cue Lantern')}/flow?view=ask`);
  await driver.wait(
    // The page may still be on its way.
    async () => {
      const text = await find('main')
        .then((main) => main.getText())
        .catch(() => '');
      return /All [\d,]+ states were looked at/.test(text);
    },
    20_000,
  );
  await (await named('Ask')).click();
  await sleep(1_000);
  await shot('flow-ask');
  await open('sound');
  await sleep(2_500);
  await shot('sound');
  await open('feel');
  await press();
  await sleep(700);
  await press(130);
  await shot('feel');
  await view('Thousands');
  await (await named('Try them all')).click();
  await driver.wait(
    async () => (await (await find('main')).getText()).includes('2000 presses each.'),
    20_000,
  );
  await sleep(1_500);
  await driver.executeScript(
    'document.querySelector(\'[aria-label="False or missed presses against latency"]\').scrollIntoView()',
  );
  await shot('feel-lab');
  await view('One press');
  await (await labelled('Pause time')).click();
  await (await labelled('Unfold the strip')).click();
  await (
    await find('[aria-label^="Events in time"]')
  ).sendKeys(Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT, Key.ARROW_LEFT);
  await shot('strip-past');
  await open('trials');
  await sleep(500);
  await shot('trials');
  // The faulty evening, brought back.
  await fetch(`${url}/api/gadgets/${id}/revisions/1/restore`, { method: 'POST' });
  await open('feel');
  await theme('dark');
  // A press that counts twice is what there is to see; every other one does.
  for (let tries = 0; tries < 12; tries += 1) {
    await press(120);
    await sleep(600);
    if (/\d times; first/.test(await (await find('main')).getText())) break;
  }
  await shot('feel-faulty-dark');
  await reed('wiring');
  const select = await find('main select');
  await select.sendKeys('Small radio');
  await sleep(600);
  await (await named('Lay the wires')).click();
  await driver.wait(
    async () => (await driver.findElements(By.css('main [role=alert] table'))).length > 0,
    20_000,
  );
  await shot('wiring-clash-dark');
  await open('flow');
  await theme('light');
  const snags = By.xpath('//button[contains(., " snags")]');
  await (await driver.wait(async () => (await driver.findElements(snags))[0], 20_000)).click();
  await sleep(600);
  await shot('snags');
} finally {
  await close();
}
