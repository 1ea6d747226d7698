import {
  codeGestures,
  controlsHeard,
  controlsOf,
  heardAs,
  gestureKinds,
  keyGestures,
  keySetsOf,
  nestingOf,
  gesturesOf,
  isHistory,
  stateLabels,
  variableShape,
  variableStart,
  type Action,
  type Control,
  type Gadget,
  type GestureKind,
  type NumberedKeys,
  type PowerEvent,
  type State,
  type Trigger,
} from '@hum-lever/core';
import { outputOffers } from '../../outputs/offers.ts';
import { codeWords, gestureWords } from '../../words/index.ts';

/** What can be said in the slots of a rule's sentence. Selects hold texts, so every choice has one. */

export interface Choice {
  value: string;
  label: string;
}
export interface TriggerChoice extends Choice {
  /** As it starts out when it is chosen. */
  trigger: Trigger;
}

/**
 * What a new rule of a state waits for: the first button, or turn, that neither the state nor one around it makes
 * anything of; where all are answered, time.
 */
export function nextTrigger(gadget: Gadget, state: State): Trigger {
  const around = [state, ...nestingOf(gadget.flow).ancestorsOf(state.id)];
  const triggers = [
    ...around.flatMap(({ rules }) => rules.map(({ trigger }) => trigger)),
    ...gadget.flow.ignored.flatMap((one) =>
      around.some(({ id }) => id === one.stateId) ? [one.trigger] : [],
    ),
  ];
  const said = new Set(triggers.map(triggerValue));
  const heard = new Set(triggers.flatMap((trigger) => controlsHeard(gadget, trigger)));
  const others = heardAs(gadget);
  const free = controlsOf(gadget, 'button').find(({ id }) => !others.has(id) && !heard.has(id));
  if (free) return { kind: 'gesture', controlId: free.id, gesture: 'press' };
  for (const { id, kind } of gadget.controls)
    if (kind === 'encoder' || kind === 'knob')
      for (const gesture of ['up', 'down'] as const) {
        const trigger: Trigger = { kind: 'gesture', controlId: id, gesture };
        if (!said.has(triggerValue(trigger))) return trigger;
      }
  return afterTime;
}
/** As it is before anybody says how long. */
export const afterTime: Trigger = { kind: 'after', delay: 1_000_000 };

/** What a control can be heard to do; codes are named one by one. */
function saidBy(control: Control): GestureKind[] {
  if (control.kind === 'button') return gesturesOf(control.gestures);
  return control.kind === 'codes' ? [] : ['up', 'down'];
}

const powerWords: Record<PowerEvent, string> = {
  up: 'the power comes on',
  wake: 'it is woken',
  low: 'the cell runs low',
};

/** What tells one trigger from another in a list of choices: everything but its figures. */
export function triggerValue(trigger: Trigger): string {
  switch (trigger.kind) {
    case 'gesture':
      return `${trigger.controlId} ${trigger.gesture}`;
    case 'keys':
      return `keys ${trigger.setId} ${trigger.gesture}`;
    case 'turn':
    case 'crossing':
      return `${trigger.kind} ${trigger.controlId}`;
    case 'chord':
      return `chord ${trigger.chordId}`;
    case 'code':
      return `code ${trigger.codeId} ${trigger.gesture}`;
    case 'timer':
      return `timer ${trigger.timerId}`;
    case 'signal':
      return `signal ${trigger.signalId}`;
    case 'done':
      return `done ${trigger.stateId}`;
    case 'power':
      return `power ${trigger.what}`;
    case 'line':
    case 'character':
      return `${trigger.kind} ${trigger.outputId}`;
    case 'after':
    case 'every':
    case 'midi':
    case 'always':
    case 'any':
      return trigger.kind;
  }
}

/** Any key of a set, as far as its keys are listened for that. */
function anyKeyChoices(gadget: Gadget, { id, name, controlIds }: NumberedKeys, current: Trigger) {
  const said = new Set<GestureKind>(
    controlsOf(gadget, 'button').flatMap((one) => (controlIds.includes(one.id) ? saidBy(one) : [])),
  );
  if (current.kind === 'keys' && current.setId === id) said.add(current.gesture);
  return keyGestures
    .filter((gesture) => said.has(gesture))
    .map((gesture) => ({
      label: `any key of ${name} ${gesture === 'repeat' ? '' : 'is '}${gestureWords[gesture]}`,
      trigger: { kind: 'keys' as const, setId: id, gesture },
    }));
}

