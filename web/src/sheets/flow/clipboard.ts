import type { Clipping, Gadget } from '@hum-lever/core';
import { create } from 'zustand';

const key = 'hum-lever-states';

/** What was copied last, in this window or another of this browser, as its text; null: nothing. */
export const useCopied = create<{ text: string | null }>(() => ({ text: localStorage.getItem(key) }));

/** Keeps a state with all in it for pasting here or in another gadget, and as text for anywhere else. */
export async function copyState(gadget: Gadget, stateId: string): Promise<void> {
  const { clipStates } = await import('./clipping.ts');
  const clipping: Clipping = clipStates(gadget, stateId);
  const text = JSON.stringify(clipping);
  localStorage.setItem(key, text);
  useCopied.setState({ text });
  // Not every page may write there; pasting does not need it.
  navigator.clipboard?.writeText(text).catch(() => undefined);
}
