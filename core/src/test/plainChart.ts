import { isHistory, nestingOf, type Gadget, type Rule, type State } from '../gadget/index.ts';

/*
 * The algorithm of the W3C statechart standard (SCXML, appendix D), word by word over the document: sets of states,
 * nothing numbered, nothing planned ahead. Slow, and there to be compared with. Function names are the standard's.
 */

export interface PlainEvent {
  name: string;
}
type Transition =
  { source: State; rule: Rule } | { source: null; rule: { targetIds: string[]; internal: boolean } };

export interface PlainHost {
  /** Whether the rule's trigger answers; null: an eventless one. */
  matches(rule: Rule, event: PlainEvent | null): boolean;
  holds(rule: Rule, isActive: (id: string) => boolean): boolean;
  /** Does what the rule or state says; may raise. */
  run(what: string, raise: (event: PlainEvent) => void): void;
}

export class PlainChart {
  readonly configuration = new Set<string>();
  running = true;
  private readonly internal: PlainEvent[] = [];
  private readonly historyValue = new Map<string, string[]>();
  private readonly states: State[];
  private readonly nesting: ReturnType<typeof nestingOf>;
  private readonly gadget: Gadget;
  private readonly host: PlainHost;

  constructor(gadget: Gadget, host: PlainHost) {
    this.gadget = gadget;
    this.host = host;
    this.nesting = nestingOf(gadget.flow);
    this.states = this.nesting.ordered;
    this.enterStates([{ source: null, rule: { targetIds: [gadget.flow.initialId!], internal: false } }]);
    this.macrostep();
  }

  private readonly raise = (event: PlainEvent) => void this.internal.push(event);
  private state = (id: string) => this.nesting.byId.get(id)!;
  private order = (a: string, b: string) =>
    this.states.findIndex(({ id }) => id === a) - this.states.findIndex(({ id }) => id === b);
  private children = (id: string) => this.nesting.childrenOf(id).filter((one) => !isHistory(one));
  private isCompound = (id: string) => this.state(id).kind === 'plain' && this.children(id).length > 0;
  private isParallel = (id: string) => this.state(id).kind === 'parallel' && this.children(id).length > 0;
  private isAtomic = (id: string) => this.children(id).length === 0;
  private isDescendant = (id: string, of: string | null) => of === null || this.nesting.isInside(id, of);

  private initialOf(id: string): string[] {
    const state = this.state(id);
    if (state.initial) return state.initial.targetIds;
    const home = isHistory(state) ? state.parentId! : id;
    return [this.children(home)[0]!.id];
  }

  /** One external event, to the end of its macrostep. */
  event(event: PlainEvent): void {
    if (!this.running) return;
    const enabled = this.selectTransitions(event);
    if (enabled.length > 0) this.microstep(enabled);
    this.macrostep();
  }

  private macrostep(): void {
    for (let round = 0; this.running; round += 1) {
      if (round > 1_000) throw new Error('never at rest');
      let enabled = this.selectTransitions(null);
      if (enabled.length === 0) {
        const event = this.internal.shift();
        if (!event) return;
        enabled = this.selectTransitions(event);
      }
      if (enabled.length > 0) this.microstep(enabled);
    }
  }

  private selectTransitions(event: PlainEvent | null): Transition[] {
    const enabled: Transition[] = [];
    const atomic = [...this.configuration].filter(this.isAtomic).sort(this.order);
    for (const id of atomic) {
      loop: for (const source of [this.state(id), ...this.nesting.ancestorsOf(id)])
        for (const rule of source.rules)
          if (this.host.matches(rule, event) && this.host.holds(rule, (one) => this.configuration.has(one))) {
            if (!enabled.some((one) => one.rule === rule)) enabled.push({ source, rule });
            break loop;
          }
    }
    return this.removeConflictingTransitions(enabled);
  }

  private removeConflictingTransitions(enabled: Transition[]): Transition[] {
    let filtered: Transition[] = [];
    for (const t1 of enabled) {
      let preempted = false;
      const toRemove: Transition[] = [];
      for (const t2 of filtered) {
        const exit1 = this.computeExitSet([t1]);
        if (!this.computeExitSet([t2]).some((id) => exit1.includes(id))) continue;
        if (this.isDescendant(t1.source!.id, t2.source!.id)) toRemove.push(t2);
        else {
          preempted = true;
          break;
        }
      }
      if (preempted) continue;
      filtered = filtered.filter((one) => !toRemove.includes(one));
      filtered.push(t1);
    }
    return filtered;
  }

  private microstep(enabled: Transition[]): void {
    this.exitStates(enabled);
    for (const { rule } of enabled) if ('id' in rule) this.host.run(`rule ${rule.id}`, this.raise);
    this.enterStates(enabled);
    if (!this.running) this.exitInterpreter();
  }

