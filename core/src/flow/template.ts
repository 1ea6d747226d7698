import { compileExpression, evaluate, type Code } from './expression.ts';
import { ExpressionError } from './parse.ts';

/** Text with gaps: fixed pieces and compiled expressions, alternating as written. */
export type Template = readonly (string | Code)[];

/**
 * Compiles `Heat {v1}`.
 * @throws ExpressionError for a brace without its partner or an expression that cannot be read
 */
export function compileTemplate(text: string, slot: (id: string) => number | undefined): Template {
  const pieces = text.split(/\{([^{}]*)\}/);
  return pieces
    .map((piece, index) => {
      if (index % 2 === 1) return compileExpression(piece, slot);
      if (/[{}]/.test(piece))
        throw new ExpressionError('expected every { to have its } around one expression');
      return piece;
    })
    .filter((piece) => piece.length > 0);
}

/** The text as it stands now. */
export function renderTemplate(
  template: Template,
  values: readonly number[],
  random: (n: number) => number,
): string {
  return template
    .map((piece) => (typeof piece === 'string' ? piece : evaluate(piece, values, random)))
    .join('');
}
