import {
  contactOf,
  defaultSetting,
  type Control,
  type Edit,
  type Gadget,
  type Output,
} from '@hum-lever/core';

type Fresh<T> = T extends unknown ? Omit<T, 'id'> : never;

/** The first of these keys that plays nothing yet. */
const spareKeys = ['Space', 'KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyJ', 'KeyK', 'KeyL'];

const numbered = (word: string, taken: string[]) => {
  if (!taken.includes(word)) return word;
  let n = 2;
  while (taken.includes(`${word} ${n}`)) n += 1;
  return `${word} ${n}`;
};

/** A button as one would take it out of the drawer: clean mechanical keys fire at once, then ignore. */
export function freshButton({ controls }: Gadget): Fresh<Control> {
  return {
    kind: 'button',
    name: numbered(
      'Button',
      controls.map(({ name }) => name),
    ),
    key: spareKeys.find((key) => controls.every((control) => control.key !== key)) ?? null,
    contact: contactOf('snap'),
    debounce: defaultSetting('lockout'),
    gestures: { holdUs: null, doubleWindowUs: null, repeat: null },
  };
}

const outputWords: Record<Output['kind'], string> = { light: 'Light', text: 'Display', tone: 'Sounder' };

export function freshOutput({ outputs }: Gadget, kind: Output['kind']): Fresh<Output> {
  const name = numbered(
    outputWords[kind],
    outputs.map((output) => output.name),
  );
  if (kind === 'light') return { kind, name, colour: 'amber' };
  if (kind === 'text') return { kind, name, columns: 16, rows: 2 };
  return { kind, name, lowHz: 200, highHz: 4_000 };
}

/** The parts that can be added, with the edit that adds each. */
export function addable(gadget: Gadget): { word: string; edit: Edit }[] {
  const output = (kind: Output['kind']): Edit => ({ name: 'addOutput', args: [freshOutput(gadget, kind)] });
  return [
    { word: 'Push button', edit: { name: 'addControl', args: [freshButton(gadget)] } },
    { word: 'Light', edit: output('light') },
    { word: 'Character display', edit: output('text') },
    { word: 'Piezo sounder', edit: output('tone') },
  ];
}
