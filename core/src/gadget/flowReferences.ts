import type { Action } from './actions.schema.ts';
import type { Control } from './controls.schema.ts';
import { isElement, isOutputAction, kindsTold, showsPages, type Output } from './outputs.schema.ts';
import type { Flow, State, Trigger } from './flow.schema.ts';
import type { Chord } from './gestures.schema.ts';
import { fontNames } from '../screen/pages.fields.ts';
import { keySetsOf, layerKeyId } from './keySets.ts';
import { drawnLists, placedActions } from './placedActions.ts';
import type { Page } from './pages.schema.ts';
import type { OwnFont } from './fonts.schema.ts';
import type { Picture } from './pictures.schema.ts';
import type { SoundEffect } from './effects.schema.ts';
import type { Tune } from './tunes.schema.ts';
import type { Part } from './parts.schema.ts';
import type { Wiring } from './wiring.schema.ts';
import { limits } from './limits.ts';
import { areApart, isHistory, nestingOf, type Nesting } from './nesting.ts';

type Path = (string | number)[];
type Accuse = (path: Path, message: string) => void;

interface Referring {
  controls: Control[];
  parts: Part[];
  wiring: Pick<Wiring, 'sets'>;
  chords: Chord[];
  outputs: Output[];
  pages: Page[];
  pictures: Picture[];
  fonts: OwnFont[];
  effects: SoundEffect[];
  tunes: Tune[];
  flow: Flow;
}

/** References of the flow that lead nowhere, and states that lie in one another as states cannot. */
export function flowFaults(gadget: Referring, accuse: Accuse): void {
  const { controls, flow } = gadget;
  const nesting = nestingOf(flow);
  const kinds = new Map(controls.map(({ id, kind }) => [id, kind]));
  const state = (id: string | null, path: Path) => {
    if (id !== null && !nesting.byId.has(id)) accuse(path, `expected the id of a state, got "${id}"`);
  };
  state(flow.initialId, ['flow', 'initialId']);
  if ((flow.initialId === null) !== (flow.states.length === 0))
    accuse(['flow', 'initialId'], 'expected the id of the first state, or null where there is no state');
  if (nesting.ordered.length < flow.states.length)
    accuse(['flow', 'states'], 'expected no state to lie in itself, by whatever way');
  else
    flow.states.forEach((one, s) => {
      const path = ['flow', 'states', s];
      state(one.parentId, [...path, 'parentId']);
      if (one.parentId === null || nesting.byId.has(one.parentId)) stateFaults(nesting, one, path, accuse);
    });
  const trigger = triggerFaults(gadget, nesting, accuse);
  flow.states.forEach(({ rules }, s) =>
    rules.forEach((rule, r) => {
      const base = ['flow', 'states', s, 'rules', r];
      rule.targetIds.forEach((id, t) => state(id, [...base, 'targetIds', t]));
      trigger(rule.trigger, [...base, 'trigger']);
      apart(nesting, rule.targetIds, [...base, 'targetIds'], accuse);
    }),
  );
  const marked = new Set(flow.states.flatMap(({ id, rules }) => [id, ...rules.map((rule) => rule.id)]));
  flow.marks.forEach(({ placeId }, n) => {
    if (!marked.has(placeId))
      accuse(['flow', 'marks', n, 'placeId'], `expected the id of a state or a rule, got "${placeId}"`);
  });
  flow.ignored.forEach((one, n) => {
    state(one.stateId, ['flow', 'ignored', n, 'stateId']);
    trigger(one.trigger, ['flow', 'ignored', n, 'trigger']);
  });
  const sets = new Set(keySetsOf(gadget).map(({ id }) => id));
  flow.layers.forEach(({ when, keys }, y) => {
    const base = ['flow', 'layers', y];
    const key = (id: string, path: Path) => {
      if (kinds.get(id) !== 'button') accuse(path, `expected the id of a button, got "${id}"`);
    };
    if (when?.kind === 'held') key(when.controlId, [...base, 'when', 'controlId']);
    keys.forEach((one, k) => {
      const id = layerKeyId(one);
      const path = [...base, 'keys', k, 'setId' in one ? 'setId' : 'controlId'];
      if (!('setId' in one)) key(id, path);
      else if (!sets.has(id)) accuse(path, `expected the id of a key set, got "${id}"`);
      if (keys.findIndex((other) => layerKeyId(other) === id) < k)
        accuse(path, 'expected each key once in a layer');
    });
  });
  actionFaults(gadget, accuse);
  pageFaults(gadget, accuse);
}

/** Several targets at once are for regions beside one another. */
function apart(nesting: Nesting, ids: readonly string[], path: Path, accuse: Accuse): void {
  if (ids.some((a, i) => ids.slice(i + 1).some((b) => !areApart(nesting, a, b))))
    accuse(path, 'expected several targets to lie in different regions of a parallel state');
}

