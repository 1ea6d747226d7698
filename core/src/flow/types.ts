import { limits, variableShape, variableSize, type Variable } from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { nearest } from './nearest.ts';
import type { Name, Node } from './parse.ts';
import type { Scope } from './scope.ts';

/** What an expression gives. Flags count as 0 and 1 where a number is wanted, and any number but 0 as yes. */
export type Type =
  | { kind: 'number' }
  | { kind: 'flag' }
  /** It can only be compared with another, measured, and filled in. */
  | { kind: 'text' }
  | { kind: 'choice'; variable: ChoiceVariable };
type ChoiceVariable = Extract<Variable, { kind: 'choice' }>;

export const number: Type = { kind: 'number' };
export const flag: Type = { kind: 'flag' };
const textType: Type = { kind: 'text' };

/** Arguments that each function wants. */
export const functions = {
  random: 1,
  min: 2,
  max: 2,
  abs: 1,
  clamp: 3,
  /** Whether [a, a + width) and [b, b + width) meet. */
  overlap: 4,
  /** How many places of a list hold a value. */
  count: 2,
  /** A number that what happened carries, by its place from 0: a note and its velocity; 0 where it carries none. */
  heard: 1,
  /** How many characters a text has. */
  length: 1,
  /** The character of a number, to be filled in. (Unicode.) */
  char: 1,
} as const;
export type FunctionName = keyof typeof functions;
export const isFunction = (name: string): name is FunctionName => Object.hasOwn(functions, name);

function among<T>(known: ReadonlyMap<string, T>, name: Name, what: string): T {
  const found = known.get(name.text);
  if (found !== undefined) return found;
  const suggestion = nearest(name.text, [...known.keys()]);
  throw new ExpressionError(`expected ${what}, got "${name.text}"`, name.start, suggestion);
}
export const variableOf = (name: Name, scope: Scope) => among(scope.variables, name, 'a variable');
export const stateOf = (name: Name, scope: Scope) => among(scope.states, name, 'a state');
export const controlOf = (name: Name, scope: Scope) => among(scope.controls, name, 'a control');

/** The option's number. @throws ExpressionError where the variable is no choice or has no such option */
export function optionOf(of: Name, option: Name, scope: Scope): { variable: ChoiceVariable; number: number } {
  const { variable } = variableOf(of, scope);
  if (variable.kind !== 'choice')
    throw new ExpressionError('expected a choice before the dot; this is another kind of variable', of.start);
  const at = variable.options.findIndex(({ id }) => id === option.text);
  if (at < 0)
    throw new ExpressionError(
      `expected one of its options, got "${option.text}"`,
      option.start,
      nearest(
        option.text,
        variable.options.map(({ id }) => id),
      ),
    );
  return { variable, number: at };
}

/** A list, a table, or the characters of a text. @throws ExpressionError for anything else */
export function listOf(name: Name, scope: Scope) {
  const { variable, slot } = variableOf(name, scope);
  if (variableShape(variable) !== 'places' && variable.kind !== 'text')
    throw new ExpressionError('expected a list here; this is another kind of variable', name.start);
  return { slot, length: variableSize(variable), variable };
}

const noChoice = (node: Node, type: Type, operator: string): void => {
  if (type.kind === 'text')
    throw new ExpressionError(
      node.type === 'text'
        ? `expected a number or a variable for ${operator}; names of states and controls stand in in("…") or value("…")`
        : `expected a number for ${operator}; a text can only be compared, or measured with length()`,
      node.start,
    );
  if (type.kind !== 'choice') return;
  const [first] = type.variable.options;
  throw new ExpressionError(
    `expected a number for ${operator}; a choice can only be compared, as in ${type.variable.id} == ${type.variable.id}.${first!.id}`,
    node.start,
  );
};

/**
 * What the expression gives, with everything looked up and every place checked.
 * @throws ExpressionError at the first character of what does not fit
 */
