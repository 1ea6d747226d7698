import { Button, SegmentedControl } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import {
  limits,
  menuFigures,
  nextId,
  schemeFor,
  showsMenus,
  type Edit,
  type Gadget,
  type Menu,
  type MenuItem,
  type SchemeName,
} from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { edit, useDocument } from '../../../client/index.ts';
import { begin, FirstStep, useFound } from '../../../shared/index.ts';
import { itemWords } from '../../../words/index.ts';
import { Advice } from './Advice.tsx';
import { addItemEdit } from './freshItem.ts';
import { MenuSentence } from './MenuSentence.tsx';
import { OpenedOut } from './OpenedOut.tsx';
import { OutlineTable } from './OutlineTable.tsx';
import { Preview } from './Preview.tsx';
import { WayIn } from './WayIn.tsx';
import classes from './Menus.module.css';

/** What a first menu is worked by, with what the gadget has. */
function likelyScheme({ controls }: Gadget): SchemeName {
  const buttons = controls.filter(({ kind }) => kind === 'button').length;
  if (controls.some(({ kind }) => kind === 'encoder') && buttons > 0) return 'encoder';
  if (buttons >= 3) return 'fourKeys';
  return buttons === 2 ? 'twoButtons' : 'oneButton';
}

/** A menu of its own state: where the gadget has no state for it yet, one is made. */
function addMenuEdit(gadget: Gadget): Edit {
  const { menus, outputs, flow } = gadget;
  const name = menus.length === 0 ? 'Settings' : `Menu ${menus.length + 1}`;
  const taken = new Set(menus.map(({ stateId }) => stateId));
  const free = flow.states.find(
    ({ id, kind, name: called }) => kind === 'plain' && !taken.has(id) && /menu|setting|set up/i.test(called),
  );
  const stateId = free?.id ?? nextId(gadget, 'state');
  const home = flow.states.find(({ id, parentId }) => parentId === null && id !== stateId)?.id ?? null;
  const leaveId = flow.initialId === stateId ? home : (flow.initialId ?? home);
  const outputId = outputs.find(showsMenus)?.id ?? null;
  const scheme = schemeFor(gadget, likelyScheme(gadget));
  return {
    name: 'several',
    args: [
      [
        ...(free ? [] : [{ name: 'addState' as const, args: [name] as [string] }]),
        { name: 'addMenu', args: [name, scheme, { stateId, leaveId, outputId }] },
      ],
    ],
  };
}

const addable: readonly MenuItem['kind'][] = [
  'value',
  'choice',
  'toggle',
  'pick',
  'text',
  'reading',
  'action',
  'factory',
  'submenu',
];

/** Settings and deeds as outlines, each row with what it costs a hand. */
export function MenusView() {
  const gadget = useDocument();
  const { menus } = gadget;
  const [params, setParams] = useSearchParams();
  const found = useFound(({ place }) => (place?.kind === 'menu' ? place.id : null));
  const foundMenu = menus.find(({ id, items }) => id === found || items.some((item) => item.id === found));
  const menu = foundMenu ?? menus.find(({ id }) => id === params.get('menu')) ?? menus[0];
  const choose = (id: string) => setParams({ view: 'menus', menu: id }, { replace: true });
  const add = () => {
    const id = nextId(gadget, 'menu');
    if (edit(addMenuEdit(gadget)) === null) choose(id);
  };
  if (!menu)
    return (
      <FirstStep action={<Button onClick={add}>Begin a menu</Button>}>
        A menu is an outline: numbers, choices and texts that are set, things that are done, submenus. Say
        with which keys it is worked; it plays at once in hand, draws itself on a display, and every row says
        how many presses and seconds it takes. States, rules and pages follow from it.
      </FirstStep>
    );
  return (
    <>
      {menus.length > 1 && (
        <div className={classes.head}>
          <SegmentedControl
            size="xs"
            aria-label="Menu"
            data={menus.map(({ id, name }) => ({ value: id, label: name }))}
            value={menu.id}
            onChange={choose}
          />
        </div>
      )}
      <OneMenu key={menu.id} menu={menu} another={add} />
    </>
  );
}

function OneMenu({ menu, another }: { menu: Menu; another: () => void }) {
  const gadget = useDocument();
  const [chosen, choose] = useState<string | null>(null);
  const figures = useMemo(() => menuFigures(gadget, menu), [gadget, menu]);
  const item = menu.items.find(({ id }) => id === chosen);
  /** New items go into the submenu that is chosen, or beside the item that is. */
  const parentId = item?.kind === 'submenu' ? item.id : (item?.parentId ?? null);
  const parent = menu.items.find(({ id }) => id === parentId);
  const add = (kind: MenuItem['kind']) => {
    const id = nextId(gadget, 'menuItem');
    begin(id);
    if (edit(addItemEdit(gadget, menu, parentId, kind)) === null) choose(id);
  };
  return (
    <>
      <div className={classes.place}>
        <div>
          <MenuSentence menu={menu} another={another} />
          <WayIn menu={menu} />
        </div>
        <Preview menu={menu} chosen={chosen} />
      </div>
      {menu.openedOut && <OpenedOut menu={menu} />}
      <div className={classes.outline}>
        <div className={classes.add} role="group" aria-label="Add an item">
          {addable.map((kind) => (
            <button
              key={kind}
              type="button"
              disabled={menu.items.length >= limits.menuItems}
              onClick={() => add(kind)}
            >
              <IconPlus size={13} aria-hidden /> {itemWords[kind]}
            </button>
          ))}
        </div>
        {parent && <p className={classes.into}>New items go into {parent.name}.</p>}
        <OutlineTable menu={menu} figures={figures} chosen={chosen} choose={choose} />
      </div>
      <Advice menu={menu} figures={figures} />
    </>
  );
}
