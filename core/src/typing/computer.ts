import { arrowKeys, modifierKeys } from '../gadget/index.ts';

/** What stands in for a computer at the other end: a text field, the keys that are held, a figure that arrows move. */
export interface Computer {
  /** The last of what was typed into it. */
  readonly text: string;
  /** In the order in which they went down. */
  readonly held: readonly string[];
  /** Where the figure stands on a field of `fieldSize`. */
  readonly x: number;
  readonly y: number;
}

/** So much of its text is kept; two lines in hand. */
const keptChars = 64;
export const fieldSize = { x: 16, y: 6 } as const;

export const idleComputer: Computer = { text: '', held: [], x: 8, y: 3 };

export const withText = (was: Computer, text: string): Computer => ({
  ...was,
  text: (was.text + text).slice(-keptChars),
});

/** The character that a key makes by itself or with shift, as a plain layout has it; null: none. */
function character(key: string, shifted: boolean): string | null {
  if (key.startsWith("'")) return key.slice(1);
  if (key === 'space') return ' ';
  if (key === 'enter') return '\n';
  if (/^digit\d$/.test(key)) return shifted ? null : key.slice(-1);
  if (key.length !== 1) return null;
  return shifted ? key.toUpperCase() : key;
}

const moves: Readonly<Record<string, readonly [number, number]>> = {
  left: [-1, 0],
  right: [1, 0],
  up: [0, -1],
  down: [0, 1],
  a: [-1, 0],
  d: [1, 0],
  w: [0, -1],
  s: [0, 1],
};
const round = (value: number, size: number) => (value + size) % size;

/** A key goes down: it is held, and does what it does in a text field and on the playfield. */
export function keyDown(was: Computer, key: string): Computer {
  const shortcut = was.held.some((one) => one !== 'shift' && modifierKeys.some((other) => other === one));
  const [dx, dy] = moves[key] ?? [0, 0];
  const next: Computer = {
    ...was,
    held: [...was.held, key],
    x: round(was.x + dx, fieldSize.x),
    y: round(was.y + dy, fieldSize.y),
  };
  // With another modifier it is a shortcut, and no text.
  if (shortcut || arrowKeys.some((arrow) => arrow === key)) return next;
  if (key === 'backspace') return { ...next, text: [...next.text].slice(0, -1).join('') };
  const typed = character(key, was.held.includes('shift'));
  return typed === null ? next : withText(next, typed);
}
export const keyUp = (was: Computer, key: string): Computer => ({
  ...was,
  held: was.held.filter((one) => one !== key),
});
