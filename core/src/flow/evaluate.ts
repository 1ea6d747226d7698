import { op, operands, type Code } from './expression.ts';

/** What went wrong and was put right by rule: x / 0, x % 0, and a place outside a list, are 0; a text holds so much. */
export type Mishap = 'divide' | 'place' | 'full';

/** What an expression can ask of the gadget while it runs. */
export interface Surroundings {
  /** By slot. */
  readonly values: ArrayLike<number>;
  /** Uniform integer in [0, n); asked only with n > 0, random(n <= 0) is 0. */
  random(n: number): number;
  /** 1 while that state is active, else 0. */
  active(state: number): number;
  /** Whole ms since that state was entered; 0 where it is not active. */
  elapsed(state: number): number;
  control(number: number): number;
  /** Numbers that the event carries which is being answered; places beyond them are 0. */
  readonly carried: readonly number[];
  /** Whole ms for which the key was down whose letting go is answered; otherwise 0. */
  heldMs(): number;
  mishap(kind: Mishap): void;
}

/** Surroundings in which nothing is known but the values. */
export const bare = (values: ArrayLike<number>, random: (n: number) => number = () => 0): Surroundings => ({
  values,
  random,
  active: () => 0,
  elapsed: () => 0,
  control: () => 0,
  carried: [],
  heldMs: () => 0,
  mishap: () => undefined,
});

const stack = new Int32Array(1_024);

/**
 * Runs compiled code. 32-bit two's complement throughout: sums and products wrap, division truncates toward zero
 * and remainder takes the sign of the dividend as in C99, x / 0 and x % 0 are 0, shifts use the low five bits,
 * comparisons give 0 or 1, a place outside a list is 0.
 */
export function evaluate(code: Code, around: Surroundings): number {
  const { values } = around;
  const { length } = code;
  // Most guards and counters are a variable and a number: no stack for those.
  if (length === 5 && code[0] === op.load && code[2] === op.push) {
    const left = values[code[1]!]!;
    const right = code[3]!;
    switch (code[4]) {
      case op.lt:
        return left < right ? 1 : 0;
      case op.ge:
        return left >= right ? 1 : 0;
      case op.eq:
        return left === right ? 1 : 0;
      case op.gt:
        return left > right ? 1 : 0;
      case op.le:
        return left <= right ? 1 : 0;
      case op.ne:
        return left === right ? 0 : 1;
      case op.add:
        return (left + right) | 0;
      case op.sub:
        return (left - right) | 0;
    }
  }
  let top = -1;
  let at = 0;
  while (at < length) {
    const operation = code[at++]!;
    switch (operation) {
      case op.push:
        stack[++top] = code[at++]!;
        break;
      case op.load:
        stack[++top] = values[code[at++]!]!;
        break;
      case op.skipIfZero:
        at += stack[top--] === 0 ? code[at]! + 1 : 1;
        break;
      case op.jump:
        at += code[at]! + 1;
        break;
      case op.eq:
        top -= 1;
        stack[top] = stack[top] === stack[top + 1] ? 1 : 0;
        break;
      case op.ne:
        top -= 1;
        stack[top] = stack[top] === stack[top + 1] ? 0 : 1;
        break;
      case op.lt:
        top -= 1;
        stack[top] = stack[top]! < stack[top + 1]! ? 1 : 0;
        break;
      case op.le:
        top -= 1;
        stack[top] = stack[top]! <= stack[top + 1]! ? 1 : 0;
        break;
      case op.gt:
        top -= 1;
        stack[top] = stack[top]! > stack[top + 1]! ? 1 : 0;
        break;
      case op.ge:
        top -= 1;
        stack[top] = stack[top]! >= stack[top + 1]! ? 1 : 0;
        break;
      case op.add:
        top -= 1;
        stack[top] = stack[top]! + stack[top + 1]!;
        break;
      case op.sub:
        top -= 1;
        stack[top] = stack[top]! - stack[top + 1]!;
        break;
      case op.truth:
        stack[top] = stack[top] === 0 ? 0 : 1;
        break;
      case op.active:
        stack[++top] = around.active(code[at++]!);
        break;
      case op.elapsed:
        stack[++top] = around.elapsed(code[at++]!);
        break;
      case op.control:
        stack[++top] = around.control(code[at++]!);
        break;
      case op.place:
        stack[top] = placeOf(around, stack[top]!, code[at]!, code[at + 1]!);
        at += 2;
        break;
      case op.count:
        stack[top] = countOf(values, stack[top]!, code[at]!, code[at + 1]!);
        at += 2;
        break;
      case op.textLength:
        stack[top] = lengthOf(values, slotOf(around, stack[top]!, code, at), code[at + 1]!);
        at += 3;
        break;
      case op.sameText: {
        top -= 1;
        const a = slotOf(around, stack[top]!, code, at);
        const b = slotOf(around, stack[top + 1]!, code, at + 3);
        stack[top] = sameText(values, a, code[at + 1]!, b, code[at + 4]!) ? 1 : 0;
        at += 6;
        break;
      }
      case op.isText: {
        const characters = code[at + 3]!;
        top -= characters;
        const slot = slotOf(around, stack[top]!, code, at);
        stack[top] = isText(values, slot, code[at + 1]!, top + 1, characters) ? 1 : 0;
        at += 4;
        break;
      }
      case op.overlap:
        top -= 3;
        stack[top] = overlaps(top) ? 1 : 0;
        break;
      default:
        if (isUnary(operation)) stack[top] = unary(operation, stack[top]!, around);
        else {
          top -= 1;
          stack[top] = apply(operation, stack[top]!, stack[top + 1]!, around);
        }
    }
  }
  return stack[0]!;
}

