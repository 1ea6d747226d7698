import { ExpressionError } from './error.ts';
import { lex, type Token } from './lex.ts';

/** Closed at the start, open at the end, in characters of the text. */
export interface Span {
  start: number;
  end: number;
}

/** A word or a quoted name that stands for something of the gadget. */
export interface Name extends Span {
  text: string;
}

export type Node = Span &
  (
    | { type: 'number'; value: number }
    | { type: 'truth'; value: boolean }
    /** Written out; it can only be compared. */
    | { type: 'text'; value: string }
    | { type: 'name'; name: Name }
    /** One of the options of a choice: `mode.Loud`. */
    | { type: 'option'; of: Name; option: Name }
    /** A place in a list, from 0: `lane[3]`. */
    | { type: 'place'; of: Name; index: Node }
    | { type: 'unary'; operator: UnaryOperator; of: Node }
    | { type: 'binary'; operator: BinaryOperator; left: Node; right: Node }
    | { type: 'choose'; test: Node; yes: Node; no: Node }
    | { type: 'call'; name: Name; args: Node[] }
    /** Whether a state is active, the value of a control, time since a state was entered (null: the rule's own). */
    | { type: 'ask'; what: 'in' | 'value' | 'elapsed'; of: Name | null }
  );

export const unaryOperators = ['-', '!', '~', '+'] as const;
export type UnaryOperator = (typeof unaryOperators)[number];

/** By how tightly they bind, loosest first, as in C99. */
const levels = [
  ['||'],
  ['&&'],
  ['|'],
  ['^'],
  ['&'],
  ['==', '!='],
  ['<', '<=', '>', '>='],
  ['<<', '>>'],
  ['+', '-'],
  ['*', '/', '%'],
] as const;
export type BinaryOperator = (typeof levels)[number][number];
export const binaryOperators: readonly BinaryOperator[] = levels.flat();

/** Brackets in one another; more is a slip, and would end in a full stack. */
const deepest = 60;

/** What could stand somewhere in an expression; of an option: the name of its choice. */
export type Expected = 'value' | 'state' | 'control' | { optionOf: string };

/** Reads expressions from words and signs; what reads whole lines goes on from it. */
export class Parser {
  protected at = 0;
  private depth = 0;
  private readonly tokens: Token[];
  protected readonly text: string;
  constructor(text: string) {
    this.text = text;
    this.tokens = lex(text);
  }

  protected get token(): Token {
    return this.tokens[this.at]!;
  }
  protected take(): Token {
    const { token } = this;
    this.at += 1;
    return token;
  }
  /** How many words and signs there are from here to that place of the text; null: it lies within one. */
  protected tokensUntil(end: number): number | null {
    for (let n = 1; this.at + n < this.tokens.length; n += 1) {
      const reached = this.tokens[this.at + n - 1]!.end;
      if (reached >= end) return reached === end ? n : null;
    }
    return null;
  }
  protected get atEnd(): boolean {
    return this.token.kind === 'end';
  }
  protected is(text: string): boolean {
    return this.token.kind === 'sign' && this.token.text === text;
  }
  protected fail(expected: string): never {
    const { kind, text, start } = this.token;
    throw new ExpressionError(
      `expected ${expected}, got ${kind === 'end' ? 'nothing more' : `"${text}"`}`,
      start,
    );
  }
  protected close(sign: string): Token {
    if (!this.is(sign)) this.fail(`"${sign}"`);
    return this.take();
  }

  /** Told at each place where something of the gadget could be named, before it is read. */
  protected expects(what: Expected): void {
    void what;
  }

  whole(): Node {
    if (this.atEnd) throw new ExpressionError('expected an expression, got nothing', 0);
    const node = this.choose();
    if (this.is('=')) throw new ExpressionError('expected ==, to compare; got "="', this.token.start, '==');
    if (!this.atEnd) this.fail('an operator such as + or == here, or the end');
    return node;
  }

  protected choose(): Node {
    this.depth += 1;
    if (this.depth > deepest)
      throw new ExpressionError(`expected at most ${deepest} brackets in one another`, this.token.start);
    const test = this.binary(0);
    this.depth -= 1;
    if (!this.is('?')) return test;
    this.take();
    const yes = this.choose();
    this.close(':');
    const no = this.choose();
    return { type: 'choose', test, yes, no, start: test.start, end: no.end };
  }

  private binary(level: number): Node {
    if (level === levels.length) return this.unary();
    let left = this.binary(level + 1);
    for (;;) {
      const operator = levels[level]!.find((sign) => this.is(sign));
      if (operator === undefined) return left;
      this.take();
      const right = this.binary(level + 1);
      left = { type: 'binary', operator, left, right, start: left.start, end: right.end };
    }
  }

