import jsep from 'jsep';

/** Shape of what can be written; the parser's own types allow far more. */
export type Node =
  | { type: 'number'; value: number }
  | { type: 'name'; name: string }
  | { type: 'unary'; operator: '-' | '!' | '~' | '+'; of: Node }
  | { type: 'binary'; operator: BinaryOperator; left: Node; right: Node }
  | { type: 'choose'; test: Node; yes: Node; no: Node }
  | { type: 'call'; name: string; args: Node[] };

export const binaryOperators = [
  ...['+', '-', '*', '/', '%', '<<', '>>', '&', '|', '^'],
  ...['==', '!=', '<', '<=', '>', '>=', '&&', '||'],
] as const;
export type BinaryOperator =
  | '+' | '-' | '*' | '/' | '%' | '<<' | '>>' | '&' | '|' | '^' | '==' | '!=' | '<' | '<=' | '>' | '>=' | '&&' | '||'; // prettier-ignore

/** An expression that cannot be read: what was expected, and where. */
export class ExpressionError extends Error {
  readonly index: number | null;
  constructor(message: string, index: number | null = null) {
    super(message);
    this.index = index;
  }
}

const isUnary = (operator: string): operator is '-' | '!' | '~' | '+' =>
  ['-', '!', '~', '+'].includes(operator);
const isBinary = (operator: string): operator is BinaryOperator =>
  (binaryOperators as readonly string[]).includes(operator);

function narrow(node: jsep.Expression): Node {
  switch (node.type) {
    case 'Literal': {
      const { value, raw } = node as jsep.Literal;
      if (typeof value === 'number' && Number.isInteger(value) && Math.abs(value) <= 2_147_483_647)
        return { type: 'number', value };
      if (typeof value === 'boolean') return { type: 'number', value: value ? 1 : 0 };
      throw new ExpressionError(`expected a whole number up to 2147483647, got ${raw}`);
    }
    case 'Identifier':
      return { type: 'name', name: (node as jsep.Identifier).name };
    case 'UnaryExpression': {
      const { operator, argument } = node as jsep.UnaryExpression;
      if (isUnary(operator)) return { type: 'unary', operator, of: narrow(argument) };
      throw new ExpressionError(`expected one of - ! ~, got "${operator}"`);
    }
    case 'BinaryExpression': {
      const { operator, left, right } = node as jsep.BinaryExpression;
      if (isBinary(operator)) return { type: 'binary', operator, left: narrow(left), right: narrow(right) };
      throw new ExpressionError(`expected one of ${binaryOperators.join(' ')}, got "${operator}"`);
    }
    case 'ConditionalExpression': {
      const { test, consequent, alternate } = node as jsep.ConditionalExpression;
      return { type: 'choose', test: narrow(test), yes: narrow(consequent), no: narrow(alternate) };
    }
    case 'CallExpression': {
      const { callee, arguments: args } = node as jsep.CallExpression;
      if (callee.type === 'Identifier')
        return { type: 'call', name: (callee as jsep.Identifier).name, args: args.map(narrow) };
      throw new ExpressionError('expected the name of a function before "("');
    }
    case 'Compound':
      throw new ExpressionError('expected one expression, got several; is an operator missing?');
    default:
      throw new ExpressionError('expected numbers, variables, operators and functions only');
  }
}

/**
 * Reads an expression. Nothing is evaluated and no name is looked up.
 * @throws ExpressionError with the character's index where the parser knows it
 */
export function parseExpression(text: string): Node {
  if (text.trim() === '') throw new ExpressionError('expected an expression, got nothing', 0);
  let parsed: jsep.Expression;
  try {
    parsed = jsep(text);
  } catch (error) {
    const { description, index } = error as { description?: string; index?: number };
    throw new ExpressionError(`cannot be read: ${description ?? 'not an expression'}`, index ?? null);
  }
  return narrow(parsed);
}
