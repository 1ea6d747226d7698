import { checkGadget } from '../snag/index.ts';
import type { Gadget, MenuItem } from '../gadget/index.ts';
import { item, menuGadget, schemeWith } from '../test/menuCases.ts';
import { answeredByHold, answeredByOther, deep, louder, withTask } from '../test/menuSnagCases.ts';
import { rule } from '../test/fixtures.ts';
import { compareMenuSchemes, menuAdvice, menuFigures, orderByUse, tryDepths } from './index.ts';

const [press, step, think, hold] = [280_000, 150_000, 1_350_000, 500_000 + 100_000];
const keys = schemeWith('fourKeys', 'up', 'down', 'ok', 'back');
const first = (gadget: Gadget) => gadget.menus[0]!;
const figures = (gadget: Gadget) => menuFigures(gadget, first(gadget))!;
const found = (gadget: Gadget, id: string) => checkGadget(gadget).snags.filter((snag) => snag.rule === id);
const flags = (count: number): MenuItem[] =>
  Array.from({ length: count }, (_, n) => item.toggle(`i${n + 1}`, `Light ${n + 1}`));

/* Worked out by hand. Source: reckoning, Contact, debounce, gesture: a press 0.28 s, a detent 0.15 s, a hold its
   threshold and 0.1 s, 1.35 s to think before each new decision. */
describe('what stands beside an item', () => {
  const items = [item.toggle('i1', 'Drone'), item.submenu('i2', 'Sound'), item.value('i3', 'Volume', 'i2')];

  it('under four keys', () => {
    const [drone, sound, volume] = figures(menuGadget(keys, items)).items;
    // Where one stands already: OK.
    expect(drone).toMatchObject({
      reach: { presses: 0, timeUs: 0 },
      typical: { presses: 1, timeUs: think + press },
    });
    // Down, OK.
    expect(sound!.reach).toEqual({ presses: 2, timeUs: 2 * think + 2 * press });
    // And OK once more: it is the same move.
    expect(volume!.reach).toEqual({ presses: 3, timeUs: 2 * think + 3 * press });
    // 3 to 4: up, OK. 3 to 10: seven times up, OK.
    expect(volume!.typical).toMatchObject({ to: 4, presses: 5, timeUs: 4 * think + 5 * press });
    expect(volume!.far).toMatchObject({ to: 10, presses: 11, timeUs: 4 * think + 11 * press });
  });

  it('under a wheel', () => {
    const volume = figures(menuGadget(schemeWith('encoder', 'turn', 'push'), items)).items[2]!;
    expect(volume.reach).toEqual({ presses: 3, timeUs: 2 * think + step + 2 * press });
    expect(volume.far).toMatchObject({
      to: 10,
      presses: 11,
      timeUs: 4 * think + 8 * step + 3 * press,
    });
  });

  it('under a wheel that counts more when it is turned quickly', () => {
    const rising = [...items.slice(0, 2), item.value('i3', 'Volume', 'i2', { low: 3, high: 9 })];
    const gadget = menuGadget(schemeWith('encoder', 'turn', 'push'), rising, {
      faster: { fromUs: 60_000, most: 3 },
    });
    // One turn takes 400 ms, 24 detents: 16.7 ms from one to the next, and each counts three. 6 = 1 + 3 + 2 × 1.
    const far = figures(gadget).items[2]!.far!;
    expect(far.presses).toBe(1 + 2 + 4 + 1);
    expect(far.timeUs).toBe(4 * think + (1 + 3) * step + 16_667 + 3 * press);
  });

  it('under one button', () => {
    const volume = figures(menuGadget(schemeWith('oneButton', 'button'), items)).items[2]!;
    // Tap, hold to choose, hold again; a tap is one more, a hold is done. 3 to 2 is ten taps round.
    expect(volume.typical).toMatchObject({ to: 4, presses: 5, timeUs: 4 * think + 2 * press + 3 * hold });
    expect(volume.far).toMatchObject({ to: 2, presses: 1 + 2 + 10 + 1 });
  });

  it('under keys beside labels, with more of them than keys', () => {
    const gadget = menuGadget(schemeWith('labelledKeys', 'key1', 'key2', 'key3'), flags(5));
    // Five and the way back: two on each screen, and the last key leads on.
    expect(figures(gadget).items.map(({ typical }) => typical!.presses)).toEqual([1, 1, 2, 2, 3]);
  });

  it('is nothing as long as keys are missing', () => {
    const gadget = menuGadget(schemeWith('fourKeys', 'up'), items);
    expect(menuFigures(gadget, first(gadget))).toBeNull();
  });
});

