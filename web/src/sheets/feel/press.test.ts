import { contactOf, defaultSetting, emptyGadget, human, replay, type Gadget } from '@hum-lever/core';
import { buttonOf, setting } from '../../test/gadgets.ts';
import { answersTo, lastPress, settingsToTry, windowsOf } from './press.ts';

const button = buttonOf({
  name: 'Stir',
  key: null,
  contact: contactOf('leaf'),
  debounce: setting('lockout', { lockUs: 2_000, releaseUs: 2_000 }),
});
const gadget: Gadget = { ...emptyGadget('Feel'), controls: [button] };
const at = (ms: number, what: 'down' | 'up') => ({ atUs: ms * 1_000, controlId: 'b1', what });
const trace = replay(gadget, [at(20, 'down'), at(110, 'up'), at(300, 'down'), at(390, 'up')], 1_000_000, 3);

describe('the last press', () => {
  it('is the newest, or the newest up to a moment', () => {
    expect(lastPress(trace, 'b1', Infinity)).toMatchObject({ downUs: 300_000, upUs: 390_000 });
    expect(lastPress(trace, 'b1', 250_000)).toMatchObject({ downUs: 20_000, upUs: 110_000 });
    expect(lastPress(trace, 'b1', 5_000)).toBeNull();
    expect(lastPress(trace, 'b9', Infinity)).toBeNull();
  });

  it('is answered by its own method exactly as in hand', () => {
    const press = lastPress(trace, 'b1', Infinity)!;
    const own = answersTo(press, button, 1_000).find(({ chosen }) => chosen)!;
    expect(own.edges).toEqual(press.clean);
    expect(own.presses).toBe(press.clean.filter(({ level }) => level === 1).length);
  });

  it('tries every method, its own with its own setting', () => {
    expect(settingsToTry(button)).toContain(button.debounce);
    expect(settingsToTry(button)).toContainEqual(defaultSetting('stable'));
  });

  it('is shown at both ends at one scale, or whole', () => {
    const press = lastPress(trace, 'b1', Infinity)!;
    const answers = answersTo(press, button, 1_000);
    const [closing, opening] = windowsOf(press, answers, 'ends');
    expect(closing!.fromUs).toBeLessThan(press.downUs);
    expect(opening!.fromUs).toBeLessThan(press.upUs!);
    expect(opening!.toUs).toBeGreaterThan(Math.max(...press.raw.map(({ atUs }) => atUs)));
    expect(closing!.toUs - closing!.fromUs).toBeCloseTo(opening!.toUs - opening!.fromUs);
    const [whole] = windowsOf(press, answers, 'whole');
    expect(whole!.toUs - whole!.fromUs).toBeGreaterThan(human.shortestPressUs);
  });

  it('while still held has one end', () => {
    const held = lastPress(replay(gadget, [at(20, 'down')], 200_000, 3), 'b1', Infinity)!;
    expect(held.upUs).toBeNull();
    expect(windowsOf(held, [], 'ends')).toHaveLength(1);
  });
});
