import type { Action, MenuItemOf } from '../gadget/index.ts';
import { wordOf, type Making } from './making.ts';
import { madeId } from './outline.ts';
import { editKeys, timedOut } from './settings.ts';
import { namesVariable } from './shown.ts';

/** A text, put together from characters that are offered one after the other; behind them stand delete and done. */
export function makeText(m: Making, item: MenuItemOf<'text'>): void {
  const { outline } = m;
  const offered = [...item.characters];
  const wheel = madeId(item, 'v');
  const old = madeId(item, 'o');
  const letters = madeId(item, 'w');
  m.counter(wheel, `${wordOf(item.name)}_letter_${item.id}`, offered.length + 1, true);
  const text = outline.variable(item.variableId);
  const common = { kind: 'text' as const, saved: null, initial: '' };
  const length = text.kind === 'text' ? text.length : 1;
  m.add({ ...common, id: old, name: `${wordOf(item.name)}_old_${item.id}`, length });
  m.add(
    namesVariable(letters, `${wordOf(item.name)}_letters_${item.id}`, [
      ...offered,
      '<',
      outline.menu.words.done,
    ]),
  );
  const ring = outline.scheme.style === 'ring';
  const home = ring ? `${item.id}s` : m.homeOf(item.parentId);
  const shown = m.writer.value(
    ring ? `${item.id}e` : item.id,
    item.name,
    { template: `{${item.variableId}}`, longest: length },
    { template: `{${letters}[${wheel}]}`, longest: [...outline.menu.words.done].length },
  );
  const keys = ring
    ? {
        more: m.trigger('more'),
        less: m.trigger('less'),
        done: m.trigger('choose'),
        cancel: m.trigger('cancel'),
      }
    : editKeys(m);
  // Round the ring one key turns pages, and the other changes: here it turns letters, and takes one.
  const turning = ring && !m.trigger('less');
  const more = turning ? m.trigger('next') : keys.more;
  const done = turning ? keys.more : ring ? m.trigger('next') : keys.done;
  const back: Action[] = [{ kind: 'setText', variableId: item.variableId, index: null, text: `{${old}}` }];
  const fresh: Action[] = [
    m.setting(wheel, '0'),
    { kind: 'setText', variableId: old, index: null, text: '' },
  ];
  const place = ring ? 'e' : 's';
  m.place(
    item.id,
    place,
    m.pathOf(item),
    shown,
    [
      ...m.stepping(`${item.id}_letter`, more, [m.setting(wheel, `${wheel} + 1`)]),
      ...m.stepping(`${item.id}_before`, keys.less, [m.setting(wheel, `${wheel} - 1`)]),
      {
        id: `${item.id}_shorten`,
        trigger: done,
        guard: `${wheel} == ${offered.length}`,
        actions: [{ kind: 'shorten', variableId: item.variableId, index: null, by: '1' }],
        to: null,
      },
      {
        id: `${item.id}_done`,
        trigger: done,
        guard: `${wheel} > ${offered.length}`,
        actions: [...m.settled, ...fresh],
        to: home,
      },
      {
        id: `${item.id}_take`,
        trigger: done,
        actions: [
          { kind: 'append', variableId: item.variableId, index: null, text: `{${letters}[${wheel}]}` },
        ],
        to: null,
      },
      { id: `${item.id}_cancel`, trigger: keys.cancel, actions: [...back, ...fresh], to: home },
      timedOut(m, item, [...back, ...fresh]),
    ],
    [{ kind: 'setText', variableId: old, index: null, text: `{${item.variableId}}` }, m.setting(wheel, '0')],
  );
}
