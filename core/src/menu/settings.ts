import { variableStart, type Action, type MenuItemOf, type Trigger, type Variable } from '../gadget/index.ts';
import { wordOf, type Making, type NewRule } from './making.ts';
import { madeId } from './outline.ts';
import { valueText } from './shown.ts';
import { numberOf, optionOf, optionsOf, picked, stepped } from './steps.ts';

/** A choice that is being made: by a number that becomes the choice at once, or once it is confirmed. */
export function makeChoosing(m: Making, item: MenuItemOf<'choice'>): void {
  const { outline } = m;
  const place = madeId(item, 'v');
  const old = madeId(item, 'o');
  const { id, options } = optionsOf(m, item);
  const word = wordOf(item.name);
  m.counter(place, `${word}_new_${item.id}`, options.length - 1, outline.valuesGoRound(item));
  if (item.live) m.counter(old, `${word}_old_${item.id}`, options.length - 1, false);
  const value = valueText(outline, item, place)!;
  const fresh = [place, ...(item.live ? [old] : [])].map((one) => m.setting(one, '0'));
  const become = (number: string) => m.setting(id, optionOf(m, item, number));
  const step = (way: '+' | '-') => [
    m.setting(place, `${place} ${way} 1`),
    ...(item.live ? [become(place)] : []),
  ];
  m.place(
    item.id,
    's',
    m.pathOf(item),
    m.withValue(value, m.writer.value(item.id, item.name, value)),
    editing(
      m,
      item,
      step('+'),
      step('-'),
      [...(item.live ? [] : [become(place)]), ...m.settled, ...fresh],
      [...(item.live ? [become(old)] : []), ...fresh],
      m.homeOf(item.parentId),
    ),
    [m.setting(place, numberOf(m, item)), ...(item.live ? [m.setting(old, place)] : [])],
  );
}

/** A value that is being set: on a copy, unless it takes effect at once. */
export function makeEdit(m: Making, item: MenuItemOf<'value' | 'pick'>): void {
  const { outline } = m;
  const target = item.kind === 'pick' ? item.chosenId : item.variableId;
  // What others follow takes effect once it is confirmed: taking it back would not bring them back.
  const followed = m.followed(target);
  const live = item.kind === 'value' && item.live && followed.length === 0;
  const copy = madeId(item, 'v');
  m.add({ ...copyOf(m, target), id: copy, name: `${wordOf(item.name)}_new_${item.id}`, saved: null });
  const [shownId, enter, done, cancel] = live
    ? [target, [m.setting(copy, target)], [], [m.setting(target, copy)]]
    : [copy, [m.setting(copy, target)], [m.setting(target, copy)], []];
  const fresh = m.setting(copy, String(variableStart(copyOf(m, target))));
  const value = valueText(outline, item, shownId)!;
  const shown = m.writer.value(item.id, item.name, value);
  const step = (way: 1 | -1) =>
    item.kind === 'pick' ? picked(m, item, shownId, way) : stepped(m, item, shownId, way);
  const home = m.homeOf(item.parentId);
  m.place(
    item.id,
    's',
    m.pathOf(item),
    m.withValue(value, shown),
    editing(
      m,
      item,
      [step(1)],
      [step(-1)],
      [...done, ...followed, ...m.settled, fresh],
      [...cancel, fresh],
      home,
    ),
    enter,
  );
}

/** A plain number of the same range. */
function copyOf(m: Making, id: string): Variable {
  const variable = m.outline.variable(id);
  const common = {
    id,
    name: '',
    saved: null,
    kind: 'number' as const,
    unit: '',
    overflow: 'hold' as const,
  };
  switch (variable.kind) {
    case 'number':
      return { ...common, initial: variable.initial, min: variable.min, max: variable.max };
    default:
      return { ...common, initial: 0, min: 0, max: 0 };
  }
}

/** The keys while something is being set. */
function editing(
  m: Making,
  item: { id: string },
  more: readonly Action[],
  less: readonly Action[],
  done: readonly Action[],
  cancel: readonly Action[],
  home: string,
): (NewRule | null)[] {
  const keys = editKeys(m);
  return [
    ...m.stepping(`${item.id}_more`, keys.more, more),
    ...m.stepping(`${item.id}_less`, keys.less, less),
    { id: `${item.id}_done`, trigger: keys.done, actions: done, to: home },
    { id: `${item.id}_cancel`, trigger: keys.cancel, actions: cancel, to: home },
    timedOut(m, item, cancel),
  ];
}

/** An edit that nobody finishes is dropped where the menu says so: what took effect already is taken back. */
export function timedOut(m: Making, item: { id: string }, cancel: readonly Action[]): NewRule | null {
  const { id, idle } = m.menu;
  const to = m.idleTarget;
  if (to === null || idle?.edits !== 'drop') return null;
  return {
    id: `${item.id}_idle`,
    trigger: { kind: 'timer', timerId: `${id}m` },
    actions: idle.leads === 'leave' ? cancel : [...cancel, ...m.leavingAll],
    to,
  };
}

export function editKeys(m: Making): Record<'more' | 'less' | 'done' | 'cancel', Trigger | null> {
  const { more, less, done, cancel } = m.outline.editCommands;
  return {
    more: m.triggerOf(more),
    less: m.triggerOf(less),
    done: m.triggerOf(done),
    cancel: m.triggerOf(cancel),
  };
}

export function makeReading(m: Making, item: MenuItemOf<'reading'>): void {
  const value = valueText(m.outline, item)!;
  const shown = m.writer.value(item.id, item.name, value);
  const home = m.homeOf(item.parentId);
  const { done, cancel } = editKeys(m);
  m.place(item.id, 's', m.pathOf(item), m.withValue(value, shown), [
    { id: `${item.id}_done`, trigger: done, actions: [], to: home },
    { id: `${item.id}_cancel`, trigger: cancel, actions: [], to: home },
  ]);
}
