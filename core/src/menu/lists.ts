import type { Action } from '../gadget/index.ts';
import type { Making, NewRule } from './making.ts';
import { wordOf } from './making.ts';
import { madeId, type Entry } from './outline.ts';
import { deed } from './questions.ts';
import { labelledRoles } from './scheme.ts';
import { namesVariable } from './shown.ts';

/** What choosing an entry does, and where it leads; null: it stays. */
function choosing(
  m: Making,
  entry: Entry,
  parentId: string | null,
): { actions: Action[]; to: string | null } {
  const { outline } = m;
  if (entry.kind === 'back') return goingBack(m, parentId);
  const { item } = entry;
  switch (item.kind) {
    case 'toggle':
      return {
        actions: [m.setting(item.variableId, `!${item.variableId}`), ...m.settled],
        to: null,
      };
    case 'action':
    case 'factory':
      return outline.askingOf(item) === 'nothing'
        ? { actions: deed(m, item), to: null }
        : { actions: [], to: `${item.id}c` };
    default:
      return { actions: [], to: `${item.id}s` };
  }
}

function goingBack(m: Making, parentId: string | null): { actions: Action[]; to: string | null } {
  // Leaving the menu does that for all of it.
  if (parentId === null) return { actions: [], to: m.menu.leaveId };
  const around = m.outline.item(parentId)!;
  // Going back, one stands where one went in from.
  return { actions: m.leaving(parentId), to: m.homeOf(around.parentId) };
}

export function makeList(m: Making, parentId: string | null): void {
  const { outline, menu } = m;
  const owner = parentId === null ? menu : outline.item(parentId)!;
  const entries = outline.entriesIn(parentId);
  const cursor = madeId(owner, 'v');
  m.counter(cursor, `${wordOf(owner.name)}_row_${owner.id}`, entries.length - 1, outline.goesRound);
  const texts = entries.map((entry) => outline.nameOf(entry));
  const names = namesVariable(
    madeId(owner, 't'),
    `${wordOf(owner.name)}_rows_${owner.id}`,
    texts.length > 0 ? texts : [''],
  );
  const values = entries.map((entry) => m.valueOf(entry));
  const shown = m.writer.list(owner.id, owner.name, { id: names.id, texts }, values, cursor);
  const choose = m.trigger('choose');
  const back = m.trigger('back');
  const led = goingBack(m, parentId);
  m.place(
    owner.id,
    's',
    m.pathOf(owner),
    {
      ...shown,
      variables: [names, ...values.flatMap((value) => value?.variables ?? []), ...shown.variables],
    },
    [
      ...m.stepping(`${owner.id}_next`, m.trigger('next'), [m.setting(cursor, `${cursor} + 1`)]),
      ...m.stepping(`${owner.id}_previous`, m.trigger('previous'), [m.setting(cursor, `${cursor} - 1`)]),
      ...entries.map((entry, at): NewRule => ({
        id: entry.kind === 'back' ? `${owner.id}_back` : `${entry.item.id}_choose`,
        trigger: choose,
        guard: `${cursor} == ${at}`,
        ...choosing(m, entry, parentId),
      })),
      back && led.to !== null ? { id: `${owner.id}_back`, trigger: back, ...led } : null,
    ],
  );
}

export function makeLabels(m: Making, parentId: string | null): void {
  const { outline, menu } = m;
  const owner = parentId === null ? menu : outline.item(parentId)!;
  const pages = outline.labelPages(outline.entriesIn(parentId));
  const several = pages.length > 1;
  const page = several ? madeId(owner, 'v') : null;
  if (page !== null) m.counter(page, `${wordOf(owner.name)}_page_${owner.id}`, pages.length - 1, true);
  const roles = labelledRoles(menu.scheme);
  const labels = pages.map((entries) => [
    ...entries.map((entry) => ({ name: outline.nameOf(entry), value: m.valueOf(entry) })),
    ...(several
      ? [
          // The key that turns pages is always the last.
          ...Array.from({ length: roles.length - 1 - entries.length }, () => ({ name: '', value: null })),
          { name: menu.words.more, value: null },
        ]
      : []),
  ]);
  const shown = m.writer.labels(owner.id, owner.name, labels, page);
  const variables = labels.flat().flatMap(({ value }) => value?.variables ?? []);
  m.place(owner.id, 's', m.pathOf(owner), { ...shown, variables: [...variables, ...shown.variables] }, [
    ...pages.flatMap((entries, p) =>
      entries.map((entry, at): NewRule => ({
        id: entry.kind === 'back' ? `${owner.id}_back` : `${entry.item.id}_choose`,
        trigger: m.triggerOf({ role: roles[at]!, how: 'tap' }),
        guard: page === null ? null : `${page} == ${p}`,
        ...choosing(m, entry, parentId),
      })),
    ),
    page === null
      ? null
      : {
          id: `${owner.id}_more`,
          trigger: m.triggerOf({ role: roles.at(-1)!, how: 'tap' }),
          actions: [m.setting(page, `${page} + 1`)],
          to: null,
        },
  ]);
}
