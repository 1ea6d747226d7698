import {
  emptyFlow,
  emptyGadget,
  menuWords,
  type Action,
  type Control,
  type Gadget,
  type Menu,
  type MenuItem,
  type MenuScheme,
  type Output,
  type Repeat,
  type SchemeRole,
  type Variable,
} from '../gadget/index.ts';
import type { Stimulus } from '../machine/index.ts';
import { repeatPausesUs } from '../gesture/index.ts';
import type { Stroke } from '../menu/index.ts';
import { button, gestures, ideal, numberVariable, partsFor, rule, setting, state } from './fixtures.ts';
import { outputOf, pageOf, textAt } from './toldGadget.ts';

/** Keys that hold and clean nothing, and a wheel: enough for every scheme. */
const roles: readonly SchemeRole[] = [
  'up', 'down', 'ok', 'back', 'push', 'button', 'next', 'page', 'change', 'left', 'right', 'less', 'more',
  'key1', 'key2', 'key3', 'key4', 'key5', 'key6',
]; // prettier-ignore

export const allKeys = Object.fromEntries([
  ...roles.map((role, at) => [role, `b${at + 1}`]),
  ['turn', 'b40'],
]) as Record<SchemeRole, string>;

export const schemeWith = (kind: MenuScheme['kind'], ...used: SchemeRole[]): MenuScheme => ({
  kind,
  keys: Object.fromEntries(used.map((role) => [role, allKeys[role]])),
});

/** One of each scheme, with all that it needs; some with what is good to have, too. */
export const everyScheme: readonly MenuScheme[] = [
  schemeWith('fourKeys', 'up', 'down', 'ok', 'back'),
  schemeWith('fourKeys', 'up', 'down', 'ok'),
  schemeWith('encoder', 'turn', 'push'),
  schemeWith('encoder', 'turn', 'push', 'back'),
  schemeWith('oneButton', 'button'),
  schemeWith('twoButtons', 'next', 'ok'),
  schemeWith('labelledKeys', 'key1', 'key2', 'key3'),
  schemeWith('labelledKeys', 'key1', 'key2', 'key3', 'key4', 'key5'),
  schemeWith('touchAreas', 'key1', 'key2', 'key3', 'key4'),
  schemeWith('cycling', 'page', 'change'),
  schemeWith('leftRight', 'left', 'right', 'less', 'more'),
];

interface Choices {
  repeat?: Repeat | null;
  faster?: { fromUs: number; most: number } | null;
  display?: Output | null;
  variables?: readonly Variable[];
  menu?: Partial<Menu>;
}

export const holdUs = 500_000;

const keys = ({ repeat = null, faster = null }: Choices): Control[] => [
  ...roles.map((role, at) =>
    button({
      id: `b${at + 1}`,
      name: role,
      key: null,
      contact: ideal as never,
      debounce: setting('none', {}),
      gestures: gestures({ holdUs, repeat }),
      wants: { purpose: 'menu', latestUs: null, wrongPerMillion: null },
    }),
  ),
  {
    id: 'b40',
    kind: 'encoder',
    name: 'turn',
    key: null,
    backKey: null,
    contact: ideal as never,
    reading: { method: 'table', countsPerStep: 4, reversed: false, faster },
  },
];

/** Variables of every kind that menus set. */
export const settings: Variable[] = [
  numberVariable({ id: 'v1', name: 'volume', min: 0, max: 10, initial: 3, unit: 'dB' }),
  numberVariable({ id: 'v2', name: 'speed', min: -100, max: 250, initial: 20 }),
  {
    id: 'v3', kind: 'choice', name: 'scale', saved: null, initialId: 'q2',
    options: ['Major', 'Minor', 'Storm'].map((name, at) => ({ id: `q${at + 1}`, name })),
  },
  { id: 'v4', kind: 'flag', name: 'drone', saved: null, initial: false },
  { id: 'v5', kind: 'text', name: 'owner', saved: null, length: 6, initial: 'Ash' },
  { id: 'v6', kind: 'texts', name: 'cues', saved: null, length: 8, initials: ['Storm', 'Sea', 'Crowd', 'Night'] },
  numberVariable({ id: 'v7', name: 'cue', min: 0, max: 3 }),
  numberVariable({ id: 'v8', name: 'sent', min: 0, max: 99 }),
]; // prettier-ignore

const place = (id: string, name: string, parentId: string | null) => ({ id, name, parentId, use: 1 });
export const item = {
  submenu: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'submenu',
  }),
  value: (
    id: string,
    name: string,
    parentId: string | null = null,
    patch: Partial<Extract<MenuItem, { kind: 'value' }>> = {},
  ): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'value',
    variableId: 'v1',
    step: 1,
    low: null,
    high: null,
    typical: null,
    format: 'plain',
    wraps: false,
    live: false,
    ...patch,
  }),
  choice: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'choice',
    variableId: 'v3',
    wraps: false,
    live: true,
  }),
  toggle: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'toggle',
    variableId: 'v4',
  }),
  text: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'text',
    variableId: 'v5',
    characters: 'abc',
  }),
  pick: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'pick',
    variableId: 'v6',
    chosenId: 'v7',
    countId: null,
  }),
  action: (
    id: string,
    name: string,
    parentId: string | null = null,
    asks: 'nothing' | 'confirm' | 'hold' = 'nothing',
  ): MenuItem => ({ ...place(id, name, parentId), kind: 'action', signalId: 'g1', asks }),
  factory: (
    id: string,
    name: string,
    parentId: string | null = null,
    asks: 'nothing' | 'confirm' | 'hold' = 'confirm',
  ): MenuItem => ({ ...place(id, name, parentId), kind: 'factory', asks }),
  reading: (id: string, name: string, parentId: string | null = null): MenuItem => ({
    ...place(id, name, parentId),
    kind: 'reading',
    variableId: 'v8',
    format: 'plain',
  }),
};

