import {
  blankState,
  type Action,
  type Menu,
  type OpenedOut,
  type Rule,
  type State,
  type Trigger,
  type Variable,
} from '../gadget/index.ts';
import { fitsInterval, following, followsId, intervalTerms } from './interval.ts';
import type { Entry, Outline } from './outline.ts';
import { gestureOf, type Command, type Saying } from './scheme.ts';
import { valueText, writerOf, type Shown, type ValueText, type Writer } from './shown.ts';

export interface NewRule {
  id: string;
  trigger: Trigger | null;
  guard?: string | null;
  actions: readonly Action[];
  /** null: it stays where it is. */
  to: string | null;
}

const plainCounter = (id: string, name: string, max: number) => ({
  id,
  kind: 'number' as const,
  name,
  saved: null,
  initial: 0,
  min: 0,
  max: Math.max(0, max),
  overflow: 'hold' as const,
  unit: '',
});

/** Everything that one menu comes to, being collected. */
export class Making {
  readonly outline: Outline;
  readonly menu: Menu;
  readonly writer: Writer;
  /** Controls that mean something else while they are held. */
  readonly heldToo: ReadonlySet<string>;
  readonly states: State[] = [];
  private readonly variables = new Map<string, Variable>();
  readonly pages: OpenedOut['pages'][number][] = [];

  constructor(outline: Outline) {
    this.outline = outline;
    this.menu = outline.menu;
    this.writer = writerOf(outline);
    const { keys } = outline.menu.scheme;
    if (this.menu.interval && fitsInterval(outline.gadget, this.menu.interval)) {
      const last = intervalTerms.length - 1;
      // To begin with it is the interval that follows.
      this.add({
        ...plainCounter(followsId(this.menu), `${wordOf(this.menu.name)}_follows`, last),
        initial: last,
      });
    }
    this.heldToo = new Set([...outline.heldRoles].flatMap((role) => keys[role] ?? []));
  }

  get made(): OpenedOut {
    const { id, idle, name } = this.menu;
    return {
      states: this.states,
      variables: [...this.variables.values()],
      timers: idle ? [{ id: `${id}m`, name: `${name}: idle` }] : [],
      pages: this.pages,
      ignored: [],
    };
  }

  private controlOf({ role }: Saying): string | undefined {
    return this.menu.scheme.keys[role];
  }

  /** What a rule hears of a command; null: nothing says it. */
  trigger(command: Command): Trigger | null {
    const saying = this.outline.commands[command];
    return this.triggerOf(saying);
  }

  triggerOf(saying: Saying | undefined): Trigger | null {
    if (!saying) return null;
    const controlId = this.controlOf(saying);
    if (controlId === undefined) return null;
    return { kind: 'gesture', controlId, gesture: gestureOf(saying, this.heldToo.has(controlId)) };
  }

  /** A key that is held says the same over and over, where it is set to. */
  private repeatOf(trigger: Trigger): Trigger | null {
    if (trigger.kind !== 'gesture') return null;
    const control = this.outline.gadget.controls.find(({ id }) => id === trigger.controlId);
    const repeats = control?.kind === 'button' && control.gestures.repeat !== null;
    return repeats && !this.heldToo.has(trigger.controlId) ? { ...trigger, gesture: 'repeat' } : null;
  }

  add(variable: Variable): void {
    this.variables.set(variable.id, variable);
  }

  counter(id: string, name: string, max: number, wraps: boolean): void {
    this.add({ ...plainCounter(id, name, max), overflow: wraps ? 'wrap' : 'hold' });
  }

  /** Any press tells that somebody is there. */
  private get awake(): Action[] {
    const { id, idle } = this.menu;
    return idle ? [{ kind: 'start', timerId: `${id}m`, length: idle.afterUs, every: false }] : [];
  }

