import { functionNames, type Variable } from '../gadget/index.ts';
import { compileExpression } from './expression.ts';
import { ExpressionError } from './parse.ts';
import { compileTemplate } from './template.ts';

/*
 * The document keeps expressions over variable ids, so that renaming a variable changes nothing else. People read
 * and type names. These two are each other's inverse on every readable text.
 */

const word = /[A-Za-z_][A-Za-z0-9_]*/g;
const reserved = new Set<string>([...functionNames, 'true', 'false']);

const renamed = (text: string, nameOf: (found: string) => string) =>
  text.replace(word, (found) => (reserved.has(found) ? found : nameOf(found)));

/** In a template only what stands in braces is an expression. */
const inBraces = (text: string, change: (inner: string) => string) =>
  text.replace(/\{([^{}]*)\}/g, (_all, inner: string) => `{${change(inner)}}`);

/** Stored expression (ids) as people read it (names). An id without a variable stays as it is. */
export function showExpression(text: string, variables: readonly Variable[]): string {
  return renamed(text, (id) => variables.find((variable) => variable.id === id)?.name ?? id);
}

/**
 * Typed expression (names) as the document stores it (ids).
 * @throws ExpressionError for a name that no variable has, or text that cannot be read
 */
export function readExpression(text: string, variables: readonly Variable[]): string {
  const stored = renamed(text, (name) => {
    const found = variables.find((variable) => variable.name === name);
    if (found) return found.id;
    const known = variables.map((variable) => variable.name).join(', ') || 'none yet';
    throw new ExpressionError(`expected a variable (${known}), got "${name}"`);
  });
  compileExpression(stored, slotOf(variables));
  return stored;
}

/** As `showExpression`, for text with expressions in braces. */
export function showTemplate(text: string, variables: readonly Variable[]): string {
  return inBraces(text, (inner) => showExpression(inner, variables));
}

/** As `readExpression`, for text with expressions in braces. @throws ExpressionError */
export function readTemplate(text: string, variables: readonly Variable[]): string {
  const stored = inBraces(text, (inner) => readExpression(inner, variables));
  compileTemplate(stored, slotOf(variables));
  return stored;
}

const slotOf = (variables: readonly Variable[]) => (id: string) => {
  const at = variables.findIndex((variable) => variable.id === id);
  return at < 0 ? undefined : at;
};
