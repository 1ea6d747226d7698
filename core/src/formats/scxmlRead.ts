import {
  ExpressionError,
  plainLabels,
  readActionLine,
  readExpression,
  readTriggerLine,
} from '../flow/index.ts';
import {
  blankState,
  chanceKinds,
  emptyFlow,
  limits,
  markKinds,
  nameSchema,
  openGadget,
  readableText,
  type Action,
  type Gadget,
  type Layer,
  type Rule,
  type State,
  type Trigger,
  keySetsOf,
} from '../gadget/index.ts';
import { known } from './scxmlKnown.ts';
import { readXml, stateNames, timeUs, words, XmlRefused, type Element } from './scxmlElements.ts';
import { readVariables } from './scxmlVariables.ts';

/** What could not be carried over, and where it stood. */
export interface ScxmlNote {
  /** Id of the state, '' for the whole. */
  at: string;
  message: string;
}
export type ScxmlRead =
  { outcome: 'read'; gadget: Gadget; notes: ScxmlNote[] } | { outcome: 'refused'; message: string };

/** An action as it is typed: an expression or a text, and what is around it. */
const mostLine = limits.expressionChars + limits.templateChars;
/** What is read of the root besides states; its transitions and actions belong to no state. */
const atRoot: ReadonlySet<string> = new Set([
  'datamodel',
  'hum:signal',
  'hum:timer',
  'hum:layer',
  'hum:ignored',
  'hum:mark',
]);
/** Elements that say all in their attributes. */
const alone: ReadonlySet<string> = new Set(['send', 'raise', 'assign', 'cancel', 'data', 'hum:do']);
/** done, done.state: the end of any state. */
const isDone = (event: string): boolean =>
  event === 'done' || event === 'done.state' || event.startsWith('done.state.');
/** Notes listed one by one; how many more there are is said. */
const mostNotes = 200;

class Reader {
  readonly notes: ScxmlNote[] = [];
  private readonly base: Gadget;
  private readonly root: Element;
  private readonly idOf = new Map<string, string>();
  private readonly states: { element: Element; state: State }[] = [];
  /** By the event of the file. */
  private readonly signals = new Map<string, string>();
  private readonly signalNames = new Map<string, string>();
  private gadget: Gadget;
  private rules = 0;
  private layers = 0;

  constructor(base: Gadget, root: Element) {
    this.base = base;
    this.root = root;
    this.gadget = base;
  }

  private more = 0;
  private note(at: string, message: string): void {
    if (this.notes.length < mostNotes) this.notes.push({ at, message });
    else this.more += 1;
  }

  /** What the standard or a file may have, and nothing here has a word for: every element and attribute is looked at. */
  private noteUnknown(element: Element, at: string): void {
    const attributes = known[element.name];
    if (!attributes) return;
    for (const name of Object.keys(element.attributes))
      if (!attributes.has(name))
        this.note(at, `${name} of <${element.name}> (line ${element.line}) was left out.`);
    if (alone.has(element.name))
      for (const { name, line } of element.inner)
        this.note(at, `<${name}> of <${element.name}> (line ${line}) was left out.`);
    for (const inner of element.inner)
      this.noteUnknown(
        inner,
        stateNames.has(inner.name) ? (inner.attributes.id ?? `line ${inner.line}`) : at,
      );
  }

