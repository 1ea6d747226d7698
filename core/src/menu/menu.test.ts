import * as fc from 'fast-check';
import { Explorer, usualLimits, waysOf } from '../explore/index.ts';
import { compileFlow } from '../flow/index.ts';
import {
  applyEdit,
  gadgetSchema,
  type Gadget,
  type MenuFormat,
  type MenuItem,
  type MenuItemOf,
  type MenuScheme,
  type Output,
  type TextDisplay,
  type Variable,
} from '../gadget/index.ts';
import { Machine } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { bitmapArt, blankBitmap } from '../picture/index.ts';
import { pageTried, readOn, render, rowsOn, stockOf, type Drawn } from '../screen/index.ts';
import { numberVariable } from '../test/fixtures.ts';
import {
  everyItem,
  everyScheme,
  item,
  menuGadget,
  playedBy,
  schemeWith,
  settings,
} from '../test/menuCases.ts';
import { runs } from '../test/runs.ts';
import { outputOf, pageOf, textAt } from '../test/toldGadget.ts';
import {
  beginOf,
  differences,
  madeThings,
  meansOf,
  openedOut,
  Outline,
  stepsTo,
  Ways,
  withMenus,
  type Stroke,
} from './index.ts';

const first = (gadget: Gadget) => gadget.menus[0]!;
const rowsOf = (columns: number, rows: number): Output =>
  ({ ...outputOf('text', 'Rows'), columns, rows }) as Output;
const displays: (Output | null)[] = [
  outputOf('screen', 'Glass'),
  rowsOf(16, 2),
  rowsOf(20, 4),
  rowsOf(8, 1),
  null,
];

function waysIn(gadget: Gadget): { outline: Outline; ways: Ways } {
  const outline = new Outline(gadget, first(gadget));
  return { outline, ways: new Ways(outline, meansOf(gadget, first(gadget).scheme.keys)) };
}

function played(gadget: Gadget, strokes: readonly Stroke[]) {
  const machine = new Machine(gadget, 7);
  const { stimuli, endUs, presses } = playedBy(gadget, strokes, 100_000);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  machine.advanceTo(endUs);
  return { presses, shown: machine.shown };
}
const named = (scheme: MenuScheme) => `${scheme.kind} by ${Object.keys(scheme.keys).join(', ')}`;

