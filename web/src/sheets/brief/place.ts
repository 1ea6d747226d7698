import { fates, type Fate, type Word } from '@hum-lever/core';

/**
 * Where a word goes that was dropped on another word or on a column.
 * @returns its fate and the word it comes before (null: last); null: nothing changes
 */
export function placeOfDrop(
  words: readonly Word[],
  id: string,
  overId: string,
): { fate: Fate; beforeId: string | null } | null {
  if (overId === id) return null;
  const target = words.find((word) => word.id === overId);
  if (!target) {
    const fate = fates.find((one) => one === overId);
    return fate ? { fate, beforeId: null } : null;
  }
  const column = words.filter(({ fate }) => fate === target.fate);
  const from = column.findIndex((word) => word.id === id);
  const to = column.indexOf(target);
  // Moved down within its column it goes behind the one it was dropped on.
  const before = from >= 0 && from < to ? column[to + 1] : target;
  return { fate: target.fate, beforeId: before?.id ?? null };
}
