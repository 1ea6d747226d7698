import { ExpressionError } from './error.ts';
import { evaluate, type Surroundings } from './evaluate.ts';
import { compileTyped, lengthCode, textRefOf, type Code, type TextRef } from './expression.ts';
import type { Scope } from './scope.ts';
import { textNow } from './texts.ts';

/** Text with gaps: fixed pieces, expressions, and texts among the values, as written. */
export type Template = readonly (string | Code | TextRef)[];

const isCode = (piece: Code | TextRef): piece is Code => Array.isArray(piece);

/** What stands between braces: a number that is worked out, or a text among the values. @throws ExpressionError */
export const compileGap = (text: string, scope: Scope, ownState: number | null = null): Code | TextRef =>
  textRefOf(text, scope, ownState) ?? compileTyped(text, scope, ownState).code;

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
      return isCode(piece) ? evaluate(piece, around) : textNow(piece, around);
    })
    .join('');
}

/** What its gaps ask of the gadget. */
export const codesOfTemplate = (template: Template): Code[] =>
  template.flatMap((piece) => {
    if (typeof piece === 'string') return [];
    return [isCode(piece) ? piece : lengthCode(piece)];
  });
