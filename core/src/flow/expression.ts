import { ExpressionError } from './error.ts';
import { parseExpression, type BinaryOperator, type Node } from './parse.ts';
import type { Scope } from './scope.ts';
import { controlOf, isFunction, listOf, optionOf, stateOf, typeOf, variableOf, type Type } from './types.ts';

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
} as const; // prettier-ignore

/** How many operands follow. */
export const operands = (operation: number): number => {
  switch (operation) {
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

/** Whether it draws chance. */
export function drawsIn(code: Code): boolean {
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!)) if (code[at] === op.random) return true;
  return false;
}

/**
 * Compiles an expression over ids.
 * @param ownState number of the state whose time `elapsed` means; null where there is none
 * @throws ExpressionError saying what was expected, and where
 */
export function compileExpression(text: string, scope: Scope, ownState: number | null = null): Code {
  return compileTyped(text, scope, ownState).code;
}

/** As `compileExpression`, with what it gives. */
export function compileTyped(
  text: string,
  scope: Scope,
  ownState: number | null,
): { code: Code; type: Type; node: Node } {
  const node = parseExpression(text);
  return { node, type: typeOf(node, scope), code: codeOf(node, scope, ownState) };
}

function codeOf(node: Node, scope: Scope, ownState: number | null): number[] {
  const down = (inner: Node) => codeOf(inner, scope, ownState);
  switch (node.type) {
    case 'number':
      return [op.push, node.value];
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
    case 'count': {
      const [list, value] = node.args as [Extract<Node, { type: 'name' }>, Node];
      const { slot, length } = listOf(list.name, scope);
      return [...down(value), op.count, slot, length];
    }
    default:
      return [...node.args.flatMap(down), op[text]];
  }
}

function choose(test: number[], yes: number[], no: number[]): number[] {
  return [...test, op.skipIfZero, yes.length + 2, ...yes, op.jump, no.length, ...no];
}
