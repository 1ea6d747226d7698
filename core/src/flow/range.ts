import { variableRange, type Control, type Gadget } from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { parseExpression, type Node } from './parse.ts';
import { scopeOf, type Scope } from './scope.ts';
import { controlOf, isCharacter, listOf, optionOf, typeOf, variableOf } from './types.ts';

export interface Range {
  low: number;
  high: number;
}

const anything: Range = { low: -2_147_483_648, high: 2_147_483_647 };
const fits = (range: Range): Range =>
  range.low < anything.low || range.high > anything.high || Number.isNaN(range.low + range.high)
    ? anything
    : range;

/**
 * Bounds of an expression's value by interval arithmetic: never too narrow, sometimes too wide.
 * @throws ExpressionError where the text cannot be read
 */
export function expressionRange(text: string, scope: Scope, known?: KnownRanges): Range {
  return rangeOf(parseExpression(text), scope, known);
}

/** What variables can be, by id, where that is less than they may be. */
export type KnownRanges = ReadonlyMap<string, Range>;

/** What a control's value can be. */
function controlRange(control: Control): Range {
  if (control.kind === 'button') return { low: 0, high: 1 };
  if (control.kind === 'knob') {
    const { low, high } = control.reading;
    return { low: Math.min(low, high), high: Math.max(low, high) };
  }
  if (control.kind === 'codes') return { low: 0, high: control.codes.length };
  return anything;
}

/** The same of an expression that was read. */
export function rangeOf(node: Node, scope: Scope, known?: KnownRanges): Range {
  const of = (inner: Node) => rangeOf(inner, scope, known);
  switch (node.type) {
    case 'number':
      return { low: node.value, high: node.value };
    case 'text':
      // Where a text stands alone, reading the expression says so.
      return { low: 0, high: 0 };
    case 'truth':
      return { low: node.value ? 1 : 0, high: node.value ? 1 : 0 };
    case 'name':
      return known?.get(node.name.text) ?? variableRange(variableOf(node.name, scope).variable);
    case 'option': {
      const { number } = optionOf(node.of, node.option, scope);
      return { low: number, high: number };
    }
    case 'place': {
      // A place outside is 0.
      const { low, high } = variableRange(listOf(node.of, scope).variable);
      return { low: Math.min(0, low), high: Math.max(0, high) };
    }
    case 'ask':
      if (node.what === 'in') return { low: 0, high: 1 };
      if (node.what === 'value') return controlRange(controlOf(node.of!, scope).control);
      return { low: 0, high: anything.high };
    case 'unary': {
      const { low, high } = of(node.of);
      if (node.operator === '+') return { low, high };
      if (node.operator === '-') return fits({ low: -high, high: -low });
      if (node.operator === '~') return { low: ~high, high: ~low };
      return truth(holds({ low, high }) === false, holds({ low, high }) === true);
    }
    case 'choose': {
      const yes = of(node.yes);
      const no = of(node.no);
      return { low: Math.min(yes.low, no.low), high: Math.max(yes.high, no.high) };
    }
    case 'binary':
      if (typeOf(node.left, scope).kind === 'text') return { low: 0, high: 1 };
      return binaryRange(node.operator, of(node.left), of(node.right));
    case 'call': {
      if (node.name.text === 'length') return { low: 0, high: longestOf(node.args[0]!, scope) };
      if (node.name.text !== 'count') return callRange(node.name.text, node.args.map(of));
      const [list] = node.args;
      return { low: 0, high: list?.type === 'name' ? listOf(list.name, scope).length : 64 };
    }
  }
}

function corners(a: Range, b: Range, apply: (x: number, y: number) => number): Range {
  const all = [apply(a.low, b.low), apply(a.low, b.high), apply(a.high, b.low), apply(a.high, b.high)];
  return fits({ low: Math.min(...all), high: Math.max(...all) });
}

function binaryRange(operator: string, a: Range, b: Range): Range {
  switch (operator) {
    case '+':
      return corners(a, b, (x, y) => x + y);
    case '-':
      return corners(a, b, (x, y) => x - y);
    case '*':
      return corners(a, b, (x, y) => x * y);
    case '/':
      return dividedRange(a, b);
    case '%': {
      // By 0 it is 0; the sign is that of the dividend, and nothing grows.
      const most = Math.max(1, Math.abs(b.low), Math.abs(b.high)) - 1;
      return {
        low: a.low < 0 ? Math.max(a.low, -most) : 0,
        high: a.high > 0 ? Math.min(a.high, most) : 0,
      };
    }
    case '<<':
    case '>>':
    case '&':
    case '|':
    case '^':
      return anything;
    default:
      return comparedRange(operator, a, b);
  }
}

