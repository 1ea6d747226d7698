import {
  inOutline,
  variableRange,
  variableStart,
  type Gadget,
  type Menu,
  type MenuItem,
  type MenuItemOf,
  type SchemeRole,
  type Variable,
} from '../gadget/index.ts';
import { labelledRoles, schemeOf, type Command, type Saying, type Scheme } from './scheme.ts';

/** What stands in a list: an item, or the way back that a scheme without a key for it needs. */
export type Entry = { kind: 'item'; item: MenuItem } | { kind: 'back' };

/** What an item needs of its user before something happens. */
export type Asking = 'nothing' | 'confirm' | 'hold';

/** A menu with its scheme, ready to be asked. */
export class Outline {
  readonly gadget: Pick<Gadget, 'flow' | 'outputs' | 'controls' | 'pages' | 'parts'>;
  readonly menu: Menu;
  readonly scheme: Scheme;
  readonly commands: Partial<Record<Command, Saying>>;
  /** All that is no submenu, and all that are, in the order of the outline. */
  readonly leaves: readonly MenuItem[];
  readonly submenus: readonly MenuItemOf<'submenu'>[];
  private readonly byId: ReadonlyMap<string, MenuItem>;
  private readonly inner = new Map<string | null, MenuItem[]>();
  private readonly entries = new Map<string | null, readonly Entry[]>();
  private around: readonly Entry[] | null = null;
  private readonly variables: ReadonlyMap<string, Variable>;

  constructor(gadget: Pick<Gadget, 'flow' | 'outputs' | 'controls' | 'pages' | 'parts'>, menu: Menu) {
    this.gadget = gadget;
    this.menu = menu;
    this.scheme = schemeOf(menu.scheme);
    this.commands = this.scheme.commands((role) => menu.scheme.keys[role] !== undefined);
    this.variables = new Map(gadget.flow.variables.map((variable) => [variable.id, variable]));
    const ordered = inOutline(menu.items);
    this.byId = new Map(ordered.map((item) => [item.id, item]));
    this.leaves = ordered.filter(({ kind }) => kind !== 'submenu');
    this.submenus = ordered.filter((item): item is MenuItemOf<'submenu'> => item.kind === 'submenu');
    for (const item of ordered) {
      const beside = this.inner.get(item.parentId);
      if (beside) beside.push(item);
      else this.inner.set(item.parentId, [item]);
    }
  }

  variable(id: string): Variable {
    return this.variables.get(id)!;
  }
  itemsIn(parentId: string | null): readonly MenuItem[] {
    return this.inner.get(parentId) ?? [];
  }
  item(id: string): MenuItem | undefined {
    return this.byId.get(id);
  }
  /** From the outermost submenu to the one that it is in. */
  wayTo({ parentId }: Pick<MenuItem, 'parentId'>): MenuItem[] {
    const way: MenuItem[] = [];
    for (let at = parentId; at !== null;) {
      const around: MenuItem | undefined = this.item(at);
      if (!around || way.includes(around)) break;
      way.unshift(around);
      at = around.parentId;
    }
    return way;
  }

  /** What stands in a list. The way out of the outermost one is there only where leaving leads somewhere. */
  entriesIn(parentId: string | null): readonly Entry[] {
    const known = this.entries.get(parentId);
    if (known) return known;
    const items = this.itemsIn(parentId).map((item): Entry => ({ kind: 'item', item }));
    const leads = parentId !== null || this.menu.leaveId !== null;
    const entries: Entry[] = leads && !this.commands.back ? [...items, { kind: 'back' }] : items;
    this.entries.set(parentId, entries);
    return entries;
  }
  /** The same for a scheme that goes round all settings. */
  get ring(): readonly Entry[] {
    if (this.around) return this.around;
    const items = this.leaves.map((item): Entry => ({ kind: 'item', item }));
    this.around = this.menu.leaveId === null ? items : [...items, { kind: 'back' }];
    return this.around;
  }
  nameOf(entry: Entry): string {
    return entry.kind === 'back' ? this.menu.words.back : entry.item.name;
  }

