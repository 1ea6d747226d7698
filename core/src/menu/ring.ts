import type { Making, NewRule } from './making.ts';
import type { Entry } from './outline.ts';
import { deed } from './questions.ts';
import { nextOption, picked, stepped } from './steps.ts';

/** Every setting is a place of its own, and one goes from one to the next. */
export function makeRing(m: Making): void {
  const { outline, menu } = m;
  const { ring } = outline;
  const idOf = (entry: Entry) => (entry.kind === 'back' ? `${menu.id}s` : `${entry.item.id}s`);
  ring.forEach((entry, at) => {
    const owner = entry.kind === 'back' ? menu : entry.item;
    const name = outline.nameOf(entry);
    const value = m.valueOf(entry);
    const shown = m.writer.value(owner.id, name, value ?? { template: '', longest: 1 });
    const next = idOf(ring[(at + 1) % ring.length]!);
    const previous = idOf(ring[(at + ring.length - 1) % ring.length]!);
    const alone = ring.length === 1;
    m.place(
      owner.id,
      's',
      entry.kind === 'back' ? `${menu.name}: ${name}` : m.pathOf(entry.item),
      m.withValue(value, shown),
      [
        ...(alone ? [] : m.stepping(`${owner.id}_next`, m.trigger('next'), [], next)),
        ...(alone ? [] : m.stepping(`${owner.id}_previous`, m.trigger('previous'), [], previous)),
        ...settingInRing(m, entry),
      ],
    );
  });
  if (ring.length === 0)
    m.place(menu.id, 's', menu.name, m.writer.value(menu.id, menu.name, { template: '', longest: 1 }), []);
}

/** What the keys for changing do to an entry of the ring. */
function settingInRing(m: Making, entry: Entry): (NewRule | null)[] {
  const more = m.trigger('more');
  const less = m.trigger('less');
  if (entry.kind === 'back') {
    const { leaveId } = m.menu;
    return [leaveId === null ? null : { id: `${m.menu.id}_back`, trigger: more, actions: [], to: leaveId }];
  }
  const { item } = entry;
  switch (item.kind) {
    case 'value':
      return [
        ...m.stepping(`${item.id}_more`, more, [
          stepped(m, item, item.variableId, 1),
          ...m.followed(item.variableId),
          ...m.settled,
        ]),
        ...m.stepping(`${item.id}_less`, less, [
          stepped(m, item, item.variableId, -1),
          ...m.followed(item.variableId),
          ...m.settled,
        ]),
      ];
    case 'choice':
      return [
        ...m.stepping(`${item.id}_more`, more, [nextOption(m, item, 1), ...m.settled]),
        ...m.stepping(`${item.id}_less`, less, [nextOption(m, item, -1), ...m.settled]),
      ];
    case 'pick':
      return [
        ...m.stepping(`${item.id}_more`, more, [picked(m, item, item.chosenId, 1), ...m.settled]),
        ...m.stepping(`${item.id}_less`, less, [picked(m, item, item.chosenId, -1), ...m.settled]),
      ];
    case 'toggle': {
      const turned = [m.setting(item.variableId, `!${item.variableId}`), ...m.settled];
      return [
        { id: `${item.id}_more`, trigger: more, actions: turned, to: null },
        { id: `${item.id}_less`, trigger: less, actions: turned, to: null },
      ];
    }
    case 'text':
      return [{ id: `${item.id}_choose`, trigger: m.trigger('choose'), actions: [], to: `${item.id}e` }];
    case 'action':
    case 'factory': {
      const trigger = m.trigger(m.outline.askingOf(item) === 'hold' ? 'sure' : 'choose');
      return [{ id: `${item.id}_choose`, trigger, actions: deed(m, item), to: null }];
    }
    case 'reading':
    case 'submenu':
      return [];
  }
}