function stateFaults(nesting: Nesting, state: State, path: Path, accuse: Accuse): void {
  const inner = nesting.childrenOf(state.id);
  const parent = state.parentId === null ? undefined : nesting.byId.get(state.parentId);
  const over = nesting.ancestorsOf(state.id);
  if (over.length >= limits.nesting)
    accuse([...path, 'parentId'], `expected at most ${limits.nesting} states in one another`);
  if (parent && parent.kind !== 'plain' && parent.kind !== 'parallel')
    accuse([...path, 'parentId'], `expected a state that can hold others, got a ${parent.kind} state`);
  const empty = isHistory(state) || state.kind === 'final';
  if (empty && state.rules.length > 0)
    accuse([...path, 'rules'], `expected no rules in a ${state.kind} state`);
  if (isHistory(state)) {
    if (!parent) accuse([...path, 'parentId'], 'expected history to lie in the state that it remembers');
    if (state.entry.length + state.exit.length > 0)
      accuse([...path, 'entry'], 'expected nothing to be done in a history state');
  }
  if (inner.length > 0 && inner.every(isHistory))
    accuse([...path, 'kind'], 'expected a state with history to hold at least one other state');
  const { initial } = state;
  if (!initial) return;
  const home = isHistory(state) ? state.parentId! : state.id;
  if (state.kind === 'parallel' || state.kind === 'final' || (inner.length === 0 && !isHistory(state)))
    accuse([...path, 'initial'], 'expected a beginning only where there is a choice of states');
  initial.targetIds.forEach((id, t) => {
    if (!nesting.isInside(id, home))
      accuse([...path, 'initial', 'targetIds', t], `expected a state inside it, got "${id}"`);
  });
  apart(nesting, initial.targetIds, [...path, 'initial', 'targetIds'], accuse);
  if (isHistory(state) && leadsBack(nesting, state))
    accuse(
      [...path, 'initial', 'targetIds'],
      'expected history to lead to a state at last, not back to itself',
    );
}

/** Whether the beginning of a history state is, through others, itself. */
function leadsBack({ byId }: Nesting, from: State): boolean {
  const next = (state: State | undefined) =>
    state && isHistory(state) ? byId.get(state.initial?.targetIds[0] ?? '') : undefined;
  let at = next(from);
  for (let n = 0; n < byId.size && at && at !== from; n += 1) at = next(at);
  return at === from;
}

function triggerFaults(gadget: Referring, nesting: Nesting, accuse: Accuse) {
  const { controls, outputs, chords, flow } = gadget;
  const kinds = new Map(controls.map(({ id, kind }) => [id, kind]));
  const codes = new Set(
    controls.flatMap((control) => (control.kind === 'codes' ? control.codes.map(({ id }) => id) : [])),
  );
  const ids = (list: readonly { id: string }[]) => new Set(list.map(({ id }) => id));
  const [chordIds, timers, signals] = [ids(chords), ids(flow.timers), ids(flow.signals)];
  const sets = ids(keySetsOf(gadget));
  const among = (known: { has(id: string): boolean }, id: string, path: Path, what: string) => {
    if (!known.has(id)) accuse(path, `expected the id of a ${what}, got "${id}"`);
  };
  return (trigger: Trigger, path: Path): void => {
    switch (trigger.kind) {
      case 'gesture':
        return among(kinds, trigger.controlId, [...path, 'controlId'], 'control');
      case 'keys':
        return among(sets, trigger.setId, [...path, 'setId'], 'key set');
      case 'turn':
      case 'crossing': {
        const kind = kinds.get(trigger.controlId);
        if (kind === 'knob' || (kind === 'encoder' && trigger.kind === 'turn')) return;
        accuse([...path, 'controlId'], `expected the id of what can be turned, got "${trigger.controlId}"`);
        return;
      }
      case 'chord':
        return among(chordIds, trigger.chordId, [...path, 'chordId'], 'chord');
      case 'code':
        return among(codes, trigger.codeId, [...path, 'codeId'], 'code');
      case 'timer':
        return among(timers, trigger.timerId, [...path, 'timerId'], 'timer');
      case 'signal':
        return among(signals, trigger.signalId, [...path, 'signalId'], 'signal');
      case 'done':
        return among(nesting.byId, trigger.stateId, [...path, 'stateId'], 'state');
      case 'line':
      case 'character': {
        const serial = outputs.some(({ id, kind }) => id === trigger.outputId && kind === 'serial');
        if (!serial)
          accuse([...path, 'outputId'], `expected the id of a serial output, got "${trigger.outputId}"`);
        return;
      }
      case 'after':
      case 'every':
      case 'midi':
      case 'power':
      case 'always':
      case 'any':
        return;
    }
  };
}

