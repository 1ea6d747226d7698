import { partKinds, type PartKind } from '@hum-lever/core';
import { partGroupWords } from '../../words/index.ts';

/** 0 where the title is what was typed, then where it begins with it, then where it holds it. */
function nearness({ title }: PartKind, sought: string): number {
  const name = title.toLowerCase();
  if (name === sought) return 0;
  return name.startsWith(sought) ? 1 : name.includes(sought) ? 2 : 3;
}

/** Classes in whose title, description or group all typed words stand, in the catalogue's order; and the nearest. */
export function findKinds(typed: string): { found: PartKind[]; nearest: PartKind | null } {
  const sought = typed.trim().toLowerCase();
  const words = sought.split(/\s+/);
  const found = partKinds.filter(({ title, doc, group }) => {
    const text = `${title} ${doc} ${partGroupWords[group]}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const [nearest = null] = [...found].sort((a, b) => nearness(a, sought) - nearness(b, sought));
  return { found, nearest };
}
