import { ExpressionError } from '../error.ts';
import { quoted } from '../lex.ts';
import { nearest } from '../nearest.ts';
import { Parser, type Expected, type Span } from '../parse.ts';
import { variableShape, type Length, type Variable } from '../../gadget/index.ts';
import { functions } from '../types.ts';
import { readExpression, readTemplate } from '../words.ts';
import { kindWords, type NameKind, type Names } from './names.ts';
import { lengthUnits, type LengthUnit } from './units.ts';

/** Something that could stand at the cursor, and what of the text it would take the place of. */
export interface Completion extends Span {
  text: string;
}

const none: ReadonlySet<string> = new Set();
const called = (name: string) => `${name}(`;
const asked = ['in', 'value'].map(called).concat('elapsed');
/** A variable as it is read; a choice with what it can be compared to. */
const valuesOf = (variable: Variable): string[] => {
  const { name } = variable;
  if (variable.kind === 'texts') return [`${name}[`];
  if (variableShape(variable) === 'places') return [`${name}[`, name];
  return variable.kind === 'choice'
    ? [name, ...variable.options.map((option) => `${name}.${option.name}`)]
    : [name];
};

/** Reads a line word by word; remembers what could have stood at the cursor. */
export class LineReader extends Parser {
  readonly names: Names;
  readonly completions: Completion[] = [];
  private readonly cursor: number | null;

  /** @param cursor where completions are wanted; null: nowhere */
  constructor(text: string, names: Names, cursor: number | null = null) {
    super(text);
    this.names = names;
    this.cursor = cursor;
  }

  get here(): number {
    return this.token.start;
  }
  get isQuoted(): boolean {
    return this.token.kind === 'quoted';
  }
  get ended(): boolean {
    return this.atEnd;
  }

