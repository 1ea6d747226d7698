import {
  blankState,
  variableStart,
  type Action,
  type Menu,
  type MenuItem,
  type MenuItemOf,
  type OpenedOut,
  type Rule,
  type State,
  type Trigger,
  type Variable,
} from '../gadget/index.ts';
import { madeId, type Outline, type Entry } from './outline.ts';
import { gestureOf, labelledRoles, type Command, type Saying } from './scheme.ts';
import { namesVariable, valueText, writerOf, type Shown, type ValueText, type Writer } from './shown.ts';

/** Everything that one menu comes to, being collected. */
export class Making {
  readonly outline: Outline;
  private readonly menu: Menu;
  private readonly writer: Writer;
  /** Controls that mean something else while they are held. */
  private readonly heldToo = new Set<string>();
  readonly states: State[] = [];
  private readonly variables = new Map<string, Variable>();
  readonly pages: OpenedOut['pages'][number][] = [];

  constructor(outline: Outline) {
    this.outline = outline;
    this.menu = outline.menu;
    this.writer = writerOf(outline);
    for (const saying of Object.values(outline.commands)) if (saying.how === 'hold') this.hearsHold(saying);
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
  private hearsHold(saying: Saying): void {
    const id = this.controlOf(saying);
    // Holding to be sure matters only where something asks for it.
    const asked = this.menu.items.some(
      (item) => (item.kind === 'action' || item.kind === 'factory') && this.outline.askingOf(item) === 'hold',
    );
    if (id !== undefined && (saying !== this.outline.commands.sure || asked)) this.heldToo.add(id);
  }

  /** What a rule hears of a command; null: nothing says it. */
  trigger(command: Command): Trigger | null {
    const saying = this.outline.commands[command];
    return saying ? this.triggerOf(saying) : null;
  }
  triggerOf(saying: Saying): Trigger | null {
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
  private counter(id: string, name: string, max: number, wraps: boolean): void {
    this.add({
      id,
      kind: 'number',
      name,
      saved: null,
      initial: 0,
      min: 0,
      max: Math.max(0, max),
      overflow: wraps ? 'wrap' : 'hold',
      unit: '',
    });
  }

  /** Any press tells that somebody is there. */
  private get awake(): Action[] {
    const { id, idle } = this.menu;
    return idle ? [{ kind: 'start', timerId: `${id}m`, length: idle.afterUs, every: false }] : [];
  }

  /** A place of the menu: a state that shows something, with what leads on from it. */
  private place(
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
    const atHome = idle?.leads === 'home' && id === this.states[0]!.initial!.targetIds[0];
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
  private stepping(
    id: string,
    trigger: Trigger | null,
    actions: readonly Action[],
    to: string | null = null,
  ): (NewRule | null)[] {
    const again = trigger && this.repeatOf(trigger);
    return [{ id, trigger, actions, to }, again && { id: `${id}_again`, trigger: again, actions, to }];
  }

  private setting(variableId: string, value: string): Action {
    return { kind: 'set', variableId, index: null, value };
  }

  /** What being done with a setting means. */
  private get settled(): Action[] {
    return this.menu.saves === 'done' ? [{ kind: 'save' }] : [];
  }

  /** Where a list is, or null: out of the menu. */
  private homeOf(parentId: string | null): string {
    return `${parentId ?? this.menu.id}s`;
  }

  /** What choosing an entry does, and where it leads; null: it stays. */
  private choosing(entry: Entry, parentId: string | null): { actions: Action[]; to: string | null } {
    const { outline } = this;
    if (entry.kind === 'back') return this.goingBack(parentId);
    const { item } = entry;
    switch (item.kind) {
      case 'submenu':
        return { actions: [], to: `${item.id}s` };
      case 'toggle':
        return {
          actions: [this.setting(item.variableId, `!${item.variableId}`), ...this.settled],
          to: null,
        };
      case 'reading':
        return { actions: [], to: `${item.id}s` };
      case 'action':
      case 'factory':
        return outline.askingOf(item) === 'nothing'
          ? { actions: this.deed(item), to: null }
          : { actions: [], to: `${item.id}c` };
      default:
        return { actions: [], to: `${item.id}s` };
    }
  }

  /**
   * What is left lies as it was at first: one stands on the first item again, unless the menu remembers. So what a list
   * was once left with never tells two moments apart that are the same to a hand.
   */
  private leaving(listId: string): Action[] {
    const { style } = this.outline.scheme;
    const counted = style === 'cursor' || (style === 'labelled' && this.turnsPages(listId));
    return counted && !this.menu.remembers ? [this.setting(`${listId}v`, '0')] : [];
  }
  private get leavingAll(): Action[] {
    return [this.menu, ...this.outline.submenus].flatMap(({ id }) => this.leaving(id));
  }
  private turnsPages(listId: string): boolean {
    const parentId = listId === this.menu.id ? null : listId;
    return this.outline.labelPages(this.outline.entriesIn(parentId)).length > 1;
  }

  private goingBack(parentId: string | null): { actions: Action[]; to: string | null } {
    // Leaving the menu does that for all of it.
    if (parentId === null) return { actions: [], to: this.menu.leaveId };
    const around = this.outline.item(parentId)!;
    // Going back, one stands where one went in from.
    return { actions: this.leaving(parentId), to: this.homeOf(around.parentId) };
  }

  /** What an action does: the flow hears its signal; a new beginning sets all that the menu sets. */
  private deed(item: MenuItem): Action[] {
    if (item.kind === 'action') return [{ kind: 'raise', signalId: item.signalId, delay: null }];
    const seen = new Set<string>();
    const anew = this.outline.leaves.flatMap((one): Action[] => {
      if (!('variableId' in one) || one.kind === 'reading') return [];
      const id = one.kind === 'pick' ? one.chosenId : one.variableId;
      if (seen.has(id)) return [];
      seen.add(id);
      const variable = this.outline.variable(id);
      switch (variable.kind) {
        case 'number':
          return [this.setting(id, String(variable.initial))];
        case 'flag':
          return [this.setting(id, variable.initial ? '1' : '0')];
        case 'choice':
          return [this.setting(id, `${id}.${variable.initialId}`)];
        case 'text':
          return [{ kind: 'setText', variableId: id, index: null, text: plainText(variable.initial) }];
        default:
          return [];
      }
    });
    return [...anew, ...this.settled];
  }

  /** All of it. */
  make(): void {
    const { outline, menu } = this;
    const style = outline.scheme.style;
    const begins = style === 'ring' ? (outline.ring[0] ?? null) : null;
    const home =
      style !== 'ring' ? `${menu.id}s` : begins?.kind === 'item' ? `${begins.item.id}s` : `${menu.id}s`;
    this.container(home);
    if (style === 'ring') this.makeRing();
    else
      for (const listId of [null, ...outline.submenus.map(({ id }) => id)])
        if (style === 'cursor') this.makeList(listId);
        else this.makeLabels(listId);
    for (const item of outline.leaves) this.makeItem(item);
    if (menu.idle?.leads === 'off') this.makeDark();
  }

  private container(home: string): void {
    const { menu } = this;
    const { id, idle, saves } = menu;
    const rules: Rule[] = [];
    if (idle) {
      const to = idle.leads === 'home' ? home : idle.leads === 'leave' ? (menu.leaveId ?? home) : `${id}z`;
      rules.push({
        id: `${id}_idle`,
        trigger: { kind: 'timer', timerId: `${id}m` },
        guard: null,
        actions: [],
        targetIds: [to],
        internal: false,
      });
    }
    this.states.push({
      ...blankState(),
      id: `${id}h`,
      name: menu.name,
      parentId: menu.stateId,
      initial: { targetIds: [home], actions: [] },
      exit: [
        ...(saves === 'leaving' ? [{ kind: 'save' } as const] : []),
        ...(idle ? [{ kind: 'stop', timerId: `${id}m` } as const] : []),
        ...this.leavingAll,
        ...this.writer.leave,
      ],
      rules,
    });
  }

  /** Dark until a key is pressed, and that press does nothing else. */
  private makeDark(): void {
    const { menu } = this;
    const controls = new Set(Object.values(menu.scheme.keys));
    const home = this.states[0]!.initial!.targetIds[0]!;
    const wakes = [...controls].flatMap((controlId): NewRule[] => {
      const control = this.outline.gadget.controls.find(({ id }) => id === controlId);
      const gestures =
        control?.kind === 'encoder'
          ? (['up', 'down'] as const)
          : // Where its tap or hold means something, being let go of must not say it again.
            this.heldToo.has(controlId)
            ? (['tap', 'hold'] as const)
            : (['press'] as const);
      return gestures.map((gesture) => ({
        id: '',
        trigger: { kind: 'gesture', controlId, gesture },
        actions: [],
        to: home,
      }));
    });
    const dark: Shown = { entry: this.writer.dark, changed: [], pages: [], variables: [] };
    const before = this.states.length;
    this.place(
      menu.id,
      'z',
      `${menu.name}: dark`,
      dark,
      wakes.map((rule, n) => ({ ...rule, id: `${menu.id}_wake${n}` })),
    );
    // Nobody is there: it stays dark.
    this.states[before]!.entry = this.writer.dark;
  }

  private makeList(parentId: string | null): void {
    const { outline, menu } = this;
    const owner = parentId === null ? menu : outline.item(parentId)!;
    const entries = outline.entriesIn(parentId);
    const cursor = madeId(owner, 'v');
    this.counter(cursor, `${wordOf(owner.name)}_row_${owner.id}`, entries.length - 1, outline.goesRound);
    const texts = entries.map((entry) => outline.nameOf(entry));
    const names = namesVariable(
      madeId(owner, 't'),
      `${wordOf(owner.name)}_rows_${owner.id}`,
      texts.length > 0 ? texts : [''],
    );
    const values = entries.map((entry) => this.valueOf(entry));
    const shown = this.writer.list(owner.id, owner.name, { id: names.id, texts }, values, cursor);
    const choose = this.trigger('choose');
    const back = this.trigger('back');
    const led = this.goingBack(parentId);
    this.place(
      owner.id,
      's',
      this.pathOf(owner),
      {
        ...shown,
        variables: [names, ...values.flatMap((value) => value?.variables ?? []), ...shown.variables],
      },
      [
        ...this.stepping(`${owner.id}_next`, this.trigger('next'), [this.setting(cursor, `${cursor} + 1`)]),
        ...this.stepping(`${owner.id}_previous`, this.trigger('previous'), [
          this.setting(cursor, `${cursor} - 1`),
        ]),
        ...entries.map((entry, at): NewRule => ({
          id: entry.kind === 'back' ? `${owner.id}_back` : `${entry.item.id}_choose`,
          trigger: choose,
          guard: `${cursor} == ${at}`,
          ...this.choosing(entry, parentId),
        })),
        back && led.to !== null ? { id: `${owner.id}_back`, trigger: back, ...led } : null,
      ],
    );
  }

  private makeLabels(parentId: string | null): void {
    const { outline, menu } = this;
    const owner = parentId === null ? menu : outline.item(parentId)!;
    const pages = outline.labelPages(outline.entriesIn(parentId));
    const several = pages.length > 1;
    const page = several ? madeId(owner, 'v') : null;
    if (page !== null) this.counter(page, `${wordOf(owner.name)}_page_${owner.id}`, pages.length - 1, true);
    const roles = labelledRoles(menu.scheme);
    const labels = pages.map((entries) => [
      ...entries.map((entry) => ({ name: outline.nameOf(entry), value: this.valueOf(entry) })),
      ...(several
        ? [
            // The key that turns pages is always the last.
            ...Array.from({ length: roles.length - 1 - entries.length }, () => ({ name: '', value: null })),
            { name: menu.words.more, value: null },
          ]
        : []),
    ]);
    const shown = this.writer.labels(owner.id, owner.name, labels, page);
    const variables = labels.flat().flatMap(({ value }) => value?.variables ?? []);
    this.place(
      owner.id,
      's',
      this.pathOf(owner),
      { ...shown, variables: [...variables, ...shown.variables] },
      [
        ...pages.flatMap((entries, p) =>
          entries.map((entry, at): NewRule => ({
            id: entry.kind === 'back' ? `${owner.id}_back` : `${entry.item.id}_choose`,
            trigger: this.triggerOf({ role: roles[at]!, how: 'tap' }),
            guard: page === null ? null : `${page} == ${p}`,
            ...this.choosing(entry, parentId),
          })),
        ),
        page === null
          ? null
          : {
              id: `${owner.id}_more`,
              trigger: this.triggerOf({ role: roles.at(-1)!, how: 'tap' }),
              actions: [this.setting(page, `${page} + 1`)],
              to: null,
            },
      ],
    );
  }

  /** Every setting is a place of its own, and one goes from one to the next. */
  private makeRing(): void {
    const { outline, menu } = this;
    const { ring } = outline;
    const idOf = (entry: Entry) => (entry.kind === 'back' ? `${menu.id}s` : `${entry.item.id}s`);
    ring.forEach((entry, at) => {
      const owner = entry.kind === 'back' ? menu : entry.item;
      const name = outline.nameOf(entry);
      const value = this.valueOf(entry);
      const shown = this.writer.value(owner.id, name, value ?? { template: '', longest: 1 });
      const next = idOf(ring[(at + 1) % ring.length]!);
      const previous = idOf(ring[(at + ring.length - 1) % ring.length]!);
      const alone = ring.length === 1;
      this.place(
        owner.id,
        's',
        entry.kind === 'back' ? `${menu.name}: ${name}` : this.pathOf(entry.item),
        { ...shown, variables: [...(value?.variables ?? []), ...shown.variables] },
        [
          ...(alone ? [] : this.stepping(`${owner.id}_next`, this.trigger('next'), [], next)),
          ...(alone ? [] : this.stepping(`${owner.id}_previous`, this.trigger('previous'), [], previous)),
          ...this.settingInRing(entry),
        ],
      );
    });
    if (ring.length === 0)
      this.place(
        menu.id,
        's',
        menu.name,
        this.writer.value(menu.id, menu.name, { template: '', longest: 1 }),
        [],
      );
  }

  /** What the keys for changing do to an entry of the ring. */
  private settingInRing(entry: Entry): (NewRule | null)[] {
    const more = this.trigger('more');
    const less = this.trigger('less');
    if (entry.kind === 'back') {
      const { leaveId } = this.menu;
      return [
        leaveId === null ? null : { id: `${this.menu.id}_back`, trigger: more, actions: [], to: leaveId },
      ];
    }
    const { item } = entry;
    switch (item.kind) {
      case 'value':
        return [
          ...this.stepping(`${item.id}_more`, more, [
            this.stepped(item, item.variableId, 1),
            ...this.settled,
          ]),
          ...this.stepping(`${item.id}_less`, less, [
            this.stepped(item, item.variableId, -1),
            ...this.settled,
          ]),
        ];
      case 'choice':
        return [
          ...this.stepping(`${item.id}_more`, more, [this.nextOption(item, 1), ...this.settled]),
          ...this.stepping(`${item.id}_less`, less, [this.nextOption(item, -1), ...this.settled]),
        ];
      case 'pick':
        return [
          ...this.stepping(`${item.id}_more`, more, [this.picked(item, item.chosenId, 1), ...this.settled]),
          ...this.stepping(`${item.id}_less`, less, [this.picked(item, item.chosenId, -1), ...this.settled]),
        ];
      case 'toggle': {
        const turned = [this.setting(item.variableId, `!${item.variableId}`), ...this.settled];
        return [
          { id: `${item.id}_more`, trigger: more, actions: turned, to: null },
          { id: `${item.id}_less`, trigger: less, actions: turned, to: null },
        ];
      }
      case 'text':
        return [{ id: `${item.id}_choose`, trigger: this.trigger('choose'), actions: [], to: `${item.id}e` }];
      case 'action':
      case 'factory': {
        const trigger = this.trigger(this.outline.askingOf(item) === 'hold' ? 'sure' : 'choose');
        return [{ id: `${item.id}_choose`, trigger, actions: this.deed(item), to: null }];
      }
      case 'reading':
      case 'submenu':
        return [];
    }
  }

  /** The places that an item has besides its line in a list. */
  private makeItem(item: MenuItem): void {
    const ring = this.outline.scheme.style === 'ring';
    switch (item.kind) {
      case 'value':
      case 'pick':
        if (!ring) this.makeEdit(item);
        return;
      case 'choice':
        if (!ring) this.makeChoosing(item);
        return;
      case 'text':
        this.makeText(item);
        return;
      case 'reading':
        if (!ring) this.makeReading(item);
        return;
      case 'action':
      case 'factory':
        if (!ring && this.outline.askingOf(item) !== 'nothing') this.makeQuestion(item);
        return;
      case 'toggle':
      case 'submenu':
    }
  }

  /** One step further; beyond the end it stays, or begins at the other. */
  private stepped(item: MenuItemOf<'value'>, id: string, way: 1 | -1): Action {
    const { outline } = this;
    const { low, high } = outline.rangeOf(item);
    const step = outline.stepOf(item);
    // Compared before it is added: a sum beyond 32 bits would come out on the other side.
    const [edge, other] = way === 1 ? [high, low] : [low, high];
    const beyond = outline.valuesGoRound(item) ? other : edge;
    // Where not even one step fits in, there are but the ends.
    if (high - low < step) return this.setting(id, String(beyond));
    const [isLast, moved] =
      way === 1
        ? [`${id} > ${high - step}`, `${id} + ${step}`]
        : [`${id} < ${low + step}`, `${id} - ${step}`];
    return this.setting(id, `${isLast} ? ${beyond} : ${moved}`);
  }

  private countOf(item: MenuItemOf<'pick'>): string {
    const most = this.outline.offeredBy(item);
    return item.countId === null ? String(most) : `clamp(${item.countId}, 1, ${most})`;
  }
  private picked(item: MenuItemOf<'pick'>, id: string, way: 1 | -1): Action {
    const count = this.countOf(item);
    return this.setting(id, `(max(${id}, 0) + ${way === 1 ? '1' : `${count} - 1`}) % (${count})`);
  }

  /** The option of a number: expressions keep choices and numbers apart. */
  private optionOf(item: MenuItemOf<'choice'>, number: string): string {
    const { id, options } = this.optionsOf(item);
    return options
      .map((option, at) =>
        at === options.length - 1 ? `${id}.${option.id}` : `${number} == ${at} ? ${id}.${option.id}`,
      )
      .join(' : ');
  }
  /** The number of the option that it is. */
  private numberOf(item: MenuItemOf<'choice'>): string {
    const { id, options } = this.optionsOf(item);
    return options
      .map((option, at) => (at === options.length - 1 ? String(at) : `${id} == ${id}.${option.id} ? ${at}`))
      .join(' : ');
  }
  private optionsOf({ variableId }: MenuItemOf<'choice'>): Extract<Variable, { kind: 'choice' }> {
    return this.outline.variable(variableId) as Extract<Variable, { kind: 'choice' }>;
  }
  /** Straight from one option to the next, where it is set as it stands. */
  private nextOption(item: MenuItemOf<'choice'>, way: 1 | -1): Action {
    const { id, options } = this.optionsOf(item);
    const last = options.length - 1;
    const beyond = this.outline.valuesGoRound(item) ? (way === 1 ? 0 : last) : way === 1 ? last : 0;
    const chain = options.map((option, at) => {
      const to = `${id}.${options[at + way] ? options[at + way]!.id : options[beyond]!.id}`;
      return at === last ? to : `${id} == ${id}.${option.id} ? ${to}`;
    });
    return this.setting(id, chain.join(' : '));
  }

  /** A choice that is being made: by a number that becomes the choice at once, or once it is confirmed. */
  private makeChoosing(item: MenuItemOf<'choice'>): void {
    const { outline } = this;
    const place = madeId(item, 'v');
    const old = madeId(item, 'o');
    const { id, options } = this.optionsOf(item);
    const word = wordOf(item.name);
    this.counter(place, `${word}_new_${item.id}`, options.length - 1, outline.valuesGoRound(item));
    if (item.live) this.counter(old, `${word}_old_${item.id}`, options.length - 1, false);
    const value = valueText(outline, item, place)!;
    const fresh = [place, ...(item.live ? [old] : [])].map((one) => this.setting(one, '0'));
    const become = (number: string) => this.setting(id, this.optionOf(item, number));
    const step = (way: '+' | '-') => [
      this.setting(place, `${place} ${way} 1`),
      ...(item.live ? [become(place)] : []),
    ];
    this.place(
      item.id,
      's',
      this.pathOf(item),
      this.withValue(value, this.writer.value(item.id, item.name, value)),
      this.editing(
        item,
        step('+'),
        step('-'),
        [...(item.live ? [] : [become(place)]), ...this.settled, ...fresh],
        [...(item.live ? [become(old)] : []), ...fresh],
        this.homeOf(item.parentId),
      ),
      [this.setting(place, this.numberOf(item)), ...(item.live ? [this.setting(old, place)] : [])],
    );
  }

  /** What a value is written with comes along. */
  private withValue(value: ValueText | null, shown: Shown): Shown {
    return { ...shown, variables: [...(value?.variables ?? []), ...shown.variables] };
  }

  /** A value that is being set: on a copy, unless it takes effect at once. */
  private makeEdit(item: MenuItemOf<'value' | 'pick'>): void {
    const { outline } = this;
    const target = item.kind === 'pick' ? item.chosenId : item.variableId;
    const live = item.kind === 'value' && item.live;
    const copy = madeId(item, 'v');
    this.add({ ...this.copyOf(target), id: copy, name: `${wordOf(item.name)}_new_${item.id}`, saved: null });
    const [shownId, enter, done, cancel] = live
      ? [target, [this.setting(copy, target)], [], [this.setting(target, copy)]]
      : [copy, [this.setting(copy, target)], [this.setting(target, copy)], []];
    const fresh = this.setting(copy, String(variableStart(this.copyOf(target))));
    const value = valueText(outline, item, shownId)!;
    const shown = this.writer.value(item.id, item.name, value);
    const step = (way: 1 | -1) =>
      item.kind === 'pick' ? this.picked(item, shownId, way) : this.stepped(item, shownId, way);
    const home = this.homeOf(item.parentId);
    this.place(
      item.id,
      's',
      this.pathOf(item),
      this.withValue(value, shown),
      this.editing(item, [step(1)], [step(-1)], [...done, ...this.settled, fresh], [...cancel, fresh], home),
      enter,
    );
  }

  /** A plain number of the same range. */
  private copyOf(id: string): Variable {
    const variable = this.outline.variable(id);
    const common = {
      id,
      name: '',
      saved: null,
      kind: 'number' as const,
      unit: '',
      overflow: 'hold' as const,
    };
    switch (variable.kind) {
      case 'number':
        return { ...common, initial: variable.initial, min: variable.min, max: variable.max };
      default:
        return { ...common, initial: 0, min: 0, max: 0 };
    }
  }

  /** The keys while something is being set. */
  private editing(
    item: { id: string },
    more: readonly Action[],
    less: readonly Action[],
    done: readonly Action[],
    cancel: readonly Action[],
    home: string,
  ): (NewRule | null)[] {
    const keys = this.editKeys;
    return [
      ...this.stepping(`${item.id}_more`, keys.more, more),
      ...this.stepping(`${item.id}_less`, keys.less, less),
      { id: `${item.id}_done`, trigger: keys.done, actions: done, to: home },
      { id: `${item.id}_cancel`, trigger: keys.cancel, actions: cancel, to: home },
      this.timedOut(item, cancel, home),
    ];
  }
  /** An edit that nobody finishes is dropped where the menu says so: what took effect already is taken back. */
  private timedOut(item: { id: string }, cancel: readonly Action[], home: string): NewRule | null {
    const { id, idle } = this.menu;
    if (!idle || idle.edits === 'keep') return null;
    const to = idle.leads === 'off' ? `${id}z` : idle.leads === 'leave' ? (this.menu.leaveId ?? home) : null;
    return {
      id: `${item.id}_idle`,
      trigger: { kind: 'timer', timerId: `${id}m` },
      actions: idle.leads === 'leave' ? cancel : [...cancel, ...this.leavingAll],
      to: to ?? this.states[0]!.initial!.targetIds[0]!,
    };
  }
  private get editKeys(): Record<'more' | 'less' | 'done' | 'cancel', Trigger | null> {
    if (this.outline.scheme.style !== 'labelled')
      return {
        more: this.trigger('more'),
        less: this.trigger('less'),
        done: this.trigger('done'),
        cancel: this.trigger('cancel'),
      };
    const roles = labelledRoles(this.menu.scheme);
    const at = (n: number) => (roles[n] ? this.triggerOf({ role: roles[n], how: 'tap' }) : null);
    return {
      less: at(0),
      more: at(1),
      done: at(roles.length - 1),
      cancel: roles.length > 3 ? at(2) : null,
    };
  }

  /** A text, put together from characters that are offered one after the other; behind them stand delete and done. */
  private makeText(item: MenuItemOf<'text'>): void {
    const { outline } = this;
    const offered = [...item.characters];
    const wheel = madeId(item, 'v');
    const old = madeId(item, 'o');
    const letters = madeId(item, 'w');
    this.counter(wheel, `${wordOf(item.name)}_letter_${item.id}`, offered.length + 1, true);
    const text = outline.variable(item.variableId);
    const common = { kind: 'text' as const, saved: null, initial: '' };
    const length = text.kind === 'text' ? text.length : 1;
    this.add({ ...common, id: old, name: `${wordOf(item.name)}_old_${item.id}`, length });
    this.add(
      namesVariable(letters, `${wordOf(item.name)}_letters_${item.id}`, [
        ...offered,
        '<',
        outline.menu.words.done,
      ]),
    );
    const ring = outline.scheme.style === 'ring';
    const home = ring ? `${item.id}s` : this.homeOf(item.parentId);
    const shown = this.writer.value(
      ring ? `${item.id}e` : item.id,
      item.name,
      { template: `{${item.variableId}}`, longest: length },
      { template: `{${letters}[${wheel}]}`, longest: [...outline.menu.words.done].length },
    );
    const keys = ring
      ? {
          more: this.trigger('more'),
          less: this.trigger('less'),
          done: this.trigger('choose'),
          cancel: this.trigger('cancel'),
        }
      : this.editKeys;
    // Round the ring one key turns pages, and the other changes: here it turns letters, and takes one.
    const turning = ring && !this.trigger('less');
    const more = turning ? this.trigger('next') : keys.more;
    const done = turning ? keys.more : ring ? this.trigger('next') : keys.done;
    const back: Action[] = [{ kind: 'setText', variableId: item.variableId, index: null, text: `{${old}}` }];
    const fresh: Action[] = [
      this.setting(wheel, '0'),
      { kind: 'setText', variableId: old, index: null, text: '' },
    ];
    const place = ring ? 'e' : 's';
    this.place(
      item.id,
      place,
      this.pathOf(item),
      shown,
      [
        ...this.stepping(`${item.id}_letter`, more, [this.setting(wheel, `${wheel} + 1`)]),
        ...this.stepping(`${item.id}_before`, keys.less, [this.setting(wheel, `${wheel} - 1`)]),
        {
          id: `${item.id}_shorten`,
          trigger: done,
          guard: `${wheel} == ${offered.length}`,
          actions: [{ kind: 'shorten', variableId: item.variableId, index: null, by: '1' }],
          to: null,
        },
        {
          id: `${item.id}_done`,
          trigger: done,
          guard: `${wheel} > ${offered.length}`,
          actions: [...this.settled, ...fresh],
          to: home,
        },
        {
          id: `${item.id}_take`,
          trigger: done,
          actions: [
            { kind: 'append', variableId: item.variableId, index: null, text: `{${letters}[${wheel}]}` },
          ],
          to: null,
        },
        { id: `${item.id}_cancel`, trigger: keys.cancel, actions: [...back, ...fresh], to: home },
        this.timedOut(item, [...back, ...fresh], home),
      ],
      [
        { kind: 'setText', variableId: old, index: null, text: `{${item.variableId}}` },
        this.setting(wheel, '0'),
      ],
    );
  }

  private makeReading(item: MenuItemOf<'reading'>): void {
    const value = valueText(this.outline, item)!;
    const shown = this.writer.value(item.id, item.name, value);
    const home = this.homeOf(item.parentId);
    const { done, cancel } = this.editKeys;
    this.place(item.id, 's', this.pathOf(item), this.withValue(value, shown), [
      { id: `${item.id}_done`, trigger: done, actions: [], to: home },
      { id: `${item.id}_cancel`, trigger: cancel, actions: [], to: home },
    ]);
  }

  /** Whether it is meant: one stands on the answer that does nothing. Held instead, it needs no cursor. */
  private makeQuestion(item: MenuItemOf<'action' | 'factory'>): void {
    const { outline, menu } = this;
    const { yes, no } = menu.words;
    const home = this.homeOf(item.parentId);
    const deed = this.deed(item);
    const answer = madeId(item, 'y');
    const name = `${this.pathOf(item)}?`;
    if (outline.scheme.style === 'labelled') {
      this.makeLabelledQuestion(item, name, deed, home);
      return;
    }
    this.counter(answer, `${wordOf(item.name)}_answer_${item.id}`, 1, true);
    const names = namesVariable(madeId(item, 't'), `${wordOf(item.name)}_answers_${item.id}`, [no, yes]);
    const held = outline.askingOf(item) === 'hold';
    const shown = held
      ? this.writer.value(item.id, `${item.name}?`, {
          template: menu.words.hold,
          longest: menu.words.hold.length,
        })
      : this.writer.list(item.id, `${item.name}?`, { id: names.id, texts: [no, yes] }, [null, null], answer);
    const move = [this.setting(answer, `!${answer}`)];
    this.place(item.id, 'c', name, held ? shown : { ...shown, variables: [names, ...shown.variables] }, [
      held ? null : { id: `${item.id}_turn`, trigger: this.trigger('next'), actions: move, to: null },
      held
        ? null
        : { id: `${item.id}_turn_back`, trigger: this.trigger('previous'), actions: move, to: null },
      held
        ? { id: `${item.id}_yes`, trigger: this.trigger('sure'), actions: deed, to: home }
        : {
            id: `${item.id}_yes`,
            trigger: this.trigger('choose'),
            guard: `${answer} == 1`,
            actions: deed,
            to: home,
          },
      { id: `${item.id}_no`, trigger: this.trigger('choose'), actions: [], to: home },
      { id: `${item.id}_back`, trigger: this.trigger('back'), actions: [], to: home },
    ]);
    // Asked again, one stands on No again.
    this.states.at(-1)!.exit = [this.setting(answer, '0')];
  }

  /** Yes is never beside the key that asked: pressed twice, that key says no. */
  private makeLabelledQuestion(
    item: MenuItemOf<'action' | 'factory'>,
    name: string,
    deed: readonly Action[],
    home: string,
  ): void {
    const { outline, menu } = this;
    const { yes, no } = menu.words;
    const roles = labelledRoles(menu.scheme);
    const yesAt = questionKeys(outline, item).yes;
    const labels = roles.map((_, at) => ({
      name:
        at === yesAt
          ? `${yes}: ${item.name}`
          : at === 0 || (yesAt === 0 && at === roles.length - 1)
            ? no
            : '',
      value: null,
    }));
    this.place(
      item.id,
      'c',
      name,
      this.writer.labels(item.id, `${item.name}?`, [labels], null),
      roles.map((role, at) => ({
        id: `${item.id}_${at === yesAt ? 'yes' : `no${at}`}`,
        trigger: this.triggerOf({ role, how: 'tap' }),
        actions: at === yesAt ? deed : [],
        to: home,
      })),
    );
  }

  private valueOf(entry: Entry): ValueText | null {
    return entry.kind === 'back' ? null : valueText(this.outline, entry.item);
  }
  private pathOf(owner: { id: string; name: string }): string {
    const item = this.outline.item(owner.id);
    if (!item) return this.menu.name;
    return [this.menu, ...this.outline.wayTo(item), item].map(({ name }) => name).join(' › ');
  }
}

interface NewRule {
  id: string;
  trigger: Trigger | null;
  guard?: string | null;
  actions: readonly Action[];
  /** null: it stays where it is. */
  to: string | null;
}

/** Which of the labelled keys says yes. */
export function questionKeys(outline: Outline, item: MenuItem): { yes: number } {
  const entries = outline.entriesIn(item.parentId);
  const at = entries.findIndex((entry) => entry.kind === 'item' && entry.item.id === item.id);
  const pages = outline.labelPages(entries);
  const slot = pages.length === 1 ? at : at % Math.max(1, outline.slots - 1);
  const last = outline.slots - 1;
  return { yes: slot === last ? 0 : last };
}

/** A name as a word that expressions know. */
export const wordOf = (name: string): string => {
  const word = name
    .replace(/[^A-Za-z0-9]+/g, '_')
    .replace(/^_+|_+$/g, '')
    .slice(0, 14);
  return /^[A-Za-z]/.test(word) ? word : `item_${word}`.slice(0, 14);
};
const plainText = (text: string): string => text.replace(/[{}]/g, '');

/** What a menu comes to in the flow. */
export function makeMenu(outline: Outline): OpenedOut {
  const making = new Making(outline);
  making.make();
  return making.made;
}