/** Triggers that the gadget can have: what its controls are heard to do, time, and what happens inside. */
export function triggerChoices(gadget: Gadget, current: Trigger): TriggerChoice[] {
  const { controls, chords, flow } = gadget;
  const labels = stateLabels(gadget);
  // A key that shares a line is heard as another: nothing can wait for it.
  const others = heardAs(gadget);
  const choices: Omit<TriggerChoice, 'value'>[] = [
    ...controls.flatMap((control): Omit<TriggerChoice, 'value'>[] => {
      const { id, name } = control;
      const said = others.has(id) ? [] : saidBy(control);
      const kept = (gesture: GestureKind) =>
        said.includes(gesture) ||
        (current.kind === 'gesture' && current.controlId === id && current.gesture === gesture);
      return gestureKinds.filter(kept).map((gesture) => ({
        label: `${name} ${gesture === 'repeat' ? '' : 'is '}${gestureWords[gesture]}`,
        trigger: { kind: 'gesture', controlId: id, gesture },
      }));
    }),
    ...keySetsOf(gadget).flatMap((set) => anyKeyChoices(gadget, set, current)),
    ...controls
      .filter(({ kind }) => kind === 'encoder' || kind === 'knob')
      .map(({ id, name }) => ({
        label: `${name} is turned by`,
        trigger: { kind: 'turn' as const, controlId: id, by: 3 },
      })),
    ...controlsOf(gadget, 'knob').map(({ id, name }) => ({
      label: `${name} comes to`,
      trigger: { kind: 'crossing' as const, controlId: id, at: 50, rising: true },
    })),
    ...controls.flatMap((control) =>
      control.kind !== 'codes'
        ? []
        : control.codes.flatMap(({ id, name }) =>
            codeGestures.map((gesture) => ({
              label: `${name} ${codeWords[gesture]}`,
              trigger: { kind: 'code' as const, codeId: id, gesture },
            })),
          ),
    ),
    ...chords.map(({ id, name }) => ({
      label: `${name}: together`,
      trigger: { kind: 'chord' as const, chordId: id },
    })),
    { label: 'after', trigger: afterTime },
    { label: 'every', trigger: { kind: 'every', delay: 1_000_000 } },
    ...flow.timers.map(({ id, name }) => ({
      label: `timer ${name} runs out`,
      trigger: { kind: 'timer' as const, timerId: id },
    })),
    ...flow.signals.map(({ id, name }) => ({
      label: `${name} is raised`,
      trigger: { kind: 'signal' as const, signalId: id },
    })),
    ...flow.states
      .filter((state) => flow.states.some(({ parentId, kind }) => parentId === state.id && kind === 'final'))
      .map(({ id }) => ({
        label: `${labels.get(id)} is done`,
        trigger: { kind: 'done' as const, stateId: id },
      })),
    {
      label: 'MIDI comes in',
      trigger: { kind: 'midi', message: 'noteOn', channel: null, number: null },
    },
    ...gadget.outputs
      .filter(({ kind }) => kind === 'serial')
      .flatMap(({ id, name }): Omit<TriggerChoice, 'value'>[] => [
        { label: `a line comes in over ${name}`, trigger: { kind: 'line', outputId: id, word: null } },
        { label: `a character comes in over ${name}`, trigger: { kind: 'character', outputId: id } },
      ]),
    ...(['up', 'wake', 'low'] as const).map((what) => ({
      label: powerWords[what],
      trigger: { kind: 'power' as const, what },
    })),
    { label: 'as soon as the condition holds', trigger: { kind: 'always' } },
    { label: 'anything happens', trigger: { kind: 'any' } },
  ];
  const known = choices.map((choice) => ({ ...choice, value: triggerValue(choice.trigger) }));
  const value = triggerValue(current);
  if (known.some((choice) => choice.value === value)) return known;
  // Done, of a state that has no final state in it any more, is still what the rule says.
  const label = current.kind === 'done' ? `${labels.get(current.stateId)} is done` : value;
  return [...known, { value, label, trigger: current }];
}