  /** Offers these where the cursor is. */
  private offer(texts: Iterable<string>): void {
    const { start, end, kind } = this.token;
    if (this.cursor === null) return;
    const onWord = kind !== 'end' && kind !== 'sign' && start <= this.cursor && this.cursor <= end;
    if (!onWord && !(this.cursor <= start && this.cursor >= this.lastEnd)) return;
    const typed = onWord ? this.text.slice(start, this.cursor).replace(/^"/, '').toLowerCase() : '';
    for (const text of texts) {
      const bare = text.replace(/^"/, '').toLowerCase();
      if (!bare.startsWith(typed) || this.completions.some((one) => one.text === text)) continue;
      this.completions.push(onWord ? { text, start, end } : { text, start: this.cursor, end: this.cursor });
    }
  }
  private lastEnd = 0;
  protected override take() {
    const taken = super.take();
    this.lastEnd = taken.end;
    return taken;
  }

  protected override expects(what: Expected): void {
    if (this.cursor === null) return;
    const { names } = this;
    const labels = (kind: NameKind) => [...names[kind].values()].map((label) => `${quoted(label)})`);
    const { variables } = names.gadget.flow;
    if (what === 'value')
      this.offer([
        ...variables.flatMap(valuesOf),
        ...asked,
        ...Object.keys(functions).map(called),
        'true',
        'false',
      ]);
    else if (what === 'state') this.offer(labels('states'));
    else if (what === 'control') this.offer(labels('controls'));
    else {
      const choice = variables.find(({ name }) => name === what.optionOf);
      if (choice?.kind === 'choice') this.offer(choice.options.map(({ name }) => name));
    }
  }

  /** Whether the next word is this one; taken if so. */
  word(wanted: string): boolean {
    this.offer([wanted]);
    if (this.token.kind !== 'word' || this.token.text !== wanted) return false;
    this.take();
    return true;
  }
  /** One of these words. @throws ExpressionError with them all */
  oneOf<T extends string>(words: readonly T[]): T {
    this.offer(words);
    const found = this.token.kind === 'word' && words.find((word) => word === this.token.text);
    if (!found)
      throw new ExpressionError(
        `expected ${words.join(', ')}, got ${this.got}`,
        this.here,
        nearest(this.token.text, words),
      );
    this.take();
    return found;
  }
  private get got(): string {
    return this.ended ? 'nothing more' : `"${this.token.text}"`;
  }
  sign(text: string): boolean {
    if (!this.is(text)) return false;
    this.take();
    return true;
  }
  /** @throws ExpressionError where another comes */
  must(text: string): void {
    this.close(text);
  }

  /** Id of what is named, if a name of that kind comes; it is not taken. @param taken words that mean something else here */
  peek(kind: NameKind, taken: ReadonlySet<string> = none): string | null {
    return this.nameAhead(kind, taken)?.id ?? null;
  }
  /** Id of what is named. @throws ExpressionError with the nearest of its kind */
  id(kind: NameKind): string {
    const named = this.nameAhead(kind, none);
    if (named === null) {
      const known = [...this.names[kind].values()];
      throw new ExpressionError(
        `expected ${kindWords[kind]} (${known.slice(0, 12).join(', ') || 'none yet'}), got ${this.got}`,
        this.here,
        nearest(this.token.text, known),
      );
    }
    for (let n = 0; n < named.words; n += 1) this.take();
    return named.id;
  }
  private nameAhead(kind: NameKind, taken: ReadonlySet<string>): { id: string; words: number } | null {
    const labels = this.names[kind];
    this.offer([...labels.values()].map((label) => quoted(label, taken)));
    const { kind: token, text } = this.token;
    if (token !== 'quoted' && (token !== 'word' || taken.has(text))) return null;
    if (token === 'word') return this.namedInWords(labels);
    for (const [id, label] of labels) if (label === text) return { id, words: 1 };
    return null;
  }
  /** Bare names, also of several words: the longest that the line goes on with. */
  private namedInWords(labels: ReadonlyMap<string, string>): { id: string; words: number } | null {
    let longest = null;
    let length = 0;
    for (const [id, label] of labels) {
      if (label.length <= length || !this.text.startsWith(label, this.here)) continue;
      const words = this.tokensUntil(this.here + label.length);
      if (words === null) continue;
      longest = { id, words };
      length = label.length;
    }
    return longest;
  }

  /** A whole number from `least` to `most`. */
  number(what: string, least = -Infinity, most = Infinity): number {
    const { here } = this;
    const minus = this.sign('-');
    const got = minus ? `"-${this.token.text}"` : this.got;
    const value = /^\d+$/.test(this.token.text) ? Number(this.token.text) * (minus ? -1 : 1) : NaN;
    if (this.token.kind !== 'number' || !(value >= least && value <= most))
      throw new ExpressionError(`expected ${what}, got ${got}`, here);
    this.take();
    return value;
  }

  /** An expression as the document stores it. */
  expression(): string {
    const { here } = this;
    const node = this.choose();
    // A bracket around the whole is not part of the node's own span.
    const end = Math.max(node.end, this.lastEnd);
    return this.shifted(here, () => readExpression(this.text.slice(here, end), this.names.gadget));
  }
  /** A text in quotes, as the document stores it. */
  template(): string {
    if (this.token.kind !== 'quoted')
      throw new ExpressionError(`expected a text in quotes, got ${this.got}`, this.here);
    const { text, start } = this.take();
    return this.shifted(start + 1, () => readTemplate(text, this.names.gadget));
  }
  /** A text in quotes as it is. @param like and what is said where it is not */
  plain(like?: RegExp, expected = ''): string {
    const { here } = this;
    if (this.token.kind !== 'quoted')
      throw new ExpressionError(`expected a text in quotes, got ${this.got}`, here);
    const { text } = this.take();
    if (like && !like.test(text)) throw new ExpressionError(expected, here);
    return text;
  }
  /** A single character in quotes; null: something else comes. @throws ExpressionError where there are more or none */
  quoted(): string | null {
    if (this.token.kind !== 'quoted') return null;
    const { here } = this;
    const { text } = this.take();
    if ([...text].length !== 1 || text.trim() === '')
      throw new ExpressionError(`expected one character in quotes, got "${text}"`, here);
    return text;
  }
  private shifted<T>(by: number, read: () => T): T {
    try {
      return read();
    } catch (error) {
      if (!(error instanceof ExpressionError) || error.index === null) throw error;
      throw new ExpressionError(error.message, error.index + by, error.suggestion);
    }
  }

  /** `250 ms`, `1.5 s`, or an expression in brackets and ms. */
  length(): Length {
    if (this.sign('(')) {
      const ms = this.expression();
      this.must(')');
      this.oneOf(['ms']);
      return { ms };
    }
    const { here } = this;
    const number = Number(this.token.kind === 'number' ? this.token.text : NaN);
    if (!Number.isFinite(number))
      throw new ExpressionError(`expected a time such as 250 ms, got ${this.got}`, here);
    this.take();
    return Math.round(number * lengthUnits[this.oneOf(Object.keys(lengthUnits) as LengthUnit[])]);
  }
  /** A time that is known beforehand. */
  fixedLength(): number {
    const { here } = this;
    const length = this.length();
    if (typeof length !== 'number') throw new ExpressionError('expected a fixed time such as 250 ms', here);
    return length;
  }
}
