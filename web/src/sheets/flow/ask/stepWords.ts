import { showTrigger, type Gadget } from '@hum-lever/core';
import { gestureWords } from '../../../words/index.ts';
import type { ToldStep } from '../../../workers/index.ts';

const moveWords: Record<string, string> = {
  tap: 'is tapped',
  hold: 'is held',
  hold2: 'is held longer',
  hold3: 'is held longest',
  repeat: 'is held until it repeats',
  double: `is ${gestureWords.double}`,
  triple: `is ${gestureWords.triple}`,
  press: 'is pressed and kept down',
  'let go': 'is let go',
  'hold on': 'is kept down until it counts as held',
  up: 'goes up a step',
  down: 'goes down a step',
  wake: 'is woken',
  low: 'runs low on its cell',
  midi: 'gets MIDI',
};

/** One step of a way, as a sentence. */
export function stepWords(gadget: Gadget, step: ToldStep): string {
  const { controls, chords, flow } = gadget;
  if (step.kind === 'move') {
    const chord = chords.find(({ id }) => id === step.what);
    if (chord) return `${chord.name}: together`;
    const codes = controls.flatMap((control) => (control.kind === 'codes' ? control.codes : []));
    const code = codes.find(({ id }) => id === step.what);
    if (code) return `${code.name} is sent`;
    const name = controls.find(({ id }) => id === step.controlId)?.name ?? 'The gadget';
    const turned = /^turn (-?\d+)$/.exec(step.what);
    if (turned) return `${name} is turned by ${turned[1]}`;
    return `${name} ${moveWords[step.what] ?? step.what}`;
  }
  if (step.what === 'timer')
    return `timer ${flow.timers.find(({ id }) => id === step.id)?.name ?? ''} runs out`;
  if (step.what === 'signal') return `${flow.signals.find(({ id }) => id === step.id)?.name ?? ''} arrives`;
  for (const state of flow.states) {
    const rule = state.rules.find(({ id }) => id === step.id);
    if (rule) return `in ${state.name}, ${showTrigger(rule.trigger, gadget)}`;
  }
  return 'a timer runs out';
}

/** Steps with those that are done again at once written once, and how often. @param from a loop begins there */
export function repeated(
  steps: readonly ToldStep[],
  from?: number,
): { step: ToldStep; at: number; times: number }[] {
  const written: { step: ToldStep; at: number; times: number }[] = [];
  steps.forEach((step, at) => {
    const last = written.at(-1);
    if (last && at !== from && sameStep(last.step, step)) last.times += 1;
    else written.push({ step, at, times: 1 });
  });
  return written;
}

const sameStep = (one: ToldStep, other: ToldStep): boolean =>
  one.kind === 'move'
    ? other.kind === 'move' && one.controlId === other.controlId && one.what === other.what
    : other.kind === 'timer' && one.what === other.what && one.id === other.id;

/** A way in one line. */
export const wayWords = (gadget: Gadget, steps: readonly ToldStep[]): string =>
  repeated(steps)
    .map(({ step, times }) => `${stepWords(gadget, step)}${times > 1 ? ` × ${times}` : ''}`)
    .join(', ');
