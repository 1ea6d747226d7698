import { lightColours, midiMessages, type Action, type LightMode } from '../../gadget/index.ts';
import { ExpressionError } from '../error.ts';
import { quoted } from '../lex.ts';
import { showExpression, showTemplate } from '../words.ts';
import type { Names } from './names.ts';
import type { LineReader } from './reader.ts';
import { nameOf, showLength } from './trigger.ts';

/** Words that begin an action without an output or a variable. */
const beginnings = ['shift', 'save', 'recall', 'start', 'stop', 'raise', 'cancel', 'wait'] as const;
const reserved: ReadonlySet<string> = new Set(beginnings);

const inQuotes = (text: string): string => `"${text.replace(/["\\]/g, '\\$&')}"`;

function showLight(light: LightMode, names: Names): string {
  switch (light.mode) {
    case 'on':
    case 'off':
      return light.mode;
    case 'blink':
      return `blink ${showLength(light.periodUs, names)}`;
    case 'fade':
      return `fade ${light.levelPercent} ${showLength(light.overUs, names)}`;
    case 'pattern':
      return `pattern "${light.steps}" ${showLength(light.stepUs, names)}`;
  }
}

export function showAction(action: Action, names: Names): string {
  const { gadget } = names;
  const expression = (text: string) => showExpression(text, gadget);
  const template = (text: string) => inQuotes(showTemplate(text, gadget));
  const output = 'outputId' in action ? nameOf(names, 'outputs', action.outputId, reserved) : '';
  const variable =
    'variableId' in action
      ? quoted(names.variables.get(action.variableId) ?? action.variableId, reserved)
      : '';
  switch (action.kind) {
    case 'set': {
      const place = action.index === null ? '' : `[${expression(action.index)}]`;
      return `${variable}${place} = ${expression(action.value)}`;
    }
    case 'shift':
      return `shift ${variable} ${expression(action.value)}`;
    case 'light':
      return `${output} ${showLight(action.light, names)}`;
    case 'level':
      return `${output} level ${expression(action.percent)}`;
    case 'colour':
      return `${output} colour ${action.colour}`;
    case 'text':
      return `${output} row ${action.row + 1} ${template(action.text)}`;
    case 'sprite':
      return `${output} at ${expression(action.row)}, ${expression(action.column)} ${template(action.text)}`;
    case 'lane':
      return `${output} row ${action.row + 1} lane ${variable} ${inQuotes(action.glyphs)}`;
    case 'tone':
      return `${output} tone ${expression(action.hz)}${action.lengthUs === 0 ? '' : ` for ${showLength(action.lengthUs, names)}`}`;
    case 'tune':
      return `${output} tune ${action.notes.map(({ hz, lengthUs }) => `${hz} ${showLength(lengthUs, names)}`).join(', ')}`;
    case 'silence':
      return `${output} silence`;
    case 'midi':
      return `${output} ${action.message} ${action.channel}, ${expression(action.first)}${
        action.message === 'program' && action.second === '0' ? '' : `, ${expression(action.second)}`
      }`;
    case 'type':
      return `${output} type ${template(action.text)}`;
    case 'move':
      return `${output} move ${expression(action.to)}`;
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
    const variableId = line.id('variables');
    const index = line.sign('[') ? line.expression() : null;
    if (index !== null) line.must(']');
    line.must('=');
    return { kind: 'set', variableId, index, value: line.expression() };
  }
  return plainAction(line);
}

function plainAction(line: LineReader): Action {
  const word = line.oneOf(beginnings);
  switch (word) {
    case 'shift':
      return { kind: 'shift', variableId: line.id('variables'), value: line.expression() };
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

/** What each kind of output can be told. */
const verbs = {
  light: ['on', 'off', 'blink', 'fade', 'level', 'colour', 'pattern'],
  text: ['row', 'at'],
  tone: ['tone', 'tune', 'silence'],
  servo: ['move'],
  motor: ['move'],
  midi: midiMessages,
  typist: ['type'],
} as const;
type Verb = (typeof verbs)[keyof typeof verbs][number];

function outputAction(line: LineReader): Action {
  const outputId = line.id('outputs');
  const { kind } = line.names.gadget.outputs.find(({ id }) => id === outputId)!;
  const { here } = line;
  const verb: Verb = line.oneOf<Verb>(verbs[kind]);
  switch (verb) {
    case 'on':
    case 'off':
      return { kind: 'light', outputId, light: { mode: verb } };
    case 'blink':
      return { kind: 'light', outputId, light: { mode: 'blink', periodUs: line.fixedLength() } };
    case 'fade': {
      const levelPercent = line.number('a level in percent, 0 to 100', 0, 100);
      return { kind: 'light', outputId, light: { mode: 'fade', levelPercent, overUs: line.fixedLength() } };
    }
    case 'pattern': {
      const steps = line.plain();
      if (!/^[#.]{1,64}$/.test(steps))
        throw new ExpressionError('expected # for lit and . for dark, 1 to 64 of them', here);
      return { kind: 'light', outputId, light: { mode: 'pattern', steps, stepUs: line.fixedLength() } };
    }
    case 'level':
      return { kind: 'level', outputId, percent: line.expression() };
    case 'colour':
      return { kind: 'colour', outputId, colour: line.oneOf(lightColours) };
    case 'row': {
      const row = line.number('a row from 1 on', 1) - 1;
      if (!line.word('lane')) return { kind: 'text', outputId, row, text: line.template() };
      const variableId = line.id('variables');
      return { kind: 'lane', outputId, row, variableId, glyphs: line.plain() };
    }
    case 'at': {
      const row = line.expression();
      line.must(',');
      return { kind: 'sprite', outputId, row, column: line.expression(), text: line.template() };
    }
    case 'tone': {
      const hz = line.expression();
      return { kind: 'tone', outputId, hz, lengthUs: line.word('for') ? line.fixedLength() : 0 };
    }
    case 'tune': {
      const notes: { hz: number; lengthUs: number }[] = [];
      do notes.push({ hz: line.number('a pitch in hertz, 0 for a rest', 0), lengthUs: line.fixedLength() });
      while (line.sign(','));
      return { kind: 'tune', outputId, notes };
    }
    case 'silence':
      return { kind: 'silence', outputId };
    case 'type':
      return { kind: 'type', outputId, text: line.template() };
    case 'move':
      return { kind: 'move', outputId, to: line.expression() };
    default: {
      const channel = line.number('a channel from 1 to 16', 1, 16);
      line.must(',');
      const first = line.expression();
      // A program has no second number.
      if (verb !== 'program') line.must(',');
      const second = verb === 'program' && !line.sign(',') ? '0' : line.expression();
      return { kind: 'midi', outputId, message: verb, channel, first, second };
    }
  }
}