describe('advice', () => {
  it('puts what is wanted more often first, says what that gains, and is content then', () => {
    const [a, b, c] = flags(3) as [MenuItem, MenuItem, MenuItem];
    const gadget = menuGadget(keys, [a, { ...b, use: 0 }, { ...c, use: 3 }]);
    const order = orderByUse(gadget, first(gadget))!;
    expect(order.orders).toEqual([{ parentId: null, ids: ['i3', 'i1', 'i2'] }]);
    // Before: once 1, three times 3 (down, down, OK). After: three times 1, once 2.
    expect(order.before.presses).toBe((1 + 3 * 3) / 4);
    expect(order.after.presses).toBe((3 * 1 + 2) / 4);
    const better = {
      ...gadget,
      menus: [{ ...first(gadget), items: [{ ...c, use: 3 }, a, { ...b, use: 0 }] }],
    };
    expect(orderByUse(better, first(better))).toBeNull();
  });

  it('finds two levels quicker where a list is long, and not where it is short', () => {
    const long = menuGadget(keys, flags(30));
    const { now, tried } = tryDepths(long, first(long));
    expect(tried[0]!.size).not.toBeNull();
    expect(tried[0]!.usual.timeUs).toBeLessThan(now.timeUs);
    // One list is what there is.
    expect(tried.find(({ size }) => size === null)!.usual).toEqual(now);
    // 30 in one list: 14.5 moves down on average, and OK.
    expect(now.presses).toBe(15.5);
    const short = menuGadget(keys, flags(4));
    expect(tryDepths(short, first(short)).tried[0]!.size).toBeNull();
  });

  it('compares every scheme alike, its own by its own controls, and recommends the quickest that fits', () => {
    const gadget = menuGadget(keys, flags(6));
    const schemes = compareMenuSchemes(gadget, first(gadget));
    expect(schemes.map(({ scheme, quick }) => `${scheme}${quick ? ' quick' : ''}`)).toEqual([
      'fourKeys', 'encoder', 'encoder quick', 'oneButton', 'twoButtons', 'labelledKeys', 'touchAreas', 'cycling', 'leftRight',
    ]); // prettier-ignore
    expect(schemes.filter(({ own }) => own).map(({ scheme }) => scheme)).toEqual(['fourKeys']);
    // A wheel and a push: the same moves as keys, detents being quicker than presses.
    const [four, wheel] = schemes;
    expect(wheel!.usual.presses).toBe(four!.usual.presses);
    expect(wheel!.usual.timeUs).toBeLessThan(four!.usual.timeUs);
    const { best } = menuAdvice(gadget, 'u1')!;
    expect(schemes.every(({ usual }) => usual.timeUs >= best!.usual.timeUs)).toBe(true);
    // With three keys only, what needs four or a wheel is left out.
    const few: Gadget = {
      ...gadget,
      controls: gadget.controls.slice(0, 3),
      menus: [{ ...first(gadget), scheme: schemeWith('fourKeys', 'up', 'down', 'ok') }],
    };
    const fitting = compareMenuSchemes(few, first(few)).filter(({ fits }) => fits);
    expect(fitting.map(({ scheme }) => scheme)).toEqual(['fourKeys', 'oneButton', 'twoButtons', 'cycling']);
    expect(menuAdvice(gadget, 'u9')).toBeNull();
  });
});

describe('snags of menus', () => {
  it('spare an item within its budget, or one that something else sets, too', () => {
    expect(found(withTask(deep(), louder(5, 5_450_000)), 'S05')).toEqual([]);
    const gadget = withTask(deep(), louder(4, null));
    const [home, ...others] = gadget.flow.states;
    const turned = rule('r9', {
      trigger: { kind: 'gesture', controlId: 'b12', gesture: 'press' },
      actions: [{ kind: 'set', variableId: 'v1', index: null, value: 'v1 + 1' }],
    });
    const also = {
      ...gadget,
      flow: { ...gadget.flow, states: [{ ...home!, rules: [...home!.rules, turned] }, ...others] },
    };
    expect(found(also, 'S05')).toEqual([]);
  });
  it('spare a question that another key answers, or a hold', () => {
    expect(found(answeredByOther(), 'S14')).toEqual([]);
    expect(found(answeredByHold(), 'S14')).toEqual([]);
  });
  it('spare a menu that was begun just now', () => {
    expect(found(menuGadget(schemeWith('encoder'), [], { menu: { stateId: null } }), 'S13')).toEqual([]);
  });
});