  read(): Gadget {
    this.noteUnknown(this.root, '');
    for (const { name, line } of this.root.inner)
      if (!stateNames.has(name) && !atRoot.has(name))
        this.note('', `<${name}> (line ${line}) cannot be carried over, and was left out.`);
    this.collectStates(this.root, null);
    for (const { name, attributes } of this.root.inner)
      if (name === 'hum:signal' && attributes.event !== undefined) {
        this.signals.set(attributes.event, `g${this.signals.size + 1}`);
        this.signalNames.set(attributes.event, (attributes.name ?? attributes.event).trim());
      }
    this.collectSignals(this.root);
    const [initial, ...others] = words(this.root.attributes.initial);
    if (others.length > 0)
      this.note(
        '',
        `It begins in ${initial}; ${others.join(' ')} in initial was left out: only one state stands outermost.`,
      );
    const first = this.states.find(({ state }) => state.parentId === null)?.state.id ?? null;
    this.gadget = {
      ...this.base,
      flow: {
        ...emptyFlow(),
        chance:
          chanceKinds.find((kind) => kind === this.root.attributes['hum:chance']) ?? this.base.flow.chance,
        timers: this.root.inner
          .filter(({ name }) => name === 'hum:timer')
          .map(({ attributes }, n) => ({
            id: `m${n + 1}`,
            name: this.name(attributes.name ?? `Timer ${n + 1}`, `m${n + 1}`),
          })),
        variables: readVariables(this.root, (message) => this.note('', message)),
        signals: [...this.signals].map(([event, id]) => ({
          id,
          name: this.name(this.signalNames.get(event) ?? event, id),
        })),
        states: this.states.map(({ state }) => state),
        initialId: initial === undefined ? first : (this.target('', initial) ?? first),
      },
    };
    for (const { element, state } of this.states) this.fill(element, state);
    const { flow } = this.gadget;
    const ours = (name: string) => this.root.inner.filter((one) => one.name === name);
    const layers = ours('hum:layer').flatMap((element) => this.layer(element) ?? []);
    const ignored = ours('hum:ignored').flatMap((element) => this.ignored(element));
    const marks = ours('hum:mark').flatMap((element) => this.mark(element, flow.states));
    if (this.more > 0) this.notes.push({ at: '', message: `${this.more} more were left out.` });
    return { ...this.gadget, flow: { ...flow, layers, ignored, marks } };
  }

  private collectStates(element: Element, parentId: string | null): void {
    for (const inner of element.inner) {
      if (!stateNames.has(inner.name)) continue;
      const id = `s${this.states.length + 1}`;
      const own = inner.attributes.id;
      if (own !== undefined && this.idOf.has(own))
        this.note(own, 'Its id is used twice; rules lead to the first.');
      else if (own !== undefined) this.idOf.set(own, id);
      const kind =
        inner.name === 'history'
          ? inner.attributes.type === 'deep'
            ? 'deepHistory'
            : 'history'
          : inner.name === 'state'
            ? 'plain'
            : (inner.name as 'parallel' | 'final');
      const name = this.name(inner.attributes['hum:name'] ?? own ?? `State ${this.states.length + 1}`, id);
      const state: State = { ...blankState(), id, name, kind, parentId };
      this.states.push({ element: inner, state });
      this.collectStates(inner, id);
    }
  }

  /** A name that a gadget can have; what had to be changed about it is told. */
  private name(given: string, otherwise: string): string {
    const name = readableText(given).trim().slice(0, limits.nameChars).trim();
    const named = nameSchema.safeParse(name).success ? name : otherwise;
    if (named !== given.trim())
      this.note(otherwise, `Its name was changed to "${named}", from "${given.slice(0, 120)}".`);
    return named;
  }

  /** Names of events that something raises or waits for, but for what is told of states and timers. */
  private collectSignals(element: Element): void {
    for (const inner of element.inner) {
      const own = inner.attributes['hum:when'] !== undefined || inner.attributes['hum:timer'] !== undefined;
      if (!own && (inner.name === 'transition' || inner.name === 'raise' || inner.name === 'send'))
        for (const event of words(inner.attributes.event)) {
          const name = event.replace(/\.?\*$/, '');
          if (name === '' || isDone(name) || this.signals.has(name)) continue;
          if (this.signals.size >= limits.signals)
            throw new XmlRefused(`Line ${inner.line}: expected at most ${limits.signals} different events.`);
          this.signals.set(name, `g${this.signals.size + 1}`);
        }
      this.collectSignals(inner);
    }
  }

