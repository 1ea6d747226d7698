import { functionNames } from '../gadget/index.ts';
import { ExpressionError, parseExpression, type BinaryOperator, type Node } from './parse.ts';

/* Expressions become flat lists of integers for a stack machine, which the browser, the server and C can all run. */

const op = {
  push: 0, load: 1, neg: 2, not: 3, flip: 4,
  add: 5, sub: 6, mul: 7, div: 8, rem: 9, shl: 10, shr: 11, and: 12, or: 13, xor: 14,
  eq: 15, ne: 16, lt: 17, le: 18, gt: 19, ge: 20,
  /** Jump by operand where the top is 0 (drops it). */
  skipIfZero: 21,
  jump: 22,
  /** Top becomes 0 or 1. */
  truth: 23,
  random: 24, min: 25, max: 26, abs: 27,
} as const; // prettier-ignore

const binary: Record<Exclude<BinaryOperator, '&&' | '||'>, number> = {
  '+': op.add, '-': op.sub, '*': op.mul, '/': op.div, '%': op.rem, '<<': op.shl, '>>': op.shr,
  '&': op.and, '|': op.or, '^': op.xor, '==': op.eq, '!=': op.ne, '<': op.lt, '<=': op.le, '>': op.gt, '>=': op.ge,
}; // prettier-ignore

const arity: Record<(typeof functionNames)[number], number> = { random: 1, min: 2, max: 2, abs: 1, clamp: 3 };

/** Compiled expression: opcodes with their operands. */
export type Code = readonly number[];

/**
 * Compiles an expression over variable ids.
 * @param slot position of a variable id, or undefined where there is none
 * @throws ExpressionError saying what was expected
 */
export function compileExpression(text: string, slot: (id: string) => number | undefined): Code {
  return compileNode(parseExpression(text), slot);
}

function compileNode(node: Node, slot: (id: string) => number | undefined): number[] {
  const down = (inner: Node) => compileNode(inner, slot);
  switch (node.type) {
    case 'number':
      return [op.push, node.value];
    case 'name': {
      const at = slot(node.name);
      if (at === undefined) throw new ExpressionError(`expected a variable, got "${node.name}"`);
      return [op.load, at];
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
    case 'call': {
      const wanted = (arity as Record<string, number>)[node.name];
      if (wanted === undefined || !Object.hasOwn(arity, node.name))
        throw new ExpressionError(
          `expected one of the functions ${functionNames.join(', ')}, got "${node.name}"`,
        );
      if (node.args.length !== wanted)
        throw new ExpressionError(
          `expected ${wanted} value${wanted > 1 ? 's' : ''} in ${node.name}(), got ${node.args.length}`,
        );
      const args = node.args.flatMap(down);
      if (node.name === 'clamp') {
        const [value, low, high] = node.args.map(down) as [number[], number[], number[]];
        return [...value, ...low, op.max, ...high, op.min];
      }
      return [...args, op[node.name as 'random' | 'min' | 'max' | 'abs']];
    }
  }
}

function choose(test: number[], yes: number[], no: number[]): number[] {
  return [...test, op.skipIfZero, yes.length + 2, ...yes, op.jump, no.length, ...no];
}

const stack = new Int32Array(512);

/**
 * Runs compiled code. 32-bit two's complement throughout: sums and products wrap, division truncates toward zero
 * and remainder takes the sign of the dividend as in C99, x / 0 and x % 0 are 0, shifts use the low five bits,
 * comparisons give 0 or 1.
 * @param values variables by slot
 * @param random uniform integer in [0, n); asked only with n > 0, random(n <= 0) is 0
 */
export function evaluate(code: Code, values: readonly number[], random: (n: number) => number): number {
  let top = -1;
  for (let at = 0; at < code.length; at += 1) {
    const operation = code[at]!;
    if (operation === op.push || operation === op.load) {
      at += 1;
      top += 1;
      stack[top] = operation === op.push ? code[at]! : values[code[at]!]!;
    } else if (operation === op.skipIfZero) {
      at += 1;
      if (stack[top] === 0) at += code[at]!;
      top -= 1;
    } else if (operation === op.jump) {
      at += 1;
      at += code[at]!;
    } else if (isUnaryOp(operation)) {
      stack[top] = unary(operation, stack[top]!, random);
    } else {
      top -= 1;
      stack[top] = apply(operation, stack[top]!, stack[top + 1]!);
    }
  }
  return stack[0]!;
}

function isUnaryOp(operation: number): boolean {
  return operation <= op.flip || operation === op.truth || operation === op.random || operation === op.abs;
}

function unary(operation: number, a: number, random: (n: number) => number): number {
  switch (operation) {
    case op.neg:
      return -a;
    case op.not:
      return a === 0 ? 1 : 0;
    case op.flip:
      return ~a;
    case op.truth:
      return a === 0 ? 0 : 1;
    case op.abs:
      return a < 0 ? -a : a;
    default:
      return a > 0 ? random(a) : 0;
  }
}

function apply(operation: number, a: number, b: number): number {
  switch (operation) {
    case op.add:
      return a + b;
    case op.sub:
      return a - b;
    case op.mul:
      return Math.imul(a, b);
    case op.div:
      return b === 0 ? 0 : Math.trunc(a / b);
    case op.rem:
      return b === 0 ? 0 : a % b;
    case op.shl:
      return a << b;
    case op.shr:
      return a >> b;
    case op.and:
      return a & b;
    case op.or:
      return a | b;
    case op.xor:
      return a ^ b;
    case op.eq:
      return a === b ? 1 : 0;
    case op.ne:
      return a !== b ? 1 : 0;
    case op.lt:
      return a < b ? 1 : 0;
    case op.le:
      return a <= b ? 1 : 0;
    case op.gt:
      return a > b ? 1 : 0;
    case op.ge:
      return a >= b ? 1 : 0;
    case op.min:
      return a < b ? a : b;
    default:
      return a > b ? a : b;
  }
}

/** The value, where it depends on no variable and no chance; otherwise null. */
export function constantValue(code: Code): number | null {
  let constant = true;
  for (let at = 0; at < code.length; at += 1) {
    const operation = code[at]!;
    if (operation === op.load || operation === op.random) constant = false;
    if (
      operation === op.push ||
      operation === op.load ||
      operation === op.skipIfZero ||
      operation === op.jump
    )
      at += 1;
  }
  return constant ? evaluate(code, [], () => 0) : null;
}
