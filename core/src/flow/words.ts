import type { Gadget } from '../gadget/index.ts';
import { ExpressionError } from './error.ts';
import { compileExpression } from './expression.ts';
import { plainLabels, stateLabels } from './labels.ts';
import { quoted } from './lex.ts';
import { nearest } from './nearest.ts';
import { namesIn, parseExpression, type Name, type Node } from './parse.ts';
import { scopeOf, type Scope } from './scope.ts';
import { compileGap, compileTemplate } from './template.ts';

/*
 * The document keeps expressions over ids, so that renaming changes nothing else. People read and type names. These
 * two are each other's inverse on every readable text.
 */

/** What expressions are shown and typed with. */
export type Named = Pick<Gadget, 'flow' | 'controls'>;

/** In a template only what stands in braces is an expression. @param change gets where in the text it begins, too */
const inBraces = (text: string, change: (inner: string, at: number) => string) =>
  text.replace(/\{([^{}]*)\}/g, (_all, inner: string, at: number) => `{${change(inner, at + 1)}}`);

/** The text with every name in it put otherwise. */
function renamed(
  text: string,
  node: Node,
  other: (found: ReturnType<typeof namesIn>[number]) => string,
): string {
  let made = '';
  let at = 0;
  for (const found of namesIn(node)) {
    made += text.slice(at, found.name.start) + other(found);
    at = found.name.end;
  }
  return made + text.slice(at);
}

function parsed(text: string): Node | null {
  try {
    return parseExpression(text);
  } catch (error) {
    if (error instanceof ExpressionError) return null;
    throw error;
  }
}

/** Stored expression (ids) as people read it (names). An id that nothing has stays as it is. */
export function showExpression(text: string, named: Named): string {
  const node = parsed(text);
  if (!node) return text;
  const { variables } = named.flow;
  return renamed(text, node, ({ kind, name: { text: id }, of }) => {
    if (kind === 'variable') return variables.find((variable) => variable.id === id)?.name ?? id;
    if (kind === 'state') return quoted(stateLabels(named).get(id) ?? id);
    if (kind === 'control') return quoted(plainLabels(named.controls).get(id) ?? id);
    const choice = variables.find((variable) => variable.id === of!.text);
    return (choice?.kind === 'choice' && choice.options.find((option) => option.id === id)?.name) || id;
  });
}

/** Refuses a name that nothing has, with those there are and the one that was probably meant. */
function unknown(what: string, name: Name, known: readonly string[]): never {
  const listed = known.slice(0, 12).join(', ') + (known.length > 12 ? ', …' : '');
  throw new ExpressionError(
    `expected ${what} (${listed || 'none yet'}), got "${name.text}"`,
    name.start,
    nearest(name.text, known),
  );
}

/** Id of what has that label. */
function labelled(labels: ReadonlyMap<string, string>, name: Name, what: string): string {
  for (const [id, label] of labels) if (label === name.text) return id;
  return unknown(what, name, [...labels.values()]);
}

/**
 * Typed expression (names) as the document stores it (ids).
 * @throws ExpressionError for a name that nothing has, or text that cannot be read or does not fit
 */
export function readExpression(text: string, named: Named): string {
  return stored(text, named, (of, scope) => compileExpression(of, scope, 0));
}

/** @param check whether what is stored can be read @throws ExpressionError */
function stored(text: string, named: Named, check: (of: string, scope: Scope) => unknown): string {
  const node = parseExpression(text);
  const { variables } = named.flow;
  const variable = (name: Name) =>
    variables.find((one) => one.name === name.text) ??
    unknown(
      'a variable',
      name,
      variables.map((one) => one.name),
    );
  const made = renamed(text, node, ({ kind, name, of }) => {
    if (kind === 'variable') return variable(name).id;
    if (kind === 'state') return labelled(stateLabels(named), name, 'a state');
    if (kind === 'control') return labelled(plainLabels(named.controls), name, 'a control');
    const choice = variable(of!);
    if (choice.kind !== 'choice')
      throw new ExpressionError(`expected a choice before the dot; ${choice.name} is none`, of!.start);
    const option = choice.options.find((one) => one.name === name.text);
    return (
      option?.id ??
      unknown(
        `one of the options of ${choice.name}`,
        name,
        choice.options.map((one) => one.name),
      )
    );
  });
  checkStored(made, named, text, check);
  return made;
}

/** Whether the stored text compiles; its errors are told in the words and at the place of the typed one. */
function checkStored(
  stored: string,
  named: Named,
  typed: string,
  check: (of: string, scope: Scope) => unknown,
): void {
  try {
    check(stored, scopeOf(named));
  } catch (error) {
    if (!(error instanceof ExpressionError)) throw error;
    throw new ExpressionError(
      showMessage(error.message, named),
      error.index === null ? null : placeInTyped(stored, typed, error.index),
      error.suggestion === null ? null : showExpression(error.suggestion, named),
    );
  }
}

/** Ids in a message, as in v1 == v1.q2, by their names. */
const showMessage = (message: string, named: Named): string =>
  message.replace(/\bv\d+(?:\.q\d+| == v\d+\.q\d+)?/g, (found) => showExpression(found, named));

/** Both texts have the same names in the same order, and the same in between. */
function placeInTyped(stored: string, typed: string, index: number): number {
  const [a, b] = [parsed(stored), parsed(typed)];
  if (!a || !b) return index;
  let shift = 0;
  const there = namesIn(b);
  for (const [n, { name }] of namesIn(a).entries()) {
    if (name.start >= index) break;
    const other = there[n]!.name;
    shift = index < name.end ? other.start - name.start : other.end - name.end;
  }
  return index + shift;
}

/** As `showExpression`, for text with expressions in braces. */
export function showTemplate(text: string, named: Named): string {
  return inBraces(text, (inner) => showExpression(inner, named));
}

/** As `readExpression`, for text with expressions in braces. @throws ExpressionError */
export function readTemplate(text: string, named: Named): string {
  const made = inBraces(text, (inner, at) => {
    try {
      return stored(inner, named, compileGap);
    } catch (error) {
      if (!(error instanceof ExpressionError) || error.index === null) throw error;
      throw new ExpressionError(error.message, error.index + at, error.suggestion);
    }
  });
  compileTemplate(made, scopeOf(named), 0);
  return made;
}
