import { ExpressionError } from './error.ts';
import { parseExpression, type BinaryOperator, type Node } from './parse.ts';
import type { Scope } from './scope.ts';
import {
  controlOf,
  isCharacter,
  isFunction,
  listOf,
  optionOf,
  stateOf,
  typeOf,
  variableOf,
  type Type,
} from './types.ts';

/* Expressions become flat lists of integers for a stack machine, which the browser, the server and C can all run. */

export const op = {
  push: 0, load: 1, neg: 2, not: 3, flip: 4,
  add: 5, sub: 6, mul: 7, div: 8, rem: 9, shl: 10, shr: 11, and: 12, or: 13, xor: 14,
  eq: 15, ne: 16, lt: 17, le: 18, gt: 19, ge: 20,
  /** Jump by operand where the top is 0 (drops it). */
  skipIfZero: 21,
  jump: 22,
  /** Top becomes 0 or 1. */
  truth: 23,
  random: 24, min: 25, max: 26, abs: 27,
  /** Operands: first slot and length of a list. */
  place: 28, count: 29,
  /** Operand: a state's or control's number. */
  active: 30, elapsed: 31, control: 32,
  overlap: 33,
  /** Top becomes the number of that place that the event carries. */
  heard: 34,
  /** Operands: first slot, characters each, how many texts. Top, a place, becomes that text's length. */
  textLength: 35,
  /** The same, twice: two places become whether both texts are alike. */
  sameText: 36,
  /** As `textLength`, and how many characters lie on top of the place: they become whether it is that text. */
  isText: 37,
} as const; // prettier-ignore

/** How many operands follow. */
export const operands = (operation: number): number => {
  switch (operation) {
    case op.sameText:
      return 6;
    case op.isText:
      return 4;
    case op.textLength:
      return 3;
    case op.place:
    case op.count:
      return 2;
    case op.push:
    case op.load:
    case op.skipIfZero:
    case op.jump:
    case op.active:
    case op.elapsed:
    case op.control:
      return 1;
    default:
      return 0;
  }
};

const binary: Record<Exclude<BinaryOperator, '&&' | '||'>, number> = {
  '+': op.add, '-': op.sub, '*': op.mul, '/': op.div, '%': op.rem, '<<': op.shl, '>>': op.shr,
  '&': op.and, '|': op.or, '^': op.xor, '==': op.eq, '!=': op.ne, '<': op.lt, '<=': op.le, '>': op.gt, '>=': op.ge,
}; // prettier-ignore

/** Compiled expression: opcodes with their operands. */
export type Code = readonly number[];

/** First slots of all that it reads of the values: variables, places of lists, characters of texts. */
export function slotsRead(code: Code): number[] {
  const slots: number[] = [];
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!)) {
    if (!reading.has(code[at]!)) continue;
    slots.push(code[at + 1]!);
    if (code[at] === op.sameText) slots.push(code[at + 4]!);
  }
  return slots;
}
const reading: ReadonlySet<number> = new Set([
  op.load,
  op.place,
  op.count,
  op.textLength,
  op.sameText,
  op.isText,
]);

const has = (code: Code, operation: number): boolean => countIn(code, operation) > 0;
/** Whether it is a number as it is written. */
export const isNumber = (code: Code): boolean => code.length === 2 && code[0] === op.push;
/** Whether it is the number of the key alone, as the event carries it. */
export const isKeyNumber = (code: Code): boolean =>
  code.length === 3 && code[0] === op.push && code[1] === 0 && code[2] === op.heard;
/** How often it does one operation. */
export function countIn(code: Code, operation: number): number {
  let count = 0;
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!)) if (code[at] === operation) count += 1;
  return count;
}
/** First operands of one operation, in order. */
export function operandsIn(code: Code, operation: number): number[] {
  const found: number[] = [];
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!))
    if (code[at] === operation) found.push(code[at + 1]!);
  return found;
}
/** Whether it draws chance. */
export const drawsIn = (code: Code): boolean => has(code, op.random);
/** Whether it comes to something else as time goes by, and nothing happens. */
export const asksTimeIn = (code: Code): boolean => has(code, op.elapsed);

/**
 * Compiles an expression over ids.
 * @param ownState number of the state whose time `elapsed` means; null where there is none
 * @throws ExpressionError saying what was expected, and where
 */
export function compileExpression(text: string, scope: Scope, ownState: number | null = null): Code {
  return compileTyped(text, scope, ownState).code;
}

/**
 * As `compileExpression`, with what it gives.
 * @throws ExpressionError also for a text alone: it stands for no number
 */
export function compileTyped(
  text: string,
  scope: Scope,
  ownState: number | null,
): { code: Code; type: Type; node: Node } {
  const node = parseExpression(text);
  const type = typeOf(node, scope);
  if (type.kind === 'text')
    throw new ExpressionError(
      node.type === 'text'
        ? 'expected a number, a variable or "(", got a text; names of states and controls stand in in("…") or value("…")'
        : 'expected a number; a text can be compared, as in text == "abc"',
      node.start,
    );
  return { node, type, code: codeOf(node, scope, ownState) };
}

/**
 * What text an expression gives: one among the values, or the character of a number; null: it gives a number.
 * @throws ExpressionError
 */
export function textOf(
  text: string,
  scope: Scope,
  ownState: number | null,
): TextRef | { character: Code } | null {
  const node = parseExpression(text);
  if (typeOf(node, scope).kind !== 'text') return null;
  const down = (inner: Node) => codeOf(inner, scope, ownState);
  if (isCharacter(node)) return { character: down(node.args[0]!) };
  const ref = textRef(node, scope, down);
  if (!ref) throw new ExpressionError('expected a variable or a number between braces', node.start);
  return ref;
}