  private target(at: string, own: string): string | null {
    const id = this.idOf.get(own);
    if (id === undefined) this.note(at, `Nothing is called "${own}": the way there was left out.`);
    return id ?? null;
  }
  private targets(at: string, text: string | undefined): string[] {
    return words(text).flatMap((own) => this.target(at, own) ?? []);
  }

  private fill(element: Element, state: State): void {
    const at = element.attributes.id ?? state.id;
    const timers = this.ownTimers(element);
    for (const inner of element.inner) {
      switch (inner.name) {
        case 'onentry':
          state.entry.push(
            ...this.actions(
              at,
              inner.inner.filter((one) => !timers.parts.has(one)),
            ),
          );
          break;
        case 'onexit':
          state.exit.push(
            ...this.actions(
              at,
              inner.inner.filter((one) => !timers.parts.has(one)),
            ),
          );
          break;
        case 'initial':
          this.begin(at, state, inner.inner[0]);
          break;
        case 'transition':
          if (element.name === 'history') this.begin(at, state, inner);
          else state.rules.push(...this.rulesOf(at, inner, timers.delays));
          break;
        default:
          if (!stateNames.has(inner.name))
            this.note(at, `<${inner.name}> cannot be carried over, and was left out.`);
      }
    }
    const initial = this.targets(at, element.attributes.initial);
    if (initial.length > 0) state.initial = { targetIds: initial, actions: [] };
  }

  private begin(at: string, state: State, transition: Element | undefined): void {
    if (!transition || transition.attributes['hum:first'] === 'true') return;
    const targetIds = this.targets(at, transition.attributes.target);
    if (targetIds.length > 0) state.initial = { targetIds, actions: this.actions(at, transition.inner) };
  }

  /**
   * Timers of a state as the standard has them: an event that is sent with a delay on entering, called off on leaving,
   * and waited for in the same state.
   */
  private ownTimers(element: Element): { delays: Map<string, number>; parts: Set<Element> } {
    const of = (name: string, inner: string) =>
      element.inner
        .filter((one) => one.name === name)
        .flatMap((one) => one.inner)
        .filter((one) => one.name === inner);
    const delays = new Map<string, number>();
    const parts = new Set<Element>();
    const cancels = of('onexit', 'cancel');
    for (const one of [...of('onentry', 'send'), ...cancels])
      if (one.attributes['hum:timer'] !== undefined) parts.add(one);
    for (const send of of('onentry', 'send')) {
      const { event, id, delay } = send.attributes;
      const us = delay === undefined ? null : timeUs(delay);
      const cancel = cancels.find(({ attributes }) => attributes.sendid === id);
      const waited = element.inner.some(
        (one) => one.name === 'transition' && words(one.attributes.event).includes(event ?? ''),
      );
      if (event === undefined || us === null || id === undefined || !cancel || !waited) continue;
      delays.set(event, us);
      parts.add(send);
      parts.add(cancel);
    }
    return { delays, parts };
  }

