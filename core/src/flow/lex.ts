import { ExpressionError } from './error.ts';

export interface Token {
  kind: 'number' | 'word' | 'quoted' | 'sign' | 'end';
  /** Of something quoted: without its quotes. */
  text: string;
  start: number;
  end: number;
}

/** Longest first, so that <= is not taken for < and =. */
const pattern =
  /\s+|(?<number>\d[\w.]*)|(?<word>[\p{L}_][\p{L}\p{N}_]*)|"(?<quoted>(?:[^"\\]|\\.)*)"|(?<sign>->|<<|>>|<=|>=|==|!=|&&|\|\||[-+*/%&|^~!<>=?:;(),.[\]{}#@])/uy;

/**
 * The words and signs of a text, and its end.
 * @throws ExpressionError at a character that nothing can begin with
 */
export function lex(text: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (!found)
      throw new ExpressionError(
        text[at] === '"'
          ? 'expected a closing " to this one'
          : `expected a number, a name or a sign, got "${String.fromCodePoint(text.codePointAt(at)!)}"`,
        at,
      );
    const end = at + found[0].length;
    const { number, word, quoted, sign } = found.groups!;
    if (number !== undefined) tokens.push({ kind: 'number', text: number, start: at, end });
    else if (word !== undefined) tokens.push({ kind: 'word', text: word, start: at, end });
    else if (quoted !== undefined)
      tokens.push({ kind: 'quoted', text: quoted.replace(/\\(.)/g, '$1'), start: at, end });
    else if (sign !== undefined) tokens.push({ kind: 'sign', text: sign, start: at, end });
    at = end;
  }
  tokens.push({ kind: 'end', text: '', start: text.length, end: text.length });
  return tokens;
}

/** A name as it is typed: bare where it is one word that means nothing else, otherwise in quotes. */
export function quoted(name: string, reserved: ReadonlySet<string> = none): string {
  if (/^[\p{L}_][\p{L}\p{N}_]*$/u.test(name) && !reserved.has(name)) return name;
  return `"${name.replace(/["\\]/g, '\\$&')}"`;
}
const none: ReadonlySet<string> = new Set();
