/**
 * What the page costs while a gadget plays at 1x: share of one core that the main thread is busy, tasks over 50 ms,
 * pictures a second; as the browser itself counts them.
 * @param {{ seconds?: number, sheets?: [string, string][] }} [how] which sheets of which gadgets, each for how long
 */
import { openStage } from './stage.mjs';

const usual = [
  ['Kettle Keeper', 'flow'],
  ['Kettle Keeper', 'flow?view=map'],
  ['Kettle Keeper', 'feel'],
  ['Kettle Keeper', 'parts'],
  ['Cue Lantern', 'flow'],
];

export async function pageRows({ seconds = 60, sheets = usual } = {}) {
  const { By } = await import('selenium-webdriver');
  const { driver, url, close } = await openStage('--window-size=1280,800');
  const counted = async () => {
    const { metrics } = await driver.sendAndGetDevToolsCommand('Performance.getMetrics', {});
    return Object.fromEntries(metrics.map(({ name, value }) => [name, value]));
  };
  const rows = [];
  try {
    const shelf = await (await fetch(`${url}/api/gadgets`)).json();
    await driver.sendDevToolsCommand('Performance.enable', {});
    for (const [name, sheet] of sheets) {
      const { id } = shelf.find((one) => one.name === name) ?? {};
      if (!id) continue;
      await driver.get(`${url}/g/${id}/${sheet}`);
      await driver.wait(
        async () => (await driver.findElements(By.css('[aria-label^="Press "]'))).length > 0,
        20_000,
      );
      await driver.sleep(3_000);
      await driver.executeScript(`
        window.told = { long: 0, worst: 0, pictures: 0 };
        new PerformanceObserver((list) => {
          for (const { duration } of list.getEntries()) {
            told.long += 1;
            told.worst = Math.max(told.worst, duration);
          }
        }).observe({ type: 'longtask' });
        const picture = () => { told.pictures += 1; requestAnimationFrame(picture); };
        requestAnimationFrame(picture);
      `);
      const before = await counted();
      // A press every two seconds, as a hand makes it: told by the page itself, so that no driver stands between.
      await driver.executeScript(
        `
        const cap = document.querySelector('[aria-label^="Press "]');
        const tell = (type) => cap.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, button: 0 }));
        cap.setPointerCapture = () => {};
        window.pressing = setInterval(() => { tell('pointerdown'); setTimeout(() => tell('pointerup'), 90); }, 2_000);
      `,
      );
      await driver.sleep(seconds * 1_000);
      const after = await counted();
      const told = await driver.executeScript('clearInterval(pressing); return told;');
      const wall = after.Timestamp - before.Timestamp;
      const share = (what) => `${Math.round(((after[what] - before[what]) / wall) * 100)} %`;
      rows.push({
        what: `the page while ${name} plays, ${sheet}`,
        measured: `${share('TaskDuration')} of a core (scripts ${share('ScriptDuration')}, layout ${share('LayoutDuration')}, style ${share('RecalcStyleDuration')})`,
        asked: '≤ 10 %',
        note: `${told.long} tasks over 50 ms, worst ${Math.round(told.worst)} ms; ${Math.round(told.pictures / wall)} pictures a second`,
      });
    }
  } finally {
    await close();
  }
  return rows;
}

/** Presses the first button as soon as it is there, and writes down when, and when the strip says what came of it. */
const pressAtOnce = `
  const told = (window.told = {});
  const look = () => {
    const cap = document.querySelector('[aria-label^="Press "]');
    if (cap && told.there === undefined) {
      told.there = performance.now();
      cap.setPointerCapture = () => {};
      cap.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true, pointerId: 1, button: 0 }));
    }
    const said = document.querySelector('[data-testid=why]');
    if (told.there !== undefined && / answered/.test(said?.textContent ?? '')) told.answered = performance.now();
    else setTimeout(look, 4);
  };
  setTimeout(look, 4);`;

/** From asking for the page until a press is answered, server and browser warm. @param {{ times?: number }} [how] */
export async function firstPressRow({ times = 9 } = {}) {
  const { driver, url, close } = await openStage('--window-size=1280,800');
  const answered = [];
  try {
    const { id } = (await (await fetch(`${url}/api/gadgets`)).json()).find(
      ({ name }) => name === 'Kettle Keeper',
    );
    await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: pressAtOnce });
    for (let n = 0; n <= times; n += 1) {
      await driver.get(`${url}/g/${id}/flow`);
      // Asking the page meanwhile would keep it busy.
      await driver.sleep(4_000);
      const ms = await driver.wait(() => driver.executeScript('return told.answered'), 20_000);
      // The first time warms up.
      if (n > 0) answered.push(ms);
      await driver.get('about:blank');
    }
  } finally {
    await close();
  }
  answered.sort((a, b) => a - b);
  return {
    what: 'from asking for the page to the first press answered, Kettle Keeper on Flow',
    measured: `${Math.round(answered[times >> 1])} ms`,
    asked: '< 1000 ms',
    note: `median of ${times}, ${Math.round(answered[0])} to ${Math.round(answered.at(-1))} ms; pressed as soon as the button is there`,
  };
}

if (process.argv[1] === import.meta.filename)
  for (const { what, measured, note } of await pageRows({ seconds: Number(process.argv[2] ?? 60) }))
    console.log(`${what}: ${measured}; ${note}`);