function placeOf(around: Surroundings, index: number, slot: number, length: number): number {
  if (index >= 0 && index < length) return around.values[slot + index]!;
  around.mishap('place');
  return 0;
}

/** First slot of the text at a place, by the operands at `at`; -1: there is none, and that is told. */
function slotOf(around: Surroundings, place: number, code: Code, at: number): number {
  if (place >= 0 && place < code[at + 2]!) return code[at]! + place * code[at + 1]!;
  around.mishap('place');
  return -1;
}

/** Characters before the first that is 0. */
function lengthOf(values: ArrayLike<number>, slot: number, most: number): number {
  if (slot < 0) return 0;
  let length = 0;
  while (length < most && values[slot + length] !== 0) length += 1;
  return length;
}

function sameText(values: ArrayLike<number>, a: number, aMost: number, b: number, bMost: number): boolean {
  const length = lengthOf(values, a, aMost);
  if (length !== lengthOf(values, b, bMost)) return false;
  for (let n = 0; n < length; n += 1) if (values[a + n] !== values[b + n]) return false;
  return true;
}

/** @param from where its characters lie on the stack */
function isText(
  values: ArrayLike<number>,
  slot: number,
  most: number,
  from: number,
  characters: number,
): boolean {
  if (lengthOf(values, slot, most) !== characters) return false;
  for (let n = 0; n < characters; n += 1) if (values[slot + n] !== stack[from + n]) return false;
  return true;
}

function countOf(values: ArrayLike<number>, value: number, slot: number, length: number): number {
  let found = 0;
  for (let at = slot; at < slot + length; at += 1) if (values[at] === value) found += 1;
  return found;
}

/** Position and width of one, then of the other, from `top` on; sums in 32 bits. */
function overlaps(top: number): boolean {
  const [a, aWidth, b, bWidth] = [stack[top]!, stack[top + 1]!, stack[top + 2]!, stack[top + 3]!];
  return a < ((b + bWidth) | 0) && b < ((a + aWidth) | 0);
}

const isUnary = (operation: number): boolean =>
  operation <= op.flip || operation === op.random || operation === op.abs || operation === op.heard;

function unary(operation: number, a: number, around: Surroundings): number {
  switch (operation) {
    case op.neg:
      return -a;
    case op.not:
      return a === 0 ? 1 : 0;
    case op.flip:
      return ~a;
    case op.heard:
      return around.carried[a] ?? (a === 1 ? around.heldMs() : 0);
    case op.abs:
      return a < 0 ? -a : a;
    default:
      return a > 0 ? around.random(a) : 0;
  }
}

function apply(operation: number, a: number, b: number, around: Surroundings): number {
  switch (operation) {
    case op.mul:
      return Math.imul(a, b);
    case op.div:
    case op.rem:
      if (b === 0) {
        around.mishap('divide');
        return 0;
      }
      return operation === op.div ? Math.trunc(a / b) : a % b;
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
    case op.min:
      return a < b ? a : b;
    default:
      return a > b ? a : b;
  }
}

const asking: ReadonlySet<number> = new Set([
  op.textLength,
  op.sameText,
  op.isText,
  op.heard,
  op.load,
  op.random,
  op.place,
  op.count,
  op.active,
  op.elapsed,
  op.control,
]);

/** Whether any of these operations is in the code. */
export function uses(code: Code, wanted: (operation: number) => boolean): boolean {
  for (let at = 0; at < code.length; at += 1 + operands(code[at]!)) if (wanted(code[at]!)) return true;
  return false;
}

/** The value, where it depends on nothing that changes; otherwise null. */
export function constantValue(code: Code): number | null {
  return uses(code, (operation) => asking.has(operation)) ? null : evaluate(code, bare([]));
}
