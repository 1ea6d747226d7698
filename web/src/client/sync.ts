import { canonicalJson, readGadget, type Gadget } from '@hum-lever/core';
import { create } from 'zustand';
import { api, ApiProblem, ServerAway, type OpenGadget, type RevisionSummary } from './api.ts';
import { dropDraft, findDraft, keepDraft } from './drafts.ts';
import { putOnBench, replaceDocument, useGadget } from './gadgetStore.ts';

export type Head = RevisionSummary & { document: Gadget };

export type SyncStatus =
  | { kind: 'saved' }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** The server is away, or cannot now; edits are kept here and sent when it is back. */
  | { kind: 'away'; message: string; retryMs: number }
  | { kind: 'conflict'; head: Head }
  /** The server would not take it, and says why. */
  | { kind: 'refused'; message: string };

interface Sync {
  status: SyncStatus;
  /** Newest revision that this tab knows its document to be based on. */
  base: number;
}

export const useSync = create<Sync>(() => ({ status: { kind: 'saved' }, base: 0 }));

/** Edits within this time go into one revision. */
const quietMs = 700;
/** Tried again soon, then less often. */
const retry = { firstMs: 2_000, longestMs: 60_000 };
let failures = 0;

/** The document as the server has it. */
let acknowledged: Gadget | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
let saving = false;
/** A save that was sent and not answered: the same again has the same name. */
let pending: { id: string; base: number; document: Gadget; saveId: string } | null = null;
/** Names of saves of this gadget that were never answered; what one of them made is our own. */
let sent: string[] = [];
const mostSent = 20;

const others = new BroadcastChannel('hum-lever.saved');
const same = (a: Gadget, b: Gadget) => a === b || canonicalJson(a) === canonicalJson(b);
const set = (status: SyncStatus) => useSync.setState({ status });

function plan(afterMs: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void save(), afterMs);
}

/** Opens a gadget: the server's newest revision, with what this browser still holds of it on top. */
export async function openGadget(id: string): Promise<void> {
  const opened = await api.open(id);
  const draft = await findDraft(id);
  acknowledged = opened.document;
  pending = null;
  failures = 0;
  sent = draft?.sent ?? [];
  useSync.setState({ status: { kind: 'saved' }, base: opened.revision });
  if (!draft || same(draft.document, opened.document)) {
    dropDraft(id);
    putOnBench(id, opened.document);
    return;
  }
  const read = readGadget(draft.document);
  if (read.outcome !== 'opened') {
    // Only a foreign hand, or another version of the program, can have left this.
    putOnBench(id, opened.document);
    set({ kind: 'refused', message: `Unsaved work found here could not be read: ${read.message}` });
    return;
  }
  putOnBench(id, read.gadget);
  if (draft.base === opened.revision || isOwn(opened)) {
    set({ kind: 'unsaved' });
    plan(0);
  } else set({ kind: 'conflict', head: headOf(opened) });
}

const headOf = (opened: OpenGadget): Head => {
  return {
    revision: opened.revision,
    name: null,
    savedAt: opened.savedAt,
    restoredFrom: null,
    saveId: opened.saveId,
    document: opened.document,
  };
};

/** Whether a revision was made by a save of ours whose answer never came. */
const isOwn = ({ saveId }: { saveId: string | null }) => saveId !== null && sent.includes(saveId);

/** Leaves the bench; what is unsaved is sent now, or stays a draft. */
export function closeGadget(): void {
  void save();
  useGadget.setState({ id: null, document: null, lastEdit: null, made: null });
}

useGadget.subscribe(({ id, document }, before) => {
  if (id === null || document === null || id !== before.id || document === before.document) return;
  const { status, base } = useSync.getState();
  if (document === acknowledged && !saving) {
    if (status.kind !== 'conflict') set({ kind: 'saved' });
    dropDraft(id);
    return;
  }
  const kept = keepDraft(id, { base, document, sent });
  if (status.kind === 'conflict' || status.kind === 'away') return;
  set(
    kept
      ? { kind: 'unsaved' }
      : { kind: 'refused', message: 'This browser has no room to keep unsaved work.' },
  );
  plan(quietMs);
});

