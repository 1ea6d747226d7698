import {
  codeGestures,
  gestureKinds,
  keyGestures,
  lineWord,
  heardMessages,
  isSync,
  powerEvents,
  type Length,
  type Trigger,
} from '../../gadget/index.ts';
import { ExpressionError } from '../error.ts';
import { quoted } from '../lex.ts';
import { showExpression } from '../words.ts';
import type { NameKind, Names } from './names.ts';
import type { LineReader } from './reader.ts';
import { readableUnit, lengthUnits } from './units.ts';

/** Words that begin something else than a control's gesture. */
const beginnings = [
  'after', 'every', 'timer', 'signal', 'done', 'keys', 'together', 'code', 'midi', 'line', 'character', 'power', 'always', 'any',
] as const; // prettier-ignore
const reserved: ReadonlySet<string> = new Set(beginnings);

/** A name as it is written: in quotes also where another one begins with it, as the longer one would be read. */
export function nameOf(names: Names, kind: NameKind, id: string, taken?: ReadonlySet<string>): string {
  const name = names[kind].get(id) ?? id;
  for (const other of names[kind].values())
    if (other.startsWith(`${name} `)) return quoted(name, new Set([name]));
  return quoted(name, taken);
}

/** A time as it is typed. */
export function showLength(length: Length, names: Names): string {
  if (typeof length !== 'number') return `(${showExpression(length.ms, names.gadget)}) ms`;
  if (length % 1_000 !== 0) return `${length} us`;
  const long = readableUnit(length, ['d', 'h']);
  if (long) return `${length / lengthUnits[long]} ${long}`;
  return length >= 1_000_000 && length % 100_000 === 0 ? `${length / 1_000_000} s` : `${length / 1_000} ms`;
}

export function showTrigger(trigger: Trigger, names: Names): string {
  const name = (kind: NameKind, id: string) => nameOf(names, kind, id);
  switch (trigger.kind) {
    case 'gesture':
      return `${nameOf(names, 'controls', trigger.controlId, reserved)} ${trigger.gesture}`;
    case 'keys':
      return `keys ${name('sets', trigger.setId)} ${trigger.gesture}`;
    case 'turn':
      return `${nameOf(names, 'controls', trigger.controlId, reserved)} turn ${trigger.by}`;
    case 'crossing': {
      const control = nameOf(names, 'controls', trigger.controlId, reserved);
      return `${control} ${trigger.rising ? 'rises' : 'falls'} ${trigger.at}`;
    }
    case 'chord':
      return `together ${name('chords', trigger.chordId)}`;
    case 'code':
      return `code ${name('codes', trigger.codeId)} ${trigger.gesture}`;
    case 'after':
    case 'every':
      return `${trigger.kind} ${showLength(trigger.delay, names)}`;
    case 'timer':
      return `timer ${name('timers', trigger.timerId)}`;
    case 'signal':
      return `signal ${name('signals', trigger.signalId)}`;
    case 'done':
      return `done ${name('states', trigger.stateId)}`;
    case 'midi': {
      const channel = trigger.channel === null ? '' : ` channel ${trigger.channel}`;
      const number = trigger.number === null ? '' : ` number ${trigger.number}`;
      return `midi ${trigger.message}${channel}${number}`;
    }
    case 'line':
      return `line ${name('outputs', trigger.outputId)}${trigger.word === null ? '' : ` ${JSON.stringify(trigger.word)}`}`;
    case 'character':
      return `character ${name('outputs', trigger.outputId)}`;
    case 'power':
      return `power ${trigger.what}`;
    case 'always':
    case 'any':
      return trigger.kind;
  }
}

export function readTrigger(line: LineReader): Trigger {
  const controlId = line.peek('controls', reserved);
  const word = controlId === null ? line.oneOf(beginnings) : null;
  switch (word) {
    case null:
      return controlTrigger(line);
    case 'after':
    case 'every':
      return { kind: word, delay: line.length() };
    case 'timer':
      return { kind: 'timer', timerId: line.id('timers') };
    case 'signal':
      return { kind: 'signal', signalId: line.id('signals') };
    case 'done':
      return { kind: 'done', stateId: line.id('states') };
    case 'keys':
      return { kind: 'keys', setId: line.id('sets'), gesture: line.oneOf(keyGestures) };
    case 'together':
      return { kind: 'chord', chordId: line.id('chords') };
    case 'code':
      return { kind: 'code', codeId: line.id('codes'), gesture: line.oneOf(codeGestures) };
    case 'midi': {
      const message = line.oneOf(heardMessages);
      if (isSync(message)) return { kind: 'midi', message, channel: null, number: null };
      const channel = line.word('channel') ? line.number('a channel from 1 to 16') : null;
      const number = line.word('number')
        ? line.number('a number from 0 to 127, or to 16383 for a bend')
        : null;
      return { kind: 'midi', message, channel, number };
    }
    case 'line': {
      const outputId = line.id('outputs');
      return {
        kind: 'line',
        outputId,
        word: line.isQuoted ? line.plain(lineWord.like, lineWord.expected) : null,
      };
    }
    case 'character':
      return { kind: 'character', outputId: line.id('outputs') };
    case 'power':
      return { kind: 'power', what: line.oneOf(powerEvents) };
    case 'always':
    case 'any':
      return { kind: word };
  }
}

function controlTrigger(line: LineReader): Trigger {
  const controlId = line.id('controls');
  const what = line.oneOf([...gestureKinds, 'turn', 'rises', 'falls']);
  if (what === 'turn') {
    const { here } = line;
    const by = line.number('a number of steps, such as 3 or -3');
    if (Math.abs(by) < 2)
      throw new ExpressionError('expected at least two steps, either way; one step is up or down', here);
    return { kind: 'turn', controlId, by };
  }
  if (what === 'rises' || what === 'falls')
    return { kind: 'crossing', controlId, at: line.number('a value'), rising: what === 'rises' };
  return { kind: 'gesture', controlId, gesture: what };
}
