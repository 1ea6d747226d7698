import { usePinch } from '@use-gesture/react';
import { useRef, type RefObject } from 'react';

/**
 * Two fingers on an element, as they draw apart or together. Its style must leave them to it (`touch-action`).
 * @param begin what is kept of how it was when they came down
 * @param pinch given that, how many times as far apart they are as then, and what lies in their middle (client px)
 * @returns whether two are there now: one alone then moves nothing else
 */
export function useFingers<Start>(
  target: RefObject<HTMLElement | null>,
  begin: () => Start,
  pinch: (start: Start, times: number, middle: { x: number; y: number }) => void,
): Readonly<RefObject<boolean>> {
  const two = useRef(false);
  usePinch<unknown>(
    ({ first, active, da: [apart], origin: [x, y], memo }) => {
      two.current = active;
      const begun = first ? { start: begin(), apart } : (memo as { start: Start; apart: number });
      if (!first && apart > 0 && begun.apart > 0) pinch(begun.start, apart / begun.apart, { x, y });
      return begun;
    },
    { target, pinchOnWheel: false },
  );
  return two;
}