  private exitInterpreter(): void {
    for (const id of [...this.configuration].sort((a, b) => this.order(b, a)))
      this.host.run(`exit ${id}`, this.raise);
  }

  private computeExitSet(transitions: Transition[]): string[] {
    const out = new Set<string>();
    for (const t of transitions) {
      if (t.rule.targetIds.length === 0) continue;
      const domain = this.getTransitionDomain(t);
      for (const id of this.configuration) if (this.isDescendant(id, domain)) out.add(id);
    }
    return [...out];
  }

  private exitStates(enabled: Transition[]): void {
    const out = this.computeExitSet(enabled).sort((a, b) => this.order(b, a));
    for (const id of out)
      for (const h of this.nesting.childrenOf(id).filter(isHistory)) {
        const inside =
          h.kind === 'deepHistory'
            ? (one: string) => this.isAtomic(one) && this.isDescendant(one, id)
            : (one: string) => this.state(one).parentId === id;
        this.historyValue.set(h.id, [...this.configuration].filter(inside).sort(this.order));
      }
    for (const id of out) {
      this.host.run(`exit ${id}`, this.raise);
      this.configuration.delete(id);
    }
  }

  private getEffectiveTargetStates(targets: string[]): string[] {
    return targets.flatMap((id) => {
      if (!isHistory(this.state(id))) return [id];
      return this.historyValue.get(id) ?? this.getEffectiveTargetStates(this.initialOf(id));
    });
  }

  private getTransitionDomain({ source, rule }: Transition): string | null {
    const targets = this.getEffectiveTargetStates(rule.targetIds);
    if (source === null) return null;
    if (
      rule.internal &&
      this.isCompound(source.id) &&
      targets.every((id) => this.isDescendant(id, source.id))
    )
      return source.id;
    const over = this.nesting
      .ancestorsOf(source.id)
      .map(({ id }) => id)
      .filter(this.isCompound);
    return over.find((id) => targets.every((target) => this.isDescendant(target, id))) ?? null;
  }

  private enterStates(enabled: Transition[]): void {
    const toEnter = new Set<string>();
    const defaults = new Set<string>();
    const content = new Map<string, string>();
    const descend = (id: string): void => {
      const state = this.state(id);
      if (isHistory(state)) {
        const value = this.historyValue.get(id);
        if (!value) content.set(state.parentId!, id);
        const targets = value ?? this.initialOf(id);
        targets.forEach(descend);
        this.getEffectiveTargetStates(targets).forEach((one) => ascend(one, state.parentId));
        return;
      }
      toEnter.add(id);
      if (this.isCompound(id)) {
        defaults.add(id);
        this.initialOf(id).forEach(descend);
        this.getEffectiveTargetStates(this.initialOf(id)).forEach((one) => ascend(one, id));
      } else if (this.isParallel(id)) regions(id);
    };
    const regions = (id: string): void => {
      for (const child of this.children(id))
        if (![...toEnter].some((one) => one === child.id || this.isDescendant(one, child.id)))
          descend(child.id);
    };
    const ascend = (id: string, ancestor: string | null): void => {
      for (const over of this.nesting.ancestorsOf(id)) {
        if (over.id === ancestor) return;
        toEnter.add(over.id);
        if (this.isParallel(over.id)) regions(over.id);
      }
    };
    for (const t of enabled) {
      if (t.rule.targetIds.length === 0) continue;
      t.rule.targetIds.forEach(descend);
      const ancestor = this.getTransitionDomain(t);
      this.getEffectiveTargetStates(t.rule.targetIds).forEach((one) => ascend(one, ancestor));
    }
    for (const id of [...toEnter].sort(this.order)) {
      this.configuration.add(id);
      this.host.run(`enter ${id}`, this.raise);
      if (defaults.has(id)) this.host.run(`begin ${id}`, this.raise);
      if (content.has(id)) this.host.run(`begin ${content.get(id)!}`, this.raise);
      const state = this.state(id);
      if (state.kind !== 'final') continue;
      if (state.parentId === null) {
        this.running = false;
        continue;
      }
      this.raise({ name: `done ${state.parentId}` });
      const grand = this.state(state.parentId).parentId;
      if (grand !== null && this.isParallel(grand) && this.isInFinalState(grand))
        this.raise({ name: `done ${grand}` });
    }
  }

  private isInFinalState(id: string): boolean {
    const children = this.children(id);
    if (this.isCompound(id))
      return children.some((one) => one.kind === 'final' && this.configuration.has(one.id));
    return this.isParallel(id) && children.every((one) => this.isInFinalState(one.id));
  }
}
