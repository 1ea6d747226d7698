import { ExpressionError, readExpression, readTemplate, type Gadget } from '@hum-lever/core';

export interface Refused {
  refused: string;
}
type Read<T> = { ok: T } | Refused;

/** The message of a refusal, with what was probably meant. */
export const refusal = ({ message, suggestion }: ExpressionError): string =>
  suggestion === null ? `${message}.` : `${message}. Did you mean ${suggestion}?`;

export function reading<T>(read: () => T): Read<T> {
  try {
    return { ok: read() };
  } catch (error) {
    if (error instanceof ExpressionError) return { refused: refusal(error) };
    throw error;
  }
}

/** Typed expression as the document keeps it, or why it cannot be. */
export const typedExpression = (typed: string, gadget: Gadget) =>
  reading(() => readExpression(typed, gadget));
export const typedTemplate = (typed: string, gadget: Gadget) => reading(() => readTemplate(typed, gadget));
/** Nothing typed means: always. */
export const typedGuard = (typed: string, gadget: Gadget): Read<string | null> =>
  typed.trim() === '' ? { ok: null } : typedExpression(typed, gadget);