function codeOf(node: Node, scope: Scope, ownState: number | null): number[] {
  const down = (inner: Node) => codeOf(inner, scope, ownState);
  switch (node.type) {
    case 'number':
      return [op.push, node.value];
    case 'text':
      return noNumber(node);
    case 'truth':
      return [op.push, node.value ? 1 : 0];
    case 'name':
      return [op.load, variableOf(node.name, scope).slot];
    case 'option':
      return [op.push, optionOf(node.of, node.option, scope).number];
    case 'place': {
      const { slot, length } = listOf(node.of, scope);
      return [...down(node.index), op.place, slot, length];
    }
    case 'unary': {
      const of = down(node.of);
      if (node.operator === '+') return of;
      return [...of, node.operator === '-' ? op.neg : node.operator === '!' ? op.not : op.flip];
    }
    case 'binary': {
      if (isText(node.left, scope)) return comparison(node, scope, down);
      const left = down(node.left);
      const right = down(node.right);
      if (node.operator === '&&') return [...choose(left, [...right, op.truth], [op.push, 0])];
      if (node.operator === '||') return [...choose(left, [op.push, 1], [...right, op.truth])];
      return [...left, ...right, binary[node.operator]];
    }
    case 'choose':
      return choose(down(node.test), down(node.yes), down(node.no));
    case 'call':
      return callCode(node, scope, down);
    case 'ask': {
      if (node.what === 'value') return [op.control, controlOf(node.of!, scope).number];
      if (node.of) return [node.what === 'in' ? op.active : op.elapsed, stateOf(node.of, scope).number];
      if (ownState === null)
        throw new ExpressionError('expected elapsed("…") with the name of a state here', node.start);
      return [op.elapsed, ownState];
    }
  }
}

function callCode(
  node: Extract<Node, { type: 'call' }>,
  scope: Scope,
  down: (inner: Node) => number[],
): number[] {
  const { text } = node.name;
  if (!isFunction(text)) throw new ExpressionError(`expected a function, got "${text}"`, node.start);
  switch (text) {
    case 'clamp': {
      const [value, low, high] = node.args.map(down) as [number[], number[], number[]];
      return [...value, ...low, op.max, ...high, op.min];
    }
    case 'char':
      return noNumber(node);
    case 'length': {
      const [of] = node.args as [Node];
      const ref = textRef(of, scope, down);
      return ref ? [...lengthCode(ref)] : [op.push, of.type === 'text' ? [...of.value].length : 0];
    }
    case 'count': {
      const [list, value] = node.args as [Extract<Node, { type: 'name' }>, Node];
      const { slot, length } = listOf(list.name, scope);
      return [...down(value), op.count, slot, length];
    }
    default:
      return [...node.args.flatMap(down), op[text]];
  }
}

/** A text among the values: the first slot of the first, how many characters each holds, how many there are, which. */
export interface TextRef {
  slot: number;
  length: number;
  count: number;
  index: Code;
}

/** How long it is, as an expression: what the text asks of the gadget stands in it. */
export const lengthCode = ({ slot, length, count, index }: TextRef): Code => [
  ...index,
  op.textLength,
  slot,
  length,
  count,
];

/** Where a text among the values stands; null: it is one that is written out, or none. */
export function textRef(node: Node, scope: Scope, down: (inner: Node) => Code): TextRef | null {
  const name = node.type === 'place' ? node.of : node.type === 'name' ? node.name : null;
  const { variable, slot } = (name && scope.variables.get(name.text)) ?? {};
  if (slot === undefined || (variable!.kind !== 'text' && variable!.kind !== 'texts')) return null;
  const count = variable!.kind === 'texts' ? variable!.initials.length : 1;
  return {
    slot,
    length: variable!.length,
    count,
    index: node.type === 'place' ? down(node.index) : [op.push, 0],
  };
}

const noNumber = (node: Node): never => {
  throw new ExpressionError('expected a number, got a text', node.start);
};
const isText = (node: Node, scope: Scope): boolean =>
  node.type === 'text' || textRef(node, scope, () => []) !== null;

/** Whether two texts are alike, or not. */
function comparison(
  { left, right, operator }: Extract<Node, { type: 'binary' }>,
  scope: Scope,
  down: (inner: Node) => Code,
): number[] {
  const [a, b] = [textRef(left, scope, down), textRef(right, scope, down)];
  const not = operator === '!=' ? [op.not] : [];
  const written = (node: Node) => (node.type === 'text' ? node.value : '');
  if (a && b)
    return [
      ...a.index,
      ...b.index,
      op.sameText,
      a.slot,
      a.length,
      a.count,
      b.slot,
      b.length,
      b.count,
      ...not,
    ];
  const ref = a ?? b;
  if (!ref) return [op.push, written(left) === written(right) ? 1 : 0, ...not];
  const points = [...written(a ? right : left)].map((one) => one.codePointAt(0)!);
  const pushed = points.flatMap((point) => [op.push, point]);
  return [...ref.index, ...pushed, op.isText, ref.slot, ref.length, ref.count, points.length, ...not];
}

function choose(test: number[], yes: number[], no: number[]): number[] {
  return [...test, op.skipIfZero, yes.length + 2, ...yes, op.jump, no.length, ...no];
}