/** One of every kind of item, on two levels. */
export const everyItem: readonly MenuItem[] = [
  item.submenu('i1', 'Sound'),
  item.value('i2', 'Volume', 'i1'),
  item.choice('i3', 'Scale', 'i1'),
  item.toggle('i4', 'Drone', 'i1'),
  item.pick('i5', 'Cue'),
  item.text('i6', 'Owner'),
  item.action('i7', 'Send', null, 'nothing'),
  item.action('i8', 'Forget', null, 'confirm'),
  item.action('i9', 'Wipe', null, 'hold'),
  item.reading('i10', 'Sent'),
  item.factory('i11', 'As new'),
];

/** Begins in its menu; leaving leads to Home, and the first key back in. A signal counts what was sent. */
export function menuGadget(scheme: MenuScheme, items: readonly MenuItem[], choices: Choices = {}): Gadget {
  const { display = outputOf('screen', 'Glass'), variables = settings } = choices;
  const controls = keys(choices);
  const outputs = display ? [display] : [];
  const paged = display?.kind === 'screen';
  const homeShown: Action[] = paged
    ? [{ kind: 'showPage', outputId: 'o1', pageId: 'n1' }]
    : display
      ? [{ kind: 'text', outputId: 'o1', row: 0, text: 'Home' }]
      : [];
  return {
    ...emptyGadget('Menus'),
    controls,
    outputs,
    parts: partsFor({ controls, outputs }),
    pages: paged ? [pageOf([textAt('Home')], 'n1', 'Home')] : [],
    menus: [
      {
        id: 'u1',
        name: 'Settings',
        stateId: 's2',
        leaveId: 's1',
        outputId: display?.id ?? null,
        scheme,
        wraps: false,
        remembers: false,
        idle: null,
        saves: 'never',
        words: menuWords,
        interval: null,
        openedOut: false,
        items: [...items],
        ...choices.menu,
      },
    ],
    flow: {
      ...emptyFlow(),
      variables: [...variables],
      signals: [{ id: 'g1', name: 'Sent' }],
      initialId: 's2',
      states: [
        state('s1', {
          name: 'Home',
          entry: homeShown,
          rules: [
            rule('r1', {
              trigger: { kind: 'gesture', controlId: 'b1', gesture: 'press' },
              targetIds: ['s2'],
            }),
          ],
        }),
        state('s2', {
          name: 'Menu',
          rules: [
            rule('r2', {
              trigger: { kind: 'signal', signalId: 'g1' },
              actions: [{ kind: 'set', variableId: 'v8', index: null, value: 'v8 + 1' }],
            }),
          ],
        }),
      ],
    },
  };
}

/** What hands do for these strokes, one after the other, and how often a finger came down or a wheel moved on. */
export function playedBy(
  gadget: Gadget,
  strokes: readonly Stroke[],
  fromUs: number,
): { stimuli: Stimulus[]; endUs: number; presses: number } {
  const stimuli: Stimulus[] = [];
  let atUs = fromUs;
  let presses = 0;
  const { keys: played } = gadget.menus[0]!.scheme;
  const press = (controlId: string, lengthUs: number) => {
    stimuli.push({ atUs, controlId, what: 'down' }, { atUs: atUs + lengthUs, controlId, what: 'up' });
    atUs += lengthUs + 150_000;
    presses += 1;
  };
  strokes.forEach(({ role, how, times, gapUs, keptDown }, n) => {
    const controlId = played[role]!;
    const control = gadget.controls.find(({ id }) => id === controlId)!;
    if (times === 0) return;
    if (control.kind === 'encoder') {
      const sign = how === 'up' ? 1 : -1;
      // The detent before quick ones is as quick as they are.
      const next = strokes[n + 1];
      const joins = gapUs === undefined && next?.gapUs !== undefined && times === 1;
      if (joins) return;
      const detents = gapUs === undefined ? times : times + 1;
      presses += detents;
      if (gapUs !== undefined) {
        stimuli.push({ atUs, controlId, what: 'turn', detents: sign * detents, overUs: gapUs * detents });
        atUs += gapUs * detents + 300_000;
      } else
        for (let one = 0; one < detents; one += 1) {
          stimuli.push({ atUs, controlId, what: 'turn', detents: sign, overUs: 40_000 });
          atUs += 200_000;
        }
      return;
    }
    if (keptDown) {
      const { repeat } = (control as Extract<Control, { kind: 'button' }>).gestures;
      press(controlId, repeatPausesUs(repeat!, times - 1) + Math.floor(repeat!.fastestUs / 2));
    } else
      for (let one = 0; one < times; one += 1) press(controlId, how === 'hold' ? holdUs + 60_000 : 80_000);
  });
  return { stimuli, endUs: atUs + 400_000, presses };
}
