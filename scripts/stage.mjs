/** A server with the demo, and a browser in front of it, for what looks at the built product from outside. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { at, startServer } from './common.mjs';

/** @param {...string} more flags for the browser */
export async function openStage(...more) {
  // They are there only once what the project needs is installed.
  const { Builder } = await import('selenium-webdriver');
  const { Options, ServiceBuilder } = await import('selenium-webdriver/chrome.js');
  const { flags } = JSON.parse(readFileSync(at('scripts/chrome.json'), 'utf8'));
  const data = mkdtempSync(join(tmpdir(), 'hum-lever-stage-'));
  const { child, address } = startServer(
    ['--port', '0', '--data', data, '--demo', at('demo'), '--web', at('web/dist')],
    { quiet: true },
  );
  const url = await address;
  const options = new Options();
  options.setChromeBinaryPath(process.env.CHROME_BIN ?? '/usr/bin/chromium');
  options.addArguments(...flags, ...more, `--user-data-dir=${join(data, 'profile')}`);
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder(process.env.CHROMEDRIVER_BIN ?? '/usr/bin/chromedriver'))
    .build();
  const close = async () => {
    await driver.quit();
    child.removeAllListeners('exit');
    child.kill();
    rmSync(data, { recursive: true, force: true });
  };
  return { driver, url, close };
}
