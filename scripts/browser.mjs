/** Sees to it that a browser and its driver are there. On Debian as root it installs them; elsewhere it says what to do. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const there = () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver');

export function ensureBrowser() {
  if (there() || (process.env.CHROME_BIN && process.env.CHROMEDRIVER_BIN)) return;
  const debian = existsSync('/etc/debian_version');
  if (!debian || process.getuid?.() !== 0) {
    console.error(
      'The browser tests need Chromium and its ChromeDriver of the same version.\n' +
        (debian
          ? 'Install them once:  sudo apt-get install chromium chromium-driver'
          : 'Install both, and name them:  CHROME_BIN=/path/to/chromium CHROMEDRIVER_BIN=/path/to/chromedriver npm test'),
    );
    process.exit(2);
  }
  console.log('Installing chromium and chromium-driver …');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', 'chromium', 'chromium-driver'],
  ]) {
    const { status } = spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env });
    if (status !== 0) console.error(`apt-get ${args[0]} ended with ${status}`);
  }
  if (!there()) {
    console.error('Installing Chromium failed; the browser tests cannot run.');
    process.exit(2);
  }
}
