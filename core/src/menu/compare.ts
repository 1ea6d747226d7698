import {
  controlKindOf,
  schemeNames,
  type Gadget,
  type Menu,
  type MenuItem,
  type SchemeName,
  type SchemeRole,
} from '../gadget/index.ts';
import { figuresOf } from './figures.ts';
import { meansOf, quickOf, type Means } from './means.ts';
import { Outline } from './outline.ts';
import { missingRoles, schemes } from './scheme.ts';
import type { Effort } from './ways.ts';

/** One scheme on a menu, with controls as they usually are. */
export interface SchemeFigures {
  scheme: SchemeName;
  /** An encoder whose steps count more when it is turned quickly. */
  quick: boolean;
  /** Controls that it takes. */
  buttons: number;
  encoders: number;
  usual: Effort;
  worst: { id: string; effort: Effort } | null;
  /** Whether the gadget has controls enough for it. */
  fits: boolean;
  /** The menu's own, with its own controls. */
  own: boolean;
}

/** How an encoder counts quick turns where its maker has not said: five times at most. */
const usualFaster = { fromUs: 50_000, most: 5 } as const;
const usualDetents = 24;

const keysFor = (scheme: SchemeName, slots: number): Partial<Record<SchemeRole, string>> =>
  Object.fromEntries(
    schemes[scheme].roles
      .filter(({ role, needed }) => needed || role === 'back' || Number(/\d/.exec(role)?.[0] ?? 9) <= slots)
      // With a key for the way back an encoder takes one more; held, its push does as well.
      .filter(({ role }) => !(scheme === 'encoder' && role === 'back'))
      .map(({ role }) => [role, `any_${role}`]),
  );

/** Labels beside keys are taken to be so many. */
const usualSlots = 4;

/**
 * Every scheme on the same menu. The one that the menu has is reckoned with its own controls, the others with controls
 * as they usually are, so that they are compared alike; `own` says which is which.
 */
export function compareMenuSchemes(gadget: Gadget, menu: Menu): SchemeFigures[] {
  const buttonsThere = gadget.controls.filter(({ kind }) => kind === 'button').length;
  const encodersThere = gadget.controls.filter(({ kind }) => kind === 'encoder').length;
  const entry = (
    scheme: SchemeName,
    keys: Menu['scheme']['keys'],
    means: Means,
    own: boolean,
  ): SchemeFigures => {
    const outline = new Outline(gadget, { ...menu, scheme: { kind: scheme, keys } });
    const { usual, worst } = figuresOf(outline, means);
    const roles = Object.keys(keys) as SchemeRole[];
    const encoders = roles.filter((role) => controlKindOf(role) === 'encoder').length;
    const buttons = roles.length - encoders;
    return {
      scheme,
      quick: means.quick !== null,
      buttons,
      encoders,
      usual,
      worst,
      fits: own || (buttons <= buttonsThere && encoders <= encodersThere),
      own,
    };
  };
  const usualMeans: Means = { holdUs: () => gadget.hands.holdFeltUs, repeat: () => null, quick: null };
  return schemeNames.flatMap((scheme): SchemeFigures[] => {
    const own = menu.scheme.kind === scheme && missingRoles(menu.scheme).length === 0;
    if (own) return [entry(scheme, menu.scheme.keys, meansOf(gadget, menu.scheme.keys), true)];
    const keys = keysFor(scheme, usualSlots);
    const plain = entry(scheme, keys, usualMeans, false);
    if (scheme !== 'encoder') return [plain];
    const quick = quickOf({ faster: usualFaster }, usualDetents, gadget.hands);
    return [plain, entry(scheme, keys, { ...usualMeans, quick }, false)];
  });
}

/** The quickest of those that the gadget has controls for; of all, where it has them for none. */
export function bestScheme(figures: readonly SchemeFigures[]): SchemeFigures | null {
  const fitting = figures.filter(({ fits }) => fits);
  const from = fitting.length > 0 ? fitting : figures;
  return from.reduce<SchemeFigures | null>(
    (best, one) => (best && best.usual.timeUs <= one.usual.timeUs ? best : one),
    null,
  );
}

/** An order of the outline that costs less, with what it gains. */
export interface Reordered {
  /** New orders of lists, by submenu; null: the outermost. */
  orders: { parentId: string | null; ids: string[] }[];
  before: Effort;
  after: Effort;
}

/**
 * Puts what is wanted more often nearer to where one begins, in every list by itself. null: no such order costs less.
 * @returns an order whose whole cost was reckoned, and is less than that of today
 */