/** Targets: stay, or any state; the state itself means leaving and entering it again. */
export function targetChoices(gadget: Gadget, ownId: string): Choice[] {
  const labels = stateLabels(gadget);
  return [
    { value: '', label: 'stay' },
    ...gadget.flow.states.map((state) => ({
      value: state.id,
      label:
        state.id === ownId
          ? `enter ${labels.get(state.id)} again`
          : `go ${isHistory(state) ? 'back by' : 'to'} ${labels.get(state.id)}`,
    })),
  ];
}

/** What a rule could do next: lead to a state, or stay (''), or lead to one that is made for it. */
export type TargetOffer = { label: string; value: string } | { label: string; makes: string };

/**
 * Where a rule could lead, for what is typed of it: the likeliest first. A name that no state has makes one.
 * @param typed null: nothing yet
 */
export function targetOffers(gadget: Gadget, ownId: string, typed: string | null): TargetOffer[] {
  const choices = targetChoices(gadget, ownId);
  const name = (typed ?? '').trim().replace(/^go (to|back by) /i, '');
  if (name === '') return choices;
  const sought = name.toLowerCase();
  const names = new Map(gadget.flow.states.map((state) => [state.id, state.name.toLowerCase()]));
  const nearness = ({ value, label }: Choice): number => {
    const called = names.get(value) ?? label;
    if (called === sought || label.toLowerCase() === typed?.trim().toLowerCase()) return 0;
    if (called.startsWith(sought)) return 1;
    return label.toLowerCase().includes(sought) ? 2 : 3;
  };
  const ranked = choices
    .map((choice) => ({ choice, rank: nearness(choice) }))
    .filter(({ rank }) => rank < 3)
    .sort((a, b) => a.rank - b.rank);
  const known = ranked.map(({ choice }) => choice);
  return ranked[0]?.rank === 0 ? known : [...known, { label: `a new state, “${name}”`, makes: name }];
}

/** Actions that this gadget has parts for, each as it starts out. */
export function actionChoices(gadget: Gadget): { label: string; action: Action }[] {
  const { flow } = gadget;
  const one = flow.variables.find((variable) => variableShape(variable) === 'one');
  const list = flow.variables.find(({ kind }) => kind === 'list');
  const timerId = flow.timers[0]?.id;
  const signalId = flow.signals[0]?.id;
  const choices: { label: string; action: Action }[] = outputOffers(gadget);
  const offer = (label: string, action: Action) => void choices.push({ label, action });
  if (one)
    offer('Change a variable', {
      kind: 'set',
      variableId: one.id,
      index: null,
      value:
        one.kind === 'choice' ? `${one.id}.${one.initialId}` : one.kind === 'flag' ? 'true' : `${one.id} + 1`,
    });
  if (list) {
    const start = String(variableStart(list));
    offer('Change a place of a list', { kind: 'set', variableId: list.id, index: '0', value: '1' });
    offer('Clear a list', { kind: 'set', variableId: list.id, index: null, value: start });
    offer('Shift a list', { kind: 'shift', variableId: list.id, value: start });
  }
  const text = flow.variables.find(({ kind }) => kind === 'text' || kind === 'texts');
  if (text) {
    const which = { variableId: text.id, index: text.kind === 'texts' ? '0' : null };
    offer('Change a text', { kind: 'setText', ...which, text: '' });
    offer('Put characters behind a text', { kind: 'append', ...which, text: 'a' });
    offer('Take characters from a text', { kind: 'shorten', ...which, by: '1' });
  }
  if (timerId !== undefined) {
    offer('Start a timer', { kind: 'start', timerId, length: 1_000_000, every: false });
    offer('Stop a timer', { kind: 'stop', timerId });
  }
  if (signalId !== undefined) {
    offer('Raise a signal', { kind: 'raise', signalId, delay: null });
    offer('Call a signal off', { kind: 'cancel', signalId });
  }
  if (flow.variables.some(({ saved }) => saved !== null)) {
    offer('Save what is kept', { kind: 'save' });
    offer('Recall what was saved', { kind: 'recall' });
  }
  offer('Wait, everything standing still', { kind: 'wait', lengthUs: 100_000 });
  return choices;
}

/** Why it was refused, with a mark under the first character that is wrong. */
