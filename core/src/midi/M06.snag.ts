import { expressionRange, scopeOf, type Scope } from '../flow/index.ts';
import {
  placedActions,
  type Action,
  type Gadget,
  type OutputActionOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { rowsTold } from '../notes/index.ts';
import { mostOf, numbersOf } from './message.ts';

type Message = Extract<Action, { kind: 'midi' | 'fine' }>;

/** Numbers of a message with the most that each can be. */
function numbersIn(action: Message) {
  if (action.kind === 'fine')
    return [
      { text: action.controller, most: 31 },
      { text: action.value, most: 16_383 },
    ];
  const { message, first, second } = action;
  return [
    { text: first, most: mostOf(message) },
    ...(numbersOf(message) === 2 ? [{ text: second, most: 127 }] : []),
  ];
}

/**
 * Whether bounds of it are values that it can have, as far as what it is made of can: variables and knobs, none of them
 * twice, in sums, products and what keeps order. Source: interval arithmetic is exact where each occurs once.
 */
function isExact(text: string): boolean {
  const words = text.match(/\b[a-z]\w*\b/gi) ?? [];
  const names = words.filter((word) => !/^(min|max|clamp|value)$/.test(word));
  return (
    names.every((name) => /^[vb]\d+$/.test(name)) &&
    new Set(names).size === names.length &&
    !/[%/&|^~<>?=![\]]/.test(text)
  );
}

/** null: it cannot be read, which is told by itself. */
function rangeOf(text: string, scope: Scope): { low: number; high: number } | null {
  try {
    return expressionRange(text, scope);
  } catch {
    return null;
  }
}

/** Of what may be anything nothing is known. */
const isOpen = ({ low, high }: { low: number; high: number }) => low <= -0x8000_0000 || high >= 0x7fff_ffff;

/** Notes of a table that moving brings where there are none: they are not sent. */
function leftOut(
  gadget: Gadget,
  action: OutputActionOf<'play'>,
  place: Snag['place'],
  state: string,
): Snag[] {
  const notes = rowsTold(gadget, action).rows?.flat() ?? [];
  if (notes.length === 0) return [];
  const range = rangeOf(action.by, scopeOf(gadget));
  if (!range) return [];
  const { low, high } = range;
  const [lowest, highest] = [Math.min(...notes), Math.max(...notes)];
  const always = highest + low > 127 || lowest + high < 0;
  const inside = lowest + low >= 0 && highest + high <= 127;
  if (inside || (!always && (isOpen(range) || !isExact(action.by)))) return [];
  const name = gadget.outputs.find(({ id }) => id === action.outputId)?.name ?? '';
  const value = highest + high > 127 ? highest + high : lowest + low;
  return [
    {
      rule: 'M06',
      level: 'note',
      place,
      values: { name, state, message: 'play', always: always ? 1 : 0, value, held: -1, most: 127 },
    },
  ];
}

/** A number outside what its message can carry: it is held at the end, and another note than meant sounds. */
export const M06: SnagRule = {
  id: 'M06',
  check(gadget) {
    const scope = scopeOf(gadget);
    return placedActions(gadget.flow).flatMap(({ actions, place, name }): Snag[] =>
      actions.flatMap((action): Snag[] => {
        if (action.kind === 'play') return leftOut(gadget, action, place, name);
        if (action.kind !== 'midi' && action.kind !== 'fine') return [];
        return numbersIn(action).flatMap(({ text, most }): Snag[] => {
          const range = rangeOf(text, scope);
          if (!range) return [];
          const { low, high } = range;
          const always = low > most || high < 0;
          const inside = low >= 0 && high <= most;
          if (!always && (inside || isOpen(range) || !isExact(text))) return [];
          return [
            {
              rule: 'M06',
              level: always ? 'likely' : 'note',
              place,
              values: {
                name: gadget.outputs.find(({ id }) => id === action.outputId)?.name ?? '',
                state: name,
                message: action.kind === 'fine' ? 'control' : action.message,
                always: always ? 1 : 0,
                value: high > most ? high : low,
                held: high > most ? most : 0,
                most,
              },
            },
          ];
        });
      }),
    );
  },
};
