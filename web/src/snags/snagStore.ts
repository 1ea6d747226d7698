import type { CheckReport, Gadget } from '@hum-lever/core';
import { create } from 'zustand';
import { lab } from '../workers/index.ts';

/** What the checks last found; null: not looked yet. */
export const useSnags = create<{ report: CheckReport | null }>(() => ({ report: null }));

const quietMs = 150;
let timer: ReturnType<typeof setTimeout> | undefined;
let newest: Gadget | null = null;

/** Checks this document in the lab once editing pauses; an older answer never replaces a newer one. */
export function checkSoon(gadget: Gadget): void {
  newest = gadget;
  clearTimeout(timer);
  timer = setTimeout(() => {
    void lab()
      .check(gadget)
      .then((report) => gadget === newest && useSnags.setState({ report }));
  }, quietMs);
}