export function typeOf(node: Node, scope: Scope): Type {
  const of = (inner: Node) => typeOf(inner, scope);
  const numeric = (inner: Node, operator: string) => noChoice(inner, of(inner), operator);
  switch (node.type) {
    case 'number':
      return number;
    case 'truth':
      return flag;
    case 'text':
      if ([...node.value].length > limits.textLength)
        throw new ExpressionError(`expected a text of at most ${limits.textLength} characters`, node.start);
      return textType;
    case 'name': {
      if (isFunction(node.name.text) && !scope.variables.has(node.name.text))
        throw new ExpressionError(`expected "(" after ${node.name.text}`, node.end);
      const { variable } = variableOf(node.name, scope);
      if (variable.kind === 'text') return textType;
      if (variable.kind === 'list' || variable.kind === 'table' || variable.kind === 'texts')
        throw new ExpressionError(
          'expected a place in the list, such as [0]',
          node.end,
          `${node.name.text}[0]`,
        );
      if (variable.kind === 'choice') return { kind: 'choice', variable };
      return variable.kind === 'flag' ? flag : number;
    }
    case 'option':
      return { kind: 'choice', variable: optionOf(node.of, node.option, scope).variable };
    case 'place': {
      const texts = variableOf(node.of, scope).variable.kind === 'texts';
      if (!texts) listOf(node.of, scope);
      // A choice says which place by itself: its number is its option's, from 0.
      if (of(node.index).kind !== 'choice') numeric(node.index, 'a place');
      return texts ? textType : number;
    }
    case 'unary':
      numeric(node.of, node.operator);
      return node.operator === '!' ? flag : number;
    case 'binary':
      return binaryType(node, of(node.left), of(node.right));
    case 'choose': {
      numeric(node.test, '?');
      const [yes, no] = [of(node.yes), of(node.no)];
      if (yes.kind === no.kind && yes.kind !== 'text' && (yes.kind !== 'choice' || sameChoice(yes, no)))
        return yes;
      noChoice(node.yes, yes, 'both sides of :');
      noChoice(node.no, no, 'both sides of :');
      return number;
    }
    case 'call':
      return callType(node, scope);
    case 'ask':
      if (node.what === 'value') return valueType(node.of!, scope);
      if (node.of) stateOf(node.of, scope);
      return node.what === 'in' ? flag : number;
  }
}

const sameChoice = (a: Type, b: Type) =>
  a.kind === 'choice' && b.kind === 'choice' && a.variable.id === b.variable.id;

function binaryType(node: Extract<Node, { type: 'binary' }>, left: Type, right: Type): Type {
  const { operator } = node;
  if (operator === '==' || operator === '!=') {
    for (const side of [node.left, node.right])
      if (isCharacter(side))
        throw new ExpressionError('expected a number to compare; char() can only be filled in', side.start);
    if (left.kind === 'text' && right.kind === 'text') return flag;
    if (left.kind === 'text' || right.kind === 'text') {
      const other = left.kind === 'text' ? node.right : node.left;
      throw new ExpressionError('expected a text to compare it with, such as "abc"', other.start);
    }
    if (left.kind !== 'choice' && right.kind !== 'choice') return flag;
    if (sameChoice(left, right)) return flag;
    const [choice, other] = left.kind === 'choice' ? [left, node.right] : [right as typeof left, node.left];
    const { id, options } = (choice as Extract<Type, { kind: 'choice' }>).variable;
    throw new ExpressionError(
      'expected one of the options of the same choice',
      other.start,
      `${id}.${options[0]!.id}`,
    );
  }
  noChoice(node.left, left, operator);
  noChoice(node.right, right, operator);
  return ['<', '<=', '>', '>=', '&&', '||'].includes(operator) ? flag : number;
}

function callType(node: Extract<Node, { type: 'call' }>, scope: Scope): Type {
  const { text, start } = node.name;
  if (!isFunction(text)) {
    const known = [...Object.keys(functions), 'in', 'value', 'elapsed'];
    throw new ExpressionError(
      `expected one of the functions ${known.join(', ')}, got "${text}"`,
      start,
      nearest(text, known),
    );
  }
  const wanted = functions[text];
  if (node.args.length !== wanted)
    throw new ExpressionError(
      `expected ${wanted} value${wanted > 1 ? 's' : ''} in ${text}(), got ${node.args.length}`,
      node.start,
    );
  if (text === 'length') {
    const [of] = node.args as [Node];
    if (typeOf(of, scope).kind !== 'text' || isCharacter(of))
      throw new ExpressionError('expected a text here, to measure its length', of.start);
    return number;
  }
  const values = text === 'count' ? node.args.slice(1) : node.args;
  if (text === 'count') {
    const [list] = node.args;
    if (list!.type !== 'name') throw new ExpressionError('expected a list here', list!.start);
    listOf(list!.name, scope);
  }
  for (const arg of values) noChoice(arg, typeOf(arg, scope), `${text}()`);
  if (text === 'char') return textType;
  return text === 'overlap' ? flag : number;
}

/** A character by its number. */
export const isCharacter = (node: Node): node is Extract<Node, { type: 'call' }> =>
  node.type === 'call' && node.name.text === 'char';

function valueType(name: Name, scope: Scope): Type {
  const { control } = controlOf(name, scope);
  return control.kind === 'button' ? flag : number;
}

/**
 * Whether a variable can take what an expression gives.
 * @throws ExpressionError saying what it can take instead
 */
export function checkFits(node: Node, type: Type, variable: Variable): void {
  if (variable.kind === 'choice') {
    if (type.kind === 'choice' && type.variable.id === variable.id) return;
    throw new ExpressionError(
      'expected one of its options',
      node.start,
      `${variable.id}.${variable.options[0]!.id}`,
    );
  }
  if (type.kind === 'choice') noChoice(node, type, 'this variable');
  if (variable.kind === 'flag' && type.kind === 'number' && !isBit(node))
    throw new ExpressionError('expected yes or no, as a comparison gives it; this is a number', node.start);
}

const isBit = (node: Node) => node.type === 'number' && node.value <= 1;
