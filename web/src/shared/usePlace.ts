import type { Place } from '@hum-lever/core';
import { useEffect } from 'react';
import { create } from 'zustand';

/** The place that a snag, or anything else, has just led to. */
export const useFound = create<{ place: Place | null }>(() => ({ place: null }));

/** Longer than a dialog takes to hand back the focus, shorter than a hand takes to the keys. */
const focusMs = 200;

/** Does it a moment later, unless a hand has gone on to something else by then: nothing is typed away from there. */
function unlessGoneOn(afterMs: number, work: () => void): void {
  const signs = ['keydown', 'pointerdown'] as const;
  const end = () => {
    clearTimeout(timer);
    for (const sign of signs) removeEventListener(sign, end, true);
  };
  const timer = setTimeout(() => {
    end();
    work();
  }, afterMs);
  for (const sign of signs) addEventListener(sign, end, true);
}

export function goTo(place: Place | null): void {
  useFound.setState({ place });
}

/** Marks an element as the one with that id; where it is the place led to, it is brought into view and has the focus. */
export function usePlace(id: string): { id: string; className: string | undefined } {
  const found = useFound(({ place }) => place?.id === id);
  useEffect(() => {
    if (!found) return;
    const element = document.getElementById(`place-${id}`);
    element?.scrollIntoView({ block: 'center' });
    // Dialogs hand back the focus first; what was made has had it by then, and it may have gone on from there.
    let had = element?.contains(document.activeElement) ?? true;
    element?.addEventListener('focusin', () => (had = true), { once: true });
    unlessGoneOn(focusMs, () => {
      if (!element || had) return;
      element.tabIndex = -1;
      element.focus({ preventScroll: true });
    });
    // Long enough to be seen, short enough not to stay in the way.
    const timer = setTimeout(() => goTo(null), 4_000);
    return () => clearTimeout(timer);
  }, [found, id]);
  return { id: `place-${id}`, className: found ? 'found' : undefined };
}

/** What was just made is shown, and its name can be typed at once. */
export function showMade(place: Place): void {
  goTo(place);
  // It is drawn with the next turn of the page, and dialogs hand back the focus first.
  unlessGoneOn(80, () => {
    const name = document.querySelector<HTMLInputElement>(`#place-${CSS.escape(place.id)} input`);
    name?.focus({ preventScroll: true });
    name?.select();
  });
}