  private triggersOf(at: string, { attributes }: Element, delays: ReadonlyMap<string, number>): Trigger[] {
    const own = attributes['hum:when'];
    if (own !== undefined) {
      if (own.startsWith('done ')) {
        const target = /^done\.state\.(.+)$/.exec(attributes.event ?? '')?.[1];
        const id = target === undefined ? null : this.target(at, target);
        return id === null ? [] : [{ kind: 'done', stateId: id }];
      }
      try {
        return [readTriggerLine(own, this.gadget)];
      } catch (error) {
        if (!(error instanceof ExpressionError)) throw error;
        this.note(at, `The rule for "${own}" was left out: ${error.message}.`);
        return [];
      }
    }
    if (attributes.event === undefined) return [{ kind: 'always' }];
    if (words(attributes.event).length === 0) {
      this.note(at, 'A transition whose event is empty never comes, and was left out.');
      return [];
    }
    return words(attributes.event).flatMap((event): Trigger[] => {
      const delay = delays.get(event);
      if (delay !== undefined) return [{ kind: 'after', delay: Math.max(1_000, delay) }];
      const name = event.replace(/\.?\*$/, '');
      if (name === '') return [{ kind: 'any' }];
      const done = /^done\.state\.(.+)$/.exec(name);
      if (done) {
        const id = this.target(at, done[1]!);
        return id === null ? [] : [{ kind: 'done', stateId: id }];
      }
      // Descriptors of them all: every state that can come to an end.
      if (isDone(name))
        return this.states
          .filter(({ element }) =>
            element.inner.some((one) => stateNames.has(one.name) && one.name !== 'history'),
          )
          .map(({ state }) => ({ kind: 'done', stateId: state.id }));
      // A descriptor means every event that begins with it, word by word.
      return [...this.signals]
        .filter(([signal]) => signal === name || signal.startsWith(`${name}.`))
        .map(([, signalId]) => ({ kind: 'signal', signalId }));
    });
  }

  private rulesOf(at: string, element: Element, delays: ReadonlyMap<string, number>): Rule[] {
    const { cond, target, type } = element.attributes;
    const guard = cond === undefined ? null : this.expression(at, cond);
    // A condition that cannot be read would make a rule fire that should not.
    if (cond !== undefined && guard === null) return [];
    const actions = this.actions(
      at,
      element.inner.filter((one) => one.attributes['hum:timer'] === undefined),
    );
    return this.triggersOf(at, element, delays).map((trigger) => {
      this.rules += 1;
      return {
        id: `r${this.rules}`,
        trigger,
        guard,
        actions,
        targetIds: this.targets(at, target),
        internal: type === 'internal',
      };
    });
  }

  private layer({ attributes, inner }: Element): Layer | null {
    const name = attributes.name ?? 'Layer';
    const { held, cond } = attributes;
    const heldId = held === undefined ? null : this.control(held);
    const condition = cond === undefined ? null : this.expression('', cond);
    // Without its condition a layer would always be on.
    if ((held !== undefined && heldId === null) || (cond !== undefined && condition === null)) return null;
    this.layers += 1;
    return {
      id: `y${this.layers}`,
      name,
      when: heldId
        ? { kind: 'held', controlId: heldId }
        : condition === null
          ? null
          : { kind: 'on', condition },
      keys: inner.flatMap((key): Layer['keys'] => {
        const { control, set } = key.attributes;
        const controlId = set === undefined ? this.control(control ?? '') : null;
        const setId = set === undefined ? null : this.keySet(set);
        const does = (what: string) =>
          this.actions(
            '',
            key.inner.filter((one) => one.name === what).flatMap((one) => one.inner),
          );
        const done = { press: does('hum:press'), release: does('hum:release') };
        if (setId !== null) return [{ setId, ...done }];
        return controlId === null ? [] : [{ controlId, ...done }];
      }),
    };
  }
  private control(label: string): string | null {
    const found = [...plainLabels(this.base.controls)].find(([, own]) => own === label);
    if (!found) this.note('', `No control is called "${label}": what it does in a layer was left out.`);
    return found?.[0] ?? null;
  }
  private keySet(label: string): string | null {
    const found = [...plainLabels(keySetsOf(this.base))].find(([, own]) => own === label);
    if (!found) this.note('', `No set of keys is called "${label}": what it does in a layer was left out.`);
    return found?.[0] ?? null;
  }
  private mark({ attributes }: Element, states: readonly State[]): Gadget['flow']['marks'] {
    const own = attributes.state ?? '';
    const stateId = this.target(own, own);
    const means = markKinds.find((kind) => kind === attributes.means);
    const state = states.find(({ id }) => id === stateId);
    const placeId = attributes.rule === undefined ? stateId : state?.rules[Number(attributes.rule) - 1]?.id;
    return means && placeId ? [{ placeId, means }] : [];
  }
  private ignored(element: Element): { stateId: string; trigger: Trigger }[] {
    const own = element.attributes.state ?? '';
    const stateId = this.target(own, own);
    if (stateId === null) return [];
    return this.triggersOf(own, element, new Map()).map((trigger) => ({ stateId, trigger }));
  }

