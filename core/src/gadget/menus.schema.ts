import * as z from 'zod';
import { limits } from './limits.ts';
import {
  durationUsSchema,
  idSchema,
  int32Schema,
  lineSchema,
  nameSchema,
  wholeSchema,
} from './primitives.schema.ts';

/*
 * Menus as an outline. What one does follows from its scheme; it is worked out where a gadget is played, checked or
 * explored, and not kept here (see the room `menu`).
 */

/** How a hand moves through a menu. */
export const schemeNames = [
  'fourKeys',
  'encoder',
  'oneButton',
  'twoButtons',
  'labelledKeys',
  'touchAreas',
  'cycling',
  'leftRight',
] as const;
export type SchemeName = (typeof schemeNames)[number];

/** What a control is for in a scheme; which of these a scheme has is the scheme's to say. */
export const schemeRoles = [
  'up',
  'down',
  'ok',
  'back',
  'turn',
  'push',
  'button',
  'next',
  'page',
  'change',
  'left',
  'right',
  'less',
  'more',
  'key1',
  'key2',
  'key3',
  'key4',
  'key5',
  'key6',
] as const;
export type SchemeRole = (typeof schemeRoles)[number];

/** Ids of what a menu comes to begin with that of the menu or the item, and go on with a letter. */
const ownId = (prefix: string) =>
  z.string().regex(new RegExp(`^${prefix}\\d{1,9}$`), `expected an id such as "${prefix}3"`);

/** The menu or item that a thing was made for; null: a maker made it. */
export const madeFor = (id: string): string | null => /^([iu]\d{1,9})[a-z_]/.exec(id)?.[1] ?? null;

const common = {
  id: ownId('i'),
  name: nameSchema,
  /** The submenu that it is in, which stands before it in the list; null: the outermost one. */
  parentId: idSchema.nullable(),
  /** How often it is wanted, compared with the others. */
  use: wholeSchema(0, 1_000),
};
/** A new value takes effect while it is being set; otherwise once it is confirmed. */
const live = z.boolean();
/** Whether going on beyond the last value leads to the first. */
const wraps = z.boolean();

/** How a menu writes a number: as it is; with a point, of tenths or hundredths; as minutes and seconds, of seconds. */
export const menuFormats = ['plain', 'tenths', 'hundredths', 'clock'] as const;
export type MenuFormat = (typeof menuFormats)[number];
const format = z.enum(menuFormats);

/** What the one who works it has to do before something happens: nothing, answer a question, or hold the key. */
export const menuAsks = ['nothing', 'confirm', 'hold'] as const;

export const menuItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...common, kind: z.literal('submenu') }),
  z
    .strictObject({
      ...common,
      kind: z.literal('value'),
      variableId: idSchema,
      step: wholeSchema(1, 1_000_000),
      /** Narrower than the variable's own range; null: as far as that goes. */
      low: int32Schema.nullable(),
      high: int32Schema.nullable(),
      /** What it is most often set to; null: one step from where it begins. */
      typical: int32Schema.nullable(),
      format,
      wraps,
      live,
    })
    .refine(({ low, high }) => low === null || high === null || low <= high, {
      path: ['high'],
      message: 'expected no less than the lowest value',
    }),
  z.strictObject({ ...common, kind: z.literal('choice'), variableId: idSchema, wraps, live }),
  /** On or off: turned over where it stands. */
  z.strictObject({ ...common, kind: z.literal('toggle'), variableId: idSchema }),
  /** Put together character by character, from those that are offered. */
  z.strictObject({
    ...common,
    kind: z.literal('text'),
    variableId: idSchema,
    characters: lineSchema(limits.textLength).min(1, 'expected at least one character to choose from'),
  }),
  /** One of several texts, by its place: that number is kept. Of a list that grows only so many are offered. */
  z.strictObject({
    ...common,
    kind: z.literal('pick'),
    variableId: idSchema,
    chosenId: idSchema,
    countId: idSchema.nullable(),
  }),
  /** A signal is raised: what follows is for the flow's rules to say. */
  z.strictObject({ ...common, kind: z.literal('action'), signalId: idSchema, asks: z.enum(menuAsks) }),
  /** Only looked at. */
  z.strictObject({ ...common, kind: z.literal('reading'), variableId: idSchema, format }),
  /** All that this menu sets becomes again what it is when the gadget is new. */
  z.strictObject({ ...common, kind: z.literal('factory'), asks: z.enum(menuAsks) }),
]);