  /** Whether going on beyond the last one comes to the first: also where there is no way back. */
  get goesRound(): boolean {
    return this.menu.wraps || this.scheme.style === 'ring' || !this.commands.previous;
  }
  /** The same of the values of an item. */
  valuesGoRound(item: MenuItemOf<'value' | 'choice'>): boolean {
    return item.wraps || (this.scheme.style !== 'labelled' && !this.commands.less);
  }

  /** A scheme whose keys all mean something else already asks instead of waiting for a hold, and the other way round. */
  askingOf(item: MenuItemOf<'action' | 'factory'>): Asking {
    if (item.asks === 'nothing') return 'nothing';
    if (this.scheme.style === 'ring') return 'hold';
    return item.asks === 'hold' && this.commands.sure ? 'hold' : 'confirm';
  }

  /** Closed range of what an item's number can be set to. */
  rangeOf(item: MenuItemOf<'value' | 'choice'>): { low: number; high: number } {
    const { low, high } = variableRange(this.variable(item.variableId));
    if (item.kind === 'choice') return { low, high };
    const from = Math.min(high, Math.max(low, item.low ?? low));
    return { low: from, high: Math.max(from, Math.min(high, item.high ?? high)) };
  }
  stepOf(item: MenuItemOf<'value' | 'choice'>): number {
    return item.kind === 'value' ? item.step : 1;
  }
  startOf(item: MenuItemOf<'value' | 'choice' | 'toggle'>): number {
    return variableStart(this.variable(item.variableId));
  }
  /** How many texts a pick offers at most. */
  offeredBy(item: MenuItemOf<'pick'>): number {
    const texts = this.variable(item.variableId);
    return texts.kind === 'texts' ? texts.initials.length : 0;
  }

  /** Roles whose keys mean something while they are held; to be sure only where something asks for it. */
  get heldRoles(): ReadonlySet<SchemeRole> {
    const asked = this.menu.items.some(
      (item) => (item.kind === 'action' || item.kind === 'factory') && this.askingOf(item) === 'hold',
    );
    const held = Object.values(this.commands).filter(
      (saying) => saying.how === 'hold' && (saying !== this.commands.sure || asked),
    );
    return new Set(held.map(({ role }) => role));
  }
  /** What says what while something is being set. */
  get editCommands(): EditCommands {
    return (this.knownEditCommands ??= this.editCommandsNow());
  }
  private knownEditCommands: EditCommands | null = null;
  private editCommandsNow(): EditCommands {
    if (this.scheme.style !== 'labelled') return this.commands;
    const keys = labelledRoles(this.menu.scheme).map((role): Saying => ({ role, how: 'tap' }));
    const [less, more, third] = keys;
    const done = keys.at(-1);
    return {
      ...(less && { less }),
      ...(more && { more }),
      ...(done && { done }),
      ...(third && keys.length > 3 && { cancel: third }),
    };
  }

  /** Keys with a label each. */
  get slots(): number {
    return labelledRoles(this.menu.scheme).length;
  }
  /** On which screen of labels, and beside which key, an item of a list stands. */
  slotOf(item: MenuItem): { page: number; slot: number } {
    const entries = this.entriesIn(item.parentId);
    const at = entries.findIndex((entry) => entry.kind === 'item' && entry.item.id === item.id);
    if (entries.length <= Math.max(1, this.slots)) return { page: 0, slot: at };
    const each = this.labelsEach;
    return { page: Math.floor(at / each), slot: at % each };
  }
  /** Labels on one screen of several, where the last key leads on. */
  private get labelsEach(): number {
    return Math.max(1, this.slots - 1);
  }
  /** Screens of labels that a list takes: where they do not fit, the last key of each leads on to the next. */
  labelPages<T>(entries: readonly T[]): T[][] {
    const slots = Math.max(1, this.slots);
    if (entries.length <= slots) return [[...entries]];
    const each = this.labelsEach;
    return Array.from({ length: Math.ceil(entries.length / each) }, (_, page) =>
      entries.slice(page * each, (page + 1) * each),
    );
  }
}

type EditCommands = Partial<Record<'more' | 'less' | 'done' | 'cancel', Saying>>;

/** Ids of what is made for a menu or an item: the owner's, and a word. Nothing else has such ids. */
export const madeId = (owner: { id: string }, what: string): string => `${owner.id}${what}`;
