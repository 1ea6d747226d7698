import {
  blankState,
  type Action,
  type MenuItem,
  type OpenedOut,
  type Rule,
  type Trigger,
} from '../gadget/index.ts';
import { displayGlow } from '../parts/index.ts';
import { makeLabels, makeList } from './lists.ts';
import { Making } from './making.ts';
import type { Outline } from './outline.ts';
import { makeQuestion } from './questions.ts';
import { makeRing } from './ring.ts';
import { makeChoosing, makeEdit, makeReading } from './settings.ts';
import type { Shown } from './shown.ts';
import { makeText } from './spelling.ts';

/** All of it. */
function make(m: Making): void {
  const { outline, menu } = m;
  const style = outline.scheme.style;
  const begins = style === 'ring' ? (outline.ring[0] ?? null) : null;
  const home =
    style !== 'ring' ? `${menu.id}s` : begins?.kind === 'item' ? `${begins.item.id}s` : `${menu.id}s`;
  container(m, home);
  if (style === 'ring') makeRing(m);
  else
    for (const listId of [null, ...outline.submenus.map(({ id }) => id)])
      if (style === 'cursor') makeList(m, listId);
      else makeLabels(m, listId);
  for (const item of outline.leaves) makeItem(m, item);
  if (menu.idle?.leads === 'off') makeDark(m);
}

function container(m: Making, home: string): void {
  const { menu } = m;
  const { id, idle, saves } = menu;
  const rules: Rule[] = [];
  m.states.push({
    ...blankState(),
    id: `${id}h`,
    name: menu.name,
    parentId: menu.stateId,
    initial: { targetIds: [home], actions: [] },
    exit: [
      ...(saves === 'leaving' ? [{ kind: 'save' } as const] : []),
      ...(idle ? [{ kind: 'stop', timerId: `${id}m` } as const] : []),
      ...m.leavingAll,
      ...m.writer.leave,
    ],
    rules,
  });
  const to = m.idleTarget;
  if (to !== null)
    rules.push({
      id: `${id}_idle`,
      trigger: { kind: 'timer', timerId: `${id}m` },
      guard: null,
      actions: [],
      targetIds: [to],
      internal: false,
    });
}

/** Dark until a key is pressed, and that press does nothing else. */
function makeDark(m: Making): void {
  const { menu } = m;
  const controls = new Set(Object.values(menu.scheme.keys));
  const wakes = [...controls].flatMap((controlId): Trigger[] => {
    const control = m.outline.gadget.controls.find(({ id }) => id === controlId);
    const gestures =
      control?.kind === 'encoder'
        ? (['up', 'down'] as const)
        : // Where its tap or hold means something, being let go of must not say it again.
          m.heldToo.has(controlId)
          ? (['tap', 'hold'] as const)
          : (['press'] as const);
    return gestures.map((gesture) => ({ kind: 'gesture', controlId, gesture }));
  });
  const dark: Shown = { entry: m.writer.dark, changed: [], pages: [], variables: [] };
  m.place(
    menu.id,
    'z',
    `${menu.name}: dark`,
    dark,
    wakes.map((trigger, n) => ({ id: `${menu.id}_wake${n}`, trigger, actions: [], to: m.home })),
  );
  // Nobody is there: it stays dark, and so does the light that the display has, where that can be told.
  const { outputId } = menu;
  const glow = outputId === null ? null : displayGlow(m.outline.gadget, outputId);
  const light = (percent: string): Action[] =>
    outputId !== null && glow && glow.how !== 'always' ? [{ kind: 'level', outputId, percent }] : [];
  const asleep = m.states.at(-1)!;
  asleep.entry = [...m.writer.dark, ...light('0')];
  asleep.exit = [...light('100'), ...asleep.exit];
}

/** The places that an item has besides its line in a list. */
function makeItem(m: Making, item: MenuItem): void {
  const ring = m.outline.scheme.style === 'ring';
  switch (item.kind) {
    case 'value':
    case 'pick':
      if (!ring) makeEdit(m, item);
      return;
    case 'choice':
      if (!ring) makeChoosing(m, item);
      return;
    case 'text':
      makeText(m, item);
      return;
    case 'reading':
      if (!ring) makeReading(m, item);
      return;
    case 'action':
    case 'factory':
      if (!ring && m.outline.askingOf(item) !== 'nothing') makeQuestion(m, item);
      return;
    case 'toggle':
    case 'submenu':
  }
}

/** What a menu comes to in the flow. */
export function makeMenu(outline: Outline): OpenedOut {
  const making = new Making(outline);
  make(making);
  return making.made;
}
