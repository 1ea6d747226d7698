import {
  byOutputKind,
  isOutputAction,
  kindsTold,
  type Action,
  type OutputAction,
  type OutputKind,
} from '../../gadget/index.ts';
import { quoted } from '../lex.ts';
import { showExpression, showTemplate } from '../words.ts';
import type { Names } from './names.ts';
import type { LineWriter, OutputLine } from './outputLine.ts';
import { outputLines } from './outputLines.ts';
import type { LineReader } from './reader.ts';
import { nameOf, showLength } from './trigger.ts';

/** Words that begin an action without an output or a variable. */
const beginnings = [
  'shift',
  'append',
  'shorten',
  'save',
  'recall',
  'start',
  'stop',
  'raise',
  'cancel',
  'wait',
] as const;
const reserved: ReadonlySet<string> = new Set(beginnings);

/** In place of a page: none. */
const noPage: ReadonlySet<string> = new Set(['none']);

const inQuotes = (text: string): string => `"${text.replace(/["\\]/g, '\\$&')}"`;

/** By the kind of output. What is told to one belongs to it. */
const lines = byOutputKind(outputLines) as unknown as ReadonlyMap<OutputKind, OutputLine<OutputKind>>;

const writerFor = (names: Names): LineWriter => ({
  expression: (text) => showExpression(text, names.gadget),
  template: (text) => inQuotes(showTemplate(text, names.gadget)),
  plain: inQuotes,
  length: (length) => showLength(length, names),
  variable: (id) => quoted(names.variables.get(id) ?? id, reserved),
  page: (id) => quoted(names.pages.get(id) ?? id, noPage),
  picture: (id) => quoted(names.pictures.get(id) ?? id, new Set()),
  effect: (id) => quoted(names.effects.get(id) ?? id, new Set()),
  tune: (id) => quoted(names.tunes.get(id) ?? id, new Set()),
  voice: (id) =>
    names.gadget.tunes.reduce(
      (n, { voices }) => Math.max(n, 1 + voices.findIndex((one) => one.id === id)),
      1,
    ),
});

function showTold(action: OutputAction, names: Names): string {
  // The kind that knows the action: where the output is gone, its own words are there still.
  const [kind] = kindsTold(action.kind);
  const told = lines.get(kind!)!.show(action, writerFor(names));
  return `${nameOf(names, 'outputs', action.outputId, reserved)} ${told}`;
}

export function showAction(action: Action, names: Names): string {
  if (isOutputAction(action)) return showTold(action, names);
  const { gadget } = names;
  const expression = (text: string) => showExpression(text, gadget);
  const place = (index: string | null) => (index === null ? '' : `[${expression(index)}]`);
  const variable =
    'variableId' in action
      ? quoted(names.variables.get(action.variableId) ?? action.variableId, reserved)
      : '';
  switch (action.kind) {
    case 'set':
      return `${variable}${place(action.index)} = ${expression(action.value)}`;
    case 'setText':
      return `${variable}${place(action.index)} = ${inQuotes(showTemplate(action.text, gadget))}`;
    case 'append':
      return `append ${variable}${place(action.index)} ${inQuotes(showTemplate(action.text, gadget))}`;
    case 'shorten':
      return `shorten ${variable}${place(action.index)} ${expression(action.by)}`;
    case 'shift':
      return `shift ${variable} ${expression(action.value)}`;
    case 'save':
    case 'recall':
      return action.kind;
    case 'start':
      return `start ${nameOf(names, 'timers', action.timerId)} ${action.every ? 'every ' : ''}${showLength(action.length, names)}`;
    case 'stop':
      return `stop ${nameOf(names, 'timers', action.timerId)}`;
    case 'raise':
      return `raise ${nameOf(names, 'signals', action.signalId)}${action.delay === null ? '' : ` after ${showLength(action.delay, names)}`}`;
    case 'cancel':
      return `cancel ${nameOf(names, 'signals', action.signalId)}`;
    case 'wait':
      return `wait ${showLength(action.lengthUs, names)}`;
  }
}

export function readAction(line: LineReader): Action {
  const outputId = line.peek('outputs', reserved);
  if (outputId !== null) return outputAction(line);
  if (line.peek('variables', reserved) !== null) {
    const { variableId, index } = placed(line);
    line.must('=');
    const { kind } = line.names.gadget.flow.variables.find(({ id }) => id === variableId)!;
    return kind === 'text' || kind === 'texts'
      ? { kind: 'setText', variableId, index, text: line.template() }
      : { kind: 'set', variableId, index, value: line.expression() };
  }
  return plainAction(line);
}

/** A variable, with a place where it has several. */
function placed(line: LineReader): { variableId: string; index: string | null } {
  const variableId = line.id('variables');
  const index = line.sign('[') ? line.expression() : null;
  if (index !== null) line.must(']');
  return { variableId, index };
}

function plainAction(line: LineReader): Action {
  const word = line.oneOf(beginnings);
  switch (word) {
    case 'shift':
      return { kind: 'shift', variableId: line.id('variables'), value: line.expression() };
    case 'append':
      return { kind: word, ...placed(line), text: line.template() };
    case 'shorten':
      return { kind: word, ...placed(line), by: line.expression() };
    case 'save':
    case 'recall':
      return { kind: word };
    case 'start': {
      const timerId = line.id('timers');
      const every = line.word('every');
      return { kind: 'start', timerId, length: line.length(), every };
    }
    case 'stop':
      return { kind: 'stop', timerId: line.id('timers') };
    case 'raise': {
      const signalId = line.id('signals');
      return { kind: 'raise', signalId, delay: line.word('after') ? line.length() : null };
    }
    case 'cancel':
      return { kind: 'cancel', signalId: line.id('signals') };
    case 'wait':
      return { kind: 'wait', lengthUs: line.fixedLength() };
  }
}

function outputAction(line: LineReader): Action {
  const outputId = line.id('outputs');
  const { kind } = line.names.gadget.outputs.find(({ id }) => id === outputId)!;
  const { verbs } = lines.get(kind)!;
  return verbs[line.oneOf(Object.keys(verbs))]!(line, outputId);
}
