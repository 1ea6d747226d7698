import { plainLabels, showExpression, showOneAction, showTrigger } from '../flow/index.ts';
import {
  isHistory,
  keySetsOf,
  nestingOf,
  variableColumns,
  type Action,
  type Gadget,
  type Layer,
  type Length,
  type Nesting,
  type Rule,
  type State,
  type Trigger,
  type Variable,
} from '../gadget/index.ts';
import { humSpace, scxmlSpace } from './scxmlElements.ts';

const escaped = (text: string): string =>
  text.replace(
    /[&<>"\n]/g,
    (found) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', '\n': '&#10;' })[found]!,
  );

type Attributes = Record<string, string | null | undefined>;

/** Writes elements with their indent. */
class Writer {
  private readonly lines: string[] = ['<?xml version="1.0" encoding="UTF-8"?>'];
  private depth = 0;
  element(name: string, attributes: Attributes, inner?: () => void): void {
    const shown = Object.entries(attributes)
      .filter((entry): entry is [string, string] => typeof entry[1] === 'string')
      .map(([key, value]) => ` ${key}="${escaped(value)}"`)
      .join('');
    const indent = '  '.repeat(this.depth);
    const before = this.lines.length;
    this.lines.push(`${indent}<${name}${shown}>`);
    this.depth += 1;
    inner?.();
    this.depth -= 1;
    if (this.lines.length === before + 1) this.lines[before] = `${indent}<${name}${shown}/>`;
    else this.lines.push(`${indent}</${name}>`);
  }
  get text(): string {
    return `${this.lines.join('\n')}\n`;
  }
}

/** A word of the standard: no spaces, dots only where they mean something. */
const token = (text: string): string => text.replace(/[^\p{L}\p{N}_-]+/gu, '_') || '_';

/** One for each, by its label: "go on" and "go_on" are two. */
function tokensOf(labels: Iterable<string>): ReadonlyMap<string, string> {
  const tokens = new Map<string, string>();
  const given = new Set<string>();
  for (const label of labels) {
    const plain = token(label);
    let own = plain;
    for (let n = 2; given.has(own) || reserved.test(own); n += 1) own = `${plain}_${n}`;
    given.add(own);
    tokens.set(label, own);
  }
  return tokens;
}
/** Events that the standard tells by itself. */
const reserved = /^(done|error|platform)$/;

class Printer {
  private readonly out = new Writer();
  private readonly gadget: Gadget;
  private readonly nesting: Nesting;
  private readonly signals: ReadonlyMap<string, string>;
  private readonly tokens: ReadonlyMap<string, string>;
  private readonly timers: ReadonlyMap<string, string>;
  private readonly controls: ReadonlyMap<string, string>;
  private readonly sets: ReadonlyMap<string, string>;

  constructor(gadget: Gadget) {
    this.gadget = gadget;
    this.nesting = nestingOf(gadget.flow);
    this.controls = plainLabels(gadget.controls);
    this.sets = plainLabels(keySetsOf(gadget));
    this.signals = plainLabels(gadget.flow.signals);
    this.tokens = tokensOf(this.signals.values());
    this.timers = plainLabels(gadget.flow.timers);
  }

  print(): string {
    const { flow, name } = this.gadget;
    this.out.element(
      'scxml',
      {
        xmlns: scxmlSpace,
        'xmlns:hum': humSpace,
        version: '1.0',
        datamodel: 'hum-lever',
        name,
        initial: flow.initialId,
        'hum:chance': flow.chance,
      },
      () => {
        if (flow.variables.length > 0)
          this.out.element('datamodel', {}, () => flow.variables.forEach((one) => this.data(one)));
        for (const label of this.signals.values())
          this.out.element('hum:signal', { event: this.tokens.get(label), name: label });
        for (const label of this.timers.values()) this.out.element('hum:timer', { name: label });
        this.nesting.childrenOf(null).forEach((state) => this.state(state));
        flow.layers.forEach((layer) => this.layer(layer));
        for (const { placeId, means } of flow.marks)
          flow.states.forEach(({ id, rules }) => {
            const rule = rules.findIndex((one) => one.id === placeId);
            if (id === placeId) this.out.element('hum:mark', { state: id, means });
            else if (rule >= 0) this.out.element('hum:mark', { state: id, rule: String(rule + 1), means });
          });
        for (const { stateId, trigger } of flow.ignored)
          this.out.element('hum:ignored', { state: stateId, ...this.told('', trigger) });
      },
    );
    return this.out.text;
  }

  private data(variable: Variable): void {
    const common = { id: variable.name, 'hum:kind': variable.kind };
    const saved = variable.saved
      ? {
          'hum:saved':
            variable.saved.when === 'quiet' ? `quiet ${variable.saved.quietUs}` : variable.saved.when,
        }
      : {};
    if (variable.kind === 'flag')
      return this.out.element('data', { ...common, expr: String(variable.initial), ...saved });
    if (variable.kind === 'choice') {
      const options = variable.options.map(({ name }) => name).join(' ');
      const first = variable.options.find(({ id }) => id === variable.initialId)!.name;
      return this.out.element('data', { ...common, expr: first, 'hum:options': options, ...saved });
    }
    if (variable.kind === 'table')
      return this.out.element('data', {
        ...common,
        expr: JSON.stringify(variable.numbers),
        'hum:columns': rowsOf(variable),
      });
    if (variable.kind === 'text' || variable.kind === 'texts') {
      const start = variable.kind === 'text' ? variable.initial : variable.initials;
      const expr = JSON.stringify(start);
      return this.out.element('data', { ...common, expr, 'hum:length': String(variable.length), ...saved });
    }
    this.out.element('data', {
      ...common,
      expr: String(variable.initial),
      'hum:min': String(variable.min),
      'hum:max': String(variable.max),
      'hum:overflow': variable.overflow,
      'hum:unit': variable.kind === 'number' && variable.unit !== '' ? variable.unit : null,
      'hum:length': variable.kind === 'list' ? String(variable.length) : null,
      'hum:columns': rowsOf(variable),
      ...saved,
    });
  }

  private state(state: State): void {
    const names: Attributes = { id: state.id, 'hum:name': state.name };
    if (isHistory(state)) {
      const type = state.kind === 'history' ? 'shallow' : 'deep';
      const first = this.nesting.childrenOf(state.parentId).find((one) => !isHistory(one))!;
      const target = state.initial?.targetIds.join(' ') ?? first.id;
      // Where nothing was said it is the first: the standard wants it written, we want to know that it was not.
      const unsaid = state.initial ? null : 'true';
      this.out.element('history', { ...names, type }, () =>
        this.out.element('transition', { target, 'hum:first': unsaid }, () =>
          this.actions(state.initial?.actions ?? []),
        ),
      );
      return;
    }
    const inner = this.nesting.childrenOf(state.id);
    const name =
      state.kind === 'final' ? 'final' : state.kind === 'parallel' && inner.length > 0 ? 'parallel' : 'state';
    const timed = state.rules.filter(({ trigger }) => trigger.kind === 'after' || trigger.kind === 'every');
    this.out.element(name, names, () => {
      if (state.initial && name === 'state')
        this.out.element('initial', {}, () =>
          this.out.element('transition', { target: state.initial!.targetIds.join(' ') }, () =>
            this.actions(state.initial!.actions),
          ),
        );
      if (state.entry.length > 0 || timed.length > 0)
        this.out.element('onentry', {}, () => {
          this.actions(state.entry);
          timed.forEach((rule) => this.sendTimer(rule));
        });
      if (state.exit.length > 0 || timed.length > 0)
        this.out.element('onexit', {}, () => {
          this.actions(state.exit);
          timed.forEach(({ id }) => this.out.element('cancel', { sendid: id, 'hum:timer': 'true' }));
        });
      state.rules.forEach((rule) => this.rule(rule));
      inner.forEach((one) => this.state(one));
    });
  }

  /** The timer of a rule as the standard has it: an event that is sent on entering, and called off on leaving. */
  private sendTimer({ id, trigger }: Rule): void {
    if (!('delay' in trigger)) return;
    this.out.element('send', {
      event: `${trigger.kind}.${id}`,
      id,
      ...this.delay(trigger.delay),
      'hum:timer': 'true',
    });
  }

  private delay(length: Length): Attributes {
    if (typeof length !== 'number') return { delayexpr: showExpression(length.ms, this.gadget) };
    return { delay: length % 1_000 === 0 ? `${length / 1_000}ms` : `${length / 1_000_000}s` };
  }

  private rule(rule: Rule): void {
    const { id, trigger, guard, actions, targetIds, internal } = rule;
    this.out.element(
      'transition',
      {
        ...this.told(id, trigger),
        cond: guard === null ? null : showExpression(guard, this.gadget),
        target: targetIds.length > 0 ? targetIds.join(' ') : null,
        type: internal ? 'internal' : null,
      },
      () => {
        this.actions(actions);
        if (trigger.kind === 'every') this.sendTimer(rule);
      },
    );
  }

  /** What an event is called, in the words of the standard and in ours. */
  private told(ruleId: string, trigger: Trigger): Attributes {
    const plain = trigger.kind === 'signal' || trigger.kind === 'always' || trigger.kind === 'any';
    return {
      event: this.event(ruleId, trigger),
      'hum:when': plain ? null : showTrigger(trigger, this.gadget),
    };
  }

  private layer({ name, when, keys }: Layer): void {
    const control = (id: string) => this.controls.get(id)!;
    const attributes = {
      name,
      held: when?.kind === 'held' ? control(when.controlId) : null,
      cond: when?.kind === 'on' ? showExpression(when.condition, this.gadget) : null,
    };
    this.out.element('hum:layer', attributes, () => {
      for (const key of keys) {
        const { press, release } = key;
        const whose =
          'setId' in key ? { set: this.sets.get(key.setId)! } : { control: control(key.controlId) };
        this.out.element('hum:key', whose, () => {
          if (press.length > 0) this.out.element('hum:press', {}, () => this.actions(press));
          if (release.length > 0) this.out.element('hum:release', {}, () => this.actions(release));
        });
      }
    });
  }

  private signalToken(id: string): string {
    return this.tokens.get(this.signals.get(id)!)!;
  }

  /** null: without an event. */
  private event(ruleId: string, trigger: Trigger): string | null {
    switch (trigger.kind) {
      case 'always':
        return null;
      case 'any':
        return '*';
      case 'signal':
        return this.signalToken(trigger.signalId);
      case 'done':
        return `done.state.${trigger.stateId}`;
      case 'after':
      case 'every':
        return `${trigger.kind}.${ruleId}`;
      default:
        return token(showTrigger(trigger, this.gadget)).replace(/_/g, '.');
    }
  }

  private actions(actions: readonly Action[]): void {
    for (const action of actions) this.action(action);
  }

  private action(action: Action): void {
    const expression = (text: string) => showExpression(text, this.gadget);
    switch (action.kind) {
      case 'set': {
        const variable = this.gadget.flow.variables.find(({ id }) => id === action.variableId)!;
        const place = action.index === null ? '' : `[${expression(action.index)}]`;
        return this.out.element('assign', {
          location: variable.name + place,
          expr: expression(action.value),
        });
      }
      case 'raise': {
        const event = this.signalToken(action.signalId);
        if (action.delay === null) return this.out.element('raise', { event });
        return this.out.element('send', { event, ...this.delay(action.delay) });
      }
      default:
        // What the standard has no element for stands as it is typed.
        this.out.element('hum:do', { line: showOneAction(action, this.gadget) });
    }
  }
}

/**
 * The flow as SCXML: states, parallel, history, transitions, with our expressions in a declared datamodel. What the
 * standard has no word for is in attributes and elements of a name space of our own, so that nothing is lost.
 */
export const printScxml = (gadget: Gadget): string => new Printer(gadget).print();

/** Numbers in a row, where there are rows. */
const rowsOf = (variable: Variable): string | null =>
  variableColumns(variable) > 1 ? String(variableColumns(variable)) : null;