/** What an action with a variable would need instead of this one; null: it will do. */
export function wrongFor(
  action: Extract<Action, { variableId: string }>,
  variable: Flow['variables'][number],
): string | null {
  const { kind } = variable;
  switch (action.kind) {
    case 'setText':
    case 'append':
    case 'shorten':
      if (action.index !== null) return kind === 'texts' ? null : 'expected a list of texts';
      return kind === 'text' ? null : 'expected a text';
    case 'drawList':
      return kind === 'texts' ? null : 'expected a list of texts';
    case 'set':
      if (kind === 'table') return 'expected a variable that can change; a table stays as it is';
      if (kind === 'text' || kind === 'texts') return 'expected a variable that is no text';
      return action.index !== null && kind !== 'list' ? 'expected a list' : null;
    case 'shift':
      return kind === 'list' ? null : 'expected a list';
    default:
      // What is shown of it changes nothing.
      return kind === 'list' || kind === 'table' ? null : 'expected a list of numbers';
  }
}

/** Pages lie on displays that show some, and hold what draws on those; nothing else draws. */
function pageFaults({ outputs, pages, pictures, fonts, flow }: Referring, accuse: Accuse): void {
  const drawn = new Set(pictures.map(({ id }) => id));
  const written = new Set<string>([...fontNames, ...fonts.map(({ id }) => id)]);
  const kinds = new Map(outputs.map(({ id, kind }) => [id, kind]));
  pages.forEach(({ outputId, elements }, p) => {
    const kind = kinds.get(outputId);
    if (!kind || !showsPages(kind))
      accuse(['pages', p, 'outputId'], `expected the id of a display that shows pages, got "${outputId}"`);
    elements.forEach((element, e) => {
      if (element.outputId !== outputId)
        accuse(
          ['pages', p, 'elements', e, 'outputId'],
          `expected the display of its page, "${outputId}", got "${element.outputId}"`,
        );
      if (element.kind === 'drawPicture' && !drawn.has(element.pictureId))
        accuse(
          ['pages', p, 'elements', e, 'pictureId'],
          `expected the id of a picture, got "${element.pictureId}"`,
        );
      if ('font' in element && !written.has(element.font))
        accuse(
          ['pages', p, 'elements', e, 'font'],
          `expected one of ${fontNames.join(', ')}, or the id of a font, got "${element.font}"`,
        );
    });
  });
  const shown = new Map(pages.flatMap(({ id, outputId, over }) => (over === null ? [[id, outputId]] : [])));
  for (const { actions, path } of placedActions(flow))
    actions.forEach((action, a) => {
      if (isElement(action))
        accuse([...path, a, 'kind'], `expected something that can be told, and "${action.kind}" on a page`);
      if (
        action.kind === 'showPage' &&
        action.pageId !== null &&
        shown.get(action.pageId) !== action.outputId
      )
        accuse(
          [...path, a, 'pageId'],
          `expected the id of a page of that display that lies over no other, got "${action.pageId}"`,
        );
    });
}

function actionFaults({ outputs, pages, effects, tunes, flow }: Referring, accuse: Accuse): void {
  const variables = new Map(flow.variables.map((variable) => [variable.id, variable]));
  const outputKinds = new Map(outputs.map(({ id, kind }) => [id, kind]));
  const voices = new Map(tunes.map(({ id, voices: own }) => [id, own.map((voice) => voice.id)]));
  const timers = new Set(flow.timers.map(({ id }) => id));
  const signals = new Set(flow.signals.map(({ id }) => id));
  for (const { actions, path } of [...placedActions(flow), ...drawnLists(pages)])
    actions.forEach((action, a) => {
      const at = (field: string) => [...path, a, field];
      if ('variableId' in action) {
        const variable = variables.get(action.variableId);
        const expected = variable && wrongFor(action, variable);
        if (!variable) accuse(at('variableId'), `expected the id of a variable, got "${action.variableId}"`);
        else if (expected) accuse(at('variableId'), expected);
      }
      if (isOutputAction(action)) {
        const wanted = kindsTold(action.kind);
        const kind = outputKinds.get(action.outputId);
        if (!kind || !wanted.includes(kind))
          accuse(
            at('outputId'),
            `expected the id of a ${wanted.join(' or ')} output, got "${action.outputId}"`,
          );
      }
      if (action.kind === 'effect' && !effects.some(({ id }) => id === action.effectId))
        accuse(at('effectId'), `expected the id of an effect, got "${action.effectId}"`);
      if (action.kind === 'perform') {
        const known = voices.get(action.tuneId);
        if (!known) accuse(at('tuneId'), `expected the id of a tune, got "${action.tuneId}"`);
        else if (action.voiceId !== null && !known.includes(action.voiceId))
          accuse(at('voiceId'), `expected the id of a voice of that tune, got "${action.voiceId}"`);
      }
      if ('timerId' in action && !timers.has(action.timerId))
        accuse(at('timerId'), `expected the id of a timer, got "${action.timerId}"`);
      if ('signalId' in action && !signals.has(action.signalId))
        accuse(at('signalId'), `expected the id of a signal, got "${action.signalId}"`);
    });
}
