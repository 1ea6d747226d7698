import type { Page } from '@hum-lever/core';
import {
  conditionEdits,
  conditionOf,
  copyingEdits,
  groupingEdits,
  partingEdits,
  together,
  wholeGroup,
} from './groups.ts';

/** A page of lines in these groups. */
const pageOf = (...groups: number[]): Page => ({
  id: 'n1',
  name: 'Page',
  outputId: 'o1',
  over: null,
  elements: groups.map((group, n) => ({
    kind: 'drawLine',
    outputId: 'o1',
    onlyIf: n === 2 ? '0' : '1',
    blinks: 'steady',
    ink: '1',
    group,
    x: String(n),
    y: '0',
    toX: '9',
    toY: '0',
  })),
});
const groupsAfter = (edits: ReturnType<typeof groupingEdits>) =>
  edits.map(({ args }) => [args[1], (args[2] as { group: number }).group]);

describe('what belongs together on a page', () => {
  const page = pageOf(0, 2, 0, 2, 5);
  it('is found from any of it, that one last', () => {
    expect(together(page.elements, 0)).toEqual([0]);
    expect(together(page.elements, 1)).toEqual([3, 1]);
    expect(together(page.elements, 3)).toEqual([1, 3]);
    expect(together(page.elements, 9)).toEqual([9]);
  });
  it('is a whole group where all of one and nothing else is chosen', () => {
    expect(wholeGroup(page.elements, [3, 1])).toBe(2);
    expect(wholeGroup(page.elements, [1])).toBe(0);
    expect(wholeGroup(page.elements, [1, 3, 0])).toBe(0);
    expect(wholeGroup(page.elements, [0, 2])).toBe(0);
    expect(wholeGroup(page.elements, [])).toBe(0);
  });
  it('is put together under a number that is free, and taken apart again', () => {
    expect(groupsAfter(groupingEdits(page, [0, 3]))).toEqual([
      [0, 1],
      [3, 1],
    ]);
    expect(groupsAfter(groupingEdits(pageOf(1, 2, 0, 0), [2, 3]))).toEqual([
      [2, 3],
      [3, 3],
    ]);
    expect(groupsAfter(partingEdits(page, [1, 3]))).toEqual([
      [1, 0],
      [3, 0],
    ]);
  });
  it('is drawn on one condition where all of it is', () => {
    expect(conditionOf(page.elements, [0, 1])).toBe('1');
    expect(conditionOf(page.elements, [0, 2])).toBeNull();
    const edits = conditionEdits(page, [1, 3], 'v1 > 2');
    expect(edits.map(({ args }) => (args[2] as { onlyIf: string }).onlyIf)).toEqual(['v1 > 2', 'v1 > 2']);
  });
  it('is there once more as a group of its own, in the order in which it is drawn', () => {
    const copies = copyingEdits(page, [3, 1], 8).map(
      ({ args }) => args[1] as { x: string; y: string; group: number },
    );
    expect(copies.map(({ x, y, group }) => [x, y, group])).toEqual([
      ['1', '8', 1],
      ['3', '8', 1],
    ]);
    expect((copyingEdits(page, [1], 8)[0]!.args[1] as { group: number }).group).toBe(0);
  });
});
