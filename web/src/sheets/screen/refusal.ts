import { elementProblem, type Gadget, type OutputAction } from '@hum-lever/core';

/** Why an element is refused where it is typed, as a sentence: it could not be drawn so. null: it can. */
export function refusalOf(gadget: Gadget, pageId: string, element: OutputAction): string | null {
  const problem = elementProblem(gadget, pageId, element);
  return problem === null ? null : `${problem.charAt(0).toUpperCase()}${problem.slice(1)}.`;
}
