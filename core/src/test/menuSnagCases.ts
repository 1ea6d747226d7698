import type { Gadget, Snag, Task } from '../gadget/index.ts';
import { rule, state } from './fixtures.ts';
import { item, menuGadget, schemeWith } from './menuCases.ts';

const keys = schemeWith('fourKeys', 'up', 'down', 'ok', 'back');

/** Louder than it begins, within so many presses and µs. */
export const louder = (budgetPresses: number | null, budgetUs: number | null): Task => ({
  id: 't1',
  name: 'Louder',
  startStateId: null,
  goalStateId: null,
  doneWhen: 'v1 > 3',
  budgetPresses,
  budgetUs,
  circumstances: [],
});
export const withTask = (gadget: Gadget, task: Task): Gadget => ({
  ...gadget,
  brief: { ...gadget.brief, tasks: [task] },
});

/** Volume under two submenus: OK, OK, OK to open it, one step up, OK: five presses. */
export const deep = (): Gadget =>
  menuGadget(keys, [
    item.submenu('i1', 'Sound'),
    item.submenu('i2', 'Level', 'i1'),
    item.value('i3', 'Volume', 'i2'),
    item.toggle('i4', 'Drone'),
  ]);

/** A question that the key that asks answers as well; marked for what they are. */
function asking(yes: 'press' | 'hold', controlId = 'b1'): Gadget {
  const gadget = menuGadget(keys, []);
  const states = [
    state('s1', {
      name: 'Home',
      rules: [
        rule('r1', { trigger: { kind: 'gesture', controlId: 'b1', gesture: 'press' }, targetIds: ['s2'] }),
      ],
    }),
    state('s2', {
      name: 'Sure?',
      rules: [
        rule('r2', { trigger: { kind: 'gesture', controlId, gesture: yes }, targetIds: ['s3'] }),
        rule('r3', { trigger: { kind: 'gesture', controlId: 'b2', gesture: 'press' }, targetIds: ['s1'] }),
      ],
    }),
    state('s3', { name: 'Wiped' }),
  ];
  return {
    ...gadget,
    menus: [],
    flow: {
      ...gadget.flow,
      states,
      initialId: 's1',
      marks: [
        { placeId: 's2', means: 'asks' },
        { placeId: 's3', means: 'lasting' },
      ],
    },
  };
}
export const answeredByOther = (): Gadget => asking('press', 'b3');
export const answeredByHold = (): Gadget => asking('hold');

/** Rule, a gadget that has the snag, part of what it says, and whether its mend must clear it. */
export const menuSnagCases: [string, string, Gadget, Partial<Snag>, boolean][] = [
  [
    'S05',
    'a setting deeper than its task allows',
    withTask(deep(), louder(4, null)),
    {
      level: 'likely',
      place: { kind: 'menu', id: 'i3' },
      // Think, OK three times; think, up; think, OK. Source: reckoning, Contact, debounce, gesture.
      values: {
        item: 'Volume',
        menu: 'Settings',
        task: 'Louder',
        presses: 5,
        timeUs: 3 * 1_350_000 + 5 * 280_000,
        budgetPresses: 4,
        budgetUs: -1,
      },
    },
    true,
  ],
  [
    'S05',
    'a setting that takes longer than its task allows',
    withTask(deep(), louder(null, 5_400_000)),
    { place: { kind: 'menu', id: 'i3' } },
    true,
  ],
  [
    'S13',
    'a menu that no state is in',
    menuGadget(keys, [item.toggle('i1', 'Drone')], { menu: { stateId: null } }),
    { place: { kind: 'menu', id: 'u1' }, values: { menu: 'Settings', reason: 'nowhere' } },
    false,
  ],
  [
    'S13',
    'a menu without a key that its scheme needs',
    menuGadget(schemeWith('fourKeys', 'up', 'ok'), [item.toggle('i1', 'Drone')]),
    { values: { menu: 'Settings', reason: 'keys', scheme: 'fourKeys', roles: 'down' } },
    true,
  ],
  [
    'S13',
    'a submenu with nothing in it',
    menuGadget(keys, [item.submenu('i1', 'Sound'), item.toggle('i2', 'Drone')]),
    { place: { kind: 'menu', id: 'i1' }, values: { menu: 'Settings', reason: 'empty', item: 'Sound' } },
    true,
  ],
  [
    'S13',
    'a value that no number of steps leads to',
    // 3, 6, 9, 10 and 7, 4, 1, 0: never 5.
    menuGadget(keys, [item.value('i1', 'Volume', null, { step: 3, typical: 5 })]),
    {
      place: { kind: 'menu', id: 'i1' },
      values: { menu: 'Settings', reason: 'steps', item: 'Volume', value: 5, step: 3, from: 3 },
    },
    true,
  ],
  [
    'S14',
    'a question that its own key says yes to',
    asking('press'),
    { place: { kind: 'rule', id: 'r2' }, values: { state: 'Sure?', control: 'up' } },
    true,
  ],
];
