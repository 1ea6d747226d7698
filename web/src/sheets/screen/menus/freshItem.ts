import {
  nextId,
  nextIds,
  variablesFor,
  type Edit,
  type Gadget,
  type Menu,
  type MenuItem,
  type NewMenuItem,
  type SingleEdit,
  type Variable,
} from '@hum-lever/core';

type FreshVariable = Variable extends infer V ? (V extends Variable ? Omit<V, 'id'> : never) : never;

/** What an item of each kind is called before its maker names it, and its value. */
const stems: Record<MenuItem['kind'], { name: string; word: string }> = {
  submenu: { name: 'More', word: '' },
  value: { name: 'Level', word: 'level' },
  choice: { name: 'Mode', word: 'mode' },
  toggle: { name: 'Quiet', word: 'quiet' },
  text: { name: 'Name', word: 'name' },
  pick: { name: 'Pick', word: 'picked' },
  action: { name: 'Begin', word: 'begin' },
  reading: { name: 'Now', word: 'now' },
  factory: { name: 'As new', word: '' },
};

/** The same with a number behind it, where it is taken. */
function untaken(stem: string, taken: readonly string[], gap = ''): string {
  if (!taken.includes(stem)) return stem;
  let n = 2;
  while (taken.includes(`${stem}${gap}${n}`)) n += 1;
  return `${stem}${gap}${n}`;
}

const shownName = (word: string): string =>
  `${word.charAt(0).toUpperCase()}${word.slice(1).replaceAll('_', ' ')}`;

function freshVariable(kind: Variable['kind'], name: string, options: readonly string[]): FreshVariable {
  const common = { name, saved: null };
  switch (kind) {
    case 'flag':
      return { kind, ...common, initial: false };
    case 'choice':
      return {
        kind,
        ...common,
        options: options.map((id, n) => ({ id, name: ['Low', 'Middle', 'High'][n]! })),
        initialId: options[0]!,
      };
    case 'text':
      return { kind, ...common, initial: '', length: 12 };
    case 'texts':
      return { kind, ...common, initials: ['Storm', 'Sea', 'Crowd'], length: 12 };
    default:
      return { kind: 'number', ...common, initial: 5, min: 0, max: 10, overflow: 'hold', unit: '' };
  }
}

/** Adds an item, about a value that no item of the menu is about yet, or about a new one. */
export function addItemEdit(
  gadget: Gadget,
  menu: Menu,
  parentId: string | null,
  kind: MenuItem['kind'],
): Edit {
  const { variables, signals } = gadget.flow;
  const used = new Set(
    menu.items.flatMap((item) => [
      ...('variableId' in item ? [item.variableId] : []),
      ...('chosenId' in item ? [item.chosenId] : []),
    ]),
  );
  const before: SingleEdit[] = [];
  let made = 0;
  const numbered = (id: string) => `${id.charAt(0)}${Number(id.slice(1)) + made++}`;
  const variableOf = (kinds: readonly Variable['kind'][], word: string): { id: string; name: string } => {
    const free = variables.find((variable) => kinds.includes(variable.kind) && !used.has(variable.id));
    if (free) {
      used.add(free.id);
      return free;
    }
    const name = untaken(
      word,
      variables.map((variable) => variable.name),
    );
    const id = numbered(nextId(gadget, 'variable'));
    before.push({
      name: 'addVariable',
      args: [freshVariable(kinds[0]!, name, nextIds(gadget, 'option', 3))],
    });
    return { id, name };
  };
  const names = menu.items.map(({ name }) => name);
  const common = (name: string) => ({ name: untaken(name, names, ' '), use: 1 });
  const { name: usual, word } = stems[kind];
  const add = (item: NewMenuItem): Edit => {
    const edit: SingleEdit = { name: 'addMenuItem', args: [menu.id, parentId, item] };
    return before.length === 0 ? edit : { name: 'several', args: [[...before, edit]] };
  };
  switch (kind) {
    case 'submenu':
      return add({ kind, ...common(usual) });
    case 'factory':
      return add({ kind, ...common(usual), asks: 'confirm' });
    case 'action': {
      const taken = new Set(menu.items.flatMap((item) => (item.kind === 'action' ? [item.signalId] : [])));
      const free = signals.find(({ id }) => !taken.has(id));
      if (free) return add({ kind, ...common(free.name), signalId: free.id, asks: 'nothing' });
      const name = untaken(
        usual,
        signals.map((signal) => signal.name),
        ' ',
      );
      const signalId = nextId(gadget, 'signal');
      before.push({ name: 'addSignal', args: [name] });
      return add({ kind, ...common(name), signalId, asks: 'nothing' });
    }
    case 'pick': {
      const texts = variableOf(['texts'], 'texts');
      const chosen = variableOf(['number'], word);
      return add({ kind, ...common(usual), variableId: texts.id, chosenId: chosen.id, countId: null });
    }
    default: {
      const { id: variableId, name } = variableOf(variablesFor(kind), word);
      const about = { ...common(shownName(name)), variableId };
      switch (kind) {
        case 'value':
          return add({
            kind,
            ...about,
            step: 1,
            low: null,
            high: null,
            typical: null,
            format: 'plain',
            wraps: false,
            live: true,
          });
        case 'choice':
          return add({ kind, ...about, wraps: true, live: true });
        case 'text':
          return add({ kind, ...about, characters: 'abcdefghijklmnopqrstuvwxyz 0123456789' });
        case 'reading':
          return add({ kind, ...about, format: 'plain' });
        default:
          return add({ kind, ...about });
      }
    }
  }
}