describe('a menu', () => {
  it.each(everyScheme.map((scheme) => [named(scheme), scheme] as const))(
    'comes to states, values and pages that any document could have: %s',
    (_, scheme) => {
      for (const display of displays) {
        const gadget = menuGadget(scheme, everyItem, { display });
        expect(gadgetSchema.safeParse(gadget).error).toBeUndefined();
        const whole = withMenus(gadget);
        expect(gadgetSchema.safeParse(whole).error).toBeUndefined();
        expect(compileFlow(whole).problems).toEqual([]);
        // The same again, and no second time.
        expect(withMenus(whole)).toBe(whole);
      }
    },
  );

  it.each(everyScheme.map((scheme) => [named(scheme), scheme] as const))(
    'does all that stands in it, and comes back: %s',
    (_, scheme) => {
      const gadget = menuGadget(scheme, everyItem);
      const { outline, ways } = waysIn(gadget);
      const of = <K extends MenuItem['kind']>(id: string) => outline.item(id) as MenuItemOf<K>;
      const whole: [Stroke[] | null, Record<string, unknown>][] = [
        [ways.set(of<'value'>('i2'), 3, 7), { v1: 7 }],
        [ways.set(of<'value'>('i2'), 3, 0), { v1: 0 }],
        [ways.set(of<'choice'>('i3'), 1, 2), { v3: 2 }],
        [ways.toggle(of<'toggle'>('i4')), { v4: 1 }],
        [ways.set(of<'pick'>('i5'), 0, 2), { v7: 2 }],
        [ways.act(of<'action'>('i7')), { v8: 1 }],
        [ways.act(of<'action'>('i8')), { v8: 1 }],
        [ways.act(of<'action'>('i9')), { v8: 1 }],
      ];
      for (const [strokes, outcome] of whole) {
        const { presses, shown } = played(gadget, strokes!);
        expect(shown.variables).toMatchObject(outcome);
        expect(presses).toBe(ways.effort(strokes!).presses);
      }
    },
  );

  it('goes back to what it was when it was new', () => {
    for (const scheme of everyScheme) {
      const gadget = menuGadget(scheme, everyItem);
      const { outline, ways } = waysIn(gadget);
      const changed = ways.set(outline.item('i2') as MenuItemOf<'value'>, 3, 9)!;
      const machine = new Machine(gadget, 1);
      const before = playedBy(gadget, changed, 100_000);
      for (const stimulus of before.stimuli) machine.stimulate(stimulus);
      machine.advanceTo(before.endUs);
      expect(machine.shown.variables.v1).toBe(9);
      // Off and on: from where the menu begins.
      const reset = new Machine(gadget, 1);
      const way = playedBy(gadget, ways.act(outline.item('i11') as MenuItemOf<'factory'>), 100_000);
      for (const stimulus of way.stimuli) reset.stimulate(stimulus);
      reset.advanceTo(way.endUs);
      expect(reset.shown.variables).toMatchObject({ v1: 3, v3: 1, v4: 0, v5: 'Ash', v7: 0 });
    }
  });

  it('never takes a second press of the same key for an answer', () => {
    for (const scheme of everyScheme) {
      const gadget = menuGadget(scheme, everyItem);
      const { outline, ways } = waysIn(gadget);
      for (const id of ['i8', 'i9']) {
        const act = outline.item(id) as MenuItemOf<'action'>;
        if (outline.scheme.style === 'ring') continue;
        const [...whole] = ways.act(act);
        // All but the answer, and then the last stroke once more, by accident.
        const asked = whole.slice(
          0,
          outline.askingOf(act) === 'confirm' && outline.scheme.style === 'cursor' ? -2 : -1,
        );
        const last = asked.at(-1)!;
        expect(played(gadget, [...asked, { ...last, times: 1 }]).shown.variables.v8).toBe(0);
      }
    }
  });
});

