import {
  codeGestures,
  controlsOf,
  ExpressionError,
  gestureKinds,
  gesturesOf,
  readExpression,
  readTemplate,
  type Action,
  type CodeGesture,
  type Control,
  type Gadget,
  type GestureKind,
  type Trigger,
  type Variable,
} from '@hum-lever/core';
import { codeWords, gestureWords } from '../../words/index.ts';

/** What can be said in the slots of a rule's sentence. Selects hold texts, so every choice has one. */

export interface Choice {
  value: string;
  label: string;
}

const afterValue = 'after';

/** What a new rule waits for: a press, where there is a button. */
export function firstTrigger(gadget: Gadget): Trigger {
  const [button] = controlsOf(gadget, 'button');
  return button
    ? { kind: 'gesture', controlId: button.id, gesture: 'press' }
    : { kind: 'after', delayUs: 1_000_000 };
}

/** What a control can be heard to do; codes are named one by one. */
function saidBy(control: Control): GestureKind[] {
  if (control.kind === 'button') return gesturesOf(control.gestures);
  return control.kind === 'codes' ? [] : ['up', 'down'];
}

/** Triggers that the gadget can have: what its controls are heard to do, and time. */
export function triggerChoices({ controls, chords }: Gadget, current: Trigger): Choice[] {
  const heard = controls.flatMap((control) => {
    const said = saidBy(control);
    const kept = (gesture: GestureKind) =>
      said.includes(gesture) ||
      (current.kind === 'gesture' && current.controlId === control.id && current.gesture === gesture);
    return gestureKinds.filter(kept).map((gesture) => ({
      value: `${control.id} ${gesture}`,
      label: `${control.name} ${gesture === 'repeat' ? '' : 'is '}${gestureWords[gesture]}`,
    }));
  });
  const codes = controls.flatMap((control) => (control.kind === 'codes' ? control.codes : []));
  return [
    ...heard,
    ...codes.flatMap(({ id, name }) =>
      codeGestures.map((gesture) => ({
        value: `code ${id} ${gesture}`,
        label: `${name} ${codeWords[gesture]}`,
      })),
    ),
    ...chords.map(({ id, name }) => ({ value: `chord ${id}`, label: `${name}: together` })),
    { value: afterValue, label: 'time has passed' },
  ];
}

export function triggerValue(trigger: Trigger): string {
  switch (trigger.kind) {
    case 'after':
      return afterValue;
    case 'chord':
      return `chord ${trigger.chordId}`;
    case 'code':
      return `code ${trigger.codeId} ${trigger.gesture}`;
    case 'gesture':
      return `${trigger.controlId} ${trigger.gesture}`;
  }
}

export function triggerOf(value: string): Trigger {
  if (value === afterValue) return { kind: 'after', delayUs: 1_000_000 };
  const [first, second, third] = value.split(' ') as [string, string, string];
  if (first === 'chord') return { kind: 'chord', chordId: second };
  if (first === 'code') return { kind: 'code', codeId: second, gesture: third as CodeGesture };
  return { kind: 'gesture', controlId: first, gesture: second as GestureKind };
}

/** Targets: stay, or any state; the state itself means leaving and entering it again. */
export function targetChoices({ flow }: Gadget, ownId: string): Choice[] {
  return [
    { value: '', label: 'stay' },
    ...flow.states.map(({ id, name }) => ({
      value: id,
      label: id === ownId ? `enter ${name} again` : `go to ${name}`,
    })),
  ];
}

/** Actions that this gadget has parts for, each as it starts out. */
export function actionChoices({ outputs, flow }: Gadget): { label: string; action: Action }[] {
  const first = (kind: string) => outputs.find((output) => output.kind === kind)?.id;
  const [light, text, tone, variable] = [first('light'), first('text'), first('tone'), flow.variables[0]?.id];
  const choices: ({ label: string; action: Action } | false)[] = [
    light !== undefined && {
      label: 'Set a light',
      action: { kind: 'light', outputId: light, light: { mode: 'on' } },
    },
    text !== undefined && {
      label: 'Show text',
      action: { kind: 'text', outputId: text, row: 0, text: 'Hello' },
    },
    tone !== undefined && {
      label: 'Sound a tone',
      action: { kind: 'tone', outputId: tone, hz: '440', lengthUs: 200_000 },
    },
    tone !== undefined && { label: 'Fall silent', action: { kind: 'silence', outputId: tone } },
    variable !== undefined && {
      label: 'Change a variable',
      action: { kind: 'set', variableId: variable, value: `${variable} + 1` },
    },
    { label: 'Wait, everything standing still', action: { kind: 'wait', lengthUs: 100_000 } },
  ];
  return choices.filter((choice) => choice !== false);
}

type Read<T> = { ok: T } | { refused: string };

function reading<T>(read: () => T): Read<T> {
  try {
    return { ok: read() };
  } catch (error) {
    if (error instanceof ExpressionError) return { refused: error.message };
    throw error;
  }
}

/** Typed expression as the document keeps it, or why it cannot be. */
export const typedExpression = (typed: string, variables: readonly Variable[]) =>
  reading(() => readExpression(typed, variables));
export const typedTemplate = (typed: string, variables: readonly Variable[]) =>
  reading(() => readTemplate(typed, variables));
/** Nothing typed means: always. */
export const typedGuard = (typed: string, variables: readonly Variable[]): Read<string | null> =>
  typed.trim() === '' ? { ok: null } : typedExpression(typed, variables);