export function orderByUse(gadget: Gadget, menu: Menu): Reordered | null {
  const means = meansOf(gadget, menu.scheme.keys);
  const outline = new Outline(gadget, menu);
  const uses = new Map<string, number>();
  const useOf = (item: MenuItem): number => {
    const known = uses.get(item.id);
    if (known !== undefined) return known;
    const use =
      item.kind === 'submenu'
        ? outline.itemsIn(item.id).reduce((sum, inner) => sum + useOf(inner), 0)
        : item.use;
    uses.set(item.id, use);
    return use;
  };
  const orders: Reordered['orders'] = [];
  for (const parentId of [null, ...outline.submenus.map(({ id }) => id)]) {
    const items = outline.itemsIn(parentId);
    const places = placesByCost(outline, items);
    const wanted = [...items].sort((a, b) => useOf(b) - useOf(a));
    const ids = Array<string>(items.length);
    places.forEach((place, n) => (ids[place] = wanted[n]!.id));
    // Alike often: they stay as they are.
    if (ids.some((id, at) => useOf(outline.item(id)!) !== useOf(items[at]!))) orders.push({ parentId, ids });
  }
  if (orders.length === 0) return null;
  const before = figuresOf(outline, means).usual;
  const after = figuresOf(new Outline(gadget, { ...menu, items: ordered(menu.items, orders) }), means).usual;
  return after.timeUs < before.timeUs ? { orders, before, after } : null;
}

/** Places of a list, those first that are come to with the fewest moves. */
function placesByCost(outline: Outline, items: readonly MenuItem[]): number[] {
  const count = items.length + (outline.entriesIn(items[0]?.parentId ?? null).length > items.length ? 1 : 0);
  const both = outline.goesRound && outline.commands.previous !== undefined;
  const moves = (at: number) => (both ? Math.min(at, count - at) : at);
  return items.map((_, at) => at).sort((a, b) => moves(a) - moves(b) || a - b);
}

function ordered(items: readonly MenuItem[], orders: Reordered['orders']): MenuItem[] {
  const rank = new Map(orders.flatMap(({ ids }) => ids.map((id, at) => [id, at] as const)));
  // Outlines are read list by list: only the order of those beside one another counts.
  return items
    .map((item, at) => ({ item, at }))
    .sort((a, b) =>
      a.item.parentId === b.item.parentId ? (rank.get(a.item.id) ?? a.at) - (rank.get(b.item.id) ?? b.at) : 0,
    )
    .map(({ item }) => item);
}

/** All settings in one list, or in so many submenus as evenly as it goes. */
export interface Breadth {
  /** Items in each submenu at most; null: all in one list. */
  size: number | null;
  groups: number;
  usual: Effort;
}

export interface DepthTried {
  now: Effort;
  /** By what it costs, least first. */
  tried: Breadth[];
}

/** Beyond that the tries would take longer than one waits for them. */
const mostTried = 120;

/**
 * Depth against breadth: the same settings in their order in one list, and in two levels of every size. Which of them
 * belong together is not known here: what is said is what the hand has to do.
 */
export function tryDepths(gadget: Gadget, menu: Menu): DepthTried {
  const outline = new Outline(gadget, menu);
  const means = meansOf(gadget, menu.scheme.keys);
  const { leaves } = outline;
  const costOfItems = (items: MenuItem[]) => figuresOf(new Outline(gadget, { ...menu, items }), means).usual;
  const now = figuresOf(outline, means).usual;
  if (outline.scheme.style === 'ring' || leaves.length > mostTried) return { now, tried: [] };
  const flat: Breadth = {
    size: null,
    groups: 1,
    usual: costOfItems(leaves.map((item) => ({ ...item, parentId: null }))),
  };
  const sizes = new Map<number, number>();
  for (let size = 2; size <= leaves.length / 2; size += 1) {
    const groups = Math.ceil(leaves.length / size);
    // Of the sizes that give as many groups, the smallest is the most even.
    if (![...sizes.values()].includes(groups)) sizes.set(size, groups);
  }
  const grouped = [...sizes].map(([size, groups]): Breadth => {
    const heads = Array.from({ length: groups }, (_, n): MenuItem => ({
      id: `i${999_000_000 + n}`,
      kind: 'submenu',
      name: String(n + 1),
      parentId: null,
      use: 0,
    }));
    const inner = leaves.map((item, at) => ({ ...item, parentId: heads[Math.floor(at / size)]!.id }));
    return { size, groups, usual: costOfItems([...heads, ...inner]) };
  });
  return { now, tried: [flat, ...grouped].sort((a, b) => a.usual.timeUs - b.usual.timeUs) };
}