/** Menus of up to three levels over the same settings, by number of items. */
const outlineArbitrary: fc.Arbitrary<MenuItem[]> = fc
  .array(
    fc.record({
      kind: fc.constantFrom('submenu', 'value', 'value', 'choice', 'toggle', 'pick', 'reading', 'action'),
      under: fc.nat(6),
      step: fc.constantFrom(1, 1, 2, 3, 7),
      low: fc.option(fc.integer({ min: -20, max: 2 })),
      high: fc.option(fc.integer({ min: 4, max: 30 })),
      wraps: fc.boolean(),
      live: fc.boolean(),
      fast: fc.boolean(),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((wishes) => {
    const items: MenuItem[] = [];
    wishes.forEach(({ kind, under, step, low, high, wraps, live, fast }, n) => {
      const id = `i${n + 1}`;
      const submenus = items.filter((one) => one.kind === 'submenu');
      const parentId = [null, ...submenus.map((one) => one.id)][under % (submenus.length + 1)]!;
      const name = `Item ${n + 1}`;
      if (kind === 'value')
        items.push(
          item.value(id, name, parentId, { step, low, high, wraps, live, variableId: fast ? 'v2' : 'v1' }),
        );
      else items.push(item[kind as 'toggle'](id, name, parentId));
    });
    return items;
  });

const repeat = { delayUs: 400_000, everyUs: 120_000, quickenPercent: 80, fastestUs: 50_000 };

describe('the way to a setting', () => {
  it('is what it costs to go it: any menu, any scheme (seed 15)', () => {
    fc.assert(
      fc.property(
        outlineArbitrary,
        fc.constantFrom(...everyScheme),
        fc.nat(),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (items, scheme, pickAt, wraps, held, quick) => {
          const gadget = menuGadget(scheme, items, {
            display: null,
            menu: { wraps },
            repeat: held ? repeat : null,
            faster: quick ? { fromUs: 60_000, most: 4 } : null,
          });
          const { outline, ways } = waysIn(gadget);
          const settable = outline.leaves.filter(
            (one): one is MenuItemOf<'value' | 'choice' | 'pick'> =>
              one.kind === 'value' || one.kind === 'choice' || one.kind === 'pick',
          );
          const chosen = settable[pickAt % Math.max(1, settable.length)];
          if (!chosen) return;
          const range = chosen.kind === 'pick' ? { low: 0, high: 3 } : outline.rangeOf(chosen);
          const from = beginOf(outline, chosen);
          const to = range.low + (pickAt % (range.high - range.low + 1));
          const strokes = ways.set(chosen, from, to);
          if (!strokes) return;
          const { presses, shown } = played(gadget, strokes);
          expect(shown.variables[chosen.kind === 'pick' ? chosen.chosenId : chosen.variableId]).toBe(to);
          expect(presses).toBe(ways.effort(strokes).presses);
        },
      ),
      { seed: 15, numRuns: runs(250) },
    );
  });

  it('is the shortest there is: the explorer finds none with fewer presses (seed 16)', () => {
    let compared = 0;
    fc.assert(
      fc.property(
        outlineArbitrary,
        fc.constantFrom(...everyScheme),
        fc.nat(),
        fc.boolean(),
        (items, scheme, pickAt, wraps) => {
          const few = items.slice(0, 6).filter((one) => one.kind !== 'action');
          const gadget = menuGadget(scheme, few, { display: null, menu: { wraps, leaveId: null } });
          const { outline, ways } = waysIn(gadget);
          const settable = outline.leaves.filter(
            (one): one is MenuItemOf<'value'> => one.kind === 'value' && one.variableId === 'v1',
          );
          const chosen = settable[pickAt % Math.max(1, settable.length)];
          if (!chosen || settable.length > 2) return;
          const { low, high } = outline.rangeOf(chosen);
          const from = beginOf(outline, chosen);
          const to = low + (pickAt % (high - low + 1));
          // One setting of that variable: otherwise another may be the shorter way.
          if (settable.length > 1) return;
          const strokes = ways.set(chosen, from, to);
          const explorer = new Explorer(gadget, { ...usualLimits, states: 60_000 }, ['v1']);
          explorer.advance(60_000);
          const end = outline.scheme.style === 'ring' ? null : `${chosen.parentId ?? 'u1'}s`;
          const { fewest, complete } = waysOf(explorer, {
            startStateId: null,
            goalStateId: end,
            doneWhen: `v1 == ${to}`,
          });
          if (!complete) return;
          compared += 1;
          expect(fewest === null).toBe(strokes === null);
          if (fewest && strokes && from !== to) expect(fewest.presses).toBe(ways.effort(strokes).presses);
        },
      ),
      { seed: 16, numRuns: runs(150) },
    );
    // Draws without a setting to look for, or with two ways to it, say nothing.
    expect(compared).toBeGreaterThan(30);
  });

  it('by way of an end, where steps do not come out even', () => {
    const range = { low: 0, high: 10 };
    const both = { more: true, less: true };
    // 0, 3, 6, 9: up to the end at 10 by a shorter step, and back from there.
    expect(stepsTo(0, 10, range, 3, false, both)).toEqual({ more: 4, less: 0, first: 'more' });
    expect(stepsTo(0, 7, range, 3, false, both)).toEqual({ more: 4, less: 1, first: 'more' });
    expect(stepsTo(0, 5, range, 3, false, both)).toBeNull();
    // Round: one step down leads to the other end.
    expect(stepsTo(0, 10, range, 3, true, both)).toEqual({ more: 0, less: 1, first: 'less' });
    expect(stepsTo(3, 2, { low: 0, high: 9 }, 1, true, { more: true, less: false })).toEqual({
      more: 9,
      less: 0,
      first: 'more',
    });
  });
});

describe('a menu that is opened out', () => {
  it.each(everyScheme.map((scheme) => [named(scheme), scheme] as const))(
    'plays as before by hand, tells what was changed, and goes back: %s',
    (_, scheme) => {
      const gadget = menuGadget(scheme, everyItem);
      const menu = first(gadget);
      const out = applyEdit(gadget, { name: 'openMenuOut', args: [menu.id, openedOut(gadget, menu)] });
      expect(
        withMenus(out)
          .flow.states.map(({ id }) => id)
          .sort(),
      ).toEqual(
        withMenus(gadget)
          .flow.states.map(({ id }) => id)
          .sort(),
      );
      const { outline, ways } = waysIn(gadget);
      const way = ways.set(outline.item('i2') as MenuItemOf<'value'>, 3, 8)!;
      expect(played(out, way).shown.variables.v1).toBe(8);
      expect(differences(out, first(out))).toEqual([]);
      const changed = applyEdit(out, { name: 'changeState', args: ['i6s', { name: 'Whose' }] });
      expect(differences(changed, first(changed))).toEqual([
        { kind: 'state', id: 'i6s', name: 'Whose', how: 'changed' },
      ]);
      const back = applyEdit(changed, {
        name: 'closeMenu',
        args: [menu.id, { ids: madeThings(changed, first(changed)) }],
      });
      expect(back).toEqual(gadget);
    },
  );
});

describe('what is found in menus', () => {
  it.each(everyScheme.map((scheme) => [named(scheme), scheme] as const))(
    'accuses none that is as it should be: %s',
    (_, scheme) => {
      for (const display of [scheme.kind === 'encoder' ? rowsOf(20, 4) : outputOf('screen', 'Glass')]) {
        const gadget = menuGadget(scheme, everyItem, { display });
        const kept = new Set(Object.values(scheme.keys));
        const own: Gadget = {
          ...gadget,
          controls: gadget.controls.filter(({ id }) => kept.has(id) || id === 'b1'),
          parts: gadget.parts.filter(({ plays }) =>
            plays.every((id) => kept.has(id) || id === 'b1' || id === 'o1'),
          ),
        };
        const { snags, failed } = checkGadget(own);
        expect(failed).toEqual([]);
        expect(snags.filter(({ place }) => place.kind === 'menu')).toEqual([]);
      }
    },
  );
});

describe('what a menu shows', () => {
  const art = (gadget: Gadget, pageId: string) => {
    const whole = withMenus(gadget);
    const screen = whole.outputs[0] as Extract<Output, { kind: 'screen' }>;
    const bitmap = blankBitmap(screen.widthPx, screen.heightPx);
    render(bitmap, screen, pageTried(whole, pageId, 'start').drawn, stockOf(whole));
    return bitmapArt(bitmap).map((row) => row.replace(/\.+$/, ''));
  };
  const little = { ...outputOf('screen', 'Glass'), widthPx: 60, heightPx: 26 } as Output;

  it('is a list with the row where one stands lit, and values at its right', () => {
    const gadget = menuGadget(everyScheme[0]!, [item.value('i1', 'Vol'), item.toggle('i2', 'Hum')], {
      display: little,
      menu: { name: 'Set' },
    });
    expect(art(gadget, 'u1n')).toMatchInlineSnapshot(`
      [
        ".####........#",
        "#............#",
        "#......###..###",
        ".###..#...#..#",
        "....#.#####..#",
        "....#.#......#..#",
        "####...###....##",
        "",
        "############################################################",
        "",
        ".###.########..#####################...############.#....###",
        ".###.#########.####################.###.###########.#.###.##",
        ".###.##...####.########################.########..#.#.###.##",
        ".###.#.###.###.######################..########.##..#....###",
        ".###.#.###.###.########################.#######.###.#.###.##",
        "#.#.##.###.###.####################.###.#######.###.#.###.##",
        "##.####...###...####################...#########....#....###",
        "############################################################",
        "#...#.....................................###....##....##",
        "#...#....................................#...#..#..#..#..#",
        "#...#.#...#.##.#.........................#...#..#.....#",
        "#####.#...#.#.#.#........................#...#.###...###",
        "#...#.#...#.#.#.#........................#...#..#.....#",
        "#...#.#..##.#...#........................#...#..#.....#",
        "#...#..##.#.#...#.........................###...#.....#",
        "",
      ]
    `);
  });
  it('is a value, as large as fits under its name', () => {
    const gadget = menuGadget(everyScheme[0]!, [item.value('i1', 'Vol')], {
      display: little,
      variables: settings.map((one) => (one.id === 'v1' ? { ...one, unit: '' } : one)) as Variable[],
    });
    expect(art(gadget, 'i1n')).toMatchInlineSnapshot(`
      [
        "#...#........##",
        "#...#.........#",
        "#...#..###....#",
        "#...#.#...#...#",
        "#...#.#...#...#",
        ".#.#..#...#...#",
        "..#....###...###",
        "",
        "############################################################",
        "",
        "..........................######",
        ".........................########",
        "........................###....###",
        "........................##......##",
        "................................##",
        "...............................###",
        "............................####",
        "............................####",
        "...............................###",
        "................................##",
        "........................##......##",
        "........................###....###",
        ".........................########",
        "..........................######",
        "",
        "",
      ]
    `);
  });
  it('is rows on a display of characters, written anew with every change', () => {
    const gadget = menuGadget(everyScheme[0]!, everyItem, { display: rowsOf(16, 2) });
    const { outline, ways } = waysIn(gadget);
    const rows = (strokes: readonly Stroke[]) => {
      const output = played(gadget, strokes).shown.outputs['o1'];
      return output?.kind === 'text' ? output.rows : [];
    };
    expect(rows([])).toEqual(['>Sound', ' Cue']);
    expect(rows([{ role: 'down', how: 'tap', times: 2 }])).toEqual([' Cue', '>Owner']);
    expect(rows(ways.reach(outline.item('i3')!))).toEqual(['Scale', 'Minor']);
    expect(rows([...ways.reach(outline.item('i3')!), { role: 'up', how: 'tap', times: 1 }])).toEqual([
      'Scale',
      'Storm',
    ]);
    expect(rows(ways.reach(outline.item('i6')!))).toEqual(['Owner', 'Asha']);
    expect(rows(ways.reach(outline.item('i10')!))).toEqual(['Sent', '0']);
    expect(rows([...ways.reach(outline.item('i8')!), { role: 'ok', how: 'tap', times: 1 }])).toEqual([
      '>No',
      ' Yes',
    ]);
  });
  it('hides the pages of such a display while it is open, and lets them through when it is left', () => {
    const display = rowsOf(16, 4) as TextDisplay;
    const bare = menuGadget(everyScheme[0]!, [item.toggle('i2', 'Drone')], { display });
    const gadget = { ...bare, pages: [pageOf([0, 1, 2, 3].map((y) => textAt(`Page ${y}`, '0', String(y))))] };
    const { outline } = waysIn(gadget);
    const rows = (strokes: readonly Stroke[]) => {
      const output = played(gadget, strokes).shown.outputs['o1'];
      return output?.kind === 'text' ? rowsOn(display, output.glass).map((row) => row.trim()) : [];
    };
    expect(rows([])).toEqual(['Settings', '>Drone', '', '']);
    const left = rows([{ role: 'back', how: 'tap', times: 1 }]);
    expect(outline.menu.leaveId).toBe('s1');
    expect(left.slice(1)).toEqual(['Page 1', 'Page 2', 'Page 3']);
  });
  it('is what stands beside its keys, and on the next screen where they are few', () => {
    const gadget = menuGadget(schemeWith('labelledKeys', 'key1', 'key2', 'key3'), everyItem, {
      display: rowsOf(20, 4),
    });
    const rows = (strokes: readonly Stroke[]) => {
      const output = played(gadget, strokes).shown.outputs['o1'];
      return output?.kind === 'text' ? output.rows : [];
    };
    expect(rows([])).toEqual(['Settings', 'Sound', 'Cue', 'More']);
    expect(rows([{ role: 'key3', how: 'tap', times: 1 }])).toEqual(['Settings', 'Owner', 'Send', 'More']);
  });
});

describe('a text in a menu', () => {
  it.each(everyScheme.map((scheme) => [named(scheme), scheme] as const))(
    'is put together letter by letter, shortened, and given up: %s',
    (_, scheme) => {
      const gadget = menuGadget(scheme, [item.text('i1', 'Owner'), item.toggle('i2', 'Drone')]);
      const { outline, ways } = waysIn(gadget);
      const { style, commands } =
        outline.scheme.style === 'labelled'
          ? { style: 'labelled', commands: {} }
          : { style: outline.scheme.style, commands: outline.commands };
      const roles = Object.keys(scheme.keys) as Stroke['role'][];
      const tap = (role: Stroke['role'], times = 1): Stroke => ({ role, how: 'tap', times });
      const ring = scheme.kind === 'cycling';
      const turn: Stroke =
        style === 'labelled' ? tap(roles[1]!) : { ...(ring ? commands.next! : commands.more!), times: 1 };
      const take: Stroke =
        style === 'labelled' ? tap(roles.at(-1)!) : { ...(ring ? commands.more! : commands.done!), times: 1 };
      const open = ways.reach(outline.item('i1')!);
      // a, then b: Ash becomes Ashab.
      const typed = [...open, take, turn, take];
      expect(played(gadget, typed).shown.variables.v5).toBe('Ashab');
      // Two on from b, past c, the last is taken away; one more, and it is done.
      const shortened = [...typed, { ...turn, times: 2 }, take];
      expect(played(gadget, shortened).shown.variables.v5).toBe('Asha');
      const done = played(gadget, [...shortened, turn, take]).shown;
      expect(done.variables.v5).toBe('Asha');
      expect(done.stateIds.at(-1)).toBe(style === 'ring' ? 'i1s' : 'u1s');
      const cancel: Stroke | null =
        style === 'labelled'
          ? roles.length > 3
            ? tap(roles[2]!)
            : null
          : commands.cancel
            ? { ...commands.cancel, times: 1 }
            : null;
      if (cancel) expect(played(gadget, [...typed, cancel]).shown.variables.v5).toBe('Ash');
    },
  );
});

describe('a number of a menu', () => {
  const shownAs = (format: MenuFormat, value: number, low = 0): string => {
    const gadget = menuGadget(everyScheme[0]!, [
      item.value('i1', 'Speed', null, { variableId: 'v2', low, format }),
    ]);
    const { variables } = gadget.flow;
    const speed = { ...variables.find(({ id }) => id === 'v2')!, initial: value } as Variable;
    const with_ = variables.map((one) => (one.id === 'v2' ? speed : one));
    const machine = new Machine({ ...gadget, flow: { ...gadget.flow, variables: with_ } }, 1);
    machine.advanceTo(100_000);
    return readOn((machine.shown.outputs['o1'] as { glass: Drawn }).glass).at(-1)!;
  };
  it.each<[MenuFormat, number, number, string]>([
    ['plain', 42, 0, '42'],
    ['tenths', 42, 0, '4.2'],
    ['tenths', 7, 0, '0.7'],
    ['tenths', -7, -100, '-0.7'],
    ['tenths', -42, -100, '-4.2'],
    ['hundredths', 205, 0, '2.05'],
    ['hundredths', -5, -100, '-0.05'],
    ['clock', 245, 0, '4:05'],
    ['clock', 59, 0, '0:59'],
    ['clock', -61, -100, '-1:01'],
  ])('is written as %s: %d of %d and more is %s', (format, value, low, text) => {
    expect(shownAs(format, value, low)).toBe(text);
  });
});

describe('a menu that is left alone', () => {
  const idle = (leads: 'home' | 'leave' | 'off', edits: 'keep' | 'drop') =>
    menuGadget(
      everyScheme[0]!,
      [item.toggle('i1', 'Drone'), item.value('i2', 'Volume', null, { live: true })],
      {
        menu: { idle: { afterUs: 5_000_000, leads, edits } },
      },
    );
  const after = (gadget: Gadget, strokes: readonly Stroke[], then: readonly Stroke[], restUs: number) => {
    const machine = new Machine(gadget, 3);
    const before = playedBy(gadget, strokes, 100_000);
    const later = playedBy(gadget, then, before.endUs + restUs);
    for (const stimulus of [...before.stimuli, ...later.stimuli]) machine.stimulate(stimulus);
    machine.advanceTo(later.endUs);
    return machine.shown;
  };
  const tap = (role: Stroke['role'], times = 1): Stroke => ({ role, how: 'tap', times });
  /** Into the volume, and two up. */
  const louder = [tap('down'), tap('ok'), tap('up', 2)];

  it('goes home, and drops or keeps what was not finished', () => {
    const dropped = after(idle('home', 'drop'), louder, [], 6_000_000);
    expect(dropped.stateIds.at(-1)).toBe('u1s');
    expect(dropped.variables).toMatchObject({ v1: 3, u1v: 0 });
    const kept = after(idle('home', 'keep'), louder, [], 6_000_000);
    expect(kept.stateIds.at(-1)).toBe('u1s');
    expect(kept.variables).toMatchObject({ v1: 5, u1v: 0 });
    // Not before its time, and every press begins it anew.
    expect(after(idle('home', 'drop'), louder, [], 3_000_000).stateIds.at(-1)).toBe('i2s');
  });
  it('leaves', () => {
    expect(after(idle('leave', 'drop'), louder, [], 6_000_000)).toMatchObject({
      stateIds: ['s1'],
      variables: { v1: 3 },
    });
  });
  it('goes dark, and the press that wakes it does nothing else', () => {
    const dark = after(idle('off', 'drop'), [], [], 6_000_000);
    expect(dark.stateIds.at(-1)).toBe('u1z');
    expect(dark.outputs['o1']).toMatchObject({ glass: { pageId: null } });
    const woken = after(idle('off', 'drop'), [], [tap('ok')], 6_000_000);
    expect(woken.stateIds.at(-1)).toBe('u1s');
    expect(woken.variables.v4).toBe(0);
    expect(after(idle('off', 'drop'), [], [tap('ok', 2)], 6_000_000).variables.v4).toBe(1);
    // Found by the explorer, too: nothing acts in its sleep.
    expect(checkGadget(idle('off', 'drop')).snags.filter(({ rule }) => rule === 'F11')).toEqual([]);
  });
});

describe('a menu that nobody would draw', () => {
  const broken = (patch: object) => {
    const gadget = menuGadget(everyScheme[0]!, [item.toggle('i1', 'Drone')]);
    return gadgetSchema.safeParse({ ...gadget, menus: [{ ...first(gadget), ...patch }] });
  };
  it('of one item, of none, of a name in any script plays', () => {
    for (const scheme of everyScheme)
      for (const items of [[], [item.toggle('i1', 'Гул ⟡ 音')], [item.submenu('i1', '{v1}')]]) {
        const gadget = menuGadget(scheme, items);
        expect(gadgetSchema.safeParse(gadget).success).toBe(true);
        expect(compileFlow(withMenus(gadget)).problems).toEqual([]);
        expect(() => new Machine(gadget, 1).advanceTo(1_000_000)).not.toThrow();
      }
  });
  it('in itself, too wide or with ids that are kept for what it comes to is refused', () => {
    const inItself = [{ ...item.submenu('i1', 'A', 'i2') }, item.submenu('i2', 'B', 'i1')];
    expect(broken({ items: inItself }).success).toBe(false);
    expect(broken({ items: [item.submenu('i1', 'A', 'i1')] }).success).toBe(false);
    const wide = Array.from({ length: 61 }, (_, n) => item.toggle(`i${n + 1}`, 'x'));
    expect(broken({ items: wide }).error?.issues[0]?.message).toContain('at most 60 items in one list');
    expect(broken({ items: [{ ...item.toggle('i1', 'x'), id: 's5' }] }).success).toBe(false);
    const gadget = menuGadget(everyScheme[0]!, [item.toggle('i1', 'Drone')]);
    const [one, ...others] = gadget.flow.states;
    const taken = {
      ...gadget,
      flow: { ...gadget.flow, states: [one!, ...others, { ...others[0]!, id: 'u1s' }] },
    };
    expect(
      gadgetSchema
        .safeParse(taken)
        .error?.issues.map(({ message }) => message)
        .join(),
    ).toContain('not kept for');
  });
  it('whose values reach over all of 32 bits stays inside them', () => {
    const wide = numberVariable({
      id: 'v1',
      name: 'wide',
      min: -2_147_483_648,
      max: 2_147_483_647,
      initial: 2_147_483_000,
    });
    const gadget = menuGadget(everyScheme[0]!, [item.value('i1', 'Wide', null, { step: 1_000_000 })], {
      variables: settings.map((one) => (one.id === 'v1' ? wide : one)),
    });
    const { outline, ways } = waysIn(gadget);
    const up = ways.set(outline.item('i1') as MenuItemOf<'value'>, 2_147_483_000, 2_147_483_647)!;
    expect(played(gadget, up).shown.variables.v1).toBe(2_147_483_647);
  });
});
