import { ExpressionError } from './error.ts';
import { evaluate, type Surroundings } from './evaluate.ts';
import { compileExpression, type Code } from './expression.ts';
import type { Scope } from './scope.ts';

/** Text with gaps: fixed pieces and compiled expressions, alternating as written. */
export type Template = readonly (string | Code)[];

/**
 * Compiles `Heat {v1}`.
 * @throws ExpressionError for a brace without its partner or an expression that cannot be read
 */
export function compileTemplate(text: string, scope: Scope, ownState: number | null = null): Template {
  const pieces = text.split(/\{([^{}]*)\}/);
  return pieces
    .map((piece, index) => {
      if (index % 2 === 1) return compileExpression(piece, scope, ownState);
      if (/[{}]/.test(piece))
        throw new ExpressionError(
          'expected every { to have its } around one expression',
          text.search(/[{}]/),
        );
      return piece;
    })
    .filter((piece) => piece.length > 0);
}

/** The text as it stands now. */
export function renderTemplate(template: Template, around: Surroundings): string {
  return template.map((piece) => (typeof piece === 'string' ? piece : evaluate(piece, around))).join('');
}
