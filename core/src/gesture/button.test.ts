import * as fc from 'fast-check';
import type { GestureSetting } from '../gadget/index.ts';
import { gesturesArbitrary } from '../test/arbitraries.ts';
import { frozen, gestures } from '../test/fixtures.ts';
import { delaysOf, gesturesOf, idleButton, nextGestureUs, onEdge, onTime } from './index.ts';

const plain: GestureSetting = gestures();
const even = { quickenPercent: 100, fastestUs: 1_000 };

/** Plays clean edges, coming back whenever something is due, and gathers `gesture@ms`. */
function said(setting: GestureSetting, edgesMs: number[], endMs: number): string[] {
  const out: string[] = [];
  let state = frozen(idleButton);
  const until = (atUs: number) => {
    for (;;) {
      const dueUs = nextGestureUs(state);
      if (dueUs === null || dueUs > atUs) return;
      const answer = onTime(frozen(state), dueUs, setting);
      out.push(...answer.gestures.map((gesture) => `${gesture}@${dueUs / 1_000}`));
      state = answer.state;
    }
  };
  edgesMs.forEach((ms, index) => {
    until(ms * 1_000);
    const answer = onEdge(frozen(state), index % 2 === 0 ? 1 : 0, ms * 1_000, setting);
    out.push(...answer.gestures.map((gesture) => `${gesture}@${ms}`));
    state = answer.state;
  });
  until(endMs * 1_000);
  return out;
}

describe('a button', () => {
  it('says press, release and tap at once where nothing else is listened for', () => {
    expect(said(plain, [0, 100], 999)).toEqual(['press@0', 'release@100', 'tap@100']);
  });

  it('says hold instead of tap from the threshold on', () => {
    const setting = { ...plain, holdUs: 500_000 };
    expect(said(setting, [0, 499], 999)).toEqual(['press@0', 'release@499', 'tap@499']);
    expect(said(setting, [0, 501], 999)).toEqual(['press@0', 'hold@500', 'release@501', 'heldRelease@501']);
  });

  it('holds a tap back for the double window, and makes two taps within it one double', () => {
    const setting = { ...plain, doubleWindowUs: 250_000 };
    expect(said(setting, [0, 80], 999)).toEqual(['press@0', 'release@80', 'tap@330']);
    expect(said(setting, [0, 80, 200, 280], 999)).toEqual([
      'press@0',
      'release@80',
      'press@200',
      'double@200',
      'release@280',
    ]);
    expect(said(setting, [0, 80, 400, 480], 999)).toEqual(
      ['press@0', 'release@80', 'tap@330', 'press@400', 'release@480', 'tap@730'], // prettier-ignore
    );
  });

  it('repeats while held, and then says no tap', () => {
    const setting = { ...plain, repeat: { delayUs: 300_000, everyUs: 100_000, ...even } };
    expect(said(setting, [0, 550], 999)).toEqual(
      ['press@0', 'repeat@300', 'repeat@400', 'repeat@500', 'release@550'], // prettier-ignore
    );
  });

  it('does not make up for repeats that a standstill swallowed', () => {
    const setting = { ...plain, repeat: { delayUs: 300_000, everyUs: 100_000, ...even } };
    const down = onEdge(idleButton, 1, 0, setting).state;
    const late = onTime(down, 2_000_000, setting);
    expect(late.gestures).toEqual(['repeat']);
    expect(nextGestureUs(late.state)).toBe(2_100_000);
  });

  it('says one of tap, hold, double or repeat for every press, if any, and only what it listens for', () => {
    const times = fc.array(fc.integer({ min: 1, max: 700 }), { minLength: 2, maxLength: 20 });
    fc.assert(
      fc.property(gesturesArbitrary, times, (given, gaps) => {
        let at = 0;
        const edges = gaps.map((gap) => (at += gap)).slice(0, gaps.length - (gaps.length % 2));
        const heard = said(given, edges, at + 5_000).map((one) => one.split('@')[0]!);
        const count = (gesture: string) => heard.filter((one) => one === gesture).length;
        expect(count('press')).toBe(edges.length / 2);
        expect(count('release')).toBe(edges.length / 2);
        // A double stands for two presses, a triple for three.
        const meant = count('tap') + 2 * count('double') + 3 * count('triple');
        expect(meant + count('hold')).toBeLessThanOrEqual(edges.length / 2 + count('repeat'));
        if (given.holdUs === null && given.repeat === null) expect(meant).toBe(edges.length / 2);
        expect(count('heldRelease')).toBe(count('hold'));
        expect(count('hold2')).toBeLessThanOrEqual(count('hold'));
        for (const gesture of heard) expect(gesturesOf(given)).toContain(gesture);
      }),
      { seed: 8, numRuns: 300 },
    );
  });
});

describe('longer holds, triples and quicker repeats', () => {
  it('says each threshold of a hold once, and letting go of a hold', () => {
    const setting = gestures({ holdUs: 300_000, longerHoldsUs: [800_000, 2_000_000] });
    expect(said(setting, [0, 1_000], 3_000)).toEqual([
      'press@0',
      'hold@300',
      'hold2@800',
      'release@1000',
      'heldRelease@1000',
    ]);
    expect(said(setting, [0, 2_500], 3_000)).toContain('hold3@2000');
  });

  it('makes three taps within the window a triple, and holds a double back for it', () => {
    const setting = gestures({ doubleWindowUs: 250_000, triple: true });
    expect(said(setting, [0, 80, 200, 280, 400, 480], 999)).toEqual([
      'press@0',
      'release@80',
      'press@200',
      'release@280',
      'press@400',
      'triple@400',
      'release@480',
    ]);
    expect(said(setting, [0, 80, 200, 280], 999)).toContain('double@530');
  });

  it('repeats quicker and quicker, down to the fastest', () => {
    const repeat = { delayUs: 400_000, everyUs: 200_000, quickenPercent: 50, fastestUs: 60_000 };
    const repeats = said(gestures({ repeat }), [0, 950], 999).filter((one) => one.startsWith('repeat'));
    expect(repeats).toEqual([
      'repeat@400',
      'repeat@600',
      'repeat@700',
      'repeat@760',
      'repeat@820',
      'repeat@880',
      'repeat@940',
    ]);
  });

  it('states what listening costs as late as it is then said', () => {
    fc.assert(
      fc.property(gesturesArbitrary, (setting) => {
        const delay = new Map(delaysOf(setting).map(({ gesture, us }) => [gesture, us]));
        expect([...delay.keys()]).toEqual(gesturesOf(setting));
        const tap = said(setting, [0, 0.5], 5_000).find((one) => one.startsWith('tap@'));
        if (tap) expect(Number(tap.split('@')[1]) * 1_000).toBe(500 + delay.get('tap')!);
      }),
      { seed: 9 },
    );
  });
});
