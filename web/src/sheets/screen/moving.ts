import { asOneEdit, type Page, type SingleEdit } from '@hum-lever/core';
import { edit } from '../../client/index.ts';
import { movedElement } from './moved.ts';

/** The edits that move what is chosen by so much, as one step; what no hand moves stays. */
export function movingEdits(
  page: Page,
  chosen: readonly number[],
  by: (n: number) => readonly [number, number],
): SingleEdit[] {
  return chosen.flatMap((at, n): SingleEdit[] => {
    const element = page.elements[at];
    const [dx, dy] = by(n);
    if (!element || (dx === 0 && dy === 0)) return [];
    const moved = movedElement(element, dx, dy);
    return moved ? [{ name: 'changeElement', args: [page.id, at, moved] }] : [];
  });
}

/** All of them as one step; none, where there is nothing to do. */
export function editAll(edits: SingleEdit[]): void {
  if (edits.length > 0) edit(asOneEdit(edits));
}