/** Toward zero; by 0 it is 0. Divisors nearest to 0 give the most. */
function dividedRange(a: Range, b: Range): Range {
  const divisors = [b.low, b.high, -1, 1].filter((one) => one !== 0 && one >= b.low && one <= b.high);
  const all = divisors.flatMap((by) => [Math.trunc(a.low / by), Math.trunc(a.high / by)]);
  if (b.low <= 0 && b.high >= 0) all.push(0);
  // Between ends of unlike signs lies 0.
  if (a.low <= 0 && a.high >= 0) all.push(0);
  return fits({ low: Math.min(...all), high: Math.max(...all) });
}

/** Of something that is 1 or 0, where one of them can be ruled out. */
const truth = (surely: boolean, never: boolean): Range => ({ low: surely ? 1 : 0, high: never ? 0 : 1 });

/** Whether a value counts as true: surely (true), never (false), or it depends (null). */
export const holds = ({ low, high }: Range): boolean | null =>
  low === 0 && high === 0 ? false : low > 0 || high < 0 ? true : null;

function comparedRange(operator: string, a: Range, b: Range): Range {
  const apart = a.high < b.low || b.high < a.low;
  const one = a.low === a.high && b.low === b.high && a.low === b.low;
  switch (operator) {
    case '<':
      return truth(a.high < b.low, a.low >= b.high);
    case '<=':
      return truth(a.high <= b.low, a.low > b.high);
    case '>':
      return truth(a.low > b.high, a.high <= b.low);
    case '>=':
      return truth(a.low >= b.high, a.high < b.low);
    case '==':
      return truth(one, apart);
    case '!=':
      return truth(apart, one);
    case '&&':
      return truth(holds(a) === true && holds(b) === true, holds(a) === false || holds(b) === false);
    default:
      return truth(holds(a) === true || holds(b) === true, holds(a) === false && holds(b) === false);
  }
}

function callRange(name: string, args: Range[]): Range {
  const [a, b, c] = args as [Range, Range, Range];
  switch (name) {
    case 'random':
      return { low: 0, high: Math.max(0, a.high - 1) };
    case 'min':
      return { low: Math.min(a.low, b.low), high: Math.min(a.high, b.high) };
    case 'max':
      return { low: Math.max(a.low, b.low), high: Math.max(a.high, b.high) };
    case 'abs':
      return fits({ low: 0, high: Math.max(Math.abs(a.low), Math.abs(a.high)) });
    case 'clamp':
      return callRange('min', [callRange('max', [a, b]), c]);
    case 'overlap':
      return { low: 0, high: 1 };
    default:
      return anything;
  }
}

/** Most characters that text with expressions in braces can take. Unreadable expressions count as written. */
export function longestText(
  template: string,
  named: Pick<Gadget, 'flow' | 'controls'>,
  known?: KnownRanges,
): number {
  const scope = scopeOf(named);
  return template
    .split(/\{([^{}]*)\}/)
    .reduce(
      (length, piece, index) =>
        length + (index % 2 === 0 ? [...piece].length : longestValue(piece, scope, known)),
      0,
    );
}

/** The most characters of a text. */
function longestOf(node: Node, scope: Scope): number {
  if (node.type === 'text') return [...node.value].length;
  if (isCharacter(node)) return 1;
  const name = node.type === 'place' ? node.of : node.type === 'name' ? node.name : null;
  const variable = name && scope.variables.get(name.text)?.variable;
  return variable?.kind === 'text' || variable?.kind === 'texts' ? variable.length : 0;
}

function longestValue(expression: string, scope: Scope, known?: KnownRanges): number {
  try {
    const node = parseExpression(expression);
    if (typeOf(node, scope).kind === 'text') return longestOf(node, scope);
    const { low, high } = expressionRange(expression, scope, known);
    return Math.max(String(low).length, String(high).length);
  } catch (error) {
    if (error instanceof ExpressionError) return expression.length + 2;
    throw error;
  }
}
