import type { Action, MenuItem, MenuItemOf } from '../gadget/index.ts';
import { wordOf, type Making } from './making.ts';
import { madeId, type Outline } from './outline.ts';
import { labelledRoles } from './scheme.ts';
import { literal, namesVariable } from './shown.ts';

/** What an action does: the flow hears its signal; a new beginning sets all that the menu sets. */
export function deed(m: Making, item: MenuItem): Action[] {
  if (item.kind === 'action') return [{ kind: 'raise', signalId: item.signalId, delay: null }];
  const seen = new Set<string>();
  const anew = m.outline.leaves.flatMap((one): Action[] => {
    if (!('variableId' in one) || one.kind === 'reading') return [];
    const id = one.kind === 'pick' ? one.chosenId : one.variableId;
    if (seen.has(id)) return [];
    seen.add(id);
    const variable = m.outline.variable(id);
    switch (variable.kind) {
      case 'number':
        return [m.setting(id, String(variable.initial))];
      case 'flag':
        return [m.setting(id, variable.initial ? '1' : '0')];
      case 'choice':
        return [m.setting(id, `${id}.${variable.initialId}`)];
      case 'text':
        return [{ kind: 'setText', variableId: id, index: null, text: literal(variable.initial) }];
      default:
        return [];
    }
  });
  return [...anew, ...m.followsAnew, ...m.settled];
}

/** Whether it is meant: one stands on the answer that does nothing. Held instead, it needs no cursor. */
export function makeQuestion(m: Making, item: MenuItemOf<'action' | 'factory'>): void {
  const { outline, menu } = m;
  const { yes, no } = menu.words;
  const home = m.homeOf(item.parentId);
  const deeds = deed(m, item);
  const answer = madeId(item, 'y');
  const name = `${m.pathOf(item)}?`;
  if (outline.scheme.style === 'labelled') {
    makeLabelledQuestion(m, item, name, deeds, home);
    return;
  }
  m.counter(answer, `${wordOf(item.name)}_answer_${item.id}`, 1, true);
  const names = namesVariable(madeId(item, 't'), `${wordOf(item.name)}_answers_${item.id}`, [no, yes]);
  const held = outline.askingOf(item) === 'hold';
  const shown = held
    ? m.writer.value(item.id, `${item.name}?`, {
        template: menu.words.hold,
        longest: menu.words.hold.length,
      })
    : m.writer.list(item.id, `${item.name}?`, { id: names.id, texts: [no, yes] }, [null, null], answer);
  const move = [m.setting(answer, `!${answer}`)];
  m.place(item.id, 'c', name, held ? shown : { ...shown, variables: [names, ...shown.variables] }, [
    held ? null : { id: `${item.id}_turn`, trigger: m.trigger('next'), actions: move, to: null },
    held ? null : { id: `${item.id}_turn_back`, trigger: m.trigger('previous'), actions: move, to: null },
    held
      ? { id: `${item.id}_yes`, trigger: m.trigger('sure'), actions: deeds, to: home }
      : {
          id: `${item.id}_yes`,
          trigger: m.trigger('choose'),
          guard: `${answer} == 1`,
          actions: deeds,
          to: home,
        },
    { id: `${item.id}_no`, trigger: m.trigger('choose'), actions: [], to: home },
    { id: `${item.id}_back`, trigger: m.trigger('back'), actions: [], to: home },
  ]);
  // Asked again, one stands on No again.
  m.states.at(-1)!.exit = [m.setting(answer, '0')];
}

/** Yes is never beside the key that asked: pressed twice, that key says no. */
function makeLabelledQuestion(
  m: Making,
  item: MenuItemOf<'action' | 'factory'>,
  name: string,
  deeds: readonly Action[],
  home: string,
): void {
  const { outline, menu } = m;
  const { yes, no } = menu.words;
  const roles = labelledRoles(menu.scheme);
  const yesAt = questionKeys(outline, item).yes;
  const labels = roles.map((_, at) => ({
    name:
      at === yesAt ? `${yes}: ${item.name}` : at === 0 || (yesAt === 0 && at === roles.length - 1) ? no : '',
    value: null,
  }));
  m.place(
    item.id,
    'c',
    name,
    m.writer.labels(item.id, `${item.name}?`, [labels], null),
    roles.map((role, at) => ({
      id: `${item.id}_${at === yesAt ? 'yes' : `no${at}`}`,
      trigger: m.triggerOf({ role, how: 'tap' }),
      actions: at === yesAt ? deeds : [],
      to: home,
    })),
  );
}

/** Which of the labelled keys says yes. */
export function questionKeys(outline: Outline, item: MenuItem): { yes: number } {
  const { slot } = outline.slotOf(item);
  const last = outline.slots - 1;
  return { yes: slot === last ? 0 : last };
}
