/** Sees to it that what tests need is there. On Debian as root it is installed; elsewhere it is said what to do. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const debian = existsSync('/etc/debian_version');

/** Installs Debian packages unless `there`; gives up with the advice where that cannot be done. */
function ensure(packages, there, advice) {
  if (there()) return;
  if (!debian || process.getuid?.() !== 0) {
    console.error(debian ? `Install once:  sudo apt-get install ${packages.join(' ')}` : advice);
    process.exit(2);
  }
  console.log(`Installing ${packages.join(' and ')} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', ...packages],
  ]) {
    const { status } = spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env });
    if (status !== 0) console.error(`apt-get ${args[0]} ended with ${status}`);
  }
  if (there()) return;
  console.error(`Installing ${packages.join(' and ')} failed; the tests cannot run. ${advice}`);
  process.exit(2);
}

/** A browser and its driver, of one version. */
export function ensureBrowser() {
  ensure(
    ['chromium', 'chromium-driver'],
    () =>
      (existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver')) ||
      (process.env.CHROME_BIN && process.env.CHROMEDRIVER_BIN),
    'The browser tests need Chromium and its ChromeDriver of the same version; name them:  CHROME_BIN=/path/to/chromium CHROMEDRIVER_BIN=/path/to/chromedriver npm test',
  );
}

/** A C compiler: the C texts are compiled and held against what is played. */
export function ensureCompiler() {
  ensure(
    ['gcc', 'libc6-dev'],
    () => spawnSync('gcc', ['--version'], { stdio: 'ignore' }).status === 0,
    'The tests of the C texts need gcc on the path.',
  );
}
