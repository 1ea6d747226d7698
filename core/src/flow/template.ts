import { readableText } from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { evaluate, type Surroundings } from './evaluate.ts';
import { compileTyped, lengthCode, textOf, type Code, type TextRef } from './expression.ts';
import type { Scope } from './scope.ts';
import { textNow } from './texts.ts';

/** What fills a gap: a number that is worked out, a text among the values, or the character of a number. */
type Gap = Code | TextRef | { character: Code };

/** Text with gaps: fixed pieces, and what fills them, as written. */
export type Template = readonly (string | Gap)[];

const isCode = (piece: Gap): piece is Code => Array.isArray(piece);

/** Nothing where the number is no character, or one that cannot be seen or would turn the writing around. */
function characterOf(number: number): string {
  if (number < 32 || number > lastCharacter || (number >= 0xd800 && number < 0xe000)) return '';
  return readableText(String.fromCodePoint(number)).replace(/[\u007f\u2028\u2029]/u, '');
}
const lastCharacter = 0x10ffff;

/** What stands between braces. @throws ExpressionError */
export const compileGap = (text: string, scope: Scope, ownState: number | null = null): Gap =>
  textOf(text, scope, ownState) ?? compileTyped(text, scope, ownState).code;

/**
 * Compiles `Heat {v1}`.
 * @throws ExpressionError for a brace without its partner or an expression that cannot be read
 */
export function compileTemplate(text: string, scope: Scope, ownState: number | null = null): Template {
  const pieces = text.split(/\{([^{}]*)\}/);
  return pieces
    .map((piece, index) => {
      if (index % 2 === 1) return compileGap(piece, scope, ownState);
      if (/[{}]/.test(piece))
        throw new ExpressionError(
          'expected every { to have its } around one expression',
          text.search(/[{}]/),
        );
      return piece;
    })
    .filter((piece) => typeof piece !== 'string' || piece.length > 0);
}

/** The text as it stands now. */
export function renderTemplate(template: Template, around: Surroundings): string {
  return template
    .map((piece) => {
      if (typeof piece === 'string') return piece;
      if (isCode(piece)) return evaluate(piece, around);
      return 'character' in piece ? characterOf(evaluate(piece.character, around)) : textNow(piece, around);
    })
    .join('');
}

/** What its gaps ask of the gadget. */
export const codesOfTemplate = (template: Template): Code[] =>
  template.flatMap((piece) => {
    if (typeof piece === 'string') return [];
    if (isCode(piece)) return [piece];
    return ['character' in piece ? piece.character : lengthCode(piece)];
  });
