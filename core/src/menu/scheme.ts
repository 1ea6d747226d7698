import type { GestureKind, MenuScheme, SchemeName, SchemeRole } from '../gadget/index.ts';

/** What a hand tells a menu. */
export type Command = 'next' | 'previous' | 'choose' | 'back' | 'more' | 'less' | 'done' | 'cancel' | 'sure';

/** Which control says it, and how. */
export interface Saying {
  role: SchemeRole;
  how: 'tap' | 'hold' | 'up' | 'down';
}

/**
 * How a scheme goes about a menu: with a cursor in lists; with a key beside each item; or round all settings, each of
 * which is set where it stands.
 */
export type SchemeStyle = 'cursor' | 'labelled' | 'ring';

export interface Scheme {
  id: SchemeName;
  style: SchemeStyle;
  /** What it asks for; one that is not needed makes it quicker or safer. */
  roles: readonly { role: SchemeRole; needed: boolean }[];
  /** What says what; a command that nothing says is done some other way, or cannot be done. */
  commands(has: (role: SchemeRole) => boolean): Partial<Record<Command, Saying>>;
}

const tap = (role: SchemeRole): Saying => ({ role, how: 'tap' });
const hold = (role: SchemeRole): Saying => ({ role, how: 'hold' });
const need = (...roles: SchemeRole[]) => roles.map((role) => ({ role, needed: true }));
const may = (...roles: SchemeRole[]) => roles.map((role) => ({ role, needed: false }));

const labelled = (id: SchemeName): Scheme => ({
  id,
  style: 'labelled',
  roles: [...need('key1', 'key2', 'key3'), ...may('key4', 'key5', 'key6')],
  // Which key says what depends on what stands beside it.
  commands: () => ({}),
});

/**
 * Every scheme says all that differs in it. What a press of a key *is* in each: its tap, or, where holding that key
 * means something as well, its tap as the other gesture of two (see `triggerOf`).
 */
export const schemes = {
  fourKeys: {
    id: 'fourKeys',
    style: 'cursor',
    roles: [...need('up', 'down', 'ok'), ...may('back')],
    commands: (has) => ({
      next: tap('down'),
      previous: tap('up'),
      more: tap('up'),
      less: tap('down'),
      choose: tap('ok'),
      done: tap('ok'),
      sure: hold('ok'),
      ...(has('back') && { back: tap('back'), cancel: tap('back') }),
    }),
  },
  encoder: {
    id: 'encoder',
    style: 'cursor',
    roles: [...need('turn', 'push'), ...may('back')],
    commands: (has) => ({
      next: { role: 'turn', how: 'up' },
      previous: { role: 'turn', how: 'down' },
      more: { role: 'turn', how: 'up' },
      less: { role: 'turn', how: 'down' },
      choose: tap('push'),
      done: tap('push'),
      // Held, the push leads back where no other key does.
      ...(has('back')
        ? { back: tap('back'), cancel: tap('back'), sure: hold('push') }
        : { back: hold('push'), cancel: hold('push') }),
    }),
  },
  oneButton: {
    id: 'oneButton',
    style: 'cursor',
    roles: need('button'),
    commands: () => ({
      next: tap('button'),
      more: tap('button'),
      choose: hold('button'),
      done: hold('button'),
    }),
  },
  twoButtons: {
    id: 'twoButtons',
    style: 'cursor',
    roles: need('next', 'ok'),
    commands: () => ({
      next: tap('next'),
      more: tap('next'),
      choose: tap('ok'),
      done: tap('ok'),
      back: hold('ok'),
      cancel: hold('ok'),
    }),
  },
  labelledKeys: labelled('labelledKeys'),
  touchAreas: labelled('touchAreas'),
  cycling: {
    id: 'cycling',
    style: 'ring',
    roles: need('page', 'change'),
    commands: () => ({
      next: tap('page'),
      more: tap('change'),
      choose: tap('change'),
      done: tap('change'),
      sure: hold('change'),
    }),
  },
  leftRight: {
    id: 'leftRight',
    style: 'ring',
    roles: need('left', 'right', 'less', 'more'),
    commands: () => ({
      next: tap('right'),
      previous: tap('left'),
      more: tap('more'),
      less: tap('less'),
      choose: tap('more'),
      done: tap('right'),
      cancel: tap('left'),
      sure: hold('more'),
    }),
  },
} as const satisfies Record<SchemeName, Scheme>;

export const schemeOf = ({ kind }: Pick<MenuScheme, 'kind'>): Scheme => schemes[kind];

/** Roles that it needs and that no control plays yet. */
export const missingRoles = ({ kind, keys }: MenuScheme): SchemeRole[] =>
  schemeOf({ kind })
    .roles.filter(({ role, needed }) => needed && keys[role] === undefined)
    .map(({ role }) => role);

/** Controls beside which items stand, in their order. */
export const labelledRoles = ({ kind, keys }: MenuScheme): SchemeRole[] =>
  schemeOf({ kind })
    .roles.map(({ role }) => role)
    .filter((role) => keys[role] !== undefined);

/** The gesture that a rule hears: where the key is held for something else, a tap is one only when it is let go. */
export const gestureOf = ({ how }: Saying, heldToo: boolean): GestureKind =>
  how === 'tap' ? (heldToo ? 'tap' : 'press') : how;