async function save(): Promise<void> {
  clearTimeout(timer);
  const { id, document } = useGadget.getState();
  const { base, status } = useSync.getState();
  if (saving || id === null || document === null || document === acknowledged || status.kind === 'conflict')
    return;
  saving = true;
  if (status.kind !== 'away') set({ kind: 'saving' });
  if (pending?.id !== id || pending.base !== base || pending.document !== document) {
    pending = { id, base, document, saveId: crypto.randomUUID() };
    sent = [...sent, pending.saveId].slice(-mostSent);
    keepDraft(id, { base, document, sent });
  }
  try {
    const saved = await api.save(id, base, document, pending.saveId);
    acknowledged = document;
    pending = null;
    sent = [];
    failures = 0;
    others.postMessage({ id, revision: saved.revision });
    if (useGadget.getState().id === id) settle(id, saved.revision);
  } catch (error) {
    if (useGadget.getState().id === id) failed(error);
  } finally {
    saving = false;
  }
}

/** After a save: all done, or more has come meanwhile. */
function settle(id: string, revision: number): void {
  const { document } = useGadget.getState();
  useSync.setState({ base: revision });
  if (document === acknowledged) {
    dropDraft(id);
    set({ kind: 'saved' });
    return;
  }
  keepDraft(id, { base: revision, document: document!, sent });
  set({ kind: 'unsaved' });
  plan(quietMs);
}

function failed(error: unknown): void {
  if (error instanceof ServerAway) {
    const retryMs = Math.max(error.retryMs, Math.min(retry.longestMs, retry.firstMs * 2 ** failures));
    failures += 1;
    set({ kind: 'away', message: error.message, retryMs });
    plan(retryMs);
    return;
  }
  pending = null;
  if (!(error instanceof ApiProblem) || error.kind !== 'stale') {
    set({ kind: 'refused', message: (error as Error).message });
    return;
  }
  const head = error.head as Head;
  if (!isOwn(head)) return set({ kind: 'conflict', head });
  // The answer to that save was lost on its way: this goes on top of it.
  const { id, document } = useGadget.getState();
  if (id !== null && document !== null && same(document, head.document)) {
    acknowledged = document;
    settle(id, head.revision);
    return;
  }
  acknowledged = head.document;
  useSync.setState({ base: head.revision, status: { kind: 'unsaved' } });
  plan(0);
}

export type ConflictChoice = 'mine' | 'theirs' | 'both';

/**
 * Ends a conflict. mine: this document becomes the newest revision; theirs stays readable below it. theirs: this
 * document is replaced, and undo brings it back. both: theirs here, this one as a gadget of its own.
 */
export async function resolveConflict(choice: ConflictChoice): Promise<void> {
  const { status } = useSync.getState();
  const { id, document } = useGadget.getState();
  if (status.kind !== 'conflict' || id === null || document === null) return;
  if (choice === 'both') await api.createFrom({ ...document, name: `${document.name.slice(0, 70)} (mine)` });
  acknowledged = status.head.document;
  useSync.setState({ base: status.head.revision, status: { kind: 'unsaved' } });
  if (choice === 'mine') {
    keepDraft(id, { base: status.head.revision, document, sent });
    await save();
  } else {
    replaceDocument(status.head.document);
    set({ kind: 'saved' });
    dropDraft(id);
  }
}

/** Takes over a document that the server has just made the newest: a restored revision, or another tab's save. */
export function followHead(opened: OpenGadget): void {
  pending = null;
  sent = [];
  acknowledged = opened.document;
  useSync.setState({ base: opened.revision, status: { kind: 'saved' } });
  replaceDocument(opened.document);
  dropDraft(opened.id);
}

/** Sends what is unsaved and waits. Resolves to the revision that holds it, or null where that failed. */
export async function saveNow(): Promise<number | null> {
  while (saving) await new Promise((resolve) => setTimeout(resolve, 20));
  await save();
  const { status, base } = useSync.getState();
  return status.kind === 'saved' ? base : null;
}

// Another tab saved this gadget: with nothing unsaved here, follow it; otherwise the next save meets the conflict.
others.addEventListener('message', ({ data }: MessageEvent<{ id: string; revision: number }>) => {
  const { id, document } = useGadget.getState();
  if (data.id !== id || document !== acknowledged || saving) return;
  void api.open(data.id).then(
    (opened) => {
      if (useGadget.getState().document === acknowledged && opened.id === useGadget.getState().id)
        followHead(opened);
    },
    () => undefined,
  );
});

window.addEventListener('online', () => {
  failures = 0;
  plan(0);
});
// The last edits before leaving are in the draft; this only spares the next visit from sending them.
window.addEventListener('pagehide', () => void save());
