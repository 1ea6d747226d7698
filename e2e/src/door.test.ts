import type { Driver as ChromiumWebDriver } from 'selenium-webdriver/chrome.js';
import { Bench } from './test/bench.ts';

jest.setTimeout(180_000);

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
  // A door with a module and a keyboard behind it, which write down what they are sent.
  const source = `
    window.asked = 0;
    window.sent = [];
    const module = { id: 'm', name: 'Table module', send: (bytes, atMs) => window.sent.push({ bytes: [...bytes], atMs, nowMs: performance.now() }) };
    const keys = { id: 'k', name: 'Table keyboard', onmidimessage: null };
    window.playKeys = (...bytes) => keys.onmidimessage?.({ data: new Uint8Array(bytes), timeStamp: performance.now() });
    const access = { outputs: new Map([['m', module]]), inputs: new Map([['k', keys]]), onstatechange: null };
    window.unplug = () => { access.outputs.delete('m'); access.onstatechange(); };
    navigator.requestMIDIAccess = async () => { window.asked += 1; if (window.refuses) throw new Error('not allowed'); return access; };`;
  await (bench.driver as ChromiumWebDriver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source,
  });
});
afterAll(() => bench.close());

interface Sent {
  bytes: number[];
  atMs?: number;
  nowMs: number;
}
const sent = () => bench.driver.executeScript<Sent[]>('return window.sent');
const forget = () => bench.driver.executeScript('window.sent.length = 0');
const isNote = ({ bytes }: Sent) => bytes[0]! >> 4 === 9;

describe('the browser’s own MIDI door', () => {
  it('is asked only by a click, and says so where it stays shut', async () => {
    await bench.fresh('Playing', 'Push button', 'MIDI out', 'Single light');
    await bench.typeRule('Playing', 1, 'when "Push button" press do "MIDI out" noteOn 1, 60, 100');
    await bench.typeRule('Playing', 2, 'when midi noteOn do Light on');
    await bench.click('Sound');
    await bench.shows('Then what stands on the table can play along.');
    expect(await bench.driver.executeScript('return window.asked')).toBe(0);
    await bench.driver.executeScript('window.refuses = true');
    await bench.click('Open this browser’s MIDI door');
    await bench.shows('Expected this browser to open its MIDI door; it said: not allowed');
    await bench.driver.executeScript('window.refuses = false');
    await bench.click('Open this browser’s MIDI door');
    await bench.label('Where MIDI out goes');
  });

  it('lets what the gadget sends out at its time, where it is led, and ends it all when time stops', async () => {
    await bench.press('Push button');
    expect((await sent()).filter(isNote)).toEqual([]);
    await bench.pick(await bench.label('Where MIDI out goes'), 'Table module');
    await forget();
    await bench.press('Push button');
    const [note] = await bench.until('a note on the table', async () => {
      const notes = (await sent()).filter(isNote);
      return notes.length > 0 && notes;
    });
    expect(note!.bytes).toEqual([0x90, 60, 100]);
    expect(note!.atMs).toBeGreaterThan(note!.nowMs - 200);
    await forget();
    await bench.clickLabel('Pause time');
    await bench.until('all sound off on all channels', async () => {
      const ended = (await sent()).filter(({ bytes }) => bytes[0]! >> 4 === 0xb && bytes[1] === 120);
      return new Set(ended.map(({ bytes }) => bytes[0])).size === 16;
    });
    await bench.clickLabel('Let time run');
  });

  it('lets in what is played on the table', async () => {
    const came = async () =>
      (await bench.text('[data-testid=why]')).includes('MIDI came in: 90 40 5a, E4 begins at 90');
    await bench.driver.executeScript('window.playKeys(0x90, 64, 90)');
    expect(await came()).toBe(false);
    await bench.pick(await bench.label('Where MIDI comes in from'), 'Table keyboard');
    await bench.driver.executeScript('window.playKeys(0xf8); window.playKeys(0x90, 64, 90)');
    await bench.until('it came in', came);
    await bench.driver.executeScript('window.unplug()');
    await bench.until('the module is gone', async () => !(await bench.text('main')).includes('Table module'));
    await bench.press('Push button');
    expect(await bench.complaints()).toEqual([]);
  });
});