  /** A place of the menu: a state that shows something, with what leads on from it. */
  place(
    ownerId: string,
    what: string,
    name: string,
    shown: Shown,
    rules: readonly (NewRule | null)[],
    entry: readonly Action[] = [],
  ): void {
    this.pages.push(...shown.pages);
    for (const variable of shown.variables) this.add(variable);
    const id = `${ownerId}${what}`;
    const { idle } = this.menu;
    // At home already, nothing leads home again and again.
    const atHome = idle?.leads === 'home' && id === this.home;
    this.states.push({
      ...blankState(),
      id,
      name: [...name].slice(0, 80).join(''),
      parentId: `${this.menu.id}h`,
      entry: [...entry, ...(atHome ? [] : this.awake), ...shown.entry],
      rules: rules.flatMap((rule): Rule[] => {
        if (!rule?.trigger) return [];
        const stays = rule.to === null;
        return [
          {
            id: rule.id,
            trigger: rule.trigger,
            guard: rule.guard ?? null,
            actions: [...rule.actions, ...(stays ? [...shown.changed, ...this.awake] : [])],
            targetIds: rule.to === null ? [] : [rule.to],
            internal: false,
          },
        ];
      }),
    });
  }

  /** A rule, and the same for a key that repeats while it is held. */
  stepping(
    id: string,
    trigger: Trigger | null,
    actions: readonly Action[],
    to: string | null = null,
  ): (NewRule | null)[] {
    const again = trigger && this.repeatOf(trigger);
    return [{ id, trigger, actions, to }, again && { id: `${id}_again`, trigger: again, actions, to }];
  }

  setting(variableId: string, value: string): Action {
    return { kind: 'set', variableId, index: null, value };
  }

  /** What else changes where that value was set. */
  followed(variableId: string): Action[] {
    return following(this.menu, this.outline.gadget, variableId);
  }

  /** As it is when the gadget is new. */
  get followsAnew(): Action[] {
    const last = intervalTerms.length - 1;
    return this.variables.has(followsId(this.menu)) ? [this.setting(followsId(this.menu), String(last))] : [];
  }

  /** What being done with a setting means. */
  get settled(): Action[] {
    return this.menu.saves === 'done' ? [{ kind: 'save' }] : [];
  }

  /** The first place of the menu. */
  get home(): string {
    return this.states[0]!.initial!.targetIds[0]!;
  }

  /** Where being left alone leads; null: it leads nowhere. */
  get idleTarget(): string | null {
    const { id, idle, leaveId } = this.menu;
    if (!idle) return null;
    return idle.leads === 'off' ? `${id}z` : idle.leads === 'leave' ? (leaveId ?? this.home) : this.home;
  }

  /** The state of a list. */
  homeOf(parentId: string | null): string {
    return `${parentId ?? this.menu.id}s`;
  }

  /**
   * What is left lies as it was at first: one stands on the first item again, unless the menu remembers. So what a list
   * was once left with never tells two moments apart that are the same to a hand.
   */
  leaving(listId: string): Action[] {
    const { style } = this.outline.scheme;
    const counted = style === 'cursor' || (style === 'labelled' && this.turnsPages(listId));
    return counted && !this.menu.remembers ? [this.setting(`${listId}v`, '0')] : [];
  }

  get leavingAll(): Action[] {
    return [this.menu, ...this.outline.submenus].flatMap(({ id }) => this.leaving(id));
  }

  private turnsPages(listId: string): boolean {
    const parentId = listId === this.menu.id ? null : listId;
    return this.outline.labelPages(this.outline.entriesIn(parentId)).length > 1;
  }

  /** What a value is written with comes along. */
  withValue(value: ValueText | null, shown: Shown): Shown {
    return { ...shown, variables: [...(value?.variables ?? []), ...shown.variables] };
  }

  valueOf(entry: Entry): ValueText | null {
    return entry.kind === 'back' ? null : valueText(this.outline, entry.item);
  }

  pathOf(owner: { id: string; name: string }): string {
    const item = this.outline.item(owner.id);
    if (!item) return this.menu.name;
    return [this.menu, ...this.outline.wayTo(item), item].map(({ name }) => name).join(' › ');
  }
}

/** A name as a word that expressions know. */
export const wordOf = (name: string): string => {
  const word = name
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, 14);
  return /^[A-Za-z]/.test(word) ? word : `item_${word}`.slice(0, 14);
};
