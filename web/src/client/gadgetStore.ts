import { editGadget, EditRefused, type Edit, type Gadget } from '@hum-lever/core';
import { temporal } from 'zundo';
import { create, useStore } from 'zustand';

interface GadgetState {
  /** The gadget on the bench; null: none is open. */
  id: string | null;
  document: Gadget | null;
  /** What the last change was, for the words of undo. */
  lastEdit: Edit['name'] | 'replace' | null;
  /** What the last edit made of what; null: none was made since it was put on the bench. */
  made: { was: Gadget; is: Gadget } | null;
}

/** The document being worked on, with its past and future. Nothing here knows of the server. */
export const useGadget = create<GadgetState>()(
  temporal((): GadgetState => ({ id: null, document: null, lastEdit: null, made: null }), {
    partialize: ({ document, lastEdit }) => ({ document, lastEdit }),
    equality: (a, b) => a.document === b.document,
    limit: 200,
  }),
);

/** Undo and redo. */
export const useHistory = <T>(pick: (history: ReturnType<typeof useGadget.temporal.getState>) => T): T =>
  useStore(useGadget.temporal, pick);

/** Puts a gadget on the bench; its past begins here. */
export function putOnBench(id: string, document: Gadget): void {
  useGadget.setState({ id, document, lastEdit: null, made: null });
  useGadget.temporal.getState().clear();
}

/** Replaces the whole document, as one change that can be undone. */
export function replaceDocument(document: Gadget): void {
  useGadget.setState({ document, lastEdit: 'replace' });
}

/** Applies an edit. Returns null, or why it was refused; then nothing has changed. */
export function edit(change: Edit): string | null {
  const { document } = useGadget.getState();
  if (!document) return 'No gadget is open.';
  try {
    const edited = editGadget(document, change);
    if (edited !== document)
      useGadget.setState({
        document: edited,
        lastEdit: change.name,
        made: { was: document, is: edited },
      });
    return null;
  } catch (error) {
    if (error instanceof EditRefused) return error.message;
    throw error;
  }
}

/** The open document. Only below the bench, where there is one. */
export function useDocument(): Gadget {
  const document = useGadget((state) => state.document);
  if (!document) throw new Error('no gadget is open');
  return document;
}