  private unary(): Node {
    const signs: { operator: UnaryOperator; start: number }[] = [];
    for (;;) {
      const operator = unaryOperators.find((sign) => this.is(sign));
      if (operator === undefined) break;
      signs.push({ operator, start: this.take().start });
    }
    if (signs.length > deepest) throw new ExpressionError('expected fewer signs in a row', signs[0]!.start);
    return signs.reduceRight<Node>(
      (of, { operator, start }) => ({ type: 'unary', operator, of, start, end: of.end }),
      this.atom(),
    );
  }

  private atom(): Node {
    this.expects('value');
    const token = this.token;
    if (token.kind === 'number') {
      this.take();
      const value = Number(token.text);
      if (!/^\d+$/.test(token.text) || value > 2_147_483_647)
        throw new ExpressionError(`expected a whole number up to 2147483647, got ${token.text}`, token.start);
      return { type: 'number', value, start: token.start, end: token.end };
    }
    if (this.is('(')) {
      this.take();
      const inner = this.choose();
      const { end } = this.close(')');
      return { ...inner, start: token.start, end };
    }
    if (token.kind === 'word') return this.named();
    if (token.kind === 'quoted') {
      this.take();
      return { type: 'text', value: token.text, start: token.start, end: token.end };
    }
    return this.fail('a number, a variable or "("');
  }

  protected name(what: string): Name {
    if (this.token.kind !== 'word' && this.token.kind !== 'quoted') this.fail(what);
    const { text, start, end } = this.take();
    return { text, start, end };
  }

  private named(): Node {
    const name = this.name('a name');
    const { start } = name;
    if (name.text === 'true' || name.text === 'false')
      return { type: 'truth', value: name.text === 'true', start, end: name.end };
    if (name.text === 'elapsed' && !this.is('('))
      return { type: 'ask', what: 'elapsed', of: null, ...span(name) };
    if (this.is('(')) {
      this.take();
      if (name.text === 'in' || name.text === 'value' || name.text === 'elapsed') {
        this.expects(name.text === 'value' ? 'control' : 'state');
        const of = this.name(name.text === 'value' ? 'the name of a control' : 'the name of a state');
        const { end } = this.close(')');
        return { type: 'ask', what: name.text, of, start, end };
      }
      const args: Node[] = [];
      while (!this.is(')')) {
        if (args.length > 0) this.close(',');
        args.push(this.choose());
      }
      return { type: 'call', name, args, start, end: this.take().end };
    }
    if (this.is('.')) {
      this.take();
      this.expects({ optionOf: name.text });
      const option = this.name('one of its options');
      return { type: 'option', of: name, option, start, end: option.end };
    }
    if (this.is('[')) {
      this.take();
      const index = this.choose();
      return { type: 'place', of: name, index, start, end: this.close(']').end };
    }
    return { type: 'name', name, ...span(name) };
  }
}

const span = ({ start, end }: Span): Span => ({ start, end });

/**
 * Reads an expression. Nothing is evaluated and no name is looked up.
 * @throws ExpressionError at the first character that is wrong
 */
export function parseExpression(text: string): Node {
  return new Parser(text).whole();
}

/** Every name in it that stands for something, with what kind of thing; in the order of the text. */
export function namesIn(
  node: Node,
): { kind: 'variable' | 'option' | 'state' | 'control'; name: Name; of?: Name }[] {
  switch (node.type) {
    case 'number':
    case 'truth':
    case 'text':
      return [];
    case 'name':
      return [{ kind: 'variable', name: node.name }];
    case 'option':
      return [
        { kind: 'variable', name: node.of },
        { kind: 'option', name: node.option, of: node.of },
      ];
    case 'place':
      return [{ kind: 'variable', name: node.of }, ...namesIn(node.index)];
    case 'unary':
      return namesIn(node.of);
    case 'binary':
      return [...namesIn(node.left), ...namesIn(node.right)];
    case 'choose':
      return [...namesIn(node.test), ...namesIn(node.yes), ...namesIn(node.no)];
    case 'call':
      return node.args.flatMap(namesIn);
    case 'ask':
      return node.of ? [{ kind: node.what === 'value' ? 'control' : 'state', name: node.of }] : [];
  }
}

/** The parts of a condition that must all hold, as written. What cannot be read is one part. */
export function guardParts(text: string): string[] {
  let node: Node;
  try {
    node = parseExpression(text);
  } catch (error) {
    if (error instanceof ExpressionError) return [text];
    throw error;
  }
  const parts = (of: Node): string[] =>
    of.type === 'binary' && of.operator === '&&' && text[of.start] !== '('
      ? [...parts(of.left), ...parts(of.right)]
      : [text.slice(of.start, of.end)];
  return parts(node);
}
