import type { Variable } from '../gadget/index.ts';
import { ExpressionError, parseExpression, type Node } from './parse.ts';

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
export function expressionRange(text: string, variables: readonly Variable[]): Range {
  return rangeOf(parseExpression(text), variables);
}

function rangeOf(node: Node, variables: readonly Variable[]): Range {
  const of = (inner: Node) => rangeOf(inner, variables);
  switch (node.type) {
    case 'number':
      return { low: node.value, high: node.value };
    case 'name': {
      const variable = variables.find(({ id }) => id === node.name);
      if (!variable) throw new ExpressionError(`expected a variable, got "${node.name}"`);
      return { low: variable.min, high: variable.max };
    }
    case 'unary': {
      const { low, high } = of(node.of);
      if (node.operator === '+') return { low, high };
      if (node.operator === '-') return fits({ low: -high, high: -low });
      return node.operator === '!' ? { low: 0, high: 1 } : { low: ~high, high: ~low };
    }
    case 'choose': {
      const yes = of(node.yes);
      const no = of(node.no);
      return { low: Math.min(yes.low, no.low), high: Math.max(yes.high, no.high) };
    }
    case 'binary':
      return binaryRange(node.operator, of(node.left), of(node.right));
    case 'call':
      return callRange(node.name, node.args.map(of));
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
    case '/': {
      // The magnitude never grows; only the sign may change.
      const most = Math.max(Math.abs(a.low), Math.abs(a.high));
      return fits({ low: b.low > 0 && a.low >= 0 ? 0 : -most, high: most });
    }
    case '%': {
      const most = Math.max(Math.abs(b.low), Math.abs(b.high)) - 1;
      return fits({ low: a.low < 0 ? -most : 0, high: Math.max(0, most) });
    }
    case '<<':
    case '>>':
    case '&':
    case '|':
    case '^':
      return anything;
    default:
      return { low: 0, high: 1 };
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
    default:
      return anything;
  }
}

/** Most characters that text with expressions in braces can take. Unreadable expressions count as written. */
export function longestText(template: string, variables: readonly Variable[]): number {
  return template
    .split(/\{([^{}]*)\}/)
    .reduce(
      (length, piece, index) =>
        length + (index % 2 === 0 ? [...piece].length : longestValue(piece, variables)),
      0,
    );
}

function longestValue(expression: string, variables: readonly Variable[]): number {
  try {
    const { low, high } = expressionRange(expression, variables);
    return Math.max(String(low).length, String(high).length);
  } catch (error) {
    if (error instanceof ExpressionError) return expression.length + 2;
    throw error;
  }
}
