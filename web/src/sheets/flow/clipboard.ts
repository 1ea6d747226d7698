import { clipStates, readClipping, type Clipping, type Gadget } from '@hum-lever/core';
import { create } from 'zustand';

const key = 'hum-lever-states';

/** What was copied last, in this window or another of this browser. */
export const useClipping = create<{ clipping: Clipping | null }>(() => ({
  clipping: readClipping(localStorage.getItem(key) ?? ''),
}));

/** Keeps a state with all in it for pasting here or in another gadget, and as text for anywhere else. */
export function copyState(gadget: Gadget, stateId: string): void {
  const clipping = clipStates(gadget, stateId);
  const text = JSON.stringify(clipping);
  localStorage.setItem(key, text);
  useClipping.setState({ clipping });
  // Not every page may write there; pasting does not need it.
  navigator.clipboard?.writeText(text).catch(() => undefined);
}
