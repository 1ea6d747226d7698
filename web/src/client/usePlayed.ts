import type { Gadget } from '@hum-lever/core';
import { useSyncExternalStore } from 'react';
import { useDocument } from './gadgetStore.ts';

/* What makes states and pages of menus is fetched with the first gadget that has one. */
let expand: ((gadget: Gadget) => Gadget) | null = null;
let asked = false;
const waiting = new Set<() => void>();

function whenThere(changed: () => void): () => void {
  waiting.add(changed);
  return () => waiting.delete(changed);
}

function ask(): void {
  if (asked) return;
  asked = true;
  import('./played.ts').then(
    ({ withMenus }) => {
      expand = withMenus;
      for (const changed of waiting) changed();
    },
    () => (asked = false),
  );
}

/** The open document as it is played: with all that its menus come to. What happens is told by these names. */
export function usePlayed(): Gadget {
  const gadget = useDocument();
  const there = useSyncExternalStore(whenThere, () => expand);
  if (gadget.menus.length === 0) return gadget;
  if (!there) ask();
  return there ? there(gadget) : gadget;
}
