import type { Gadget } from '@hum-lever/core';

/*
 * Edits that the server has not acknowledged yet, kept where they survive a reload. Each tab has its own, so that
 * two tabs on one gadget never write over each other's.
 */

export interface Draft {
  base: number;
  document: Gadget;
  /** Of saves that were sent and not answered, the last ones: what one of them made is this tab's own. */
  sent: string[];
}

const prefix = 'hum-lever.draft';
const tabKey = 'hum-lever.tab';

const lockOf = (name: string) => `${tabKey}.${name}`;

/** This tab's name; the same after a reload. A tab that was duplicated has its original's, until that is noticed. */
let tab = sessionStorage.getItem(tabKey) ?? crypto.randomUUID();

/** A page that reloads still holds its lock for a moment; whoever else holds it is another tab. */
const patienceMs = { reload: 3_000, otherwise: 300 };

/** Takes the name's lock for as long as the page lives; so the others know that its drafts are in good hands. */
async function hold(name: string, waitMs: number): Promise<boolean> {
  const { locks } = navigator;
  // Without locks (only over plain http from elsewhere) nobody can tell.
  if (!locks) return true;
  const late = new AbortController();
  const timer = setTimeout(() => late.abort(), waitMs);
  return new Promise((resolve) => {
    const granted = () => {
      clearTimeout(timer);
      resolve(true);
      return new Promise<void>(() => undefined);
    };
    locks.request(lockOf(name), { signal: late.signal }, granted).catch(() => resolve(false));
  });
}

/** Settles who this tab is: a copy of another gets a name of its own. */
const known = (async (): Promise<void> => {
  const [entry] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  const waitMs = entry?.type === 'reload' ? patienceMs.reload : patienceMs.otherwise;
  while (!(await hold(tab, waitMs))) tab = crypto.randomUUID();
  sessionStorage.setItem(tabKey, tab);
})();

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
    const draft = JSON.parse(text) as Partial<Draft> & Omit<Draft, 'sent'>;
    return { ...draft, sent: Array.isArray(draft.sent) ? draft.sent : [] };
  } catch {
    return null;
  }
}

/** A draft of this gadget: this tab's own, or else one whose tab is gone; that one becomes this tab's. */
export async function findDraft(gadgetId: string): Promise<Draft | null> {
  await known;
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