  /** Our expression over names as ids; In('x') of the standard is our in(x). */
  private expression(at: string, text: string): string | null {
    if (text.length > limits.expressionChars) {
      this.note(
        at,
        `"${text.slice(0, 40)}…" was left out: expected at most ${limits.expressionChars} characters.`,
      );
      return null;
    }
    const ours = text.replace(/\bIn\(\s*'([^']*)'\s*\)/g, (_all, own: string) => {
      const id = this.idOf.get(own);
      const state = this.states.find((one) => one.state.id === id)?.state;
      return `in("${(state?.name ?? own).replace(/["\\]/g, '\\$&')}")`;
    });
    try {
      return readExpression(ours, this.gadget);
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      this.note(at, `"${text}" was left out, with what it stands in: ${error.message}.`);
      return null;
    }
  }

  private actions(at: string, elements: readonly Element[]): Action[] {
    return elements.flatMap((element) => this.action(at, element) ?? []);
  }

  private action(at: string, { name, attributes }: Element): Action | null {
    const line = (text: string): Action | null => {
      if (text.length > mostLine) {
        this.note(at, `"${text.slice(0, 40)}…" was left out: expected at most ${mostLine} characters.`);
        return null;
      }
      try {
        return readActionLine(text, this.gadget);
      } catch (error) {
        if (!(error instanceof ExpressionError)) throw error;
        this.note(at, `"${text}" was left out: ${error.message}.`);
        return null;
      }
    };
    switch (name) {
      case 'hum:do':
        return line(attributes.line ?? '');
      case 'assign':
        return line(`${attributes.location ?? ''} = ${attributes.expr ?? ''}`);
      case 'raise':
      case 'send': {
        const signalId = this.signals.get(attributes.event ?? '');
        if (signalId === undefined) break;
        if (name === 'raise') return { kind: 'raise', signalId, delay: null };
        if (attributes.delayexpr !== undefined) {
          const ms = this.expression(at, attributes.delayexpr);
          return ms === null ? null : { kind: 'raise', signalId, delay: { ms } };
        }
        const delay = attributes.delay === undefined ? 0 : timeUs(attributes.delay);
        if (delay !== null) return { kind: 'raise', signalId, delay };
        break;
      }
    }
    this.note(at, `<${name}> cannot be carried over, and was left out.`);
    return null;
  }
}

/**
 * A flow from SCXML, put in the place of the gadget's own. Events that are no words of ours become signals. What cannot
 * be carried over (scripts, invocations, conditions around actions …) is listed; nothing is dropped in silence.
 */
export function readScxml(text: string, gadget: Gadget): ScxmlRead {
  const refused = (message: string): ScxmlRead => ({ outcome: 'refused', message });
  if (text.length > limits.documentBytes) return refused('Expected a file of at most 1 MiB.');
  let reader: Reader;
  let made: Gadget;
  try {
    const root = readXml(text.replace(/^\uFEFF/, ''));
    if (root.name !== 'scxml') return refused('Expected an <scxml> element, as the standard has it.');
    reader = new Reader(gadget, root);
    made = reader.read();
  } catch (error) {
    if (!(error instanceof XmlRefused)) throw error;
    return refused(error.message);
  }
  const opened = openGadget({
    ...made,
    brief: {
      ...made.brief,
      words: made.brief.words.map((word) => ({ ...word, links: [] })),
      tasks: made.brief.tasks.map((task) => ({ ...task, startStateId: null, goalStateId: null })),
    },
  });
  if (opened.outcome !== 'opened') return refused(opened.message);
  return { outcome: 'read', gadget: opened.gadget, notes: reader.notes };
}
