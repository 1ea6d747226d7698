import { applyEdit, type Gadget, type Menu } from '../gadget/index.ts';
import { item, menuGadget, schemeWith } from '../test/menuCases.ts';
import { deep, louder, withTask } from '../test/menuSnagCases.ts';
import { withMenus } from './expand.ts';
import { S05 } from './S05.snag.ts';
import { S13 } from './S13.snag.ts';

const keys = schemeWith('fourKeys', 'up', 'down', 'ok', 'back');
const derived = {} as Parameters<typeof S05.check>[1];
const found = (rule: typeof S05, gadget: Gadget) => rule.check(withMenus(gadget), derived);
/** Names with as many dots before them as they lie deep. */
function outlineOf({ menus: [menu] }: Gadget): string[] {
  const { items } = menu as Menu;
  const depth = (id: string | null): number =>
    id === null ? 0 : 1 + depth(items.find((one) => one.id === id)!.parentId);
  return items.map(({ name, parentId }) => '·'.repeat(depth(parentId)) + name);
}
const mended = (rule: typeof S05, gadget: Gadget) => {
  const [snag] = found(rule, gadget);
  return { mend: snag!.mend!, after: applyEdit(gadget, snag!.mend!.edit) };
};

describe('a setting that is too deep', () => {
  it('comes first in its list where that does', () => {
    // Three presses of a key to come to it, OK, up, OK; first: OK, up, OK.
    const list = menuGadget(keys, [
      item.toggle('i1', 'Drone'),
      item.toggle('i2', 'Latch'),
      item.value('i3', 'Volume'),
    ]);
    const { mend, after } = mended(S05, withTask(list, louder(3, null)));
    expect(mend).toMatchObject({ key: 'itemFirst', values: { presses: 3, emptied: '' } });
    expect(outlineOf(after)).toEqual(['Volume', 'Drone', 'Latch']);
  });

  it('comes out of as few submenus as do, and those with nothing left go', () => {
    const one = mended(S05, withTask(deep(), louder(4, null)));
    expect(one.mend).toMatchObject({ key: 'itemOut', values: { presses: 4, emptied: 'Level' } });
    expect(outlineOf(one.after)).toEqual(['Sound', '·Volume', 'Drone']);
    const two = mended(S05, withTask(deep(), louder(3, null)));
    expect(two.mend).toMatchObject({ key: 'itemOut', values: { presses: 3, emptied: 'Sound' } });
    expect(outlineOf(two.after)).toEqual(['Volume', 'Drone']);
  });

  it('leaves what else a submenu has', () => {
    const more = menuGadget(keys, [
      item.submenu('i1', 'Sound'),
      item.toggle('i2', 'Drone', 'i1'),
      item.value('i3', 'Volume', 'i1'),
    ]);
    const { mend, after } = mended(S05, withTask(more, louder(3, null)));
    expect(mend.values).toMatchObject({ emptied: '' });
    expect(outlineOf(after)).toEqual(['Volume', 'Sound', '·Drone']);
  });

  it('has no mend where nothing would bring it near enough, or another would be too deep then', () => {
    const never = found(S05, withTask(deep(), louder(2, null)));
    expect(never.map(({ values, mend }) => [values.budgetPresses, mend])).toEqual([[2, undefined]]);
    const two = menuGadget(keys, [item.value('i1', 'Volume'), item.toggle('i2', 'Drone')]);
    const drone = two.menus[0]!.items.flatMap((one) => ('variableId' in one ? [one.variableId] : []))[1]!;
    const both: Gadget = {
      ...two,
      brief: {
        ...two.brief,
        tasks: [
          louder(3, null),
          { ...louder(1, null), id: 't2', name: 'Droning', doneWhen: `${drone} == 1` },
        ],
      },
    };
    // One press for what stands first, and both cannot.
    const all = found(S05, both);
    expect(all.map(({ values, mend }) => [values.task, mend])).toEqual([['Droning', undefined]]);
  });
});

describe('what nobody can get to', () => {
  it('is worked by controls that nothing else hears', () => {
    const { mend, after } = mended(
      S13,
      menuGadget(schemeWith('fourKeys', 'up', 'ok'), [item.toggle('i1', 'Drone')]),
    );
    expect(mend.key).toBe('giveKeys');
    const { up, down, ok } = after.menus[0]!.scheme.keys;
    expect(new Set([up, down, ok]).size).toBe(3);
    expect(found(S13, after)).toEqual([]);
  });

  it('has no mend where the controls are all taken', () => {
    const gadget = menuGadget(schemeWith('fourKeys', 'up', 'ok'), [item.toggle('i1', 'Drone')]);
    const { up, ok } = gadget.menus[0]!.scheme.keys;
    const controls = gadget.controls.filter(({ id }) => id === up || id === ok);
    const never = S13.check({ ...gadget, controls }, derived);
    expect(never.map(({ values, mend }) => [values.reason, mend])).toEqual([['keys', undefined]]);
  });

  it('is come to in the longest step that leads there', () => {
    // From 3 to 9 in steps of 4: 2 divides both.
    const gadget = menuGadget(keys, [item.value('i1', 'Volume', null, { step: 4, typical: 9 })]);
    const { mend, after } = mended(S13, gadget);
    expect(mend).toMatchObject({ key: 'fitStep', values: { step: 2 } });
    expect(found(S13, after)).toEqual([]);
  });
});
