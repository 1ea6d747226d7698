import type { Page, SingleEdit } from '@hum-lever/core';
import { movedElement } from './moved.ts';

type Elements = Page['elements'];

const groupOf = (elements: Elements, at: number): number => {
  const element = elements[at];
  return element && 'group' in element ? element.group : 0;
};

/** All that belongs together with an element, itself last. */
export function together(elements: Elements, at: number): number[] {
  const group = groupOf(elements, at);
  if (group === 0) return [at];
  return [...elements.keys()]
    .filter((other) => other !== at && groupOf(elements, other) === group)
    .concat(at);
}

/** The group that all of these are, and nothing else is; 0: they are none, or only some of one. */
export function wholeGroup(elements: Elements, chosen: readonly number[]): number {
  const [first] = chosen;
  if (first === undefined) return 0;
  const group = groupOf(elements, first);
  const all = together(elements, first);
  return group !== 0 && all.length === chosen.length && all.every((at) => chosen.includes(at)) ? group : 0;
}

/** A number that no group of the page has yet. */
function freeGroup(elements: Elements): number {
  const taken = new Set([...elements.keys()].map((at) => groupOf(elements, at)));
  let group = 1;
  // No more groups than elements.
  while (taken.has(group)) group += 1;
  return group;
}

const changed = (page: Page, chosen: readonly number[], patch: object): SingleEdit[] =>
  chosen.flatMap((at): SingleEdit[] => {
    const element = page.elements[at];
    return element ? [{ name: 'changeElement', args: [page.id, at, { ...element, ...patch } as never] }] : [];
  });

/** They belong together from now on; groups that some of them were in lose those. */
export const groupingEdits = (page: Page, chosen: readonly number[]): SingleEdit[] =>
  changed(page, chosen, { group: freeGroup(page.elements) });

/** Each stands by itself. */
export const partingEdits = (page: Page, chosen: readonly number[]): SingleEdit[] =>
  changed(page, chosen, { group: 0 });

/** All of them are drawn on the same condition. */
export const conditionEdits = (page: Page, chosen: readonly number[], onlyIf: string): SingleEdit[] =>
  changed(page, chosen, { onlyIf });

/** Of what they are drawn on condition; null: each on one of its own. */
export function conditionOf(elements: Elements, chosen: readonly number[]): string | null {
  const conditions = new Set(
    chosen.flatMap((at) => (elements[at] && 'onlyIf' in elements[at] ? [elements[at].onlyIf] : [])),
  );
  return conditions.size === 1 ? [...conditions][0]! : null;
}

/** The same once more, so much lower, behind all that stands there; a group of their own where they were one. */
export function copyingEdits(page: Page, chosen: readonly number[], by: number): SingleEdit[] {
  const { elements } = page;
  const fresh = freeGroup(elements);
  const grouped = chosen.length > 1 && wholeGroup(elements, chosen) !== 0;
  return chosen
    .toSorted((a, b) => a - b)
    .flatMap((at): SingleEdit[] => {
      const element = elements[at];
      if (!element) return [];
      const copy = { ...(movedElement(element, 0, by) ?? element), group: grouped ? fresh : 0 };
      return [{ name: 'addElement', args: [page.id, copy as never] }];
    });
}
