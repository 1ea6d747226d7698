import type { Gadget } from '@hum-lever/core';

/*
 * Edits that the server has not acknowledged yet, kept where they survive a reload. Each tab has its own, so that
 * two tabs on one gadget never write over each other's.
 */

export interface Draft {
  base: number;
  document: Gadget;
}

const prefix = 'hum-lever.draft';
const tabKey = 'hum-lever.tab';

/** This tab's name; the same after a reload. */
const tab = ((): string => {
  const known = sessionStorage.getItem(tabKey);
  const name = known ?? crypto.randomUUID();
  sessionStorage.setItem(tabKey, name);
  return name;
})();
const lockOf = (name: string) => `${tabKey}.${name}`;

// Held as long as the tab lives; so the others know that its drafts are in good hands.
void navigator.locks?.request(lockOf(tab), () => new Promise(() => undefined));

const keyOf = (gadgetId: string, owner: string) => `${prefix}.${gadgetId}.${owner}`;

/** Keeps a draft. Returns false where the browser has no room for it. */
export function keepDraft(gadgetId: string, draft: Draft): boolean {
  try {
    localStorage.setItem(keyOf(gadgetId, tab), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function dropDraft(gadgetId: string): void {
  localStorage.removeItem(keyOf(gadgetId, tab));
}

/** Half a draft, left by a browser that ran out of room or was cut off, is none. */
function parse(text: string): Draft | null {
  try {
    return JSON.parse(text) as Draft;
  } catch {
    return null;
  }
}

/** A draft of this gadget: this tab's own, or else one whose tab is gone; that one becomes this tab's. */
export async function findDraft(gadgetId: string): Promise<Draft | null> {
  const mine = localStorage.getItem(keyOf(gadgetId, tab));
  if (mine !== null) return parse(mine);
  const held = new Set((await navigator.locks?.query())?.held?.map(({ name }) => name));
  const start = `${prefix}.${gadgetId}.`;
  for (const key of Object.keys(localStorage)) {
    if (!key.startsWith(start) || held.has(lockOf(key.slice(start.length)))) continue;
    const orphan = localStorage.getItem(key)!;
    localStorage.setItem(keyOf(gadgetId, tab), orphan);
    localStorage.removeItem(key);
    return parse(orphan);
  }
  return null;
}