/** What stands on the display beside the items' own names. */
const wordsSchema = z.strictObject({
  back: lineSchema(limits.unitChars).min(1),
  yes: lineSchema(limits.unitChars).min(1),
  no: lineSchema(limits.unitChars).min(1),
  more: lineSchema(limits.unitChars).min(1),
  done: lineSchema(limits.unitChars).min(1),
  on: lineSchema(limits.unitChars).min(1),
  off: lineSchema(limits.unitChars).min(1),
  hold: lineSchema(limits.unitChars).min(1),
});

export const menuWords: z.infer<typeof wordsSchema> = {
  back: 'Back',
  yes: 'Yes',
  no: 'No',
  more: 'More',
  done: 'Done',
  on: 'On',
  off: 'Off',
  hold: 'Hold: yes',
};

/** Where a menu goes by itself when nothing was done for a while. */
export const idleLeads = ['home', 'leave', 'off'] as const;

export const menuSchema = z.strictObject({
  id: ownId('u'),
  name: nameSchema,
  /** Being in this state is being in the menu; null: it is nowhere yet. */
  stateId: idSchema.nullable(),
  /** Where leaving it leads; null: it is not left by its own means. */
  leaveId: idSchema.nullable(),
  /** The display that shows it; null: none. */
  outputId: idSchema.nullable(),
  scheme: z.strictObject({ kind: z.enum(schemeNames), keys: z.partialRecord(z.enum(schemeRoles), idSchema) }),
  /** Beyond the last item comes the first. */
  wraps: z.boolean(),
  /** Coming back to a list, one stands where one was; otherwise on its first item. */
  remembers: z.boolean(),
  /** What an edit that was not finished comes to then. */
  idle: z
    .strictObject({
      afterUs: durationUsSchema(1_000_000),
      leads: z.enum(idleLeads),
      edits: z.enum(['keep', 'drop']),
    })
    .nullable(),
  /** When what was set is written down, where a variable waits to be asked. */
  saves: z.enum(['never', 'done', 'leaving']),
  words: wordsSchema,
  /**
   * An interval among what it sets, in so many parts of a second: span (s) = interval × length (s) × rate (1/s). Where
   * one of them is set, the interval follows; where that is set itself, `instead` does. null: there is none.
   */
  interval: z
    .strictObject({
      spanId: idSchema,
      lengthId: idSchema,
      rateId: idSchema,
      intervalId: idSchema,
      perSecond: z.union([z.literal(1), z.literal(10), z.literal(100), z.literal(1_000)]),
      instead: z.enum(['spanId', 'lengthId', 'rateId']),
    })
    .refine(
      ({ spanId, lengthId, rateId, intervalId }) =>
        new Set([spanId, lengthId, rateId, intervalId]).size === 4,
      'expected four values of their own',
    )
    .nullable(),
  /** It stands in the flow as rules kept by hand, and is not worked out any more. */
  openedOut: z.boolean(),
  items: z
    .array(menuItemSchema)
    .max(limits.menuItems, `expected at most ${limits.menuItems} items in a menu`),
});

export type MenuItem = z.infer<typeof menuItemSchema>;
export type MenuItemOf<K extends MenuItem['kind']> = Extract<MenuItem, { kind: K }>;
export type Menu = z.infer<typeof menuSchema>;
export type MenuScheme = Menu['scheme'];
